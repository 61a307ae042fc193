import { XMLParser, XMLValidator } from 'fast-xml-parser';
import type { Place } from '@/core/ground';
import { err, ok, type Result } from '@/core/result';

/** Something at a place, along a line, or an area, as a file of places has it. */
export interface FoundPlace {
  readonly kind: 'point' | 'line' | 'area';
  /** What it is on a plan that was exported here; null in other files. */
  readonly as: string | null;
  readonly name: string;
  readonly positions: readonly Place[];
}

export type NoPlaces = { readonly code: 'not-places' | 'no-places' };

/** Most things, and most points of one, that are taken. */
const MOST_THINGS = 200;
const MOST_POINTS = 50;
const LONGEST_NAME = 120;

/**
 * Reads a file of places: GeoJSON (RFC 7946), or the waypoints, routes and tracks of GPX 1.1. Of a line with
 * too many points so many are kept, evenly.
 */
export function readPlaces(text: string): Result<readonly FoundPlace[], NoPlaces> {
  const found = text.trimStart().startsWith('<') ? ofGpx(text) : ofGeoJson(text);
  if (found === null) return err({ code: 'not-places' });
  const good = found.filter((f) => f.positions.length > 0).slice(0, MOST_THINGS);
  return good.length === 0 ? err({ code: 'no-places' }) : ok(good);
}

const isPlace = ({ latitudeDeg, longitudeDeg }: Place) =>
  Math.abs(latitudeDeg) <= 90 && Math.abs(longitudeDeg) <= 180;

function thinned(positions: readonly Place[]): readonly Place[] {
  const good = positions.filter(isPlace);
  if (good.length <= MOST_POINTS) return good;
  return Array.from(
    { length: MOST_POINTS },
    (_, i) => good[Math.round((i * (good.length - 1)) / (MOST_POINTS - 1))]!,
  );
}

const named = (name: unknown): string =>
  typeof name === 'string' || typeof name === 'number'
    ? String(name).replace(/\s+/g, ' ').trim().slice(0, LONGEST_NAME)
    : '';

interface GeoNode {
  readonly type?: unknown;
  readonly features?: unknown;
  readonly geometry?: unknown;
  readonly geometries?: unknown;
  readonly coordinates?: unknown;
  readonly properties?: unknown;
}

function ofGeoJson(text: string): FoundPlace[] | null {
  let root: unknown;
  try {
    root = JSON.parse(text);
  } catch {
    return null;
  }
  if (!isNode(root) || typeof root.type !== 'string') return null;
  const features =
    root.type === 'FeatureCollection'
      ? listOf(root.features)
      : root.type === 'Feature'
        ? [root]
        : [{ geometry: root }];
  return features.flatMap((feature) => {
    if (!isNode(feature) || !isNode(feature.geometry)) return [];
    const { kind, name } = (isNode(feature.properties) ? feature.properties : {}) as {
      kind?: unknown;
      name?: unknown;
    };
    const as = typeof kind === 'string' ? kind : null;
    return shapesOf(feature.geometry).map((shape) => ({ ...shape, as, name: named(name) }));
  });
}

type Shape = Pick<FoundPlace, 'kind' | 'positions'>;

/** The shapes of a geometry; of an area its outline, holes left out. */
function shapesOf({ type, coordinates, geometries }: GeoNode): Shape[] {
  const line = (of: unknown): Place[] => listOf(of).flatMap(positionOf);
  const point = (of: unknown): Shape => ({ kind: 'point', positions: positionOf(of) });
  const along = (of: unknown): Shape => ({ kind: 'line', positions: thinned(line(of)) });
  const area = (of: unknown): Shape => {
    const ring = line(listOf(of)[0]);
    return { kind: 'area', positions: thinned(ring.slice(0, -1)) };
  };
  const each = (make: (of: unknown) => Shape) => listOf(coordinates).map(make);
  switch (type) {
    case 'Point':
      return [point(coordinates)];
    case 'MultiPoint':
      return each(point);
    case 'LineString':
      return [along(coordinates)];
    case 'MultiLineString':
      return each(along);
    case 'Polygon':
      return [area(coordinates)];
    case 'MultiPolygon':
      return each(area);
    case 'GeometryCollection':
      return listOf(geometries).flatMap((g) => (isNode(g) ? shapesOf(g) : []));
    default:
      return [];
  }
}

function positionOf(of: unknown): Place[] {
  const [longitudeDeg, latitudeDeg] = listOf(of);
  if (typeof longitudeDeg !== 'number' || typeof latitudeDeg !== 'number') return [];
  const place = { latitudeDeg, longitudeDeg };
  return isPlace(place) ? [place] : [];
}

const isNode = (value: unknown): value is GeoNode => typeof value === 'object' && value !== null;
const listOf = (value: unknown): readonly unknown[] => (Array.isArray(value) ? value : []);

const LISTS: ReadonlySet<string> = new Set(['wpt', 'rte', 'rtept', 'trk', 'trkseg', 'trkpt']);
const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  parseTagValue: false,
  processEntities: true,
  isArray: (name) => LISTS.has(name),
});

interface GpxNode {
  readonly '@lat'?: string;
  readonly '@lon'?: string;
  readonly name?: unknown;
  readonly wpt?: readonly GpxNode[];
  readonly rte?: readonly GpxNode[];
  readonly rtept?: readonly GpxNode[];
  readonly trk?: readonly GpxNode[];
  readonly trkseg?: readonly GpxNode[];
  readonly trkpt?: readonly GpxNode[];
}

function ofGpx(xml: string): FoundPlace[] | null {
  if (XMLValidator.validate(xml) !== true) return null;
  let gpx: GpxNode | undefined;
  try {
    gpx = (parser.parse(xml) as { gpx?: GpxNode }).gpx;
  } catch {
    return null;
  }
  if (!isNode(gpx)) return null;
  const place = ({ '@lat': lat, '@lon': lon }: GpxNode): Place => ({
    latitudeDeg: lat === undefined ? NaN : Number(lat),
    longitudeDeg: lon === undefined ? NaN : Number(lon),
  });
  const line = (points: readonly GpxNode[] = [], name: unknown): FoundPlace => ({
    kind: 'line',
    as: null,
    name: named(name),
    positions: thinned(points.map(place)),
  });
  return [
    ...(gpx.wpt ?? []).map((w): FoundPlace => {
      const positions = [place(w)].filter(isPlace);
      return { kind: 'point', as: null, name: named(w.name), positions };
    }),
    ...(gpx.rte ?? []).map((r) => line(r.rtept, r.name)),
    ...(gpx.trk ?? []).flatMap((t) => (t.trkseg ?? []).map((s) => line(s.trkpt, t.name))),
  ];
}
