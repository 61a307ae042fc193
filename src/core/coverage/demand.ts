import { ev100OfSource, type Frame, type Limits, type Output, pictureSensor } from '@/core/brief';
import type { Setup } from '@/core/gear';
import {
  circleOfConfusionMm,
  cropFactor,
  diffractionFNumber,
  flashFNumber,
  handheldTimeS,
  linearCropAllowed,
  type PixelSize,
  printPixels,
  type SensorSize,
  sideMm,
  timeForMotionBlurS,
  timeForStarTrailS,
} from '@/core/optics';
import { MM_PER_M } from '@/core/units';

/**
 * Light counts as enough when it is short by no more than this: marked f-numbers and times are
 * themselves rounded by up to a tenth of a stop (f/2.5 at 1/500 s equals f/2.8 at 1/400 s).
 */
export const LIGHT_TOLERANCE_STOPS = 0.1;

/** What must be sharp is so within two pixels of the output. Common practice, no source. */
const OUTPUT_COC_PX = 2;

/** No lens is taken to stop down further than this f-number. Common practice, no source. */
export const SMALLEST_OF_ALL = 64;

/** What a frame asks of one setup, resolved to numbers. */
export interface Demand {
  /** The part of the sensor that has the shape of the picture. */
  readonly sensor: SensorSize;
  /** Crop factor of that part, by diagonal. */
  readonly cropFactor: number;
  /** Its pixels; null when the body's are not known. */
  readonly pixels: PixelSize | null;
  /** Largest linear crop allowed, >= 1. */
  readonly crop: number;
  /** Linear shortage of pixels before any crop, > 1; null when there are enough. */
  readonly pixelsShort: number | null;
  /** Pixels are asked for but the body's are not known, so no crop is allowed. */
  readonly pixelsUnknown: boolean;
  readonly light: LightDemand | null;
  /** Slowest f-number at which the body still focuses; null when that is not asked or not known. */
  readonly autofocusFNumber: number | null;
  readonly sharp: SharpDemand | null;
  readonly blur: BlurDemand | null;
}

/**
 * Light resolved: exposes when (N·(1+m))² ≤ t · luminousness, with t the shortest of the times, or
 * when a flash reaches: N·(1+m)·x ≤ flashReach.
 */
export interface LightDemand {
  readonly ev100: number;
  readonly iso: number;
  /** 2^EV100 · ISO / 100. */
  readonly luminousness: number;
  /** Longest time given, s; Infinity for none. */
  readonly givenS: number;
  /** Shortest time that shows the movement wanted, s; 0 for none. */
  readonly shortestS: number;
  /** By hand: time · focal length · crop, s·mm; Infinity on support. */
  readonly handheldSMm: number;
  /** Stars: time · focal length, s·mm; Infinity for none. */
  readonly starsSMm: number;
  /** Subject movement at a magnification and a crop: longest time, s; Infinity for none. */
  readonly movementS: (magnification: number, crop: number) => number;
  /** Whether movement rules any time at all. */
  readonly moves: boolean;
  /** f-number · distance that a flash reaches, m; null without one. */
  readonly flashReach: number | null;
}

export interface SharpDemand {
  /** Circle of confusion on the whole picture, mm. */
  readonly cocMm: number;
  /** A crop shrinks it; where it counts pixels of the sensor it stays. */
  readonly shrinks: boolean;
  /** The zone that must be sharp, m from the sensor, for a subject at x. */
  readonly zone: (distanceM: number) => { readonly nearM: number; readonly farM: number };
  /** Largest f-number of the lens; where it is not known, the largest that any has. */
  readonly smallestFNumber: number;
  /** f-number from which diffraction takes more than two pixels; null without pixels. */
  readonly diffractionFNumber: number | null;
}

export interface BlurDemand {
  /** Distance from the subject to what must be blurred, m; Infinity for the far. */
  readonly behindM: number;
  /** On the whole picture; a crop shrinks it. */
  readonly discMm: number;
}

/** The parts of a setup that decide what is asked of it. */
export type Demanded = Pick<
  Setup,
  | 'sensor'
  | 'pixels'
  | 'pitchMm'
  | 'stabiliserStops'
  | 'isoCeiling'
  | 'autofocusLimitFNumber'
  | 'smallestFNumber'
