import { aBody, aLens, aShelf } from '../../../tests/support/gear';
import { type FigureKey, USUAL_WITHIN, usualFigure, weighingOf } from '@/core/gear';

/**
 * Published figures of lenses that are or were sold, as remembered and without their names: shortest
 * and longest focal length, f-number at the long end, and by format g.
 */
const SOLD: Readonly<Record<string, readonly (readonly [number, number, number, number])[]>> = {
  '36x24': [
    [50, 50, 1.8, 170],
    [50, 50, 1.4, 400],
    [35, 35, 1.4, 560],
    [24, 24, 2.8, 200],
    [85, 85, 1.8, 400],
    [85, 85, 1.4, 800],
    [135, 135, 1.8, 980],
    [100, 100, 2.8, 640],
    [24, 70, 2.8, 820],
    [24, 105, 4, 680],
    [28, 200, 5.6, 575],
    [70, 200, 2.8, 1250],
    [70, 200, 4, 760],
    [70, 300, 5.6, 720],
    [100, 400, 5.6, 1420],
    [150, 600, 6.3, 2000],
    [16, 35, 2.8, 700],
    [16, 35, 4, 560],
    [14, 24, 2.8, 800],
    [300, 300, 2.8, 2500],
    [400, 400, 2.8, 2950],
    [600, 600, 4, 3150],
  ],
  '23.5x15.6': [
    [18, 55, 5.6, 210],
    [55, 250, 5.6, 375],
    [18, 135, 5.6, 420],
    [10, 18, 5.6, 230],
    [16, 55, 2.8, 600],
    [35, 35, 1.8, 180],
    [50, 140, 2.8, 990],
    [56, 56, 1.2, 420],
  ],
  '17.3x13': [
    [14, 42, 5.6, 110],
    [12, 40, 2.8, 380],
    [40, 150, 2.8, 760],
    [25, 25, 1.8, 137],
    [300, 300, 4, 1270],
    [7, 14, 2.8, 530],
  ],
};

type Sold = readonly [wideMm: number, longMm: number, fNumber: number, figure: number];

/** By what factor real figures of one kind are above or below the usual one, the smallest first. */
function offOf(key: FigureKey, sold: Readonly<Record<string, readonly Sold[]>>): number[] {
  return Object.entries(sold)
    .flatMap(([format, lenses]) => {
      const [widthMm = 0, heightMm = 0] = format.split('x').map(Number);
      const body = aBody({ sensor: { widthMm, heightMm, pixelsWide: 6000, pixelsHigh: 4000 } });
      return lenses.map(([wide, long, fNumber, figure]) => {
        const lens = aLens('l', wide, long, fNumber);
        const where = { shelf: aShelf([lens], [], [body]), currency: 'EUR' };
        const usual = usualFigure('lenses', lens, key, where)!;
        return Math.max(usual / figure, figure / usual);
      });
    })
    .sort((a, b) => a - b);
}

/** Length and diameter, mm, largest magnification, and price new, in euro or dollars, of the same kind. */
const ALSO_SOLD: Readonly<Record<string, readonly (readonly number[])[]>> = {
  '36x24': [
    [50, 50, 1.8, 39, 69, 0.21, 140],
    [50, 50, 1.4, 51, 74, 0.15, 400],
    [35, 35, 1.4, 106, 80, 0.21, 1600],
    [35, 35, 1.8, 73, 66, 0.24, 650],
    [24, 24, 2.8, 56, 68, 0.16, 600],
    [85, 85, 1.8, 82, 78, 0.13, 600],
    [85, 85, 1.4, 108, 90, 0.12, 1700],
    [135, 135, 1.8, 127, 90, 0.25, 1900],
    [24, 70, 2.8, 136, 88, 0.24, 2200],
    [24, 105, 4, 113, 83, 0.31, 1200],
    [28, 200, 5.6, 117, 74, 0.31, 800],
    [70, 200, 2.8, 200, 88, 0.25, 2500],
    [70, 200, 4, 175, 80, 0.21, 1400],
    [70, 300, 5.6, 143, 84, 0.31, 1100],
    [100, 400, 5.6, 205, 94, 0.35, 2400],
    [150, 600, 6.3, 260, 105, 0.2, 1100],
    [16, 35, 2.8, 121, 88, 0.19, 2200],
    [16, 35, 4, 99, 78, 0.19, 1200],
    [14, 24, 2.8, 131, 85, 0.14, 1400],
    [300, 300, 2.8, 248, 128, 0.16, 5800],
    [400, 400, 2.8, 359, 163, 0.17, 12000],
    [600, 600, 4, 449, 163, 0.14, 13000],
    [24, 240, 6.3, 118, 80, 0.27, 950],
  ],
  '23.5x15.6': [
    [18, 55, 5.6, 66, 66, 0.3, 230],
    [55, 250, 5.6, 111, 70, 0.29, 280],
    [18, 135, 5.6, 96, 77, 0.28, 500],
    [10, 18, 5.6, 72, 75, 0.15, 290],
    [16, 55, 2.8, 106, 83, 0.16, 1200],
    [35, 35, 1.8, 53, 70, 0.16, 200],
  ],
  '17.3x13': [
    [14, 42, 5.6, 45, 58, 0.23, 280],
    [12, 40, 2.8, 84, 70, 0.3, 900],
    [25, 25, 1.8, 42, 58, 0.12, 350],
    [300, 300, 4, 227, 93, 0.24, 2700],
  ],
};

