import { lockHere, type KeyValue, type Stores } from '@/document/live';
import {
  EMPTY_LOG,
  type Log,
  logBuilder,
  logOf,
  nameAt,
  NO_MARKS,
  type Photo,
  photoAt,
} from '@/core/log';
import { aPhoto } from '../../../tests/support/photos';
import {
  changePhotographs,
  type Contents,
  forgetRead,
  keepRead,
  NewerPhotographsError,
  NO_PHOTOGRAPHS,
  openPhotographs,
  withPhotos,
} from './photographs';

/** A store that copies as a browser does. */
function cloning(): { store: KeyValue; values: Map<string, unknown> } {
  const values = new Map<string, unknown>();
  const store: KeyValue = {
    get: async <T>(key: string) =>
      values.has(key) ? (structuredClone(values.get(key)) as T) : null,
    set: async (key, value) => void values.set(key, structuredClone(value)),
    remove: async (key) => void values.delete(key),
    keys: async () => [...values.keys()],
    entries: async () => [],
  };
  return { store, values };
}

function host() {
  const { store, values } = cloning();
  const told: string[] = [];
  const aside = cloning();
  const entries = async () => [...aside.values];
  const stores = { large: store, aside: { ...aside.store, entries } } as unknown as Stores;
  let id = 0;
  return {
    ...{ stores, lock: lockHere(), told, values, aside: aside.values },
    announce: (key: string) => void told.push(key),
    now: () => 0,
    newId: () => `id${(id += 1)}`,
  };
}
const withOne =
  (name: string) => (now: { log: Parameters<typeof logBuilder>[0]; marks: typeof NO_MARKS }) => {
    const builder = logBuilder(now.log);
    builder.add(aPhoto(name, { takenMs: 5, fNumber: 2.8 }));
    return { log: builder.log(), marks: now.marks };
  };

test('what is kept comes back, columns and marks', async () => {
  const h = host();
  expect(await openPhotographs(h)).toEqual(NO_PHOTOGRAPHS);
  const marks = { ...NO_MARKS, clocks: { x: 240 } };
  await changePhotographs(h, NO_PHOTOGRAPHS, (now) => ({ ...withOne('a')(now), marks }));
  const { log, marks: kept, revision } = await openPhotographs(h);
  expect([photoAt(log, 0).fNumber, kept, revision]).toEqual([2.8, marks, 1]);
  expect(h.told).toEqual(['photographs']);
});

test('what another tab has added meanwhile stays', async () => {
  const h = host();
  const mine = await changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'));
  await changePhotographs(h, mine, withOne('b'));
  // This tab still knows the state before.
  const after = await changePhotographs(h, mine, withOne('c'));
  expect([0, 1, 2].map((i) => photoAt(after.log, i).name)).toEqual(['a', 'b', 'c']);
  expect(after.revision).toBe(3);
});

