import { lockHere, type KeyValue, type Stores } from '@/document/live';
import { type Log, logBuilder, NO_MARKS, photoAt } from '@/core/log';
import { aPhoto } from '../../../tests/support/photos';
import {
  changePhotographs,
  forgetRead,
  keepRead,
  NewerPhotographsError,
  NO_PHOTOGRAPHS,
  openPhotographs,
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

/** What is stored of two photographs, changed by hand. */
async function damaged(change: (record: Record<string, never>) => object) {
  const h = host();
  const first = await changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'));
  const marks = { ...NO_MARKS, clocks: { x: 240 } };
  await changePhotographs(h, first, (now) => ({ ...withOne('b')(now), marks }));
  const broken = change(h.values.get('photographs') as Record<string, never>);
  h.values.set('photographs', broken);
  return { h, broken, opened: await openPhotographs(h) };
}
type Stored = { log: Log; marks: typeof NO_MARKS };
const damages: [string, (record: Stored) => object, readonly string[], boolean][] = [
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
  ['no log', () => ({ log: null }), [], true],
];
test.each(damages)(
  'with %s all of it is set aside and told, and what can be read is opened',
  async (_, change, names, keepsClock) => {
    const { h, opened } = await damaged((r) => ({ ...r, ...change(r as unknown as Stored) }));
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
    const { h, opened } = await damaged(() => record as never);
    expect(opened).toMatchObject({ isDamaged: true, log: { count: 0 } });
    expect([...h.aside.values()]).toMatchObject([{ text: JSON.stringify(record) }]);
  },
);

test('what a newer Arm Reach has stored is left as it is', async () => {
  await expect(damaged((r) => ({ ...r, version: 99 }))).rejects.toThrow(NewerPhotographsError);
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
