import { setupOf } from '@/core/gear';
import { FULL_FRAME } from '@/core/optics';
import { aBody, aLens, personFrame, someLimits } from '../../../tests/support/gear';
import { marginsOf, pictureOf } from './picture';

const setup = (wide: number, long = wide, fNumber = 4) =>
  setupOf({
    body: aBody({ sensor: { ...FULL_FRAME, pixelsWide: 6000, pixelsHigh: 4000 } }),
    adapter: null,
    converter: null,
    tube: null,
    lens: aLens('l', wide, long, fNumber),
  });
const frame = personFrame('f', 5, 10, 'free');

/** Horizontal and vertical angles of view on 36×24 mm, degrees. Source: handbook tables, from memory. */
test.each([
  [24, 73.7, 53.1],
  [35, 54.4, 37.8],
  [50, 39.6, 27.0],
  [85, 23.9, 16.1],
  [200, 10.3, 6.9],
])('%i mm takes in %f° by %f° at infinity', (focalMm, across, down) => {
  const { sides } = pictureOf(setup(focalMm), frame, 'landscape', focalMm, null);
  const angle = (side: number) => (2 * Math.atan(side / 2) * 180) / Math.PI;
  expect(Math.abs(angle(sides.width) - across)).toBeLessThan(0.06);
  expect(Math.abs(angle(sides.height) - down)).toBeLessThan(0.06);
});

test('a subject that a focal length is said to fill to the least fills it so', () => {
  for (const x of [5, 7, 10]) {
    const margins = marginsOf(setup(24, 200), frame, someLimits(), x);
    const { orientation, focalNeeded } = margins;
    const least = pictureOf(setup(24, 200), frame, orientation, focalNeeded.wideMm, x);
    const most = pictureOf(setup(24, 200), frame, orientation, focalNeeded.longMm, x);
    const { fill } = frame.need as Extract<typeof frame.need, { kind: 'subject' }>;
    expect(least.fill).toBeCloseTo(fill.min, 9);
    expect(most.fill).toBeCloseTo(fill.max, 9);
  }
});

test('a crop narrows the picture, fills it more, blurs it more and leaves its share of pixels', () => {
  const whole = pictureOf(setup(100), frame, 'landscape', 100, 8);
  const cropped = pictureOf(setup(100), frame, 'landscape', 100, 8, 2);
  expect(cropped.sides.width).toBeCloseTo(whole.sides.width / 2, 12);
  expect(cropped.fill).toBeCloseTo((whole.fill ?? 0) * 2, 12);
  expect(cropped.blurPercent).toBeCloseTo((whole.blurPercent ?? 0) * 2, 12);
  expect([whole.megapixels, cropped.megapixels]).toEqual([24, 6]);
});

test('blur at infinity is f² / (N · (s − f)), by hand for 100 mm, f/4, 8 m', () => {
  const { blurPercent } = pictureOf(setup(100), frame, 'landscape', 100, 8);
  // 8 m from the sensor: 2 + m + 1/m = 80, m = 0.012826…, and the subject 8000/(1 + m) from the lens.
  const m = (78 - Math.sqrt(78 * 78 - 4)) / 2;
  const discMm = 100 ** 2 / 4 / (8000 / (1 + m) - 100);
  expect(blurPercent).toBeCloseTo((100 * discMm) / Math.hypot(36, 24), 9);
});

test('held upright the sides change places', () => {
  const upright = pictureOf(setup(50), frame, 'portrait', 50, 8).sides;
  const level = pictureOf(setup(50), frame, 'landscape', 50, 8).sides;
  expect([upright.width, upright.height]).toEqual([level.height, level.width]);
});