/** One column of them. */
const column = (at: number) =>
  Object.fromEntries(
    Object.entries(ALSO_SOLD).map(([format, rows]) => [
      format,
      rows.map(([wide = 0, long = 0, f = 0, ...rest]): Sold => [wide, long, f, rest[at] ?? 0]),
    ]),
  );

/** Published closest focus, m, as remembered and without names: shortest and longest focal length. */
const FOCUSES: readonly Sold[] = [
  ...([24, 35, 50, 50, 85, 85, 105, 135, 200, 300, 300, 400, 500, 600] as const).map(
    (f, i): Sold => [
      f,
      f,
      4,
      [0.25, 0.28, 0.45, 0.4, 0.85, 0.8, 1, 0.9, 1.9, 2.2, 1.45, 2.6, 3.6, 4.3][i]!,
    ],
  ),
  [16, 35, 4, 0.28],
  [14, 24, 4, 0.28],
  [24, 70, 4, 0.38],
  [24, 105, 4, 0.45],
  [24, 120, 4, 0.45],
  [70, 200, 4, 1.1],
  [70, 200, 4, 1],
  [100, 400, 4, 1.2],
  [70, 300, 4, 1.2],
  [18, 55, 4, 0.28],
  [55, 250, 4, 1],
  [18, 135, 4, 0.42],
  [24, 240, 4, 0.65],
  [150, 600, 4, 2.6],
  [200, 600, 4, 2.4],
  [28, 200, 4, 0.6],
];

test.each<
  [FigureKey, keyof typeof USUAL_WITHIN, Readonly<Record<string, readonly Sold[]>>, number]
>([
  ['weightG', 'weightG', SOLD, 1.2],
  ['lengthMm', 'lengthMm', column(0), 1.15],
  ['diameterMm', 'diameterMm', column(1), 1.08],
  ['maxMagnification', 'maxMagnification', column(2), 1.3],
  ['priceNew', 'price', column(3), 1.5],
  ['minFocusM', 'minFocusM', { '36x24': FOCUSES }, 1.25],
])(
  'of what is sold half is near the usual %s, and nine in ten within the factor stated',
  (...of) => {
    const [key, within, sold, half] = of;
    const off = offOf(key, sold);
    expect(off[Math.floor(off.length / 2)]).toBeLessThan(half);
    expect(off[Math.floor(0.9 * off.length)]).toBeLessThan(USUAL_WITHIN[within]);
  },
);

test('what is known counts, and what is not is told to be an estimate, to two digits', () => {
  const lenses = [
    aLens('known', 50, 50, 1.8, { weightG: 123 }),
    aLens('not', 24, 70, 2.8, { weightG: null }),
  ];
  const gear = weighingOf(aShelf(lenses, [], [aBody({ id: 'b', weightG: null })]));
  expect([gear.of('known'), gear.isEstimated('known')]).toEqual([123, false]);
  expect([gear.isEstimated('not'), gear.isEstimated('b')]).toEqual([true, true]);
  expect(Number(gear.of('not').toPrecision(2))).toBe(gear.of('not'));
  expect([gear.of('b'), gear.of('nothing')]).toEqual([650, 0]);
});

test('threads are of a size that is made, prices in money that is known, and a macro focuses near', () => {
  const where = { shelf: aShelf([], [], [aBody({})]), currency: 'EUR' };
  const of = (key: FigureKey, name: string, change = {}) =>
    usualFigure('lenses', aLens('l', 100, 100, 2.8, { name }), key, { ...where, ...change });
  expect([62, 67]).toContain(of('filterMm', '100 2.8'));
  expect([of('priceNew', '100 2.8', { currency: 'JPY' }), of('sealed', '100 2.8')]).toEqual([
    null,
    null,
  ]);
  expect([of('minFocusM', '100 2.8 macro'), of('maxMagnification', '100 2.8 macro')]).toEqual([
    0.4, 1,
  ]);
  expect(of('minFocusM', '100 2.8')).toBeGreaterThan(0.8);
});
