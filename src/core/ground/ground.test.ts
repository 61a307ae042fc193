import { point, Polygon, segment } from '@flatten-js/core';
import fc from 'fast-check';
import { type Footing, stationId, withReserve } from '@/core/brief';
import { coveredDistances, verdictOn } from '@/core/coverage';
import { aLens, personFrame, setupOf, someLimits } from '../../../tests/support/gear';
import {
  edgesOf,
  EMPTY_GROUND,
  type Eye,
  type Ground,
  ground as schema,
  type GroundSubject,
  heightNeededM,
  isInBand,
  isInside,
  isInWedge,
  measure,
  measuredFrames,
  type Obstacle,
  outlineOf,
  type Point,
  screensOf,
  sees,
  shadowOf,
  type Station,
  wedgeOf,
} from '.';

const at = (xM: number, yM: number): Point => ({ xM, yM });
const aStation = (place: Point, cameraM = 1.6, change: Partial<Station> = {}): Station => ({
  id: stationId.parse('s'),
  name: 'Station',
  at: place,
  cameraM,
  shooterIds: [],
  stretchIds: [],
  ...change,
});
const aSubject = (points: Point[], middleM = 1.6, frames: string[] = []): GroundSubject => {
  const kind = points.length === 1 ? 'point' : 'path';
  const read = schema.shape.subjects.parse([
    { id: 'x', name: 'Subject', kind, points, middleM, frameIds: frames },
  ]);
  return read[0]!;
};
const wall = (points: Point[], topM: number): Obstacle =>
  schema.shape.obstacles.parse([
    { id: 'w', name: 'Wall', kind: 'wall', points, acrossM: 0.1, topM },
  ])[0]!;
const pillar = (place: Point, acrossM: number, topM: number): Obstacle => ({
  ...wall([place, place], topM),
  kind: 'pillar',
  points: [place],
  acrossM,
});

describe('distances, by hand', () => {
  // Pythagorean triples: 3-4-5, and 5-12-13 in space.
  test.each([
    ['on the level', at(0, 0), 1.6, [at(3, 4)], 1.6, 5, 5],
    ['12 m higher', at(0, 0), 0, [at(3, 4)], 12, 13, 13],
    ['12 m lower', at(0, 0), 12, [at(3, 4)], 0, 13, 13],
    ['along a path that passes by', at(0, 0), 1.6, [at(-4, 3), at(4, 3)], 1.6, 3, 5],
    ['along a path that comes on', at(0, 0), 1.6, [at(0, 40), at(0, 8)], 1.6, 8, 40],
    ['around a corner', at(0, 0), 1.6, [at(6, 8), at(6, 0), at(12, 5)], 1.6, 6, 13],
  ])('%s', (_, place, cameraM, points, middleM, fromM, toM) => {
    const found = measure(aStation(place, cameraM), aSubject(points, middleM), []);
    expect(found.fromM).toBeCloseTo(fromM, 12);
    expect(found.toM).toBeCloseTo(toM, 12);
    expect(found.seen).toBe(1);
  });
});

describe('sight, by hand', () => {
  const high = (topM: number) => screensOf([wall([at(-2, 5), at(2, 5)], topM)]);
  const from: Eye = { ...at(0, 0), zM: 1 };
  const subject: Eye = { ...at(0, 10), zM: 3 };
  // Halfway, the line from 1 m to 3 m is 2 m high.
  test('a wall halfway hides what the line of sight meets below its top', () => {
    expect([sees(from, subject, high(1.99)), sees(from, subject, high(2.01))]).toEqual([
      true,
      false,
    ]);
  });

  test('over a wall of 3 m, 5 m off, a subject 10 m off at 1 m wants a camera 5 m high', () => {
    const low = { ...subject, zM: 1 };
    expect(heightNeededM(from, low, high(3))).toBeCloseTo(5, 12);
    expect(sees({ ...from, zM: 5.001 }, low, high(3))).toBe(true);
    expect(sees({ ...from, zM: 4.999 }, low, high(3))).toBe(false);
    expect(heightNeededM(at(50, 0), low, high(3))).toBeNull();
  });

  test('of a path behind a wall only the ends are seen, and measured', () => {
    const screens = screensOf([wall([at(-1, 5), at(1, 5)], 9)]);
    const { seen, fromM, toM } = measure(
      aStation(at(0, 0), 1),
      aSubject([at(-8, 10), at(8, 10)], 1),
      screens,
    );
    // The shadow of 2 m is 4 m wide twice as far.
    expect(seen).toBeCloseTo(12 / 16, 12);
    expect(fromM).toBeCloseTo(Math.hypot(2, 10), 12);
    expect(toM).toBeCloseTo(Math.hypot(8, 10), 12);
  });

  test('what is round hides about as much as its breadth', () => {
    const screens = screensOf([pillar(at(0, 5), 2, 9)]);
    const { seen } = measure(aStation(at(0, 0), 1), aSubject([at(-8, 10), at(8, 10)], 1), screens);
    // Tangents to a circle of 1 m radius, 5 m off.
    const half = 10 * Math.tan(Math.asin(1 / 5));
    expect(Math.abs(seen - (16 - 2 * half) / 16)).toBeLessThan(0.01);
    expect(outlineOf(pillar(at(0, 5), 2, 9))).toHaveLength(16);
  });
});

