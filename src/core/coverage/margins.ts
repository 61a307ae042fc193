import type { Framing } from '@/core/brief';
import type { FocalRange, Setup } from '@/core/gear';
import {
  angleOfLengthDeg,
  blurDiscMm,
  cropFactor,
  effectiveFNumber,
  focusForDepthMm,
  fractionLeft,
  hyperfocalMm,
  type PixelSize,
  requiredIso,
  ruleOf500S,
  sideMm,
} from '@/core/optics';
import type { CoverageTask } from './coveredRange';
import {
  farthestUsableM,
  longestMm,
  mostMagnification,
  nearestUsableM,
  shortestMm,
} from './bounds';
import type { Demand, SharpDemand } from './demand';
import {
  blurFNumber,
  cocAt,
  exposureRatio,
  flashRatio,
  longestTime,
  sharpFNumber,
  type TimeRule,
  timeUsed,
  zoneAt,
} from './exposure';
import { type Spot, spotAt, subjectFromLensMm } from './spot';
import { MM_PER_M } from '@/core/units';

/** How much a setup has to spare at one place of a need, or lacks (negative). */
export interface Margins {
  /** Place on the need's axis: metres, or mm on the 36×24 mm frame. */
  readonly at: number;
  readonly orientation: Framing['orientation'];
  /** Focal lengths that frame it there without cropping, mm, nothing tolerated. */
  readonly focalNeeded: FocalRange;
  /** What they are let off by, as a quotient: 1.02 for 2 %, 1 for nothing. */
  readonly tolerance: number;
  readonly focalHave: FocalRange;
  /** Focal length that these margins speak of, mm. */
  readonly focalUsedMm: number;
  /** mm by which the wide end is short enough, what is tolerated included. */
  readonly wideSpareMm: number;
  /** mm by which the long end is long enough without cropping, what is tolerated included. */
  readonly longSpareMm: number;
  /** Diagonal angles of view, degrees: of the widest framing allowed, the narrowest, and the ends. */
  readonly angles: {
    readonly needWide: number;
    readonly needLong: number;
    readonly haveWide: number;
    readonly haveLong: number;
  };
  /** Least magnification wanted there without a crop, and the largest there is; null where none counts. */
  readonly magnificationNeeded: number | null;
  readonly magnificationMost: number | null;
  /** Magnification on the sensor there; 0 at infinity. */
  readonly magnification: number;
  /** Crop factor of the part of the sensor that is used, by diagonal. */
  readonly cropFactor: number;
  /** Linear crop used, >= 1. */
  readonly crop: number;
  /** Linear crop allowed, >= 1. */
  readonly cropAllowed: number;
  /** Megapixels left after that crop; null when the body's pixels are not known. */
  readonly megapixelsLeft: number | null;
  /** null when light sets no demand, or where the lens forms no image to expose. */
  readonly light: LightMargin | null;
  /** Depth that must be sharp, and what it takes; null when none is asked for. */
  readonly sharp: SharpMargin | null;
  /** Blur wanted behind; null when none is asked for. */
  readonly blur: BlurMargin | null;
  /** Widest f-number at the focal length used. */
  readonly widestFNumber: number;
  /** Slowest f-number that still focuses by itself; null when that sets no demand. */
  readonly autofocusFNumber: number | null;
  /** Metres by which the place lies within the usable distances; null when they are unknown. */
  readonly focusSpareM: number | null;
  /** Farthest usable distance, m; null without a tube. */
  readonly farthestM: number | null;
}

export interface LightMargin {
  readonly ev100: number;
  readonly iso: number;
  readonly timeS: number;
  readonly timeRule: TimeRule;
  /** Time by the rule of thumb for stars, to set beside the exact one; null without stars. */
  readonly starsRuleS: number | null;
  /** Widest f-number there. */
  readonly widestFNumber: number;
  /** f-number used: the widest, or what the depth asks for. */
  readonly fNumber: number;
  /** Slowest f-number that would still do. */
  readonly slowestFNumber: number;
  /** Stops in hand; negative is too slow. */
  readonly stops: number;
  /** Shortest time that shows the movement wanted, s; null where none is asked for. */
  readonly shortestS: number | null;
  /** ISO that would do with this f-number and time. */
  readonly isoNeeded: number;
  /** The flash, not the light that is there, gives the stops in hand. */
  readonly byFlash: boolean;
}

