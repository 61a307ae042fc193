import type { FrameId } from '@/core/brief';
import { countingRange, isPrime, type LensId, type Setup } from '@/core/gear';
import { type AimValue, allAims, type Choice, choose, type Got, solveAims } from '../solve/choose';
import { framesGotWith } from '../explain/evaluate';
import { unlessCut } from '../solve/deadline';
import { type Problem, problemOf } from '../problem/problem';
import { lensesOut } from '../explain/lenses';
import type { MipRow, MipSolver } from '../solve/mipSolver';
import { type CoveringModel, modelOf } from '../solve/model';
import { AIM_TOLERANCE, type AimName } from '../problem/aims';
import type { LineupQuestion } from '../problem/question';
import { equivalentRange } from '../explain/ranges';
import { presolve } from '../presolve/presolve';
import { tradeOff, type TradeOff } from './tradeOff';

export type { TradeOff, TradePoint } from './tradeOff';

/** The first aim by which another lineup differs from the best one. */
export interface Difference {
  readonly aim: AimName;
  /** Other minus best: positive when the other is worse. */
  readonly by: number;
  /** What the aim comes to in each, smaller being better. */
  readonly best: number;
  readonly other: number;
}

/** Another lineup, by its items, with the values of the aims. */
export interface Alternative {
  readonly pieceIds: readonly string[];
  readonly got: readonly FrameId[];
  readonly values: readonly AimValue[];
  /** By what it is worse than the best; null when equally good. */
  readonly worse: Difference | null;
}

/** What happens when a lens of the lineup breaks on the way. */
export interface IfBreaks {
  readonly lensId: LensId;
  /** Frames lost with the rest of the lineup alone. */
  readonly lost: readonly FrameId[];
  /** Items from the rest of the choice that would mend most of it, fewest first. */
  readonly repair: readonly string[];
  /** Frames lost even so. */
  readonly lostAfterRepair: readonly FrameId[];
}

/** What it would take to bring a lens in. */
export interface OutReason {
  readonly lensId: LensId;
  /** By what the best lineup with it is worse, or better. */
  readonly difference: Difference | null;
  /** The best lineup with it. */
  readonly withIt: readonly string[];
}

/** The other lineups, and what the best one depends on. */
export interface Alternatives {
  /** The items of the best lineup, beside which the others stand. */
  readonly bestIds: readonly string[];
  /** Equally good by every aim but the order of ids. */
  readonly ties: readonly Alternative[];
  /** Whether there are no more of them. */
  readonly tiesComplete: boolean;
  /** The best that differ from all before in the kinds of their lenses, best first. */
  readonly next: readonly Alternative[];
  readonly tradeOff: TradeOff;
  readonly ifBreaks: readonly IfBreaks[];
  readonly lensesOut: readonly OutReason[];
  /** Whether nothing was cut short. */
  readonly complete: boolean;
}

export interface ExploreOptions {
  readonly timeLimitS: number;
  readonly mostTies: number;
  readonly mostNext: number;
  readonly mostPoints: number;
  /** Lenses left out that are looked at one by one. */
  readonly mostOut: number;
  /** Called between steps with what is done so far, in [0, 1]. */
  readonly progress?: (done: number) => void;
  /** Asked before each step whether to go on; what is found until then is given. */
  readonly goOn?: () => boolean;
}

/** Everything beside the best lineup of a question; null when there is none. */
export function alternativesOf(
  solver: MipSolver,
  question: LineupQuestion,
  options: ExploreOptions,
): Alternatives | null {
  const problem = problemOf(question);
  const best = choose(solver, problem, presolve(problem), options.timeLimitS);
  return best && exploreAlternatives(solver, question, problem, best, options);
}

/** Everything beside a best lineup that is known already. */
export function exploreAlternatives(
  solver: MipSolver,
  question: LineupQuestion,
  problem: Problem,
  best: Choice,
  options: ExploreOptions,
): Alternatives {
  const { timeLimitS, progress = () => undefined, goOn = () => true } = options;
  let cut = false;
  /** A part that is looked for to the end, or given as far as it came. */
  const part = <T>(look: () => T, otherwise: T): T =>
    unlessCut(look, () => {
      cut = true;
      return otherwise;
    });
  progress(0.1);
  const { ties, complete } = part(() => tiesOf(solver, problem, best, options), {
    ties: [],
    complete: false,
  });
  progress(0.2);
  const next = part(() => nextInKind(solver, problem, question, best, options), []);
  progress(0.4);
  const curve = part(
    () =>
      tradeOff(solver, problem, {
        timeLimitS,
        mostPoints: options.mostPoints,
        goOn,
        progress: (share) => progress(0.4 + 0.3 * share),
      }),
    { points: [], complete: false },
  );
  progress(0.7);
  const breaks = part(() => ifBreaks(solver, problem, best, options), []);
  progress(0.8);
  const candidates = part(() => lensesOut(solver, question, problem, best, timeLimitS), [])
    .filter((out) => out.makes.length > 0 || out.wouldAdd.length > 0)
    .slice(0, options.mostOut);
  return {
    bestIds: best.taken,
    ties,
    tiesComplete: complete,
    next,
    tradeOff: curve,
    ifBreaks: breaks,
    lensesOut: candidates.flatMap(({ lensId }, i) => {
      progress(0.8 + (0.2 * i) / candidates.length);
      const look = () => [whyOut(solver, question, problem, best, lensId, timeLimitS)];
      return goOn() ? part(look, []) : [];
    }),
    complete: !cut && goOn(),
  };
}

