import { type Frame, NOTHING_SPECIAL } from '@/core/brief';
import { byVerdict, conflictOf, filterStops, shortfallOf, verdictOn } from '@/core/coverage';
import { mountableSetups, type Setup } from '@/core/gear';
import {
  aBody,
  aConverter,
  aLens,
  anAdapter,
  aShelf,
  aTube,
  focalFrame,
  lightOf,
  personFrame,
  setupOf,
  someLimits,
} from '../../../tests/support/gear';

/** What a practitioner would sign, each worked by hand with D = f·(2 + m + 1/m) from the sensor. */

const LIMITS = someLimits();
const codeOf = (setup: Setup, frame: Frame, limits = LIMITS) =>
  verdictOn(setup, frame, limits).code;
const fromSensor = (focalM: number, m: number) => focalM * (2 + m + 1 / m);

/** Something `widthM` wide at `atM` that fills so much. */
const across = (widthM: number, atM: number, fill: object, change: Record<string, unknown> = {}) =>
  focalFrame('p', 50, 50, 'free', {
    need: {
      kind: 'subject',
      widthM,
      heightM: null,
      fromM: atM,
      toM: atM,
      fill,
      orientation: 'landscape',
      footing: 'free',
    },
    ...change,
  });
const pixels = (longPx: number, shortPx: number, cut = false) => ({
  kind: 'pixels',
  longPx,
  shortPx,
  cut,
});

describe('sharp', () => {
  const byOutput = someLimits({ circleOfConfusion: { kind: 'output' } });
  /** f-number that a family in two rows, 0.8 m apart and 4 m away, needs at 50 mm. */
  const rowsAt = (
    output: object,
    limits = byOutput,
    focalMm = 50,
    fill = { min: 0.6, max: 0.75 },
  ) => {
    const family = across(2, 4, fill, {
      depth: { sharp: { kind: 'rows', depthM: 0.8 }, blur: null },
      output,
    });
    const { margins } = verdictOn(
      setupOf([aLens('l', focalMm, focalMm, 1.4)]),
      family,
      limits,
    ).deciding;
    return margins.sharp!.fNumberNeeded;
  };
  // 50 mm at 4 m stands 3.9487 m before the lens: N = 2500·800 / (c·(2·3949·4749 − 50·8698)).
  const byHand = (cMm: number) => (2500 * 800) / (cMm * (2 * 3948.7 * 4748.7 - 50 * 8697.4));

  it('is two pixels of the output where it is stated, else the diagonal over 1500', () => {
    expect(rowsAt(pixels(6000, 4000))).toBeCloseTo(byHand(2 * (36 / 6000)), 2);
    expect(rowsAt(pixels(3000, 2000))).toBeCloseTo(byHand(2 * (36 / 3000)), 2);
    const print = { kind: 'print', longMm: 381, shortMm: 254, dpi: 300, cut: false };
    expect(rowsAt(print)).toBeCloseTo(byHand(2 * (36 / 4500)), 2);
    expect(rowsAt({ kind: 'uncropped' })).toBeCloseTo(byHand(43.267 / 1500), 2);
  });

  it('is f/4.5 for two rows where the diagonal says f/1.9, as settings still may', () => {
    expect(rowsAt(pixels(6000, 4000))).toBeCloseTo(4.49, 1);
    expect(rowsAt(pixels(6000, 4000), LIMITS)).toBeCloseTo(1.87, 2);
  });

  it('shrinks with the part of the sensor that is used', () => {
    // 35 mm at 4 m gives m = 0.008906: 17.81 mm of 36, so 60 % of the picture is a crop of 1.21.
    const whole = rowsAt({ kind: 'uncropped' }, LIMITS, 35, { min: 0.4, max: 0.5 });
    const cropped = rowsAt({ kind: 'uncropped' }, LIMITS, 35, { min: 0.6, max: 0.75 });
    expect(cropped / whole).toBeCloseTo((0.6 * 36) / 17.81, 3);
  });
});

