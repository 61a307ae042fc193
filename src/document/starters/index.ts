/** Starter briefs: outings of the usual genres to begin from. */
import { FILE_VERSION } from '../migrations';
import { DEFAULT_LIMITS, DEFAULT_PACKING, outingId, PLAIN_STRETCH, stretch } from '@/core/brief';
import type { Shelf } from '@/core/gear';
import { FILE_FORMAT, type OutingFile } from '../outingFile';
import { slugOf } from '../freshId';
import { frameOf, type Starter } from './shot';

export { STARTERS } from './genres';
export type { Starter } from './shot';

/** An outing from a starter brief, with the gear that is on the shelf. */
export function outingFromStarter(
  starter: Starter,
  { shelf, currency }: { readonly shelf: Shelf; readonly currency: string },
): OutingFile {
  return {
    format: FILE_FORMAT,
    version: FILE_VERSION,
    outing: {
      id: outingId.parse(starter.key),
      name: starter.name,
      place: '',
      firstDay: null,
      lastDay: null,
      currency,
      shooters: [],
      note: starter.caution,
    },
    stretches: (starter.stretches ?? []).map((s) =>
      stretch.parse({ ...PLAIN_STRETCH, ...s, id: slugOf(s.name) }),
    ),
    frames: starter.shots.map(frameOf),
    shelf,
    limits: { ...DEFAULT_LIMITS, ...starter.limits },
    packing: DEFAULT_PACKING,
    ties: null,
  };
}
