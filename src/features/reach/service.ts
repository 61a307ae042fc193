import { eligibleBodies, type Frame, placeUnit, type PlaceUnit } from '@/core/brief';
import { byVerdict, type Margins, type Shortfall, shortfallOf, verdictOn } from '@/core/coverage';
import { type BodyId, kitKey, type Kit, mountableSetups, type Setup } from '@/core/gear';
import { framesThere, type LineupQuestion } from '@/core/lineup';

/** How one kit serves one frame, by its best body. */
export interface Service extends Kit {
  readonly frameId: string;
  readonly bodyId: BodyId;
  /** null when it makes the frame alone. */
  readonly shortfall: Shortfall | null;
  readonly byCrop: boolean;
  /** Where it is decided, with the arithmetic's figures there. */
  readonly margins: Margins;
  readonly unit: PlaceUnit;
}

/** Every kit's best service of the given frames, or of one lens alone. */
export function servicesOf(
  question: Omit<LineupQuestion, 'frames'>,
  frames: readonly Frame[],
  lensId: string | null,
): Service[] {
  const { shelf, limits } = question;
  const bodies = eligibleBodies(shelf, limits);
  const setups = mountableSetups({
    ...shelf,
    bodies,
    lenses: lensId === null ? shelf.lenses : shelf.lenses.filter((l) => l.id === lensId),
  });
  const byKit = new Map<string, Setup[]>();
  for (const s of setups) byKit.set(kitKey(s), [...(byKit.get(kitKey(s)) ?? []), s]);
  return frames.flatMap((frame) => {
    const there = framesThere(frame, question, bodies);
    return [...byKit.values()].flatMap((same) => {
      const best = same
        .flatMap((s) => there.map((asked) => verdictOn(s, asked, limits)))
        .sort(byVerdict)[0];
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
          margins: best.deciding.margins,
          unit: placeUnit(best.axis),
        },
      ];
    });
  });
}
