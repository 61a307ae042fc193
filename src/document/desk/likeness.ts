import {
  type Adapter,
  apertureEnds,
  type Body,
  type Converter,
  type ItemKind,
  type Lens,
  type Tube,
} from '@/core/gear';

interface NamedGear {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
}

const plain = (text: string) =>
  text
    .toLowerCase()
    .replace(/[\s–-]+/g, ' ')
    .trim();

/** What an item is, whoever sells it under whatever name: mount, range and f-number of a lens. */
export function whatItIs(kind: ItemKind, item: NamedGear): string {
  const parts: Record<ItemKind, () => readonly (string | number)[]> = {
    lenses: () => {
      const { mount, focal, apertures, projection, shift } = item as Lens;
      const numbers = apertureEnds(apertures);
      const special = `${projection === 'rectilinear' ? '' : 'fisheye'}${shift ? 'shift' : ''}`;
      return [plain(mount), focal.wideMm, focal.longMm, ...numbers, special];
    },
    bodies: () => {
      const { mount, sensor } = item as Body;
      return [plain(mount), sensor.widthMm, sensor.heightMm, plain(item.name)];
    },
    converters: () => [plain((item as Converter).mount), (item as Converter).factor],
    tubes: () => [plain((item as Tube).mount), (item as Tube).lengthMm],
    adapters: () => {
      const { bodyMount, lensMount, factor } = item as Adapter;
      return [plain(bodyMount), plain(lensMount), factor];
    },
  };
  return parts[kind]().join('|');
}

/** How much speaks for two items being the same thing; 0 where they are taken to be different ones. */
export function likeness(kind: ItemKind, a: NamedGear, b: NamedGear): number {
  const same = whatItIs(kind, a) === whatItIs(kind, b);
  const named = plain(`${a.maker} ${a.name}`) === plain(`${b.maker} ${b.name}`);
  const oneMaker = plain(a.maker) === plain(b.maker) || a.maker === '' || b.maker === '';
  if (named) return same ? 4 : 2;
  if (!same || !oneMaker) return 0;
  return a.id === b.id ? 3 : 1;
}