>;

export function demandOf(setup: Demanded, frame: Frame, limits: Limits): Demand {
  const sensor = pictureSensor(setup.sensor, frame.output);
  const pixels = pixelsOf(setup, sensor);
  const wanted = outputPixels(frame.output);
  const allowed = wanted === null || pixels === null ? 1 : linearCropAllowed(pixels, wanted);
  const part = { ...setup, sensor };
  return {
    sensor,
    cropFactor: cropFactor(sensor),
    pixels,
    crop: Math.max(1, Math.min(allowed, limits.maxCrop)),
    pixelsShort: allowed < 1 ? 1 / allowed : null,
    pixelsUnknown: wanted !== null && setup.pixels === null,
    light: lightDemand(part, frame, limits),
    autofocusFNumber: frame.special.autofocus ? setup.autofocusLimitFNumber : null,
    sharp: sharpDemand(part, frame, limits),
    blur:
      frame.depth.blur === null
        ? null
        : {
            behindM: frame.depth.blur.behindM ?? Infinity,
            discMm: (frame.depth.blur.percent / 100) * sideMm(sensor, 'diagonal'),
          },
  };
}

/** The pixels of a part of a setup's sensor. */
function pixelsOf({ sensor, pixels }: Demanded, part: SensorSize): PixelSize | null {
  if (pixels === null || part === sensor) return pixels;
  const [long, short] = [
    Math.max(part.widthMm, part.heightMm),
    Math.min(part.widthMm, part.heightMm),
  ];
  const whole = [
    Math.max(sensor.widthMm, sensor.heightMm),
    Math.min(sensor.widthMm, sensor.heightMm),
  ];
  return {
    longPx: (pixels.longPx * long) / whole[0]!,
    shortPx: (pixels.shortPx * short) / whole[1]!,
  };
}

/** Pixels that must be left; null when the whole picture is wanted. */
function outputPixels(output: Output): PixelSize | null {
  switch (output.kind) {
    case 'uncropped':
      return null;
    case 'pixels':
      return {
        longPx: Math.max(output.longPx, output.shortPx),
        shortPx: Math.min(output.longPx, output.shortPx),
      };
    case 'print':
      return printPixels(
        Math.max(output.longMm, output.shortMm),
        Math.min(output.longMm, output.shortMm),
        output.dpi,
      );
  }
}

/** The ISO that may be used: the lowest of the outing's, the frame's and the body's ceiling. */
function isoAllowed(setup: Demanded, frame: Frame, limits: Limits): number {
  return Math.min(
    limits.isoCeiling,
    frame.light.isoCeiling ?? Infinity,
    setup.isoCeiling ?? Infinity,
  );
}

function lightDemand(setup: Demanded, frame: Frame, limits: Limits): LightDemand | null {
  const { light } = frame;
  const ev100 = ev100OfSource(light.source);
  if (ev100 === null) return null;
  const times = {
    givenS: light.longestTimeS ?? Infinity,
    handheldSMm:
      light.support === 'hand'
        ? handheldTimeS(1, cropFactor(setup.sensor), setup.stabiliserStops)
        : Infinity,
    starsSMm:
      light.stars === null
        ? Infinity
        : timeForStarTrailS(1, light.stars.declinationDeg, blurMm(setup, light.stars.trailPx)),
    movementS: movementS(setup, frame),
    moves: light.movement !== null,
  };
  const shortestS = light.shortestTimeS ?? 0;
  if (shortestS === 0 && leavesAnyTime(times)) return null;
  const iso = isoAllowed(setup, frame, limits);
  return {
    ev100,
    iso,
    luminousness: (2 ** ev100 * iso) / 100,
    shortestS,
    ...times,
    flashReach: light.flash === null ? null : flashFNumber(light.flash.guideNumberM, iso, 1),
  };
}

/** Whether light leaves every f-number: nothing is known of it, or there is all the time it takes. */
export function setsNoDemand(light: LightDemand | null): boolean {
  return light === null || leavesAnyTime(light);
}

