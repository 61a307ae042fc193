import { type ChildProcess, spawn } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { type Browser, chromium, type Page } from '@playwright/test';
import { planCodec, shelfCodec } from '@/document';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from './chromium';

/**
 * Kills the browser (SIGKILL, all its processes) at random moments of real work, opens it again on the
 * same profile and compares what is stored with what was done: everything older than a second must be
 * there, whole and once; of what is younger any part may be.
 */

/** Longest that an edit may be lost, ms. */
const MAY_BE_LOST_MS = 1000;
const FLAGS = [
  ...CHROMIUM_ARGS,
  '--headless=new',
  '--remote-debugging-port=0',
  '--window-size=1280,800',
];

/** What has been done, and when: the plain truth that the storage is compared with. */
interface Told {
  /** States of an outing's marked name over time, oldest first. */
  readonly names: { at: number; text: string }[];
  /** Whether it is in the bin, over time. */
  readonly binned: { at: number; on: boolean }[];
  readonly madeAt: number;
}

export interface CrashFigures {
  kills: number;
  readonly during: Record<string, number>;
  readonly faults: string[];
  /** What was done in all, so that a run that did nothing is seen. */
  readonly done: Record<string, number>;
  /** Most of an edit that was lost, ms. */
  worstLostMs: number;
  /** The longest that one key took to be typed: how busy the machine is, ms. */
  slowestKeyMs: number;
}

export interface CrashOptions {
  readonly tell?: (line: string) => void;
  /** How many times the slowest key more than a second may be lost, where the machine may be busy. */
  readonly keysMore?: number;
}

interface Stored {
  readonly key: string;
  readonly name: string;
  readonly deletedAt: number | null;
  readonly text: string;
}

/** A random number generator with a seed (mulberry32), so that a run can be had again. */
function randomFrom(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state + 0x6d2b79f5) | 0;
    let t = Math.imul(state ^ (state >>> 15), 1 | state);
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t;
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296;
  };
}

export async function crashRun(
  address: string,
  kills: number,
  seed: number,
  { tell = () => undefined, keysMore = 0 }: CrashOptions = {},
): Promise<CrashFigures> {
  const profile = mkdtempSync(path.join(tmpdir(), 'arm-reach-crash-'));
  const random = randomFrom(seed);
  const told = new Map<string, Told>();
  const figures: CrashFigures = {
    kills: 0,
    during: {},
    faults: [],
    done: {},
    worstLostMs: 0,
    slowestKeyMs: 0,
  };
  try {
    let killedAt = 0;
    for (let n = 0; n <= kills; n += 1) {
      const { page, kill } = await launch(profile, address);
      const known = await compare(page, told, figures, {
        n,
        killedAt,
        mayBeLostMs: MAY_BE_LOST_MS + keysMore * figures.slowestKeyMs,
      });
      if (n === kills) {
        await kill();
        break;
      }
      const work = new Work(page, told, known, random, figures);
      const killAfter = 200 + random() * 2600;
      const working = work.go().catch(() => undefined);
      await sleep(killAfter);
      killedAt = Date.now();
      await kill();
      await working;
      figures.kills += 1;
      figures.during[work.doing] = (figures.during[work.doing] ?? 0) + 1;
      for (const one of told.values()) cut(one, killedAt);
      if (n % 20 === 19) tell(`${n + 1} kills, ${figures.faults.length} faults`);
    }
  } finally {
    rmSync(profile, { recursive: true, force: true, maxRetries: 5 });
  }
  return figures;
}

const sleep = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** What was only noted after the kill did not happen. */
function cut(one: Told, at: number) {
  while ((one.names.at(-1)?.at ?? 0) > at) one.names.pop();
  while ((one.binned.at(-1)?.at ?? 0) > at) one.binned.pop();
}

async function launch(profile: string, address: string) {
  const child = spawn(CHROMIUM_PATH, [...FLAGS, `--user-data-dir=${profile}`, 'about:blank'], {
    detached: true,
    stdio: ['ignore', 'ignore', 'pipe'],
  });
  const endpoint = await endpointOf(child);
  const browser: Browser = await chromium.connectOverCDP(endpoint);
  const [context] = browser.contexts();
  const page = context!.pages()[0] ?? (await context!.newPage());
  await page.setViewportSize({ width: 1280, height: 800 });
  await page.goto(`${address}/brief`);
  await page.getByTestId('answer').waitFor({ timeout: 60_000 });
  const gone = new Promise((resolve) => child.once('exit', resolve));
  const kill = async () => {
    process.kill(-child.pid!, 'SIGKILL');
    await gone;
    await browser.close().catch(() => undefined);
  };
  return { page, kill };
}

