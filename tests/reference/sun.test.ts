import { moonAt, sunPosition, ev100OfSource } from '@/core/brief';
import { dayPhase, moonIlluminanceLux, skyIlluminanceLux } from '@/core/optics';

/** Sun and moon against what almanacs print, and the sky against published figures. */

test.each([
  // at, latitude, longitude, altitude, within; source
  ['2027-03-20T12:07:00Z', 0, 0, 90, 0.6, 'equinox at noon on the equator: overhead'],
  ['2027-06-21T12:02:00Z', 52, 0, 61.44, 0.1, '90° − latitude + 23.44°, solstice at local noon'],
  ['2027-12-22T11:58:00Z', 52, 0, 14.56, 0.1, '90° − latitude − 23.44°, solstice at local noon'],
  ['2027-06-21T00:02:00Z', 70, 0, 3.44, 0.1, 'latitude + 23.44° − 90°, midnight sun'],
  ['2027-06-21T12:02:00Z', -34, 0, 32.56, 0.1, '90° − 34° − 23.44°, winter noon in the south'],
])('the sun on %s at %d°, %d° stands at %d° (± %d; %s)', (at, lat, lon, altitude, within) => {
  expect(Math.abs(sunPosition(at, lat, lon).altitudeDeg - altitude)).toBeLessThan(within);
});

test.each([
  // Meeus, Astronomical Algorithms, example 13.b is Venus; 25.a: the sun on 1992 October 13.0 TD has
  // declination −7.785° (from memory): at the pole that is its altitude.
  ['1992-10-13T00:00:00Z', -7.785, 0.02],
])('the sun on %s stands %d° high at the north pole', (at, altitude, within) => {
  expect(Math.abs(sunPosition(at, 90, 0).altitudeDeg - altitude)).toBeLessThan(within);
});

/** Illuminance of the moon as handbooks give it. */
test.each([
  // altitude, elongation, lux, within a factor; source
  [90, 180, 0.267, 1.15, 'full moon at the zenith about 0.27 lx; handbook value, from memory'],
  [90, 90, 0.022, 1.4, 'half moon about a twelfth of the full one; Allen, from memory'],
  [30, 180, 0.1, 1.6, 'full moon at 30°, about 0.1 lx; common practice, no source'],
])(
  'the moon at %d°, %d° from the sun gives about %d lx (%d, %s)',
  (altitudeDeg, elongationDeg, lux, factor) => {
    const got = moonIlluminanceLux({ altitudeDeg, elongationDeg, distanceKm: 384_400 });
    expect(got).toBeGreaterThan(lux / factor);
    expect(got).toBeLessThan(lux * factor);
  },
);

test('a full moon counts at night, a new one and one below the horizon do not', () => {
  // Full moons of 2027 as almanacs list them: 22 January 12:17 UT (from memory).
  const full = moonAt('2027-01-22T12:17:00Z', 52, 5);
  expect(full.elongationDeg).toBeGreaterThan(174);
  expect(full.distanceKm).toBeGreaterThan(350_000);
  expect(full.distanceKm).toBeLessThan(410_000);
  const night = (at: string) =>
    ev100OfSource({ kind: 'sun', at, latitudeDeg: 52, longitudeDeg: 5, sky: 'clear' })!;
  const moonlit = night('2027-01-22T23:40:00Z');
  const dark = night('2027-01-07T23:40:00Z');
  // Landscapes in full moon: EV −3 to −2 by the exposure guide (ANSI PH2.7, from memory).
  expect(moonlit).toBeGreaterThan(-5);
  expect(moonlit).toBeLessThan(-2);
  expect(dark).toBeLessThan(moonlit - 6);
});

/** Illuminance under a clear sky as handbooks give it, each good to a third or so. */
test.each([
  // altitude, lux, within a factor; source
  [60, 100_000, 1.2, 'full sun about 100,000 lx; IESNA Lighting Handbook, from memory'],
  [-0.8, 400, 1.6, 'sunset about 400 lx; IESNA Lighting Handbook, from memory'],
  [-6, 3.4, 1.15, 'end of civil twilight 3.4 lx; USNO, from memory'],
  [-12, 0.008, 1.3, 'end of nautical twilight 0.008 lx; USNO, from memory'],
  [-18, 6.5e-4, 1.3, 'end of astronomical twilight 6.5e-4 lx; USNO, from memory'],
])('at %d° the sky gives about %d lx (%d, %s)', (altitude, lux, factor) => {
  const got = skyIlluminanceLux(altitude);
  expect(got).toBeGreaterThan(lux / factor);
  expect(got).toBeLessThan(lux * factor);
});

test('the sky only darkens as the sun sinks, and its bands meet', () => {
  let before = Infinity;
  for (let altitude = 89; altitude >= -25; altitude -= 0.05) {
    const lux = skyIlluminanceLux(altitude);
    expect(lux).toBeLessThanOrEqual(before * 1.02);
    if (before !== Infinity) expect(lux).toBeGreaterThan(before * 0.9);
    before = lux;
  }
  expect(skyIlluminanceLux(40, 'darkOvercast')).toBeCloseTo(skyIlluminanceLux(40) / 10, 6);
});

test('phases of the day and the light that follows from a moment', () => {
  expect([30, 3, -3, -9, -15, -30].map(dayPhase)).toEqual([
    'day',
    'goldenHour',
    'civilTwilight',
    'nauticalTwilight',
    'astronomicalTwilight',
    'night',
  ]);
  const noon = ev100OfSource({
    kind: 'sun',
    at: '2027-06-21T13:40:00+02:00',
    latitudeDeg: 50,
    longitudeDeg: 8,
    sky: 'clear',
  });
  // Full sun is EV 15 by the exposure guide (ANSI PH2.7, from memory); level ground in high summer.
  expect(noon).toBeGreaterThan(14.7);
  expect(noon).toBeLessThan(15.6);
});