/** All lineups that are as good by every aim but the order of ids, up to a number. */
function tiesOf(
  solver: MipSolver,
  problem: Problem,
  best: Choice,
  { timeLimitS, mostTies, goOn = () => true }: ExploreOptions,
): { ties: Alternative[]; complete: boolean } {
  const model = modelOf(problem, presolve(problem, { keepTies: true }));
  const session = solver.open(model.mip);
  const found: Choice[] = [];
  try {
    const aims = allAims(problem).filter(({ name }) => name !== 'order' && name !== 'bodyOrder');
    let next: Choice | null = solveAims(session, model, aims, timeLimitS);
    while (next !== null && next.open === null && found.length <= mostTies && goOn()) {
      found.push(next);
      session.addRow(otherThan(model, next.taken));
      next = solveAims(session, model, aims.slice(0, 1), timeLimitS);
    }
    const isBest = ({ taken }: Choice) => taken.join() === best.taken.join();
    const lean = found.filter(
      (c) => !found.some((o) => o !== c && o.taken.every((id) => c.taken.includes(id))),
    );
    return {
      ties: lean
        .filter((c) => !isBest(c))
        .slice(0, mostTies)
        .map((c) => ({ pieceIds: c.taken, got: [...c.got], values: best.values, worse: null })),
      complete: next === null,
    };
  } finally {
    session.close();
  }
}

/** A row that rules one set of items out. */
function otherThan({ items }: CoveringModel, taken: readonly string[]): MipRow {
  const ids = new Set(taken);
  return {
    lower: 1 - items.filter((p) => ids.has(p.id)).length,
    upper: Infinity,
    columns: items.map((_, i) => i),
    coefficients: items.map((p) => (ids.has(p.id) ? -1 : 1)),
  };
}

/** Focal lengths on the 36×24 mm frame at which one speaks of another kind of lens. Common practice. */
const KIND_BOUNDS_MM = [24, 35, 70, 135, 300] as const;

/** Kind of an item: prime or zoom and its range in words' width; what stands behind a lens by itself. */
function kindsOf(problem: Problem, question: LineupQuestion): (id: string) => string {
  const prime = new Map<string, boolean>(
    question.shelf.lenses.map((l) => [l.id, isPrime(countingRange(l))]),
  );
  const setups = new Map<string, Setup>();
  for (const s of problem.choice.setups) if (!setups.has(s.lensId)) setups.set(s.lensId, s);
  const position = (mm: number) => KIND_BOUNDS_MM.filter((bound) => mm >= bound).length;
  return (id) => {
    const setup = setups.get(id);
    if (!setup) return `piece ${id}`;
    const range = equivalentRange(setup);
    return `${prime.get(id) ? 'prime' : 'zoom'} ${position(range.from)}-${position(range.to)} ${setup.projection}`;
  };
}

/** A part of all lineups: no more than so many lenses of some kinds; with its best one. */
interface Region {
  readonly most: ReadonlyMap<string, number>;
  readonly best: Choice;
}

/**
 * The best lineups that lack a kind of the best one, and of each other.
 *
 * The lineups are parted again and again (Lawler 1972, from memory): what differs in kind from a
 * found lineup has fewer lenses of one of its kinds, so its region is cut into one for each kind, and
 * the best of all open regions is the next.
 */
