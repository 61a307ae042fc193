import { type Frame, framings } from '@/core/brief';
import { ablePlaces, frameSpan, shortfallOf, verdictOn } from '@/core/coverage';
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

/** Worked by hand with the thin lens: m = fill / (subject side / sensor side), s = f·(1 + 1/m). */

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
const PIXELS = { output: { kind: 'pixels', longPx: 4000, shortPx: 2600 } };

describe('the places that a lens makes', () => {
  const near = (fill: number, side = 24, size = 1800) => 0.05 * (1 + size / (fill * side));

  it('run from the fullest framing to the loosest', () => {
    const [place] = ablePlaces(setupOf(aLens('l', 50, 50, 2)), subject({}), LIMITS);
    expect(place?.from).toBeCloseTo(near(0.9), 12);
    expect(place?.to).toBeCloseTo(near(0.5), 12);
  });

  it('are two apart when portrait and landscape do not meet, and one when they do', () => {
    const lens = aLens('l', 50, 50, 2);
    const apart = ablePlaces(
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
    expect(ablePlaces(setupOf(lens), subject({ orientation: 'either' }), LIMITS)).toHaveLength(1);
  });

  it('go by the tighter side where both sides are given', () => {
    // 3 m by 1 m: the width rules in landscape, 3000/36 against 1000/24.
    const [place] = ablePlaces(
      setupOf(aLens('l', 50, 50, 2)),
      subject({ widthM: 3, heightM: 1 }),
      LIMITS,
    );
    expect(place?.from).toBeCloseTo(near(0.9, 36, 3000), 12);
  });

  it('go by the real sides of the sensor, not by a crop factor', () => {
    const [place] = ablePlaces(setupOf(aLens('l', 25, 25, 2), FOUR_THIRDS), subject({}), LIMITS);
    expect(place?.from).toBeCloseTo(0.025 * (1 + 1800 / (0.9 * 13)), 12);
    const [byWidth] = ablePlaces(
      setupOf(aLens('l', 25, 25, 2), FOUR_THIRDS),
      subject({ widthM: 2, heightM: null }),
      LIMITS,
    );
    expect(byWidth?.from).toBeCloseTo(0.025 * (1 + 2000 / (0.9 * 17.3)), 12);
  });

  it('stretch by the crop that the pixels and the person allow', () => {
    const lens = aLens('l', 50, 50, 2);
    const to = (maxCrop: number, body = aBody()) =>
      ablePlaces(setupOf(lens, body), { ...subject({}), ...PIXELS } as Frame, {
        ...LIMITS,
        maxCrop,
      })[0]?.to;
    expect(to(1.3)).toBeCloseTo(0.05 * (1 + (1.3 * 1800) / 12), 12);
    expect(to(3)).toBeCloseTo(0.05 * (1 + (1.5 * 1800) / 12), 12);
    const unknown = aBody({
      sensor: { widthMm: 36, heightMm: 24, pixelsWide: null, pixelsHigh: null },
    });
    expect(to(3, unknown)).toBeCloseTo(0.05 * (1 + 1800 / 12), 12);
  });

  it('begin where a lens can focus: the closest focus turned from the sensor to the lens', () => {
    const small = subject({ heightM: 0.1, fromM: 0.05, toM: 3, fill: { min: 0.01, max: 1 } });
    const [place] = ablePlaces(setupOf(aLens('l', 50, 50, 2, { minFocusM: 0.5 })), small, LIMITS);
    // s² − 500·s + 500·50 = 0 has 443.65 mm as its larger root.
    expect(place?.from).toBeCloseTo((0.5 + Math.sqrt(0.5 * (0.5 - 0.2))) / 2, 12);
  });

  it('begin where the stated magnification allows, for a lens that focuses nearer than a thin one', () => {
    const ring = subject({ heightM: 0.02, fromM: 0.05, toM: 3, fill: { min: 0.01, max: 1.5 } });
    const macro = setupOf(aLens('l', 90, 90, 2.8, { minFocusM: 0.28, maxMagnification: 1 }));
    expect(ablePlaces(macro, ring, LIMITS)[0]?.from).toBeCloseTo(0.18, 12);
    const unstated = setupOf(aLens('l', 90, 90, 2.8, { minFocusM: 0.28 }));
    expect(ablePlaces(unstated, ring, LIMITS)[0]?.from).toBeCloseTo(0.14, 12);
  });

  it('let a zoom come nearer at the end that focuses nearer', () => {
    const head = subject({ heightM: 0.4, fromM: 0.3, toM: 5, fill: { min: 0.2, max: 0.9 } });
    const zoom = setupOf(aLens('l', 70, 200, 2.8, { minFocusM: 1 }));
    const bySearch = [...Array(20001).keys()]
      .map((i) => 0.5 + i * 0.0001)
      .find((s) =>
        [...Array(131).keys()]
          .map((i) => (70 + i) / 1000)
          .some((f) => {
            const m = f / (s - f);
            return s + f * (1 + m) >= 1 && (m * 400) / 24 >= 0.2 && (m * 400) / 24 <= 0.9;
          }),
      );
    expect(Math.abs(ablePlaces(zoom, head, LIMITS)[0]!.from - bySearch!)).toBeLessThan(0.002);
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
    const need = needing({ kind: 'angle', fromDeg: 60, toDeg: 60, across, footing: 'free' });
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
    const ways = framings(subject({ orientation: 'either' }).need, FULL_FRAME);
    expect(ways.map((w) => w.orientation)).toEqual(['landscape', 'portrait']);
    expect(ways[0]!.slopeMax).toBeCloseTo((1000 * 0.012) / 1.012, 9);
    expect(ways[1]!.slopeMax).toBeCloseTo((1000 * 0.018) / 1.018, 9);
    expect(ways[0]!.cropAt(6, 40)).toBeCloseTo(12 / 1800 / (40 / (6000 - 40)), 12);
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
      expect(far.neededMm).toBeCloseTo((30_000 * (12 / 1800)) / (1 + 12 / 1800), 9);
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
    const oneToOne = subject({ heightM: 0.024, fromM: 0.2, toM: 0.2, fill: { min: 1, max: 1 } });
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
      1 / (32 * cropFactor({ widthMm: 17.3, heightMm: 13 })),
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
    cropFactor: 1,
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
    expect(round(personFrame('p', 10, 12, 'held'))).toEqual([79, 119, 'any']);
  });

  it('is any of what a free frame takes', () => {
    expect(round(personFrame('p', 4, 20, 'free'))).toEqual([26, 237, 'any']);
  });

  it('has the slowest f-number that still does, slower by hand at the wide end', () => {
    const light = lightOf(8, { support: 'hand' });
    const { slowest } = frameSpan(focalFrame('f', 25, 100, 'held', { light }), format, LIMITS);
    expect(slowest?.wide).toBeCloseTo(Math.sqrt((2 ** 8 * 64) / 25), 9);
    expect(slowest?.long).toBeCloseTo(Math.sqrt((2 ** 8 * 64) / 100), 9);
    expect(frameSpan(focalFrame('f', 25, 100, 'held'), format, LIMITS).slowest).toBeNull();
  });
});
