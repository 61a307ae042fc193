import { footingOf, type Frame, needAxis, placeUnit } from '@/core/brief';
import {
  byVerdict,
  conflictOf,
  isMade,
  shortfallOf,
  type Verdict,
  verdictOn,
} from '@/core/coverage';
import { kitKey, type Setup } from '@/core/gear';
import type { Interval } from '@/core/intervals';
import { AT_EASE, type Pace } from '@/core/pace';
import type { Choice } from '../solve/choose';
import type { InHands } from './evaluate';
import type { Field, Target } from '../problem/problem';
import type { Occasion } from '../problem/opportunities';
import { missingOf } from '../problem/positions';
import type { Cover, FrameResult } from './result';

/** Verdicts of what is at hand on one occasion. */
interface Looked {
  readonly occasion: Occasion;
  readonly verdicts: readonly Verdict[];
  readonly missing: readonly Interval[];
}

/** What the lineup does for one frame; the nearest miss and what keeps it lost are looked for apart. */
export function frameResult(
  field: Field,
  target: Target,
  choice: Choice,
  inHand: InHands,
): FrameResult {
  const { frame } = target;
  const got = choice.got.has(frame.id);
  const verdict = onceEach((setup: Setup, of: Frame) => verdictOn(setup, of, field.limits));
  const looked = target.occasions.map(({ occasion }) => lookAt(occasion, inHand, verdict));
  const reported = reportedOf(looked, frame, got);
  return {
    frameId: frame.id,
    want: frame.want,
    state: got ? (reported.some((l) => isClear(l)) ? 'clear' : 'crop') : 'lost',
    unit: placeUnit(needAxis(frame.need)),
    covers: reported.flatMap(({ occasion, verdicts }) =>
      bestOfEachKit(verdicts.filter((v) => v.able.length > 0)).map((v) =>
        coverOf(v, occasion.stretchId),
      ),
    ),
    missing: got ? [] : (reported[0]?.missing ?? []),
    impossible: target.occasions
      .slice(0, 1)
      .flatMap(({ axis, places }) => missingOf(axis, places.values())),
    nearest: null,
    conflict: got ? null : conflictOf(frame, oneOfEachBody(field), field.limits),
    kept: null,
  };
}

/** The occasions worth telling: those that get the frame, else the one that misses least. */
function reportedOf(looked: readonly Looked[], frame: Frame, got: boolean): Looked[] {
  if (got) {
    const getting = looked.filter((l) => l.missing.length === 0 && l.verdicts.length > 0);
    if (getting.length > 0 || frame.twice) return getting.length > 0 ? getting : [...looked];
  }
  const length = ({ missing }: Looked) => missing.reduce((sum, r) => sum + r.to - r.from, 0);
  return [...looked].sort((a, b) => length(a) - length(b)).slice(0, 1);
}

/** The same setup is in many hands, and the same frame asked in many stretches. */
function onceEach(verdictOf: (setup: Setup, frame: Frame) => Verdict): typeof verdictOf {
  const known = new Map<Frame, Map<Setup, Verdict>>();
  return (setup, frame) => {
    let own = known.get(frame);
    if (!own) known.set(frame, (own = new Map()));
    const verdict = own.get(setup) ?? verdictOf(setup, frame);
    own.set(setup, verdict);
    return verdict;
  };
}

function lookAt(
  occasion: Occasion,
  inHand: InHands,
  verdictOf: (setup: Setup, frame: Frame) => Verdict,
): Looked {
  const setups = occasion.hands.flatMap((hand) => inHand(hand));
  const verdicts = setups.map((s) => verdictOf(s, occasion.frame));
  const axis = needAxis(occasion.frame.need).range;
  const footing = footingOf(occasion.frame.need);
  const missing = missingOf(
    axis,
    verdicts.map((v) => v.able),
  );
  const enough = footing !== 'held' && verdicts.some((v) => v.got);
  return { occasion, verdicts, missing: enough ? [] : missing };
}

/** Whether an occasion gets its frame without cropping anywhere. */
function isClear({ occasion, verdicts }: Looked): boolean {
  const { need } = occasion.frame;
  if (footingOf(need) !== 'held') return verdicts.some((v) => v.code === 'clear');
  const clear = verdicts.map((v) => v.parts.filter((p) => p.code === 'clear').map((p) => p.range));
  return missingOf(needAxis(need).range, clear).length === 0;
}

export function bestOfEachKit(verdicts: readonly Verdict[]): Verdict[] {
  const best = new Map<string, Verdict>();
  for (const v of verdicts) {
    const known = best.get(kitKey(v));
    if (!known || byVerdict(v, known) < 0) best.set(kitKey(v), v);
  }
  return [...best.values()].sort(byVerdict);
}

export function coverOf(v: Verdict, stretchId: Cover['stretchId'] = null): Cover {
  const { bodyId, builtIn, lensId, adapterId, converterId, tubeId, code } = v;
  return {
    stretchId,
    bodyId,
    builtIn,
    lensId,
    adapterId,
    converterId,
    tubeId,
    code,
    ranges: v.able,
    margins: v.deciding.margins,
    shortfall: shortfallOf(v),
  };
}

/** The nearest miss of all that may be chosen; null when something makes it. */
export function nearestMiss(field: Field, target: Target, pace: Pace = AT_EASE): Cover | null {
  let best: { verdict: Verdict; stretchId: Cover['stretchId'] } | null = null;
  for (const { occasion } of target.occasions) {
    for (const hand of occasion.hands) {
      for (const setup of field.table.setupsIn(hand)) {
        pace();
        const verdict = verdictOn(setup, occasion.frame, field.limits);
        if (best === null || byVerdict(verdict, best.verdict) < 0)
          best = { verdict, stretchId: occasion.stretchId };
      }
    }
  }
  return best === null || isMade(best.verdict.code) ? null : coverOf(best.verdict, best.stretchId);
}

function oneOfEachBody(field: Field): Setup[] {
  return [...new Map(field.choice.setups.map((s) => [s.bodyId, s])).values()];
}
