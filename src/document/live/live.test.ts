import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { deskOf } from '../../../tests/support/desk';
import { memoryBrowser, quotaError } from '../../../tests/support/stores';
import {
  decode,
  type Desk,
  encode,
  fileOf,
  planCodec,
  putFrame,
  removeFrame,
  setLimits,
  setSettings,
  shelfCodec,
} from '@/document';
import {
  allOutings,
  asides,
  createDocumentStore,
  createKeeper,
  type KeeperNews,
  openPersonal,
  openPlan,
  type OutingKey,
  replaceRecord,
  type SaveState,
  setDeleted,
  type StoredRecord,
  type Version,
  versionsKept,
  versionsOf,
  versionText,
} from './index';
import { takeOver } from './oldStorage';
import { takeLeftBehind } from './takeLeft';
import { superfluous } from './versions';

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const demo = read.value;
const KEY: OutingKey = 'outing:one';
const small = new Map<string, string>();
Object.defineProperty(globalThis, 'localStorage', {
  value: new Proxy(
    {},
    {
      get: (_, name) =>
        ({
          getItem: (key: string) => small.get(key) ?? null,
          setItem: (key: string, value: string) => void small.set(key, value),
          removeItem: (key: string) => void small.delete(key),
        })[name as 'getItem'],
      ownKeys: () => [...small.keys()],
      getOwnPropertyDescriptor: () => ({ configurable: true, enumerable: true }),
    },
  ),
});
beforeEach(() => small.clear());

const rest = (ms = 0) => new Promise((resolve) => setTimeout(resolve, ms));

/** A tab that has an outing open; the first one of a browser makes it. */
async function openTab(browser: ReturnType<typeof memoryBrowser>, n: number, key = KEY) {
  const host = browser.tab(n);
  const document = createDocumentStore(() => 0);
  const states: SaveState[] = [];
  const news: KeeperNews[] = [];
  const keeper = createKeeper(
    document,
    host,
    (s) => states.push(s),
    (k) => news.push(k),
  );
  const stop = keeper.start();
  host.listen((changed) => void keeper.takeIn(changed));
  const personal = await openPersonal(host);
  const stored = await openPlan(host, key);
  const plan = stored?.value ?? deskOf(demo).plan;
  const seen = stored?.seen ?? { revision: 0, value: { ...plan } };
  keeper.open(
    key,
    { plan, shelf: personal.shelf, settings: personal.settings },
    new Map([...personal.seen, [key, seen]]),
  );
  await keeper.save();
  const file = () => document.store.getState().file!;
  return {
    host,
    document,
    keeper,
    stop,
    states,
    news,
    file,
    name: (i: number) => file().frames[i]?.name,
  };
}
type Tab = Awaited<ReturnType<typeof openTab>>;
const rename = (tab: Tab, i: number, name: string) =>
  tab.document.edit(putFrame({ ...tab.file().frames[i]!, name }));
const record = (browser: ReturnType<typeof memoryBrowser>, key: string = KEY) =>
  browser.stores.records.get<StoredRecord>(key);

