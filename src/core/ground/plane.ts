import type { Point } from './ground';

/** A straight piece of a line in the plane. */
export interface Edge {
  readonly from: Point;
  readonly to: Point;
}

/** Distance in the plane, m. */
export function flatM(a: Point, b: Point): number {
  return Math.hypot(a.xM - b.xM, a.yM - b.yM);
}

/** The point a share of the way from one to another; shares below 0 and above 1 lie beyond. */
export function between(a: Point, b: Point, share: number): Point {
  return { xM: a.xM + share * (b.xM - a.xM), yM: a.yM + share * (b.yM - a.yM) };
}

/** The edges of an open line through some points. */
export function edgesAlong(points: readonly Point[]): Edge[] {
  return points.slice(1).map((to, i) => ({ from: points[i]!, to }));
}

/** The edges of a closed outline. */
export function edgesAround(points: readonly Point[]): Edge[] {
  return points.map((from, i) => ({ from, to: points[(i + 1) % points.length]! }));
}

/** The share of an edge, 0 to 1, that lies nearest to a point. */
export function nearestShare({ from, to }: Edge, p: Point): number {
  const [x, y] = [to.xM - from.xM, to.yM - from.yM];
  const squared = x * x + y * y;
  if (squared === 0) return 0;
  return Math.min(1, Math.max(0, ((p.xM - from.xM) * x + (p.yM - from.yM) * y) / squared));
}

/** Distance in the plane from a point to the nearest of an edge, m. */
export function toEdgeM(edge: Edge, p: Point): number {
  return flatM(p, between(edge.from, edge.to, nearestShare(edge, p)));
}

/** Whether a point lies inside an outline, by the even-odd rule. */
export function isInside(points: readonly Point[], p: Point): boolean {
  return edgesAround(points).reduce((inside, { from, to }) => {
    if (from.yM > p.yM === to.yM > p.yM) return inside;
    const crossing = from.xM + ((p.yM - from.yM) / (to.yM - from.yM)) * (to.xM - from.xM);
    return p.xM < crossing ? !inside : inside;
  }, false);
}
