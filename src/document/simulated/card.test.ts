import { readFileSync } from 'node:fs';
import piexif from 'piexifjs';
import {
  type AgainstPlan,
  againstPlan,
  assignPhotos,
  deviceKey,
  identityAt,
  type Lesson,
  lessonsOf,
  type Log,
  logBuilder,
  type LogMarks,
  nameAt,
  NO_MARKS,
  outingSpan,
  recognised,
  seenOf,
  select,
  endsOf,
  learntShares,
  stretchTimes,
  suggestClocks,
  takenWithin,
  usageOf,
} from '@/core/log';
import { frameId } from '@/core/brief';
import { decode, framesOfClusters, gearOfSeen, NO_GEAR, type OutingFile } from '@/document';
import { clustersOf, gearSeen } from '@/core/log';
import { shelf as shelfSchema } from '@/core/gear';
import { frame as frameSchema } from '@/core/brief';
import { readPhoto } from '../formats/photoData';
import { readPhotoTable, writePhotoTable } from '../formats/photoTable';
import { ARCHIVE_PHOTOS, simulatedArchive, simulatedCard } from '@/document/simulated';

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
const demo = (read.ok ? read.value : null) as OutingFile;
const card = simulatedCard(demo);
const PLANNED = ['k-70-300', 't-10-24', 't-16-55', 't-23'];

function readCard(): { log: Log; counts: Record<string, number> } {
  const builder = logBuilder();
  const counts: Record<string, number> = {};
  for (const { path, bytes } of card.files) {
    const [name = '', ...folders] = path.split('/').reverse();
    const folder = folders.reverse().join('/');
    const came = readPhoto({ folder, name, head: bytes.buffer, sidecar: null });
    counts[came.kind] = (counts[came.kind] ?? 0) + 1;
    if (came.kind === 'photo') builder.add(came.photo);
  }
  return { log: builder.log(), counts };
}
const { log, counts } = readCard();
const span = outingSpan(demo.outing, demo.stretches)!;

function held(marks: LogMarks) {
  const seen = seenOf(log, demo.shelf, marks);
  const which = select(log, takenWithin(seen, span));
  const assigned = assignPhotos(seen, which, demo, marks);
  return { seen, which, against: againstPlan(seen, assigned, demo, PLANNED) };
}
const camera = log.cameras.find((c) => c.model === 'T20')!;
const CORRECTED = { ...NO_MARKS, clocks: { [deviceKey(camera)]: 240 } };
const { seen, which, against } = held(CORRECTED);

test('the card is the same every time, and real', () => {
  const again = simulatedCard(demo);
  expect(again.files.map((f) => [f.path, f.bytes.length])).toEqual(
    card.files.map((f) => [f.path, f.bytes.length]),
  );
  expect(counts).toEqual({ photo: card.intents.length, damaged: 5, 'not-a-photo': 3 });
  expect(card.intents.length).toBeGreaterThan(600);
});

test('its cameras and lenses are recognised, and the clock that is off is found', () => {
  expect(recognised(log, demo.shelf, NO_MARKS)).toEqual({
    bodyIds: log.cameras.map((c) => (c.model === 'T20' ? 't20' : 'k1')),
    lensIds: log.lenses.map(
      (l) => demo.shelf.lenses.find((d) => d.name.replaceAll('–', '-') === l.model)!.id,
    ),
  });
  const wrong = seenOf(log, demo.shelf, NO_MARKS);
  const found = suggestClocks(wrong, which, stretchTimes(demo.stretches));
  expect(found).toHaveLength(1);
  expect(log.cameras[found[0]!.camera]).toEqual(camera);
  // The truth, 4 min, is in the range, and the round figure in it is suggested.
  expect(found[0]).toMatchObject({ offsetS: 240 });
  expect(suggestClocks(seen, which, stretchTimes(demo.stretches))).toEqual([]);
});

/** Photographs that were given to what the photographer meant, of all. */
function right({ assigned }: AgainstPlan): number {
  const meant = new Map(card.intents.map((i) => [i.path, i.frameId]));
  const path = (i: number) => `${log.folders[log.lists.folder[i]!]}/${nameAt(log, i)}`;
  return assigned.filter((a) => a.frameId === meant.get(path(a.photo))).length / assigned.length;
}

