import {
  type ClosedGround,
  EMPTY_GROUND,
  type Ground,
  ground,
  type GroundSubject,
  type Obstacle,
  type Point,
  type Station,
} from '@/core/ground';

/** Usual grounds to start a plan from. Their sizes are usual ones (common practice, no source). */
export const GROUND_TEMPLATES = ['hall', 'court', 'field', 'passing', 'show', 'room'] as const;
export type GroundTemplate = (typeof GROUND_TEMPLATES)[number];

/** Names of what stands on a template, by its key. */
export type GroundNames = (key: string) => string;

/** A camera at the eye of someone who stands, m (common practice, no source). */
export const USUAL_CAMERA_M = 1.6;
const CHEST_M = 1.2;

type Sketch = Pick<Ground, 'widthM' | 'heightM'> & {
  readonly stations: Readonly<Record<string, Point>>;
  readonly subjects: Readonly<Record<string, Placed>>;
  readonly obstacles?: Readonly<
    Record<string, Pick<Obstacle, 'kind' | 'points' | 'topM'> & { readonly acrossM?: number }>
  >;
  readonly closed?: Readonly<Record<string, readonly Point[]>>;
};

const at = (xM: number, yM: number): Point => ({ xM, yM });
const box = (x: number, y: number, x2: number, y2: number): Point[] => [
  at(x, y),
  at(x2, y),
  at(x2, y2),
  at(x, y2),
];
type Placed = Pick<GroundSubject, 'kind' | 'points' | 'middleM'>;
const still = (place: Point, middleM = CHEST_M): Placed => ({
  kind: 'point',
  points: [place],
  middleM,
});
const along = (kind: 'line' | 'path', points: Point[], middleM = CHEST_M): Placed => ({
  kind,
  points,
  middleM,
});

const SKETCHES: Readonly<Record<GroundTemplate, Sketch>> = {
  hall: {
    widthM: 16,
    heightM: 28,
    stations: {
      frontLeft: at(3, 21),
      aisle: at(8, 16),
      back: at(8, 3),
      gallery: at(13, 2),
    },
    subjects: {
      rite: still(at(8, 25)),
      procession: along('path', [at(8, 2), at(8, 22)]),
    },
    obstacles: {
      leftRows: { kind: 'people', points: [at(2.5, 14), at(6.8, 14)], topM: 1.3 },
      rightRows: { kind: 'people', points: [at(9.2, 14), at(13.5, 14)], topM: 1.3 },
      leftPillar: { kind: 'pillar', points: [at(2, 17)], acrossM: 0.8, topM: 9 },
      rightPillar: { kind: 'pillar', points: [at(14, 17)], acrossM: 0.8, topM: 9 },
    },
    closed: { altar: box(4, 22.5, 12, 27) },
  },
  court: {
    widthM: 36,
    heightM: 24,
    stations: { baseline: at(3, 6), side: at(18, 2), stand: at(18, 22) },
    subjects: {
      nearGoal: still(at(5.5, 12), 2),
      farGoal: still(at(30.5, 12), 2),
      play: along('path', [at(6, 12), at(30, 12)]),
    },
    closed: { playingArea: box(4, 4.5, 32, 19.5) },
  },
  field: {
    widthM: 120,
    heightM: 84,
    stations: { behindGoal: at(6, 30), touchline: at(60, 6), corner: at(8, 8) },
    subjects: {
      nearGoal: still(at(12, 42)),
      farGoal: still(at(108, 42)),
      play: along('path', [at(20, 42), at(100, 42)]),
    },
    closed: { playingArea: box(10, 8, 110, 76) },
  },
  passing: {
    widthM: 120,
    heightM: 60,
    stations: { bank: at(60, 16), bridge: at(105, 30), farBank: at(40, 52) },
    subjects: { passing: along('path', [at(5, 32), at(95, 32)], 0.8) },
    obstacles: { trees: { kind: 'tree', points: [at(30, 18)], acrossM: 5, topM: 8 } },
    closed: { way: box(0, 22, 98, 46) },
  },
  show: {
    widthM: 200,
    heightM: 120,
    stations: { crowdLine: at(100, 18), end: at(20, 18) },
    subjects: {
      showLine: along('path', [at(10, 90), at(190, 90)], 40),
      taxiing: along('path', [at(20, 60), at(180, 60)], 2),
    },
    obstacles: { crowd: { kind: 'people', points: [at(30, 21), at(85, 21)], topM: 1.8 } },
    closed: { beyond: box(0, 24, 200, 120) },
  },
  room: {
    widthM: 8,
    heightM: 6,
    stations: { door: at(7.2, 1), corner: at(0.8, 0.8) },
    subjects: { sitter: still(at(3, 4.4)), group: along('line', [at(2, 5), at(6, 5)]) },
    obstacles: { wall: { kind: 'wall', points: [at(0, 0), at(0, 6), at(8, 6)], topM: 2.6 } },
  },
};

/** A template as a plan, its things named. */
export function groundFrom(template: GroundTemplate, nameOf: GroundNames): Ground {
  const { widthM, heightM, stations, subjects, obstacles = {}, closed = {} } = SKETCHES[template];
  const named = <From, To>(
    of: Readonly<Record<string, From>>,
    make: (id: string, from: From) => To,
  ) => Object.entries(of).map(([key, from]) => make(key, from));
  return ground.parse({
    ...EMPTY_GROUND,
    widthM,
    heightM,
    stations: named(stations, (id, place) => ({ ...newStation(place), id, name: nameOf(id) })),
    subjects: named(subjects, (id, of) => ({ ...of, id, name: nameOf(id), frameIds: [] })),
    obstacles: named(obstacles, (id, of) => ({ acrossM: 0.2, ...of, id, name: nameOf(id) })),
    closed: named(closed, (id, points) => ({ id, name: nameOf(id), points })),
  });
}

/** What is new on a plan, but for its id and its name. */
export const newStation = (place: Point): Omit<Station, 'id' | 'name'> => ({
  at: place,
  cameraM: USUAL_CAMERA_M,
  shooterIds: [],
  stretchIds: [],
});
export const newSubject = (
  kind: GroundSubject['kind'],
  points: Point[],
): Omit<GroundSubject, 'id' | 'name'> => ({ kind, points, middleM: CHEST_M, frameIds: [] });
export const newObstacle = (
  kind: Obstacle['kind'],
  points: Point[],
): Omit<Obstacle, 'id' | 'name'> => ({
  kind,
  points,
  acrossM: { wall: 0.2, people: 0.5, pillar: 0.8, tree: 4 }[kind],
  topM: { wall: 2.5, people: 1.7, pillar: 6, tree: 7 }[kind],
});
export const newClosed = (points: Point[]): Omit<ClosedGround, 'id' | 'name'> => ({ points });
