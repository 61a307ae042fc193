import type { Interval, IntervalSet } from '@/core/intervals';
import type { Footing } from '@/core/brief';
import type { ClosedGround, GroundSubject, Point } from './ground';
import { edgesOf } from './measure';
import { between, flatM, isInside, toEdgeM } from './plane';
import { type Eye, type Screen, seenOf } from './sight';

/** Share of an edge that counts as all of it: what floating point leaves. */
const ALL_BUT = 1 - 1e-9;

/** What a place must have of a subject for a picture to be made from it. */
export interface BandQuestion {
  readonly subject: GroundSubject;
  readonly footing: Footing;
  /** Distances in space that the setup covers, m. */
  readonly covered: IntervalSet;
  readonly cameraM: number;
  readonly screens: readonly Screen[];
  readonly closed: readonly ClosedGround[];
}

/**
 * Distances over the plane for distances in space to what is higher or lower by so much, m; null where
 * even right below it is too far away.
 */
export function flatRange({ from, to }: Interval, riseM: number): Interval | null {
  const flat = (m: number) => Math.sqrt(Math.max(0, m * m - riseM * riseM));
  return to < Math.abs(riseM) ? null : { from: flat(from), to: flat(to) };
}

/**
 * Whether a camera at a place on the plan makes a picture of a subject: all of it, where all distances
 * must be framed, else some of it, in sight, within what is covered, and not on closed ground.
 */
export function isInBand(place: Point, question: BandQuestion): boolean {
  const { subject, footing, covered, cameraM, screens, closed } = question;
  if (closed.some((c) => isInside(c.points, place))) return false;
  const eye: Eye = { ...place, zM: cameraM };
  const riseM = subject.middleM - cameraM;
  const edges = edgesOf(subject);
  const isWhole = footing !== 'free';
  const bands = covered.flatMap((range) => flatRange(range, riseM) ?? []);
  const parts = edges.map((edge) => ({
    edge,
    seen: seenOf(eye, edge, subject.middleM, screens),
    fromM: toEdgeM(edge, place),
    toM: Math.max(flatM(edge.from, place), flatM(edge.to, place)),
  }));
  if (isWhole) {
    const isSeen = parts.every(
      ({ seen }) => seen.reduce((sum, s) => sum + s.to - s.from, 0) > ALL_BUT,
    );
    const fromM = Math.min(...parts.map((p) => p.fromM));
    const toM = Math.max(...parts.map((p) => p.toM));
    return isSeen && bands.some((b) => b.from <= fromM && toM <= b.to);
  }
  return parts.some(({ edge, seen }) =>
    seen.some((share) => {
      const part = {
        from: between(edge.from, edge.to, share.from),
        to: between(edge.from, edge.to, share.to),
      };
      const fromM = toEdgeM(part, place);
      const toM = Math.max(flatM(part.from, place), flatM(part.to, place));
      return bands.some((b) => b.from <= toM && fromM <= b.to);
    }),
  );
}
