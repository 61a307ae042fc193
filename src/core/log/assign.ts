import {
  askedDistances,
  ev100OfSource,
  type Frame,
  type FrameId,
  framings,
  type Limits,
  needAxis,
  type Outing,
  type ShooterId,
  type Stretch,
} from '@/core/brief';
import type { BodyId } from '@/core/gear';
import { cropFactor, FULL_FRAME, type SensorSize } from '@/core/optics';
import { identityAt } from './log';
import type { LogMarks } from './marks';
import { type StretchTime, stretchAt, stretchTimes } from './outingTimes';
import { evAt, type Seen, uprightAt } from './seen';

/** What photographs are given to: an outing's wanted pictures, by time, who was there, and fit. */
export interface Wanted {
  readonly outing: Pick<Outing, 'shooters'>;
  readonly frames: readonly Frame[];
  readonly stretches: readonly Stretch[];
  readonly limits: Limits;
}

/** Where one photograph belongs. */
export interface Assigned {
  /** Number in the log. */
  readonly photo: number;
  readonly stretch: Stretch | null;
  readonly shooterId: ShooterId | null;
  /** The wanted picture that it is; null for none of them. */
  readonly frameId: FrameId | null;
  readonly byHand: boolean;
  /** It only frames the picture after a crop. */
  readonly cropped: boolean;
}

/**
 * How sure each trait is, as the spread of a normal law around what the picture asks. Our own choice,
 * tried on simulated days.
 */
const SPREAD = {
  /** Focal length beyond what frames the subject, octaves. */
  focal: 0.12,
  /** Light against the one that was expected, stops: meters and skies differ. */
  light: 1.2,
  /** Exposure time longer than the picture allows, stops. */
  time: 1,
  /** Distance to the subject beyond the stated range, octaves. */
  distance: 0.4,
} as const;
/** How often a picture is taken in the other orientation than it was wanted in. */
const OTHER_WAY_UP = 0.15;
/** Share of photographs that are none of the wanted pictures, before anything is known. */
const OUTSIDE = 0.04;
/** All focal lengths and lights that a photograph outside the wanted ones may have, octaves and stops. */
const ANYWHERE = { octaves: 8, stops: 14 } as const;

/** Photographs of one camera that follow each other faster than this are one picture tried again, ms. */
const BURST_MS = 4000;
const SAME_FOCAL_OCTAVES = 0.05;

/** One way in which a picture may be framed on a sensor, in octaves of focal length. */
interface FramedRange {
  readonly upright: boolean | null;
  readonly from: number;
  readonly to: number;
  /** From here on it needs no crop. */
  readonly wholeFrom: number;
  /** Least magnification that frames it after the crop; 0 for what isn't near. */
  readonly magnification: number;
}

/**
 * Gives photographs to wanted pictures. Each burst goes to the picture that makes what its files tell
 * most likely (Bayes' rule over focal length, light, orientation and distance), among the pictures of
 * its stretch and shooter; or to none, where that is likelier. What was set by hand stays.
 */
export function assignPhotos(
  seen: Seen,
  which: Uint32Array,
  wanted: Wanted,
  marks: LogMarks,
): Assigned[] {
  const bursts = burstsOf(seen, which);
  // All alike at first: what was expected of a day is no evidence of what was photographed.
  const alike = 1 / Math.max(1, wanted.frames.length);
  let priors = new Map(wanted.frames.map((f) => [f.id, alike]));
  let assigned: Assigned[] = [];
  // What was really made most is likelier for the rest as well: shares are learnt from the photographs.
  for (let round = 0; round < ROUNDS; round += 1) {
    assigned = assignOnce(seen, bursts, wanted, marks, priors);
    priors = learntPriors(priors, assigned);
  }
  const order = new Map([...which].map((photo, i) => [photo, i]));
  return assigned.sort((a, b) => (order.get(a.photo) ?? 0) - (order.get(b.photo) ?? 0));
}

/** Rounds after which shares no longer move much. */
const ROUNDS = 3;

/** Half what was taken for likely before, half what was found. */
function learntPriors(
  priors: ReadonlyMap<FrameId, number>,
  assigned: readonly Assigned[],
): Map<FrameId, number> {
  return new Map(
    [...priors].map(([id, prior]) => {
      const had = assigned.filter((a) => a.frameId === id).length / Math.max(1, assigned.length);
      return [id, Math.max(LEAST_PRIOR, (prior + had) / 2)];
    }),
  );
}

