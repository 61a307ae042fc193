import { eligibleBodies, type Frame, type FrameId, type Limits, withReserve } from '@/core/brief';
import { byVerdict, shortfallOf, verdictOn } from '@/core/coverage';
import {
  type Lens,
  type LensId,
  mountableSetups,
  type Ownership,
  type Shelf,
  type Stack,
  stackItemIds,
  SOURCES,
} from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import { type Choice, isGotAsAsked, lessGot } from '../solve/choose';
import type { Interval, IntervalSet } from '@/core/intervals';
import { framesGotWith } from './evaluate';
import { whyOnce } from './frames';
import { baseTargets, type Problem, problemOf, type Target } from '../problem/problem';
import { isLoose } from '../problem/assignments';
import { isAvailable, type Candidate } from '../problem/candidates';
import type { MipSolver } from '../solve/mipSolver';
import { missingOf, type OpportunityPositions, positionsOf } from '../problem/positions';
import type { LineupQuestion } from '../problem/question';
import type { AloneLack, LensLack, LensOut } from './result';
import { NO_LIMITS, sumLimits } from '../problem/limitRules';

/** The frames that are lost, or covered once instead of twice, when a lens of the lineup stays at home. */
export function onlyIt(
  solver: MipSolver,
  problem: Problem,
  choice: Choice,
  lensId: LensId,
  timeLimitS: number,
): FrameId[] {
  const rest = new Set(choice.taken.filter((id) => id !== lensId));
  const left = framesGotWith(solver, problem, rest, timeLimitS);
  return lessGot(choice, left);
}

/** For each lens that stays out, what it makes alone, why it is out, and what it would add. */
export function lensesOut(
  solver: MipSolver,
  question: LineupQuestion,
  problem: Problem,
  choice: Choice,
  timeLimitS: number,
  pace: Pace = AT_EASE,
): LensOut[] {
  const { shelf, frames } = question;
  const taken = new Set(choice.taken);
  const selectableIds = new Set(problem.choice.items.map((p) => p.id));
  const out = shelf.lenses.filter((l) => !taken.has(l.id));
  const others = out.filter((l) => !selectableIds.has(l.id));
  const alone = madeAlone(problem);
  const othersAlone =
    others.length > 0 ? madeAlone(problemOfOthers(question, others, pace)) : new Map();
  const fitting = new Set<string>(
    mountableSetups({ ...shelf, lenses: out, converters: [], tubes: [] }, pace).map(
      (s) => s.lensId,
    ),
  );
  const targets = baseTargets(problem);
  const lost = frames
    .filter((f) => mayBeAdded(targets.get(f.id)!, problem, choice))
    .map((f) => f.id);
  const added = addedBy(problem, lost, taken);
  let behind: ReturnType<typeof madeBehind> | null = null;
  let explained = 0;
  return out.map((l) => {
    pace();
    const wouldAdd = selectableIds.has(l.id) ? (added.get(l.id) ?? []) : [];
    const makes = (selectableIds.has(l.id) ? alone.get(l.id) : othersAlone.get(l.id)) ?? [];
    const made = { solver, problem, choice, timeLimitS };
    const reason = reasonOut(l, fitting.has(l.id), wouldAdd, made);
    const isIdle = reason === 'adds-nothing' && makes.length === 0;
    const lacking =
      isIdle && (explained += 1) <= MOST_EXPLAINED
        ? ((behind ??= madeBehind(problem)).get(l.id) ?? nearestLack(question, l.id))
        : null;
    return { lensId: l.id, makes, reason, wouldAdd, alone: lacking };
  });
}

/** Whether a lens may add a frame: it is lost, or covered once for want of a second lens, not of a camera. */
function mayBeAdded(target: Target, problem: Problem, choice: Choice): boolean {
  const { id } = target.frame;
  if (!choice.once.has(id)) return !choice.got.has(id);
  const why = whyOnce(target, problem);
  return why === 'one-lens' || why === 'not-at-once';
}

/** Lenses of which it is said why they make nothing on their own; of others it is said when asked. */
const MOST_EXPLAINED = 30;

