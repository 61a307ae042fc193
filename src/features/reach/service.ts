import type { Frame } from '@/core/brief';
import { type Shortfall, shortfallOf, verdictOn } from '@/core/coverage';
import { type BodyId, kitKey, type Kit, mountableSetups, type Setup } from '@/core/gear';
import { byVerdict, type LineupQuestion } from '@/core/lineup';

/** How one kit serves one frame, by its best body. */
export interface Service extends Kit {
  readonly frameId: string;
  readonly bodyId: BodyId;
  /** null when it makes the frame alone. */
  readonly shortfall: Shortfall | null;
  readonly byCrop: boolean;
}

/** Every kit's best service of the given frames, or of one lens alone. */
export function servicesOf(
  { shelf, limits }: Pick<LineupQuestion, 'shelf' | 'limits'>,
  frames: readonly Frame[],
  lensId: string | null,
): Service[] {
  const setups = mountableSetups({
    ...shelf,
    bodies: shelf.bodies.filter(
      (b) => !limits.lockedOut.includes(b.id) && limits.sources.includes(b.ownership),
    ),
    lenses: lensId === null ? shelf.lenses : shelf.lenses.filter((l) => l.id === lensId),
  });
  const byKit = new Map<string, Setup[]>();
  for (const s of setups) byKit.set(kitKey(s), [...(byKit.get(kitKey(s)) ?? []), s]);
  return frames.flatMap((frame) =>
    [...byKit.values()].flatMap((same) => {
      const best = same.map((s) => verdictOn(s, frame, limits)).sort(byVerdict)[0];
      if (!best) return [];
      const { lensId: id, adapterId, converterId, tubeId, bodyId } = best;
      return [
        {
          frameId: frame.id,
          lensId: id,
          adapterId,
          converterId,
          tubeId,
          bodyId,
          shortfall: shortfallOf(best),
          byCrop: best.code === 'crop',
        },
      ];
    }),
  );
}
