import {
  footingOf,
  type Frame,
  type Framing,
  framings,
  type Limits,
  needAxis,
  type NeedAxis,
} from '@/core/brief';
import { boundary } from '@/core/bisect';
import type { Stack, Setup } from '@/core/gear';
import {
  containsPoint,
  covers,
  type Interval,
  type IntervalSet,
  subtract,
  union,
} from '@/core/intervals';
import { positionsOf } from './covering';
import { type Conditions, EVERYTHING, type CoverageTask, taskOf } from './coveredRange';
import { type Exclusion, exclusionsOf } from './exclusions';
import { mostMagnification } from './bounds';
import { type Demand, demandOf } from './demand';
import { type Margins, marginsAt } from './margins';
import { lacksOf, type MeasuredLack, shortage, shortagesOf } from './shortages';

/** What a setup lacks for a place of a frame. */
export type Lack =
  | MeasuredLack
  | 'few-pixels'
  /** The magnification asked for makes the picture larger than the sensor. */
  | 'overfills'
  | Exclusion;

export type PartCode = 'clear' | 'crop' | Lack;
/** `part`: some distances are made, not all. */
export type VerdictCode = PartCode | 'part';

/** A stretch of the need's axis with one answer, and the margins at its deciding place. */
export interface VerdictPart {
  readonly range: Interval;
  readonly code: PartCode;
  readonly margins: Margins;
  /** All that lacks at the deciding place; empty where it is made. */
  readonly lacks: readonly Lack[];
}

/** How one setup serves one frame. */
export interface Verdict extends Stack {
  readonly bodyId: Setup['bodyId'];
  readonly builtIn: boolean;
  readonly code: VerdictCode;
  /** Whether this setup alone gets the frame. */
  readonly got: boolean;
  readonly axis: NeedAxis;
  /** Places of the axis that it makes, cropping allowed. */
  readonly covered: IntervalSet;
  /** All of the axis in order, cut where the answer changes. */
  readonly parts: readonly VerdictPart[];
  /** The part that decides the code. */
  readonly deciding: VerdictPart;
}

/** A setup and a frame, with what is asked of the one by the other. */
interface Case {
  readonly setup: Setup;
  readonly axis: NeedAxis;
  readonly ways: readonly Framing[];
  readonly demand: Demand;
  /** What keeps the setup from the frame wherever it stands. */
  readonly exclusions: readonly Lack[];
  /** One place is not enough, so the worst one decides. */
  readonly worstDecides: boolean;
}

/** Verdict of a setup on a frame, with every place's answer and margins. */
export function verdictOn(setup: Setup, frame: Frame, limits: Limits): Verdict {
  const demand = demandOf(setup, frame, limits);
  const axis = needAxis(frame.need);
  const it: Case = {
    setup,
    axis,
    ways: framings(frame, setup.sensor, limits),
    demand,
    exclusions: [
      ...exclusionsOf(setup, frame),
      ...(demand.pixelsShort === null ? [] : (['few-pixels'] as const)),
    ],
    worstDecides: footingOf(frame.need) !== 'free',
  };
  const [exclusion] = it.exclusions;
  const sets = exclusion === undefined ? answerSets(it) : [{ code: exclusion, set: [axis.range] }];
  const parts = sets
    .flatMap(({ code, set }) => set.map((range) => ({ code, range })))
    .sort((a, b) => a.range.from - b.range.from || a.range.to - b.range.to)
    .map(({ code, range }) => partOf(it, code, range));
  const covered = union(parts.filter((p) => isMade(p.code)).map((p) => p.range));
  const got = it.worstDecides ? covers(covered, axis.range) : covered.length > 0;
  const deciding = decidingPart(parts, it.worstDecides);
  const code = got || covered.length === 0 ? deciding.code : 'part';
  const { bodyId, builtIn, lensId, adapterId, converterId, tubeId } = setup;
  const mounted = { bodyId, builtIn, lensId, adapterId, converterId, tubeId };
  return { ...mounted, code, got, axis, covered, parts, deciding };
}

export function isMade(code: VerdictCode): boolean {
  return code === 'clear' || code === 'crop';
}

/**
 * The axis cut into what is clear, what is made by cropping, and what is lacking and why: the
 * conditions are added one by one, and a place is lost to the first that it does not meet.
 */