/** What each lens makes with something behind it, and only so: the thing that gets it most frames. */
function madeBehind({ targets, candidates }: Problem): Map<LensId, AloneLack> {
  const byStack = new Map<string, { stack: Stack; frameIds: Set<FrameId> }>();
  for (const { layer, frame, opportunities } of targets) {
    if (layer !== 'base') continue;
    for (const { axis, positions } of opportunities)
      for (const [i, set] of positions) {
        const { bare, stack } = candidates[i]!;
        if (bare || missingOf(axis, [set]).length > 0) continue;
        const key = stackItemIds(stack).join();
        const known = byStack.get(key) ?? { stack, frameIds: new Set<FrameId>() };
        byStack.set(key, known);
        known.frameIds.add(frame.id);
      }
  }
  const most = new Map<LensId, AloneLack>();
  const ordered = [...byStack.values()].sort((a, b) => a.frameIds.size - b.frameIds.size);
  for (const { stack, frameIds } of ordered)
    most.set(stack.lensId, { kind: 'only-with', stack, frameIds: [...frameIds] });
  return most;
}

/** The frame that a lens comes nearest to, and what it lacks for it. */
function nearestLack(question: LineupQuestion, id: LensId): AloneLack | null {
  const [lack] = lensLacks(question, id, 'nearest');
  return lack ? { kind: 'nearest', lack } : null;
}

/** The field of lenses that the limits leave out, as if they did not. */
function problemOfOthers(question: LineupQuestion, lenses: readonly Lens[], pace: Pace): Problem {
  const { shelf, limits } = question;
  const bodies = eligibleBodies(shelf, limits);
  const asIfNot: LineupQuestion = {
    ...question,
    shelf: { ...shelf, bodies, lenses: [...lenses], converters: [], tubes: [] },
    limits: {
      ...limits,
      ...NO_LIMITS,
      sources: [...SOURCES],
      lockedIn: [],
      lockedOut: [],
      spares: [],
      countBodies: false,
      formats: null,
      bodyMounts: null,
      lensKinds: 'any',
      order: [],
    },
  };
  return problemOf(asIfNot, { pace });
}

/** The frames that each lens makes with nothing behind it, assignments and bodies not counted. */
function madeAlone(problem: Problem): Map<LensId, FrameId[]> {
  const bare = problem.candidates.map((candidate) => candidate.bare);
  return framesByLens(problem.targets, (opportunity) =>
    lensesFor(opportunity, problem.candidates, bare, [opportunity.axis]),
  );
}

/**
 * The lost frames that each lens, with what could come with it, would add to what is taken; assignments and
 * bodies not counted.
 */
function addedBy(
  problem: Problem,
  lost: readonly FrameId[],
  taken: ReadonlySet<string>,
): Map<LensId, FrameId[]> {
  const { candidates } = problem;
  const withOne = candidates.map(() => true);
  const available = candidates.map(({ stack }) => isAvailable(stack, taken));
  const wanted = new Set(lost);
  const targets = problem.targets.filter((t) => wanted.has(t.frame.id));
  return framesByLens(targets, (opportunity) => {
    const { axis, positions } = opportunity;
    const missing = missingOf(axis, positionsOf(positions, available));
    // What is at hand and still not made is kept by hands and bodies: a lens that makes it all may help.
    return lensesFor(opportunity, candidates, withOne, missing.length === 0 ? [axis] : missing);
  });
}

/** The frames of some targets by the lenses that get one of their opportunities. */
function framesByLens(
  targets: readonly Target[],
  lensesOn: (opportunity: OpportunityPositions) => readonly LensId[],
): Map<LensId, FrameId[]> {
  const frames = new Map<LensId, FrameId[]>();
  for (const target of targets) {
    if (target.layer !== 'base') continue;
    const covered = new Set(target.opportunities.flatMap(lensesOn));
    for (const id of covered) frames.set(id, [...(frames.get(id) ?? []), target.frame.id]);
  }
  return frames;
}

