import type { Frame, FrameId, Limits } from '@/core/brief';
import { shortfallOf, verdictOn } from '@/core/coverage';
import { type Lens, type LensId, mountableSetups, type Shelf } from '@/core/gear';
import { type Covering, coveringOf } from './cells';
import { framesGot, kitsAtHand } from './evaluate';
import { byVerdict } from './frames';
import type { LineupQuestion } from './question';
import type { LensIn, LensLack, LensOut } from './result';
import type { Selectable } from './selectable';

/** For each lens in the lineup, the frames that are lost when it stays at home. */
export function lensesIn(
  lensIds: readonly LensId[],
  covering: Covering,
  taken: ReadonlySet<string>,
  got: ReadonlySet<FrameId>,
): LensIn[] {
  return lensIds.map((lensId) => {
    const left = framesGot(covering, new Set([...taken].filter((id) => id !== lensId)));
    return { lensId, onlyIt: [...got].filter((id) => !left.has(id)) };
  });
}

/** What the reasons for staying out are worked out from. */
export interface OutQuestion {
  readonly shelf: Shelf;
  readonly frames: readonly Frame[];
  readonly limits: Limits;
  readonly choice: Selectable;
  readonly covering: Covering;
  readonly taken: ReadonlySet<string>;
  readonly got: ReadonlySet<FrameId>;
}

/** For each lens that stays out, what it makes alone, why it is out, and what it would add. */
export function lensesOut(question: OutQuestion): LensOut[] {
  const { shelf, frames, limits, choice, covering, taken, got } = question;
  const selectableIds = new Set(choice.pieces.map((p) => p.id));
  const out = shelf.lenses.filter((l) => !taken.has(l.id));
  const bare = mountableSetups({
    ...shelf,
    bodies: bodiesAlong(shelf, limits),
    lenses: out,
    converters: [],
  });
  const fitting = new Set<string>(bare.map((s) => s.lensId));
  const others = coveringOf(
    bare.filter((s) => !selectableIds.has(s.lensId)),
    frames,
    limits,
  );
  const lost = frames.filter((f) => !got.has(f.id)).map((f) => f.id);
  return out.map((l) => {
    const chosenFrom = selectableIds.has(l.id);
    const from = chosenFrom ? covering : others;
    const alone = kitOf(from, l.id);
    const wouldAdd =
      chosenFrom && lost.length > 0 ? madeWith(covering, lost, new Set([...taken, l.id])) : [];
    return {
      lensId: l.id,
      makes: frames
        .filter(
          (f) => alone >= 0 && (from.cells.get(f.id) ?? []).every((cell) => cell.kits.has(alone)),
        )
        .map((f) => f.id),
      reason: reasonOut(l, fitting.has(l.id), question, wouldAdd),
      wouldAdd,
    };
  });
}

/** The number of the kit that is the bare lens; -1 when it fits no body. */
function kitOf(covering: Covering, id: LensId): number {
  return covering.kits.findIndex((kit) => kit.lensId === id && kit.converterId === null);
}

function madeWith(
  covering: Covering,
  frameIds: readonly FrameId[],
  taken: ReadonlySet<string>,
): FrameId[] {
  const atHand = kitsAtHand(covering, taken);
  return frameIds.filter((id) =>
    (covering.cells.get(id) ?? []).every((cell) => cell.kits.meets(atHand)),
  );
}

function bodiesAlong(shelf: Shelf, limits: Limits) {
  return shelf.bodies.filter(
    (b) => !limits.lockedOut.includes(b.id) && limits.sources.includes(b.ownership),
  );
}

/** What one lens lacks for each frame that it does not make alone, by its best setup. */
export function lensLacks({ shelf, frames, limits }: LineupQuestion, id: LensId): LensLack[] {
  const lenses = shelf.lenses.filter((l) => l.id === id);
  const setups = mountableSetups({
    ...shelf,
    bodies: bodiesAlong(shelf, limits),
    lenses,
    converters: [],
  });
  return frames.flatMap((frame) => {
    const best = setups.map((s) => verdictOn(s, frame, limits)).sort(byVerdict)[0];
    const shortfall = best ? shortfallOf(best) : null;
    return best && shortfall ? [{ frameId: frame.id, bodyId: best.bodyId, shortfall }] : [];
  });
}

function reasonOut(
  lens: Lens,
  fitsABody: boolean,
  question: Pick<OutQuestion, 'limits' | 'choice' | 'taken' | 'frames'>,
  wouldAdd: readonly FrameId[],
): LensOut['reason'] {
  const { limits, choice, taken, frames } = question;
  if (limits.lockedOut.includes(lens.id)) return 'locked-out';
  if (choice.weightUnknown.includes(lens.id)) return 'weight-unknown';
  if (!choice.pieces.some((p) => p.id === lens.id)) return 'source';
  if (!fitsABody) return 'no-body';
  if (wouldAdd.length === 0) return 'adds-nothing';
  if (breaksLimit(lens, limits, choice, taken)) return 'limit';
  const counting = frames.some((f) => f.want !== 'bonus' && wouldAdd.includes(f.id));
  return counting ? 'earns-too-little' : 'bonus-only';
}

function breaksLimit(
  lens: Lens,
  limits: Limits,
  choice: Selectable,
  taken: ReadonlySet<string>,
): boolean {
  const pieces = choice.pieces.filter((p) => taken.has(p.id));
  const weight = pieces.reduce((sum, p) => sum + (p.weightG ?? 0), lens.weightG ?? 0);
  const lenses = pieces.filter((p) => p.kind === 'lens').length + 1;
  return (
    (limits.maxLenses !== null && lenses > limits.maxLenses) ||
    (limits.maxLineupWeightG !== null && weight > limits.maxLineupWeightG)
  );
}
