import { type FigureKey, FIGURES } from '@/core/gear';
import { FIGURE_NAMES, figureText } from './figures';
import { formatFNumber, formatFocalRange, formatMm } from '../format';
import { counted } from './counts';
import { plainList } from '../lists';

/** Fields of gear by the names that the forms give them. */
export const FIELD_NAMES: Readonly<Record<string, string>> = {
  ...FIGURE_NAMES,
  name: 'Name',
  maker: 'Maker',
  mount: 'Mount',
  focal: 'Focal length',
  measured: 'Measured range',
  apertures: 'Widest f-number',
  projection: 'Projection',
  grade: 'Grade',
  sensor: 'Sensor',
  sizeMm: 'Size',
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
  if (field in FIGURES) return figureText(FIGURES[field as FigureKey], value, currency);
  return field === 'factor' ? `${value}×` : String(value);
}
