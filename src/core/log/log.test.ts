import fc from 'fast-check';
import { aBody, aLens, aShelf, aStretch } from '../../../tests/support/gear';
import { aPhoto } from '../../../tests/support/photos';
import { lensId } from '@/core/gear';
import {
  clustersOf,
  deviceKey,
  EMPTY_LOG,
  gearSeen,
  isPortrait,
  type Log,
  identityAt,
  logBuilder,
  logOf,
  NO_MARKS,
  couldHaveMade,
  namelessIn,
  outingSpan,
  type Photo,
  photoAt,
  recognised,
  seenOf,
  select,
  stretchAt,
  stretchTimes,
  suggestClocks,
  usageOf,
} from '@/core/log';

const filled = (photos: readonly Photo[], start: Log = EMPTY_LOG) => {
  const builder = logBuilder(start);
  const added = photos.filter((p) => builder.add(p)).length;
  return { log: builder.log(), added };
};
const K1 = { make: 'Quillmar', model: 'K1', serial: '7' };

const some = <T>(value: fc.Arbitrary<T>) => fc.option(value);
const word = fc.constantFrom('', 'K1', 'Objektiv ä', '鏡頭', 'Quillmar');
const anyPhoto: fc.Arbitrary<Photo> = fc.record({
  folder: fc.constantFrom('', 'DCIM/100', 'ordner/ü'),
  name: fc.string({ minLength: 1, maxLength: 30, unit: 'grapheme' }),
  takenMs: some(fc.integer({ min: 0, max: 3e12 })),
  zoneMin: some(fc.integer({ min: -840, max: 840 })),
  body: fc.record({ make: word, model: word, serial: word }),
  lens: fc.record({
    make: word,
    model: word,
    serial: word,
    specification: some(
      fc.record({
        wideMm: fc.integer({ min: 5, max: 100 }),
        longMm: fc.integer({ min: 100, max: 900 }),
        fNumberWide: some(fc.constantFrom(1.8, 2.8)),
        fNumberLong: some(fc.constantFrom(4, 5.6)),
      }),
    ),
  }),
  focalMm: some(fc.constantFrom(8.8, 50, 135.5, 600)),
  equivalentMm: some(fc.integer({ min: 8, max: 2000 })),
  fNumber: some(fc.constantFrom(0.95, 1.8, 2.8, 5.6)),
  timeS: some(fc.constantFrom(1 / 8000, 1 / 640, 0.3, 30)),
  iso: some(fc.constantFrom(50, 100, 12_800, 409_600)),
  flash: some(fc.boolean()),
  subjectM: some(fc.constantFrom(0.25, 12.5, Infinity)),
  widthPx: some(fc.integer({ min: 100, max: 99_999 })),
  heightPx: some(fc.integer({ min: 100, max: 99_999 })),
  orientation: some(fc.integer({ min: 1, max: 8 })),
  digitalZoom: some(fc.constantFrom(1, 1.5)),
  sensor: some(fc.constantFrom({ widthMm: 36, heightMm: 24 }, { widthMm: 23.5, heightMm: 15.6 })),
  rating: some(fc.integer({ min: -1, max: 5 })),
  label: fc.constantFrom('', 'Red'),
  place: some(fc.constantFrom({ latitudeDeg: -54.5, longitudeDeg: 5.25 })),
});

