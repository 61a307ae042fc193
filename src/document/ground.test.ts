import { readFileSync } from 'node:fs';
import { Geodesic } from 'geographiclib-geodesic';
import { isInside, measuredFrames, placeOn, pointOn } from '@/core/ground';
import { deskOf } from '../../tests/support/desk';
import {
  decode,
  GROUND_TEMPLATES,
  groundFrom,
  groundOfPlaces,
  join,
  type OutingFile,
  putOnGround,
  removeFrame,
  removeFromGround,
  removeShooter,
  tieFrame,
} from '.';
import { groundGeoJson } from './formats';
import { readPlaces } from './formats/places';
import { createDocumentStore } from './live';

const demo = (): OutingFile => {
  const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
};
const opened = () => {
  const document = createDocumentStore(() => 0);
  document.open(deskOf(demo()));
  const now = () => document.store.getState().file!;
  return { ...document, now, frame: (id: string) => now().frames.find((f) => f.id === id)! };
};
const seenFrom = (frame: OutingFile['frames'][number], id: string) =>
  frame.standpoints.find((s) => s.stationId === id)?.seenPercent;

test.each(GROUND_TEMPLATES)(
  'the template %s: stations on open ground, each subject in sight',
  (key) => {
    const plan = groundFrom(key, (name) => name);
    expect(plan.stations.length).toBeGreaterThan(1);
    for (const { at } of plan.stations) {
      expect(isInside([...corners(plan)], at)).toBe(true);
      expect(plan.closed.some((c) => isInside(c.points, at))).toBe(false);
    }
    const [any] = demo().frames;
    for (const subject of plan.subjects) {
      const tied = { ...plan, subjects: [{ ...subject, frameIds: [any!.id] }] };
      const [frame] = measuredFrames([any!], tied);
      expect(frame!.standpoints.some((s) => s.seenPercent === 100)).toBe(true);
    }
  },
);

const corners = ({ widthM, heightM }: OutingFile['ground']) =>
  [
    [0, 0],
    [widthM, 0],
    [widthM, heightM],
    [0, heightM],
  ].map(([xM, yM]) => ({ xM: xM!, yM: yM! }));

test('what is measured follows every edit of the plan, and undo brings it back', () => {
  const { edit, undo, frame, now } = opened();
  expect(seenFrom(frame('f02'), 'towpath')).toBe(8);
  edit(removeFromGround('obstacles', 'barge'));
  expect(seenFrom(frame('f02'), 'towpath')).toBe(100);
  undo();
  expect(seenFrom(frame('f02'), 'towpath')).toBe(8);
  const station = now().ground.stations.find((s) => s.id === 'far-bank')!;
  edit(putOnGround('stations', { ...station, at: { ...station.at, yM: 140 } }));
  expect(frame('f02').need).toMatchObject({ fromM: 25, toM: 44.8 });
});

test('a picture is of one subject at a time; untied it keeps its distances', () => {
  const { edit, frame, now } = opened();
  edit(tieFrame(frame('f04').id, 'far-reach'));
  edit(tieFrame(frame('f04').id, 'start'));
  expect(now().ground.subjects.filter((s) => s.frameIds.some((id) => id === 'f04'))).toHaveLength(
    1,
  );
  const { need } = frame('f04');
  edit(tieFrame(frame('f04').id, null));
  expect(frame('f04')).toMatchObject({ need, standpoints: [] });
});

test('a tied picture, and a shooter of a station, can be deleted', () => {
  const { edit, frame, now } = opened();
  expect(edit(removeFrame(frame('f02').id))).toBe(true);
  expect(now().ground.subjects.flatMap((s) => s.frameIds)).not.toContain('f02');
  const second = now().outing.shooters.find((s) => s.id === 'second')!;
  expect(edit(removeShooter(second.id))).toBe(true);
  expect(now().ground.stations.find((s) => s.id === 'far-bank')?.shooterIds).toEqual([]);
});

test('a file that says other distances than its plan is read by the plan; a broken plan is refused', () => {
  const file = demo();
  const frames = file.frames.map((f) =>
    f.id === 'f02' ? { ...f, standpoints: [], need: { ...f.need, fromM: 1, toM: 2 } } : f,
  );
  const read = decode(JSON.stringify({ ...file, frames }));
  expect(read.ok && read.value.frames.find((f) => f.id === 'f02')?.need).toMatchObject({
    fromM: 15,
  });
  const [start, near] = file.ground.subjects;
  const twice = { ...near!, frameIds: [...start!.frameIds, ...near!.frameIds] };
  for (const [subjects, path] of [
    [[start, twice], 'ground.subjects[1].frameIds[0]'],
    [[{ ...start, frameIds: ['gone'] }], 'ground.subjects[0].frameIds[0]'],
    [[{ ...start, points: start!.points.slice(1) }], 'ground.subjects[0].points'],
  ] as const) {
    const refused = decode(JSON.stringify({ ...file, ground: { ...file.ground, subjects } }));
    expect(refused.ok ? [] : refused.error.issues.map((i) => i.path)).toEqual([path]);
  }
});

test('two tabs move two stations: both have moved, and nothing conflicts', () => {
  const base = opened().store.getState().desk!.plan;
  const moved = (id: string) => {
    const document = opened();
    const station = document.now().ground.stations.find((s) => s.id === id)!;
    document.edit(putOnGround('stations', { ...station, at: { xM: 60, yM: 140 } }));
    return document.store.getState().desk!.plan;
  };
  const [mine, theirs] = [moved('far-bank'), moved('towpath')];
  expect(mine.frames).not.toEqual(base.frames);
  const { value, conflicts } = join(base, mine, theirs);
  expect(conflicts).toEqual([]);
  expect(value.ground.stations.filter((s) => s.at.yM === 140).map((s) => s.id)).toEqual([
    'towpath',
    'far-bank',
  ]);
});

