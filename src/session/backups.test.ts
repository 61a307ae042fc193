import { readFileSync } from 'node:fs';
import { strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { deskOf } from '../../tests/support/desk';
import { aPhoto } from '../../tests/support/photos';
import { memoryBrowser, quotaError } from '../../tests/support/stores';
import { bodyId, lensId } from '@/core/gear';
import { NO_MARKS } from '@/core/log';
import {
  decode,
  type Desk,
  EMPTY_SHELF,
  NO_GEAR,
  type OutingFile,
  planCodec,
  putFrame,
  readBackup,
} from '@/document';
import { readInWorker } from '@/document/reader';
import {
  allOutings,
  changePhotographs,
  createDocumentStore,
  createKeeper,
  NO_PHOTOGRAPHS,
  openPersonal,
  openPhotographs,
  replaceRecord,
  setDeleted,
  type StoredRecord,
  versionsOf,
  versionText,
  withPhotos,
} from '@/document/live';
import { createBackups, type RestoreWatch } from './backups';

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
const demo = (read.ok ? read.value : null) as OutingFile;

/** So many made-up items, all owned. */
function gearOf(count: number): OutingFile['shelf'] {
  const bodies = demo.shelf.bodies.map((b, i) => ({
    ...b,
    id: bodyId.parse(`b${i}`),
    ownership: 'owned' as const,
  }));
  const lenses = Array.from({ length: count - bodies.length }, (_, i) => ({
    ...demo.shelf.lenses[i % demo.shelf.lenses.length]!,
    id: lensId.parse(`l${i}`),
    name: `Lens ${i}`,
    weightG: 100 + i,
    ownership: 'owned' as const,
  }));
  return { ...NO_GEAR, bodies, lenses };
}

async function browserWith(desk: Desk) {
  const browser = memoryBrowser();
  const host = browser.tab(0);
  const document = createDocumentStore(() => 0);
  const keeper = createKeeper(
    document,
    host,
    () => undefined,
    () => undefined,
  );
  keeper.open('outing:first', desk, new Map());
  await keeper.save();
  return { browser, host, document, keeper, backups: createBackups(document, keeper, host) };
}
const texts = async (browser: ReturnType<typeof memoryBrowser>) => {
  const records = await browser.stores.records.entries<StoredRecord>();
  return new Map(
    records.map(([key, { text, name, deletedAt }]) => [key, { text, name, deletedAt }]),
  );
};
const all = (ids: readonly string[]) => ({
  outings: new Map(ids.map((id) => [id, 'take'] as const)),
  gear: new Map(),
  settings: true,
  photographs: true,
});

/** What the reader says; it always comes to an end. */
async function readWith(zip: Uint8Array) {
  const done = await readInWorker('backup', [zip]);
  if (!done.ok) throw new Error(done.error.code);
  return done.value;
}

test('fifty outings and five thousand items come back as they went, the bin with them', async () => {
  const shelf = { ...EMPTY_SHELF, gear: gearOf(5000) };
  const desk = { ...deskOf(demo), shelf };
  const from = await browserWith(desk);
  for (let i = 0; i < 49; i += 1) {
    const plan = { ...desk.plan, outing: { ...desk.plan.outing, name: `Outing ${i}` } };
    const about = { name: `Outing ${i}`, text: planCodec.write(plan), savedAt: i, deletedAt: null };
    await replaceRecord(from.host, `outing:o${i}`, about);
  }
  await setDeleted(from.host, 'outing:o7', true);
  const zip = await from.backups.pack();
  expect(Object.keys(unzipSync(zip))).toEqual(
    expect.arrayContaining(['README.txt', 'shelf.json', 'bin/outing-7.json']),
  );

  const to = await browserWith(deskOf(demo));
  const result = await readWith(zip);
  if (!result.ok) throw new Error(result.error.code);
  const { backup, issues } = result.value;
  expect(issues).toEqual([]);
  const compared = await to.backups.compare(backup);
  expect(compared.filter((o) => o.state === 'new')).toHaveLength(49);
  const every = all(backup.outings.map((o) => o.id));
  const whole = { restored: 50, of: 50, ended: 'whole' };
  expect(await to.backups.restore(backup, every)).toEqual(whole);
  const [was, is] = [await texts(from.browser), await texts(to.browser)];
  for (const [key, record] of was) if (key !== 'settings') expect(is.get(key)).toEqual(record);
}, 120_000);

test('a restoring tells how far it is, can be stopped, and says where storage ended it', async () => {
  const from = await browserWith(deskOf(demo));
  for (const id of ['a', 'b', 'c', 'd']) {
    const about = {
      name: id,
      text: planCodec.write(deskOf(demo).plan),
      savedAt: 1,
      deletedAt: null,
    };
    await replaceRecord(from.host, `outing:${id}`, about);
  }
  const result = await readWith(await from.backups.pack());
  if (!result.ok) throw new Error(result.error.code);
  const every = all(result.value.backup.outings.map((o) => o.id));
  const to = await browserWith(deskOf({ ...demo, frames: [] }));
  const restoring = (watch: RestoreWatch) => to.backups.restore(result.value.backup, every, watch);
  const control = new AbortController();
  const told: number[][] = [];
  const tell = (restored: number, of: number) => {
    told.push([restored, of]);
    if (restored === 3) control.abort();
  };
  const stopped = { restored: 3, of: 5, ended: 'cancelled' };
  expect(await restoring({ signal: control.signal, tell })).toEqual(stopped);
  expect(told).toEqual([1, 2, 3].map((n) => [n, 5]));
  const fail = () => void (to.browser.parts.records.fault.fails = quotaError());
  expect(await restoring({ tell: fail })).toEqual({ restored: 1, of: 5, ended: 'failed' });
  await expect(from.backups.pack(AbortSignal.abort())).rejects.toThrow();
});

test('the photographs, what is said of them and earlier versions come back as they went', async () => {
  const from = await browserWith(deskOf(demo));
  const photos = Array.from({ length: 300 }, (_, i) =>
    aPhoto(`a${i}.jpg`, { takenMs: i, iso: i, folder: `f${i % 3}`, label: i % 2 ? 'Red' : '' }),
  );
  const marks = { ...NO_MARKS, clocks: { 'Halden R5': -90 }, lenses: { seen: null } };
  await changePhotographs(from.host, NO_PHOTOGRAPHS, ({ log }) => ({
    log: withPhotos(log, photos).log,
    marks,
  }));
  const about = {
    name: 'x',
    text: planCodec.write(deskOf(demo).plan),
    savedAt: 1,
    deletedAt: null,
  };
  await replaceRecord(from.host, 'outing:first', about);
  await replaceRecord(from.host, 'outing:first', { ...about, savedAt: 2 });
  const zip = await from.backups.pack();

  const to = await browserWith(deskOf({ ...demo, frames: [] }));
  const result = await readWith(zip);
  if (!result.ok) throw new Error(result.error.code);
  expect(result.value.issues).toEqual([]);
  await to.backups.restore(result.value.backup, all(['first']));
  const [was, is] = [await openPhotographs(from.host), await openPhotographs(to.host)];
  expect(is).toMatchObject({ log: was.log, marks });
  const versions = async ({ browser: { stores } }: typeof from) =>
    Promise.all(
      (await versionsOf(stores.versions, 'outing:first')).map(async (v) => [
        v.savedAt,
        await versionText(stores.versions, v),
      ]),
    );
  const there = await versions(to);
  for (const version of await versions(from)) expect(there).toContainEqual(version);
  // Once more adds nothing.
  await to.backups.restore(result.value.backup, all([]));
  expect((await openPhotographs(to.host)).log.count).toBe(300);
});

test('damaged photographs in a backup are named, and the rest of it is taken', async () => {
  const from = await browserWith(deskOf(demo));
  await changePhotographs(from.host, NO_PHOTOGRAPHS, ({ log, marks }) => ({
    log: withPhotos(log, [aPhoto('a')]).log,
    marks,
  }));
  const files = unzipSync(await from.backups.pack());
  for (const change of [
    { 'photographs/takenMs.f64': new Uint8Array(3) },
    { 'photographs/lists.json': strToU8('{') },
    { 'photographs/nameEnds.u32': new Uint8Array(0) },
  ]) {
    const result = await readWith(zipSync({ ...files, ...change }));
    expect(result).toMatchObject({
      ok: true,
      value: { issues: [{ file: 'photographs/' }], backup: { photographs: null } },
    });
  }
});

test('what is here too is only replaced when told so, and then kept as a version', async () => {
  const from = await browserWith(deskOf(demo));
  const result = await readWith(await from.backups.pack());
  if (!result.ok) throw new Error(result.error.code);
  const { backup } = result.value;
  const to = await browserWith(deskOf({ ...demo, frames: [] }));
  expect(await to.backups.compare(backup)).toMatchObject([{ state: 'differs' }]);
  const first = async (how: 'skip' | 'both' | 'take') => {
    await to.backups.restore(backup, {
      outings: new Map([['first', how]]),
      gear: new Map(),
      settings: false,
      photographs: false,
    });
    const entries = await allOutings(to.host);
    return [entries.map((e) => e.name).sort(), to.document.store.getState().file?.frames.length];
  };
  const { name } = demo.outing;
  expect(await first('skip')).toEqual([[name], 0]);
  expect(await first('both')).toEqual([[name, `${name}, from the backup`], 0]);
  expect(await first('take')).toEqual([[name, `${name}, from the backup`], demo.frames.length]);
});

test('a shelf with other ids gets the outings with its own', async () => {
  const from = await browserWith({
    ...deskOf(demo, { ...EMPTY_SHELF, gear: demo.shelf }),
    shelf: { ...EMPTY_SHELF, gear: demo.shelf },
  });
  const result = await readWith(await from.backups.pack());
  if (!result.ok) throw new Error(result.error.code);
  const fifty = demo.shelf.lenses.find((l) => l.id === 'k-50')!;
  const mine = {
    ...EMPTY_SHELF,
    gear: { ...NO_GEAR, lenses: [{ ...fifty, id: lensId.parse('mine') }] },
  };
  const to = await browserWith({ ...deskOf(demo), shelf: mine });
  await to.backups.restore(result.value.backup, {
    outings: new Map([['first', 'take']]),
    gear: new Map(),
    settings: false,
    photographs: false,
  });
  const { shelf } = await openPersonal(to.host);
  expect(
    shelf.gear.lenses.filter((l) => l.name === fifty.name && l.mount === fifty.mount),
  ).toHaveLength(1);
  const file = to.document.store.getState().file!;
  expect(file.shelf.lenses.some((l) => l.id === 'mine')).toBe(true);
  expect(file.shelf.lenses).toHaveLength(demo.shelf.lenses.length);
});

describe('a zip', () => {
  it('that is none, or no backup, is refused', async () => {
    expect(await readBackup(strToU8('not a zip'))).toMatchObject({
      ok: false,
      error: { code: 'not-zip' },
    });
    const other = zipSync({ 'a.txt': strToU8('a') });
    expect(await readBackup(other)).toMatchObject({ ok: false, error: { code: 'not-backup' } });
  });

  it('with one bad file gives the others, and names that one', async () => {
    const { backups } = await browserWith(deskOf(demo));
    const files = unzipSync(await backups.pack());
    const [bad] = Object.keys(files).filter((name) => name.startsWith('outings/'));
    const text = strFromU8(files[bad!]!).replace('"frames"', '"framez"');
    const result = await readWith(zipSync({ ...files, [bad!]: strToU8(text) }));
    if (!result.ok) throw new Error(result.error.code);
    expect(result.value.issues).toMatchObject([{ file: bad }]);
    expect(result.value.backup.outings).toEqual([]);
  });

  it('cut at any place throws nothing', async () => {
    const { backups } = await browserWith(deskOf(demo));
    const zip = await backups.pack();
    for (let i = 1; i < 40; i += 1) {
      const result = await readWith(zip.slice(0, Math.floor((zip.length * i) / 40)));
      expect(result.ok).toBe(false);
    }
  });
});

test('what was edited last is stored before a backup is restored, or nothing is', async () => {
  const from = await browserWith(deskOf(demo));
  const result = await readWith(await from.backups.pack());
  if (!result.ok) throw new Error(result.error.code);
  const to = await browserWith(deskOf(demo));
  const rename = (name: string) =>
    to.document.edit(putFrame({ ...to.document.store.getState().file!.frames[0]!, name }));
  rename('edited last');
  await to.backups.restore(result.value.backup, all([]));
  const { text } = (await to.browser.stores.records.get<StoredRecord>('outing:first'))!;
  expect(text).toContain('"edited last"');
  to.browser.parts.records.fault.fails = quotaError();
  rename('not stored');
  await expect(to.backups.restore(result.value.backup, all(['first']))).rejects.toThrow();
  expect(to.document.store.getState().file?.frames[0]?.name).toBe('not stored');
});
