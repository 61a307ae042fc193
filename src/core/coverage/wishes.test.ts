import { type Frame, withProfile } from '@/core/brief';
import { conflictOf, shortfallOf, verdictOn } from '@/core/coverage';
import { mountableSetups, type Setup } from '@/core/gear';
import {
  aBody,
  aLens,
  aShelf,
  aTube,
  focalFrame,
  lightOf,
  personFrame,
  setupOf,
  someLimits,
} from '../../../tests/support/gear';

/** Wishes besides range and light, each worked by hand with the thin lens. */

const LIMITS = someLimits();
const special = (change: object) => ({
  special: {
    magnification: null,
    perspectiveControl: false,
    frontFilter: false,
    autofocus: false,
    sealed: false,
    leastGrade: null,
    ...change,
  },
});
const fisheye = (coverage: string): Frame =>
  ({ ...focalFrame('f', 15, 15, 'free'), need: { kind: 'fisheye', coverage } }) as Frame;
const codeOf = (setup: Setup, frame: Frame) => verdictOn(setup, frame, LIMITS).code;

describe('depth', () => {
  // 50 mm at 4 m from the sensor is 3.9487 m from the lens (m = 0.01298… of f·(2 + m + 1/m) = 4 m); two rows
  // 0.8 m apart, c = 43.27/1500 = 0.02884 mm: N = 2500·800 / (0.02884·(2·3949·4749 − 50·8698)) = 1.870.
  const rows = (ev: number) =>
    personFrame('p', 4, 4, 'free', {
      need: {
        kind: 'subject',
        widthM: 2,
        heightM: null,
        fromM: 4,
        toM: 4,
        fill: { min: 0.6, max: 0.75 },
        orientation: 'landscape',
        footing: 'free',
      },
      depth: { sharp: { kind: 'rows', depthM: 0.8 }, blur: null },
      light: lightOf(ev, { longestTimeS: 1 / 100 }),
    });
  const lens = aLens('l', 50, 50, 1.4);

  it('asks for the f-number that makes the rows sharp, and the light for that', () => {
    const { margins } = verdictOn(setupOf([lens]), rows(10), LIMITS).deciding;
    expect(margins.sharp?.fNumberNeeded).toBeCloseTo(1.87, 3);
    expect(margins.light?.fNumber).toBeCloseTo(1.87, 3);
    expect(codeOf(setupOf([lens]), rows(10))).toBe('clear');
  });

  it('is too shallow where the light allows the lens but not the depth', () => {
    // EV 1.6, 1/100 s, ISO 6400: N = √(2^1.6·64/100) = 1.393, less 1 + m = 1.0127 close up.
    const verdict = verdictOn(setupOf([lens]), rows(1.6), LIMITS);
    expect(verdict.code).toBe('too-shallow');
    expect(shortfallOf(verdict)).toMatchObject({ lightFNumber: expect.closeTo(1.3755, 3) });
  });

  it('is a conflict of the frame when no lens can solve it, with the ways out', () => {
    const conflict = conflictOf(rows(0), [setupOf([lens])], LIMITS);
    expect(conflict).toMatchObject({ code: 'depth-against-light', supportHelps: false });
    expect(conflictOf(rows(10), [setupOf([lens])], LIMITS)).toBeNull();
  });

  it('is too shallow where the lens does not stop down so far', () => {
    const near = focalFrame('f', 85, 85, 'free', {
      depth: { sharp: { kind: 'zone', fromM: 5, toM: null }, blur: null },
    });
    // N = 85² / (0.02884·(10 000 − 85)) = 25.3.
    expect(codeOf(setupOf([aLens('l', 85, 85, 2, { smallestFNumber: 16 })]), near)).toBe(
      'too-shallow',
    );
    expect(codeOf(setupOf([aLens('l', 85, 85, 2, { smallestFNumber: 32 })]), near)).toBe('clear');
  });

  it('is too deep where the blur is not had at the widest f-number', () => {
    const blurred = personFrame('p', 3, 3, 'free', {
      depth: { sharp: null, blur: { behindM: null, percent: 0.5 } },
    });
    // 30 mm at 3 m: f²/N/(s − f) = 900/2970/2 = 0.152 mm, at 35 mm and f/1.8 0.230 mm;
    // half a percent of 43.27 mm is 0.216 mm.
    expect(codeOf(setupOf([aLens('l', 30, 30, 2)]), blurred)).toBe('too-deep');
    expect(codeOf(setupOf([aLens('l', 30, 35, 1.8)]), blurred)).toBe('clear');
  });
});

describe('tubes', () => {
  it('come nearer and lose the far: (f + e)²/e at the most, f·(2 + m + 1/m) at m = m0 + e/f at the least', () => {
    const small = personFrame('p', 0.05, 3, 'held', {
      need: {
        kind: 'subject',
        widthM: null,
        heightM: 0.05,
        fromM: 0.05,
        toM: 3,
        fill: { min: 0.005, max: 2 },
        orientation: 'landscape',
        footing: 'held',
      },
    });
    const shelf = aShelf(
      [aLens('l', 50, 50, 2, { minFocusM: 0.45, maxMagnification: 0.15 })],
      [],
      [aBody()],
      {
        tubes: [aTube('t', 25)],
      },
    );
    const withTube = mountableSetups(shelf).find((s) => s.tubeId !== null)!;
    const [position] = verdictOn(withTube, small, LIMITS).covered;
    expect(position?.from).toBeCloseTo(0.05 * (2 + 0.65 + 1 / 0.65), 9);
    expect(position?.to).toBeCloseTo(0.075 ** 2 / 0.025, 9);
    const far = verdictOn(withTube, personFrame('p', 5, 5, 'free'), LIMITS);
    expect(shortfallOf(far)).toMatchObject({
      code: 'too-far-for-tube',
      farthestM: expect.closeTo(0.225, 9),
    });
  });
});

