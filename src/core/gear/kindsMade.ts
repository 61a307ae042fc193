import { sideMm } from '@/core/optics';
import type { Body } from './body';
import { ITEM_FIGURES, LENS_FIGURES, unknownOf } from './figures';
import { type Lens, lensId } from './lens';
import {
  usualDiameterMm,
  usualLengthMm,
  usualMagnification,
  usualMinFocusM,
  usualPrice,
  usualThreadMm,
  usualWeightG,
} from './usualLens';

/** A range with the f-numbers that such lenses are made with: one, or one for each end. */
type Made = readonly [
  wideMm: number,
  longMm: number,
  fNumbers: readonly (number | readonly [number, number])[],
];

/** Lenses as they are made for sensors up to a diagonal. */
interface Format {
  /** mm. */
  readonly upToMm: number;
  readonly primes: readonly (readonly [mm: number, fNumbers: readonly number[]])[];
  readonly closeUps: readonly (readonly [mm: number, fNumber: number])[];
  readonly zooms: readonly Made[];
}

/**
 * Kinds of lenses as they are made: marked focal lengths and widest f-numbers. Common practice, no source;
 * from memory, without anything that one maker alone makes.
 */
const FORMATS: readonly Format[] = [
  {
    upToMm: 22,
    primes: [
      [9, [1.7]],
      [12, [2]],
      [17, [1.8, 1.2]],
      [25, [1.8, 1.2]],
      [45, [1.8, 1.2]],
      [75, [1.8]],
      [200, [2.8]],
      [300, [4]],
    ],
    closeUps: [
      [30, 3.5],
      [60, 2.8],
    ],
    zooms: [
      [7, 14, [4, 2.8]],
      [12, 40, [2.8]],
      [12, 45, [4]],
      [12, 100, [4]],
      [14, 42, [[3.5, 5.6]]],
      [14, 140, [[3.5, 5.6]]],
      [35, 100, [2.8]],
      [40, 150, [[4, 5.6], 4, 2.8]],
      [50, 200, [[2.8, 4]]],
      [75, 300, [[4.8, 6.7]]],
      [100, 400, [[5, 6.3]]],
    ],
  },
  {
    upToMm: 30,
    primes: [
      [12, [2]],
      [16, [1.4]],
      [23, [2, 1.4]],
      [35, [2, 1.4]],
      [56, [1.4]],
      [90, [2]],
      [200, [2]],
    ],
    closeUps: [
      [60, 2.8],
      [80, 2.8],
    ],
    zooms: [
      [10, 18, [[4.5, 6.3], 2.8]],
      [10, 24, [4]],
      [16, 50, [[3.5, 5.6]]],
      [16, 55, [2.8]],
      [18, 135, [[3.5, 5.6]]],
      [18, 300, [[3.5, 6.3]]],
      [50, 140, [2.8]],
      [55, 200, [[3.5, 4.8]]],
      [70, 300, [[4, 5.6]]],
      [100, 400, [[4.5, 5.6]]],
      [150, 600, [[5.6, 8]]],
    ],
  },
  {
    upToMm: 45,
    primes: [
      [14, [2.8, 1.8]],
      [20, [2.8, 1.8]],
      [24, [2.8, 1.8, 1.4]],
      [28, [2.8, 1.8]],
      [35, [2.8, 1.8, 1.4]],
      [50, [1.8, 1.4, 1.2]],
      [85, [1.8, 1.4, 1.2]],
      [105, [1.4]],
      [135, [1.8]],
      [300, [4, 2.8]],
      [400, [5.6, 2.8]],
      [500, [5.6, 4]],
      [600, [6.3, 4]],
      [800, [6.3]],
    ],
    closeUps: [
      [50, 2.8],
      [100, 2.8],
    ],
    zooms: [
      [12, 24, [4, 2.8]],
      [14, 24, [2.8]],
      [14, 30, [4]],
      [16, 35, [4, 2.8]],
      [20, 70, [[2.8, 4]]],
      [24, 70, [4, 2.8]],
      [24, 105, [4, 2.8]],
      [24, 200, [[4, 6.3]]],
      [28, 75, [2.8]],
      [28, 200, [[2.8, 5.6]]],
      [35, 150, [[2, 2.8]]],
      [70, 200, [4, 2.8]],
      [70, 300, [[4.5, 6.3]]],
      [
        100,
        400,
        [
          [5, 6.3],
          [4.5, 5.6],
        ],
      ],
      [150, 600, [[5, 6.3]]],
      [200, 600, [[5.6, 6.3]]],
      [200, 800, [[6.3, 9]]],
    ],
  },
  {
    upToMm: Infinity,
    primes: [
      [23, [4]],
      [30, [3.5]],
      [45, [2.8]],
      [55, [1.7]],
      [80, [1.7]],
      [110, [2]],
      [250, [4]],
      [500, [5.6]],
    ],
    closeUps: [[120, 4]],
    zooms: [
      [20, 35, [4]],
      [32, 64, [4]],
      [35, 70, [[4.5, 5.6]]],
      [45, 100, [4]],
      [100, 200, [5.6]],
    ],
  },
];

