import fc from 'fast-check';
import { type Frame, framings, type Limits, needAxis } from '@/core/brief';
import { coveredPositions, exclusionOf, demandOf, verdictOn } from '@/core/coverage';
import { mountableSetups, type Setup } from '@/core/gear';
import { containsPoint, subtract } from '@/core/intervals';
import {
  blurDiscMm,
  flashFNumber,
  fNumberForDepth,
  handheldTimeS,
  slowestFNumber,
  timeForMotionBlurS,
} from '@/core/optics';
import { anyFrame, anyLens } from '../../../tests/support/arbitraries';
import {
  aBody,
  aConverter,
  aLens,
  aShelf,
  aTube,
  focalFrame,
  lightOf,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';

const setupOf = (lens: ReturnType<typeof aLens>, body = aBody(), tubeMm = 0): Setup => {
  const tubes = tubeMm > 0 ? [aTube('tube', tubeMm)] : [];
  const setups = mountableSetups(aShelf([{ ...lens, mount: 'M' }], [], [body], { tubes }));
  return setups.find((s) => (s.tubeId !== null) === tubeMm > 0)!;
};
const onlySetup = fc
  .record({
    lens: anyLens('l'),
    ibis: fc.constantFrom(null, 3),
    limit: fc.constantFrom(null, 5.6, 8),
    tubeMm: fc.constantFrom(0, 0, 0, 12, 30),
  })
  .map(({ lens, ibis, limit, tubeMm }) =>
    setupOf(
      { ...lens, builtInConverter: null },
      aBody({ stabiliserStops: ibis, autofocusLimitFNumber: limit, sealed: true }),
      tubeMm,
    ),
  );
const LIMITS = someLimits({ circleOfConfusion: { kind: 'output' }, needTolerancePercent: 2 });
const EXACT = someLimits();
const TENTH = 2 ** 0.1;

/**
 * The slow, obvious way at one place: try very many focal lengths, each from the documents alone. D is
 * from the sensor; the lens stands f·(1 + m) before it, m the smaller root of D = f·(2 + m + 1/m).
 */
function madeBySearch(setup: Setup, frame: Frame, limits: Limits, x: number): boolean {
  if (exclusionOf(setup, frame) !== null) return false;
  const shape = shapeOf(setup, frame);
  const most = cropAllowed(shape, frame, limits);
  if (most < 1) return false;
  const { wideMm, longMm } = setup.focal;
  const STEPS = 4000;
  const ways = frame.need.kind === 'subject' ? waysOf(frame.need.orientation) : [false];
  return ways.some((upright) =>
    Array.from({ length: STEPS + 1 }, (_, i) => wideMm * (longMm / wideMm) ** (i / STEPS)).some(
      (f) => {
        const crop = cropFor(setup, frame, limits, shape, upright, x, f);
        return crop !== null && crop <= most && worksAt(setup, frame, limits, shape, x, f, crop);
      },
    ),
  );
}

const waysOf = (orientation: string) =>
  orientation === 'either' ? [false, true] : [orientation === 'portrait'];

interface Shape {
  readonly long: number;
  readonly short: number;
  readonly longPx: number;
  readonly shortPx: number;
}

/** The part of the sensor that has the shape of the output. */
function shapeOf({ sensor, pixels }: Setup, { output }: Frame): Shape {
  const [long, short] = [sensor.widthMm, sensor.heightMm];
  const perMm = pixels!.longPx / long;
  const cut =
    output.kind === 'pixels' && output.cut
      ? { long: Math.min(long, (short * output.longPx) / output.shortPx), short }
      : { long, short };
  return { ...cut, longPx: cut.long * perMm, shortPx: cut.short * perMm };
}

function cropAllowed({ longPx, shortPx }: Shape, { output }: Frame, limits: Limits): number {
  if (output.kind !== 'pixels') return 1;
  const spare = Math.min(longPx / output.longPx, shortPx / output.shortPx);
  return spare < 1 ? spare : Math.max(1, Math.min(spare, limits.maxCrop));
}

/** Magnification of a thin lens at a distance from the sensor; NaN where it does not focus so near. */
function thin(f: number, D: number): number {
  const sum = D / f - 2;
  return (sum - Math.sqrt(sum * sum - 4)) / 2;
}

/** The crop that makes the framing up with a focal length; null where it is too tight. */
function cropFor(
  setup: Setup,
  { need }: Frame,
  limits: Limits,
  { long, short }: Shape,
  upright: boolean,
  x: number,
  f: number,
): number | null {
  if (need.kind === 'focal') {
    const f36 = f * (Math.hypot(36, 24) / Math.hypot(setup.sensor.widthMm, setup.sensor.heightMm));
    const tolerance = 1 + limits.needTolerancePercent / 100;
    return f36 > x * tolerance ? null : Math.max(1, x / (f36 * tolerance));
  }
  if (need.kind !== 'subject') return null;
  const m = thin(f, x * 1000);
  const fill = (m * need.heightM! * 1000) / (upright ? long : short);
  if (!(fill <= need.fill.max)) return null;
  return Math.max(1, need.fill.min / fill);
}

function worksAt(
  setup: Setup,
  frame: Frame,
  limits: Limits,
  shape: Shape,
  x: number,
  f: number,
  crop: number,
): boolean {
  const distance = frame.need.kind === 'subject';
  const m = distance ? thin(f, x * 1000) : 0;
  if (distance && !focuses(setup, f, x, m)) return false;
  const widest = setup.fNumberAt(f);
  const { sharp, blur } = frame.depth;
  const diagonal = Math.hypot(shape.long, shape.short) / crop;
  const { output } = frame;
  const coc =
    output.kind === 'pixels'
      ? (2 * Math.min(shape.long / output.longPx, shape.short / output.shortPx)) / crop
      : diagonal / 1500;
  const lensMm = f * (1 + m);
  const s = x * 1000 - lensMm;
  const near = sharp?.kind === 'zone' ? sharp.fromM * 1000 - lensMm : s;
  const far = sharp?.kind === 'zone' ? Infinity : s + (sharp?.depthM ?? 0) * 1000;
  const deep = sharp === null ? 0 : fNumberForDepth(f, coc, near, far);
  if (deep > (setup.smallestFNumber ?? Infinity) * Math.sqrt(TENTH)) return false;
  const n = Math.max(widest, deep);
  if (blur !== null) {
    const point = blur.behindM === null ? Infinity : s + blur.behindM * 1000;
    if (blurDiscMm(f, n, s, point) < ((blur.percent / 100) * diagonal) / Math.sqrt(TENTH))
      return false;
  }
  const limit = frame.special.autofocus ? setup.autofocusLimitFNumber : null;
  if (limit !== null && widest > limit * Math.sqrt(TENTH)) return false;
  const crops = Math.hypot(36, 24) / Math.hypot(shape.long, shape.short);
  return isExposed(setup, frame, limits, x, f * crop * crops, n * (1 + m), m);
}

function focuses(setup: Setup, f: number, x: number, m: number): boolean {
  if (!Number.isFinite(m)) return false;
  if (setup.extensionMm > 0) {
    const from = setup.extensionMm / f;
    const to = setup.maxMagnification === null ? Infinity : setup.maxMagnification + from;
    return m >= from && m <= to;
  }
  if (setup.maxMagnification !== null && m > setup.maxMagnification) return false;
  return setup.minFocusM === null || x >= setup.minFocusM;
}

function isExposed(
  setup: Setup,
  frame: Frame,
  limits: Limits,
  x: number,
  equivalentMm: number,
  effective: number,
  m: number,
): boolean {
  const { source, longestTimeS, support, movement, flash } = frame.light;
  if (source.kind !== 'ev') return true;
  const times = [longestTimeS ?? Infinity];
  if (support === 'hand') times.push(handheldTimeS(equivalentMm, 1, setup.stabiliserStops));
  if (movement !== null) {
    const half = frame.need.kind === 'subject' ? 0.9 / frame.need.fromM : 0.018;
    const share = { across: 1, diagonal: Math.SQRT1_2, toward: half }[movement.direction];
    const smear = 4 * setup.pitchMm!;
    times.push(timeForMotionBlurS(m, movement.speedMps * 1000 * share, smear));
  }
  const time = Math.min(...times);
  const unbound = longestTimeS === null && support === 'support' && movement === null;
  if (unbound) return true;
  const iso = limits.isoCeiling;
  const ambient = slowestFNumber(source.ev100, time, iso) * Math.sqrt(TENTH);
  const lit =
    flash !== null && frame.need.kind === 'subject'
      ? flashFNumber(flash.guideNumberM, iso, x) * Math.sqrt(TENTH)
      : 0;
  return effective <= Math.max(ambient, lit);
}

const brighter = (source: Frame['light']['source']): Frame['light']['source'] =>
  source.kind === 'ev' ? { kind: 'ev', ev100: source.ev100 + 2 } : source;

describe('able places', () => {
  it('agree with a search over focal lengths at random places', () => {
    fc.assert(
      fc.property(
        onlySetup,
        anyFrame('f'),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (setup, frame, share) => {
          const longMm = setup.focal.longMm;
          // Where a lens shortens its focal length, or its stated magnification rules, no thin lens tells.
          const { minFocusM, maxMagnification } = setup;
          fc.pre(
            minFocusM === null || (minFocusM * 1000 >= 4 * longMm && maxMagnification === null),
          );
          const { from, to } = needAxis(frame.need).range;
          const x = from * (to / from) ** share;
          const positions = coveredPositions(setup, frame, LIMITS);
          const nearAnEnd = positions.some(
            (p) => Math.abs(p.from / x - 1) < 2e-3 || Math.abs(p.to / x - 1) < 2e-3,
          );
          fc.pre(!nearAnEnd || positions.every((p) => p.from === p.to));
          const found = madeBySearch(setup, frame, LIMITS, x);
          if (found) expect(containsPoint(positions, x)).toBe(true);
          else if (setup.focal.wideMm !== longMm)
            expect(containsPoint(positions, x) && !nearAnEnd && !isNarrow(setup, frame, x)).toBe(
              false,
            );
        },
      ),
      { seed: 5, numRuns: 600 },
    );
  });

  /** Whether so few focal lengths work that a search over steps may miss them all. */
  function isNarrow(setup: Setup, frame: Frame, x: number): boolean {
    const { crop } = demandOf(setup, frame, LIMITS);
    const step = (setup.focal.longMm / setup.focal.wideMm) ** (1 / 4000);
    return (
      framings(frame, setup.sensor, LIMITS).every((way) => {
        const low = Math.max(setup.focal.wideMm, way.slopeMin(crop) * x);
        const high = Math.min(setup.focal.longMm, way.slopeMax * x);
        return high / low < step * step;
      }) || demandOf(setup, frame, LIMITS).light !== null
    );
  }

  const grows = (more: (setup: Setup, frame: Frame) => [Setup, Frame, Limits]) =>
    fc.assert(
      fc.property(onlySetup, anyFrame('f'), (setup, frame) => {
        const before = coveredPositions(setup, frame, LIMITS);
        const after = coveredPositions(...more(setup, frame));
        const lost = subtract(before, after).filter((p) => p.to > p.from * (1 + 1e-7));
        expect(lost).toEqual([]);
      }),
      { seed: 9, numRuns: 300 },
    );

  it('only grow with a faster f-number', () =>
    grows((s, f) => [{ ...s, fNumberAt: (mm) => s.fNumberAt(mm) / 1.4 }, f, LIMITS]));
  it('only grow with more light', () =>
    grows((s, f) => [
      s,
      { ...f, light: { ...f.light, source: brighter(f.light.source) } },
      LIMITS,
    ]));
  it('only grow with a wider range', () =>
    grows((s, f) => [
      { ...s, focal: { wideMm: s.focal.wideMm * 0.8, longMm: s.focal.longMm * 1.3 } },
      f,
      LIMITS,
    ]));
  it('only grow with a higher ISO ceiling or a larger crop', () =>
    grows((s, f) => [s, f, { ...LIMITS, isoCeiling: 25600, maxCrop: 3 }]));
});

describe('verdicts', () => {
  const on = (lens: ReturnType<typeof aLens>, frame: Frame, limits = EXACT) =>
    verdictOn(setupOf(lens), frame, limits);

  it('cut the range of a held frame where the answer changes', () => {
    // 1.8 m at 50–90 % of 24 mm: m between 1/150 and 1/83.3, D = f·(2 + m + 1/m): 24–70 mm reaches from
    // 24 mm at 90 % to 70 mm at 50 %, and by a crop of 1.5 to 70 mm at 33 %.
    const verdict = on(
      aLens('l', 24, 70, 2.8),
      personFrame('p', 1, 30, 'held', {
        output: { kind: 'pixels', longPx: 4000, shortPx: 2600, cut: false },
      }),
    );
    expect(verdict.code).toBe('part');
    expect(verdict.parts.map((p) => p.code)).toEqual([
      'not-wide-enough',
      'clear',
      'crop',
      'not-long-enough',
    ]);
    const ends = verdict.parts.map((p) => p.range.to);
    const from = (focalM: number, m: number) => focalM * (2 + m + 1 / m);
    expect(ends[0]).toBeCloseTo(from(0.024, 21.6 / 1800), 9);
    expect(ends[1]).toBeCloseTo(from(0.07, 12 / 1800), 9);
    expect(ends[2]).toBeCloseTo(from(0.07, 12 / 1800 / 1.5), 9);
  });

  it('say what lacks, and by how much', () => {
    const dark = lightOf(5, { longestTimeS: 1 / 500 });
    const slow = on(aLens('l', 50, 50, 4), focalFrame('f', 50, 50, 'free', { light: dark }));
    // N = √(2^5 · 64 / 500) = 2.02: f/4 is 1.97 stops short, ISO 25 000 would do.
    expect(slow.code).toBe('too-slow');
    expect(slow.deciding.margins.light?.stops).toBeCloseTo(Math.log2((32 * 64) / 500 / 16), 9);
    expect(slow.deciding.margins.light?.isoNeeded).toBeCloseTo(25_000, 6);
    const fitting = personFrame('p', 0.5, 0.6, 'free');
    const close = on(aLens('l', 100, 100, 2.8, { minFocusM: 1, maxMagnification: 0.2 }), {
      ...fitting,
      need: { ...fitting.need, heightM: 0.1, fill: { min: 0.4, max: 1.2 } } as Frame['need'],
    });
    expect(close.code).toBe('too-close');
    expect(close.deciding.margins.focusSpareM).toBeLessThan(0);
    expect(
      on(aLens('l', 15, 15, 2.8, { projection: 'equisolid' }), focalFrame('f', 15, 15, 'free'))
        .code,
    ).toBe('wrong-projection');
    const huge = { kind: 'pixels', longPx: 9000, shortPx: 6000, cut: false };
    expect(on(aLens('l', 50, 50, 2), focalFrame('f', 50, 50, 'free', { output: huge })).code).toBe(
      'few-pixels',
    );
  });

  it('say when the magnification asked for makes the picture larger than the sensor', () => {
    const coin = personFrame('p', 0.12, 0.5, 'free');
    const at = (magnification: number) =>
      on(aLens('l', 55, 250, 4, { minFocusM: null }), {
        ...coin,
        need: { ...coin.need, heightM: 0.03, fill: { min: 0.4, max: 1 } } as Frame['need'],
        special: { ...coin.special, magnification },
      }).code;
    // 30 mm on 24 mm: 0.8 times at the most.
    expect([at(0.81), at(0.79)]).toEqual(['overfills', 'clear']);
  });

  it('let light pass that is short by less than a tenth of a stop', () => {
    const at = (stops: number) => ({
      light: lightOf(10 - stops, { isoCeiling: 100, longestTimeS: 4 / 2 ** 10 }),
    });
    const lens = aLens('l', 50, 50, 2);
    expect(on(lens, focalFrame('f', 50, 50, 'free', at(0.09))).code).toBe('clear');
    expect(on(lens, focalFrame('f', 50, 50, 'free', at(0.11))).code).toBe('too-slow');
  });

  it('count the measured range before the marked one', () => {
    const marked = aLens('l', 100, 400, 5.6);
    const measured = aLens('l', 100, 400, 5.6, { measured: { wideMm: 102, longMm: 385 } });
    expect(on(marked, focalFrame('f', 400, 400, 'free')).code).toBe('clear');
    expect(on(measured, focalFrame('f', 400, 400, 'free')).code).toBe('not-long-enough');
  });

  it('hold a hand-held zoom to the time that its long end allows', () => {
    // By hand at 1/f: EV 8, ISO 6400 gives N² = 2^8·64/f; f/5.6 holds up to 16384/31.36·2^0.1 = 560 mm.
    const frame = focalFrame('f', 100, 800, 'held', {
      light: lightOf(8, { support: 'hand' }),
    });
    const positions = coveredPositions(setupOf(aLens('l', 100, 800, 5.6)), frame, EXACT);
    expect(positions).toHaveLength(1);
    expect(positions[0]?.to).toBeCloseTo((16384 / 5.6 ** 2) * 2 ** 0.1, 6);
  });

  it('take a converter on the lenses that it is made for, and keep the close focus', () => {
    const setups = mountableSetups(
      aShelf(
        [aLens('a', 300, 300, 2.8, { minFocusM: 2, maxMagnification: 0.2 }), aLens('b', 50, 50, 2)],
        [aConverter('x2', 2, ['a'])],
      ),
    );
    expect(setups.map((s) => [s.lensId, s.converterId])).toEqual([
      ['a', null],
      ['a', 'x2'],
      ['b', null],
    ]);
    expect(setups[1]).toMatchObject({
      focal: { wideMm: 600, longMm: 600 },
      minFocusM: 2,
      maxMagnification: 0.4,
    });
    expect(setups[1]?.fNumberAt(600)).toBeCloseTo(5.6, 12);
  });
});
