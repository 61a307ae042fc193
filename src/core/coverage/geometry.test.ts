import { type Frame, framings } from '@/core/brief';
import { coveredPositions, frameSpan, shortfallOf, verdictOn } from '@/core/coverage';
import { type Body, mountableSetups, type Setup } from '@/core/gear';
import { cropFactor, FULL_FRAME } from '@/core/optics';
import {
  aBody,
  aLens,
  aShelf,
  focalFrame,
  lightOf,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';

/** Worked by hand with the thin lens: m = fill / (subject side / sensor side), D = f·(2 + m + 1/m). */
const from = (focalM: number, m: number) => focalM * (2 + m + 1 / m);

const LIMITS = someLimits();
const FOUR_THIRDS = aBody({
  id: 'ft',
  sensor: { widthMm: 17.3, heightMm: 13, pixelsWide: 5184, pixelsHigh: 3888 },
});
const setupOf = (lens: ReturnType<typeof aLens>, body: Body = aBody()): Setup =>
  mountableSetups(aShelf([lens], [], [body]))[0]!;
const needing = (need: object, change: object = {}): Frame =>
  ({ ...focalFrame('f', 50, 50, 'free'), need, ...change }) as Frame;
const subject = (change: object) =>
  needing({
    kind: 'subject',
    widthM: null,
    heightM: 1.8,
    fromM: 1,
    toM: 100,
    fill: { min: 0.5, max: 0.9 },
    orientation: 'landscape',
    footing: 'held',
    ...change,
  });
const PIXELS = { output: { kind: 'pixels', longPx: 4000, shortPx: 2600, cut: false } };

describe('the places that a lens makes', () => {
  const near = (fill: number, side = 24, size = 1800) => from(0.05, (fill * side) / size);

  it('run from the fullest framing to the loosest', () => {
    const [position] = coveredPositions(setupOf(aLens('l', 50, 50, 2)), subject({}), LIMITS);
    expect(position?.from).toBeCloseTo(near(0.9), 12);
    expect(position?.to).toBeCloseTo(near(0.5), 12);
  });

  it('are two apart when portrait and landscape do not meet, and one when they do', () => {
    const lens = aLens('l', 50, 50, 2);
    const apart = coveredPositions(
      setupOf(lens),
      subject({ orientation: 'either', fill: { min: 0.7, max: 0.8 } }),
      LIMITS,
    );
    expect(apart.map((p) => [p.from, p.to].map((x) => Number(x.toFixed(4))))).toEqual(
      [
        [near(0.8), near(0.7)].map((x) => Number(x.toFixed(4))),
        [near(0.8, 36), near(0.7, 36)].map((x) => Number(x.toFixed(4))),
      ].sort((a, b) => a[0]! - b[0]!),
    );
    expect(
      coveredPositions(setupOf(lens), subject({ orientation: 'either' }), LIMITS),
    ).toHaveLength(1);
  });

  it('go by the tighter side where both sides are given', () => {
    // 3 m by 1 m: the width rules in landscape, 3000/36 against 1000/24.
    const [position] = coveredPositions(
      setupOf(aLens('l', 50, 50, 2)),
      subject({ widthM: 3, heightM: 1 }),
      LIMITS,
    );
    expect(position?.from).toBeCloseTo(near(0.9, 36, 3000), 12);
  });

  it('go by the real sides of the sensor, not by a crop factor', () => {
    const [position] = coveredPositions(
      setupOf(aLens('l', 25, 25, 2), FOUR_THIRDS),
      subject({}),
      LIMITS,
    );
    expect(position?.from).toBeCloseTo(from(0.025, (0.9 * 13) / 1800), 12);
    const [byWidth] = coveredPositions(
      setupOf(aLens('l', 25, 25, 2), FOUR_THIRDS),
      subject({ widthM: 2, heightM: null }),
      LIMITS,
    );
    expect(byWidth?.from).toBeCloseTo(from(0.025, (0.9 * 17.3) / 2000), 12);
  });

  it('stretch by the crop that the pixels and the person allow', () => {
    const lens = aLens('l', 50, 50, 2);
    const to = (maxCrop: number, body = aBody()) =>
      coveredPositions(setupOf(lens, body), { ...subject({}), ...PIXELS } as Frame, {
        ...LIMITS,
        maxCrop,
      })[0]?.to;
    expect(to(1.3)).toBeCloseTo(from(0.05, 12 / 1800 / 1.3), 12);
    expect(to(3)).toBeCloseTo(from(0.05, 12 / 1800 / 1.5), 12);
    const unknown = aBody({
      sensor: { widthMm: 36, heightMm: 24, pixelsWide: null, pixelsHigh: null },
    });
    expect(to(3, unknown)).toBeCloseTo(from(0.05, 12 / 1800), 12);
  });

  it('begin at the closest focus, which is marked from the sensor', () => {
    const small = subject({ heightM: 0.1, fromM: 0.05, toM: 3, fill: { min: 0.01, max: 1 } });
    const [position] = coveredPositions(
      setupOf(aLens('l', 50, 50, 2, { minFocusM: 0.5 })),
      small,
      LIMITS,
    );
    expect(position?.from).toBeCloseTo(0.5, 12);
  });

  it('keep the stated magnification down to the closest focus, nearer than a thin lens comes', () => {
    const ring = subject({ heightM: 0.02, fromM: 0.05, toM: 3, fill: { min: 0.01, max: 1.5 } });
    const macro = setupOf(aLens('l', 90, 90, 2.8, { minFocusM: 0.28, maxMagnification: 1 }));
    expect(coveredPositions(macro, ring, LIMITS)[0]?.from).toBeCloseTo(0.28, 12);
    // At 0.3 m, nearer than 4f, it is still 1:1 and the picture 24 mm high, not less.
    const half = subject({ heightM: 0.02, fromM: 0.3, toM: 0.3, fill: { min: 0.3, max: 0.5 } });
    expect(coveredPositions(macro, half, LIMITS)).toEqual([]);
    const unstated = setupOf(aLens('l', 90, 90, 2.8, { maxMagnification: 0.5 }));
    expect(coveredPositions(unstated, ring, LIMITS)[0]?.from).toBeCloseTo(from(0.09, 0.5), 12);
  });

  it('take the stated magnification at closest focus where a thin lens would have less', () => {
    // 24 mm at 0.14 m is a thin lens's 0.28; stated is 0.5, which fills 36 mm with 72 mm.
    const close = setupOf(aLens('l', 24, 24, 3.5, { minFocusM: 0.14, maxMagnification: 0.5 }));
    const flower = (fromM: number, toM: number) =>
      subject({ widthM: 0.072, heightM: null, fromM, toM, fill: { min: 0.9, max: 1 } });
    const free = (frame: Frame) =>
      ({ ...frame, need: { ...frame.need, footing: 'free' } }) as Frame;
    expect(coveredPositions(close, free(flower(0.12, 0.2)), LIMITS)).toEqual([
      { from: 0.14, to: 0.14 },
    ]);
    expect(verdictOn(close, free(flower(0.12, 0.2)), LIMITS)).toMatchObject({
      code: 'clear',
      deciding: { margins: { magnification: expect.closeTo(0.45, 9), crop: 1 } },
    });
    expect(coveredPositions(close, free(flower(0.15, 0.2)), LIMITS)).toEqual([]);
    const five = setupOf(aLens('l', 25, 25, 2.8, { minFocusM: 0.17, maxMagnification: 5 }));
    const ant = subject({
      widthM: 0.009,
      heightM: null,
      fromM: 0.15,
      toM: 0.2,
      fill: { min: 0.7, max: 1 },
    });
    expect(verdictOn(five, free(ant), LIMITS).code).toBe('clear');
    expect(verdictOn(five, free(ant), LIMITS).deciding.margins.magnification).toBeCloseTo(2.8, 9);
  });

  it('let a zoom come nearer at the end that focuses nearer', () => {
    const head = subject({ heightM: 0.4, fromM: 0.3, toM: 5, fill: { min: 0.2, max: 0.9 } });
    const zoom = setupOf(aLens('l', 70, 200, 2.8, { minFocusM: 1 }));
    const thin = (f: number, d: number) => {
      const sum = d / f - 2;
      return (sum - Math.sqrt(sum * sum - 4)) / 2;
    };
    const bySearch = [...Array(20001).keys()]
      .map((i) => 0.5 + i * 0.0001)
      .find((d) =>
        [...Array(131).keys()]
          .map((i) => (70 + i) / 1000)
          .some((f) => d >= 1 && (thin(f, d) * 400) / 24 >= 0.2 && (thin(f, d) * 400) / 24 <= 0.9),
      );
    expect(Math.abs(coveredPositions(zoom, head, LIMITS)[0]!.from - bySearch!)).toBeLessThan(0.002);
  });
});

describe('needs given otherwise', () => {
  it('take a far subject by its angle, and the loosest framing by crop', () => {
    const skyline = needing({
      kind: 'far',
      widthDeg: 70,
      heightDeg: null,
      fill: { min: 0.9, max: 1 },
      orientation: 'landscape',
    });
    // f = fill · 36 / (2·tan 35°): 23.1 to 25.7 mm.
    const code = (focal: number) =>
      verdictOn(setupOf(aLens('l', focal, focal, 4)), skyline, LIMITS).code;
    expect([23, 23.2, 25.6, 25.8].map(code)).toEqual([
      'not-long-enough',
      'clear',
      'clear',
      'not-wide-enough',
    ]);
  });

  it.each([
    ['width', 36 / (2 * Math.tan(Math.PI / 6))],
    ['height', 24 / (2 * Math.tan(Math.PI / 6))],
    ['diagonal', Math.hypot(36, 24) / (2 * Math.tan(Math.PI / 6))],
  ])('take an angle of 60° across the %s', (across, focal) => {
    const need = needing({
      kind: 'angle',
      fromDeg: 60,
      toDeg: 60,
      across,
      footing: 'free',
      atM: null,
    });
    expect(verdictOn(setupOf(aLens('l', focal * 0.999, focal * 1.001, 4)), need, LIMITS).code).toBe(
      'clear',
    );
    expect(verdictOn(setupOf(aLens('l', focal * 1.01, focal * 1.02, 4)), need, LIMITS).code).toBe(
      'not-wide-enough',
    );
  });

  it('carry a focal length on 36×24 over to another format by the diagonal', () => {
    const crop = cropFactor({ widthMm: 17.3, heightMm: 13 });
    const need = focalFrame('f', 100, 100, 'free');
    expect(
      verdictOn(setupOf(aLens('l', 100 / crop, 100 / crop, 4), FOUR_THIRDS), need, LIMITS).code,
    ).toBe('clear');
    expect(verdictOn(setupOf(aLens('l', 49, 49, 4), FOUR_THIRDS), need, LIMITS).code).toBe(
      'not-long-enough',
    );
  });

  it('ask for the tighter side whichever way the camera is turned', () => {
    const ways = framings(subject({ orientation: 'either' }), FULL_FRAME, LIMITS);
    expect(ways.map((w) => w.orientation)).toEqual(['landscape', 'portrait']);
    expect(ways[0]!.slopeMax).toBeCloseTo((1000 * 0.012) / 1.012 ** 2, 9);
    expect(ways[1]!.slopeMax).toBeCloseTo((1000 * 0.018) / 1.018 ** 2, 9);
    const sum = 6000 / 40 - 2;
    const m = (sum - Math.sqrt(sum * sum - 4)) / 2;
    expect(ways[0]!.cropAt(6, 40)).toBeCloseTo(12 / 1800 / m, 9);
  });
});

describe('shortfalls', () => {
  const of = (lens: ReturnType<typeof aLens>, frame: Frame) =>
    shortfallOf(verdictOn(setupOf(lens), frame, LIMITS));

  it('say how much longer or wider it would have to be', () => {
    expect(of(aLens('l', 50, 50, 2), focalFrame('f', 200, 200, 'free', PIXELS))).toMatchObject({
      code: 'not-long-enough',
      haveMm: 50,
      neededMm: 200,
      cropNeeded: 4,
      cropAllowed: 1.5,
    });
    const wide = of(aLens('l', 50, 50, 2), focalFrame('f', 20, 20, 'free'));
    expect(wide).toMatchObject({ code: 'not-wide-enough', haveMm: 50, neededMm: 20 });
    if (wide?.code === 'not-wide-enough')
      expect([wide.haveDeg, wide.neededDeg].map(Math.round)).toEqual([47, 94]);
  });

  it('say for held ground what lacks at the worst place', () => {
    expect(of(aLens('l', 35, 50, 2), personFrame('p', 5, 30, 'flowing'))).toMatchObject({
      code: 'part',
    });
    const far = of(aLens('l', 35, 50, 2), personFrame('p', 20, 30, 'held'));
    expect(far?.code).toBe('not-long-enough');
    if (far?.code === 'not-long-enough')
      expect(far.neededMm).toBeCloseTo((30_000 * (12 / 1800)) / (1 + 12 / 1800) ** 2, 9);
  });

  it('name the light rather than the reach where light is the smaller lack', () => {
    const dim = lightOf(5, { isoCeiling: null, longestTimeS: 1 / 250, support: 'support' });
    // f/4 for f/2.86: 0.97 stops short where it frames; farther off it is not long enough either.
    expect(
      of(aLens('l', 50, 50, 4), personFrame('p', 7, 30, 'free', { light: dim })),
    ).toMatchObject({ code: 'too-slow' });
  });

  it('are none for what is got', () => {
    expect(of(aLens('l', 50, 50, 2), focalFrame('f', 50, 50, 'free'))).toBeNull();
    expect(of(aLens('l', 50, 50, 2), focalFrame('f', 70, 70, 'free', PIXELS))).toBeNull();
  });
});

describe('margins', () => {
  const margins = (lens: ReturnType<typeof aLens>, frame: Frame, body?: Body) =>
    verdictOn(setupOf(lens, body), frame, LIMITS).deciding.margins;

  it('count crop and megapixels left', () => {
    const m = margins(aLens('l', 50, 50, 2), focalFrame('f', 70, 70, 'free', PIXELS));
    expect(m).toMatchObject({ crop: 1.4, cropAllowed: 1.5 });
    expect(m.megapixelsLeft).toBeCloseTo(24 / 1.4 ** 2, 9);
    expect(m.longSpareMm).toBeCloseTo(-20, 9);
  });

  it('count light by the effective f-number close up', () => {
    const light = lightOf(10, { isoCeiling: 100, longestTimeS: 1 / 64 });
    const oneToOne = subject({ heightM: 0.024, fromM: 0.4, toM: 0.4, fill: { min: 1, max: 1 } });
    const m = margins(aLens('l', 100, 100, 2, { maxMagnification: 1 }), {
      ...oneToOne,
      light,
    } as Frame);
    // At 1:1 f/2 counts as f/4, which 2^10/64 = 16 = 4² exposes exactly.
    expect(m.light?.stops).toBeCloseTo(0, 9);
  });

  it('lengthen the hand-held time by the better stabiliser, by the real crop factor', () => {
    const byHand = lightOf(10, { isoCeiling: 100, support: 'hand' });
    const steady = aBody({ stabiliserStops: 3 });
    const m = margins(
      aLens('l', 64, 64, 2, { stabiliserStops: 2 }),
      focalFrame('f', 64, 64, 'free', { light: byHand }),
      steady,
    );
    expect(m.light?.timeS).toBeCloseTo(8 / 64, 12);
    const smaller = margins(
      aLens('l', 32, 32, 2),
      focalFrame('f', 64, 64, 'free', { light: byHand, ...PIXELS }),
      FOUR_THIRDS,
    );
    expect(smaller.light?.timeS).toBeCloseTo(
      // Cropped by so little that the diagonals are alike: 64 mm on 36 × 24 mm.
      1 / 64,
      12,
    );
  });

  it('use the lowest of the three ISO ceilings', () => {
    const iso = (outing: number, own: number | null, body: number | null) =>
      verdictOn(
        setupOf(aLens('l', 50, 50, 2), aBody({ isoCeiling: body })),
        focalFrame('f', 50, 50, 'free', {
          light: lightOf(8, { isoCeiling: own, longestTimeS: 1 / 100 }),
        }),
        { ...LIMITS, isoCeiling: outing },
      ).deciding.margins.light?.iso;
    expect([iso(6400, null, null), iso(6400, 1600, null), iso(6400, 3200, 800)]).toEqual([
      6400, 1600, 800,
    ]);
  });
});

describe('the span of a frame', () => {
  const format = {
    sensor: FULL_FRAME,
    pixels: null,
    stabiliserStops: 0,
    isoCeiling: null,
    pitchMm: null,
    autofocusLimitFNumber: null,
    smallestFNumber: null,
  };
  const round = (frame: Frame) => {
    const { range, mode } = frameSpan(frame, format, LIMITS);
    return [Math.round(range.from), Math.round(range.to), mode];
  };

  it('is all of what a held range needs, or any of what makes it all', () => {
    expect(round(focalFrame('f', 24, 70, 'held'))).toEqual([24, 70, 'all']);
    expect(round(personFrame('p', 4, 20, 'held'))).toEqual([47, 132, 'all']);
    expect(round(personFrame('p', 10, 12, 'held'))).toEqual([79, 117, 'any']);
  });

  it('is any of what a free frame takes', () => {
    expect(round(personFrame('p', 4, 20, 'free'))).toEqual([26, 234, 'any']);
  });

  it('has the slowest f-number that still does, slower by hand at the wide end', () => {
    const light = lightOf(8, { support: 'hand' });
    const { slowest } = frameSpan(focalFrame('f', 25, 100, 'held', { light }), format, LIMITS);
    expect(slowest?.wide).toBeCloseTo(Math.sqrt((2 ** 8 * 64) / 25), 9);
    expect(slowest?.long).toBeCloseTo(Math.sqrt((2 ** 8 * 64) / 100), 9);
    expect(frameSpan(focalFrame('f', 25, 100, 'held'), format, LIMITS).slowest).toBeNull();
  });
});
