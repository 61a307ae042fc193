import {
  combinedStabiliserStops,
  cropFactor,
  magnificationAt,
  pixelPitchUm,
  type PixelSize,
  type SensorSize,
  sideMm,
} from '@/core/optics';
import { AT_EASE, type Pace } from '@/core/pace';
import { type BodyId, pixelsOfSensor } from './body';
import { type MountedStack, type Stack, mountableStacks } from './stack';
import { countingRange, type FocalRange, GRADES, type Lens, widestFNumber } from './lens';
import type { Shelf } from './shelf';
import { usualMinFocusM } from './usualLens';
import { UM_PER_MM } from '@/core/units';

/** One mountable stack, with what follows from it. */
export interface Setup extends Stack {
  readonly bodyId: BodyId;
  /** Alike for setups with the same part of the same sensor. */
  readonly sensorKey: string;
  /** Alike for setups of which a frame asks the same in light, pixels and depth. */
  readonly demandKey: string;
  /** The converter built into the lens is switched in. */
  readonly builtIn: boolean;
  /** Focal range that counts, glass behind the lens included, mm. */
  readonly focal: FocalRange;
  /** Focal lengths between which the f-number may bend: the points of its table, mm. */
  readonly breakpoints: readonly number[];
  /** The part of the sensor that the image circle fills. */
  readonly sensor: SensorSize;
  /** Pixels of that part; null when the body's pixels are not known. */
  readonly pixels: PixelSize | null;
  /** Distance between pixels, mm; null when the body's pixels are not known. */
  readonly pitchMm: number | null;
  readonly cropFactor: number;
  readonly projection: Lens['projection'];
  /** Closest focus from the sensor, m; null when not known, and with a tube, which moves it. */
  readonly minFocusM: number | null;
  /**
   * Where a lens of its kind usually focuses closest, m; null where closest focus or largest
   * magnification is known, and with a tube.
   */
  readonly usualMinFocusM: number | null;
  /** Largest magnification of the lens with the glass behind it, without a tube. */
  readonly maxMagnification: number | null;
  /** Extension behind the lens, mm; 0 without a tube. */
  readonly extensionMm: number;
  readonly stabiliserStops: number;
  readonly isoCeiling: number | null;
  /** Whether it focuses by itself; null when that is not known. */
  readonly autofocus: boolean | null;
  readonly autofocusLimitFNumber: number | null;
  readonly sealed: boolean | null;
  /** Whether a filter goes in front of it or into its adapter; null when that is not known. */
  readonly takesFilter: boolean | null;
  readonly shift: boolean | null;
  /**
   * Place among the grades of a lens, 0 the best; each converter costs one. The person's own judgement;
   * null where there is none.
   */
  readonly gradeRank: number | null;
  /** Largest f-number it stops down to; null when not known. */
  readonly smallestFNumber: number | null;
  /** Widest f-number at a focal length of this setup, glass behind the lens included. */
  readonly fNumberAt: (focalLengthMm: number) => number;
}

/** Every setup of a shelf; a lens with a built-in converter gives two of each. */
export function mountableSetups(shelf: Shelf, pace: Pace = AT_EASE): Setup[] {
  return mountableStacks(shelf, pace).flatMap((mounted) => {
    pace();
    return mounted.lens.builtInConverter === null
      ? [setupOf(mounted)]
      : [setupOf(mounted), setupOf(mounted, true)];
  });
}

/** The setup of a stack on a body, by their ids; null when one of them is not on the shelf. */
export function setupOfStack(
  shelf: Shelf,
  stack: Stack & { readonly bodyId: BodyId; readonly builtIn?: boolean },
): Setup | null {
  const body = shelf.bodies.find((b) => b.id === stack.bodyId);
  const lens = shelf.lenses.find((l) => l.id === stack.lensId);
  const adapter = shelf.adapters.find((a) => a.id === stack.adapterId) ?? null;
  const converter = shelf.converters.find((c) => c.id === stack.converterId) ?? null;
  const tube = shelf.tubes.find((t) => t.id === stack.tubeId) ?? null;
  const complete =
    adapter?.id === (stack.adapterId ?? undefined) &&
    converter?.id === (stack.converterId ?? undefined) &&
    tube?.id === (stack.tubeId ?? undefined);
  if (!body || !lens || !complete) return null;
  return setupOf({ body, adapter, converter, tube, lens }, stack.builtIn);
}

