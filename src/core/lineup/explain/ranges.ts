import { footingOf, type Frame, framings, type Limits, needAxis } from '@/core/brief';
import { cropToBridge, equivalentFocalLengthMm, fractionLeft, stopsBetween } from '@/core/optics';
import { GRADES, type Lens, type LensId, type Setup } from '@/core/gear';
import {
  clearlyBelow,
  containsPoint,
  covers,
  type Interval,
  intersect,
  logMiddle,
  subtract,
  union,
} from '@/core/intervals';
import { AT_EASE, type Pace } from '@/core/pace';
import { coveredPositions, verdictOn } from '@/core/coverage';
import type { FrameState } from './frameState';

/** All ranges here are focal lengths on the 36×24 mm frame by diagonal, mm: wide end first. */

/** A hole between two lenses, with what it costs. */
export interface Gap {
  readonly range: Interval;
  /** Linear crop by which the wider side stands in for the longer. */
  readonly crop: number;
  /** Megapixels left after it on the best setup that ends at the gap; null when none is known. */
  readonly megapixelsLeft: number | null;
  /** Frames that ask for something in the gap and are not got. Empty: it costs nothing. */
  readonly lostFrameIds: readonly string[];
  /** Frames that ask for something in the gap and are got by cropping. */
  readonly croppedFrameIds: readonly string[];
}

/** better: of a better grade, in the person's own judgement. */
export type OverlapReason = 'faster' | 'lighter' | 'closer' | 'stabilised' | 'better' | 'sealed';

/** What one of two lenses has over the other in a range that they share. */
export interface Advantage {
  readonly lensId: LensId;
  readonly reason: OverlapReason;
  /** By how much: stops, grams, magnification, stops, grades; null for sealing. */
  readonly by: number | null;
  /** Its own figure and the other lens's: f-numbers, grams, magnifications, stops. */
  readonly figures: { readonly own: number; readonly other: number } | null;
}

/** A range that two lenses share, and what may justify it. */
export interface Overlap {
  readonly range: Interval;
  readonly lensIds: readonly [LensId, LensId];
  /** What each of the two has over the other there; both empty is plain doubling. */
  readonly reasons: readonly Advantage[];
  /** They can be in use at once, on two bodies. */
  readonly onTwoBodies: boolean;
  /** Frames to be twice covered of which both make something: there each is the other's spare. */
  readonly spareForFrameIds: readonly string[];
}

/** Whether a setup frames straight lines straight, and focuses as far as there is. */
function isStraight(setup: Setup): boolean {
  return setup.projection === 'rectilinear' && setup.tubeId === null;
}

/** The focal range of a setup on the 36×24 mm frame. */
export function equivalentRange(setup: Pick<Setup, 'focal' | 'sensor'>): Interval {
  return {
    from: equivalentFocalLengthMm(setup.focal.wideMm, setup.sensor),
    to: equivalentFocalLengthMm(setup.focal.longMm, setup.sensor),
  };
}

const isSame = (a: number, b: number) => !clearlyBelow(a, b) && !clearlyBelow(b, a);

/** The holes in the range of a set of setups, with their cost in frames. */
export function gapsOf(
  setups: readonly Setup[],
  frames: readonly Frame[],
  states: ReadonlyMap<string, FrameState>,
  limits: Limits,
  pace: Pace = AT_EASE,
): Gap[] {
  const straight = setups.filter(isStraight);
  const covered = union(straight.map(equivalentRange));
  if (covered.length < 2) return [];
  const asked = frames.map((f) => ({ frame: f, ranges: askedRanges(straight, f, limits, pace) }));
  return covered.slice(1).map((above, i) => {
    const from = covered[i]?.to ?? above.from;
    const range = { from, to: above.from };
    const inGap = asked
      .filter(({ ranges }) =>
        ranges.some((r) => clearlyBelow(r.from, range.to) && clearlyBelow(range.from, r.to)),
      )
      .map(({ frame }) => frame.id);
    const ending = straight.filter((s) => isSame(equivalentRange(s).to, from));
    const crop = cropToBridge(from, above.from);
    const megapixels = ending.flatMap((s) =>
      s.pixels ? [(s.pixels.longPx * s.pixels.shortPx) / 1e6] : [],
    );
    return {
      range,
      crop,
      megapixelsLeft: megapixels.length > 0 ? Math.max(...megapixels) * fractionLeft(crop) : null,
      lostFrameIds: inGap.filter((id) => states.get(id) === 'lost'),
      croppedFrameIds: inGap.filter((id) => states.get(id) === 'crop'),
    };
  });
}

/**
 * What a frame asks for that the setups do not make without cropping, as focal lengths on the
 * 36×24 mm frame: from the widest framing wanted at the nearest such place to the longest at the
 * farthest. Where framing is what is missing, all of it lies outside the covered range.
 */
function askedRanges(
  setups: readonly Setup[],
  frame: Frame,
  limits: Limits,
  pace: Pace,
): Interval[] {
  if (frame.need.kind === 'fisheye') return [];
  const clear = union(
    setups.flatMap((s) => {
      pace();
      return verdictOn(s, frame, limits)
        .parts.filter((p) => p.code === 'clear')
        .map((p) => p.range);
    }),
  );
  const axis = needAxis(frame.need).range;
  if (footingOf(frame.need) === 'free' && clear.length > 0) return [];
  const unmade =
    axis.from === axis.to
      ? containsPoint(clear, axis.from)
        ? []
        : [axis]
      : subtract([axis], clear);
  return setups.flatMap((setup) =>
    framings(frame, setup.sensor, limits).flatMap((way) =>
      unmade.map((position) => ({
        from: equivalentFocalLengthMm(way.slopeMin(1) * position.from, setup.sensor),
        to: equivalentFocalLengthMm(way.slopeMax * position.to, setup.sensor),
      })),
    ),
  );
}

