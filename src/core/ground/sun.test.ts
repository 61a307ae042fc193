import { lightThrough, type SunOverPlan, sunOver, sunShadowOf, sunsOver } from '.';

/** The obliquity of the ecliptic, degrees: how far north the sun stands at midsummer. */
const OBLIQUITY_DEG = 23.44;
const at = (xM: number, yM: number) => ({ xM, yM });
const sun = (azimuthDeg: number, altitudeDeg = 45): SunOverPlan => ({ altitudeDeg, azimuthDeg });

describe('the sun over a plan', () => {
  const place = (utcOffsetMin: number) => ({
    location: { latitudeDeg: 50, longitudeDeg: 0, utcOffsetMin },
  });

  it('culminates in the south at 90° less latitude plus obliquity at midsummer, by any clock', () => {
    // Noon at Greenwich is two minutes late at midsummer: the equation of time.
    for (const [offset, minutes] of [
      [0, 722],
      [120, 842],
      [-600, 122],
    ] as const) {
      const noon = sunOver(place(offset), '2027-06-21', minutes)!;
      expect(noon.altitudeDeg).toBeCloseTo(90 - 50 + OBLIQUITY_DEG, 1);
      expect(Math.abs(noon.azimuthDeg - 180)).toBeLessThan(0.5);
    }
  });

  it('is told minute by minute, past midnight too, and not without a place', () => {
    const suns = sunsOver(place(0), '2027-06-21', 1430, 1450)!;
    expect(suns).toHaveLength(21);
    expect(suns.at(-1)).toEqual(sunOver(place(0), '2027-06-22', 10));
    expect(sunsOver({ location: null }, '2027-06-21', 0, 10)).toBeNull();
  });

  // A wall 2 m high, the sun 45° high: its shadow is 2 m long, away from the sun.
  it.each([
    ['north up, sun in the south', 0, 180, [at(4, 2), at(0, 2)]],
    ['north to the right, sun in the south', 90, 180, [at(6, 0), at(2, 0)]],
    ['north up, sun in the east', 0, 90, [at(2, 0), at(-2, 0)]],
  ])('throws shadows away from it: %s', (_, northDeg, azimuthDeg, far) => {
    const wall = { from: at(0, 0), to: at(4, 0), topM: 2 };
    const outline = sunShadowOf(wall, sun(azimuthDeg), northDeg)!;
    expect(outline.slice(0, 2)).toEqual([wall.from, wall.to]);
    outline.slice(2).forEach((p, i) => {
      expect(p.xM).toBeCloseTo(far[i]!.xM, 9);
      expect(p.yM).toBeCloseTo(far[i]!.yM, 9);
    });
    expect(sunShadowOf(wall, sun(azimuthDeg, -1), northDeg)).toBeNull();
  });

  it('turns the light of a picture to the north from the side to the front, back, and down with it', () => {
    // From due east by a degree a minute to due west, then down: front light past 45° from straight behind.
    const suns = Array.from({ length: 181 }, (_, i) => sun(90.5 + i));
    const through = lightThrough([...suns, sun(272, -0.1)], at(0, 0), at(0, 10), 0);
    expect(through).toEqual([
      { after: 0, light: 'side' },
      { after: 45, light: 'front' },
      { after: 135, light: 'side' },
      { after: 181, light: 'down' },
    ]);
    // To the south the same sun is against the camera.
    expect(lightThrough(suns, at(0, 10), at(0, 0), 0).map((l) => l.light)).toEqual([
      'side',
      'back',
      'side',
    ]);
  });
});
