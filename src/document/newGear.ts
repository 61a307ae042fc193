import {
  type Adapter,
  BODY_FIGURES,
  ITEM_FIGURES,
  LENS_FIGURES,
  unknownOf,
  adapterId,
  type Body,
  bodyId,
  type Converter,
  converterId,
  type Lens,
  lensId,
  type Shelf,
  type Tube,
  tubeId,
} from '@/core/gear';
import { freshId } from './freshId';
import { type ItemOf, type Kind, shelfIds } from './edits';

/** Nothing known yet of an item that is owned. */
export const UNKNOWN_ITEM = {
  ...unknownOf(ITEM_FIGURES),
  ownership: 'owned',
  loan: null,
} as const;
/** Nothing known of the figures of a lens, and of a body. */
export const UNKNOWN_LENS = { ...unknownOf(LENS_FIGURES), grade: null } as const;
export const UNKNOWN_BODY = { ...unknownOf(BODY_FIGURES), sizeMm: null } as const;
const UNKNOWN = { maker: '', ...UNKNOWN_ITEM } as const;

/** What a new item is called; the mount stands where none is known yet. */
export interface NewNames {
  readonly name: string;
  readonly mount: string;
}

/** A new item in a first state that is valid; mounts follow what is already on the shelf. */
export function newItem<K extends Kind>(kind: K, shelf: Shelf, names: NewNames): ItemOf[K] {
  const mount = shelf.bodies[0]?.mount ?? shelf.lenses[0]?.mount ?? names.mount;
  const taken = shelfIds(shelf);
  const makers: { [P in Kind]: () => ItemOf[P] } = {
    lenses: (): Lens => ({
      id: lensId.parse(freshId('lens', taken)),
      name: names.name,
      ...UNKNOWN,
      mount,
      focal: { wideMm: 50, longMm: 50 },
      measured: null,
      apertures: [{ focalMm: 50, fNumber: 1.8 }],
      projection: 'rectilinear',
      ...UNKNOWN_LENS,
      autofocus: true,
    }),
    bodies: (): Body => ({
      id: bodyId.parse(freshId('body', taken)),
      name: names.name,
      ...UNKNOWN,
      mount,
      sensor: { widthMm: 36, heightMm: 24, pixelsWide: 6000, pixelsHigh: 4000 },
      ...UNKNOWN_BODY,
    }),
    converters: (): Converter => ({
      id: converterId.parse(freshId('converter', taken)),
      name: names.name,
      ...UNKNOWN,
      mount,
      factor: 1.4,
      lensIds: [],
    }),
    tubes: (): Tube => ({
      id: tubeId.parse(freshId('tube', taken)),
      name: names.name,
      ...UNKNOWN,
      mount,
      lengthMm: 12,
      autofocus: true,
    }),
    adapters: (): Adapter => ({
      id: adapterId.parse(freshId('adapter', taken)),
      name: names.name,
      ...UNKNOWN,
      bodyMount: mount,
      lensMount: shelf.lenses.find((l) => l.mount !== mount)?.mount ?? mount,
      autofocus: null,
      factor: 1,
      dropInFilter: null,
    }),
  };
  return makers[kind]();
}

export function copyItem<K extends Kind>(item: ItemOf[K], shelf: Shelf, name: string): ItemOf[K] {
  const id = freshId(item.id, shelfIds(shelf));
  return { ...item, id: id as never, name: name.slice(0, 120) };
}