/** The lenses of which the candidates that count make some places of an opportunity together. */
function lensesFor(
  { positions }: OpportunityPositions,
  candidates: readonly Candidate[],
  counts: readonly boolean[],
  missing: readonly Interval[],
): LensId[] {
  const setsByLens = new Map<LensId, IntervalSet[]>();
  for (const [i, set] of positions) {
    if (!counts[i]) continue;
    const { lensId } = candidates[i]!.stack;
    const sets = setsByLens.get(lensId);
    if (sets) sets.push(set);
    else setsByLens.set(lensId, [set]);
  }
  return [...setsByLens].flatMap(([id, sets]) =>
    missing.every((range) => missingOf(range, sets).length === 0) ? [id] : [],
  );
}

/** What one lens lacks for each frame that it does not make alone, by its best setup; nearest first where asked. */
export function lensLacks(
  { shelf, frames, limits }: { frames: readonly Frame[]; shelf: Shelf; limits: Limits },
  id: LensId,
  order: 'frames' | 'nearest' = 'frames',
): LensLack[] {
  const setups = mountableSetups({
    ...shelf,
    bodies: eligibleBodies(shelf, limits),
    lenses: shelf.lenses.filter((l) => l.id === id),
    converters: [],
    tubes: [],
  });
  const looked = frames.flatMap((frame) => {
    const asked = withReserve(frame, limits.reserve);
    const best = setups.map((s) => verdictOn(s, asked, limits)).sort(byVerdict)[0];
    return best ? [{ frame, best }] : [];
  });
  const told = order === 'nearest' ? looked.sort((a, b) => byVerdict(a.best, b.best)) : looked;
  return told.flatMap(({ frame, best }) => {
    const shortfall = shortfallOf(best);
    return shortfall ? [{ frameId: frame.id, bodyId: best.bodyId, shortfall }] : [];
  });
}

/** What a choice was made in, to find out what keeps a lens out of it. */
interface CoveredByLens {
  readonly solver: MipSolver;
  readonly problem: Problem;
  readonly choice: Choice;
  readonly timeLimitS: number;
}

/**
 * Why a lens stays out. A must that it would add is never left for what the lens earns: a limit keeps
 * it out. A wanted picture may be, unless a limit stands in the way as well.
 */
function reasonOut(
  lens: Lens,
  fitsABody: boolean,
  wouldAdd: readonly FrameId[],
  made: CoveredByLens,
): LensOut['reason'] {
  const { limits, choice, frames } = made.problem;
  if (limits.lockedOut.includes(lens.id)) return 'locked-out';
  for (const [note, ids] of choice.unknown) if (ids.includes(lens.id)) return note;
  const beyond = choice.beyond.get(lens.id);
  if (beyond !== undefined) return beyond;
  if (!choice.items.some((p) => p.id === lens.id))
    return new Set<Ownership>(limits.sources).has(lens.ownership) ? 'kind' : 'source';
  if (!fitsABody) return 'no-body';
  if (wouldAdd.length === 0) return 'adds-nothing';
  const added = frames.filter((f) => wouldAdd.includes(f.id));
  if (added.some((f) => f.want === 'must') || isLimited(lens, wouldAdd, made)) return 'limit';
  return added.some((f) => f.want === 'want') ? 'earns-too-little' : 'bonus-only';
}

/** Whether the limits leave no way to get any of some frames with a lens and all that goes behind it. */
function isLimited(
  lens: Lens,
  wouldAdd: readonly FrameId[],
  { solver, problem, choice, timeLimitS }: CoveredByLens,
): boolean {
  const { limits, choice: all, assignments } = problem;
  const isFree = sumLimits(limits).length === 0 && assignments.every(isLoose);
  if (isFree) return false;
  const behind = all.items.filter((p) => p.kind !== 'lens').map((p) => p.id);
  const among = new Set<string>([...choice.taken, ...behind, lens.id]);
  const got = framesGotWith(solver, problem, among, timeLimitS);
  return !wouldAdd.some((id) => isGotAsAsked(got, id));
}
