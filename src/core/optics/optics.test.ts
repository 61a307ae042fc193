import fc from 'fast-check';
import {
  angleOfViewDeg,
  blurDiscMm,
  circleOfConfusionMm,
  combinedStabiliserStops,
  cropFactor,
  cropToBridge,
  diffractionFNumber,
  equivalentFocalLengthMm,
  ev100FromLux,
  ev100Of,
  FISHEYE_PROJECTIONS,
  fisheyeFocalMm,
  fisheyeImageCircleMm,
  fNumberForBlur,
  fNumberForDepth,
  focusDistanceMm,
  focusForDepthMm,
  fractionLeft,
  FULL_FRAME,
  handheldTimeS,
  hyperfocalMm,
  inscribedAspect,
  LIFE_SIZE_SLOPE,
  linearCropAllowed,
  magnificationAt,
  markedFNumber,
  objectDistanceMm,
  pixelPitchUm,
  requiredIso,
  requiredTimeS,
  type SensorSize,
  sideMm,
  skyIlluminanceLux,
  slopeOfMagnification,
  slowestFNumber,
  stopsBetween,
  tightness,
  timeForMotionBlurS,
  timeForStarTrailS,
  tubeMagnification,
  turned,
} from '@/core/optics';

/**
 * What follows from the formulas alone, whatever the numbers: each way there leads back, and what
 * must rise or stay the same does. The numbers themselves are held against handbooks elsewhere.
 */

const between = (min: number, max: number) => fc.double({ min, max, noNaN: true });
const focal = between(4, 1200);
const fNumber = between(0.7, 64);
const sensor: fc.Arbitrary<SensorSize> = fc.record({
  widthMm: between(4, 60),
  heightMm: between(3, 45),
});
const side = fc.constantFrom('width', 'height', 'diagonal');

const near = (got: number, want: number, relative = 1e-9) =>
  expect(Math.abs(got - want)).toBeLessThanOrEqual(relative * Math.max(1e-12, Math.abs(want)));

const always = (name: string, property: fc.IProperty<never> | fc.IRawProperty<unknown>) =>
  it(name, () => fc.assert(property as fc.IProperty<unknown>, { seed: 71, numRuns: 200 }));

describe('angle of view', () => {
  always(
    'narrows with focal length and with magnification',
    fc.property(focal, between(1.01, 4), between(0.01, 1), sensor, (f, times, m, s) => {
      expect(angleOfViewDeg(f * times, s)).toBeLessThan(angleOfViewDeg(f, s));
      expect(angleOfViewDeg(f, s, 'diagonal', m)).toBeLessThan(angleOfViewDeg(f, s));
    }),
  );
  always(
    'is the same for equivalent focal lengths on two sensors',
    fc.property(focal, sensor, side, (f, s, across) => {
      const same = equivalentFocalLengthMm(f, s, across);
      near(angleOfViewDeg(same, FULL_FRAME, across), angleOfViewDeg(f, s, across), 1e-9);
    }),
  );
  it('refuses what is no focal length, naming it', () => {
    expect(() => angleOfViewDeg(0, FULL_FRAME)).toThrow(
      'focalLengthMm must be finite and > 0, got 0',
    );
    expect(() => angleOfViewDeg(NaN, FULL_FRAME)).toThrow(RangeError);
  });
});

describe('conjugates', () => {
  const upToLifeSize = between(0.0001, 1);
  always(
    'lead from focal length and distance to magnification and back',
    fc.property(focal, upToLifeSize, (f, m) => {
      const distance = focusDistanceMm(f, m);
      near(magnificationAt(f, distance), m, 1e-6);
      near(slopeOfMagnification(m) * distance, f, 1e-9);
    }),
  );
  always(
    'agree with the distance from the lens: s = f·(1 + 1/m), and the image f·(1 + m) behind it',
    fc.property(focal, upToLifeSize, (f, m) => {
      const distance = focusDistanceMm(f, m);
      near(objectDistanceMm(distance, m), f * (1 + 1 / m));
      near(distance - objectDistanceMm(distance, m), f * (1 + m), 1e-6);
    }),
  );
  always(
    'know no more than life size nearer than four focal lengths',
    fc.property(focal, between(0.1, 4), between(1, 20), (f, times, m) => {
      expect(magnificationAt(f, f * times)).toBe(1);
      expect(slopeOfMagnification(m)).toBe(LIFE_SIZE_SLOPE);
    }),
  );
  always(
    'grow with a tube by its length over the focal length',
    fc.property(focal, between(0, 1), between(1, 80), (f, m, tube) => {
      near((tubeMagnification(m, tube, f) - m) * f, tube, 1e-6);
    }),
  );
});

