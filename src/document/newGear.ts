import {
  type Adapter,
  adapterId,
  type Body,
  bodyId,
  type Converter,
  converterId,
  lens,
  type Lens,
  lensId,
  type Tube,
  tubeId,
} from '@/core/gear';
import { freshId, type ItemOf, type Kind, shelfIds } from './edits';
import type { OutingFile } from './outingFile';

const UNKNOWN = {
  maker: '',
  weightG: null,
  priceNew: null,
  priceUsed: null,
  ownership: 'owned',
} as const;

/** A new piece in a first state that is valid; mounts follow what is already on the shelf. */
export function newItem<K extends Kind>(kind: K, file: OutingFile): ItemOf[K] {
  const mount = file.shelf.bodies[0]?.mount ?? file.shelf.lenses[0]?.mount ?? 'My mount';
  const taken = shelfIds(file);
  const makers: { [P in Kind]: () => ItemOf[P] } = {
    lenses: (): Lens => ({
      id: lensId.parse(freshId('lens', taken)),
      name: 'New lens',
      ...UNKNOWN,
      mount,
      focal: { wideMm: 50, longMm: 50 },
      measured: null,
      apertures: [{ focalMm: 50, fNumber: 1.8 }],
      projection: 'rectilinear',
      imageCircleMm: null,
      minFocusM: null,
      maxMagnification: null,
      stabiliserStops: null,
      autofocus: true,
      filterMm: null,
      sealed: null,
      smallestFNumber: null,
      builtInConverter: null,
      frontThread: null,
      shift: null,
      lengthMm: null,
      diameterMm: null,
      grade: null,
    }),
    bodies: (): Body => ({
      id: bodyId.parse(freshId('body', taken)),
      name: 'New body',
      ...UNKNOWN,
      mount,
      sensor: { widthMm: 36, heightMm: 24, pixelsWide: 6000, pixelsHigh: 4000 },
      isoCeiling: null,
      stabiliserStops: null,
      autofocusLimitFNumber: null,
      sizeMm: null,
      picturesPerCharge: null,
      cardType: null,
      cardSlots: null,
      fileMb: null,
      sealed: null,
    }),
    converters: (): Converter => ({
      id: converterId.parse(freshId('converter', taken)),
      name: 'New converter',
      ...UNKNOWN,
      mount,
      factor: 1.4,
      lensIds: [],
    }),
    tubes: (): Tube => ({
      id: tubeId.parse(freshId('tube', taken)),
      name: 'New tube',
      ...UNKNOWN,
      mount,
      lengthMm: 12,
      autofocus: true,
    }),
    adapters: (): Adapter => ({
      id: adapterId.parse(freshId('adapter', taken)),
      name: 'New adapter',
      ...UNKNOWN,
      bodyMount: mount,
      lensMount: file.shelf.lenses.find((l) => l.mount !== mount)?.mount ?? mount,
      autofocus: null,
      factor: 1,
      dropInFilter: null,
    }),
  };
  return makers[kind]();
}

export function copyItem<K extends Kind>(item: ItemOf[K], file: OutingFile): ItemOf[K] {
  const id = freshId(item.id, shelfIds(file));
  return { ...item, id: id as never, name: `${item.name}, again`.slice(0, 120) };
}

/** What a line such as 24–105 mm f/4–5.6, or 50 1.8, says of a lens; null when it is none. */
const LENS_LINE =
  /(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?\s*(?:mm)?\s*,?\s*f?\s*\/?\s*(\d+(?:\.\d+)?)(?:\s*[-–]\s*(\d+(?:\.\d+)?))?\s*$/i;

/** A lens from its name as it stands on the barrel; null when no range and f-number are in it. */
export function lensOfLine(line: string, file: OutingFile): Lens | null {
  const read = LENS_LINE.exec(line.trim());
  if (!read) return null;
  const [wideMm = NaN, longMm = NaN, fast = NaN, slow = NaN] = [
    read[1],
    read[2] ?? read[1],
    read[3],
    read[4] ?? read[3],
  ].map(Number);
  const found = lens.safeParse({
    ...newItem('lenses', file),
    id: freshId(line, shelfIds(file)),
    name: line.trim(),
    focal: { wideMm, longMm },
    apertures:
      wideMm === longMm
        ? [{ focalMm: wideMm, fNumber: fast }]
        : [
            { focalMm: wideMm, fNumber: fast },
            { focalMm: longMm, fNumber: slow },
          ],
  });
  return found.success ? found.data : null;
}
