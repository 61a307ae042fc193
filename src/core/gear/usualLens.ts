import { focusDistanceMm } from '@/core/optics';
import { apertureEnds, isPrime, type Lens } from './lens';

/**
 * What lenses of a range, speed and format usually are, to two digits. Each is fitted by least squares to
 * the published figures of 40 to 70 lenses that are or were sold, remembered and without their names; how
 * far real ones are off is held by tests. Lenses made for something special may be far off.
 */

/** Diagonal of 36 × 24 mm. */
export const FULL_DIAGONAL_MM = Math.hypot(36, 24);

/** By what factor nine in ten real lenses are within the usual figure. */
export const USUAL_WITHIN = {
  weightG: 1.6,
  lengthMm: 1.35,
  diameterMm: 1.3,
  minFocusM: 1.8,
  maxMagnification: 1.7,
  price: 2.1,
} as const;

/** What of a lens decides what it is like. */
interface Build {
  /** Widest entrance pupil at the long end. */
  readonly pupilMm: number;
  readonly longMm: number;
  /** How much wider than the picture's diagonal it looks, at least 1. */
  readonly retrofocus: number;
  /** Factor for zooms: a times ratio to the power b; 1 for a prime. */
  readonly zoom: (times: number, power: number) => number;
  /** The format's diagonal to that of 36 × 24 mm. */
  readonly format: number;
}

function buildOf({ focal, apertures }: Lens, diagonalMm: number): Build {
  const { wideMm, longMm } = focal;
  const [, longFNumber] = apertureEnds(apertures);
  return {
    pupilMm: longMm / longFNumber,
    longMm,
    retrofocus: Math.max(1, diagonalMm / wideMm),
    zoom: (times, power) => (isPrime(focal) ? 1 : times * (longMm / wideMm) ** power),
    format: diagonalMm / FULL_DIAGONAL_MM,
  };
}

/** g; half are within a sixth. @param diagonalMm of the largest sensor it is used on */
export function usualWeightG(lens: Lens, diagonalMm: number): number {
  const { pupilMm, retrofocus, zoom, format } = buildOf(lens, diagonalMm);
  const g = 3.45 * pupilMm ** 1.35 * retrofocus ** 2 * zoom(1.96, -0.57) * format ** 0.12;
  return twoDigits(g, 60, 6500);
}

/** mm from the mount to the front; half are within a seventh. @param diagonalMm as for weight */
export function usualLengthMm(lens: Lens, diagonalMm: number): number {
  const { pupilMm, longMm, retrofocus, zoom, format } = buildOf(lens, diagonalMm);
  const glass = pupilMm ** 0.52 * longMm ** 0.38 * retrofocus ** 1.18;
  return twoDigits(2.48 * glass * zoom(1.98, -0.62) * format ** -0.23, 20, 600);
}

/** mm; half are within a fourteenth. @param diagonalMm as for weight */
export function usualDiameterMm(lens: Lens, diagonalMm: number): number {
  const { pupilMm, retrofocus } = buildOf(lens, diagonalMm);
  return twoDigits(25 * pupilMm ** 0.31 * retrofocus ** 0.47, 50, 180);
}

/** Sizes that front threads are made in, mm. Common practice, no source. */
const THREADS_MM = [37, 39, 40.5, 43, 46, 49, 52, 55, 58, 62, 67, 72, 77, 82, 86, 95, 105, 112];

/** mm: the size made that is nearest, half are within the next one; null where there is none as large. */
export function usualThreadMm(lens: Lens, diagonalMm: number): number | null {
  const { pupilMm, retrofocus } = buildOf(lens, diagonalMm);
  const mm = 20.4 * pupilMm ** 0.315 * retrofocus ** 0.575;
  const off = (size: number) => Math.abs(Math.log(size / mm));
  const [nearest] = [...THREADS_MM].sort((a, b) => off(a) - off(b));
  return mm > THREADS_MM.at(-1)! ? null : nearest!;
}

/** Largest magnification, at the long end. */
const USUAL_MAGNIFICATION = { prime: 0.15, zoom: 0.23, closeUp: 1 } as const;
/** The same as a thin lens: zooms shorten their focal length towards their closest focus. */
const THIN_MAGNIFICATION = { ...USUAL_MAGNIFICATION, zoom: 0.4 } as const;

/** As the lens is named by what it is made for, and else by its range. */
function makeOf({ name, focal }: Lens): keyof typeof USUAL_MAGNIFICATION {
  if (/\b(macro|micro)\b/iu.test(name)) return 'closeUp';
  return isPrime(focal) ? 'prime' : 'zoom';
}

/** Times; half are within a third. */
export function usualMagnification(lens: Lens): number {
  return USUAL_MAGNIFICATION[makeOf(lens)];
}

/** m from the sensor, of a thin lens at the long end; half are within a fourth. */
export function usualMinFocusM(lens: Lens): number {
  const closestMm = focusDistanceMm(lens.focal.longMm, THIN_MAGNIFICATION[makeOf(lens)]);
  return twoDigits(closestMm, 100, 10_000) / 1000;
}

/** What is paid for a used thing of what it costs new. Common practice, no source. */
const USED_SHARE = 0.6;
/** Currencies of which one is worth about as much as one of what the prices were in; of others nothing is known. */
const CURRENCIES: ReadonlySet<string> = new Set(['EUR', 'USD', 'GBP', 'CHF']);

/** Whether anything is known of what things usually cost in a currency. */
export const hasUsualPrices = (currency: string | undefined): boolean =>
  currency !== undefined && CURRENCIES.has(currency);

/** New or used; half are within a factor of 1.5. null in a currency of which the worth isn't known. */
export function usualPrice(
  lens: Lens,
  diagonalMm: number,
  basis: 'new' | 'used',
  currency: string | undefined,
): number | null {
  if (!hasUsualPrices(currency)) return null;
  const { pupilMm, retrofocus, zoom, format } = buildOf(lens, diagonalMm);
  const price = 1.57 * pupilMm ** 1.69 * retrofocus ** 3 * zoom(2.05, -0.92) * format ** -0.55;
  return twoDigits(price * (basis === 'new' ? 1 : USED_SHARE), 50, 15_000);
}

/** Between the ends, to two digits: it is no more exact than that. */
export function twoDigits(value: number, least: number, most: number): number {
  return Number(Math.min(most, Math.max(least, value)).toPrecision(2));
}