describe('a plan on Earth', () => {
  const location = { latitudeDeg: 55, longitudeDeg: -30, utcOffsetMin: 0 };
  const plan = { ...demo().ground, location };

  // Source: geodesics on WGS 84 by the geographiclib package.
  test.each([0, 45, 90, 200, 330])(
    '%s° from up, 5 km from its middle: less than 5 m off',
    (turn) => {
      const [widthM, heightM] = [12_000, 12_000];
      const large = { ...plan, widthM, heightM, northDeg: 30 };
      const angle = (turn * Math.PI) / 180;
      const point = { xM: 6000 + 5000 * Math.sin(angle), yM: 6000 + 5000 * Math.cos(angle) };
      const { latitudeDeg, longitudeDeg } = placeOn(large, point);
      const azimuth = turn - 30;
      const { lat2, lon2 } = Geodesic.WGS84.Direct(55, -30, azimuth, 5000);
      const off = Geodesic.WGS84.Inverse(lat2!, lon2!, latitudeDeg, longitudeDeg).s12!;
      expect(off).toBeLessThan(5);
      const back = pointOn(large, { latitudeDeg, longitudeDeg });
      expect(Math.hypot(back.xM - point.xM, back.yM - point.yM)).toBeLessThan(1e-6);
    },
  );

  // Source: RFC 7946: longitude first, rings closed and counterclockwise, no coordinates elsewhere.
  test('goes out as GeoJSON by its rules', () => {
    const { type, features } = JSON.parse(groundGeoJson(plan)!);
    expect(type).toBe('FeatureCollection');
    expect(features).toHaveLength(4 + 4 + 7 + 1);
    for (const { geometry, properties } of features) {
      expect(properties.name).toEqual(expect.any(String));
      if (geometry.type !== 'Polygon') continue;
      const [ring] = geometry.coordinates as [number, number][][];
      expect(ring!.at(0)).toEqual(ring!.at(-1));
      const twice = ring!.slice(1).reduce((sum, [x, y], i) => {
        const [fromX, fromY] = ring![i]!;
        return sum + fromX * y - x * fromY;
      }, 0);
      expect(twice).toBeGreaterThan(0);
    }
    const [first] = features[0].geometry.coordinates;
    expect(Math.abs(first - -30)).toBeLessThan(0.01);
    expect(groundGeoJson({ ...plan, location: null })).toBeNull();
  });

  const NAMES = { station: 'Station', subject: 'Path', closed: 'Closed' };

  test('comes back from GeoJSON to the centimetre, about the middle of what is on it', () => {
    const north = { ...plan, northDeg: 0 };
    const read = readPlaces(groundGeoJson(north)!);
    if (!read.ok) throw new Error(read.error.code);
    const back = groundOfPlaces(read.value, NAMES);
    const told = ({ stations, subjects, closed, obstacles }: typeof back) =>
      [stations, subjects, closed, obstacles].map((list) => list.map((x) => x.name));
    expect(told(back)).toEqual(told(north));
    const apart = ({ stations: [a, b] }: typeof back) =>
      Math.hypot(a!.at.xM - b!.at.xM, a!.at.yM - b!.at.yM);
    expect(Math.abs(apart(back) - apart(north))).toBeLessThan(0.03);
    expect(back.subjects.map((s) => s.kind)).toEqual(north.subjects.map((s) => s.kind));
  });

  // Source: GPX 1.1 schema: wpt, rte/rtept, trk/trkseg/trkpt with lat and lon attributes.
  test('waypoints, routes and tracks of GPX become stations and paths', () => {
    const track = Array.from(
      { length: 300 },
      (_, i) => `<trkpt lat="${44 + i * 1e-5}" lon="-30"/>`,
    );
    const gpx = `<?xml version="1.0"?><gpx version="1.1" creator="x"><wpt lat="44" lon="-30"><name>Bank &amp; bridge</name></wpt><wpt lat="44.001" lon="-30"/><rte><name>Route</name><rtept lat="44" lon="-30.001"/><rtept lat="44.0005" lon="-30.002"/></rte><trk><name>Track</name><trkseg>${track.join('')}</trkseg></trk></gpx>`;
    const read = readPlaces(gpx);
    if (!read.ok) throw new Error(read.error.code);
    const { stations, subjects, location } = groundOfPlaces(read.value, NAMES);
    expect(stations.map((s) => s.name)).toEqual(['Bank & bridge', 'Station']);
    expect(subjects.map((s) => [s.name, s.points.length])).toEqual([
      ['Route', 2],
      ['Track', 50],
    ]);
    // A thousandth of a degree of latitude is 111 m.
    expect(Math.abs(stations[1]!.at.yM - stations[0]!.at.yM - 111.1)).toBeLessThan(0.2);
    expect(location?.latitudeDeg).toBeCloseTo(44.001495, 6);
  });

  test.each(['', 'nothing', '{"type":3}', '<html><body>no</body></html>', '<gpx>'])(
    'is no file of places: %s',
    (text) => expect(readPlaces(text)).toEqual({ ok: false, error: { code: 'not-places' } }),
  );

  test('places that are none on Earth are left out', () => {
    const point = (coordinates: unknown) => ({ type: 'Point', coordinates });
    const geometries = [point([500, 0]), point(['a', 1]), point(null), { type: 'Blob' }];
    expect(readPlaces(JSON.stringify({ type: 'GeometryCollection', geometries }))).toEqual({
      ok: false,
      error: { code: 'no-places' },
    });
  });
});
