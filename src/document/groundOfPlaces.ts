import { EMPTY_GROUND, flatM, type Ground, ground, type Place, pointOn } from '@/core/ground';
import { freshId } from './freshId';
import type { FoundPlace } from './formats/places';
import { newClosed, newObstacle, newStation, newSubject } from './groundTemplates';

/** Names for what has none. */
export interface PlaceNames {
  readonly station: string;
  readonly subject: string;
  readonly closed: string;
}

/** Room around what is on the plan, as a share of it, and at the least, m. */
const ROOM = { share: 0.1, leastM: 10 } as const;
/** Points nearer to one another are one, m. */
const SAME_M = 0.01;
const MOST = 60;

/**
 * A plan of found places, brought to metres about their middle, north up: a point is a station, a line a
 * path along which something moves, an area closed ground; what was exported here is what it was, but for
 * heights of its own and round things, which come back as walls. The clock's offset isn't told.
 */
export function groundOfPlaces(found: readonly FoundPlace[], names: PlaceNames): Ground {
  const all = found.flatMap((f) => f.positions);
  const range = (of: (p: Place) => number) => {
    const values = all.map(of);
    return { from: Math.min(...values), to: Math.max(...values) };
  };
  const latitudes = range((p) => p.latitudeDeg);
  const longitudes = range((p) => p.longitudeDeg);
  const location = {
    latitudeDeg: (latitudes.from + latitudes.to) / 2,
    longitudeDeg: (longitudes.from + longitudes.to) / 2,
    utcOffsetMin: 0,
  };
  const about = (widthM: number, heightM: number) => ({ widthM, heightM, northDeg: 0, location });
  const corner = pointOn(about(0, 0), { latitudeDeg: latitudes.to, longitudeDeg: longitudes.to });
  const side = (half: number) =>
    Math.min(20_000, Math.ceil(2 * half + Math.max(ROOM.leastM, 2 * half * ROOM.share)));
  const sheet = about(side(corner.xM), side(corner.yM));
  const taken = new Set<string>();
  const things = found.map((f) => {
    const fallback = { point: names.station, line: names.subject, area: names.closed }[f.kind];
    const name = f.name === '' ? fallback : f.name;
    const id = freshId(name, taken);
    taken.add(id);
    const points = f.positions
      .map((p) => pointOn(sheet, p))
      .map(({ xM, yM }) => ({ xM: Number(xM.toFixed(2)), yM: Number(yM.toFixed(2)) }));
    const distinct = points.filter((p, i) => i === 0 || flatM(p, points[i - 1]!) > SAME_M);
    return { ...f, id, name, points: distinct };
  });
  const of = (is: (thing: (typeof things)[number]) => boolean) => things.filter(is).slice(0, MOST);
  const isObstacle = ({ as }: (typeof things)[number]) =>
    as === 'wall' || as === 'people' || as === 'pillar' || as === 'tree';
  const isSubject = ({ as }: (typeof things)[number]) => as?.startsWith('subject') ?? false;
  return ground.parse({
    ...EMPTY_GROUND,
    ...sheet,
    stations: of((t) => t.kind === 'point' && !isSubject(t)).map(({ id, name, points }) => ({
      ...newStation(points[0]!),
      id,
      name,
    })),
    subjects: of(
      (t) => !isObstacle(t) && (isSubject(t) || (t.kind === 'line' && t.points.length > 1)),
    ).map(({ id, name, points, as }) => ({
      ...newSubject(
        points.length === 1 ? 'point' : as === 'subject-line' ? 'line' : 'path',
        points,
      ),
      id,
      name,
    })),
    obstacles: of((t) => isObstacle(t) && t.points.length > 1).map(
      ({ id, name, points, as, kind }) => ({
        ...newObstacle(
          as === 'people' ? 'people' : 'wall',
          kind === 'area' ? [...points, points[0]!] : points,
        ),
        id,
        name,
      }),
    ),
    closed: of((t) => t.kind === 'area' && !isObstacle(t) && t.points.length > 2).map(
      ({ id, name, points }) => ({ ...newClosed(points), id, name }),
    ),
  });
}
