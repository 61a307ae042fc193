import { Body, Equator, Horizon, Observer } from 'astronomy-engine';
import { ev100OfSource, sunPosition } from '@/core/brief';
import { dayPhase, skyIlluminanceLux } from '@/core/optics';

/** The sun's place against an independent astronomy library, and the sky against published figures. */

const PLACES: readonly (readonly [number, number])[] = [
  [0, 0],
  [52, 5],
  [-34, 151],
  [69, 19],
];
const MOMENTS = [
  '2027-01-05T08:00:00Z',
  '2027-03-20T12:30:00Z',
  '2027-06-13T20:25:00Z',
  '2027-11-01T16:10:00Z',
];

test.each(PLACES.flatMap(([lat, lon]) => MOMENTS.map((at) => [lat, lon, at] as const)))(
  'the sun at %d°, %d° on %s stands where Astronomy Engine (MIT, 2.1.19) has it',
  (latitude, longitude, at) => {
    const observer = new Observer(latitude, longitude, 0);
    const date = new Date(at);
    const equator = Equator(Body.Sun, date, observer, true, true);
    const { altitude, azimuth } = Horizon(date, observer, equator.ra, equator.dec);
    const sun = sunPosition(at, latitude, longitude);
    expect(Math.abs(sun.altitudeDeg - altitude)).toBeLessThan(0.02);
    const turn = ((sun.azimuthDeg - azimuth + 540) % 360) - 180;
    expect(Math.abs(turn) * Math.cos((altitude * Math.PI) / 180)).toBeLessThan(0.02);
  },
);

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
