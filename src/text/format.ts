import { markedFNumber } from '@/core/optics';
import { G_PER_OUNCE, M_PER_FOOT } from '@/core/units';
import { unitsNow } from './units';

/** Numbers as photographers read them, each with its unit. Exact values go to the arithmetic view. */

const NARROW = '\u202F';

/** Made once: making one takes longer than all the figures of a page. */
const DIGITS = [0, 1, 2, 3, 4, 5].map(
  (most) => new Intl.NumberFormat('en-GB', { maximumFractionDigits: most }),
);
const DAY = new Intl.DateTimeFormat('en-GB', {
  weekday: 'long',
  day: 'numeric',
  month: 'long',
  year: 'numeric',
  timeZone: 'UTC',
});

const DAY_AND_MONTH = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'long',
  timeZone: 'UTC',
});

export function digits(value: number, most: number): string {
  return (DIGITS[most] ?? DIGITS.at(-1)!).format(value);
}

/** More digits than usual at the most, to tell two figures apart that are nearly alike. */
const MOST_MORE = 3;

/** How many more digits than usual tell figures apart that differ; 0 where none do. */
export function moreDigits(
  format: (value: number, more: number) => string,
  values: readonly number[],
): number {
  const distinct = [...new Set(values)];
  for (let more = 0; more <= MOST_MORE; more += 1)
    if (new Set(distinct.map((v) => format(v, more))).size === distinct.length) return more;
  return 0;
}

/** Two figures with as many digits as it takes to tell them apart: 60.4 and 60. */
export function toldApart(
  format: (value: number, more: number) => string,
  a: number,
  b: number,
): [string, string] {
  const more = moreDigits(format, [a, b]);
  return [format(a, more), format(b, more)];
}

/** @param more digits beyond the usual ones */
export function formatMm(mm: number, more = 0): string {
  return `${digits(mm, (mm < 10 ? 1 : 0) + more)}${NARROW}mm`;
}

export function formatFocalRange(wideMm: number, longMm: number, more = 0): string {
  return wideMm === longMm
    ? formatMm(wideMm, more)
    : `${digits(wideMm, (wideMm < 10 ? 1 : 0) + more)}–${formatMm(longMm, more)}`;
}

/** Marked f-number: f/5.6 for 5.657. */
export function formatFNumber(fNumber: number, more = 0): string {
  return `f/${more === 0 ? markedFNumber(fNumber) : digits(fNumber, more)}`;
}

/** F-numbers from one end of a range to the other: f/3.5–5.6. */
export function formatFNumbers(from: number, to: number): string {
  return from === to ? formatFNumber(from) : `${formatFNumber(from)}–${markedFNumber(to)}`;
}

export function formatAngle(deg: number, more = 0): string {
  return `${digits(deg, (deg < 10 ? 1 : 0) + more)}°`;
}

/** A distance or a length of a subject, in the person's units. */
export function formatMetres(m: number, more = 0): string {
  if (unitsNow() === 'imperial') return formatFeet(m / M_PER_FOOT, more);
  if (m < 1) return `${digits(m * 100, (m < 0.1 ? 1 : 0) + more)}${NARROW}cm`;
  return `${digits(m, (m < 10 ? 1 : 0) + more)}${NARROW}m`;
}

const FEET_PER_MILE = 5280;
/** From here on feet are given in miles. */
const MILES_FROM_FEET = 3000;

function formatFeet(feet: number, more: number): string {
  if (feet < 1) return `${digits(feet * 12, 1 + more)}${NARROW}in`;
  if (feet >= MILES_FROM_FEET) return `${digits(feet / FEET_PER_MILE, 1 + more)}${NARROW}mi`;
  return `${digits(feet, (feet < 10 ? 1 : 0) + more)}${NARROW}ft`;
}

export function formatDistances(from: number, to: number, more = 0): string {
  if (from === to) return formatMetres(from, more);
  const [a, b] = [formatMetres(from, more), formatMetres(to, more)];
  if (a === b) return a;
  const unitOf = (text: string) => text.slice(text.indexOf(NARROW));
  return unitOf(a) === unitOf(b) && !a.endsWith('cm')
    ? `${a.slice(0, -unitOf(a).length)}–${b}`
    : `${a}–${b}`;
}

export function formatShutter(timeS: number): string {
  if (timeS >= 0.4) return `${digits(timeS, 1)}${NARROW}s`;
  return `1/${digits(1 / timeS, 0).replaceAll(',', '')}${NARROW}s`;
}

export function formatEv(ev: number): string {
  return `EV${NARROW}${digits(ev, 1).replace('-', '−')}`;
}

export function formatIso(iso: number): string {
  const rounded = iso < 1000 ? Math.round(iso / 10) * 10 : Number(iso.toPrecision(2));
  return `ISO${NARROW}${rounded}`;
}

