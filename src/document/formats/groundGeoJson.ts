import { type Ground, isRound, outlineOf, placeOn, type Point } from '@/core/ground';

type Position = readonly [longitude: number, latitude: number];

/** Digits after the point of a degree: about a centimetre. */
const DIGITS = 7;

/**
 * A plan as GeoJSON (RFC 7946): stations and subjects at a point are points, the others lines, what is
 * round and closed ground polygons wound counterclockwise; what they are, their names and heights are
 * properties.
 *
 * @returns null where the location of the plan isn't known
 */
export function groundGeoJson(ground: Ground): string | null {
  const { location } = ground;
  if (location === null) return null;
  const position = (p: Point): Position => {
    const { longitudeDeg, latitudeDeg } = placeOn({ ...ground, location }, p);
    return [Number(longitudeDeg.toFixed(DIGITS)), Number(latitudeDeg.toFixed(DIGITS))];
  };
  const along = (points: readonly Point[]) =>
    points.length === 1
      ? { type: 'Point', coordinates: position(points[0]!) }
      : { type: 'LineString', coordinates: points.map(position) };
  const around = (points: readonly Point[]) => {
    const ring = isCounterclockwise(points) ? points : points.toReversed();
    return { type: 'Polygon', coordinates: [[...ring, ring[0]!].map(position)] };
  };
  const feature = (id: string, geometry: object, properties: object) => ({
    type: 'Feature',
    id,
    geometry,
    properties,
  });
  const features = [
    ...ground.stations.map(({ id, name, at, cameraM }) =>
      feature(id, along([at]), { kind: 'station', name, cameraM }),
    ),
    ...ground.subjects.map(({ id, name, kind, points, middleM }) =>
      feature(id, along(points), { kind: `subject-${kind}`, name, middleM }),
    ),
    ...ground.obstacles.map((o) =>
      feature(o.id, isRound(o.kind) ? around(outlineOf(o)) : along(o.points), {
        kind: o.kind,
        name: o.name,
        topM: o.topM,
      }),
    ),
    ...ground.closed.map(({ id, name, points }) =>
      feature(id, around(points), { kind: 'closed', name }),
    ),
  ];
  return `${JSON.stringify({ type: 'FeatureCollection', features }, null, 2)}\n`;
}

function isCounterclockwise(points: readonly Point[]): boolean {
  const twice = points.reduce((sum, p, i) => {
    const next = points[(i + 1) % points.length]!;
    return sum + p.xM * next.yM - next.xM * p.yM;
  }, 0);
  return twice > 0;
}
