import { aBody, aLens, aShelf } from '../../../tests/support/gear';
import { USUAL_WEIGHT_FACTOR, usualMinFocusM, weighingOf } from '@/core/gear';

/**
 * Published weights of lenses that are or were sold, as remembered and without their names: shortest
 * and longest focal length, f-number at the long end, format, g.
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

const off = Object.entries(SOLD).flatMap(([format, lenses]) => {
  const [widthMm = 0, heightMm = 0] = format.split('x').map(Number);
  const body = aBody({ sensor: { widthMm, heightMm, pixelsWide: 6000, pixelsHigh: 4000 } });
  return lenses.map(([wide, long, fNumber, g]) => {
    const lens = aLens('l', wide, long, fNumber, { weightG: null });
    const usual = weighingOf(aShelf([lens], [], [body])).of('l');
    return Math.max(usual / g, g / usual);
  });
});

test('half of what is sold weighs within a fifth of the usual weight, nine in ten within the factor stated', () => {
  const sorted = off.sort((a, b) => a - b);
  expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThan(1.2);
  expect(sorted[Math.floor(0.9 * sorted.length)]).toBeLessThan(USUAL_WEIGHT_FACTOR);
});

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

/** Published closest focus, m, as remembered and without names: shortest and longest focal length. */
const FOCUSES: readonly (readonly [number, number, number])[] = [
  ...([24, 35, 50, 50, 85, 85, 105, 135, 200, 300, 300, 400, 500, 600] as const).map(
    (f, i) =>
      [
        f,
        f,
        [0.25, 0.28, 0.45, 0.4, 0.85, 0.8, 1, 0.9, 1.9, 2.2, 1.45, 2.6, 3.6, 4.3][i]!,
      ] as const,
  ),
  [16, 35, 0.28],
  [14, 24, 0.28],
  [24, 70, 0.38],
  [24, 105, 0.45],
  [24, 120, 0.45],
  [70, 200, 1.1],
  [70, 200, 1],
  [100, 400, 1.2],
  [70, 300, 1.2],
  [18, 55, 0.28],
  [55, 250, 1],
  [18, 135, 0.42],
  [24, 240, 0.65],
  [150, 600, 2.6],
  [200, 600, 2.4],
  [28, 200, 0.6],
];

test('half of what is sold focuses within a fourth of the usual closest focus, nine in ten within 1.8', () => {
  const sorted = FOCUSES.map(([wide, long, m]) => {
    const usual = usualMinFocusM(aLens('l', wide, long, 4));
    return Math.max(usual / m, m / usual);
  }).sort((a, b) => a - b);
  expect(sorted[Math.floor(sorted.length / 2)]).toBeLessThan(1.25);
  expect(sorted[Math.floor(0.9 * sorted.length)]).toBeLessThan(1.8);
});