type Times = Pick<LightDemand, 'givenS' | 'handheldSMm' | 'starsSMm' | 'moves'>;
const leavesAnyTime = ({ givenS, handheldSMm, starsSMm, moves }: Times) =>
  !moves && [givenS, handheldSMm, starsSMm].every((t) => t === Infinity);

/** Where a body's pixels are not known, a pixel is taken as this share of the diagonal. */
const UNKNOWN_PITCH_DIVISOR = 7200;

function blurMm(setup: Demanded, pixels: number): number {
  const pitch = setup.pitchMm ?? sideMm(setup.sensor, 'diagonal') / UNKNOWN_PITCH_DIVISOR;
  return pixels * pitch;
}

/**
 * Longest time that the movement allows, s. What moves across smears with all its speed, at 45° with
 * its share of it. What comes towards the camera grows: its edge moves outwards by speed · half its
 * size / distance, counted at the nearest place, where it is fastest; where the need is a range of
 * focal lengths, its edge is that of the picture, and far away nothing grows. A smear that is a share
 * of the picture shrinks with a crop.
 */
function movementS(setup: Demanded, { need, light }: Frame): LightDemand['movementS'] {
  const { movement } = light;
  if (movement === null) return () => Infinity;
  const longMm = Math.max(setup.sensor.widthMm, setup.sensor.heightMm);
  const { blur, direction } = movement;
  const shrinks = blur.kind === 'share';
  const allowedMm = blur.kind === 'pixels' ? blurMm(setup, blur.px) : (blur.percent / 100) * longMm;
  const speedMm = movement.speedMps * MM_PER_M;
  if (direction === 'toward' && need.kind !== 'subject') {
    const atM = 'atM' in need ? need.atM : null;
    if (atM === null) return () => Infinity;
    const edgeS = timeForMotionBlurS(1, ((longMm / 2) * movement.speedMps) / atM, allowedMm);
    // A crop brings the edge nearer to the middle, and leaves less of a smear that is a share.
    return (_, crop) => edgeS * (shrinks ? 1 : crop);
  }
  const half = need.kind === 'subject' ? Math.max(need.widthM ?? 0, need.heightM ?? 0) / 2 : 0;
  const nearestM = need.kind === 'subject' ? need.fromM : 1;
  const share = { across: 1, diagonal: Math.SQRT1_2, toward: half / nearestM }[direction];
  return (magnification, crop) =>
    timeForMotionBlurS(magnification, speedMm * share, allowedMm) / (shrinks ? crop : 1);
}

/**
 * What counts as sharp, on the whole picture: two pixels of the output where the frame states one,
 * else a share of the diagonal; or, where the person says so, pixels of the sensor.
 */
function circleOfConfusion(
  setup: Demanded,
  output: Output,
  { circleOfConfusion: coc }: Limits,
): Pick<SharpDemand, 'cocMm' | 'shrinks'> {
  const { widthMm, heightMm } = setup.sensor;
  if (coc.kind === 'pixels') return { cocMm: blurMm(setup, coc.px), shrinks: false };
  if (coc.kind === 'diagonal')
    return { cocMm: circleOfConfusionMm(setup.sensor, coc.divisor), shrinks: true };
  const wanted = outputPixels(output);
  return {
    cocMm:
      wanted === null
        ? circleOfConfusionMm(setup.sensor)
        : OUTPUT_COC_PX *
          Math.min(
            Math.max(widthMm, heightMm) / wanted.longPx,
            Math.min(widthMm, heightMm) / wanted.shortPx,
          ),
    shrinks: true,
  };
}

function sharpDemand(setup: Demanded, frame: Frame, limits: Limits): SharpDemand | null {
  const { sharp } = frame.depth;
  if (sharp === null || (sharp.kind === 'rows' && frame.need.kind !== 'subject')) return null;
  return {
    ...circleOfConfusion(setup, frame.output, limits),
    zone:
      sharp.kind === 'rows'
        ? (x) => ({ nearM: x, farM: x + sharp.depthM })
        : () => ({ nearM: sharp.fromM, farM: sharp.toM ?? Infinity }),
    smallestFNumber: setup.smallestFNumber ?? SMALLEST_OF_ALL,
    diffractionFNumber:
      setup.pitchMm === null ? null : diffractionFNumber(setup.pitchMm * MM_PER_M),
  };
}