/** What is stored of two photographs, changed by hand as if it all lay in one record. */
async function damaged(change: (record: Stored) => Partial<Record<keyof Stored, unknown>>) {
  const h = host();
  const first = await changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'));
  const marks = { ...NO_MARKS, clocks: { x: 240 } };
  await changePhotographs(h, first, (now) => ({ ...withOne('b')(now), marks }));
  const [key] = [...h.values.keys()].filter((k) => k.startsWith('photographs-part:'));
  const record = h.values.get('photographs') as Record<string, object>;
  const log = { ...(h.values.get(key!) as Log), ...(record.lists as object) } as Log;
  const { log: broken, ...rest } = {
    log,
    ...record,
    ...change({ ...record, log } as unknown as Stored),
  };
  const { cameras, lenses, folders, labels } = (broken ?? log) as Log;
  h.values.set('photographs', { ...rest, lists: { cameras, lenses, folders, labels } });
  if (broken === null) h.values.delete(key!);
  else h.values.set(key!, broken);
  return { h, opened: await openPhotographs(h) };
}
type Stored = { version: number; log: Log; marks: typeof NO_MARKS };
const damages: [
  string,
  (record: Stored) => Partial<Record<keyof Stored, unknown>>,
  readonly string[],
  boolean,
][] = [
  [
    'a column too short',
    (r) => ({ log: { ...r.log, takenMs: r.log.takenMs.slice(1) } }),
    ['a', 'b'],
    true,
  ],
  [
    'a column gone',
    (r) => ({ log: { ...r.log, numbers: { ...r.log.numbers, iso: undefined } } }),
    ['a', 'b'],
    true,
  ],
  ['cameras gone', (r) => ({ log: { ...r.log, cameras: [] } }), ['a', 'b'], true],
  [
    'names cut',
    (r) => ({ log: { ...r.log, nameUnits: r.log.nameUnits.slice(1) } }),
    ['b', ''],
    true,
  ],
  [
    'marks that are none',
    () => ({ marks: { ...NO_MARKS, clocks: { x: 'late' } } }),
    ['a', 'b'],
    false,
  ],
  ['a part of the log gone', () => ({ log: null }), [], true],
];
test.each(damages)(
  'with %s all of it is set aside and told, and what can be read is opened',
  async (_, change, names, keepsClock) => {
    const { h, opened } = await damaged(change);
    const { log, marks, isDamaged } = opened;
    expect(isDamaged).toBe(true);
    expect(Array.from({ length: log.count }, (__, i) => photoAt(log, i).name)).toEqual(names);
    expect(marks.clocks).toEqual(keepsClock ? { x: 240 } : {});
    expect([...h.aside.values()]).toMatchObject([{ what: 'photographs' }]);
  },
);
test.each([[null], [7], [[1, 2]], ['text']])(
  'so it is with %j in place of the record',
  async (record) => {
    const h = host();
    await changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'));
    h.values.set('photographs', record);
    const opened = await openPhotographs(h);
    expect(opened).toMatchObject({ isDamaged: true, log: { count: 0 } });
    expect([...h.aside.values()]).toMatchObject([{ text: JSON.stringify(record) }]);
  },
);

test('what a newer Arm Reach has stored is left as it is', async () => {
  await expect(damaged(() => ({ version: 99 }))).rejects.toThrow(NewerPhotographsError);
});

test('what an interrupted reading had kept is part of the record when it is opened next', async () => {
  const h = host();
  await changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'));
  await keepRead(h, 'one', [aPhoto('b'), aPhoto('a', { takenMs: 5 })]);
  await keepRead(h, 'one', [aPhoto('c')]);
  await keepRead(h, 'two', [aPhoto('d')]);
  await forgetRead(h, 'two');
  const { log } = await openPhotographs(h);
  expect([0, 1, 2].map((i) => photoAt(log, i).name)).toEqual(['a', 'b', 'c']);
  expect([...h.values.keys()].filter((key) => key.includes('read'))).toEqual([]);
  expect((await openPhotographs(h)).log.count).toBe(3);
});

test('what an interrupted reading had kept stays where it is while it can’t be stored', async () => {
  const h = host();
  await keepRead(h, 'one', [aPhoto('b')]);
  const set = h.stores.large.set;
  Object.assign(h.stores.large, { set: () => Promise.reject(new Error('no room')) });
  expect((await openPhotographs(h)).log.count).toBe(1);
  Object.assign(h.stores.large, { set });
  expect((await openPhotographs(h)).log.count).toBe(1);
  expect((await openPhotographs(h)).revision).toBe(1);
});