function nextInKind(
  solver: MipSolver,
  problem: Problem,
  question: LineupQuestion,
  best: Choice,
  { timeLimitS, mostNext, goOn = () => true }: ExploreOptions,
): Alternative[] {
  const kindOf = kindsOf(problem, question);
  const model = modelOf(problem, presolve(problem, { kindOf }));
  const aims = allAims(problem);
  const solveIn = (most: ReadonlyMap<string, number>): Region | null => {
    const session = solver.open(model.mip);
    try {
      for (const [kind, count] of most) session.addRow(atMostOfKind(model, kindOf, kind, count));
      const found = solveAims(session, model, aims, timeLimitS);
      return found === null || found.open !== null ? null : { most, best: found };
    } finally {
      session.close();
    }
  };
  const countKinds = ({ taken }: Choice) => {
    const counts = new Map<string, number>();
    for (const id of taken) counts.set(kindOf(id), (counts.get(kindOf(id)) ?? 0) + 1);
    return counts;
  };
  const partsOf = ({ most, best: found }: Region) =>
    [...countKinds(found)].flatMap(
      ([kind, count]) => solveIn(new Map([...most, [kind, count - 1]])) ?? [],
    );
  const keyOf = (choice: Choice) => JSON.stringify([...countKinds(choice)].sort());
  const seen = new Set([keyOf(best)]);
  const next: Choice[] = [];
  let open = mostNext > 0 ? partsOf({ most: new Map(), best }) : [];
  while (next.length < mostNext && open.length > 0 && goOn()) {
    open.sort((a, b) => compareValues(a.best.values, b.best.values));
    const [first, ...rest] = open;
    if (!first) break;
    if (!seen.has(keyOf(first.best))) next.push(first.best);
    seen.add(keyOf(first.best));
    open = [...rest, ...partsOf(first)];
  }
  return next.map((choice) => ({
    pieceIds: choice.taken,
    got: [...choice.got],
    values: choice.values,
    worse: differenceOf(best.values, choice.values),
  }));
}

function atMostOfKind(
  { items }: CoveringModel,
  kindOf: (id: string) => string,
  kind: string,
  most: number,
): MipRow {
  const columns = items.flatMap((p, i) => (kindOf(p.id) === kind ? [i] : []));
  return { lower: -Infinity, upper: most, columns, coefficients: columns.map(() => 1) };
}

function compareValues(a: readonly AimValue[], b: readonly AimValue[]): number {
  return -(differenceOf(a, b)?.by ?? 0);
}

function differenceOf(best: readonly AimValue[], other: readonly AimValue[]): Difference | null {
  const values = new Map(best.map((v) => [v.aim, v.value]));
  for (const { aim, value } of other) {
    if (aim === 'order' || aim === 'bodyOrder') continue;
    const had = values.get(aim) ?? 0;
    if (Math.abs(value - had) > 10 * AIM_TOLERANCE * Math.max(1, Math.abs(had)))
      return { aim, by: value - had, best: had, other: value };
  }
  return null;
}

/** For each lens of the lineup: what is lost when it breaks, and what from the choice mends it best. */
function ifBreaks(
  solver: MipSolver,
  problem: Problem,
  best: Choice,
  { timeLimitS, goOn = () => true }: ExploreOptions,
): IfBreaks[] {
  const lenses = problem.choice.items.filter((p) => p.kind === 'lens' && best.taken.includes(p.id));
  return lenses.flatMap((lens) => {
    if (!goOn()) return [];
    const rest = new Set(best.taken.filter((id) => id !== lens.id));
    const left = framesGotWith(solver, problem, rest, timeLimitS);
    const among = new Set(problem.choice.items.map((p) => p.id).filter((id) => id !== lens.id));
    const mended = choose(solver, problem, presolve(problem, { among, forced: rest }), timeLimitS);
    const lostOf = ({ got }: Got) => [...best.got].filter((id) => !got.has(id));
    return {
      lensId: lens.id as LensId,
      lost: lostOf(left),
      repair: mended?.taken.filter((id) => !rest.has(id)) ?? [],
      lostAfterRepair: lostOf(mended ?? left),
    };
  });
}

/** What the best lineup with one lens more would be like: the change that would bring it in. */
export function whyOut(
  solver: MipSolver,
  question: LineupQuestion,
  problem: Problem,
  best: Choice,
  lensId: LensId,
  timeLimitS: number,
): OutReason {
  const selectable = problem.choice.items.some((p) => p.id === lensId);
  const widened = selectable ? problem : problemOf(allowing(question, problem, lensId));
  const withIt = choose(
    solver,
    widened,
    presolve(widened, { forced: new Set([lensId]) }),
    timeLimitS,
  );
  return {
    lensId,
    difference: withIt === null ? null : differenceOf(best.values, withIt.values),
    withIt: withIt?.taken ?? [],
  };
}

/** The question as if one lens could be had, and no other that the limits keep out. */
function allowing(question: LineupQuestion, problem: Problem, lensId: LensId): LineupQuestion {
  const { shelf, limits } = question;
  const items = new Set<string>([lensId, ...problem.choice.items.map((p) => p.id)]);
  return {
    ...question,
    shelf: {
      ...shelf,
      lenses: shelf.lenses
        .filter((l) => items.has(l.id))
        .map((l) => (l.id === lensId ? { ...l, ownership: limits.sources[0] ?? 'owned' } : l)),
    },
    limits: {
      ...limits,
      lensKinds: 'any',
      lockedOut: limits.lockedOut.filter((id) => id !== lensId),
    },
  };
}