describe('exposure', () => {
  const ev = between(-6, 18);
  const iso = between(50, 204_800);
  const time = between(1 / 8000, 60);
  always(
    'balances: f-number, time and ISO each follow from the other two',
    fc.property(ev, time, iso, (ev100, timeS, film) => {
      const n = slowestFNumber(ev100, timeS, film);
      near(requiredIso(ev100, n, timeS), film, 1e-8);
      near(requiredTimeS(ev100, n, film), timeS, 1e-8);
      expect(ev100Of({ fNumber: n, timeS, iso: film })).toBeCloseTo(ev100, 8);
    }),
  );
  always(
    'gives one stop for twice the time, twice the ISO, one EV, or √2 of f-number',
    fc.property(ev, time, iso, (ev100, timeS, film) => {
      const n = slowestFNumber(ev100, timeS, film);
      for (const wider of [
        slowestFNumber(ev100 + 1, timeS, film),
        slowestFNumber(ev100, 2 * timeS, film),
        slowestFNumber(ev100, timeS, 2 * film),
      ])
        expect(stopsBetween(n, wider)).toBeCloseTo(1, 9);
    }),
  );
  always(
    'by hand lengthens by the better stabiliser, and shortens by focal length and crop',
    fc.property(focal, between(0.5, 6), between(0, 8), between(0, 8), (f, crop, body, lens) => {
      const stops = combinedStabiliserStops(body, lens);
      expect(stops).toBe(Math.max(body, lens));
      near(handheldTimeS(f, crop, stops) / handheldTimeS(f, crop, 0), 2 ** stops);
      near(handheldTimeS(2 * f, crop, 0), handheldTimeS(f, 2 * crop, 0));
      expect(combinedStabiliserStops(null, lens)).toBe(lens);
      expect(combinedStabiliserStops(null, null)).toBe(0);
    }),
  );
  always(
    'is marked by the nearest third of a stop, which stands for itself',
    fc.property(between(1, 60), (n) => {
      const marked = markedFNumber(n);
      expect(Math.abs(stopsBetween(marked, n))).toBeLessThan(1 / 3);
      expect(markedFNumber(marked)).toBe(marked);
    }),
  );
  it('turns lux into EV: 250 lux is EV 0 at ISO 100 times 100', () => {
    expect(ev100FromLux(2.5)).toBeCloseTo(0, 12);
    expect(ev100FromLux(2.5 * 2 ** 9)).toBeCloseTo(9, 12);
  });
});

describe('depth and blur', () => {
  const scene = fc
    .record({ f: between(8, 600), n: fNumber, c: between(0.004, 0.05), times: between(3, 400) })
    .map(({ f, n, c, times }) => ({ f, n, c, s: f * times }));
  always(
    'the f-number for a depth, focused as told, blurs both its ends just as much as allowed',
    fc.property(scene, between(1.05, 4), ({ f, c, s }, times) => {
      const [from, to] = [s, s * times];
      const n = fNumberForDepth(f, c, from, to);
      fc.pre(Number.isFinite(n));
      const focus = focusForDepthMm(from, to);
      near(blurDiscMm(f, n, focus, from), c, 1e-6);
      near(blurDiscMm(f, n, focus, to), c, 1e-6);
    }),
  );
  always(
    'the hyperfocal distance reaches from half of itself to the horizon',
    fc.property(scene, ({ f, n, c }) => {
      const h = hyperfocalMm(f, n, c);
      near(blurDiscMm(f, n, h, h / 2), c, 1e-6);
      near(blurDiscMm(f, n, h, Infinity), c, 1e-6);
    }),
  );
  always(
    'the f-number for a blur gives that blur, and a faster one more',
    fc.property(scene, between(1.1, 50), between(0.01, 5), ({ f, s }, times, disc) => {
      const n = fNumberForBlur(f, s, s * times, disc);
      near(blurDiscMm(f, n, s, s * times), disc, 1e-9);
      expect(blurDiscMm(f, n / 2, s, s * times)).toBeGreaterThan(disc);
      expect(blurDiscMm(f, n, s, Infinity)).toBeGreaterThan(disc * (1 - 1e-12));
    }),
  );
  always(
    'is alike on two sensors at the same angle when the f-number grows with the crop factor',
    fc.property(sensor, between(8, 200), fNumber, (s, f, n) => {
      const distanceMm = 8000;
      const same = equivalentFocalLengthMm(f, s);
      const other = n * cropFactor(s);
      const share = (disc: number, of: SensorSize) => disc / sideMm(of, 'diagonal');
      fc.pre(same < distanceMm / 20);
      const one = share(blurDiscMm(f, n, distanceMm, Infinity), s);
      const two = share(blurDiscMm(same, other, distanceMm, Infinity), FULL_FRAME);
      expect(Math.abs(one / two - 1)).toBeLessThan(0.06);
    }),
  );
  always(
    'needs a circle of confusion that grows with the sensor',
    fc.property(sensor, (s) => {
      near(circleOfConfusionMm(s) * cropFactor(s), circleOfConfusionMm(FULL_FRAME));
    }),
  );
});

