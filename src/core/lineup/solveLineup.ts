import type { Frame, FrameId } from '@/core/brief';
import { type CoverageMemory, demandOf } from '@/core/coverage';
import {
  type AdapterId,
  type ConverterId,
  stackItemIds,
  USUAL_PRICE_ERROR,
  USUAL_WEIGHT_ERROR,
  type LensId,
  type Setup,
  type TubeId,
} from '@/core/gear';
import type { Pace } from '@/core/pace';
import { withBodies } from './solve/bodies';
import { type Choice, choose, isGotAsAsked, NOTHING_GOT } from './solve/choose';
import { conflictBehind } from './explain/conflicts';
import { type KeptOut, keptLost } from './explain/waysOut';
import {
  type Deadline,
  deadlineIn,
  earlier,
  endingBy,
  finishingBy,
  paceOf,
  unlessCut,
} from './solve/deadline';
import { setupsByAssignment } from './explain/evaluate';
import { baseTargets, heldFrame, type Problem, problemOf } from './problem/problem';
import { fewGood, worthOf } from './solve/fewGood';
import { frameResult, nearestMiss } from './explain/frames';
import { type Assignment, eitherOr, isLoose } from './problem/assignments';
import { lensesOut, onlyIt } from './explain/lenses';
import type { MipSolver } from './solve/mipSolver';
import { notesOf, restsOnEstimates } from './explain/notes';
import { shareGot, wantSharesPercent } from './problem/wantShares';
import { type Proof, proofOf } from './prove/proof';
import { unknownDecides } from './explain/unknownDecides';
import type { SelectableItem } from './problem/item';
import type { LineupQuestion } from './problem/question';
import { presolve, type Presolved } from './presolve/presolve';
import { gapsOf, overlapsOf } from './explain/ranges';
import {
  type Carried,
  type AssignmentOutcome,
  type LineupResult,
  type Reason,
  RESULT_VERSION,
  type Totals,
} from './explain/result';
import type { SelectableKind } from './problem/item';

export interface SolveOptions {
  /** Time for the whole answer, s; past it the best found is given with its bound. */
  readonly timeLimitS: number;
  /** A clock in ms; core has none of its own. */
  readonly now: () => number;
  /** Where the answer is one of several steps: the deadline of them all, in place of the time. */
  readonly deadline?: Deadline;
  /** Of earlier questions about the same gear under limits that differ in nothing but their order. */
  readonly memory?: CoverageMemory | undefined;
}

/** Shares of the time left that a step may take, so that something remains for the steps behind it. */
const SHARES = { choice: 0.45, soon: 0.5, bodies: 0.5, proof: 0.4, reason: 0.3 } as const;

/** The choice by itself, before its reasons. */
export interface Solved {
  readonly problem: Problem;
  readonly presolved: Presolved;
  readonly choice: Choice | null;
  readonly proof: Proof;
  /** Everything that is carried against its limit; null where there is none. */
  readonly carried: Carried | null;
  readonly timing: { readonly modelMs: number; readonly solveMs: number };
}

/**
 * Lays out, chooses and proves: what an edit has to wait for.
 *
 * @throws {OutOfTime} when the time is over before anything can be chosen from
 */
export function solveChoice(
  solver: MipSolver,
  question: LineupQuestion,
  { timeLimitS, now, deadline = deadlineIn(timeLimitS, now), memory }: SolveOptions,
): Solved {
  const started = now();
  const pace = paceOf(deadline);
  const problem = problemOf(question, { pace, memory });
  const presolved = presolve(problem, { pace });
  const modelled = now();
  const within = (share: number) => endingBy(earlier(deadline, share), solver);
  const first = choose(within(SHARES.choice), problem, presolved, timeLimitS);
  const lenses = first && orSoon(within(SHARES.soon), problem, presolved, first, timeLimitS);
  const choice = lenses && withBodies(within(SHARES.bodies), question, problem, lenses, timeLimitS);
  const proof: Proof =
    choice === null
      ? { kind: 'none' }
      : proofOf(
          within(SHARES.proof),
          problem,
          presolved,
          choice,
          { lensCount: idsOf(problem, choice, 'lens').length, proven: choice.open === null },
          timeLimitS,
        );
  const timing = { modelMs: modelled - started, solveMs: now() - modelled };
  return { problem, presolved, choice, proof, carried: null, timing };
}