export interface SharpMargin {
  readonly fNumberNeeded: number;
  readonly smallestFNumber: number;
  /** Circle of confusion on the part of the sensor that is used. */
  readonly cocMm: number;
  readonly nearM: number;
  readonly farM: number;
  /** Where to focus so that both ends are alike, m from the sensor. */
  readonly focusM: number;
  /** Hyperfocal distance at the f-number needed, m; null where no f-number does. */
  readonly hyperfocalM: number | null;
  /** f-number from which diffraction takes more than two pixels; null without pixels. */
  readonly diffractionFNumber: number | null;
}

export interface BlurMargin {
  /** Disc wanted and had, percent of the diagonal. */
  readonly wantedPercent: number;
  readonly havePercent: number;
  readonly largestFNumber: number;
  readonly fNumber: number;
}

const PIXELS_PER_MEGAPIXEL = 1e6;

/** Crops nearer to none than this are rounding. */
const SAME_CROP = 1e-9;

/** Margins at one place, with the shortest focal length that the crop of the task leaves. */
export function marginsAt(setup: Setup, task: CoverageTask, x: number): Margins {
  const { axis, framing, demand } = task;
  const needMin = framing.slopeMin(1) * x;
  const needMax = framing.slopeMax * x;
  const { wideMm, longMm } = setup.focal;
  const clampToZoom = (f: number) =>
    Math.min(
      Math.max(longMm, reachedMm(setup, task, x)),
      Math.max(f, shortestMm(setup, axis, 0, x)),
    );
  const spot = spotAt(task, clampToZoom(task.slopeMin * x), x);
  const crop = spot.crop <= 1 + SAME_CROP ? 1 : spot.crop;
  return {
    at: x,
    orientation: framing.orientation,
    focalNeeded: { wideMm: needMin * framing.tolerance, longMm: needMax / framing.tolerance },
    tolerance: framing.tolerance,
    focalHave: setup.focal,
    focalUsedMm: spot.focalMm,
    wideSpareMm: needMax - Math.min(wideMm, shortestMm(setup, axis, 0, x)),
    longSpareMm: Math.max(longMm, reachedMm(setup, task, x)) - needMin,
    angles: {
      needWide: diagonalAngle(setup, task, needMin, x),
      needLong: diagonalAngle(setup, task, needMax, x),
      haveWide: diagonalAngle(setup, task, wideMm, x),
      haveLong: diagonalAngle(setup, task, longMm, x),
    },
    cropFactor: demand.cropFactor,
    magnificationNeeded: framing.magnifications(1)?.least ?? null,
    magnificationMost: finite(mostMagnification(setup)),
    magnification: spot.magnification,
    crop,
    cropAllowed: demand.crop,
    megapixelsLeft: megapixels(demand.pixels, crop),
    light: lightMargin(setup, demand, spot),
    sharp: demand.sharp === null ? null : sharpMargin(demand.sharp, demand, spot),
    blur: axis.kind === 'distance' ? blurMargin(setup, task, x) : null,
    widestFNumber: setup.fNumberAt(spot.focalMm),
    autofocusFNumber: demand.autofocusFNumber,
    focusSpareM: axis.kind === 'distance' ? focusSpareM(setup, x) : null,
    farthestM: setup.extensionMm > 0 ? farthestUsableM(setup) : null,
  };
}

const finite = (value: number) => (Number.isFinite(value) ? value : null);

/** Focal length that stands for the stated magnification at closest focus, mm; 0 elsewhere. */
function reachedMm(
  { minFocusM, maxMagnification, extensionMm }: Setup,
  task: CoverageTask,
  x: number,
): number {
  const isClosest = minFocusM === x && maxMagnification !== null && extensionMm === 0;
  return isClosest && task.leastMagnification <= maxMagnification ? task.slopeMin * x : 0;
}