/**
 * What follows from a stack. A converter multiplies focal length, f-number and magnification and
 * keeps the close focus (Ray, Applied Photographic Optics, from memory). A lens whose image circle
 * is smaller than the sensor uses the part that it fills, at its true size and with fewer pixels;
 * an unknown image circle is taken to fill the sensor.
 */
export function setupOf(mounted: MountedStack, builtIn = false): Setup {
  const { body: b, adapter, converter, tube, lens: l } = mounted;
  const factor =
    (converter?.factor ?? 1) * (adapter?.factor ?? 1) * (builtIn ? (l.builtInConverter ?? 1) : 1);
  const range = countingRange(l);
  const share =
    l.imageCircleMm === null
      ? 1
      : Math.min(1, (l.imageCircleMm * factor) / sideMm(b.sensor, 'diagonal'));
  const sensor = { widthMm: b.sensor.widthMm * share, heightMm: b.sensor.heightMm * share };
  const pixels = pixelsOfSensor(b.sensor);
  const stabiliserStops = combinedStabiliserStops(b.stabiliserStops, l.stabiliserStops);
  const smallestFNumber = l.smallestFNumber === null ? null : l.smallestFNumber * factor;
  const sensorKey = `${sensor.widthMm} ${sensor.heightMm}`;
  return {
    bodyId: b.id,
    sensorKey,
    demandKey: `${b.id} ${sensorKey} ${stabiliserStops} ${smallestFNumber}`,
    lensId: l.id,
    adapterId: adapter?.id ?? null,
    converterId: converter?.id ?? null,
    tubeId: tube?.id ?? null,
    builtIn,
    focal: { wideMm: range.wideMm * factor, longMm: range.longMm * factor },
    breakpoints: l.apertures.map((p) => p.focalMm * factor),
    sensor,
    pixels: pixels && {
      longPx: Math.max(pixels.wide, pixels.high) * share,
      shortPx: Math.min(pixels.wide, pixels.high) * share,
    },
    pitchMm: pixels && pixelPitchUm(b.sensor.widthMm, pixels.wide) / UM_PER_MM,
    cropFactor: cropFactor(sensor),
    projection: l.projection,
    minFocusM: tube ? null : l.minFocusM,
    usualMinFocusM:
      tube || l.minFocusM !== null || l.maxMagnification !== null ? null : usualMinFocusM(l),
    maxMagnification: ownMagnification(mounted, factor),
    extensionMm: tube?.lengthMm ?? 0,
    stabiliserStops,
    isoCeiling: b.isoCeiling,
    autofocus: all([l.autofocus, adapter?.autofocus, tube?.autofocus]),
    autofocusLimitFNumber: b.autofocusLimitFNumber,
    sealed: all([l.sealed, b.sealed]),
    takesFilter: takesFilter(mounted),
    gradeRank: l.grade === null ? null : GRADES.indexOf(l.grade) + (converter === null ? 0 : 1),
    shift: l.shift,
    smallestFNumber,
    fNumberAt: (focalLengthMm) => widestFNumber(l.apertures, focalLengthMm / factor) * factor,
  };
}

/**
 * Largest magnification without a tube. With a tube it decides how near one comes, so where it is
 * not stated it is worked out from the closest focus of a thin lens at its long end.
 */
function ownMagnification({ lens, tube }: MountedStack, factor: number): number | null {
  if (lens.maxMagnification !== null) return lens.maxMagnification * factor;
  if (!tube || lens.minFocusM === null) return null;
  const longMm = countingRange(lens).longMm;
  const closestMm = 1000 * lens.minFocusM;
  return closestMm < 4 * longMm ? null : factor * magnificationAt(longMm, closestMm);
}

/** In front where the lens has a thread, or dropped into the adapter; what is said of the thread rules. */
function takesFilter({ lens, adapter }: MountedStack): boolean | null {
  const inFront = lens.frontThread ?? (lens.filterMm === null ? null : true);
  const dropIn = adapter === null ? false : adapter.dropInFilter;
  if (inFront === true || dropIn === true) return true;
  return inFront === null || dropIn === null ? null : false;
}

/** false when one says no, null when one is not known, else true; what is absent says yes. */
function all(parts: readonly (boolean | null | undefined)[]): boolean | null {
  if (parts.includes(false)) return false;
  return parts.includes(null) ? null : true;
}

/** Diagonal by name, for limits on formats: 36×24. */
export function formatKey(sensor: SensorSize): string {
  const side = (mm: number) => String(Math.round(mm * 10) / 10);
  return `${side(sensor.widthMm)}x${side(sensor.heightMm)}`;
}