/** A choice that time ran out over, or what is found among a few good lenses where that is better. */
function orSoon(
  solver: MipSolver,
  problem: Problem,
  presolved: Presolved,
  cut: Choice,
  timeLimitS: number,
): Choice {
  if (cut.open === null) return cut;
  const few = presolve(problem, { among: fewGood(problem, presolved) });
  const found = choose(solver, problem, few, timeLimitS);
  if (found === null || worthOf(found.got, problem) <= worthOf(cut.got, problem)) return cut;
  const { aim, bound } = cut.open;
  const at = found.values.findIndex((v) => v.aim === aim);
  const value = found.values[at]?.value ?? found.open?.value ?? cut.open.value;
  if (value > bound) return { ...found, open: { aim, bound, value } };
  // What meets the bound is the optimum of that aim; of the next ones nothing is known but that none is below 0.
  const next = found.values.slice(at + 1).find((v) => v.value > 0);
  return { ...found, open: next ? { ...next, bound: 0 } : found.open };
}

/** The fewest lenses that get the frames, with the proof, the reasons and the totals. */
export function solveLineup(
  solver: MipSolver,
  question: LineupQuestion,
  options: SolveOptions,
): LineupResult {
  const deadline = options.deadline ?? deadlineIn(options.timeLimitS, options.now);
  const timed = { ...options, deadline };
  return explain(solver, question, solveChoice(solver, question, timed), timed);
}

/** A choice with its reasons and totals. */
export function explain(
  solver: MipSolver,
  question: LineupQuestion,
  { problem, choice: found, proof, carried, timing }: Solved,
  { timeLimitS, now, deadline = deadlineIn(timeLimitS, now) }: SolveOptions,
): LineupResult {
  const started = now();
  const { frames, shelf, limits } = question;
  const choice = found ?? lockedOnly(problem);
  const lensIds = idsOf<LensId>(problem, choice, 'lens');
  const setupsOf = setupsByAssignment(problem, choice);
  const setups = distinct(problem.assignments.flatMap((assignment) => setupsOf(assignment)));
  const lensById = new Map(shelf.lenses.map((l) => [l.id, l]));
  const targets = baseTargets(problem);
  const { reason, cut } = reasonsWithin(solver, deadline);
  const held = frames.map((f) => heldFrame(problem, f));
  const results = frames.map((f) => frameResult(problem, targets.get(f.id)!, choice, setupsOf));
  const kept = reason('kept', new Map<FrameId, KeptOut>(), (s, pace) =>
    keptLost(question, problem, choice, { solver: s, timeLimitS, pace }),
  );
  const conflict = reason('conflict', null, (s, pace) =>
    conflictBehind(problem, found, { solver: s, timeLimitS, pace }),
  );
  const onlyIts = lensIds.map((id) => ({
    lensId: id,
    onlyIt: reason('only-it', null, (s) => onlyIt(s, problem, choice, id, timeLimitS)),
  }));
  const outs = reason('lenses-out', [], (s, pace) =>
    lensesOut(s, question, problem, choice, timeLimitS, pace),
  );
  const lost = results.filter((r) => r.state === 'lost');
  const nearest = new Map(
    lost.map(({ frameId }) => [
      frameId,
      reason('nearest', null, (_, pace) => nearestMiss(problem, targets.get(frameId)!, pace)),
    ]),
  );
  const decides =
    found &&
    reason('unknown', null, (s) => unknownDecides(s, question, problem, found, timeLimitS));
  const isEstimated = restsOnEstimates(problem, choice, decides);
  return {
    format: 'armreach-lineup',
    version: RESULT_VERSION,
    status: statusOf(found, isEstimated, carried),
    lineup: lineupOf(problem, choice),
    bodies: choice.along ?? problem.choice.bodies.map((b) => b.id),
    hands: assignmentsResult(problem, choice),
    frames: results.map((r) => ({
      ...r,
      nearest: nearest.get(r.frameId) ?? null,
      kept: kept.get(r.frameId) ?? null,
    })),
    proof,
    gaps: reason('ranges', [], (_, pace) => {
      const states = new Map(results.map((r) => [r.frameId, r.state]));
      return gapsOf(setups, held, states, limits, pace);
    }),
    overlaps: reason('ranges', [], (_, pace) => overlapsOf(setups, lensById, held, limits, pace)),
    lensesIn: onlyIts,
    lensesOut: outs.map((l) =>
      l.reason === 'adds-nothing' && decides?.ids.includes(l.lensId)
        ? { ...l, reason: 'unknown-decides' as const }
        : l,
    ),
    totals: totalsOf(frames, problem, choice),
    notes: [
      ...notesOf(question, problem, choice, results, bodiesWithoutPixels(problem, frames)),
      ...(decides ? [{ code: 'unknown-decides' as const, ...decides }] : []),
      ...(cut.size > 0 ? [{ code: 'reasons-cut' as const, ids: [...cut] }] : []),
    ],
    carried,
    conflict,
    open: found?.open ?? null,
    timing: { ...timing, totalMs: timing.modelMs + timing.solveMs + now() - started },
  };
}