function assignOnce(
  seen: Seen,
  bursts: readonly (readonly number[])[],
  wanted: Wanted,
  marks: LogMarks,
  priors: ReadonlyMap<FrameId, number>,
): Assigned[] {
  const times = stretchTimes(wanted.stretches);
  const rangesOn = framedRanges(wanted);
  const found: Assigned[] = [];
  for (const burst of bursts) {
    const [first] = burst;
    if (first === undefined) continue;
    const time = stretchAt(times, seen.takenMs[first] ?? NaN);
    const body = seen.bodies[seen.log.lists.camera[first] ?? 0] ?? null;
    const shooterId = shooterOf(time, body?.id ?? null, wanted);
    const sensor = body?.sensor ?? FULL_FRAME;
    const likely = candidatesOf(wanted, times, time, shooterId).map((frame) => ({
      frame,
      likelihood:
        Math.log(priors.get(frame.id) ?? 0) +
        burst.reduce(
          (sum, i) => sum + logLikelihood(seen, i, frame, rangesOn(frame, sensor), sensor),
          0,
        ),
    }));
    const outside = Math.log(OUTSIDE) + burst.length * LOG_OUTSIDE;
    const best = likely.reduce<(typeof likely)[number] | null>(
      (a, b) => (a === null || b.likelihood > a.likelihood ? b : a),
      null,
    );
    const frame = best !== null && best.likelihood > outside ? best.frame : null;
    for (const photo of burst) {
      const said = marks.frames[identityAt(seen.log, photo)];
      const chosen =
        said === undefined ? frame : (wanted.frames.find((f) => f.id === said) ?? null);
      found.push({
        photo,
        stretch: time?.stretch ?? null,
        shooterId,
        frameId: chosen?.id ?? null,
        byHand: said !== undefined,
        cropped: chosen !== null && isCropped(seen, photo, rangesOn(chosen, sensor), sensor),
      });
    }
  }
  return found;
}

/** Photographs of one camera in one go: the same view, tried again. */
function burstsOf({ log, takenMs, equivalentMm }: Seen, which: Uint32Array): number[][] {
  const camera = (i: number) => log.lists.camera[i] ?? 0;
  const order = [...which].sort(
    (a, b) => camera(a) - camera(b) || (takenMs[a] ?? 0) - (takenMs[b] ?? 0) || a - b,
  );
  const bursts: number[][] = [];
  for (const i of order) {
    const burst = bursts.at(-1);
    const before = burst?.at(-1);
    const follows =
      before !== undefined &&
      camera(before) === camera(i) &&
      (takenMs[i] ?? NaN) - (takenMs[before] ?? NaN) <= BURST_MS &&
      Math.abs(Math.log2((equivalentMm[i] ?? NaN) / (equivalentMm[before] ?? NaN))) <=
        SAME_FOCAL_OCTAVES;
    if (follows) burst?.push(i);
    else bursts.push([i]);
  }
  return bursts;
}

/** Who had a body in a stretch; null where that isn't said, or could be several. */
function shooterOf(
  time: StretchTime | null,
  body: BodyId | null,
  { outing }: Wanted,
): ShooterId | null {
  if (outing.shooters.length === 1) return outing.shooters[0]?.id ?? null;
  if (time === null || body === null) return null;
  const having = time.stretch.hands.filter((h) => h.bodyIds.includes(body));
  return having.length === 1 ? (having[0]?.shooterId ?? null) : null;
}

/**
 * The pictures that can be made in a stretch by a shooter; a picture of a stretch whose times aren't
 * known may be made at any time.
 */
function candidatesOf(
  { frames, stretches }: Wanted,
  times: readonly StretchTime[],
  time: StretchTime | null,
  shooterId: ShooterId | null,
): Frame[] {
  const timed = new Set(times.map((t) => t.stretch.id));
  const isKnown = (id: Stretch['id']) => timed.has(id) || !stretches.some((s) => s.id === id);
  return frames.filter(
    ({ stretchIds, shooterIds }) =>
      (stretchIds.length === 0 ||
        stretchIds.some((id) => id === time?.stretch.id || !isKnown(id))) &&
      (shooterIds.length === 0 || shooterId === null || shooterIds.includes(shooterId)),
  );
}

const LEAST_PRIOR = 0.002;

/** For a frame on a sensor, the focal lengths that frame it; worked out once. */
function framedRanges({ limits }: Wanted) {
  const known = new Map<string, readonly FramedRange[]>();
  return (frame: Frame, sensor: SensorSize): readonly FramedRange[] => {
    const key = `${frame.id} ${sensor.widthMm} ${sensor.heightMm}`;
    const before = known.get(key);
    if (before) return before;
    const distances = askedDistances(frame).map((d) => ({ from: d.fromM, to: d.toM }));
    const places = distances.length > 0 ? distances : [needAxis(frame.need).range];
    const from = Math.min(...places.map((p) => p.from));
    const to = Math.max(...places.map((p) => p.to));
    const isAny = frame.need.kind === 'focal' || frame.need.kind === 'angle';
    const ranges = framings(frame, sensor, limits).map((framing) => ({
      upright: isAny ? null : framing.orientation === 'portrait',
      from: Math.log2(framing.slopeMin(limits.maxCrop) * from),
      wholeFrom: Math.log2(framing.slopeMin(1) * from),
      to: Math.log2(framing.slopeMax * to),
      magnification: framing.magnifications(limits.maxCrop)?.least ?? 0,
    }));
    known.set(key, ranges);
    return ranges;
  };
}

/** Focal length on the sensor that was used, octaves. */
function focalOn(seen: Seen, i: number, sensor: SensorSize): number {
  return Math.log2((seen.equivalentMm[i] ?? NaN) / cropFactor(sensor));
}