describe('what is edited', () => {
  it('is written within a second, however fast the keys come', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    const before = (await record(browser))!.revision;
    for (let i = 0; i < 14; i += 1) {
      rename(tab, 0, `Name ${i}`);
      await rest(50);
    }
    const stored = (await record(browser))!;
    expect(stored.revision).toBeGreaterThan(before);
    expect(Number(/Name (\d+)/.exec(stored.text)?.[1])).toBeGreaterThan(5);
    tab.stop();
  });

  it('stays in memory while there is no room, which is said, and is written when there is', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    browser.parts.records.fault.fails = quotaError();
    rename(tab, 0, 'kept');
    expect(await tab.keeper.save()).toBe(false);
    expect(tab.states.at(-1)).toBe('full');
    browser.parts.records.fault.fails = new Error('denied');
    expect(await tab.keeper.save()).toBe(false);
    expect(tab.states.at(-1)).toBe('refused');
    expect(tab.name(0)).toBe('kept');
    browser.parts.records.fault.fails = null;
    expect(await tab.keeper.save()).toBe(true);
    expect((await record(browser))!.text).toContain('"kept"');
    tab.stop();
  });

  it('is written though no version of it can be', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    browser.parts.versions.fault.fails = quotaError();
    rename(tab, 0, 'kept');
    expect(await tab.keeper.save()).toBe(true);
    tab.stop();
  });

  it('is tried again after twice as long each time, and not more often than that', async () => {
    jest.useFakeTimers();
    try {
      const browser = memoryBrowser();
      const tab = await openTab(browser, 1);
      browser.parts.records.fault.fails = quotaError();
      rename(tab, 0, 'kept');
      const tries = async (ms: number) => {
        const before = tab.states.filter((s) => s === 'full').length;
        await jest.advanceTimersByTimeAsync(ms);
        return tab.states.filter((s) => s === 'full').length - before;
      };
      expect(await tries(300)).toBe(1);
      // After 2, 4, 8 and 16 s: four more in the next half minute, then one a minute at the most.
      expect(await tries(31_000)).toBe(4);
      await tries(120_000);
      expect(await tries(600_000)).toBeLessThanOrEqual(10);
      tab.stop();
    } finally {
      jest.useRealTimers();
    }
  });

  it('waits for no version, in this tab or in another, where none ever comes about', async () => {
    const browser = memoryBrowser();
    const [tab, other] = [await openTab(browser, 1), await openTab(browser, 2)];
    browser.parts.versions.fault.hangs = true;
    for (let i = 0; i < 5; i += 1) {
      browser.clock.now += 61_000;
      rename(tab, 0, `first ${i}`);
      expect(await tab.keeper.save()).toBe(true);
      rename(other, 1, `second ${i}`);
      expect(await other.keeper.save()).toBe(true);
    }
    const { text } = (await record(browser))!;
    expect([text.includes('first 4'), text.includes('second 4')]).toEqual([true, true]);
    tab.stop();
    other.stop();
  });

  it('sets aside what it replaces where no version of it comes about', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    const { text } = (await record(browser))!;
    browser.parts.versions.fault.fails = quotaError();
    await replaceRecord(tab.host, KEY, { name: 'x', text: '{}', savedAt: 1, deletedAt: null });
    expect((await record(browser))!.text).toBe('{}');
    expect((await asides(tab.host)).map((a) => a.text)).toEqual([text]);
    tab.stop();
  });

  it('keeps what it replaces as a version', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    const { text } = (await record(browser))!;
    await replaceRecord(tab.host, KEY, { name: 'x', text: '{}', savedAt: 1, deletedAt: null });
    const [newest] = await versionsOf(browser.stores.versions, KEY);
    expect(await versionText(browser.stores.versions, newest!)).toBe(text);
    tab.stop();
  });

  it('never replaces what a newer Arm Reach has written', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    const text = planCodec.write(deskOf(demo).plan).replace(/"version": \d+/, '"version": 99');
    await replaceRecord(tab.host, KEY, { name: 'x', text, savedAt: 1, deletedAt: null });
    rename(tab, 0, 'older');
    expect(await tab.keeper.save()).toBe(false);
    expect(tab.states.at(-1)).toBe('newer');
    expect((await record(browser))!.text).toBe(text);
    tab.stop();
  });
});