function endpointOf(child: ChildProcess): Promise<string> {
  return new Promise((resolve, reject) => {
    let heard = '';
    child.stderr!.on('data', (data: Buffer) => {
      heard += data.toString();
      const found = /ws:\/\/\S+/.exec(heard);
      if (found) resolve(found[0]);
    });
    child.once('exit', () => reject(new Error(`the browser did not start: ${heard}`)));
  });
}

/** Everything that is stored, straight from the database. */
function storedIn(page: Page): Promise<Stored[]> {
  return page.evaluate(
    () =>
      new Promise<Stored[]>((resolve, reject) => {
        const request = indexedDB.open('arm-reach-records');
        request.onerror = () => reject(request.error);
        request.onsuccess = () => {
          const store = request.result.transaction('records').objectStore('records');
          const [keys, values] = [store.getAllKeys(), store.getAll()];
          values.onsuccess = () => {
            request.result.close();
            resolve(
              keys.result.flatMap((key, i) =>
                typeof key === 'string' && typeof values.result[i] === 'object'
                  ? [{ ...values.result[i], key }]
                  : [],
              ),
            );
          };
        };
      }),
  );
}

/** What a comparison goes by. */
interface Round {
  readonly n: number;
  readonly killedAt: number;
  readonly mayBeLostMs: number;
}

/** The outings by name that are not in the bin; all that differs from what was told is a fault. */
async function compare(
  page: Page,
  told: Map<string, Told>,
  figures: CrashFigures,
  round: Round,
): Promise<readonly string[]> {
  const fault = (text: string) => figures.faults.push(`kill ${round.n}: ${text}`);
  const alert = await page.getByRole('alert').filter({ hasText: 'can’t be read' }).count();
  if (alert > 0) fault('the page says that something cannot be read');
  const stored = await storedIn(page);
  const shelf = stored.find((r) => r.key === 'shelf');
  if (shelf && !shelfCodec.read(shelf.text).ok) fault('the shelf cannot be read');
  const outings = stored.filter((r) => r.key.startsWith('outing:'));
  const found = new Map<string, { name: string; binned: boolean }[]>();
  for (const record of outings) {
    const read = planCodec.read(record.text);
    if (!read.ok) {
      fault(`${record.name} cannot be read: ${read.error.code}`);
      continue;
    }
    const { outing, frames } = read.value;
    const list = found.get(outing.name) ?? [];
    list.push({ name: frames[0]?.name ?? '', binned: record.deletedAt !== null });
    found.set(outing.name, list);
  }
  for (const [name, one] of told) {
    const here = found.get(name) ?? [];
    if (here.length > 1) fault(`${name} is there ${here.length} times`);
    if (here.length === 0 && one.madeAt + round.mayBeLostMs < round.killedAt)
      fault(`${name} is gone`);
    const [is] = here;
    if (!is) {
      told.delete(name);
      continue;
    }
    compareNames(one, is.name, figures, round, (text) => fault(`${name}: ${text}`));
    compareBin(one, is.binned, round, (text) => fault(`${name}: ${text}`));
    one.names.splice(0, one.names.length, { at: 0, text: is.name });
    one.binned.splice(0, one.binned.length, { at: 0, on: is.binned });
  }
  for (const [name, [first]] of found)
    if (!told.has(name) && first)
      told.set(name, {
        names: [{ at: 0, text: first.name }],
        binned: [{ at: 0, on: first.binned }],
        madeAt: 0,
      });
  return [...found].filter(([, [first]]) => first && !first.binned).map(([name]) => name);
}

/** The stored name must be one that was typed, and not older than what may be lost. */
function compareNames(
  { names }: Told,
  is: string,
  figures: CrashFigures,
  { killedAt, mayBeLostMs }: Round,
  fault: (text: string) => void,
) {
  const at = names.findLastIndex((state) => state.text === is);
  if (at < 0) return fault(`its picture is called "${is}", which was never typed`);
  const next = names[at + 1];
  if (!next) return;
  const lostMs = killedAt - next.at;
  figures.worstLostMs = Math.max(figures.worstLostMs, lostMs);
  if (lostMs > mayBeLostMs) fault(`${Math.round(lostMs)} ms of typing are lost`);
}

function compareBin(
  { binned }: Told,
  is: boolean,
  { killedAt, mayBeLostMs }: Round,
  fault: (text: string) => void,
) {
  const settled = binned.filter((state) => state.at < killedAt - mayBeLostMs).at(-1);
  const since = binned.filter((state) => state.at >= killedAt - mayBeLostMs);
  if (settled && settled.on !== is && !since.some((state) => state.on === is))
    fault(is ? 'it is in the bin' : 'it is not in the bin');
}

const EXAMPLE = readFileSync('tests/fixtures/released/outing-1.json', 'utf8');
let made = 0;

/** Someone who edits, switches, deletes, imports and restores without a pause. */
class Work {
  doing = 'opening';
  private open: string;