describe('columns', () => {
  it('give back every photograph as it was', () => {
    fc.assert(
      fc.property(fc.array(anyPhoto, { maxLength: 30 }), (photos) => {
        const builder = logBuilder();
        const kept = photos.filter((p) => builder.add(p));
        const log = builder.log();
        expect(log.count).toBe(kept.length);
        kept.forEach((p, i) => {
          const is = photoAt(log, i);
          const { timeS, ...rest } = p;
          expect(is).toMatchObject(
            // What is rated later is tried below.
            Object.fromEntries(
              Object.entries(rest).filter(([k]) => k !== 'rating' && k !== 'label'),
            ),
          );
          if (timeS === null) expect(is.timeS).toBeNull();
          else expect(is.timeS! / timeS).toBeCloseTo(1, 6);
        });
      }),
      { numRuns: 150, seed: 3 },
    );
  });

  it('hold a photograph once, whatever its folder and ending, and take over a later rating', () => {
    const one = aPhoto('RIV_0001.JPG', { body: K1, takenMs: 5, folder: 'card' });
    const raw = { ...one, name: 'riv_0001.NEF', folder: 'disk', rating: 4, label: 'Red' };
    const { log, added } = filled([
      one,
      raw,
      { ...one, takenMs: 6000 },
      { ...one, name: 'RIV_0002.JPG' },
    ]);
    expect([added, log.count]).toEqual([3, 3]);
    expect(photoAt(log, 0)).toMatchObject({ folder: 'card', rating: 4, label: 'Red' });
    const again = filled([{ ...raw, rating: null, label: '' }], log);
    expect(again.added).toBe(0);
    expect(photoAt(again.log, 0)).toMatchObject({ rating: 4, label: 'Red' });
  });

  it('know a raw file and its JPEG as one where each tells its moment and camera in its own way', () => {
    const jpeg = aPhoto('DSC_7.JPG', {
      body: { make: 'Quillmar', model: 'K1', serial: '' },
      takenMs: 5000,
    });
    const raw = {
      ...jpeg,
      name: 'DSC_7.NEF',
      body: { make: 'QUILLMAR WORKS', model: 'k1', serial: '0417' },
      takenMs: 5480,
    };
    expect(filled([jpeg, raw]).added).toBe(1);
    expect(filled([raw, jpeg]).added).toBe(1);
    // Known again when it is read later, among others of its second.
    expect(filled([raw], filled([jpeg, aPhoto('x', { takenMs: 5100 })]).log).added).toBe(0);
    // Two cameras of a model, by their numbers.
    const other = { ...raw, body: { ...raw.body, serial: '0999' } };
    expect(filled([raw, other]).added).toBe(2);
  });

  it('without a moment know photographs apart by their folders', () => {
    const bare = { body: K1, takenMs: null };
    const photos = ['a', 'b'].map((folder) => aPhoto('DSC_1.JPG', { ...bare, folder }));
    const { log, added } = filled(photos);
    expect(added).toBe(2);
    expect(identityAt(log, 0)).not.toBe(identityAt(log, 1));
    expect(filled(photos, log).added).toBe(0);
  });

  it('leave a log as it is while photographs are added to it and rated', () => {
    const { log } = filled([aPhoto('a', { rating: 1 })]);
    filled([aPhoto('a', { rating: 5 }), aPhoto('b')], log);
    expect([log.count, photoAt(log, 0).rating]).toEqual([1, 1]);
  });

  it('keep what is kept, without the names of what is gone', () => {
    const { log } = filled([aPhoto('a', { folder: 'x' }), aPhoto('b', { folder: 'y', body: K1 })]);
    const kept = logOf(log, (i) => photoAt(log, i).folder === 'y');
    expect([kept.count, kept.folders, kept.cameras]).toEqual([1, ['y'], [K1]]);
  });
});

test.each([
  [6000, 4000, 1, false],
  [6000, 4000, 6, true],
  [4000, 6000, 1, true],
  [4000, 6000, 8, false],
  [4000, null, 1, null],
])('%s × %s px, turned %s, stands upright: %s', (widthPx, heightPx, orientation, is) => {
  expect(isPortrait({ widthPx, heightPx, orientation })).toBe(is);
});

describe('angles', () => {
  const shelf = aShelf(
    [],
    [],
    [
      aBody({
        id: 'k1',
        name: 'K1',
        sensor: { widthMm: 18, heightMm: 12, pixelsWide: 100, pixelsHigh: 100 },
      }),
    ],
  );
  // Equivalents by the diagonals' ratio: 36 × 24 over 18 × 12 is 2.
  test.each([
    ['by the body on the shelf', { body: K1, focalMm: 25, equivalentMm: 49 }, 50],
    ['by a crop mode that the file tells of', { body: K1, focalMm: 25, equivalentMm: 75 }, 75],
    ['with digital zoom', { body: K1, focalMm: 25, digitalZoom: 2 }, 100],
    ['by the sensor in the file', { focalMm: 25, sensor: { widthMm: 9, heightMm: 6 } }, 100],
    ['as the file says', { focalMm: 5, equivalentMm: 26 }, 26],
    ['not at all', { focalMm: 5 }, NaN],
  ])('%s', (_, told, equivalent) => {
    const { equivalentMm } = seenOf(filled([aPhoto('a', told)]).log, shelf, NO_MARKS);
    expect(String(Math.round(1000 * equivalentMm[0]!))).toBe(String(Math.round(1000 * equivalent)));
  });
});

