import { NOTHING_SPECIAL } from '@/core/brief';
import { verdictOn } from '@/core/coverage';
import { mountableSetups } from '@/core/gear';
import { equivalentRange, gapsOf } from '@/core/lineup';
import * as optics from '@/core/optics';
import { aBody, aConverter, aLens, aShelf, focalFrame, lightOf, someLimits } from '../support/gear';

/** Trade facts, each common practice without a single source unless the row says otherwise. */

const CROP_2 = { widthMm: 17.3, heightMm: 13 };
const CROP_15 = { widthMm: 23.5, heightMm: 15.6 };

test.each([
  // lens wide, long, f, factor → wide, long, marked f
  [300, 300, 2.8, 2, 600, 600, 5.6],
  [600, 600, 4, 1.4, 840, 840, 5.6],
  [70, 200, 2.8, 2, 140, 400, 5.6],
  [150, 400, 4.5, 1.25, 187.5, 500, 5.6],
])(
  'a converter: %d–%d f/%d with %d becomes %d–%d f/%d (common practice, no source)',
  (wide, long, f, factor, toWide, toLong, toF) => {
    const setups = mountableSetups(
      aShelf([aLens('l', wide, long, f)], [aConverter('c', factor, ['l'])]),
    );
    const converted = setups.find((s) => s.converterId !== null)!;
    expect(converted.focal.wideMm).toBeCloseTo(toWide, 9);
    expect(converted.focal.longMm).toBeCloseTo(toLong, 9);
    expect(optics.markedFNumber(converted.fNumberAt(toLong))).toBe(toF);
  },
);

test.each([
  [CROP_2, 12, 24],
  [CROP_2, 30, 60],
  [CROP_2, 75, 150],
  [CROP_2, 300, 600],
  [CROP_2, 150, 300],
  [CROP_2, 400, 800],
  [CROP_15, 16, 24],
  [CROP_15, 55, 82],
  [CROP_15, 50, 75],
  [CROP_15, 140, 210],
  [CROP_15, 10, 15],
  [CROP_15, 24, 36],
  [CROP_15, 23, 35],
  [CROP_15, 35, 50],
  [CROP_15, 60, 90],
  [CROP_15, 56, 85],
])(
  '%j: %d mm acts as about %d mm (common practice, no source; trade figures are rounded)',
  (sensor, focal, equivalent) => {
    const [setup] = mountableSetups(
      aShelf(
        [aLens('l', focal, focal, 2.8)],
        [],
        [aBody({ sensor: { ...sensor, pixelsWide: null, pixelsHigh: null } })],
      ),
    );
    expect(Math.abs(equivalentRange(setup!).from / equivalent - 1)).toBeLessThan(0.08);
  },
);

test('16–35, 70–200 and 400 leave 35–70 and 200–400 open, each a 2× crop that keeps a quarter (common practice, no source)', () => {
  const setups = mountableSetups(
    aShelf([aLens('a', 16, 35, 4), aLens('b', 70, 200, 4), aLens('c', 400, 400, 4)]),
  );
  const gaps = gapsOf(setups, [], new Map(), someLimits());
  expect(gaps.map((g) => [g.range.from, g.range.to, g.crop, optics.fractionLeft(g.crop)])).toEqual([
    [35, 70, 2, 0.25],
    [200, 400, 2, 0.25],
  ]);
});

test('f/2.5 at 1/500 s equals f/2.8 at 1/400 s within a tenth of a stop (common practice, no source)', () => {
  const ev = (fNumber: number, timeS: number) => optics.ev100Of({ fNumber, timeS, iso: 100 });
  expect(Math.abs(ev(2.5, 1 / 500) - ev(2.8, 1 / 400))).toBeLessThan(0.1);
});

test.each([
  ['an arena at f/2.8, 1/400 s, ISO 1600', { fNumber: 2.8, timeS: 1 / 400, iso: 1600 }, 7.6],
  [
    'a very dark indoor ride at f/1.4, 1/55 s, ISO 6400',
    { fNumber: 1.4, timeS: 1 / 55, iso: 6400 },
    0.7,
  ],
])('%s is about that EV (common practice, no source)', (_, setting, ev) => {
  expect(Math.abs(optics.ev100Of(setting) - ev)).toBeLessThan(0.1);
});

