import { type Body, formatKey, type Lens, mountFits, type Shelf } from '@/core/gear';
import { sideMm } from '@/core/optics';
import { inOwnUnits, readTyped } from '@/text';

/** What the table is narrowed to, as typed or chosen; nothing where it is empty or no number. */
export interface Narrowing {
  readonly format: string;
  readonly reachesMm: string;
  readonly fNumber: string;
  /** In the person's own unit of weight. */
  readonly weight: string;
}
export const NO_NARROWING: Narrowing = { format: '', reachesMm: '', fNumber: '', weight: '' };

/** The formats on the shelf, as "36×24" by "36x24". */
export function formatsOn({ bodies }: Shelf): [string, string][] {
  const keys = new Set(bodies.map((b) => formatKey(b.sensor)));
  return [...keys].sort().map((key) => [key, key.replace('x', '×')]);
}

/** Whether a lens reaches, is fast and light enough, and fills the format on a body that it fits. */
export function narrowsLens(shelf: Shelf, narrowing: Narrowing): (lens: Lens) => boolean {
  const { format, reachesMm, fNumber, weight } = narrowing;
  const [reach, slowest, heaviest] = [reachesMm, fNumber, weight].map((text) => readTyped(text));
  const factor = inOwnUnits('g')?.factor ?? 1;
  const bodies = shelf.bodies.filter(narrowsBody(narrowing));
  const fills =
    ({ mount, imageCircleMm }: Lens) =>
    (body: Body) =>
      mountFits(shelf.mounts, body.mount, mount) &&
      (imageCircleMm === null || imageCircleMm >= sideMm(body.sensor, 'diagonal'));
  return (lens) =>
    (format === '' || bodies.some(fills(lens))) &&
    (!reach || (lens.focal.wideMm <= reach && reach <= lens.focal.longMm)) &&
    (!slowest || (lens.apertures.at(-1)?.fNumber ?? Infinity) <= slowest) &&
    (!heaviest || (lens.weightG !== null && lens.weightG * factor <= heaviest));
}

export function narrowsBody({ format }: Narrowing): (body: Body) => boolean {
  return ({ sensor }) => format === '' || formatKey(sensor) === format;
}