describe('movement', () => {
  always(
    'smears just as much as is let pass in the time that lets it pass',
    fc.property(between(0.001, 1), between(1, 30_000), between(0.001, 0.1), (m, speed, blur) => {
      near(m * speed * timeForMotionBlurS(m, speed, blur), blur);
      expect(timeForMotionBlurS(m, 0, blur)).toBe(Infinity);
    }),
  );
  always(
    'of stars is slower towards the pole, and none at it',
    fc.property(focal, between(0, 85), between(0.005, 0.2), (f, declination, trail) => {
      const time = timeForStarTrailS(f, declination, trail);
      expect(timeForStarTrailS(f, declination + 4, trail)).toBeGreaterThan(time);
      near(timeForStarTrailS(f, -declination, trail), time);
      expect(timeForStarTrailS(f, 90, trail)).toBe(Infinity);
    }),
  );
});

describe('sensors and pixels', () => {
  always(
    'a rectangle inside a sensor has its aspect and touches two sides',
    fc.property(sensor, between(0.5, 2), (s, aspect) => {
      const inside = inscribedAspect(s, aspect);
      near(inside.widthMm / inside.heightMm, aspect);
      expect(inside.widthMm).toBeLessThanOrEqual(s.widthMm * (1 + 1e-12));
      expect(inside.heightMm).toBeLessThanOrEqual(s.heightMm * (1 + 1e-12));
      const touches = [inside.widthMm / s.widthMm, inside.heightMm / s.heightMm];
      near(Math.max(...touches), 1);
    }),
  );
  always(
    'turned twice is as before, and the tighter side decides',
    fc.property(sensor, between(1, 50), between(1, 50), (s, width, height) => {
      expect(turned(turned(s))).toEqual(s);
      const tight = tightness({ width, height }, s);
      near(tight, Math.max(width / s.widthMm, height / s.heightMm));
      near(tightness({ width, height: null }, s), width / s.widthMm);
    }),
  );
  always(
    'a crop that bridges a gap keeps one over its square of the pixels',
    fc.property(between(8, 400), between(1, 5), (from, times) => {
      const crop = cropToBridge(from, from * times);
      near(crop, times);
      near(fractionLeft(crop) * crop * crop, 1);
      const have = { longPx: 6000, shortPx: 4000 };
      const wanted = { longPx: 6000 / crop, shortPx: 4000 / crop };
      near(linearCropAllowed(have, wanted), crop);
    }),
  );
  always(
    'the Airy disc of 2.44·λ·N is two pixels wide at the diffraction f-number',
    fc.property(between(1, 12), (pitch) => {
      near(2.44 * 0.55 * diffractionFNumber(pitch), 2 * pitch);
      near(pixelPitchUm(36, 36_000 / pitch), pitch);
    }),
  );
});

describe('fisheyes', () => {
  const projection = fc.constantFrom(...FISHEYE_PROJECTIONS);
  always(
    'lead from a focal length to a circle and back',
    fc.property(projection, between(4, 20), between(1, 89), (p, f, half) => {
      const circle = fisheyeImageCircleMm(p, f, 2 * half);
      near(fisheyeFocalMm(p, 2 * half, circle), f, 1e-9);
    }),
  );
  always(
    'look like a rectilinear lens near the middle',
    fc.property(projection, between(4, 20), (p, f) => {
      near(fisheyeImageCircleMm(p, f, 0.02), 2 * f * Math.tan((0.01 * Math.PI) / 180), 1e-6);
    }),
  );
  always(
    'take in more on the same circle than the straight-line lens would',
    fc.property(projection, between(6, 20), between(5, 60), (p, f, half) => {
      const straight = 2 * f * Math.tan((half * Math.PI) / 180);
      expect(fisheyeImageCircleMm(p, f, 2 * half)).toBeLessThan(straight);
    }),
  );
});

describe('light from the sky', () => {
  always(
    'never falls as the sun rises, within what its bands promise',
    fc.property(between(-25, 88), between(0.5, 2), (altitude, more) => {
      const [low, high] = [skyIlluminanceLux(altitude), skyIlluminanceLux(altitude + more)];
      expect(high).toBeGreaterThan(low * 0.9);
    }),
  );
  always(
    'is less under clouds at every altitude',
    fc.property(between(-10, 90), (altitude) => {
      const [clear, thin, cloudy, dark] = (
        ['clear', 'thinCloud', 'cloudy', 'darkOvercast'] as const
      ).map((sky) => skyIlluminanceLux(altitude, sky));
      expect(clear!).toBeGreaterThan(thin!);
      expect(thin!).toBeGreaterThan(cloudy!);
      expect(cloudy!).toBeGreaterThan(dark!);
    }),
  );
});