describe('two tabs with one outing', () => {
  it('show each other’s edits, and both keep their undo', async () => {
    const browser = memoryBrowser();
    const [one, two] = [await openTab(browser, 1), await openTab(browser, 2)];
    rename(one, 0, 'by one');
    await one.keeper.save();
    await rest(20);
    expect(two.name(0)).toBe('by one');
    rename(two, 1, 'by two');
    await two.keeper.save();
    await rest(20);
    expect([one.name(0), one.name(1)]).toEqual(['by one', 'by two']);
    one.document.undo();
    expect([one.name(0), one.name(1)]).toEqual([demo.frames[0]!.name, 'by two']);
    one.document.redo();
    expect([one.name(0), one.name(1)]).toEqual(['by one', 'by two']);
    for (const tab of [one, two]) tab.stop();
  });

  it('join what both have not saved yet, and keep a copy of what cannot be joined', async () => {
    const browser = memoryBrowser();
    const [one, two] = [await openTab(browser, 1), await openTab(browser, 2)];
    rename(one, 0, 'by one');
    rename(two, 0, 'by two');
    rename(two, 1, 'also by two');
    await Promise.all([one.keeper.save(), two.keeper.save()]);
    await rest(20);
    expect([two.name(0), two.name(1)]).toEqual(['by one', 'also by two']);
    expect(two.news).toMatchObject([{ kind: 'copied' }]);
    await two.keeper.save();
    await rest(20);
    expect(one.name(1)).toBe('also by two');
    const others = (await allOutings(one.host)).filter((e) => e.key !== KEY);
    expect(others).toHaveLength(1);
    const copy = await openPlan(one.host, others[0]!.key);
    expect(copy?.value.frames[0]?.name).toBe('by two');
    for (const tab of [one, two]) tab.stop();
  });

  it('share the shelf and the settings over different outings', async () => {
    const browser = memoryBrowser();
    const one = await openTab(browser, 1);
    const two = await openTab(browser, 2, 'outing:two');
    one.document.editDesk(setSettings({ currency: 'GBP' }));
    one.document.editDesk((d) => ({
      ...d,
      shelf: { ...d.shelf, things: [{ id: 't', name: 'Cloth', weightG: 20 }] },
    }));
    await one.keeper.save();
    await rest(20);
    expect(two.file().outing.currency).toBe('GBP');
    expect(two.file().packing.things.map((t) => t.name)).toContain('Cloth');
    for (const tab of [one, two]) tab.stop();
  });

  it('tell when the outing was deleted in another, and an edit brings it back', async () => {
    const browser = memoryBrowser();
    const [one, two] = [await openTab(browser, 1), await openTab(browser, 2)];
    await setDeleted(two.host, KEY, true);
    await rest(20);
    expect(one.news).toEqual([{ kind: 'deleted-elsewhere' }]);
    rename(one, 0, 'again');
    await one.keeper.save();
    expect((await record(browser))!.deletedAt).toBeNull();
    for (const tab of [one, two]) tab.stop();
  });
});

/**
 * Three tabs edit at random, each its own pictures, save and hear of each other in any order. The
 * model is a plain list of what each did last: nothing of it may be lost, and all end up the same.
 */
test('three tabs that edit at random end with every edit of each', async () => {
  const step = fc.record({
    tab: fc.nat(2),
    does: fc.constantFrom('rename', 'rename', 'delete', 'undo', 'save', 'rest'),
    frame: fc.nat(3),
    text: fc.stringMatching(/^[a-z]{1,8}$/),
  });
  await fc.assert(
    fc.asyncProperty(fc.array(step, { maxLength: 30 }), async (steps) => {
      const browser = memoryBrowser();
      const tabs = [
        await openTab(browser, 0),
        await openTab(browser, 1),
        await openTab(browser, 2),
      ];
      const own = (t: number, f: number) => demo.frames[t * 4 + f]!;
      const said = new Map<string, string | null>();
      const done: [string, string | null | undefined][][] = [[], [], []];
      for (const { tab: t, does, frame: f, text } of steps) {
        const tab = tabs[t]!;
        const { id } = own(t, f);
        const now = tab.file().frames.find((x) => x.id === id);
        if (does === 'save') await tab.keeper.save();
        if (does === 'rest') await rest();
        if (does === 'undo') {
          const last = done[t]!.pop();
          if (last) {
            tab.document.undo();
            said.set(last[0], last[1]!);
          }
        }
        if (!now || (does !== 'rename' && does !== 'delete')) continue;
        if (does === 'rename' && now.name === text) continue;
        done[t]!.push([id, said.get(id) ?? now.name]);
        said.set(id, does === 'rename' ? text : null);
        tab.document.edit(does === 'rename' ? putFrame({ ...now, name: text }) : removeFrame(id));
      }
      for (let i = 0; i < 3; i += 1) for (const tab of tabs) await tab.keeper.save();
      await rest(5);
      for (const tab of tabs) await tab.keeper.takeInAll();
      for (const tab of tabs) {
        const names = new Map(tab.file().frames.map((x) => [x.id as string, x.name]));
        for (const [id, name] of said) expect(names.get(id) ?? null).toBe(name);
        expect(tab.news).toEqual([]);
        tab.stop();
      }
      const stored = planCodec.read((await record(browser))!.text);
      expect(stored.ok && stored.value.frames).toEqual(
        tabs[0]!.document.store.getState().desk!.plan.frames,
      );
    }),
    { seed: 112, numRuns: 30 },
  );
});