it('a crop shortens what a hand holds still, as it magnifies the shake', () => {
  const seen = (fill: object) => {
    const frame = across(2, 4, fill, { light: lightOf(8, { support: 'hand' }) });
    return verdictOn(setupOf([aLens('l', 35, 35, 1.4)]), frame, LIMITS).deciding.margins;
  };
  const [whole, cropped] = [seen({ min: 0.4, max: 0.5 }), seen({ min: 0.6, max: 0.75 })];
  expect(whole.crop).toBe(1);
  expect(cropped.crop).toBeGreaterThan(1.1);
  expect(whole.light!.timeS).toBeCloseTo(1 / 35, 6);
  expect(cropped.light!.timeS).toBeCloseTo(1 / 35 / cropped.crop, 6);
});

describe('the shape of the picture', () => {
  /** Nearest that a 50 mm on 36×24 mm fits something 2 m wide into a picture of this shape. */
  const nearest = (output: object) => {
    const frame = across(2, 4, { min: 0.2, max: 1 }, { output });
    const held = {
      ...frame,
      need: { ...frame.need, fromM: 1, toM: 30, footing: 'held' },
    } as Frame;
    return verdictOn(setupOf([aLens('l', 50, 50, 2)]), held, LIMITS).covered[0]!.from;
  };

  it('is cut from the sensor first: a square is 24 mm wide, 16:9 all of 36', () => {
    expect(nearest(pixels(1000, 1000, true))).toBeCloseTo(fromSensor(0.05, 0.012), 9);
    expect(nearest(pixels(1600, 900, true))).toBeCloseTo(fromSensor(0.05, 0.018), 9);
    expect(nearest(pixels(1000, 1000))).toBeCloseTo(fromSensor(0.05, 0.018), 9);
  });

  it('is 20.25 mm high on 36×24 mm in 16:9', () => {
    const tall = personFrame('p', 1, 30, 'held', { output: pixels(1600, 900, true) });
    const [position] = verdictOn(setupOf([aLens('l', 50, 50, 2)]), tall, LIMITS).covered;
    expect(position!.from).toBeCloseTo(fromSensor(0.05, (0.9 * 20.25) / 1800), 9);
  });
});

describe('a frame-filling fisheye', () => {
  const filling = focalFrame('f', 15, 15, 'free', {
    need: { kind: 'fisheye', coverage: 'full-frame' },
  });
  const equisolid = (focalMm: number, body = aBody()) =>
    setupOf([aLens('l', focalMm, focalMm, 2.8, { projection: 'equisolid' })], [], [body]);
  const small = aBody({
    sensor: { widthMm: 23.5, heightMm: 15.6, pixelsWide: 6000, pixelsHigh: 4000 },
  });

  it('fills to its corners: a 15 mm is none on 23.5×15.6 mm, where corners are 112° apart', () => {
    // r = f·2·sin(θ/2): 14.1 mm of 2·15 is θ = 56°, twice that from corner to corner.
    expect(codeOf(equisolid(15), filling)).toBe('clear');
    expect(codeOf(equisolid(15, small), filling)).toBe('wrong-projection');
    // 10.2 mm: 2·2·asin(14.1 / 20.4) = 174.9°.
    expect(codeOf(equisolid(10.2, small), filling)).toBe('clear');
  });

  it('may leave 3 % of the diagonal, as nominal 15 mm do, and not 8 %', () => {
    // 2·√2·14 mm = 39.6 mm of 43.27.
    expect(codeOf(equisolid(14), filling)).toBe('wrong-projection');
  });
});

describe('marked figures', () => {
  const four = aBody({
    sensor: { widthMm: 17.3, heightMm: 13, pixelsWide: 5200, pixelsHigh: 3900 },
  });
  const on = (focalMm: number, wanted: number, needTolerancePercent: number) =>
    codeOf(
      setupOf([aLens('l', focalMm, focalMm, 2)], [], [four]),
      focalFrame('f', wanted, wanted, 'free'),
      someLimits({ needTolerancePercent, maxCrop: 1 }),
    );

  it('are met within the named tolerance, and no further', () => {
    // 43.267 / 21.640 = 1.9994: 25 mm count as 49.98.
    expect([on(25, 50, 2), on(500, 1000, 2)]).toEqual(['clear', 'clear']);
    expect(on(25, 50, 0)).toBe('not-long-enough');
    expect([on(24.4, 50, 2), on(25.6, 50, 2)]).toEqual(['not-long-enough', 'not-wide-enough']);
  });
});

