import type { Frame, FrameId, Limits } from '@/core/brief';
import { shortfallOf, verdictOn } from '@/core/coverage';
import { type Lens, type LensId, mountableSetups, type Setup, type Shelf } from '@/core/gear';
import type { Covering } from './cells';
import { framesGot } from './evaluate';
import { byVerdict } from './frames';
import type { LensIn, LensOut } from './result';
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

/** For each lens that stays out, what it makes, what it lacks, and why it is out. */
export function lensesOut(question: OutQuestion): LensOut[] {
  const { shelf, frames, limits, choice, covering, taken, got } = question;
  const lockedOut = new Set(limits.lockedOut);
  const bodies = shelf.bodies.filter(
    (b) => !lockedOut.has(b.id) && limits.sources.includes(b.ownership),
  );
  const setupsByLens = new Map<LensId, Setup[]>();
  for (const setup of mountableSetups({ ...shelf, bodies, converters: [] })) {
    setupsByLens.set(setup.lensId, [...(setupsByLens.get(setup.lensId) ?? []), setup]);
  }
  const selectableIds = new Set(choice.pieces.map((p) => p.id));
  return shelf.lenses
    .filter((l) => !taken.has(l.id))
    .map((l) => {
      const setups = setupsByLens.get(l.id) ?? [];
      const gotWithIt = selectableIds.has(l.id)
        ? framesGot(covering, new Set([...taken, l.id]))
        : got;
      const wouldAdd = [...gotWithIt].filter((id) => !got.has(id));
      return {
        lensId: l.id,
        ...serviceOf(setups, frames, limits),
        reason: reasonOut(l, setups.length > 0, question, wouldAdd),
        wouldAdd,
      };
    });
}

function serviceOf(
  setups: readonly Setup[],
  frames: readonly Frame[],
  limits: Limits,
): Pick<LensOut, 'makes' | 'lacks'> {
  const makes: FrameId[] = [];
  const lacks: LensOut['lacks'][number][] = [];
  for (const frame of frames) {
    const best = setups.map((s) => verdictOn(s, frame, limits)).sort(byVerdict)[0];
    if (!best) continue;
    const shortfall = shortfallOf(best);
    if (shortfall === null) makes.push(frame.id);
    else lacks.push({ frameId: frame.id, bodyId: best.bodyId, shortfall });
  }
  return { makes, lacks };
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