/** Whole centimetres: a plan is no finer. */
const metres = (from: number, to: number) =>
  fc.integer({ min: 100 * from, max: 100 * to }).map((cm) => cm / 100);
const coordinate = metres(-40, 40);
const anyPoint = fc.record({ xM: coordinate, yM: coordinate });
const height = metres(0, 6);
const anyObstacle = fc.oneof(
  fc
    .record({ points: fc.array(anyPoint, { minLength: 2, maxLength: 3 }), topM: height })
    .map(({ points, topM }) => wall(points, topM)),
  fc
    .record({
      place: anyPoint,
      acrossM: metres(1, 6),
      topM: height,
    })
    .map(({ place, acrossM, topM }) => pillar(place, acrossM, topM)),
);
const anyObstacles = fc.array(anyObstacle, { maxLength: 4 });
const anySubject = fc
  .record({ points: fc.array(anyPoint, { minLength: 1, maxLength: 3 }), middleM: height })
  .map(({ points, middleM }) => aSubject(points, middleM));

/** Plain ray: the line of sight in small steps, with another package's crossing of segments in the plane. */
function seesByRay(from: Eye, to: Eye, obstacles: readonly Obstacle[]): boolean | null {
  const ray = segment(point(from.xM, from.yM), point(to.xM, to.yM));
  let isSeen = true;
  for (const screen of screensOf(obstacles)) {
    const side = segment(point(screen.from.xM, screen.from.yM), point(screen.to.xM, screen.to.yM));
    // Too close to call: it grazes an end or the top.
    if (Math.min(...[side.start, side.end].map((p) => p.distanceTo(ray)[0])) < 1e-3) return null;
    for (const crossing of ray.intersect(side)) {
      const share = point(from.xM, from.yM).distanceTo(crossing)[0] / ray.length;
      const highM = from.zM + share * (to.zM - from.zM);
      if (Math.abs(highM - screen.topM) < 1e-3 || share > 0.9999) return null;
      if (highM < screen.topM) isSeen = false;
    }
  }
  return isSeen;
}

test('sight is as plain rays have it, and shadows lie where a camera sees nothing', () => {
  let hidden = 0;
  fc.assert(
    fc.property(anyPoint, height, anyPoint, height, anyObstacles, (a, aM, b, bM, obstacles) => {
      const [eye, to] = [
        { ...a, zM: aM },
        { ...b, zM: bM },
      ];
      const expected = seesByRay(eye, to, obstacles);
      if (expected === null || Math.hypot(a.xM - b.xM, a.yM - b.yM) < 0.01) return;
      hidden += Number(!expected);
      const screens = screensOf(obstacles);
      expect(sees(eye, to, screens)).toBe(expected);
      const isInShadow = screens.some((screen) => {
        const outline = shadowOf(to, eye.zM, screen, 1e4);
        return outline !== null && isInside(outline, eye);
      });
      expect(isInShadow).toBe(!expected);
      const needed = heightNeededM(eye, to, screens) ?? -Infinity;
      expect(eye.zM >= needed).toBe(expected);
    }),
    { seed: 20261130, numRuns: 2000 },
  );
  expect(hidden).toBeGreaterThan(150);
});

test('of a path so much is seen as of many points along it', () => {
  fc.assert(
    fc.property(
      anyPoint,
      height,
      anySubject,
      anyObstacles,
      (place, cameraM, subject, obstacles) => {
        const screens = screensOf(obstacles);
        const found = measure(aStation(place, cameraM), subject, screens);
        const eye = { ...place, zM: cameraM };
        const points = edgesOf(subject).flatMap(({ from, to }) =>
          Array.from({ length: 200 }, (_, i) => {
            const share = (i + 0.5) / 200;
            const p = at(from.xM + share * (to.xM - from.xM), from.yM + share * (to.yM - from.yM));
            return { p, lengthM: Math.hypot(from.xM - to.xM, from.yM - to.yM) / 200 };
          }),
        );
        const seen = points.filter(({ p }) => sees(eye, { ...p, zM: subject.middleM }, screens));
        const all = points.reduce((sum, x) => sum + x.lengthM, 0);
        if (all > 0)
          expect(
            Math.abs(seen.reduce((sum, x) => sum + x.lengthM, 0) / all - found.seen),
          ).toBeLessThan(0.06);
        const away = (p: Point) =>
          Math.hypot(p.xM - place.xM, p.yM - place.yM, subject.middleM - cameraM);
        for (const { p } of seen) {
          expect(away(p)).toBeGreaterThanOrEqual(found.fromM - 1e-9);
          expect(away(p)).toBeLessThanOrEqual(found.toM + 1e-9);
        }
        // Without anything in the way: as another package has the distance.
        const [open] = [measure(aStation(place, cameraM), subject, [])];
        const flat = Math.min(
          ...edgesOf(subject).map(
            ({ from, to }) =>
              point(place.xM, place.yM).distanceTo(
                all === 0
                  ? point(from.xM, from.yM)
                  : segment(point(from.xM, from.yM), point(to.xM, to.yM)),
              )[0],
          ),
        );
        expect(open.fromM).toBeCloseTo(Math.hypot(flat, subject.middleM - cameraM), 6);
      },
    ),
    { seed: 7, numRuns: 200 },
  );
});