it('focal lengths and angles are far away unless the frame says how near: a tube does the near alone', () => {
  const shelf = aShelf(
    [aLens('l', 50, 50, 2, { minFocusM: 0.45, maxMagnification: 0.15 })],
    [],
    [aBody()],
    { tubes: [aTube('t', 10)] },
  );
  const onTube = mountableSetups(shelf).find((s) => s.tubeId !== null)!;
  const angle = { kind: 'angle', fromDeg: 39.6, toDeg: 39.6, across: 'width', footing: 'free' };
  const focal = { kind: 'focal', fromMm: 50, toMm: 50, footing: 'free' };
  const at = (need: object, atM: number | null) =>
    codeOf(
      onTube,
      focalFrame('f', 50, 50, 'free', { need: { ...need, atM } }),
      someLimits({ needTolerancePercent: 0.1 }),
    );
  // (50 + 10)²/10 = 360 mm at the farthest.
  for (const need of [angle, focal])
    expect([at(need, null), at(need, 0.3), at(need, 0.4)]).toEqual([
      'no-infinity',
      'clear',
      expect.not.stringMatching('clear'),
    ]);
});

it('the angles of view that are told are those of a lens focused there', () => {
  const near = across(0.36, 0.45, { min: 0.1, max: 1 });
  const { angles, magnification } = verdictOn(setupOf([aLens('l', 50, 50, 2)]), near, LIMITS)
    .deciding.margins;
  // 50·(2 + m + 1/m) = 450 gives m = 0.1459: 2·atan(43.267 / (100·1.1459)) = 41.4°, 46.8° far away.
  expect(magnification).toBeCloseTo(0.1459, 4);
  expect(angles.haveWide).toBeCloseTo(41.37, 1);
});

describe('the nearest miss', () => {
  const person = personFrame('p', 3, 6, 'free', {
    light: lightOf(2.5, { longestTimeS: 1 / 125 }),
  });

  it('of a free picture is at the place with the fewest lacks, then the smallest', () => {
    // At 3 m a 20 mm frames the person: √(2^2.5·64/125) = 1.70, so f/2.8 is 1.4 stops too slow.
    const verdict = verdictOn(setupOf([aLens('l', 14, 24, 2.8)]), person, LIMITS);
    expect(verdict.code).toBe('too-slow');
    expect(verdict.deciding.margins.light!.stops).toBeCloseTo(-1.44, 1);
  });

  it('is a thread that lacks rather than a width', () => {
    const filtered = focalFrame('f', 20, 20, 'free', {
      special: { ...NOTHING_SPECIAL, frontFilter: true },
    });
    const on = (id: string, focalMm: number, frontThread: boolean) =>
      verdictOn(setupOf([aLens(id, focalMm, focalMm, 2, { frontThread })]), filtered, LIMITS);
    expect(byVerdict(on('bare', 20, false), on('long', 35, false))).toBeLessThan(0);
    expect(byVerdict(on('bare', 20, false), on('long', 400, true))).toBeLessThan(0);
  });
});