/** Looks for each reason to its end by the deadline, or gives none and remembers which it was. */
function reasonsWithin(solver: MipSolver, deadline: Deadline) {
  const cut = new Set<Reason>();
  const reason = <T>(name: Reason, otherwise: T, look: (solver: MipSolver, pace: Pace) => T): T => {
    const ends = earlier(deadline, SHARES.reason);
    const cutShort = () => {
      cut.add(name);
      return otherwise;
    };
    return unlessCut(() => look(finishingBy(ends, solver), paceOf(ends)), cutShort);
  };
  return { reason, cut };
}

function statusOf(
  found: Choice | null,
  isEstimated: boolean,
  carried: Carried | null,
): LineupResult['status'] {
  if (found === null) return 'impossible';
  const isUnsure = carried !== null && (!carried.agrees || carried.unknown.length > 0);
  if (isEstimated || isUnsure) return 'unverified';
  return found.open !== null || (carried?.rounds ?? 1) > 1 ? 'best-found' : 'proven';
}

function lineupOf(problem: Problem, choice: Choice): LineupResult['lineup'] {
  return {
    lensIds: idsOf<LensId>(problem, choice, 'lens'),
    converterIds: idsOf<ConverterId>(problem, choice, 'converter'),
    tubeIds: idsOf<TubeId>(problem, choice, 'tube'),
    adapterIds: idsOf<AdapterId>(problem, choice, 'adapter'),
  };
}

/** What a plan of carrying needs of a choice, before its reasons are looked for. */
export function draftOf({ frames }: LineupQuestion, problem: Problem, choice: Choice) {
  return {
    lineup: lineupOf(problem, choice),
    bodies: choice.along ?? problem.choice.bodies.map((b) => b.id),
    hands: assignmentsResult(problem, choice),
    frames: frames.map(({ id }) => ({
      frameId: id,
      state: standingOf(choice, id),
    })),
  };
}

function standingOf({ got, once }: Choice, id: FrameId): 'clear' | 'once' | 'lost' {
  if (!got.has(id)) return 'lost';
  return once.has(id) ? 'once' : 'clear';
}

/** What is along when the locked-in items alone break the limits. */
function lockedOnly(problem: Problem): Choice {
  return {
    taken: problem.choice.items.filter((p) => p.lockedIn).map((p) => p.id),
    ...NOTHING_GOT,
    values: [],
    uses: { held: [], bodies: [], fixed: [] },
    along: problem.choice.bodies
      .filter((b) => problem.limits.lockedIn.includes(b.id))
      .map((b) => b.id),
    open: null,
  };
}

/** Ids of one kind among the items taken, in the order of ids. */
export function idsOf<Id extends string>(
  problem: Problem,
  choice: Choice,
  kind: SelectableKind,
): Id[] {
  const taken = new Set(choice.taken);
  return problem.choice.items
    .filter((p) => p.kind === kind && taken.has(p.id))
    .map((p) => p.id as Id);
}

function distinct(setups: readonly Setup[]): Setup[] {
  return [
    ...new Map(
      setups.map((s) => [`${s.bodyId} ${stackItemIds(s).join()} ${s.builtIn}`, s] as const),
    ).values(),
  ];
}