describe('earlier versions', () => {
  it('come back bit for bit, a minute apart', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    const texts: string[] = [];
    for (let i = 0; i < 5; i += 1) {
      texts.push((await record(browser))!.text);
      browser.clock.now += 61_000;
      rename(tab, 0, `Version ${i}`);
      await tab.keeper.save();
      rename(tab, 0, `Version ${i}, a second later`);
      await tab.keeper.save();
    }
    await versionsKept(browser.stores);
    const versions = await versionsOf(browser.stores.versions, KEY);
    const kept = await Promise.all(versions.map((v) => versionText(browser.stores.versions, v)));
    expect(kept).toEqual([...texts].reverse());
    const plan = planCodec.read(kept[2]!);
    tab.document.editDesk((desk) => ({ ...desk, plan: plan.ok ? plan.value : desk.plan }));
    await tab.keeper.save();
    expect((await record(browser))!.text).toBe(kept[2]);
    tab.document.undo();
    expect(tab.name(0)).toBe('Version 4, a second later');
    tab.stop();
  });

  it('are the last thirty, and one a day for sixty days', () => {
    const hour = 3_600_000;
    const now = Date.UTC(2027, 5, 12, 12);
    const at = (savedAt: number): Version => ({
      key: `${savedAt}`,
      savedAt,
      revision: 0,
    });
    const versions = Array.from({ length: 90 * 24 }, (_, i) => at(now - i * hour));
    const gone = new Set(superfluous(versions, now));
    const kept = versions.filter((v) => !gone.has(v));
    expect(kept.slice(0, 30)).toEqual(versions.slice(0, 30));
    const days = kept.slice(30).map((v) => Math.floor(v.savedAt / (24 * hour)));
    expect(new Set(days).size).toBe(days.length);
    expect(Math.min(...kept.map((v) => v.savedAt))).toBeGreaterThanOrEqual(now - 60 * 24 * hour);
    expect(kept.length).toBe(30 + 59);
  });
});

describe('what cannot be read', () => {
  it('is set aside, all of it, and the newest version that can be read is opened', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    browser.clock.now += 61_000;
    rename(tab, 0, 'good');
    await tab.keeper.save();
    browser.clock.now += 61_000;
    rename(tab, 0, 'newer');
    await tab.keeper.save();
    await versionsKept(browser.stores);
    tab.stop();
    for (const text of ['{', '{"format":"armreach-plan","version":6}']) {
      const damaged = { ...(await record(browser))!, text };
      await browser.stores.records.set(KEY, damaged);
      const opened = await openPlan(tab.host, KEY);
      expect(opened).toMatchObject({ restored: true });
      expect(opened?.value.frames[0]?.name).toBe('good');
    }
    expect((await asides(tab.host)).map((a) => a.text)).toEqual([
      '{',
      '{"format":"armreach-plan","version":6}',
    ]);
    await openPlan(tab.host, KEY);
    expect(await asides(tab.host)).toHaveLength(2);
  });
});

