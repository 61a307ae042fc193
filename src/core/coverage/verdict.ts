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
import { placesOf } from './able';
import { type Conditions, EVERYTHING, taskOf } from './ableRange';
import { type Bar, barOf } from './bars';
import { type Demand, demandOf } from './demand';
import { type Margins, marginsAt } from './margins';

/** What a setup lacks for a place of a frame. */
export type Lack =
  | 'not-long-enough'
  | 'not-wide-enough'
  | 'too-close'
  | 'too-deep'
  | 'autofocus-limit'
  | 'too-slow'
  | 'too-shallow'
  | 'few-pixels'
  | Bar;

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
  readonly builtIn: boolean;
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

/** Verdict of a setup on a frame, with every place's answer and margins. */
export function verdictOn(setup: Setup, frame: Frame, limits: Limits): Verdict {
  const demand = demandOf(setup, frame, limits);
  const axis = needAxis(frame.need);
  const ways = framings(frame.need, setup.sensor, frame.special.magnification);
  const bar = barOf(setup, frame) ?? (demand.pixelsShort === null ? null : 'few-pixels');
  const sets: { code: PartCode; set: IntervalSet }[] =
    bar === null ? answerSets(setup, axis, ways, demand) : [{ code: bar, set: [axis.range] }];
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
  const { bodyId, builtIn, lensId, adapterId, converterId, tubeId } = setup;
  const chain = { bodyId, builtIn, lensId, adapterId, converterId, tubeId };
  return { ...chain, code, got, axis, able, parts, deciding };
}

export function isMade(code: VerdictCode): boolean {
  return code === 'clear' || code === 'crop';
}

/**
 * The axis cut into what is clear, what is made by cropping, and what is lacking and why: the
 * conditions are added one by one, and a place is lost to the first that it does not meet.
 */
function answerSets(
  setup: Setup,
  axis: NeedAxis,
  ways: readonly Framing[],
  demand: Demand,
): { code: PartCode; set: IntervalSet }[] {
  const whole = [axis.range];
  const { crop } = demand;
  const at = (conditions: Partial<Conditions>, by = crop) =>
    placesOf(
      setup,
      ways.map((way) => taskOf(axis, way, demand, by, { ...NOTHING, ...conditions })),
    );
  const made = at(EVERYTHING);
  const clear = at(EVERYTHING, 1);
  const framed = at({});
  const lost = missing(whole, made);
  const unframed = missing(whole, framed);
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
  const lit = at({ focus: true, blur: true, autofocus: true, light: true });
  return [
    { code: 'clear', set: clear },
    { code: 'crop', set: missing(made, clear) },
    lostTo('too-shallow', lit, made),
    lostTo('too-slow', focusing, lit),
    lostTo('autofocus-limit', blurred, focusing),
    lostTo('too-deep', focused, blurred),
    lostTo('too-close', framed, focused),
    { code: 'not-wide-enough', set: unframed.filter((r) => middle(r) < widest) },
    { code: 'not-long-enough', set: unframed.filter((r) => middle(r) >= widest) },
  ];
}

const NOTHING = {
  focus: false,
  blur: false,
  autofocus: false,
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
    'too-deep': m.blur === null ? -Infinity : 2 * Math.log2(m.blur.fNumber / m.blur.largestFNumber),
    'autofocus-limit':
      m.autofocusFNumber === null || m.light === null
        ? -Infinity
        : 2 * Math.log2(m.light.fNumber / m.autofocusFNumber),
    'too-shallow':
      m.sharp === null
        ? -Infinity
        : Math.max(
            2 * Math.log2(m.sharp.fNumberNeeded / m.sharp.smallestFNumber),
            m.light === null ? -Infinity : -m.light.stops,
          ),
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
  'too-shallow': 2,
  'too-deep': 2,
  'autofocus-limit': 3,
  'too-close': 3,
  'not-long-enough': 4,
  'not-wide-enough': 4,
  'few-pixels': 5,
  'no-autofocus': 6,
  'not-sealed': 6,
  'no-filter': 6,
  'no-perspective-control': 6,
  'wrong-projection': 7,
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
