import { type Interval, type IntervalSet, subtract, union } from '@/core/intervals';
import { isRound, type Obstacle, type Point } from './ground';
import { between, type Edge, edgesAlong, edgesAround } from './plane';

/** A point in space: the plan's ground is 0. */
export interface Eye extends Point {
  readonly zM: number;
}

/** A piece of an obstacle: all from the ground to its top. */
export interface Screen extends Edge {
  readonly topM: number;
}

/** Corners that stand for what is round. */
const CORNERS = 16;
/** The outline has the area of the circle: its corners lie a little outside, its sides a little inside. */
const OUTER = Math.sqrt((2 * Math.PI) / CORNERS / Math.sin((2 * Math.PI) / CORNERS));

/** What is round, as the outline that stands for it. */
export function outlineOf({ points, acrossM }: Obstacle): Point[] {
  const { xM, yM } = points[0]!;
  return Array.from({ length: CORNERS }, (_, i) => {
    const turn = (2 * Math.PI * i) / CORNERS;
    const radius = (OUTER * acrossM) / 2;
    return { xM: xM + radius * Math.cos(turn), yM: yM + radius * Math.sin(turn) };
  });
}

/** The screens that obstacles are made of. */
export function screensOf(obstacles: readonly Obstacle[]): readonly Screen[] {
  const known = SCREENS.get(obstacles);
  if (known) return known;
  const screens = obstacles.flatMap((o) => {
    const edges = isRound(o.kind) ? edgesAround(outlineOf(o)) : edgesAlong(o.points);
    return edges.map((edge) => ({ ...edge, topM: o.topM }));
  });
  SCREENS.set(obstacles, screens);
  return screens;
}

/** The screens of obstacles that have not changed. */
const SCREENS = new WeakMap<readonly Obstacle[], readonly Screen[]>();

/**
 * How far the shadow of a screen reaches, seen from an eye, on a level: between so many times the
 * distance of the screen; null where it throws none. The shadow of its top falls on the level.
 */
function reachOfShadow({ zM }: Eye, topM: number, levelM: number): Interval | null {
  if (zM < topM && levelM < topM) return { from: 1, to: Infinity };
  if (zM >= topM && levelM >= topM) return null;
  const reach = (zM - levelM) / (zM - topM);
  return zM < topM ? { from: reach, to: Infinity } : { from: 1, to: reach };
}

/**
 * What a screen hides of an edge on a level, seen from an eye: shares of the edge between which it lies
 * in the shadow; null for nothing. Straight-line sight over flat ground.
 *
 * A point is eye + a·(from − eye) + b·(to − eye): behind the screen where a and b are not negative, and
 * a + b says how many times as far as the screen it is. Along the edge, a and b run evenly.
 */
function hiddenOf(eye: Eye, screen: Screen, { from, to }: Edge, levelM: number): Interval | null {
  const reach = reachOfShadow(eye, screen.topM, levelM);
  if (reach === null) return null;
  const [ux, uy] = [screen.from.xM - eye.xM, screen.from.yM - eye.yM];
  const [vx, vy] = [screen.to.xM - eye.xM, screen.to.yM - eye.yM];
  const area = ux * vy - uy * vx;
  // Seen end on, a thin screen hides nothing.
  if (area === 0) return null;
  const at = ({ xM, yM }: Point) => {
    const [x, y] = [xM - eye.xM, yM - eye.yM];
    return { a: (x * vy - y * vx) / area, b: (ux * y - uy * x) / area };
  };
  const [p, q] = [at(from), at(to)];
  let shares: Interval | null = { from: 0, to: 1 };
  const atLeast = (start: number, end: number) => {
    if (shares === null) return;
    const rise = end - start;
    if (rise === 0) shares = start >= 0 ? shares : null;
    else {
      const zero = -start / rise;
      const [low, high]: [number, number] =
        rise > 0
          ? [Math.max(shares.from, zero), shares.to]
          : [shares.from, Math.min(shares.to, zero)];
      shares = low <= high ? { from: low, to: high } : null;
    }
  };
  atLeast(p.a, q.a);
  atLeast(p.b, q.b);
  atLeast(p.a + p.b - reach.from, q.a + q.b - reach.from);
  if (reach.to < Infinity) atLeast(reach.to - p.a - p.b, reach.to - q.a - q.b);
  return shares;
}

/** The shares of an edge on a level, 0 to 1, that an eye sees past the screens. */
export function seenOf(
  eye: Eye,
  edge: Edge,
  levelM: number,
  screens: readonly Screen[],
): IntervalSet {
  const hidden = screens.flatMap((screen) => hiddenOf(eye, screen, edge, levelM) ?? []);
  return hidden.length === 0 ? WHOLE : subtract(WHOLE, union(hidden));
}
const WHOLE: IntervalSet = [{ from: 0, to: 1 }];

/** Whether an eye sees a point past the screens. */
export function sees(eye: Eye, at: Eye, screens: readonly Screen[]): boolean {
  return screens.every((screen) => hiddenOf(eye, screen, { from: at, to: at }, at.zM) === null);
}

/**
 * How high a camera would have to be to see a point over everything in the way, m above the ground;
 * null where it sees it from any height, Infinity where it can't from where it is.
 */
export function heightNeededM(from: Point, at: Eye, screens: readonly Screen[]): number | null {
  let needed = -Infinity;
  for (const screen of screens) {
    const share = crossing({ from, to: at }, screen);
    if (share === null) continue;
    // The line of sight rises evenly: at the screen it has so much of the way to the subject behind it.
    needed = Math.max(
      needed,
      share === 1
        ? screen.topM > at.zM
          ? Infinity
          : -Infinity
        : (screen.topM - share * at.zM) / (1 - share),
    );
  }
  return needed === -Infinity ? null : needed;
}

/** The share of one edge at which it crosses another; null where it doesn't. */
function crossing({ from, to }: Edge, other: Edge): number | null {
  const [dx, dy] = [to.xM - from.xM, to.yM - from.yM];
  const [ex, ey] = [other.to.xM - other.from.xM, other.to.yM - other.from.yM];
  const area = dx * ey - dy * ex;
  if (area === 0) return null;
  const [x, y] = [other.from.xM - from.xM, other.from.yM - from.yM];
  const share = (x * ey - y * ex) / area;
  const along = (x * dy - y * dx) / area;
  return share >= 0 && share <= 1 && along >= 0 && along <= 1 ? share : null;
}

/**
 * The outline of the ground behind a screen from which a point can't be seen by a camera at a height,
 * as far as `farM` from the point; null where it hides it from nowhere.
 */
export function shadowOf(
  at: Eye,
  cameraM: number,
  screen: Screen,
  farM: number,
): readonly Point[] | null {
  const reach = reachOfShadow(at, screen.topM, cameraM);
  if (reach === null) return null;
  const far = (p: Point) => {
    const awayM = Math.hypot(p.xM - at.xM, p.yM - at.yM);
    return Math.min(reach.to, Math.max(reach.from, farM / Math.max(awayM, 1e-6)));
  };
  return [
    between(at, screen.from, reach.from),
    between(at, screen.to, reach.from),
    between(at, screen.to, far(screen.to)),
    between(at, screen.from, far(screen.from)),
  ];
}