const normal = (off: number, spread: number) => -0.5 * (off / spread) ** 2;
/** Room that a normal law's two tails take beside an even range. */
const TAILS = Math.sqrt(2 * Math.PI);

function logLikelihood(
  seen: Seen,
  i: number,
  frame: Frame,
  ranges: readonly FramedRange[],
  sensor: SensorSize,
): number {
  return (
    framingLikelihood(seen, i, ranges, sensor) +
    lightLikelihood(seen, i, frame) +
    timeLikelihood(seen, i, frame) +
    distanceLikelihood(seen, i, frame) +
    closeUpLikelihood(seen, i, ranges)
  );
}

/** Even over the focal lengths that frame the picture, falling off beyond them. */
function framingLikelihood(
  seen: Seen,
  i: number,
  ranges: readonly FramedRange[],
  sensor: SensorSize,
): number {
  const focal = focalOn(seen, i, sensor);
  const upright = uprightAt(seen.log, i);
  if (Number.isNaN(focal)) return Math.log(1 / ANYWHERE.octaves);
  const each = ranges.map((r) => {
    const [from, to] = [Math.max(r.from, 0), Math.min(r.to, MOST_OCTAVES)];
    const off = Math.max(0, from - focal, focal - to);
    const width = Math.max(0, to - from) + SPREAD.focal * TAILS;
    const other = upright !== null && r.upright !== null && upright !== r.upright;
    return normal(off, SPREAD.focal) - Math.log(width) + Math.log(other ? OTHER_WAY_UP : 1);
  });
  return Math.max(-Infinity, ...each);
}
/** Longest focal length that is looked at, 2^12 mm. */
const MOST_OCTAVES = 12;

function lightLikelihood(seen: Seen, i: number, frame: Frame): number {
  const ev = evAt(seen.log, i);
  const expected = ev100OfSource(frame.light.source);
  // Flash makes its own light, and says nothing of the scene's.
  if (Number.isNaN(ev) || expected === null || (seen.log.numbers.flash[i] ?? 0) === 1)
    return Math.log(1 / ANYWHERE.stops);
  return normal(ev - expected, SPREAD.light) - Math.log(SPREAD.light * TAILS);
}

/** A picture that asks for a short time isn't made with a longer one; a shorter one is never wrong, only seldom needed. */
function timeLikelihood({ log }: Seen, i: number, { light }: Frame): number {
  const time = log.numbers.timeS[i] ?? NaN;
  if (Number.isNaN(time) || light.longestTimeS === null) return 0;
  const stopsLonger = Math.log2(time / light.longestTimeS);
  return normal(stopsLonger > 0 ? stopsLonger : stopsLonger / 2, SPREAD.time);
}

/** A lens that can't come near enough didn't make the picture, unless something stood behind it. */
function closeUpLikelihood(
  { log, lenses }: Seen,
  i: number,
  ranges: readonly FramedRange[],
): number {
  const most = lenses[log.lists.lens[i] ?? 0]?.maxMagnification ?? null;
  const asked = Math.min(...ranges.map((r) => r.magnification));
  return most === null || asked <= most * NEAR_ENOUGH ? 0 : Math.log(WITH_A_TUBE);
}
/** How far beyond its stated magnification a lens may still be thought to come. */
const NEAR_ENOUGH = 1.3;
/** How often a tube or a close-up lens is behind or before a lens, without the file saying so. */
const WITH_A_TUBE = 0.02;

function distanceLikelihood({ log }: Seen, i: number, frame: Frame): number {
  const { need } = frame;
  const distance = log.numbers.subjectM[i] ?? NaN;
  if (Number.isNaN(distance)) return 0;
  const isFar =
    need.kind === 'far' ||
    need.kind === 'fisheye' ||
    (need.kind !== 'subject' && need.atM === null);
  if (isFar)
    return distance > FAR_FROM_M ? 0 : normal(Math.log2(FAR_FROM_M / distance), SPREAD.distance);
  const places =
    need.kind === 'subject'
      ? askedDistances(frame)
      : [{ fromM: need.atM ?? 1, toM: need.atM ?? 1 }];
  const off = Math.min(
    ...places.map((p) => Math.max(0, Math.log2(p.fromM / distance), Math.log2(distance / p.toM))),
  );
  return Number.isFinite(off) ? normal(off, SPREAD.distance) : -FAR_OFF;
}
/** Nearer than this, a lens's own scale doesn't say "far away", m. */
const FAR_FROM_M = 10;
const FAR_OFF = 50;

/** A photograph of anything, anywhere: as likely at every focal length and in every light. */
const LOG_OUTSIDE = -Math.log(ANYWHERE.octaves) - Math.log(ANYWHERE.stops);

function isCropped(
  seen: Seen,
  i: number,
  ranges: readonly FramedRange[],
  sensor: SensorSize,
): boolean {
  const focal = focalOn(seen, i, sensor);
  return ranges.length > 0 && ranges.every((r) => focal < r.wholeFrom - SAME_FOCAL_OCTAVES);
}