test('85 mm at 1/4 s by hand is about four and a half stops of stabilisation (common practice, no source)', () => {
  expect(Math.log2(1 / 4 / optics.handheldTimeS(85, 1, 0))).toBeCloseTo(4.4, 1);
});

test('a 1.4 converter costs about one stop, a 2.0 two (Ray, Applied Photographic Optics, from memory)', () => {
  const loss = (factor: number) => {
    const shelf = aShelf([aLens('l', 200, 200, 2.8)], [aConverter('c', factor, ['l'])]);
    const setup = mountableSetups(shelf).find((s) => s.converterId !== null)!;
    return optics.stopsBetween(2.8, setup.fNumberAt(setup.focal.longMm));
  };
  expect(loss(1.4)).toBeCloseTo(1, 1);
  expect(loss(2)).toBeCloseTo(2, 9);
});

test('exposure f-number and depth-of-field f-number are kept apart', () => {
  // The same light, time and ISO: as many stops to spare at f/2.8 on either format, but on the smaller
  // one f/2.8 makes as much sharp as f/5.6 does on 36×24.
  const margins = (sensor: object, focal: number) => {
    const body = aBody({ sensor: { pixelsWide: 6000, pixelsHigh: 4000, ...sensor } });
    const [setup] = mountableSetups(aShelf([aLens('l', focal, focal, 2.8)], [], [body]));
    const frame = focalFrame('f', 50, 50, 'free', {
      light: lightOf(8, { longestTimeS: 1 / 250 }),
      depth: { sharp: { kind: 'zone', fromM: 4, toM: null }, blur: null },
    });
    return verdictOn(setup!, frame, someLimits()).deciding.margins;
  };
  const [large, small] = [margins(optics.FULL_FRAME, 50), margins(CROP_2, 25)];
  expect(small.light!.stops + 2 * Math.log2(small.light!.fNumber)).toBeCloseTo(
    large.light!.stops + 2 * Math.log2(large.light!.fNumber),
    9,
  );
  expect(large.sharp!.fNumberNeeded / small.sharp!.fNumberNeeded).toBeCloseTo(2, 1);
});

test('a lens that stops at f/6.3 loses autofocus on a body that focuses to f/5.6 (common practice, no source)', () => {
  const frame = focalFrame('f', 300, 300, 'free', {
    special: { ...NOTHING_SPECIAL, autofocus: true },
  });
  const code = (limit: number) => {
    const body = aBody({ autofocusLimitFNumber: limit });
    const [setup] = mountableSetups(aShelf([aLens('l', 150, 600, 6.3)], [], [body]));
    return verdictOn(setup!, frame, someLimits()).code;
  };
  expect([code(5.6), code(8)]).toEqual(['autofocus-limit', 'clear']);
});

test.each([24, 28])(
  'a landscape from one metre to the horizon at %d mm wants about f/11 to f/16 (common practice, no source)',
  (focal) => {
    const coc = optics.circleOfConfusionMm(optics.FULL_FRAME);
    const marked = optics.markedFNumber(optics.fNumberForDepth(focal, coc, 1000, Infinity));
    expect(marked).toBeGreaterThanOrEqual(10);
    expect(marked).toBeLessThanOrEqual(16);
    // Focused at twice the nearest distance: the hyperfocal distance.
    expect(optics.focusForDepthMm(1000, Infinity)).toBe(2000);
  },
);

test('a night sky wants f/2.8 or faster: 20 mm by the rule of 500, ISO 3200, EV −6.5 (common practice, no source)', () => {
  const time = optics.ruleOf500S(20, 1);
  expect(time).toBe(25);
  expect(optics.markedFNumber(optics.slowestFNumber(-6.5, time, 3200))).toBeCloseTo(2.8, 1);
});

test('a circular fisheye is about 8 mm on 36×24, a frame-filling one about 15 (common practice, no source)', () => {
  expect(optics.fisheyeImageCircleMm('equisolid', 8, 180)).toBeLessThanOrEqual(24);
  const circle = optics.fisheyeImageCircleMm('equisolid', 15, 180);
  expect(circle / optics.sideMm(optics.FULL_FRAME, 'diagonal')).toBeGreaterThan(0.97);
});