/** A plan as it is parsed. */
interface Damaged {
  readonly frames: object[];
  readonly limits: object;
  readonly outing: object;
}

describe('what can be read only in part', () => {
  it('is opened without what cannot be read, and the whole text is set aside', async () => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    rename(tab, 0, 'kept');
    await tab.keeper.save();
    tab.stop();
    const stored = (await record(browser))!;
    const damage = (of: (plan: Damaged) => void) => {
      const plan = JSON.parse(stored.text);
      of(plan);
      return JSON.stringify(plan);
    };
    const whole = planCodec.read(stored.text);
    const count = whole.ok ? whole.value.frames.length : 0;
    const texts: [string, number][] = [
      [damage(({ frames }) => Object.assign(frames[1]!, { need: 5 })), count - 1],
      [damage(({ limits }) => Object.assign(limits, { maxCrop: -3, odd: 1 })), count],
      [damage(({ frames }) => frames.push(...new Array<object>(600).fill(frames[0]!))), 1],
      [damage(({ outing }) => Object.assign(outing, { name: 7 })), count],
    ];
    for (const [text, frames] of texts) {
      await browser.stores.records.set(KEY, { ...stored, text });
      const opened = await openPlan(tab.host, KEY);
      expect(opened).toMatchObject({ restored: true });
      expect(opened?.value.frames[0]?.name).toBe('kept');
      expect(opened!.value.frames.length).toBeGreaterThanOrEqual(frames);
      expect(planCodec.read(planCodec.write(opened!.value)).ok).toBe(true);
    }
    expect((await asides(tab.host)).map((a) => a.text)).toEqual(texts.map(([text]) => text));
  });
});

describe('what a page left behind', () => {
  const leaveWith = async (name: string) => {
    const browser = memoryBrowser();
    const tab = await openTab(browser, 1);
    rename(tab, 0, name);
    browser.parts.records.fault.fails = new Error('the page is gone');
    tab.keeper.leave();
    await rest(10);
    tab.stop();
    browser.parts.records.fault.fails = null;
    return { browser, tab };
  };
  /** Another tab writes since, and the version that was left is kept. */
  const writtenSince = async ({ browser, tab }: Awaited<ReturnType<typeof leaveWith>>) => {
    const other = await openTab(browser, 2);
    browser.clock.now += 61_000;
    rename(other, 1, 'by another');
    await other.keeper.save();
    await versionsKept(browser.stores);
    return { browser, tab, other };
  };
  const textOf = (key: string) => (key === 'shelf' ? shelfCodec : planCodec) as never;

  it('counts where it is the newest', async () => {
    const { browser, tab } = await leaveWith('left');
    await takeLeftBehind(tab.host, textOf);
    expect((await openPlan(tab.host, KEY))?.value.frames[0]?.name).toBe('left');
    expect((await record(browser))!.revision).toBe(2);
    expect(small.size).toBe(0);
  });

  it('is joined where another tab wrote since, and never replaces it', async () => {
    const { tab, other } = await writtenSince(await leaveWith('left'));
    await takeLeftBehind(tab.host, textOf);
    const frames = (await openPlan(tab.host, KEY))!.value.frames;
    expect(frames.slice(0, 2).map((f) => f.name)).toEqual(['left', 'by another']);
    other.stop();
  });

  it('is set aside where what it was made from is no longer known, and joined with nothing', async () => {
    const { browser, tab, other } = await writtenSince(await leaveWith('left'));
    browser.parts.versions.values.clear();
    const before = await record(browser);
    await takeLeftBehind(tab.host, textOf);
    expect(await record(browser)).toEqual(before);
    expect(await asides(tab.host)).toMatchObject([{ reason: { code: 'unsaved' } }]);
    other.stop();
  });

  it('is set aside when it is damaged, and what is stored stays as it is', async () => {
    const { browser, tab } = await leaveWith('left');
    const before = await record(browser);
    for (const [key] of small) small.set(key, '{"key":"outing:one","text":');
    await takeLeftBehind(tab.host, textOf);
    expect(await record(browser)).toEqual(before);
    expect(await asides(tab.host)).toMatchObject([{ text: '{"key":"outing:one","text":' }]);
  });
});

