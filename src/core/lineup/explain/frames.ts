import {
  footingOf,
  type Frame,
  isInSight,
  needAxis,
  positionUnit,
  type StretchId,
} from '@/core/brief';
import {
  byVerdict,
  conflictOf,
  isMade,
  shortfallOf,
  type Verdict,
  verdictOn,
} from '@/core/coverage';
import { stackKey, type Setup } from '@/core/gear';
import type { Interval, IntervalSet } from '@/core/intervals';
import { AT_EASE, type Pace } from '@/core/pace';
import type { Choice } from '../solve/choose';
import { assumptionsOf } from './assumptions';
import type { SetupsByAssignment } from './evaluate';
import { heldFrame, type Problem, type Target } from '../problem/problem';
import type { Opportunity } from '../problem/opportunities';
import { missingOf, type OpportunityPositions } from '../problem/positions';
import type { Cover, FrameResult, OnceReason } from './result';

/** Verdicts of what is at hand on one opportunity. */
interface OpportunityLook {
  readonly opportunity: Opportunity;
  readonly setups: readonly Setup[];
  readonly verdicts: readonly Verdict[];
  readonly missing: readonly Interval[];
}

/** What the lineup does for one frame; the nearest miss and what keeps it lost are looked for apart. */
export function frameResult(
  problem: Problem,
  target: Target,
  choice: Choice,
  setupsOf: SetupsByAssignment,
): FrameResult {
  const { frame } = target;
  const got = choice.got.has(frame.id);
  const once = choice.once.has(frame.id);
  const verdict = onceEach((setup: Setup, of: Frame) => verdictOn(setup, of, problem.limits));
  const looked = target.opportunities.map(({ opportunity }) =>
    lookAt(opportunity, setupsOf, verdict),
  );
  const reported = reportedOf(looked, frame, got);
  return {
    frameId: frame.id,
    want: frame.want,
    state: once ? 'once' : got ? (reported.some((l) => isClear(l)) ? 'clear' : 'crop') : 'lost',
    unit: positionUnit(needAxis(frame.need)),
    covers: reported.flatMap(({ opportunity, setups, verdicts }) =>
      bestOfEachStack(verdicts.filter((v) => v.covered.length > 0)).map((v) =>
        coverOf(v, opportunity, {
          setup: setups[verdicts.indexOf(v)]!,
          frame: opportunity.frame,
        }),
      ),
    ),
    missing: got ? [] : (reported[0]?.missing ?? []),
    impossible: leastMissing(
      target.opportunities.map(({ axis, positions }) => missingOf(axis, positions.values())),
    ),
    nearest: null,
    conflict: got
      ? null
      : conflictOf(heldFrame(problem, frame), oneOfEachBody(problem), problem.limits),
    kept: null,
    noStation: target.opportunities.length > 0 ? null : whyNoStation(frame),
    once: once ? whyOnce(target, problem) : null,
  };
}

/** Why a measured frame comes about from nowhere: nothing sees it, or nobody may stand where it is seen. */
function whyNoStation(frame: Frame): FrameResult['noStation'] {
  if (frame.standpoints.length === 0) return null;
  return frame.standpoints.some((s) => isInSight(frame, s)) ? 'nobody' : 'hidden';
}

/** What is missing where least is: one opportunity is enough. */
function leastMissing(missing: readonly IntervalSet[]): IntervalSet {
  const length = (set: IntervalSet) => set.reduce((sum, r) => sum + r.to - r.from, 0);
  const [first, ...others] = missing;
  if (!first) return [];
  return others.reduce(
    (a, b) => (b.length === 0 || (a.length > 0 && length(b) < length(a)) ? b : a),
    first,
  );
}

/** Why nothing that may be chosen covers a frame twice, where that is so. */
export function whyOnce({ frame, opportunities }: Target, { candidates }: Problem): OnceReason {
  const able = opportunities.filter(
    ({ axis, positions }) => missingOf(axis, positions.values()).length === 0,
  );
  const most = (of: (o: OpportunityPositions) => readonly unknown[]) => {
    const byStretch = new Map<StretchId | null, Set<unknown>>();
    for (const o of able) {
      const known = byStretch.get(o.opportunity.stretchId) ?? new Set();
      byStretch.set(o.opportunity.stretchId, known);
      for (const each of of(o)) known.add(each);
    }
    return Math.max(0, ...[...byStretch.values()].map((known) => known.size));
  };
  const used = ({ positions }: OpportunityPositions) =>
    [...positions.keys()].map((number) => candidates[number]!);
  const shooters = ({ opportunity }: OpportunityPositions) =>
    opportunity.assignments.map((a) => a.shooterId);
  if (frame.twice?.by === 'people' && most(shooters) < 2) return 'one-person';
  const bodies = (o: OpportunityPositions) =>
    used(o).flatMap(({ bodyId, assignment }) =>
      bodyId === null ? ((assignment ?? o.opportunity.assignments[0])?.bodyIds ?? []) : [bodyId],
    );
  if (most(bodies) < 2) return 'one-camera';
  return most((o) => used(o).map(({ stack }) => stack.lensId)) < 2 ? 'one-lens' : 'not-at-once';
}