  constructor(
    private readonly page: Page,
    private readonly told: Map<string, Told>,
    private known: readonly string[],
    private readonly random: () => number,
    private readonly figures: CrashFigures,
  ) {
    this.open = '';
  }

  async go(): Promise<void> {
    this.page.setDefaultTimeout(15_000);
    this.open = await this.page.locator('header p').nth(1).innerText();
    for (;;) {
      const r = this.random();
      if (r < 0.45) await this.type();
      else if (r < 0.65) await this.switch();
      else if (r < 0.8) await this.import();
      else if (r < 0.9) await this.delete();
      else await this.restore();
    }
  }

  private count(what: string) {
    const { done } = this.figures;
    done[what] = (done[what] ?? 0) + 1;
  }

  private tell(name: string): Told {
    const one = this.told.get(name) ?? {
      names: [],
      binned: [{ at: 0, on: false }],
      madeAt: Date.now(),
    };
    this.told.set(name, one);
    return one;
  }

  private async type() {
    this.doing = 'typing';
    const field = this.page.getByLabel('Picture', { exact: true });
    const row = this.page.getByRole('region', { name: 'Shot list' }).locator('tbody tr').first();
    if (!(await field.isVisible())) await row.locator('td').nth(1).getByRole('button').click();
    await field.click();
    await field.press('End');
    for (let i = 0; i < 12; i += 1) {
      const text = (await field.inputValue()).slice(0, 90);
      const key = String.fromCharCode(97 + Math.floor(this.random() * 26));
      if (text.length >= 90) {
        await field.fill('again');
        this.tell(this.open).names.push({ at: Date.now(), text: 'again' });
        continue;
      }
      this.tell(this.open).names.push({ at: Date.now(), text: text + key });
      const started = Date.now();
      await field.press(key);
      const took = Date.now() - started;
      this.figures.slowestKeyMs = Math.max(this.figures.slowestKeyMs, took);
      this.count('keys');
      await sleep(20 + this.random() * 120);
    }
    return undefined;
  }

  private async menu(item: string) {
    await this.page.getByRole('button', { name: 'Outing', exact: true }).click();
    await this.page.getByRole('menuitem', { name: item }).click();
  }

  private async switch() {
    const others = this.known.filter((name) => name !== this.open);
    const to = others[Math.floor(this.random() * others.length)];
    if (to === undefined) return this.import();
    this.doing = 'switching';
    await this.menu('All outings…');
    const row = this.page
      .getByRole('listitem')
      .filter({ hasText: to })
      .filter({ hasText: 'saved' });
    await row.first().getByRole('button', { name: 'Open', exact: true }).click();
    await this.page.locator('header').getByText(to, { exact: true }).waitFor();
    this.open = to;
    this.count('switched');
  }

  private async import() {
    this.doing = 'importing';
    made += 1;
    const name = `Import ${process.pid}-${made}`;
    const file = JSON.parse(EXAMPLE);
    file.outing.name = name;
    file.frames[0].name = `p${made}`;
    await this.page.getByLabel('Outing file to open').setInputFiles({
      name: 'import.json',
      mimeType: 'application/json',
      buffer: Buffer.from(JSON.stringify(file)),
    });
    const confirm = this.page.getByRole('button', { name: 'Open the outing' });
    await confirm.click();
    await this.page.locator('header').getByText(name, { exact: true }).waitFor();
    this.tell(name).names.push({ at: Date.now(), text: `p${made}` });
    this.known = [...this.known, name];
    this.open = name;
    this.count('imported');
  }

  private async delete() {
    const others = this.known.filter((name) => name !== this.open);
    const [gone] = others;
    if (gone === undefined || others.length < 3) return this.switch();
    this.doing = 'deleting';
    await this.menu('All outings…');
    const at = Date.now();
    await this.page.getByRole('button', { name: `Delete ${gone}`, exact: true }).click();
    this.tell(gone).binned.push({ at, on: true });
    this.count('deleted');
    this.known = this.known.filter((name) => name !== gone);
    await this.page.keyboard.press('Escape');
  }

  private async restore() {
    this.doing = 'restoring';
    await this.menu('Backup and storage');
    const rows = this.page.getByRole('listitem').filter({ hasText: 'left' });
    await this.page.getByRole('heading', { name: 'Bin' }).waitFor();
    await sleep(150);
    if ((await rows.count()) > 0) {
      const name = await rows.first().locator('.font-semibold').innerText();
      const at = Date.now();
      await rows.first().getByRole('button', { name: 'Restore' }).click();
      this.tell(name).binned.push({ at, on: false });
      this.count('restored');
      if (!this.known.includes(name)) this.known = [...this.known, name];
    }
    await this.page.getByRole('link', { name: 'Brief' }).click();
  }
}
