import type { Frame, Limits } from '@/core/brief';
import { needAxis } from '@/core/brief';
import { isMade, shortage, shortfallOf, type Verdict, verdictOn } from '@/core/coverage';
import { kitKey, type Setup } from '@/core/gear';
import { containsPoint, type Interval, subtract, union } from '@/core/intervals';
import type { Cell, Covering } from './cells';
import { isAtHand } from './evaluate';
import type { Cover, FrameResult, PlaceUnit } from './result';

const UNITS: Readonly<Record<ReturnType<typeof needAxis>['kind'], PlaceUnit>> = {
  distance: 'm',
  focal: 'mm36x24',
  far: 'far',
};

/** What the lineup does for one frame, and, where it is lost, the nearest miss of all that may be chosen. */
export function frameResult(
  frame: Frame,
  covering: Covering,
  setups: readonly Setup[],
  taken: ReadonlySet<string>,
  got: boolean,
  limits: Limits,
): FrameResult {
  const axis = needAxis(frame.need);
  const carried = setups.filter((s) => isAtHand(s, taken));
  const verdicts = carried.map((s) => verdictOn(s, frame, limits));
  const covers = bestOfEachKit(verdicts.filter((v) => v.able.length > 0)).map(coverOf);
  const single = axis.range.from === axis.range.to;
  const without = (made: readonly Interval[]) =>
    single
      ? containsPoint(made, axis.range.from)
        ? []
        : [axis.range]
      : subtract([axis.range], union(made));
  const cells = covering.cells.get(frame.id) ?? [];
  const state = got ? (isClear(verdicts, frame, without) ? 'clear' : 'crop') : 'lost';
  return {
    frameId: frame.id,
    want: frame.want,
    state,
    unit: UNITS[axis.kind],
    covers,
    missing: got ? [] : without(verdicts.flatMap((v) => v.able)),
    impossible: cells.filter((cell: Cell) => cell.kits.isEmpty).map((cell) => cell.range),
    nearest: got ? null : nearestMiss(frame, setups, limits),
  };
}

/** Whether the frame is got without cropping anywhere. */
function isClear(
  verdicts: readonly Verdict[],
  frame: Frame,
  without: (made: readonly Interval[]) => readonly Interval[],
): boolean {
  const footing = frame.need.kind === 'far' ? 'free' : frame.need.footing;
  if (footing !== 'held') return verdicts.some((v) => v.code === 'clear');
  const clear = verdicts.flatMap((v) =>
    v.parts.filter((p) => p.code === 'clear').map((p) => p.range),
  );
  return without(clear).length === 0;
}

/** Lacks that no margin measures come after all that one does. */
const UNMEASURED: ReadonlySet<string> = new Set(['wrong-projection', 'few-pixels']);

/** Orders verdicts: got before part, clear before crop, then the smaller shortage. */
export function byVerdict(a: Verdict, b: Verdict): number {
  const rank = ({ code }: Verdict) => {
    if (code === 'clear') return 0;
    if (code === 'crop') return 1;
    if (code === 'part') return 2;
    return UNMEASURED.has(code) ? 4 : 3;
  };
  return rank(a) - rank(b) || shortage(a.deciding.margins) - shortage(b.deciding.margins);
}

export function bestOfEachKit(verdicts: readonly Verdict[]): Verdict[] {
  const best = new Map<string, Verdict>();
  for (const v of verdicts) {
    const known = best.get(kitKey(v));
    if (!known || byVerdict(v, known) < 0) best.set(kitKey(v), v);
  }
  return [...best.values()].sort(byVerdict);
}

export function coverOf(v: Verdict): Cover {
  const { bodyId, lensId, converterId, code } = v;
  return {
    bodyId,
    lensId,
    converterId,
    code,
    ranges: v.able,
    margins: v.deciding.margins,
    shortfall: shortfallOf(v),
  };
}

function nearestMiss(frame: Frame, setups: readonly Setup[], limits: Limits): Cover | null {
  let best: Verdict | null = null;
  for (const setup of setups) {
    const v = verdictOn(setup, frame, limits);
    if (!best || byVerdict(v, best) < 0) best = v;
  }
  return best === null || isMade(best.code) ? null : coverOf(best);
}
