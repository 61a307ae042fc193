import type { Browser, BrowserContext, Page } from '@playwright/test';
import { DEFAULT_SETTINGS, EMPTY_SHELF, planOfFile, planCodec, shelfCodec } from '@/document';
import { watchLongTasks } from './longTasks';
import { demoOuting, outingOf } from './outings';

/** The storage of someone with 50 outings and 1,000 gear items, and what opening and saving it takes. */

const OUTINGS = 50;
const ITEMS = 1000;
const RUNS = 5;

/** What is stored, as the application writes it. */
function records(): Record<string, unknown> {
  const demo = demoOuting();
  const { lenses } = outingOf(ITEMS - demo.shelf.bodies.length, 1, 1).shelf;
  const owned = demo.shelf.bodies.map((b) => ({ ...b, ownership: 'owned' as const }));
  const gear = {
    ...demo.shelf,
    bodies: owned,
    lenses: [...lenses],
    converters: [],
    tubes: [],
    adapters: [],
  };
  const shelf = { ...EMPTY_SHELF, gear };
  const about = { createdAt: 1, savedAt: 1, deletedAt: null, revision: 1 };
  const plan = planOfFile({ ...demo, shelf: gear }, { shelf, settings: DEFAULT_SETTINGS });
  const outings = Array.from({ length: OUTINGS }, (_, i) => {
    const name = `Outing ${i}`;
    const text = planCodec.write({ ...plan, outing: { ...plan.outing, name } });
    return [`outing:${i}`, { ...about, stateId: `o${i}`, savedAt: i, name, text }];
  });
  return {
    shelf: { ...about, stateId: 's', name: 'Shelf', text: shelfCodec.write(shelf) },
    ...Object.fromEntries(outings),
  };
}

async function fill(context: BrowserContext, address: string): Promise<void> {
  const page = await context.newPage();
  await page.goto(`${address}/brief`);
  await page.getByText('Saved here').waitFor();
  await page.evaluate(
    (all) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('arm-reach-records');
        request.onerror = () => reject(request.error);
        request.onsuccess = () => {
          const writing = request.result.transaction('records', 'readwrite');
          const store = writing.objectStore('records');
          store.clear();
          for (const [key, value] of Object.entries(all)) store.put(value, key);
          writing.oncomplete = () => {
            request.result.close();
            resolve();
          };
        };
        localStorage.setItem('arm-reach-open', 'outing:7');
      }),
    records(),
  );
  await page.close();
}

/** The revision of the shelf's record. */
const revision = (page: Page) =>
  page.evaluate(
    () =>
      new Promise<number>((resolve) => {
        const request = indexedDB.open('arm-reach-records');
        request.onsuccess = () => {
          const reading = request.result.transaction('records').objectStore('records').get('shelf');
          reading.onsuccess = () => {
            request.result.close();
            resolve(reading.result.revision);
          };
        };
      }),
  );

/** From a figure of the shelf typed in to its record written, and the longest task on the way, ms. */
async function saving(page: Page, weight: number): Promise<{ took: number; longest: number }> {
  const before = await revision(page);
  const longest = await watchLongTasks(page);
  await page.getByLabel('Weight', { exact: true }).fill(String(weight));
  const start = Date.now();
  while ((await revision(page)) === before) await page.waitForTimeout(5);
  const took = Date.now() - start;
  await page.waitForTimeout(300);
  return { took, longest: await longest() };
}

export interface StoreFigures {
  readonly open: readonly number[];
  readonly save: readonly number[];
  readonly longest: readonly number[];
  readonly runs: number;
}

export async function benchStore(
  browser: Browser,
  address: string,
  answeredMs: (page: Page, address: string) => Promise<number>,
): Promise<StoreFigures> {
  const context = await browser.newContext();
  await fill(context, address);
  const open: number[] = [];
  for (let i = 0; i < RUNS; i += 1) {
    const page = await context.newPage();
    open.push(await answeredMs(page, `${address}/brief`));
    await page.close();
  }
  const page = await context.newPage();
  await page.goto(`${address}/shelf?kind=lenses&item=lens-5`);
  await page.getByTestId('answer').waitFor();
  await page.waitForTimeout(3000);
  const saves: { took: number; longest: number }[] = [];
  for (let i = 0; i < RUNS; i += 1) saves.push(await saving(page, 700 + i));
  await context.close();
  return {
    open,
    save: saves.map((s) => s.took),
    longest: saves.map((s) => s.longest),
    runs: RUNS,
  };
}
