import { readFileSync } from 'node:fs';
import { decode, type OutingFile } from '@/document';
import { createDocumentStore, openStorage } from '@/document/live';
import { createLibrary } from './library';

const stored = new Map<string, unknown>();
jest.mock('localforage', () => ({
  createInstance: () => ({
    getItem: async (key: string) => stored.get(key) ?? null,
    setItem: async (key: string, value: unknown) => void stored.set(key, value),
    removeItem: async (key: string) => void stored.delete(key),
  }),
}));

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
const demo = (read.ok ? read.value : null) as OutingFile;
const named = (name: string): OutingFile => ({ ...demo, outing: { ...demo.outing, name } });

function opened() {
  stored.clear();
  let n = 0;
  const document = createDocumentStore(() => 0);
  document.open(named('first'), false);
  const library = createLibrary(
    document,
    openStorage(),
    () => `id${(n += 1)}`,
    () => n,
  );
  return { library, name: () => document.store.getState().file?.outing.name };
}

test('what was open is kept when another is opened, and a step leads back', async () => {
  const { library, name } = opened();
  const back = await library.open(named('second'));
  expect(name()).toBe('second');
  expect((await library.list()).map((e) => e.name)).toEqual(['second', 'first']);
  await back();
  expect(name()).toBe('first');
  expect((await library.list()).map((e) => e.name)).toEqual(['first', 'second']);
});

test('an outing is reopened as it was left, and nothing is listed twice', async () => {
  const { library, name } = opened();
  await library.open(named('second'));
  await library.open(named('third'));
  const first = (await library.list()).find((e) => e.name === 'first')!;
  expect(await library.reopen(first.id)).not.toBeNull();
  expect(name()).toBe('first');
  expect((await library.list()).map((e) => e.name).sort()).toEqual(['first', 'second', 'third']);
});

test('what is taken away can be had back; what cannot be read leaves the open one alone', async () => {
  const { library, name } = opened();
  await library.open(named('second'));
  const first = (await library.list()).find((e) => e.name === 'first')!;
  const undo = await library.discard(first.id);
  expect((await library.list()).map((e) => e.name)).toEqual(['second']);
  expect(await library.reopen(first.id)).toBeNull();
  await undo();
  expect(await library.reopen(first.id)).not.toBeNull();
  stored.set(`outing:${(await library.list())[1]?.id}`, '{"format":"armreach","version":99}');
  expect(await library.reopen((await library.list())[1]!.id)).toBeNull();
  expect(name()).toBe('first');
});
