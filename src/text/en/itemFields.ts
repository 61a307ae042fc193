import {
  formatFNumber,
  formatFocalRange,
  formatMagnification,
  formatMetres,
  formatMm,
  formatMoney,
  formatStops,
  formatWeight,
} from '../format';
import { counted } from './counts';
import { plainList } from '../lists';

/** Fields of gear by the names that the forms give them. */
export const FIELD_NAMES: Readonly<Record<string, string>> = {
  name: 'Name',
  maker: 'Maker',
  mount: 'Mount',
  weightG: 'Weight',
  priceNew: 'Price new',
  priceUsed: 'Price used',
  focal: 'Focal length',
  measured: 'Measured range',
  apertures: 'Widest f-number',
  projection: 'Projection',
  smallestFNumber: 'Stops down to',
  builtInConverter: 'Built-in converter',
  imageCircleMm: 'Image circle',
  minFocusM: 'Closest focus',
  maxMagnification: 'Magnification',
  stabiliserStops: 'Stabilisation',
  autofocus: 'Autofocus',
  filterMm: 'Filter thread',
  frontThread: 'Takes a front filter',
  shift: 'Shifts',
  sealed: 'Weather sealed',
  lengthMm: 'Length',
  diameterMm: 'Diameter',
  grade: 'Grade',
  sensor: 'Sensor',
  isoCeiling: 'Highest ISO',
  autofocusLimitFNumber: 'Autofocus up to',
  sizeMm: 'Size',
  picturesPerCharge: 'Pictures a charge',
  cardType: 'Card',
  cardSlots: 'Card slots',
  fileMb: 'File size',
  factor: 'Factor',
  bodyMount: 'Camera mount',
  lensMount: 'Lens mount',
  dropInFilter: 'Drop-in filter',
  lensIds: 'Made for',
};

type FieldValuesByName = Readonly<Record<string, unknown>>;

/** How the value of a field reads; what is not known is said. */
export function fieldText(field: string, value: unknown, currency: string): string {
  if (value === null || value === undefined || value === '') return 'unknown';
  if (typeof value === 'boolean') return value ? 'yes' : 'no';
  if (typeof value === 'number') return numberText(field, value, currency);
  if (typeof value === 'string') return value;
  if (field === 'lensIds') return counted((value as readonly string[]).length, 'lens');
  if (field === 'apertures')
    return plainList(
      (value as readonly { focalMm: number; fNumber: number }[]).map(
        (p) => `${formatFNumber(p.fNumber)} at ${formatMm(p.focalMm)}`,
      ),
    );
  if (field === 'focal' || field === 'measured') {
    const { wideMm, longMm } = value as { wideMm: number; longMm: number };
    return formatFocalRange(wideMm, longMm);
  }
  return Object.values(value as FieldValuesByName)
    .filter((part) => part !== null)
    .join(' × ');
}

function numberText(field: string, value: number, currency: string): string {
  if (field.startsWith('price')) return formatMoney(value, currency);
  if (field === 'weightG') return formatWeight(value);
  if (field === 'maxMagnification') return formatMagnification(value);
  if (field === 'stabiliserStops') return formatStops(value);
  if (field.endsWith('FNumber')) return formatFNumber(value);
  if (field.endsWith('Mm')) return formatMm(value);
  if (field.endsWith('M')) return formatMetres(value);
  return field === 'factor' || field === 'builtInConverter' ? `${value}×` : String(value);
}