/** The assignments without the stations that nobody holds; who has nothing in hand holds the first. */
function heldAssignments(
  assignments: readonly Assignment[],
  uses: Choice['uses'],
): readonly Assignment[] {
  const inUse = new Set([...uses.held, ...uses.bodies].map((use) => use.assignment.index));
  const left = new Set(
    eitherOr(assignments).flatMap((group) => {
      const held = group.find((a) => inUse.has(a.index)) ?? group[0];
      return group.filter((a) => a !== held);
    }),
  );
  return assignments.filter((a) => !left.has(a));
}

function assignmentsResult({ assignments }: Problem, { uses }: Choice): AssignmentOutcome[] {
  if (assignments.every(isLoose)) return [];
  return heldAssignments(assignments, uses).map((assignment) => {
    const usesOf = <T extends { readonly assignment: { readonly index: number } }>(
      all: readonly T[],
    ) => all.filter((use) => use.assignment.index === assignment.index);
    return {
      stretchId: assignment.stretchId,
      shooterId: assignment.shooterId,
      stationId: assignment.stationId,
      bodyIds: assignment.choosesBodies ? usesOf(uses.bodies).map((b) => b.bodyId) : null,
      pieceIds: assignment.choosesItems ? usesOf(uses.held).map((h) => h.itemId) : null,
      fixed: assignment.fixedSetups
        ? usesOf(uses.fixed).flatMap(({ candidate }) =>
            candidate.bodyId === null
              ? []
              : [{ bodyId: candidate.bodyId, pieceIds: stackItemIds(candidate.stack) }],
          )
        : null,
    };
  });
}

function totalsOf(
  frames: readonly Frame[],
  { choice: { items: all, bodies: eligible, estimated }, limits }: Problem,
  choice: Choice,
): Totals {
  const { taken, once, along } = choice;
  const ids = new Set(taken);
  const items = all.filter((p) => ids.has(p.id));
  const bodies = limits.countBodies ? eligible.filter((b) => along?.includes(b.id)) : [];
  const sum = (values: readonly (number | null)[]) =>
    values.reduce<number>((a, b) => a + (b ?? 0), 0);
  const unweighed = [...items, ...bodies].filter(({ id }) => estimated.weight.has(id));
  const unpriced = items.filter(({ id }) => estimated.price.has(id));
  const priceError = (of: (item: SelectableItem) => number | null) =>
    USUAL_PRICE_ERROR * Math.hypot(...unpriced.map((p) => of(p) ?? 0));
  const idsOfAll = (some: readonly { readonly id: string }[]) => some.map((item) => item.id);
  const count = (want: Frame['want']) => {
    const of = frames.filter((f) => f.want === want);
    return {
      got: of.filter((f) => isGotAsAsked(choice, f.id)).length,
      once: of.filter((f) => once.has(f.id)).length,
      of: of.length,
    };
  };
  const shares = wantSharesPercent(frames);
  return {
    lenses: items.filter((p) => p.kind === 'lens').length,
    pieces: sum(items.map((p) => p.itemCost)),
    weightG: sum([...items, ...bodies].map((item) => item.weightG)),
    weightUnknown: idsOfAll(unweighed),
    weightErrorG: USUAL_WEIGHT_ERROR * Math.hypot(...unweighed.map((item) => item.weightG)),
    price: sum(items.map((p) => p.price)),
    priceError: priceError((p) => p.price),
    priceUnknown: idsOfAll(items.filter((p) => p.price === null || estimated.price.has(p.id))),
    toBuy: sum(items.map((p) => p.spend)),
    toBuyError: priceError((p) => p.spend),
    musts: count('must'),
    wants: {
      ...count('want'),
      sharePercent: shareGot(shares, choice),
    },
    bonus: count('bonus'),
  };
}

function bodiesWithoutPixels({ choice, limits }: Problem, frames: readonly Frame[]): string[] {
  const one = new Map(choice.setups.map((s) => [s.bodyId, s]));
  return [...one].flatMap(([id, s]) =>
    frames.some((f) => demandOf(s, f, limits).pixelsUnknown) ? [id] : [],
  );
}
