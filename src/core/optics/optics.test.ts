import fc from 'fast-check';
import {
  airyDiscUm,
  angleOfViewDeg,
  bellowsLossStops,
  blurDiscMm,
  circleOfConfusionMm,
  combinedStabiliserStops,
  cropFactor,
  cropToBridge,
  cutoffPerMm,
  depthLimits,
  diffractionFNumber,
  effectiveFNumber,
  equivalentDepthOfFieldFNumber,
  equivalentFocalLengthMm,
  ev100FromLux,
  ev100Of,
  exactFNumber,
  extensionForMagnificationMm,
  FISHEYE_PROJECTIONS,
  fisheyeHalfAngleDeg,
  fisheyeImageCircleMm,
  fNumberForBlur,
  fNumberForDepth,
  focalLengthForAngleMm,
  focalLengthForMagnificationMm,
  focusDistanceMm,
  focusForDepthMm,
  fractionLeft,
  FULL_FRAME,
  handHeldTimeS,
  hyperfocalMm,
  inscribedAspect,
  linearCropAllowed,
  luxFromEv100,
  magnificationAt,
  magnificationAtFocusDistance,
  markedFNumber,
  motionBlurMm,
  nyquistPerMm,
  objectDistanceAtFocusDistanceMm,
  objectDistanceMm,
  pixelPitchUm,
  requiredIso,
  requiredTimeS,
  type SensorSize,
  sideMm,
  skyIlluminanceLux,
  slowestFNumber,
  starTrailMm,
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
    'leads back to its focal length, on any side of any sensor',
    fc.property(focal, sensor, side, (f, s, across) => {
      near(focalLengthForAngleMm(angleOfViewDeg(f, s, across), s, across), f, 1e-7);
    }),
  );
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
  it('refuses what is no focal length or no angle, naming it', () => {
    expect(() => angleOfViewDeg(0, FULL_FRAME)).toThrow(
      'focalLengthMm must be finite and > 0, got 0',
    );
    expect(() => angleOfViewDeg(NaN, FULL_FRAME)).toThrow(RangeError);
    expect(() => focalLengthForAngleMm(180, FULL_FRAME)).toThrow('got 180');
  });
});

describe('conjugates', () => {
  const far = fc.tuple(focal, between(1.01, 500)).map(([f, times]) => [f, f * times] as const);
  always(
    'lead from focal length and distance to magnification and back',
    fc.property(far, ([f, s]) => {
      const m = magnificationAt(f, s);
      near(focalLengthForMagnificationMm(m, s), f);
      near(objectDistanceMm(f, m), s);
    }),
  );
  always(
    'agree whether the distance is counted from the lens or from the sensor',
    fc.property(focal, between(2.001, 400), (f, times) => {
      const s = f * times;
      const fromSensor = focusDistanceMm(f, s);
      near(objectDistanceAtFocusDistanceMm(f, fromSensor)!, s, 1e-6);
      near(magnificationAtFocusDistance(f, fromSensor)!, magnificationAt(f, s), 1e-6);
      expect(fromSensor).toBeGreaterThanOrEqual(4 * f * (1 - 1e-12));
    }),
  );
  always(
    'know no thin lens that focuses nearer than four focal lengths',
    fc.property(focal, between(0.1, 3.999), (f, times) => {
      expect(magnificationAtFocusDistance(f, f * times)).toBeNull();
      expect(objectDistanceAtFocusDistanceMm(f, f * times)).toBeNull();
    }),
  );
  always(
    'grow with a tube by its length over the focal length, and lose light by it',
    fc.property(focal, between(0, 1), between(1, 80), (f, m, tube) => {
      const more = tubeMagnification(m, tube, f);
      near(extensionForMagnificationMm(f, m, more), tube, 1e-6);
      near(stopsBetween(5.6, effectiveFNumber(5.6, more)), bellowsLossStops(more));
    }),
  );
  it('have no magnification inside the focal length', () => {
    expect(magnificationAt(50, 50)).toBe(Infinity);
    expect(magnificationAt(50, 10)).toBe(Infinity);
  });
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
    'turns lux into EV and back',
    fc.property(ev, (ev100) => expect(ev100FromLux(luxFromEv100(ev100))).toBeCloseTo(ev100, 9)),
  );
  always(
    'by hand lengthens by the better stabiliser, and shortens by focal length and crop',
    fc.property(focal, between(0.5, 6), between(0, 8), between(0, 8), (f, crop, body, lens) => {
      const stops = combinedStabiliserStops(body, lens);
      expect(stops).toBe(Math.max(body, lens));
      near(handHeldTimeS(f, crop, stops) / handHeldTimeS(f, crop, 0), 2 ** stops);
      near(handHeldTimeS(2 * f, crop, 0), handHeldTimeS(f, 2 * crop, 0));
      expect(combinedStabiliserStops(null, lens)).toBe(lens);
      expect(combinedStabiliserStops(null, null)).toBe(0);
    }),
  );
  always(
    'is marked by the nearest third of a stop, which its name is close to, and stands for itself',
    fc.property(between(1, 60), (n) => {
      const marked = markedFNumber(n);
      const third = Math.round(3 * stopsBetween(1, n));
      expect(Math.abs(stopsBetween(exactFNumber(third), n))).toBeLessThanOrEqual(1 / 6 + 1e-9);
      expect(Math.abs(stopsBetween(exactFNumber(third), marked))).toBeLessThan(1 / 6);
      expect(markedFNumber(marked)).toBe(marked);
    }),
  );
  it('doubles the light with every third third of a stop', () => {
    for (let third = -6; third <= 42; third += 1)
      expect(stopsBetween(exactFNumber(third), exactFNumber(third + 3))).toBeCloseTo(1, 12);
  });
});

