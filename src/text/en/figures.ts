import type { GearFigure, FigureKey, Measure } from '@/core/gear';
import {
  formatFNumber,
  formatIso,
  formatMagnification,
  formatMetres,
  formatMm,
  formatMoney,
  formatStops,
  formatWeight,
  moneySign,
} from '../format';

/** Figures of gear by their names. */
export const FIGURE_NAMES: Readonly<Record<FigureKey, string>> = {
  weightG: 'Weight',
  priceNew: 'Price new',
  priceUsed: 'Price used',
  imageCircleMm: 'Image circle',
  minFocusM: 'Closest focus',
  maxMagnification: 'Magnification',
  stabiliserStops: 'Stabilisation',
  autofocus: 'Autofocus',
  filterMm: 'Filter thread',
  frontThread: 'Takes a front filter',
  smallestFNumber: 'Stops down to',
  builtInConverter: 'Built-in converter',
  shift: 'Shifts',
  sealed: 'Weather sealed',
  lengthMm: 'Length',
  diameterMm: 'Diameter, hood reversed',
  isoCeiling: 'Highest ISO',
  autofocusLimitFNumber: 'Autofocus up to',
  picturesPerCharge: 'Shots per charge',
  cardSlots: 'Card slots',
  cardType: 'Card type',
  fileMb: 'File size',
};

const MEASURE_UNITS: Readonly<Record<Exclude<Measure, 'money'>, string>> = {
  mm: 'mm',
  m: 'm',
  g: 'g',
  MB: 'MB',
  times: '×',
  stops: 'stops',
  fNumber: '',
  iso: '',
  count: '',
  flag: '',
  text: '',
};

/** What stands behind a figure that is typed in; money has the sign of the outing's currency. */
export const measureUnit = (measure: Measure, currency: string): string =>
  measure === 'money' ? moneySign(currency) : MEASURE_UNITS[measure];

/** Stands where a figure is empty. */
export const ABSENT: Readonly<Record<NonNullable<GearFigure['absent']> | 'unknown', string>> = {
  unknown: 'unknown',
  none: 'none',
  outing: 'the outing’s',
};

/** The name of a field for a figure; f-numbers are typed behind their f/. */
export function figureLabel(key: FigureKey, { measure }: GearFigure): string {
  return measure === 'fNumber' ? `${FIGURE_NAMES[key]} f/` : FIGURE_NAMES[key];
}

/** A figure that is known. */
export function figureText(
  { measure }: GearFigure,
  value: number | boolean | string,
  currency: string,
): string {
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'string') return value;
  switch (measure) {
    case 'mm':
      return formatMm(value);
    case 'm':
      return formatMetres(value);
    case 'g':
      return formatWeight(value);
    case 'times':
      return formatMagnification(value);
    case 'stops':
      return formatStops(value);
    case 'fNumber':
      return formatFNumber(value);
    case 'iso':
      return formatIso(value);
    case 'money':
      return formatMoney(value, currency);
    case 'MB':
      return `${value} MB`;
    default:
      return String(value);
  }
}