/** A kind of lens, not one lens: its figures are marked ones, and what is usual for such a lens. */
export interface KindOfLens {
  readonly lens: Lens;
  /** What such a lens usually costs new, in money of which one is worth about a euro: how demanding it is. */
  readonly usualPrice: number;
}

/** Every kind that is made for the mounts of some cameras, by the largest sensor on each. */
export function kindsMade(bodies: readonly Body[]): KindOfLens[] {
  const mounts = [...new Set(bodies.map(({ mount }) => mount))].sort();
  return mounts.flatMap((mount, at) => {
    const diagonals = bodies.flatMap(({ mount: m, sensor }) =>
      m === mount ? [sideMm(sensor, 'diagonal')] : [],
    );
    return [...new Set(diagonals.map(formatOf))].flatMap((format) => {
      const own = diagonals.filter((mm) => formatOf(mm) === format);
      const build = { mount, at, diagonalMm: Math.max(...own) };
      return [
        ...format.zooms.flatMap(([wideMm, longMm, fNumbers]) =>
          fNumbers.map((f) => kind(build, { wideMm, longMm }, typeof f === 'number' ? [f, f] : f)),
        ),
        ...format.primes.flatMap(([mm, fNumbers]) =>
          fNumbers.map((f) => kind(build, { wideMm: mm, longMm: mm }, [f, f])),
        ),
        ...format.closeUps.map(([mm, f]) =>
          kind(build, { wideMm: mm, longMm: mm }, [f, f], 'macro'),
        ),
      ];
    });
  });
}

const formatOf = (diagonalMm: number): Format =>
  FORMATS.find(({ upToMm }) => diagonalMm <= upToMm) ?? FORMATS.at(-1)!;

function kind(
  { mount, at, diagonalMm }: { mount: string; at: number; diagonalMm: number },
  focal: Lens['focal'],
  fNumbers: readonly [number, number],
  made?: 'macro',
): KindOfLens {
  const format = Math.round(diagonalMm);
  const plain: Lens = {
    id: lensId.parse(
      ['kind', at, format, focal.wideMm, focal.longMm, ...fNumbers, ...(made ? [made] : [])].join(
        '-',
      ),
    ),
    name: [`${focal.wideMm}-${focal.longMm}`, ...(made ? [made] : [])].join(' '),
    maker: '',
    ...unknownOf(ITEM_FIGURES),
    ...unknownOf(LENS_FIGURES),
    ownership: 'wished',
    loan: null,
    mount,
    focal,
    measured: null,
    apertures: [
      { focalMm: focal.wideMm, fNumber: fNumbers[0] },
      ...(focal.longMm > focal.wideMm ? [{ focalMm: focal.longMm, fNumber: fNumbers[1] }] : []),
    ],
    projection: 'rectilinear',
    // What is no matter of its kind is taken to be there as usual; that it shifts is not.
    autofocus: true,
    shift: false,
    imageCircleMm: diagonalMm,
    grade: null,
  };
  const lens = {
    ...plain,
    weightG: usualWeightG(plain, diagonalMm),
    lengthMm: usualLengthMm(plain, diagonalMm),
    diameterMm: usualDiameterMm(plain, diagonalMm),
    filterMm: usualThreadMm(plain, diagonalMm),
    minFocusM: usualMinFocusM(plain),
    maxMagnification: usualMagnification(plain),
  };
  const price = usualPrice(plain, diagonalMm, 'new', 'EUR')!;
  return { lens: { ...lens, priceNew: price }, usualPrice: price };
}

/** The same range on the same mount as it is made slower. */
export function slowerThan(
  { lens }: KindOfLens,
  all: readonly KindOfLens[],
): readonly KindOfLens[] {
  const [wide, long] = [lens.apertures[0]!, lens.apertures.at(-1)!];
  return all.filter(
    ({ lens: l }) =>
      l.mount === lens.mount &&
      l.imageCircleMm === lens.imageCircleMm &&
      l.name === lens.name &&
      l.focal.wideMm === lens.focal.wideMm &&
      l.focal.longMm === lens.focal.longMm &&
      (l.apertures[0]!.fNumber > wide.fNumber || l.apertures.at(-1)!.fNumber > long.fNumber),
  );
}