describe('depth and blur', () => {
  const scene = fc
    .record({ f: between(8, 600), n: fNumber, c: between(0.004, 0.05), times: between(3, 400) })
    .map(({ f, n, c, times }) => ({ f, n, c, s: f * times }));
  always(
    'limits lie on both sides of the subject, and a point on a limit is as blurred as allowed',
    fc.property(scene, ({ f, n, c, s }) => {
      const { nearMm, farMm } = depthLimits(f, n, c, s);
      expect(nearMm).toBeLessThan(s);
      expect(farMm).toBeGreaterThan(s);
      near(blurDiscMm(f, n, s, nearMm), c, 1e-6);
      if (farMm !== Infinity) near(blurDiscMm(f, n, s, farMm), c, 1e-6);
    }),
  );
  always(
    'the f-number for a depth, focused as told, makes just that depth sharp',
    fc.property(scene, between(1.05, 4), ({ f, c, s }, times) => {
      const [from, to] = [s, s * times];
      const n = fNumberForDepth(f, c, from, to);
      fc.pre(Number.isFinite(n));
      const { nearMm, farMm } = depthLimits(f, n, c, focusForDepthMm(from, to));
      near(nearMm, from, 1e-6);
      near(farMm, to, 1e-6);
    }),
  );
  always(
    'the hyperfocal distance reaches from half of itself to the horizon',
    fc.property(scene, ({ f, n, c }) => {
      const h = hyperfocalMm(f, n, c);
      const { nearMm, farMm } = depthLimits(f, n, c, h * (1 + 1e-9));
      near(nearMm, h / 2, 1e-6);
      expect(farMm).toBe(Infinity);
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
      const other = equivalentDepthOfFieldFNumber(n, s);
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
      near(motionBlurMm(m, speed, timeForMotionBlurS(m, speed, blur)), blur);
      expect(timeForMotionBlurS(m, 0, blur)).toBe(Infinity);
    }),
  );
  always(
    'of stars is slower towards the pole, and none at it',
    fc.property(focal, between(0, 85), between(0.005, 0.2), (f, declination, trail) => {
      const time = timeForStarTrailS(f, declination, trail);
      near(starTrailMm(f, declination, time), trail);
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
    'the Airy disc fills two pixels from the diffraction f-number on, and halves the pattern there',
    fc.property(between(1, 12), (pitch) => {
      const n = diffractionFNumber(pitch);
      near(airyDiscUm(n), 2 * pitch);
      near(airyDiscUm(2 * n), 4 * pitch);
      near(cutoffPerMm(n) / cutoffPerMm(2 * n), 2);
      near(nyquistPerMm(pitch), 500 / pitch);
      near(pixelPitchUm(36, 36_000 / pitch), pitch);
    }),
  );
});

describe('fisheyes', () => {
  const projection = fc.constantFrom(...FISHEYE_PROJECTIONS);
  always(
    'lead from an angle to a radius and back',
    fc.property(projection, between(4, 20), between(1, 89), (p, f, half) => {
      const circle = fisheyeImageCircleMm(p, f, 2 * half);
      near(fisheyeHalfAngleDeg(p, f, circle / 2)!, half, 1e-7);
    }),
  );
  always(
    'look like a straight-line lens near the middle',
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