function answerSets(it: Case): { code: PartCode; set: IntervalSet }[] {
  const { setup, axis, ways, demand } = it;
  const whole = [axis.range];
  if (isTooSmall(it)) return [{ code: 'too-close', set: whole }];
  const at = (conditions: Partial<Conditions>, by = demand.crop) =>
    positionsOf(
      setup,
      ways.map((way) => taskOf(axis, way, demand, by, { ...NOTHING, ...conditions })),
    );
  const made = at(EVERYTHING);
  const clear = at(EVERYTHING, 1);
  const framed = at({});
  const lost = missing(whole, made);
  const unframed = missing(whole, at({ focus: true })).flatMap((r) => missing([r], framed));
  const fights = ways.every((way) => {
    const asked = way.magnifications(demand.crop);
    return asked !== null && asked.least > asked.most;
  });
  const widest = Math.min(...ways.map((way) => setup.focal.wideMm / way.slopeMax));
  const lostTo = (code: PartCode, met: IntervalSet, next: IntervalSet) => ({
    code,
    set: lost.flatMap((r) =>
      single(r) ? missing(meet(met, r), next) : subtract(meet(met, r), next),
    ),
  });
  const focused = at({ focus: true });
  const blurred = at({ focus: true, blur: true });
  const focusing = at({ focus: true, blur: true, autofocus: true });
  const slow = at({ focus: true, blur: true, autofocus: true, slow: true });
  const lit = at({ focus: true, blur: true, autofocus: true, slow: true, light: true });
  return [
    { code: 'clear', set: clear },
    { code: 'crop', set: missing(made, clear) },
    lostTo('too-shallow', lit, made),
    lostTo('too-slow', slow, lit),
    lostTo('too-brief', focusing, slow),
    lostTo('autofocus-limit', blurred, focusing),
    lostTo('too-deep', focused, blurred),
    lostTo('too-close', framed, focused),
    ...(fights
      ? [{ code: 'overfills' as const, set: unframed }]
      : [
          { code: 'not-wide-enough' as const, set: unframed.filter((r) => middle(r) < widest) },
          { code: 'not-long-enough' as const, set: unframed.filter((r) => middle(r) >= widest) },
        ]),
  ];
}

/** Whether the largest magnification of the setup is too small for every way of framing. */
function isTooSmall({ setup, axis, ways, demand }: Case): boolean {
  const most = mostMagnification(setup);
  return (
    axis.kind === 'distance' &&
    ways.every((way) => (way.magnifications(demand.crop)?.least ?? 0) > most)
  );
}

const NOTHING = {
  focus: false,
  blur: false,
  autofocus: false,
  slow: false,
  light: false,
  sharp: false,
} as const;
const single = (range: Interval) => range.from === range.to;
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

/**
 * A part with its margins at the place, and the way of holding the camera, that decide: where it is
 * made, one that makes it, the roomiest if one place is enough, the tightest if not; where it is not,
 * the one that lacks least if one place is enough, the worst if not.
 */
function partOf(it: Case, code: PartCode, range: Interval): VerdictPart {
  const positions =
    isMade(code) && !it.worstDecides ? roomiest(it, code, range) : [range.from, range.to];
  const looked = positions.map((x) => lookAt(it, code, x));
  const decides = looked.reduce((a, b) => (it.worstDecides === isHarder(b, a, code, it) ? b : a));
  return { range, code, margins: decides.margins, lacks: isMade(code) ? [] : decides.lacks };
}

interface LookedCase {
  readonly margins: Margins;
  readonly lacks: readonly Lack[];
}

/** The better way of holding the camera at a place. */
function lookAt(it: Case, code: PartCode, x: number): LookedCase {
  const each = it.ways.flatMap((way) => lookBy(it, way, code, x));
  return each.reduce((a, b) => (isHarder(a, b, code, it) ? b : a));
}

/** One way of holding the camera at a place; for what is made, only one that makes it so. */
function lookBy(it: Case, way: Framing, code: PartCode, x: number): LookedCase[] {
  const { setup, demand, axis, exclusions } = it;
  const task = (crop: number) => taskOf(axis, way, demand, crop, EVERYTHING);
  const margins = (crop: number) => marginsAt(setup, task(crop), x);
  if (isMade(code)) {
    const crop = code === 'clear' ? 1 : leastCrop(it, task, x);
    const others = it.ways.length > 1 && !coversAt(setup, task(crop), x);
    return others ? [] : [{ margins: margins(crop), lacks: [] }];
  }
  const whole = margins(1);
  const isHelped = demand.crop > 1 && (whole.light?.stops ?? 0) < 0;
  const best = isHelped ? margins(demand.crop) : whole;
  return [{ margins: best, lacks: [...exclusions, ...lacksOf(best)] }];
}

