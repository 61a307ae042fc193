import { type Frame, needAxis } from '@/core/brief';
import { setupOf } from '@/core/gear';
import { dayPhase, FULL_FRAME } from '@/core/optics';
import {
  aBody,
  aConverter,
  aLens,
  focalFrame,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';
import { coveredPositions, frameSpan } from '.';
import { demandOf } from './demand';
import { flashRatio, timesAt } from './exposure';

/** Single figures worked out by hand, each of which a slip in one formula would change. */

const mounted = (lens: ReturnType<typeof aLens>, converter = null as never) =>
  setupOf({
    body: aBody({ sensor: { ...FULL_FRAME, pixelsWide: 6000, pixelsHigh: 4000 } }),
    adapter: null,
    converter,
    tube: null,
    lens,
  });

test('a flash reaches half as far at life size: the light spreads over f/(2N)', () => {
  const ratio = (magnification: number) =>
    flashRatio({ flashReach: 40 } as never, 4, { distanceM: 5, magnification });
  // (40 / (4 · 5))² = 4, and a quarter of it with N · (1 + 1).
  expect([ratio(0), ratio(1)]).toEqual([4, 1]);
});

test('a smear that is a share of the picture may be half as long after a crop of 2', () => {
  const movement = (blur: object): Frame['light'] =>
    ({
      ...personFrame('f', 10, 10, 'free').light,
      source: { kind: 'ev', ev100: 10 },
      movement: { speedMps: 1, direction: 'across', blur },
    }) as never;
  const allowed = (blur: object, crop: number) => {
    const frame = { ...personFrame('f', 10, 10, 'free'), light: movement(blur) };
    const { light } = demandOf(mounted(aLens('l', 100, 100, 4)), frame, someLimits());
    return timesAt(light!, { focalMm: 100, magnification: 0.01, crop }).movement;
  };
  const share = { kind: 'share', percent: 1 };
  const pixels = { kind: 'pixels', px: 4 };
  // 1 m/s at 0.01 is 10 mm/s on the sensor; 1 % of 36 mm takes 36 ms, of half of it 18 ms.
  expect([allowed(share, 1), allowed(share, 2)]).toEqual([
    expect.closeTo(0.036, 9),
    expect.closeTo(0.018, 9),
  ]);
  // Four pixels of 6 µm take 2.4 ms whatever is cut off.
  expect([allowed(pixels, 1), allowed(pixels, 2)]).toEqual([
    expect.closeTo(0.0024, 9),
    expect.closeTo(0.0024, 9),
  ]);
});

test('the span of a free focal length has the tolerance at both ends', () => {
  const limits = someLimits({ needTolerancePercent: 2 });
  const span = frameSpan(focalFrame('f', 50, 100, 'free'), mounted(aLens('l', 50, 50, 2)), limits);
  expect(span.range.from).toBeCloseTo(50, 6);
  expect(span.range.to).toBeCloseTo(100, 6);
});

test.each([
  [15.02, 165, true],
  [15.99, 155, false],
])('a fisheye of %f mm, %i° from corner to corner, fills the frame: %s', (mm, _, fills) => {
  const lens = aLens('l', mm, mm, 2.8, { projection: 'equidistant' });
  const frame = {
    ...focalFrame('f', 50, 50, 'free'),
    need: { kind: 'fisheye', coverage: 'full-frame' },
  } as unknown as Frame;
  expect(needAxis(frame.need).range.from).toBeDefined();
  expect(coveredPositions(mounted(lens), frame, someLimits()).length > 0).toBe(fills);
});

test('a doubler doubles the smallest aperture too, and a small image circle has its share of pixels', () => {
  const lens = aLens('l', 100, 100, 4, { smallestFNumber: 16 });
  expect(mounted(lens, aConverter('c', 2, ['l']) as never).smallestFNumber).toBe(32);
  const half = aLens('l', 20, 20, 4, { imageCircleMm: Math.hypot(18, 12) });
  expect(mounted(half).pixels).toMatchObject({ longPx: 3000, shortPx: 2000 });
});

test.each([
  [6.1, 'day'],
  [-0.8, 'goldenHour'],
  [-5.9, 'civilTwilight'],
  [-6.1, 'nauticalTwilight'],
  [-12.1, 'astronomicalTwilight'],
  [-18.1, 'night'],
])('with the sun at %f° it is %s', (altitude, phase) => expect(dayPhase(altitude)).toBe(phase));