describe('what is on the shelf', () => {
  const spec = (
    wideMm: number,
    longMm: number,
    fNumberWide: number,
    fNumberLong = fNumberWide,
  ) => ({
    wideMm,
    longMm,
    fNumberWide,
    fNumberLong,
  });
  const shelf = aShelf(
    [
      aLens('k-70', 70, 300, [4.5, 5.6], { name: '70–300 mm f/4.5–5.6', mount: 'K' }),
      aLens('t-70', 70, 300, [4.5, 5.6], { name: 'Other 70–300', mount: 'T' }),
      aLens('k-50', 50, 50, 1.8, { name: '50 mm f/1.8', maker: 'Quillmar', mount: 'K' }),
    ],
    [],
    [aBody({ id: 'k1', name: 'K1', maker: 'Quillmar', mount: 'K' })],
  );
  const lens = (model: string, specification: Photo['lens']['specification'] = null) => ({
    make: '',
    model,
    serial: '',
    specification,
  });
  test.each([
    ['by name', lens('50mm F1.8'), 'k-50'],
    ['by maker and name', lens('Quillmar 50 mm f/1.8'), 'k-50'],
    [
      'by range and f-numbers on the mount of its camera',
      lens('Zoom 7', spec(70, 300, 4.5, 5.6)),
      'k-70',
    ],
    ['not by another f-number', lens('Zoom 8', spec(70, 300, 4, 5.6)), null],
    ['not without anything', lens(''), null],
  ])('is recognised %s', (_, seen, id) => {
    const { log } = filled([aPhoto('a', { body: K1, lens: seen })]);
    expect(recognised(log, shelf, NO_MARKS)).toEqual({ bodyIds: ['k1'], lensIds: [id] });
  });

  const strange = { make: 'Halden', model: 'R5', serial: '' };
  test.each([
    [
      'by figures alone, on a camera that is not on the shelf',
      strange,
      lens('Z', spec(50, 50, 1.8)),
    ],
    ['by the name of another maker’s', K1, { ...lens('50mm F1.8'), make: 'Halden' }],
    ['by the figures of another maker’s', K1, { ...lens('Z', spec(50, 50, 1.8)), make: 'Halden' }],
  ])('is not recognised %s', (_, body, seen) => {
    const { log } = filled([aPhoto('a', { body, lens: seen })]);
    const { lensIds } = recognised(log, shelf, NO_MARKS);
    expect(lensIds).toEqual([null]);
  });

  it('is recognised where a file writes more of the maker’s name', () => {
    const seen = { ...lens('50mm F1.8'), make: 'QUILLMAR CORPORATION' };
    const { log } = filled([aPhoto('a', { body: K1, lens: seen })]);
    expect(recognised(log, shelf, NO_MARKS).lensIds).toEqual(['k-50']);
  });

  it('is what the person says it is', () => {
    const { log } = filled([aPhoto('a', { body: K1, lens: lens('50mm F1.8') })]);
    const marks = { ...NO_MARKS, bodies: { [deviceKey(K1)]: null } };
    expect(recognised(log, shelf, marks).bodyIds).toEqual([null]);
  });

  it('is told by figures of those that the person said, where the file names none', () => {
    const at = (name: string, focalMm: number | null, fNumber: number, body = K1) =>
      aPhoto(name, { body, lens: lens(''), focalMm, fNumber });
    const { log } = filled([
      at('prime', 50, 2),
      at('zoom', 300, 8),
      at('too fast', 300, 4),
      at('unknown', null, 2),
      at('other camera', 50, 2, strange),
      aPhoto('named', { body: K1, lens: lens('50mm F1.8'), focalMm: 50 }),
    ]);
    const lensesOf = (marks: typeof NO_MARKS) => {
      const seen = seenOf(log, shelf, marks);
      return [...seen.log.lists.lens].map((of) => seen.lenses[of]?.id ?? null);
    };
    const said = (...ids: string[]) => ({
      ...NO_MARKS,
      nameless: { [deviceKey(K1)]: ids.map((id) => lensId.parse(id)) },
    });
    expect(lensesOf(NO_MARKS)).toEqual([null, null, null, null, null, 'k-50']);
    expect(lensesOf(said('k-50', 'k-70'))).toEqual(['k-50', 'k-70', null, null, null, 'k-50']);
    // Two that could both have made it leave it open.
    expect(lensesOf(said('k-70', 't-70'))).toEqual([null, null, null, null, null, 'k-50']);
    const [ofK1, ofOther] = namelessIn(log);
    expect([ofK1?.photos.length, ofOther?.photos.length]).toEqual([4, 1]);
    const could = couldHaveMade(log, ofK1!, shelf.lenses);
    expect(could.map(({ lens: { id }, count }) => [id, count])).toEqual([
      ['k-70', 1],
      ['t-70', 1],
      ['k-50', 1],
    ]);
  });

  it('is offered where it is missing, with what the files tell', () => {
    const p3 = { make: 'Brindlewick', model: 'P3', serial: '' };
    const zoom = lens('14-42', spec(14, 42, 3.5, 5.6));
    const { log } = filled(
      [20, 30].map((mm) =>
        aPhoto(`p${mm}`, {
          body: p3,
          lens: zoom,
          focalMm: mm,
          equivalentMm: 2 * mm,
          widthPx: 4608,
          heightPx: 3456,
        }),
      ),
    );
    const { cameras, lenses } = gearSeen(log, recognised(log, shelf, NO_MARKS));
    expect(cameras).toMatchObject([{ count: 2, pixelsWide: 4608 }]);
    // A quarter of a circle of 43.27 mm halved, 4 to 3: 17.3 × 13 mm, as that format is.
    expect(cameras[0]!.sensor).toEqual({ widthMm: 17.3, heightMm: 13 });
    expect(lenses).toMatchObject([
      { wideMm: 14, longMm: 42, fNumberWide: 3.5, fNumberLong: 5.6, asUsed: false },
    ]);
  });
});