/** The least crop that makes a place. */
function leastCrop(
  { setup, demand }: Case,
  task: (crop: number) => CoverageTask,
  x: number,
): number {
  return coversAt(setup, task(demand.crop), x)
    ? boundary(demand.crop, 1, (crop) => coversAt(setup, task(crop), x))
    : demand.crop;
}

function coversAt(setup: Setup, task: CoverageTask, x: number): boolean {
  const position = { ...task, axis: { ...task.axis, range: { from: x, to: x } } };
  return positionsOf(setup, [position]).length > 0;
}

/** Golden section: how much of a range is kept at each step, and how far it is narrowed down, as a share. */
const GOLDEN = (Math.sqrt(5) - 1) / 2;
const ROOMIEST_WITHIN = 1e-7;

/**
 * The place of a made range with the most room, within a ten-millionth of the range: room rises to it
 * and falls from it. Of the two places that a step compares, one is of the step before.
 */
function roomiest(it: Case, code: PartCode, { from, to }: Interval): number[] {
  if (to <= from) return [from];
  const look = (x: number) => ({ x, short: shortage(lookAt(it, code, x).margins) });
  let [low, high] = [from, to];
  let one = look(high - GOLDEN * (high - low));
  let other = look(low + GOLDEN * (high - low));
  while (high - low > ROOMIEST_WITHIN * (to - from)) {
    if (one.short <= other.short) {
      high = other.x;
      other = one;
      one = look(high - GOLDEN * (high - low));
    } else {
      low = one.x;
      one = other;
      other = look(low + GOLDEN * (high - low));
    }
  }
  return [from, (low + high) / 2, to];
}

/** Whether one place or way is harder than another: by what the part is named for, or by all that lacks. */
function isHarder(a: LookedCase, b: LookedCase, code: PartCode, { worstDecides }: Case): boolean {
  // What a part by crop takes at most is what the person must know.
  if (worstDecides && code === 'crop' && a.margins.crop !== b.margins.crop)
    return a.margins.crop > b.margins.crop;
  if (!worstDecides || isMade(code)) {
    if (a.lacks.length !== b.lacks.length) return a.lacks.length > b.lacks.length;
    return shortage(a.margins) > shortage(b.margins);
  }
  return shortageBy(code, a.margins) > shortageBy(code, b.margins);
}

/** What a lacking part is short of, and for any other part the tightest margin. */
function shortageBy(code: PartCode, m: Margins): number {
  const each: Partial<Record<PartCode, number>> = shortagesOf(m);
  return each[code] ?? shortage(m);
}

/** Shortages nearer than this are alike; then what is easier to mend is told. */
const SAME_SHORTAGE = 1e-6;
const RANK: Readonly<Record<PartCode, number>> = {
  clear: 0,
  crop: 1,
  'too-slow': 2,
  'too-brief': 2,
  'too-shallow': 2,
  'too-deep': 2,
  'autofocus-limit': 3,
  'too-close': 3,
  'not-long-enough': 4,
  'not-wide-enough': 4,
  'few-pixels': 5,
  overfills: 5,
  'below-grade': 6,
  'no-autofocus': 6,
  'not-sealed': 6,
  'no-filter': 6,
  'no-perspective-control': 6,
  'no-infinity': 7,
  'wrong-projection': 7,
};

/**
 * Made parts rank before lacking ones. Where one place is enough, fewest lacks come first, then the
 * smallest shortage; on held ground, what each part is named for.
 */
function byHardness(a: VerdictPart, b: VerdictPart, worst: boolean): number {
  const made = Number(isMade(b.code)) - Number(isMade(a.code));
  if (made !== 0 || isMade(a.code)) return made || RANK[a.code] - RANK[b.code];
  if (!worst && a.lacks.length !== b.lacks.length) return a.lacks.length - b.lacks.length;
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

/**
 * Orders verdicts by how near they come: got, then a part, then by fewest lacks, then by the smallest
 * shortage; a lack that no margin measures counts none, but a wrong projection comes last.
 */
export function byVerdict(a: Verdict, b: Verdict): number {
  const rank = ({ code, deciding }: Verdict) => {
    if (code === 'clear') return 0;
    if (code === 'crop') return 1;
    if (code === 'part') return 2;
    return deciding.lacks.includes('wrong-projection') ? 4 : 3;
  };
  const difference = rank(a) - rank(b);
  if (difference !== 0) return difference;
  const lacks = rank(a) === 3 ? a.deciding.lacks.length - b.deciding.lacks.length : 0;
  return lacks || shortage(a.deciding.margins) - shortage(b.deciding.margins);
}