describe('special wishes', () => {
  const plain = focalFrame('f', 50, 50, 'free');
  const lens = (change: Record<string, unknown>) => setupOf([aLens('l', 50, 50, 2, change)]);

  it.each([
    ['autofocus', { autofocus: false }, 'no-autofocus'],
    ['frontFilter', { frontThread: false }, 'no-filter'],
    ['perspectiveControl', { shift: false }, 'no-perspective-control'],
    ['sealed', { sealed: false }, 'not-sealed'],
  ])('%s bars a lens that does not', (wish, gear: Record<string, unknown>, code) => {
    const wishing = { ...plain, ...special({ [wish]: true }) } as Frame;
    expect(codeOf(lens(gear), wishing)).toBe(code);
    expect(codeOf(lens(gear), plain)).toBe('clear');
  });

  it('autofocus stops at the body’s limit', () => {
    const body = aBody({ autofocusLimitFNumber: 5.6 });
    const wishing = { ...plain, ...special({ autofocus: true }) } as Frame;
    expect(codeOf(setupOf([aLens('l', 50, 50, 6.3)], [], [body]), wishing)).toBe('autofocus-limit');
    expect(codeOf(setupOf([aLens('l', 50, 50, 5.6)], [], [body]), wishing)).toBe('clear');
  });

  it('a fisheye and a rectilinear lens never stand in for each other', () => {
    const circular = lens({ projection: 'equisolid', focal: { wideMm: 8, longMm: 8 } });
    const filling = lens({ projection: 'equisolid', focal: { wideMm: 15, longMm: 15 } });
    expect([circular, filling].map((s) => codeOf(s, fisheye('circular')))).toEqual([
      'clear',
      'wrong-projection',
    ]);
    expect([circular, filling].map((s) => codeOf(s, fisheye('full-frame')))).toEqual([
      'wrong-projection',
      'clear',
    ]);
    expect(codeOf(filling, focalFrame('f', 15, 15, 'free'))).toBe('wrong-projection');
    expect(codeOf(lens({}), fisheye('full-frame'))).toBe('wrong-projection');
  });

  it('a magnification on the sensor is not helped by cropping, and may overfill', () => {
    const ring = personFrame('p', 0.1, 1, 'free', {
      need: {
        kind: 'subject',
        widthM: 0.03,
        heightM: null,
        fromM: 0.1,
        toM: 1,
        fill: { min: 0.3, max: 1 },
        orientation: 'landscape',
        footing: 'free',
      },
      ...special({ magnification: 1 }),
      output: { kind: 'pixels', longPx: 3000, shortPx: 2000, cut: false },
    });
    const macro = (most: number) => setupOf([aLens('l', 90, 90, 2.8, { maxMagnification: most })]);
    expect(codeOf(macro(1), ring)).toBe('clear');
    expect(codeOf(macro(0.8), ring)).toBe('too-close');
    const too = { ...ring, ...special({ magnification: 1.5 }) } as Frame;
    expect(conflictOf(too, [macro(2)], LIMITS)).toMatchObject({
      code: 'magnification-against-fill',
      largestByFill: expect.closeTo(1.2, 9),
    });
  });
});

describe('flash and movement', () => {
  it('a flash lights as far as its guide number, whatever the time', () => {
    // GN 30 at ISO 6400 is 240: f/4 reaches 60 m.
    const lit = (m: number) =>
      personFrame('p', m, m, 'free', {
        light: lightOf(-5, { longestTimeS: 1 / 250, flash: { guideNumberM: 30 } }),
      });
    const lens = setupOf([aLens('l', 24, 1000, 4)]);
    expect(codeOf(lens, lit(55))).toBe('clear');
    expect(codeOf(lens, lit(70))).toBe('too-slow');
  });

  it('a runner across is frozen by the time that the smear allows', () => {
    // m = 1/150 at the loosest framing; 3 m/s smears 20 mm/s; 3 px of 6 µm allow 0.9 ms.
    const frame = personFrame('p', 10, 10, 'free', {
      light: lightOf(10, {
        movement: { speedMps: 3, direction: 'across', blur: { kind: 'pixels', px: 3 } },
      }),
    });
    const { light } = verdictOn(setupOf([aLens('l', 24, 200, 2.8)]), frame, LIMITS).deciding
      .margins;
    expect(light?.timeRule).toBe('movement');
    expect(light?.timeS).toBeCloseTo(0.018 / 3000 / 0.0066667, 3);
  });

  it('stars are held to their trail, more loosely near the pole', () => {
    const sky = (declinationDeg: number) =>
      focalFrame('f', 24, 24, 'free', {
        light: lightOf(-6.5, { stars: { declinationDeg, trailPx: 3 } }),
      });
    const timeAt = (declinationDeg: number) =>
      verdictOn(setupOf([aLens('l', 24, 24, 1.4)]), sky(declinationDeg), LIMITS).deciding.margins
        .light?.timeS ?? 0;
    // 3 px of 6 µm: 0.018 / (24 · 7.2921e-5) = 10.28 s at the equator.
    expect(timeAt(0)).toBeCloseTo(10.285, 2);
    expect(timeAt(60)).toBeCloseTo(20.57, 2);
  });
});

test('a school changes what is preferred and allowed, nothing else', () => {
  const before = someLimits({ isoCeiling: 1600, lockedIn: ['x'] });
  const after = withProfile(before, 'smallFastPrimes');
  expect(after).toMatchObject({ lensKinds: 'primes', isoCeiling: 1600, lockedIn: ['x'] });
  expect(after.order[0]).toBe('speed');
});
