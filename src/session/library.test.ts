import { readFileSync } from 'node:fs';
import { deskOf } from '../../tests/support/desk';
import { memoryBrowser, quotaError } from '../../tests/support/stores';
import { decode, type OutingFile, type Plan, putFrame } from '@/document';
import { createDocumentStore, createKeeper, type StoredRecord } from '@/document/live';
import { createLibrary } from './library';

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
const demo = (read.ok ? read.value : null) as OutingFile;
const named = (name: string): Plan => deskOf({ ...demo, outing: { ...demo.outing, name } }).plan;

async function opened() {
  const browser = memoryBrowser();
  const host = browser.tab(0);
  const document = createDocumentStore(() => 0);
  const keeper = createKeeper(
    document,
    host,
    () => undefined,
    () => undefined,
  );
  keeper.open('outing:first', { ...deskOf(demo), plan: named('first') }, new Map());
  await keeper.save();
  const library = createLibrary(document, keeper, host);
  const names = async () => {
    browser.clock.now += 1;
    return (await library.list()).map((e) => e.name);
  };
  const keyOf = async (name: string) => (await library.list()).find((e) => e.name === name)!.key;
  return {
    document,
    browser,
    library,
    names,
    keyOf,
    name: () => document.store.getState().file?.outing.name,
  };
}

test('what was open is kept when another is opened, and a step leads back', async () => {
  const { library, names, name } = await opened();
  const back = await library.openPlan(named('second'));
  expect(name()).toBe('second');
  expect(await names()).toEqual(['second', 'first']);
  if (typeof back === 'string') throw new Error(back);
  await back();
  expect(name()).toBe('first');
  expect(await names()).toEqual(['first', 'second']);
});

test('what is shown as open is stored before anything else is looked up', async () => {
  const { browser, library, name } = await opened();
  const { get, set } = browser.stores.records;
  const order: string[] = [];
  const noted = (key: string) => name() === 'second' && order.push(key.split(':')[0]!);
  Object.assign(browser.stores.records, {
    get: (key: string) => (noted(key), get(key)),
    set: (key: string, value: unknown) => (noted('stored'), set(key, value)),
  });
  await library.openPlan(named('second'));
  expect(order.filter((key) => key !== 'outing')[0]).toBe('stored');
});

test('an outing is reopened as it was left, and nothing is listed twice', async () => {
  const { library, names, name, keyOf } = await opened();
  await library.openPlan(named('second'));
  await library.openPlan(named('third'));
  expect(typeof (await library.reopen(await keyOf('first')))).toBe('function');
  expect(name()).toBe('first');
  expect((await names()).sort()).toEqual(['first', 'second', 'third']);
});

test('what is deleted lies in the bin for thirty days, and is gone for good after', async () => {
  const { browser, library, names, keyOf } = await opened();
  await library.openPlan(named('second'));
  const first = await keyOf('first');
  await library.discard(first);
  expect(await names()).toEqual(['second']);
  expect((await library.bin()).map((e) => e.name)).toEqual(['first']);
  await library.restore(first);
  expect((await names()).sort()).toEqual(['first', 'second']);
  await library.discard(first);
  browser.clock.now += 29 * 86_400_000;
  await library.emptyBin();
  expect(await library.bin()).toHaveLength(1);
  browser.clock.now += 2 * 86_400_000;
  await library.emptyBin();
  expect(await library.bin()).toEqual([]);
});

test('nothing is opened while the open one cannot be saved, or over what cannot be read', async () => {
  const { browser, library, name, keyOf } = await opened();
  await library.openPlan(named('second'));
  const first = await keyOf('first');
  const record = (await browser.stores.records.get<StoredRecord>(first))!;
  await browser.stores.records.set(first, { ...record, text: '{' });
  expect(await library.reopen(first)).toBe('unreadable');
  expect(await library.textOf(first)).toBeNull();
  expect(name()).toBe('second');
});

test('a file’s gear goes where it is told, and the shelf is written before the outing', async () => {
  const { browser, library } = await opened();
  const order: string[] = [];
  const { set } = browser.stores.records;
  Object.assign(browser.stores.records, {
    set: (key: string, value: unknown) => (order.push(key.split(':')[0]!), set(key, value)),
  });
  await library.open(demo, () => 'owned');
  expect(order).toEqual(['shelf', 'outing']);
  const shelf = (await browser.stores.records.get<StoredRecord>('shelf'))!.text;
  expect(shelf).toContain('"id": "k-50"');
});

test('what was edited last is stored before another outing is opened, or nothing is opened', async () => {
  const { browser, document, library, keyOf, name } = await opened();
  await library.openPlan(named('second'));
  const rename = (to: string) => {
    const { file } = document.store.getState();
    document.edit(putFrame({ ...file!.frames[0]!, name: to }));
  };
  const first = await keyOf('first');
  const second = await keyOf('second');
  rename('edited last');
  expect(typeof (await library.reopen(first))).toBe('function');
  const stored = await browser.stores.records.get<StoredRecord>(second);
  expect(stored?.text).toContain('"edited last"');
  browser.parts.records.fault.fails = quotaError();
  rename('not stored');
  expect(await library.reopen(second)).toBe('unsaved');
  expect([name(), document.store.getState().file?.frames[0]?.name]).toEqual([
    'first',
    'not stored',
  ]);
});

test('an outing of a newer Arm Reach is left alone, and said', async () => {
  const { browser, library, keyOf, name } = await opened();
  await library.openPlan(named('second'));
  const first = await keyOf('first');
  const record = (await browser.stores.records.get<StoredRecord>(first))!;
  const text = record.text.replace(/"version": \d+/, '"version": 99');
  await browser.stores.records.set(first, { ...record, text });
  expect(await library.reopen(first)).toBe('newer');
  expect(name()).toBe('second');
});