test('99 in 100 photographs are given to the picture that was meant', () => {
  const share = right(against);
  expect(against.count).toBe(card.intents.length);
  expect(share).toBeGreaterThan(0.985);
});

test('the missed picture, the unused and the unplanned lens, and the changes are told', () => {
  expect(against.missed).toEqual(['f08']);
  expect(against.unused).toEqual(['t-23']);
  expect(against.unplanned.map((u) => against.lenses[u.group]!.lensId)).toEqual(['k-50']);
  // By hand: the same files sorted by camera and time.
  const order = [...which].sort((a, b) => seen.takenMs[a]! - seen.takenMs[b]! || a - b);
  const changes = [0, 1].flatMap((c) => {
    const lenses = order.filter((i) => log.lists.camera[i] === c).map((i) => log.lists.lens[i]!);
    return lenses.filter((l, k) => k > 0 && lenses[k - 1] !== l);
  });
  expect(against.changes).toHaveLength(changes.length);
  const had = against.frames.reduce((sum, f) => sum + f.count, 0);
  expect(had + against.outside.length).toBe(against.count);
  expect(against.frames.reduce((sum, f) => sum + f.hadPercent, 0)).toBeCloseTo(100, 6);
  expect(learntShares(against).get(frameId.parse('f08'))).toBeUndefined();
});

test('what is said by hand stays', () => {
  const photo = against.outside[0]!;
  const frames = { [identityAt(log, photo)]: frameId.parse('f16') };
  const after = held({ ...CORRECTED, frames }).against.assigned.find((a) => a.photo === photo);
  expect(after).toMatchObject({ frameId: 'f16', byHand: true });
});

const lessonsWith = (plannedChanges: number) =>
  lessonsOf({
    usage: usageOf(seen, which),
    shelf: demo.shelf,
    carriedIds: [...PLANNED, 'k-50'],
    strangers: 0,
    hindsight: null,
    against,
    plannedChanges,
    ends: endsOf(seen, which),
  });

test('as many changes as planned teach nothing', () => {
  const made = against.changes.length;
  const told = (planned: number) => lessonsWith(planned).some((l) => l.code === 'more-changes');
  expect([told(made - 1), told(made), told(made + 1)]).toEqual([true, false, false]);
});

test('it teaches what was simulated', () => {
  const lessons = lessonsWith(5);
  const of = (code: Lesson['code']) => lessons.find((l) => l.code === code);
  expect(of('never-used')).toMatchObject({ lensId: 't-23', weightG: 375 });
  expect(of('missed')).toMatchObject({ frameIds: ['f08'] });
  expect(of('more-changes')).toMatchObject({ made: against.changes.length, planned: 5 });
  expect(of('one-end')).toMatchObject({ lensId: 'k-70-300', end: 'long' });
});

test('alike photographs become pictures that an outing can hold', () => {
  const clusters = clustersOf(seen, which, stretchTimes(demo.stretches));
  const named = clusters.map((cluster, i) => ({ cluster, name: `Group ${i}` }));
  const frames = framesOfClusters(named, demo.frames);
  expect(frames.length).toBeGreaterThan(5);
  for (const f of frames) expect(frameSchema.safeParse(f).success).toBe(true);
  expect(new Set([...frames, ...demo.frames].map((f) => f.id)).size).toBe(
    frames.length + demo.frames.length,
  );
});

test('a newcomer gets a shelf of it, with all that the files tell', () => {
  const nothing = recognised(log, NO_GEAR, NO_MARKS);
  const made = gearOfSeen(log, gearSeen(log, nothing), nothing.bodyIds, NO_GEAR, {
    mount: (make) => `${make} mount`,
    camera: 'Camera',
    lens: () => 'Lens',
  });
  expect(shelfSchema.safeParse({ ...NO_GEAR, ...made }).success).toBe(true);
  expect(
    made.bodies.map((b) => [b.name, b.mount, b.sensor.widthMm > 23 && b.sensor.widthMm < 37]),
  ).toEqual([
    ['T20', 'Tessendorn mount', true],
    ['K1', 'Quillmar mount', true],
  ]);
  // A lens of another maker gets the mount of the body that it was used on.
  const tele = made.lenses.find((l) => l.maker === 'Varnholt')!;
  expect(tele).toMatchObject({ mount: 'Quillmar mount', focal: { wideMm: 70, longMm: 300 } });
  expect(tele.apertures.map((a) => a.fNumber)).toEqual([4.5, 5.6]);
});

