import { eligibleBodies, type Frame, positionUnit, type PositionUnit } from '@/core/brief';
import { byVerdict, type Margins, type Shortfall, shortfallOf, verdictOn } from '@/core/coverage';
import { type BodyId, stackKey, type Stack, mountableSetups, type Setup } from '@/core/gear';
import { framesThere, type LineupQuestion } from '@/core/lineup';

/** How one stack serves one frame, by its best body. */
export interface Service extends Stack {
  readonly frameId: string;
  readonly bodyId: BodyId;
  /** null when it makes the frame alone. */
  readonly shortfall: Shortfall | null;
  readonly byCrop: boolean;
  /** Where it is decided, with the arithmetic's figures there. */
  readonly margins: Margins;
  readonly unit: PositionUnit;
}

/** Every stack's best service of the given frames, or of one lens alone. */
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
  const byStack = new Map<string, Setup[]>();
  for (const s of setups) byStack.set(stackKey(s), [...(byStack.get(stackKey(s)) ?? []), s]);
  return frames.flatMap((frame) => {
    const askedFrames = framesThere(frame, { ...question, frames }, bodies);
    return [...byStack.values()].flatMap((same) => {
      const best = same
        .flatMap((s) => askedFrames.map((asked) => verdictOn(s, asked, limits)))
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
          unit: positionUnit(best.axis),
        },
      ];
    });
  });
}