export function megapixels(pixels: PixelSize | null, crop: number): number | null {
  return pixels === null
    ? null
    : ((pixels.longPx * pixels.shortPx) / PIXELS_PER_MEGAPIXEL) * fractionLeft(crop);
}

/** Room to the nearer of the two ends of the usable distances; negative outside them. */
function focusSpareM(setup: Setup, x: number): number | null {
  const nearest = nearestUsableM(setup);
  const farthest = farthestUsableM(setup);
  if (nearest === 0 && farthest === Infinity) return null;
  return Math.min(x - nearest, farthest - x);
}

/** Diagonal angle of view of the whole sensor focused there, 2·atan(d / 2f(1 + m)). */
function diagonalAngle(setup: Setup, task: CoverageTask, focalMm: number, x: number): number {
  const { magnification } = spotAt(task, focalMm, x);
  return angleOfLengthDeg(sideMm(setup.sensor, 'diagonal'), focalMm * (1 + magnification));
}

/** Light in hand at the f-number that the depth asks for, or the widest. */
function lightMargin(setup: Setup, demand: Demand, spot: Spot): LightMargin | null {
  const { light } = demand;
  if (light === null) return null;
  const sharp = sharpFNumber(demand, spot);
  const widestFNumber = setup.fNumberAt(spot.focalMm);
  const fNumber = Math.max(widestFNumber, Number.isFinite(sharp) ? sharp : 0);
  const { timeS: longestS, rule } = longestTime(light, spot);
  const timeS = timeUsed(light, longestS, fNumber, spot.magnification);
  const ambient = exposureRatio(light, fNumber, timeS, spot.magnification);
  const flash = flashRatio(light, fNumber, spot);
  const ratio = Math.max(ambient, flash);
  return {
    ev100: light.ev100,
    iso: light.iso,
    timeS,
    timeRule: rule,
    starsRuleS:
      light.starsSMm === Infinity ? null : ruleOf500S(spot.focalMm, cropFactor(setup.sensor)),
    widestFNumber,
    fNumber,
    slowestFNumber: fNumber * Math.sqrt(ratio),
    stops: Math.log2(ratio),
    shortestS: light.shortestS > 0 ? light.shortestS : null,
    isoNeeded:
      flash > ambient
        ? light.iso / ratio
        : requiredIso(light.ev100, effectiveFNumber(fNumber, spot.magnification), timeS),
    byFlash: flash > ambient,
  };
}

function sharpMargin(sharp: SharpDemand, demand: Demand, spot: Spot): SharpMargin {
  const cocMm = cocAt(demand, spot);
  const { nearM, farM } = sharp.zone(spot.x);
  const { nearMm, farMm } = zoneAt(demand, spot);
  const needed = sharpFNumber(demand, spot);
  return {
    fNumberNeeded: needed,
    smallestFNumber: sharp.smallestFNumber,
    cocMm,
    nearM,
    farM,
    focusM: (focusForDepthMm(nearMm, farMm) + nearM * MM_PER_M - nearMm) / MM_PER_M,
    hyperfocalM: Number.isFinite(needed)
      ? hyperfocalMm(spot.focalMm, needed, cocMm) / MM_PER_M
      : null,
    diffractionFNumber: sharp.diffractionFNumber,
  };
}

/** Blur at the longest focal length that frames it, where it is strongest. */
function blurMargin(setup: Setup, task: CoverageTask, x: number): BlurMargin | null {
  const { axis, framing, demand } = task;
  if (demand.blur === null) return null;
  const longest = longestMm(setup, axis, framing.slopeMax, x);
  const spot = spotAt(task, Math.max(longest, shortestMm(setup, axis, 0, x)), x);
  const fNumber = setup.fNumberAt(spot.focalMm);
  const subject = subjectFromLensMm(spot);
  const point = subject + demand.blur.behindM * MM_PER_M;
  const percent = (mm: number) => (100 * mm) / sideMm(demand.sensor, 'diagonal');
  return {
    wantedPercent: percent(demand.blur.discMm),
    havePercent: percent(blurDiscMm(spot.focalMm, fNumber, subject, point) * spot.crop),
    largestFNumber: blurFNumber(demand, spot),
    fNumber,
  };
}
