/** Starter briefs: outings of the usual genres to begin from. */
import { VERSIONS } from '../migrations';
import {
  DEFAULT_LIMITS,
  DEFAULT_PACKING,
  eligibleBodies,
  outingId,
  PLAIN_STRETCH,
  stretch,
} from '@/core/brief';
import type { Shelf } from '@/core/gear';
import { EMPTY_GROUND } from '@/core/ground';
import { FILE_FORMAT, type OutingFile } from '../outingFile';
import { frameOf, type Starter, type StarterText } from './shot';

export { type StarterKey, STARTERS } from './genres';
export type { Starter, StarterText } from './shot';

/**
 * An outing from a starter brief, with the gear that is on the shelf. What can't be repeated is asked for
 * twice only where there are two cameras, and weight is limited only where the weights are known.
 *
 * @param shelf what the outing's own gear is
 * @param atHand what the person has, where that isn't all in the outing itself
 */
export function outingFromStarter(
  starter: Starter,
  text: StarterText,
  {
    shelf,
    currency,
    atHand = shelf,
  }: { readonly shelf: Shelf; readonly currency: string; readonly atHand?: Shelf },
): OutingFile {
  const isWeighed = atHand.lenses.length > 0 && atHand.lenses.every((l) => l.weightG !== null);
  const asked = { ...DEFAULT_LIMITS, ...starter.limits };
  const limits = isWeighed ? asked : { ...asked, maxLineupWeightG: null };
  const hasTwoCameras = eligibleBodies(atHand, limits).length > 1;
  const frames = starter.shots.map((shot) => frameOf(shot, text));
  return {
    format: FILE_FORMAT,
    version: VERSIONS.outing,
    outing: {
      id: outingId.parse(starter.key),
      name: text.name,
      place: '',
      firstDay: null,
      lastDay: null,
      currency,
      shooters: [],
      note: text.caution,
      genre: starter.key,
      lessons: '',
    },
    stretches: (starter.stretches ?? []).map(({ key, ...rest }) =>
      stretch.parse({ ...PLAIN_STRETCH, ...rest, id: key, name: text.stretches?.[key] }),
    ),
    frames: hasTwoCameras ? frames : frames.map((f) => ({ ...f, twice: null })),
    shelf,
    limits,
    packing: DEFAULT_PACKING,
    ground: EMPTY_GROUND,
    ties: null,
  };
}