/** The ranges that two lenses share, on the formats they are mounted on, and what speaks for each. */
export function overlapsOf(
  setups: readonly Setup[],
  lenses: ReadonlyMap<LensId, Lens>,
  frames: readonly Frame[] = [],
  limits?: Limits,
  pace: Pace = AT_EASE,
): Overlap[] {
  const bare = setups.filter(
    (s) => s.converterId === null && s.tubeId === null && !s.builtIn && isStraight(s),
  );
  const ids = [...new Set(bare.map((s) => s.lensId))].sort();
  const bodiesOf = (id: LensId) =>
    new Set(bare.filter((s) => s.lensId === id).map((s) => s.bodyId));
  const needsBackup = frames.filter((f) => f.twice);
  const makes = (id: LensId, frame: Frame) =>
    limits !== undefined &&
    bare.some((s) => s.lensId === id && coveredPositions(s, frame, limits).length > 0);
  const rangesOf = (id: LensId) => union(bare.filter((s) => s.lensId === id).map(equivalentRange));
  return ids.flatMap((a, i) =>
    ids.slice(i + 1).flatMap((b) => {
      pace();
      return intersect(rangesOf(a), rangesOf(b)).map((range) => ({
        range,
        lensIds: [a, b] as const,
        reasons: overlapReasons(bare, lenses, a, b, range),
        onTwoBodies: new Set([...bodiesOf(a), ...bodiesOf(b)]).size > 1,
        spareForFrameIds: needsBackup.filter((f) => makes(a, f) && makes(b, f)).map((f) => f.id),
      }));
    }),
  );
}

/** What two lenses are compared by: the figure, what the first gains, and the least that counts. */
interface Measure {
  readonly reason: Exclude<OverlapReason, 'sealed'>;
  readonly figure: (lens: Lens) => number | null;
  readonly gain: (value: number, other: number) => number;
  readonly least: number;
}

const more = (value: number, other: number) => value - other;
const MEASURES: readonly Measure[] = [
  { reason: 'lighter', figure: (l) => l.weightG, gain: (value, other) => other - value, least: 50 },
  { reason: 'closer', figure: (l) => l.maxMagnification, gain: more, least: 0 },
  {
    reason: 'better',
    figure: (l) => (l.grade === null ? null : GRADES.indexOf(l.grade)),
    gain: (value, other) => other - value,
    least: 1,
  },
];
const FASTER_STOPS = 1 / 3 - 1e-9;

function overlapReasons(
  setups: readonly Setup[],
  lenses: ReadonlyMap<LensId, Lens>,
  a: LensId,
  b: LensId,
  range: Interval,
): Overlap['reasons'] {
  const one = lenses.get(a);
  const other = lenses.get(b);
  if (!one || !other) return [];
  const measures: Measure[] = [
    {
      reason: 'faster',
      figure: (lens) => fNumberIn(setups, lens.id, range),
      gain: stopsBetween,
      least: FASTER_STOPS,
    },
    ...MEASURES,
    {
      reason: 'stabilised',
      figure: (lens) => stabilisedOn(setups, lens, range),
      gain: more,
      least: 0,
    },
  ];
  return [...advantages(one, other, measures), ...advantages(other, one, measures)];
}

/** What the first lens has over the second; a figure that is not known speaks for neither. */
function advantages(lens: Lens, other: Lens, measures: readonly Measure[]): Advantage[] {
  const measured = measures.flatMap(({ reason, figure, gain, least }) => {
    const figures = { own: figure(lens), other: figure(other) };
    if (figures.own === null || figures.other === null) return [];
    const by = gain(figures.own, figures.other);
    return by > 0 && by >= least
      ? [{ lensId: lens.id, reason, by, figures: { own: figures.own, other: figures.other } }]
      : [];
  });
  const isSealedAlone = lens.sealed === true && other.sealed === false;
  return isSealedAlone
    ? [...measured, { lensId: lens.id, reason: 'sealed', by: null, figures: null }]
    : measured;
}

/** The setups of a lens that reach the middle of a shared range, where two lenses are compared. */
function reaching(setups: readonly Setup[], id: LensId, range: Interval) {
  const middle = logMiddle(range);
  return setups
    .filter((s) => s.lensId === id && covers([equivalentRange(s)], { from: middle, to: middle }))
    .map((setup) => ({
      setup,
      focalMm: (middle / equivalentRange(setup).from) * setup.focal.wideMm,
    }));
}

/** The lens's widest f-number there; null where it reaches the range but not its middle. */
function fNumberIn(setups: readonly Setup[], id: LensId, range: Interval): number | null {
  const numbers = reaching(setups, id, range).map(({ setup, focalMm }) => setup.fNumberAt(focalMm));
  return numbers.length > 0 ? Math.min(...numbers) : null;
}

/** Stops of stabilisation there, the body's or the lens's; null where the lens's are not known. */
function stabilisedOn(setups: readonly Setup[], lens: Lens, range: Interval): number | null {
  if (lens.stabiliserStops === null) return null;
  const stops = reaching(setups, lens.id, range).map(({ setup }) => setup.stabiliserStops);
  return stops.length > 0 ? Math.max(...stops) : null;
}