describe('what an earlier Arm Reach stored', () => {
  const old = (values: Record<string, unknown>) => ({
    get: async <T>(key: string) => (values[key] ?? null) as T | null,
    keys: async () => Object.keys(values),
  });
  const version1 = readFileSync('tests/fixtures/released/outing-1.json', 'utf8');
  const named = (name: string, id = 'mine') =>
    JSON.stringify({ ...JSON.parse(encode(demo)), outing: { ...demo.outing, id, name } });
  const stored = old({
    'current-outing': named('Open'),
    'open-id': 'a',
    library: [{ id: 'b', name: 'Old', savedAt: 5 }],
    'outing:a': named('Open, earlier'),
    'outing:b': version1,
    'outing:c': '{ broken',
    'set-aside': { text: 'worse', reason: 'it was bad' },
  });

  it('becomes one shelf and a record for each outing, with nothing lost and nothing twice', async () => {
    const browser = memoryBrowser();
    const host = browser.tab(0);
    for (let i = 0; i < 2; i += 1) await takeOver(host, stored, null);
    expect((await allOutings(host)).map((e) => [e.key, e.name])).toEqual([
      ['outing:a', 'Open'],
      ['outing:b', JSON.parse(version1).outing.name],
    ]);
    const { shelf } = await openPersonal(host);
    expect(shelf.gear.lenses.length).toBeGreaterThanOrEqual(demo.shelf.lenses.length);
    for (const [key, text] of [
      ['outing:a', named('Open')],
      ['outing:b', version1],
    ] as const) {
      const plan = (await openPlan(host, key))!.value;
      const desk: Desk = { plan, shelf, settings: (await openPersonal(host)).settings };
      const was = decode(text);
      const lenses = (
        list: readonly { name: string; weightG: number | null; ownership: string }[],
      ) => list.map((l) => `${l.name} ${l.weightG} ${l.ownership}`).sort();
      expect(lenses(fileOf(desk).shelf.lenses)).toEqual(
        lenses(was.ok ? was.value.shelf.lenses : []),
      );
      expect(fileOf(desk).limits).toEqual(was.ok && was.value.limits);
    }
    expect((await asides(host)).map((a) => a.text).sort()).toEqual(['worse', '{ broken']);
    const versions = await versionsOf(browser.stores.versions, 'outing:a');
    expect(await versionText(browser.stores.versions, versions[0]!)).toContain('Open, earlier');
  });

  it('is taken from what a page left, unless that is damaged', async () => {
    for (const [kept, name] of [
      [named('Left'), 'Left'],
      ['{ no', 'Open'],
    ] as const) {
      const browser = memoryBrowser();
      await takeOver(browser.tab(0), stored, kept);
      const [open] = await allOutings(browser.tab(0));
      expect(open?.name).toBe(name);
    }
  });

  it('goes on after a kill at any write', async () => {
    for (let n = 0; n < 6; n += 1) {
      const browser = memoryBrowser();
      const host = browser.tab(0);
      const { store } = browser.parts.records;
      const { set } = store;
      let left = n;
      Object.assign(store, {
        set: (key: string, value: unknown) =>
          left-- > 0 ? set(key, value) : Promise.reject(new Error('killed')),
      });
      await takeOver(host, stored, null).catch(() => undefined);
      Object.assign(store, { set });
      await takeOver(host, stored, null);
      expect((await allOutings(host)).map((e) => e.name)).toEqual([
        'Open',
        JSON.parse(version1).outing.name,
      ]);
    }
  });
});

test('an edit of limits in a form is one state, not two', async () => {
  const browser = memoryBrowser();
  const tab = await openTab(browser, 1);
  tab.document.edit(setLimits({ maxLenses: 3 }));
  await tab.keeper.save();
  expect((await record(browser))!.revision).toBe(2);
  tab.stop();
});
