import { lockHere, type KeyValue, type Stores } from '@/document/live';
import { logBuilder, NO_MARKS, photoAt } from '@/core/log';
import { aPhoto } from '../../../tests/support/photos';
import { changePhotographs, NO_PHOTOGRAPHS, openPhotographs } from './photographs';

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
  const stores = { large: store } as unknown as Stores;
  return { stores, lock: lockHere(), announce: (key: string) => void told.push(key), told, values };
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

test.each([
  ['of another version', { version: 99 }],
  ['with columns of different lengths', { log: { ...NO_PHOTOGRAPHS.log, count: 3 } }],
  ['with marks that are none', { marks: { clocks: { x: 'late' } } }],
])('a record %s is set aside, and the log begins empty', async (_, change) => {
  const h = host();
  await changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'));
  const broken = { ...(h.values.get('photographs') as object), ...change };
  h.values.set('photographs', broken);
  expect(await openPhotographs(h)).toEqual(NO_PHOTOGRAPHS);
  expect(h.values.get('photographs-set-aside')).toEqual(broken);
});

test('what the storage refuses is thrown, and nothing half written stays', async () => {
  const h = host();
  const set = h.stores.large.set;
  Object.assign(h.stores.large, { set: () => Promise.reject(new Error('no room')) });
  await expect(changePhotographs(h, NO_PHOTOGRAPHS, withOne('a'))).rejects.toThrow('no room');
  Object.assign(h.stores.large, { set });
  expect((await openPhotographs(h)).log.count).toBe(0);
});