export function formatStops(stops: number): string {
  const text = digits(Math.abs(stops), 1);
  return `${text} ${text === '1' ? 'stop' : 'stops'}`;
}

/** A weight, said to be about so much where it rests on an estimate. */
export const aboutWeight = (g: number, isEstimated: boolean): string =>
  about(formatWeight(g), isEstimated);

/** A figure as text, marked where it is an estimate. */
export const about = (text: string, isEstimated: boolean): string =>
  `${isEstimated ? `≈${NARROW}` : ''}${text}`;

/** A total with its standard error, where it rests on estimates. */
export const weightWithin = (g: number, errorG: number): string =>
  errorG === 0 ? formatWeight(g) : `${aboutWeight(g, true)} ± ${formatWeight(errorG)}`;

/** An amount of money with its standard error, where it rests on estimates. */
export const moneyWithin = (amount: number, error: number, currency: string): string =>
  error === 0
    ? formatMoney(amount, currency)
    : `${about(formatMoney(amount, currency), true)} ± ${formatMoney(Number(error.toPrecision(1)), currency)}`;

export function formatWeight(g: number): string {
  if (unitsNow() === 'imperial') {
    const ounces = g / G_PER_OUNCE;
    return ounces < 16
      ? `${digits(ounces, 1)}${NARROW}oz`
      : `${(ounces / 16).toFixed(2)}${NARROW}lb`;
  }
  return g < 1000 ? `${digits(g, 0)}${NARROW}g` : `${(g / 1000).toFixed(2)}${NARROW}kg`;
}

export function formatMoney(amount: number, currency: string): string {
  try {
    return new Intl.NumberFormat('en-GB', {
      style: 'currency',
      currency,
      maximumFractionDigits: 0,
    }).format(amount);
  } catch {
    return `${digits(amount, 0)} ${currency}`;
  }
}

/** The sign that a currency has in text, for fields that hold its amounts. */
export function moneySign(currency: string): string {
  try {
    const parts = new Intl.NumberFormat('en-GB', { style: 'currency', currency }).formatToParts(0);
    return parts.find(({ type }) => type === 'currency')?.value ?? currency;
  } catch {
    return currency;
  }
}

/** Percent that rounding alone may leave. */
const NOTHING = 1e-6;

export function formatPercent(percent: number, more = 0): string {
  const places = (percent < 10 ? 1 : 0) + more;
  const step = 10 ** -places;
  // Neither is none said of something, nor all of what isn't.
  if (percent > NOTHING && percent < step / 2) return `under ${digits(step, places)}${NARROW}%`;
  if (percent >= 100 - step / 2 && percent < 100 - NOTHING) {
    const finer = Math.max(1, places);
    return `${digits(Math.floor(percent * 10 ** finer) / 10 ** finer, finer)}${NARROW}%`;
  }
  return `${digits(percent, places)}${NARROW}%`;
}

export function formatCrop(crop: number, more = 0): string {
  return `${crop.toFixed(2 + more)}×`;
}

/** Whether a crop is one when it is rounded as it is shown: 1.00× is none. */
export const isCropped = (crop: number): boolean => formatCrop(crop) !== formatCrop(1);

export function formatMagnification(m: number, more = 0): string {
  return `${digits(m, 2 + more)}×`;
}

export function formatMegapixels(mp: number): string {
  return `${digits(mp, 1)}${NARROW}MP`;
}

/**
 * A day in words: Saturday, 12 June 2027.
 *
 * @param day yyyy-mm-dd
 */
export function dayText(day: string): string {
  return DAY.format(new Date(`${day}T00:00:00Z`));
}

/**
 * A day without its year: 12 June.
 *
 * @param day yyyy-mm-dd
 */
export function dayAndMonth(day: string): string {
  return DAY_AND_MONTH.format(new Date(`${day}T00:00:00Z`));
}

const MOMENT = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
  timeZone: 'UTC',
});
const SHORT_DAY = new Intl.DateTimeFormat('en-GB', {
  day: 'numeric',
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});
const MONTH = new Intl.DateTimeFormat('en-GB', {
  month: 'short',
  year: 'numeric',
  timeZone: 'UTC',
});

/** A local moment, given as ms as if it were UTC: 12 Jun, 09:31. */
export function formatMoment(ms: number): string {
  return MOMENT.format(ms);
}

/** First and last day of some local moments: 12–13 Jun 2027. */
export function formatDays(fromMs: number, toMs: number): string {
  return SHORT_DAY.formatRange(fromMs, toMs);
}

/** A month in words: Jun 2027. @param month yyyy-mm */
export function formatMonth(month: string): string {
  return MONTH.format(Date.parse(`${month}-01`));
}
