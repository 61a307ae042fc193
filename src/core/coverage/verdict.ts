import {
  footingOf,
  type Frame,
  type Framing,
  framings,
  type Limits,
  needAxis,
  type NeedAxis,
} from '@/core/brief';
import type { Kit, Setup } from '@/core/gear';
import {
  containsPoint,
  covers,
  type Interval,
  type IntervalSet,
  logMiddle,
  subtract,
  union,
} from '@/core/intervals';
import { ableRange, type Conditions } from './ableRange';
import { type Demand, demandOf } from './demand';
import { type Margins, marginsAt } from './margins';

/** What a setup lacks for a place of a frame. */
export type Lack =
  | 'not-long-enough'
  | 'not-wide-enough'
  | 'too-close'
  | 'too-slow'
  | 'wrong-projection'
  | 'few-pixels';

export type PartCode = 'clear' | 'crop' | Lack;
/** `part`: some distances are made, not all. */
export type VerdictCode = PartCode | 'part';

/** A stretch of the need's axis with one answer, and the margins at its deciding place. */
export interface VerdictPart {
  readonly range: Interval;
  readonly code: PartCode;
  readonly margins: Margins;
}

/** How one setup serves one frame. */
export interface Verdict extends Kit {
  readonly bodyId: Setup['bodyId'];
  readonly code: VerdictCode;
  /** Whether this setup alone gets the frame. */
  readonly got: boolean;
  readonly axis: NeedAxis;
  /** Places of the axis that it makes, cropping allowed. */
  readonly able: IntervalSet;
  /** All of the axis in order, cut where the answer changes. */
  readonly parts: readonly VerdictPart[];
  /** The part that decides the code. */
  readonly deciding: VerdictPart;
}

/** The places of a frame's axis that a setup makes, cropping allowed. */
export function ablePlaces(setup: Setup, frame: Frame, limits: Limits): IntervalSet {
  return ableFinder(frame, limits)(setup);
}

/** `ablePlaces` for many setups of one frame: what depends on the sensor alone is worked out once. */
export function ableFinder(frame: Frame, limits: Limits): (setup: Setup) => IntervalSet {
  const axis = needAxis(frame.need);
  const waysBySensor = new Map<string, readonly Framing[]>();
  return (setup) => {
    const demand = demandOf(setup, frame, limits);
    if (demand.pixelsShort !== null) return [];
    const key = `${setup.sensor.widthMm}x${setup.sensor.heightMm}`;
    const ways = waysBySensor.get(key) ?? framings(frame.need, setup.sensor);
    waysBySensor.set(key, ways);
    return places(setup, axis, ways, { crop: demand.crop, focus: true, light: demand.light });
  };
}

/** Verdict of a setup on a frame, with every place's answer and margins. */
export function verdictOn(setup: Setup, frame: Frame, limits: Limits): Verdict {
  const demand = demandOf(setup, frame, limits);
  const axis = needAxis(frame.need);
  const ways = framings(frame.need, setup.sensor);
  const sets = answerSets(setup, axis, ways, demand);
  const worstAtEnds = footingOf(frame.need) !== 'free';
  const parts = sets
    .flatMap(({ code, set }) => set.map((range) => ({ code, range })))
    .sort((a, b) => a.range.from - b.range.from || a.range.to - b.range.to)
    .map(({ code, range }) => ({
      code,
      range,
      margins: decidingMargins(setup, axis, ways, demand, code, range, worstAtEnds),
    }));
  const able = union(parts.filter((p) => isMade(p.code)).map((p) => p.range));
  const got = worstAtEnds ? covers(able, axis.range) : able.length > 0;
  const deciding = decidingPart(parts, worstAtEnds);
  const code = got || able.length === 0 ? deciding.code : 'part';
  const { bodyId, lensId, converterId } = setup;
  return { bodyId, lensId, converterId, code, got, axis, able, parts, deciding };
}

export function isMade(code: VerdictCode): boolean {
  return code === 'clear' || code === 'crop';
}

function places(
  setup: Setup,
  axis: NeedAxis,
  ways: readonly Framing[],
  conditions: Conditions,
): IntervalSet {
  return union(
    ways.map((way) => ableRange(setup, axis, way, conditions)).filter((r) => r !== null),
  );
}

