import type { Frame } from '@/core/brief';
import type { Setup } from '@/core/gear';
import type { Choice } from './choose';
import { setupsIn } from './evaluate';
import type { Field } from './field';
import type { LineupQuestion } from './question';
import type { Note } from './result';

/** What the answer rests on that is not known, and what is missing for any answer. */
export function notesOf(
  { frames, shelf }: LineupQuestion,
  field: Field,
  choice: Choice,
  pixelsUnknown: readonly string[],
): Note[] {
  const used = field.hands.flatMap((hand) => setupsIn(field, choice, hand));
  const asked = (wish: (f: Frame) => boolean) => frames.some(wish);
  const among = (setups: readonly Setup[], unknown: (s: Setup) => boolean) =>
    [...new Set(setups.filter(unknown).map((s) => s.lensId))].sort();
  const wet = field.hands.some((h) => h.wet) || asked((f) => f.special.sealed);
  const named: { code: Exclude<Note['code'], `no-${string}`>; ids: readonly string[] }[] = [
    { code: 'weight-unknown', ids: field.choice.weightUnknown },
    { code: 'price-unknown', ids: field.choice.priceUnknown },
    { code: 'pixels-unknown', ids: pixelsUnknown },
    {
      code: 'autofocus-unknown',
      ids: asked((f) => f.special.autofocus) ? among(used, (s) => s.autofocus === null) : [],
    },
    {
      code: 'thread-unknown',
      ids: asked((f) => f.special.frontFilter) ? among(used, (s) => s.frontThread === null) : [],
    },
    {
      code: 'shift-unknown',
      ids: asked((f) => f.special.perspectiveControl) ? among(used, (s) => s.shift === null) : [],
    },
    {
      code: 'smallest-aperture-unknown',
      ids: asked((f) => f.depth.sharp !== null)
        ? among(used, (s) => s.smallestFNumber === null)
        : [],
    },
    {
      code: 'sealing-unknown',
      ids: wet ? among(field.choice.setups, (s) => s.sealed === null) : [],
    },
  ];
  const hasLenses = field.choice.pieces.some((p) => p.kind === 'lens');
  return [
    ...named.filter(({ ids }) => ids.length > 0),
    ...(frames.length === 0 ? [{ code: 'no-frames' as const }] : []),
    ...(!hasLenses ? [{ code: 'no-lenses' as const }] : []),
    ...(hasLenses && field.choice.setups.length === 0 && shelf.lenses.length > 0
      ? [{ code: 'no-bodies' as const }]
      : []),
  ];
}