test('what the storage refuses is thrown, and nothing half written stays', async () => {
  const h = host();
  const set = h.stores.large.set;
  Object.assign(h.stores.large, { set: () => Promise.reject(new Error('no room')) });
  await expect(changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'))).rejects.toThrow('no room');
  Object.assign(h.stores.large, { set });
  expect((await openPhotographs(h)).log.count).toBe(0);
});

describe('of many photographs', () => {
  const many = (from: number, to: number) =>
    Array.from({ length: to - from }, (_, i) =>
      aPhoto(`n${from + i}`, { takenMs: (from + i) * 1000, body: CAMERA }),
    );
  const CAMERA = { make: 'Quillmar', model: 'K1', serial: '7' };
  const adding = (photos: readonly Photo[]) => (now: Contents) => ({
    ...now,
    ...withPhotos(now.log, photos),
  });
  const names = ({ log }: Contents) => Array.from({ length: log.count }, (_, i) => nameAt(log, i));
  /** Keys written by a piece of work, without their numbers. */
  const written = async (h: ReturnType<typeof host>, work: () => Promise<unknown>) => {
    const keys: string[] = [];
    const { set } = h.stores.large;
    h.stores.large.set = (key, value) => {
      keys.push(key.replace(/:.*/, ''));
      return set(key, value);
    };
    await work();
    h.stores.large.set = set;
    return keys;
  };

  it('one more, or a mark, writes the last part alone, and they come back as they were', async () => {
    const h = host();
    const all = await changePhotographs(h, NO_PHOTOGRAPHS, adding(many(0, 25_000)));
    expect(all.parts.map(({ count }) => count)).toEqual([10_000, 10_000, 5000]);
    let after = all;
    const added = await written(h, async () => {
      after = await changePhotographs(h, all, adding([...many(24_999, 25_001), ...many(7, 8)]));
    });
    const head = ['photographs-revision', 'photographs'];
    expect(added).toEqual(['photographs-part', ...head]);
    expect(after.parts.slice(0, 2)).toEqual(all.parts.slice(0, 2));
    const marked = await written(h, async () => {
      after = await changePhotographs(h, after, ({ log }) => ({
        log,
        marks: { ...NO_MARKS, clocks: { x: 1 } },
      }));
    });
    expect(marked).toEqual(head);
    const opened = await openPhotographs(h);
    expect([opened.isDamaged, opened.marks.clocks]).toEqual([false, { x: 1 }]);
    expect(names(opened)).toEqual(
      names({ log: withPhotos(EMPTY_LOG, many(0, 25_001)).log, marks: NO_MARKS }),
    );
    expect([...h.values.keys()].filter((key) => key.includes('part'))).toHaveLength(3);
  });

  it('a rating that is read again is stored with the part that it is in', async () => {
    const h = host();
    const all = await changePhotographs(h, NO_PHOTOGRAPHS, adding(many(0, 20_001)));
    const [rated] = many(12_000, 12_001).map((photo) => ({ ...photo, rating: 4, label: 'Red' }));
    const after = await changePhotographs(h, all, adding([rated!]));
    expect(after.parts.map(({ key }, i) => key === all.parts[i]?.key)).toEqual([
      true,
      false,
      false,
    ]);
    const { log } = await openPhotographs(h);
    expect(photoAt(log, 12_000)).toMatchObject({ name: 'n12000', rating: 4, label: 'Red' });
    expect(photoAt(log, 12_001)).toMatchObject({ rating: null, label: '' });
    // Read once more it says nothing new.
    expect(await written(h, () => changePhotographs(h, after, adding([rated!])))).not.toContain(
      'photographs-part',
    );
  });

  it('those that go are taken out of every part, and what is stored stays where that fails', async () => {
    const h = host();
    const all = await changePhotographs(h, NO_PHOTOGRAPHS, adding(many(0, 12_000)));
    const keep = (now: Contents) => ({ ...now, log: logOf(now.log, (i) => i % 1000 === 1) });
    const { set } = h.stores.large;
    h.stores.large.set = (key, value) =>
      key === 'photographs' ? Promise.reject(new Error('no room')) : set(key, value);
    await expect(changePhotographs(h, all, keep)).rejects.toThrow('no room');
    h.stores.large.set = set;
    const still = await openPhotographs(h);
    expect([still.log.count, still.isDamaged]).toEqual([12_000, false]);
    const kept = await changePhotographs(h, still, keep);
    expect([kept.log.count, kept.parts.length]).toEqual([12, 1]);
    expect(names(await openPhotographs(h))).toEqual(names(kept));
  });

  it('a record of version 1, all columns in one, is opened and kept in parts from then on', async () => {
    const h = host();
    const { log } = withPhotos(EMPTY_LOG, many(0, 10_002));
    h.values.set('photographs-revision', 7);
    // Before version 3 nothing was said of photographs without a lens.
    const { nameless, ...marks } = NO_MARKS;
    h.values.set('photographs', { version: 1, revision: 7, log, marks });
    const opened = await openPhotographs(h);
    expect([opened.revision, opened.isDamaged, opened.log.count]).toEqual([7, false, 10_002]);
    expect(opened.marks).toEqual({ ...marks, nameless });
    await changePhotographs(h, opened, adding(many(10_002, 10_003)));
    const after = await openPhotographs(h);
    expect(names(after)).toEqual(
      names({ log: withPhotos(EMPTY_LOG, many(0, 10_003)).log, marks: NO_MARKS }),
    );
    expect(after.parts.map(({ count }) => count)).toEqual([10_000, 3]);
  });
});
