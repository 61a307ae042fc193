import type { Framing, NeedAxis } from '@/core/brief';
import type { FocalRange, Setup } from '@/core/gear';
import {
  blurDiscMm,
  focusForDepthMm,
  fractionLeft,
  hyperfocalMm,
  ruleOf500S,
  sideMm,
} from '@/core/optics';
import { farthestUsableM, longestMm, nearestUsableM, shortestMm } from './bounds';
import type { Demand } from './demand';
import { blurFNumber, longestTime, magnificationOf, sharpFNumber, type TimeRule } from './exposure';

/** How much a setup has to spare at one place of a need, or lacks (negative). */
export interface Margins {
  /** Place on the need's axis: metres, or mm on the 36×24 mm frame. */
  readonly at: number;
  readonly orientation: Framing['orientation'];
  /** Focal lengths that frame it there without cropping, mm. */
  readonly focalNeeded: FocalRange;
  readonly focalHave: FocalRange;
  /** Focal length that these margins speak of, mm. */
  readonly focalUsedMm: number;
  /** mm by which the wide end is short enough. */
  readonly wideSpareMm: number;
  /** mm by which the long end is long enough without cropping. */
  readonly longSpareMm: number;
  /** Diagonal angles of view, degrees: of the widest framing allowed, the narrowest, and the ends. */
  readonly angles: {
    readonly needWide: number;
    readonly needLong: number;
    readonly haveWide: number;
    readonly haveLong: number;
  };
  /** Magnification on the sensor there; 0 in the far. */
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
  /** f-number used: the widest, or what the depth asks for. */
  readonly fNumber: number;
  /** Slowest f-number that would still do. */
  readonly slowestFNumber: number;
  /** Stops in hand; negative is too slow. */
  readonly stops: number;
  /** ISO that would do with this f-number and time. */
  readonly isoNeeded: number;
  /** The flash, not the light that is there, gives the stops in hand. */
  readonly byFlash: boolean;
}