test('what was used is counted in its bins, by lens, camera and month', () => {
  const { log } = filled([
    aPhoto('a', {
      equivalentMm: 50,
      fNumber: 2.8,
      iso: 400,
      timeS: 1 / 250,
      rating: 1,
      takenMs: Date.UTC(2027, 5, 1),
      body: K1,
    }),
    aPhoto('b', { equivalentMm: 50.5, rating: 0, takenMs: Date.UTC(2027, 6, 1), body: K1 }),
    aPhoto('c', { takenMs: null }),
  ]);
  const usage = usageOf(seenOf(log, aShelf([]), NO_MARKS), select(log));
  expect(usage).toMatchObject({ count: 3, kept: 1 });
  expect(usage.angles.unknown).toBe(1);
  const sum = (counts: readonly number[]) => counts.reduce((a, b) => a + b, 0);
  expect([sum(usage.angles.counts), sum(usage.angles.keptCounts), sum(usage.isos.counts)]).toEqual([
    2, 1, 1,
  ]);
  const bin = usage.angles.counts.findIndex((n) => n > 0);
  const edge = (i: number) => usage.angles.from * 2 ** (i / usage.angles.perOctave);
  expect([edge(bin) <= 50, edge(bin + 1) > 50]).toEqual([true, true]);
  expect(usage.months.map((m) => [m.key, m.count])).toEqual([
    ['2027-06', 1],
    ['2027-07', 1],
  ]);
  expect(usage.cameras.map((c) => c.count)).toEqual([2, 1]);
});

describe('clocks', () => {
  const at = (clock: string) => Date.parse(`2027-06-12T${clock}Z`);
  const stretches = [
    aStretch('a', { day: '2027-06-12', fromTime: '09:00', toTime: '10:00' }),
    aStretch('b', { day: '2027-06-12', fromTime: '23:30', toTime: '00:30' }),
  ];
  const seen = (clocks: readonly string[]) =>
    seenOf(
      filled(clocks.map((c, i) => aPhoto(`p${i}`, { takenMs: at(c), body: K1 }))).log,
      aShelf([]),
      NO_MARKS,
    );
  const suggested = (clocks: readonly string[]) => {
    const s = seen(clocks);
    return suggestClocks(s, select(s.log), stretchTimes(stretches));
  };
  const INSIDE = ['09:02:00', '09:05:00', '09:30:00', '09:58:30'];

  it('that are right are left alone', () => expect(suggested(INSIDE)).toEqual([]));

  it('that are an hour off are found, with the range that does as well', () => {
    const early = INSIDE.map((c) => c.replace('09', '08'));
    // From 09:00 − 08:02 to 10:00 − 08:58:30.
    expect(suggested(early)).toMatchObject([
      { offsetS: 3600, fromS: 58 * 60, toS: 61.5 * 60, inside: 4, insideNow: 0, count: 4 },
    ]);
  });

  it('put photographs into the stretch that goes past midnight', () => {
    const times = stretchTimes(stretches);
    expect(stretchAt(times, at('23:45:00'))?.stretch.id).toBe('b');
    expect(stretchAt(times, at('23:45:00') + 40 * 60_000)?.stretch.id).toBe('b');
    expect(stretchAt(times, at('12:00:00'))).toBeNull();
    expect(outingSpan({ firstDay: null, lastDay: null }, [])).toBeNull();
  });
});

test('photographs that are alike in angle and light are found, and chance is left out', () => {
  const group = (n: number, mm: number, fNumber: number) =>
    Array.from({ length: n }, (_, i) =>
      aPhoto(`g${mm}-${i}`, {
        equivalentMm: mm * (1 + i / 500),
        fNumber,
        timeS: 1 / 250,
        iso: 400,
      }),
    );
  const { log } = filled([
    ...group(40, 300, 5.6),
    ...group(30, 24, 2.8),
    aPhoto('odd', { equivalentMm: 90, fNumber: 16, timeS: 1, iso: 100 }),
  ]);
  const clusters = clustersOf(seenOf(log, aShelf([]), NO_MARKS), select(log), []);
  expect(clusters.map((c) => c.count)).toEqual([40, 30]);
  expect(clusters[0]!.fromMm).toBeGreaterThanOrEqual(300);
  // f/5.6 at 1/250 s and ISO 400: log2(5.6² · 250) − 2 = 10.94.
  expect(clusters[0]!.evMiddle).toBeCloseTo(10.94, 1);
});