/** The opportunities worth telling: those that get the frame, else the one that misses least. */
function reportedOf(
  looked: readonly OpportunityLook[],
  frame: Frame,
  got: boolean,
): OpportunityLook[] {
  if (got) {
    const getting = looked.filter((l) => l.missing.length === 0 && l.verdicts.length > 0);
    if (getting.length > 0 || frame.twice) return getting.length > 0 ? getting : [...looked];
  }
  const length = ({ missing }: OpportunityLook) =>
    missing.reduce((sum, r) => sum + r.to - r.from, 0);
  return [...looked].sort((a, b) => length(a) - length(b)).slice(0, 1);
}

/** The same setup is in many assignments, and the same frame asked in many stretches. */
function onceEach(verdictOf: (setup: Setup, frame: Frame) => Verdict): typeof verdictOf {
  const known = new Map<Frame, Map<Setup, Verdict>>();
  return (setup, frame) => {
    let verdicts = known.get(frame);
    if (!verdicts) known.set(frame, (verdicts = new Map()));
    const verdict = verdicts.get(setup) ?? verdictOf(setup, frame);
    verdicts.set(setup, verdict);
    return verdict;
  };
}

function lookAt(
  opportunity: Opportunity,
  setupsOf: SetupsByAssignment,
  verdictOf: (setup: Setup, frame: Frame) => Verdict,
): OpportunityLook {
  const setups = opportunity.assignments.flatMap((assignment) => setupsOf(assignment));
  const verdicts = setups.map((s) => verdictOf(s, opportunity.frame));
  const axis = needAxis(opportunity.frame.need).range;
  const footing = footingOf(opportunity.frame.need);
  const missing = missingOf(
    axis,
    verdicts.map((v) => v.covered),
  );
  const enough = footing !== 'held' && verdicts.some((v) => v.got);
  return { opportunity, setups, verdicts, missing: enough ? [] : missing };
}

/** Whether an opportunity gets its frame without cropping anywhere. */
function isClear({ opportunity, verdicts }: OpportunityLook): boolean {
  const { need } = opportunity.frame;
  if (footingOf(need) !== 'held') return verdicts.some((v) => v.code === 'clear');
  const clear = verdicts.map((v) => v.parts.filter((p) => p.code === 'clear').map((p) => p.range));
  return missingOf(needAxis(need).range, clear).length === 0;
}

export function bestOfEachStack(verdicts: readonly Verdict[]): Verdict[] {
  const best = new Map<string, Verdict>();
  for (const v of verdicts) {
    const known = best.get(stackKey(v));
    if (!known || byVerdict(v, known) < 0) best.set(stackKey(v), v);
  }
  return [...best.values()].sort(byVerdict);
}

/**
 * A verdict as a result tells it.
 *
 * @param of what covers what, to say what that rests on; null for a miss, which rests on nothing
 */
export function coverOf(
  v: Verdict,
  { stretchId, stationId }: Pick<Opportunity, 'stretchId' | 'stationId'>,
  of: { readonly setup: Setup; readonly frame: Frame } | null = null,
): Cover {
  const { bodyId, builtIn, lensId, adapterId, converterId, tubeId, code } = v;
  return {
    stretchId,
    stationId,
    bodyId,
    builtIn,
    lensId,
    adapterId,
    converterId,
    tubeId,
    code,
    ranges: v.covered,
    margins: v.deciding.margins,
    shortfall: shortfallOf(v),
    assumed: of === null ? [] : assumptionsOf(of.setup, of.frame),
  };
}

/** The nearest miss of all that may be chosen; null when something makes it. */
export function nearestMiss(problem: Problem, target: Target, pace: Pace = AT_EASE): Cover | null {
  let best: { verdict: Verdict; opportunity: Opportunity } | null = null;
  for (const { opportunity } of target.opportunities) {
    for (const assignment of opportunity.assignments) {
      for (const setup of problem.table.setupsIn(assignment)) {
        pace();
        const verdict = verdictOn(setup, opportunity.frame, problem.limits);
        if (best === null || byVerdict(verdict, best.verdict) < 0) best = { verdict, opportunity };
      }
    }
  }
  return best === null || isMade(best.verdict.code)
    ? null
    : coverOf(best.verdict, best.opportunity);
}

function oneOfEachBody(problem: Problem): Setup[] {
  return [...new Map(problem.choice.setups.map((s) => [s.bodyId, s])).values()];
}