/** The axis cut into what is clear, what is made by cropping, and what is lacking and why. */
function answerSets(
  setup: Setup,
  axis: NeedAxis,
  ways: readonly Framing[],
  demand: Demand,
): { code: PartCode; set: IntervalSet }[] {
  const whole = [axis.range];
  if (!setup.rectilinear) return [{ code: 'wrong-projection', set: whole }];
  if (demand.pixelsShort !== null) return [{ code: 'few-pixels', set: whole }];
  const { crop, light } = demand;
  const at = (conditions: Conditions) => places(setup, axis, ways, conditions);
  const made = at({ crop, focus: true, light });
  const clear = at({ crop: 1, focus: true, light });
  const focused = at({ crop, focus: true, light: null });
  const framed = at({ crop, focus: false, light: null });
  const lost = missing(whole, made);
  const unframed = missing(whole, framed);
  const widest = Math.min(...ways.map((way) => setup.focal.wideMm / way.slopeMax));
  const slowPlaces = lost.flatMap((r) => meet(focused, r));
  const closePlaces = lost.flatMap((r) => subtract(meet(framed, r), focused));
  return [
    { code: 'clear', set: clear },
    { code: 'crop', set: missing(made, clear) },
    { code: 'too-slow', set: slowPlaces },
    { code: 'too-close', set: closePlaces },
    { code: 'not-wide-enough', set: unframed.filter((r) => middle(r) < widest) },
    { code: 'not-long-enough', set: unframed.filter((r) => middle(r) >= widest) },
  ];
}

const middle = (range: Interval) => (range.from + range.to) / 2;

/** `whole` less `taken`; a need of one single place stays whole when it is not taken. */
function missing(whole: IntervalSet, taken: IntervalSet): IntervalSet {
  return whole.flatMap((range) =>
    range.from === range.to
      ? containsPoint(taken, range.from)
        ? []
        : [range]
      : subtract([range], taken),
  );
}

/** The parts of `set` inside `range` that are more than a shared end. */
function meet(set: IntervalSet, range: Interval): IntervalSet {
  if (range.from === range.to) return containsPoint(set, range.from) ? [range] : [];
  return set
    .map((piece) => ({ from: Math.max(piece.from, range.from), to: Math.min(piece.to, range.to) }))
    .filter((piece) => piece.to > piece.from);
}

/** Margins at the place of a part that decides: the tightest for held ground, the roomiest if free. */
function decidingMargins(
  setup: Setup,
  axis: NeedAxis,
  ways: readonly Framing[],
  demand: Demand,
  code: PartCode,
  range: Interval,
  worstAtEnds: boolean,
): Margins {
  const lacking = (m: Margins) => (worstAtEnds ? shortageBy(code, m) : shortage(m));
  const places = isMade(code) && !worstAtEnds ? [logMiddle(range)] : [range.from, range.to];
  const candidates = places.map((x) =>
    ways
      .map((way) => marginsAt(setup, axis, way, demand, x))
      .reduce((a, b) => (lacking(b) < lacking(a) ? b : a)),
  );
  return candidates.reduce((a, b) => (worstAtEnds === lacking(b) > lacking(a) ? b : a));
}

/**
 * One number to compare shortages of different kinds by, in stops: a doubling of focal length or of
 * distance counts two, since the crop that makes up for it leaves a quarter of the pixels. Only for
 * choosing which place and which way to report, never for deciding whether a frame is made.
 */
export function shortage(m: Margins): number {
  return Math.max(...Object.values(shortages(m)));
}

function shortages(m: Margins) {
  return {
    'not-wide-enough': 2 * Math.log2(m.focalHave.wideMm / m.focalNeeded.longMm),
    'not-long-enough': 2 * Math.log2(m.crop / m.cropAllowed),
    'too-close': m.focusSpareM === null ? -Infinity : 2 * Math.log2((m.at - m.focusSpareM) / m.at),
    'too-slow': m.light === null ? -Infinity : -m.light.stops,
  };
}

/** What a lacking part is short of, and for any other part the tightest margin. */
function shortageBy(code: PartCode, m: Margins): number {
  const each: Partial<Record<PartCode, number>> = shortages(m);
  return each[code] ?? shortage(m);
}

/** Shortages nearer than this are alike; then what is easier to mend is told. */
const SAME_SHORTAGE = 1e-6;
const RANK: Readonly<Record<PartCode, number>> = {
  clear: 0,
  crop: 1,
  'too-slow': 2,
  'too-close': 3,
  'not-long-enough': 4,
  'not-wide-enough': 4,
  'few-pixels': 5,
  'wrong-projection': 6,
};

/**
 * Made parts rank before lacking ones; among lacking ones the smaller shortage does. Where one place
 * is enough, all that is lacking there counts; on held ground, what each part is named for.
 */
function byHardness(a: VerdictPart, b: VerdictPart, worst: boolean): number {
  const made = Number(isMade(b.code)) - Number(isMade(a.code));
  if (made !== 0 || isMade(a.code)) return made || RANK[a.code] - RANK[b.code];
  const measure = (p: VerdictPart) => (worst ? shortageBy(p.code, p.margins) : shortage(p.margins));
  const difference = measure(a) - measure(b);
  return Math.abs(difference) > SAME_SHORTAGE ? difference : RANK[a.code] - RANK[b.code];
}

function decidingPart(parts: readonly VerdictPart[], worst: boolean): VerdictPart {
  const ordered = [...parts].sort((a, b) => byHardness(a, b, worst));
  const decides = worst ? ordered.at(-1) : ordered[0];
  if (!decides) throw new Error('a verdict has at least one part');
  return decides;
}