export interface SharpMargin {
  readonly fNumberNeeded: number;
  readonly smallestFNumber: number;
  readonly cocMm: number;
  readonly nearM: number;
  readonly farM: number;
  /** Where to focus so that both ends are alike, m from the lens. */
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

const MM_PER_M = 1000;
const PIXELS_PER_MEGAPIXEL = 1e6;

/** Margins at one place, with the shortest focal length that needs least cropping and has light. */
export function marginsAt(
  setup: Setup,
  axis: NeedAxis,
  framing: Framing,
  demand: Demand,
  x: number,
): Margins {
  const needMin = framing.slopeMin(1) * x;
  const needMax = framing.slopeMax * x;
  const { wideMm, longMm } = setup.focal;
  const distance = axis.kind === 'distance';
  const distanceM = distance ? x : null;
  const clampToZoom = (f: number) =>
    Math.min(longMm, Math.max(f, shortestMm(setup, distance, 0, x)));
  const uncropped = clampToZoom(needMin);
  const uncroppedLight = lightMargin(setup, demand, uncropped, distanceM, x);
  const lowLight = uncroppedLight !== null && uncroppedLight.stops < 0;
  const focalUsedMm = lowLight ? clampToZoom(framing.slopeMin(demand.crop) * x) : uncropped;
  const crop = Math.max(1, framing.cropAt(x, focalUsedMm));
  return {
    at: x,
    orientation: framing.orientation,
    focalNeeded: { wideMm: needMin, longMm: needMax },
    focalHave: setup.focal,
    focalUsedMm,
    wideSpareMm: needMax - wideMm,
    longSpareMm: longMm - needMin,
    angles: {
      needWide: diagonalAngle(setup, needMin, distanceM),
      needLong: diagonalAngle(setup, needMax, distanceM),
      haveWide: diagonalAngle(setup, wideMm, distanceM),
      haveLong: diagonalAngle(setup, longMm, distanceM),
    },
    cropFactor: setup.cropFactor,
    magnification: finite(magnificationOf(focalUsedMm, distanceM)),
    crop,
    cropAllowed: demand.crop,
    megapixelsLeft:
      setup.pixels === null
        ? null
        : ((setup.pixels.longPx * setup.pixels.shortPx) / PIXELS_PER_MEGAPIXEL) *
          fractionLeft(crop),
    light: lowLight ? lightMargin(setup, demand, focalUsedMm, distanceM, x) : uncroppedLight,
    sharp: sharpMargin(demand, focalUsedMm, x),
    blur: distance ? blurMargin(setup, framing, demand, x) : null,
    autofocusFNumber: demand.autofocusFNumber,
    focusSpareM: distance ? focusSpareM(setup, framing, x) : null,
    farthestM: setup.extensionMm > 0 ? farthestUsableM(setup) : null,
  };
}

const finite = (value: number) => (Number.isFinite(value) ? value : 0);

/** Room to the nearer of the two ends of the usable distances; negative outside them. */
function focusSpareM(setup: Setup, framing: Framing, x: number): number | null {
  const nearest = nearestUsableM(setup, framing);
  const farthest = farthestUsableM(setup);
  if (nearest === 0 && farthest === Infinity) return null;
  return Math.min(x - nearest, farthest - x);
}

/** Diagonal angle of view focused at the distance, 2·atan(d·(s − f) / (2·f·s)). */
function diagonalAngle(setup: Setup, focalLengthMm: number, distanceM: number | null): number {
  const imageDistance =
    distanceM === null || distanceM * MM_PER_M <= focalLengthMm
      ? focalLengthMm
      : (focalLengthMm * distanceM * MM_PER_M) / (distanceM * MM_PER_M - focalLengthMm);
  return (2 * Math.atan(sideMm(setup.sensor, 'diagonal') / (2 * imageDistance)) * 180) / Math.PI;
}

/** Light in hand at the f-number that the depth asks for, or the widest. */
function lightMargin(
  setup: Setup,
  demand: Demand,
  focalLengthMm: number,
  distanceM: number | null,
  x: number,
): LightMargin | null {
  const { light } = demand;
  const m = magnificationOf(focalLengthMm, distanceM);
  if (light === null || !Number.isFinite(m)) return null;
  const sharp = demand.sharp === null ? 0 : sharpFNumber(demand, focalLengthMm, x);
  const fNumber = Math.max(setup.fNumberAt(focalLengthMm), Number.isFinite(sharp) ? sharp : 0);
  const { timeS, rule } = longestTime(light, focalLengthMm, m);
  const asked = (fNumber * (1 + m)) ** 2;
  const ambient = (timeS * light.luminousness) / asked;
  const flash =
    light.flashReach === null || distanceM === null
      ? 0
      : (light.flashReach / (fNumber * (1 + m) * distanceM)) ** 2;
  const ratio = Math.max(ambient, flash);
  return {
    ev100: light.ev100,
    iso: light.iso,
    timeS,
    timeRule: rule,
    starsRuleS: light.starsSMm === Infinity ? null : ruleOf500S(focalLengthMm, setup.cropFactor),
    fNumber,
    slowestFNumber: fNumber * Math.sqrt(ratio),
    stops: Math.log2(ratio),
    isoNeeded: light.iso / ratio,
    byFlash: flash > ambient,
  };
}

function sharpMargin(demand: Demand, focalLengthMm: number, x: number): SharpMargin | null {
  if (demand.sharp === null) return null;
  const { cocMm, smallestFNumber, diffractionFNumber } = demand.sharp;
  const zone = demand.sharp.zone(x);
  const needed = sharpFNumber(demand, focalLengthMm, x);
  return {
    fNumberNeeded: needed,
    smallestFNumber,
    cocMm,
    ...zone,
    focusM: focusForDepthMm(zone.nearM, zone.farM),
    hyperfocalM: Number.isFinite(needed)
      ? hyperfocalMm(focalLengthMm, needed, cocMm) / MM_PER_M
      : null,
    diffractionFNumber,
  };
}

/** Blur at the longest focal length that frames it, where it is strongest. */
function blurMargin(setup: Setup, framing: Framing, demand: Demand, x: number): BlurMargin | null {
  if (demand.blur === null) return null;
  const f = Math.max(longestMm(setup, true, framing.slopeMax, x), setup.focal.wideMm);
  const fNumber = setup.fNumberAt(f);
  const point = (x + demand.blur.behindM) * MM_PER_M;
  const percent = (mm: number) => (100 * mm) / sideMm(setup.sensor, 'diagonal');
  return {
    wantedPercent: percent(demand.blur.discMm),
    havePercent: percent(blurDiscMm(f, fNumber, x * MM_PER_M, point)),
    largestFNumber: blurFNumber(demand, f, x),
    fNumber,
  };
}