test('the archive of a year is read through the door of tables, and comes out as it went in', () => {
  const text = simulatedArchive();
  const table = readPhotoTable(text);
  if (table.code !== 'read') throw new Error(table.code);
  expect([table.photos.length, table.withoutFile]).toEqual([ARCHIVE_PHOTOS, 0]);
  const builder = logBuilder();
  for (const p of table.photos.slice(0, 500)) builder.add(p);
  const out = readPhotoTable(writePhotoTable(builder.log()));
  if (out.code !== 'read') throw new Error(out.code);
  out.photos.forEach((p, i) => {
    const { timeS, ...rest } = table.photos[i]!;
    expect(p).toMatchObject(rest);
    expect(p.timeS! / timeS!).toBeCloseTo(1, 6);
  });
});

test.each([
  ['', 'not-a-table'],
  ['{', 'not-a-table'],
  ['[{"Model": "K1"}]', 'no-source-file'],
  ['Model,ISO\nK1,100', 'no-source-file'],
])('a table that is none is refused: %j', (text, code) => {
  expect(readPhotoTable(text).code).toBe(code);
});

test('where stretches have no times, their pictures are still found', () => {
  const stretches = demo.stretches.map((s) => ({ ...s, day: null, fromTime: null, toTime: null }));
  const wanted = { ...demo, stretches };
  const assigned = assignPhotos(seen, which, wanted, CORRECTED);
  const within = assigned.filter((a) => a.frameId !== null).length;
  expect(within / assigned.length).toBeGreaterThan(0.9);
});

test('figures that no photograph has, and texts without end, are not taken from a table', () => {
  const long = 'x'.repeat(10_000);
  const read = readPhotoTable(
    JSON.stringify([
      { SourceFile: 'a.jpg', FNumber: '1e-308', ISO: 1e12, FocalLength: '1e300', Model: long },
      {
        SourceFile: 'b.jpg',
        FNumber: 0.95,
        ISO: 3_276_800,
        FocalLength: 1200,
        LensInfo: '1e-9 70 2 4',
      },
    ]),
  );
  if (read.code !== 'read') throw new Error(read.code);
  const [a, b] = read.photos;
  expect([a!.fNumber, a!.iso, a!.focalMm, a!.body.model.length]).toEqual([null, null, null, 120]);
  expect([b!.fNumber, b!.iso, b!.focalMm]).toEqual([0.95, 3_276_800, 1200]);
  expect(b!.lens.specification).toBeNull();
});

test.each([
  ['24,5 mm', 24.5],
  ['24,50', 24.5],
  ['24.5 mm', 24.5],
  ['1,200 mm', 1200],
  ['1,200.5', 1200.5],
])('a focal length in a table may have a comma: %s', (FocalLength, mm) => {
  const read = readPhotoTable(JSON.stringify([{ SourceFile: 'a.jpg', FocalLength }]));
  expect(read.code === 'read' && read.photos[0]!.focalMm).toBe(mm);
});

test('of two figures for ISO the first counts, and a distance over nothing is far away', () => {
  const grey = String.fromCharCode(...simulatedCard(demo).files[0]!.bytes);
  const exif = piexif.dump({ Exif: { 0x8827: [200, 400], 0x9206: [1, 0] } as never });
  const bytes = Uint8Array.from(piexif.insert(exif, grey), (byte) => byte.charCodeAt(0));
  const came = readPhoto({ folder: '', name: 'a.jpg', head: bytes.buffer, sidecar: null });
  expect(came.kind === 'photo' && [came.photo.iso, came.photo.subjectM]).toEqual([200, Infinity]);
});
