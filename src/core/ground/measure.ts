import type { IntervalSet } from '@/core/intervals';
import type { GroundSubject, Station } from './ground';
import { between, edgesAlong, type Edge, flatM, nearestShare } from './plane';
import { type Eye, type Screen, seenOf } from './sight';

/** What a camera at a station has of a subject. */
export interface Measured {
  /** Nearest and farthest that it sees of it, m from the camera in space; of all of it where it sees nothing. */
  readonly fromM: number;
  readonly toM: number;
  /** Share of its length that is in sight, 0 to 1; a point is in sight or not. */
  readonly seen: number;
}

/** The camera at a station. */
const eyeAt = ({ at, cameraM }: Station): Eye => ({ ...at, zM: cameraM });

/** The edges of a subject; a point is one of no length. */
export function edgesOf({ points }: Pick<GroundSubject, 'points'>): Edge[] {
  const [first] = points;
  return points.length === 1 && first ? [{ from: first, to: first }] : edgesAlong(points);
}

/**
 * Distances in space from the camera at a station to a subject, whose middle runs level at its height,
 * and how much of it is in sight. Flat ground, straight sight.
 */
export function measure(
  station: Station,
  subject: GroundSubject,
  screens: readonly Screen[],
): Measured {
  const eye = eyeAt(station);
  const edges = edgesOf(subject).map((edge) => ({
    edge,
    lengthM: flatM(edge.from, edge.to),
    seen: seenOf(eye, edge, subject.middleM, screens),
  }));
  const lengthM = edges.reduce((sum, e) => sum + e.lengthM, 0);
  const inSight = edges.reduce((sum, e) => sum + lengthOf(e.seen) * e.lengthM, 0);
  const isPoint = lengthM === 0;
  const seen = isPoint ? Number(edges.some((e) => e.seen.length > 0)) : inSight / lengthM;
  const looked = edges.flatMap(({ edge, seen: parts }) =>
    (seen > 0 ? parts : ALL).map(({ from, to }) => ({
      from: between(edge.from, edge.to, from),
      to: between(edge.from, edge.to, to),
    })),
  );
  const riseM = subject.middleM - station.cameraM;
  const nearM = Math.min(
    ...looked.map((part) => flatM(between(part.from, part.to, nearestShare(part, eye)), eye)),
  );
  const farM = Math.max(...looked.flatMap((part) => [flatM(part.from, eye), flatM(part.to, eye)]));
  return { fromM: Math.hypot(nearM, riseM), toM: Math.hypot(farM, riseM), seen };
}

const ALL: IntervalSet = [{ from: 0, to: 1 }];

const lengthOf = (set: IntervalSet) => set.reduce((sum, { from, to }) => sum + to - from, 0);