describe('a filter', () => {
  const filtered = focalFrame('f', 50, 50, 'free', {
    special: { ...NOTHING_SPECIAL, frontFilter: true },
  });
  const bare = aLens('l', 50, 50, 2, { frontThread: false, filterMm: 77 });

  it('goes into the adapter where that takes one, and not onto a lens said to have no thread', () => {
    const other = aBody({ mount: 'N' });
    const adapted = (dropInFilter: boolean | null) =>
      setupOf([bare], [], [other], { adapters: [anAdapter('a', { dropInFilter })] });
    expect(codeOf(setupOf([bare]), filtered)).toBe('no-filter');
    expect(codeOf(adapted(false), filtered)).toBe('no-filter');
    expect(codeOf(adapted(true), filtered)).toBe('clear');
  });

  it('is worked out from a shortest time: f/16 and ISO 100 in EV 12 is 1/16 s, a second 4 stops more', () => {
    const water = focalFrame('f', 50, 50, 'free', {
      light: lightOf(12, { shortestTimeS: 1 }),
    });
    expect(filterStops(water, { smallestFNumber: null })).toBeCloseTo(4, 9);
    expect(filterStops(water, { smallestFNumber: 22 })).toBeCloseTo(4, 9);
    expect(filterStops(water, { smallestFNumber: 8 })).toBeCloseTo(6, 9);
    expect(codeOf(setupOf([aLens('l', 50, 50, 2)]), water)).toBe('clear');
    expect(codeOf(setupOf([bare]), water)).toBe('no-filter');
  });

  it('does not help where a hand shakes first', () => {
    const blades = focalFrame('f', 50, 50, 'free', {
      light: lightOf(12, { shortestTimeS: 1, support: 'hand' }),
    });
    const verdict = verdictOn(setupOf([aLens('l', 50, 50, 2)]), blades, LIMITS);
    expect(shortfallOf(verdict)).toEqual({
      code: 'too-brief',
      shortestS: 1,
      timeS: expect.closeTo(1 / 50, 6),
    });
  });
});

describe('a grade of one’s own', () => {
  const asking = focalFrame('f', 70, 70, 'free', {
    special: { ...NOTHING_SPECIAL, leastGrade: 'good' },
  });
  const graded = (grade: string | null, converted: boolean) =>
    mountableSetups(
      aShelf([aLens('l', 50, 50, 2, { grade })], [aConverter('c', 1.4, ['l'])]),
    ).filter((s) => (s.converterId !== null) === converted)[0]!;

  it('is asked for at the least, and a converter costs one', () => {
    const plain = { ...asking, need: { ...asking.need, fromMm: 50, toMm: 50 } } as Frame;
    const bare = ['first-class', 'good', 'fair', null].map((g) => codeOf(graded(g, false), plain));
    expect(bare).toEqual(['clear', 'clear', 'below-grade', 'below-grade']);
    const longer = ['first-class', 'good'].map((g) => codeOf(graded(g, true), asking));
    expect(longer).toEqual(['clear', 'below-grade']);
  });
});

describe('figures that tell', () => {
  it('a depth that fights the light by more than a tenth of a stop', () => {
    const rows = (stops: number) =>
      across(
        2,
        4,
        { min: 0.7127, max: 0.75 },
        {
          depth: { sharp: { kind: 'rows', depthM: 0.8 }, blur: null },
          // N = √(2^EV · 64 / 100)·1/(1 + m) meets the f/1.87 of the rows at EV 2.49.
          light: lightOf(2.486 - stops, { longestTimeS: 1 / 100 }),
        },
      );
    const lens = setupOf([aLens('l', 50, 50, 1.4)]);
    expect(conflictOf(rows(0.05), [lens], someLimits({ maxCrop: 1 }))).toBeNull();
    expect(conflictOf(rows(0.2), [lens], someLimits({ maxCrop: 1 }))).toMatchObject({
      code: 'depth-against-light',
    });
  });

  it('what blur is had, and what is wanted', () => {
    const blurred = personFrame('p', 3, 3, 'free', {
      depth: { sharp: null, blur: { behindM: null, percent: 0.5 } },
    });
    const verdict = verdictOn(setupOf([aLens('l', 30, 30, 2)]), blurred, LIMITS);
    // 30 mm, 2.94 m before the lens: 900 / 2909 / 2 = 0.155 mm of 43.27.
    expect(shortfallOf(verdict)).toMatchObject({
      code: 'too-deep',
      wantedPercent: 0.5,
      havePercent: expect.closeTo(0.358, 2),
      fNumber: 2,
      neededFNumber: expect.closeTo(1.43, 1),
    });
  });
});
