import type { Framing, NeedAxis } from '@/core/brief';
import type { FocalRange, Setup } from '@/core/gear';
import { fractionLeft, sideMm } from '@/core/optics';
import { exposureAsked, nearestUsableM, shortestFocusedMm } from './ableRange';
import type { Demand } from './demand';

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
  /** Linear crop used, >= 1. */
  readonly crop: number;
  /** Linear crop allowed, >= 1. */
  readonly cropAllowed: number;
  /** Megapixels left after that crop; null when the body's pixels are not known. */
  readonly megapixelsLeft: number | null;
  /** null when light sets no demand, or where the lens forms no image to expose. */
  readonly light: LightMargin | null;
  /** Metres by which the place lies beyond the nearest usable distance; null when it is unknown. */
  readonly focusSpareM: number | null;
}

export interface LightMargin {
  readonly ev100: number;
  readonly iso: number;
  readonly timeS: number;
  readonly fNumber: number;
  /** Slowest f-number that would still do. */
  readonly slowestFNumber: number;
  /** Stops in hand; negative is too slow. */
  readonly stops: number;
  /** ISO that would do with this f-number and time. */
  readonly isoNeeded: number;
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
  const distanceM = axis.kind === 'distance' ? x : null;
  const focused = distanceM === null ? 0 : shortestFocusedMm(setup, x);
  const clampToZoom = (f: number) => Math.min(longMm, Math.max(wideMm, f, focused));
  const uncropped = clampToZoom(needMin);
  const uncroppedLight = lightMargin(setup, demand, uncropped, distanceM);
  const cropped = clampToZoom(framing.slopeMin(demand.crop) * x);
  const focalUsedMm = uncroppedLight !== null && uncroppedLight.stops < 0 ? cropped : uncropped;
  const crop = Math.max(1, framing.cropAt(x, focalUsedMm));
  const nearest = distanceM === null ? 0 : nearestUsableM(setup, framing);
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
    crop,
    cropAllowed: demand.crop,
    megapixelsLeft:
      setup.pixels === null
        ? null
        : ((setup.pixels.longPx * setup.pixels.shortPx) / PIXELS_PER_MEGAPIXEL) *
          fractionLeft(crop),
    light:
      focalUsedMm === uncropped
        ? uncroppedLight
        : lightMargin(setup, demand, focalUsedMm, distanceM),
    focusSpareM: distanceM === null || nearest === 0 ? null : x - nearest,
  };
}

/** Diagonal angle of view focused at the distance, 2·atan(d·(s − f) / (2·f·s)). */
function diagonalAngle(setup: Setup, focalLengthMm: number, distanceM: number | null): number {
  const imageDistance =
    distanceM === null || distanceM * MM_PER_M <= focalLengthMm
      ? focalLengthMm
      : (focalLengthMm * distanceM * MM_PER_M) / (distanceM * MM_PER_M - focalLengthMm);
  return (2 * Math.atan(sideMm(setup.sensor, 'diagonal') / (2 * imageDistance)) * 180) / Math.PI;
}

function lightMargin(
  setup: Setup,
  demand: Demand,
  focalLengthMm: number,
  distanceM: number | null,
): LightMargin | null {
  const { light } = demand;
  if (light === null) return null;
  const asked = exposureAsked(setup, light, focalLengthMm, distanceM);
  if (!Number.isFinite(asked)) return null;
  const timeS = light.longestTimeS(focalLengthMm);
  const fNumber = setup.fNumberAt(focalLengthMm);
  const ratio = light.luminousness / asked;
  return {
    ev100: light.ev100,
    iso: light.iso,
    timeS,
    fNumber,
    slowestFNumber: fNumber * Math.sqrt(ratio),
    stops: Math.log2(ratio),
    isoNeeded: light.iso / ratio,
  };
}