test('a place in a band makes the picture by the verdict, one outside does not', () => {
  const setup = setupOf([aLens('zoom', 70, 200, 2.8, { minFocusM: 1.2 })]);
  const limits = someLimits();
  const closed = [
    {
      id: 'c' as never,
      name: 'Water',
      points: [at(-40, -40), at(0, -40), at(0, -20), at(-40, -20)],
    },
  ];
  let inside = 0;
  fc.assert(
    fc.property(
      anyPoint,
      height,
      anySubject,
      fc.array(anyObstacle, { maxLength: 1 }),
      fc.constantFrom<Footing>('free', 'held', 'flowing'),
      (place, cameraM, subject, obstacles, footing) => {
        const screens = screensOf(obstacles);
        const covered = coveredDistances(setup, personFrame('f', 1, 2, footing), limits);
        const found = isInBand(place, { subject, footing, covered, cameraM, screens, closed });
        const { fromM, toM, seen } = measure(aStation(place, cameraM), subject, screens);
        const isWhole = footing !== 'free';
        const onClosed = new Polygon(closed[0]!.points.map((p) => point(p.xM, p.yM))).contains(
          point(place.xM, place.yM),
        );
        if (fromM < 0.1) return;
        // What is partly hidden is in parts: the verdict is asked for the whole of it alone.
        if (seen > 1e-9 && seen < 1 - 1e-9) {
          if (isWhole) expect(found).toBe(false);
          return;
        }
        const frame = personFrame('f', fromM, toM, footing);
        const { got } = verdictOn(setup, withReserve(frame, limits.reserve), limits);
        inside += Number(found);
        expect(found).toBe(seen > 0 && got && !onClosed);
      },
    ),
    { seed: 20261201, numRuns: 500 },
  );
  expect(inside).toBeGreaterThan(60);
});

describe('frames that are tied to the plan', () => {
  const frame = personFrame('f', 5, 9, 'free');
  const plan: Ground = {
    ...EMPTY_GROUND,
    stations: [
      aStation(at(0, 0), 1.6, { id: stationId.parse('near') }),
      aStation(at(0, -30), 1.6, { id: stationId.parse('far') }),
      aStation(at(0, 40), 1.6, { id: stationId.parse('behind') }),
    ],
    subjects: [aSubject([at(3, 4)], 1.6, ['f'])],
    obstacles: [wall([at(-5, 20), at(5, 20)], 4)],
  };
  const [tied] = measuredFrames([frame], plan);

  it('have the distances of every station, rounded so that no end is lost, and tell those of the first that sees it', () => {
    expect(tied?.standpoints.map((s) => [s.stationId, s.fromM, s.toM, s.seenPercent])).toEqual([
      ['near', 5, 5, 100],
      ['far', 34.1, 34.2, 100],
      ['behind', 36.1, 36.2, 0],
    ]);
    expect(tied?.need).toMatchObject({ fromM: 5, toM: 5 });
  });

  it('stay the same objects while nothing moves, and keep their distances when untied', () => {
    expect(measuredFrames([tied!], plan)[0]).toBe(tied);
    const [untied] = measuredFrames([tied!], { ...plan, subjects: [] });
    expect(untied).toMatchObject({ standpoints: [], need: { fromM: 5, toM: 5 } });
    const list = [frame];
    expect(measuredFrames(list, EMPTY_GROUND)).toBe(list);
  });

  it('follow when a station, the subject or what is in the way moves', () => {
    const moved = { ...plan, stations: [{ ...plan.stations[0]!, at: at(3, 0) }] };
    expect(measuredFrames([tied!], moved)[0]?.need).toMatchObject({ fromM: 4, toM: 4 });
    const freed = measuredFrames([tied!], { ...plan, obstacles: [] })[0];
    expect(freed?.standpoints.map((s) => s.seenPercent)).toEqual([100, 100, 100]);
  });
});

test('a wedge has its angle, and holds what lies within it', () => {
  const [apex, left, right] = wedgeOf(at(0, 0), at(10, 0), 60, 20);
  expect(apex).toEqual(at(0, 0));
  expect(left.yM).toBeCloseTo(10, 12);
  expect(right.yM).toBeCloseTo(-10, 12);
  expect(isInWedge(at(5, 2.8), at(0, 0), at(10, 0), 60)).toBe(true);
  expect(isInWedge(at(5, 2.9), at(0, 0), at(10, 0), 60)).toBe(false);
});
