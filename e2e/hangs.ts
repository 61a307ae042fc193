import type { Browser, Page } from '@playwright/test';
import { keepNothingOffline, storedText } from './support';

/**
 * What an edit needs besides the record itself may never come: a part of the application that is not
 * answered, late or refused, or the database of earlier versions. The edit must be stored all the same,
 * and so must one that another tab makes of the same outing meanwhile.
 */

/** Longest from an edit to its being seen stored, ms: a second is promised, and looking takes time too. */
const STORED_WITHIN_MS = 2000;
const LOOKS_MS = 50;

type Hang = 'never answered' | '8 s late' | 'refused' | 'second database';
const HANGS: readonly Hang[] = ['never answered', '8 s late', 'refused', 'second database'];

export interface HangFigures {
  /** The longest from an edit to its being stored, ms. */
  slowestMs: number;
  readonly faults: string[];
}

/** Edits once in each of two tabs of one browser, under each hang. */
export async function hangRun(
  browser: Browser,
  base: string,
  withinMs = STORED_WITHIN_MS,
): Promise<HangFigures> {
  const figures: HangFigures = { slowestMs: 0, faults: [] };
  for (const hang of HANGS) {
    const context = await browser.newContext({ viewport: { width: 1280, height: 800 } });
    await keepNothingOffline(context);
    if (hang === 'second database') await context.addInitScript(hangSecondDatabase);
    const tabs = [await opened(await context.newPage(), base)];
    tabs.push(await opened(await context.newPage(), base));
    if (hang !== 'second database')
      await context.route('**/_next/static/chunks/**', async (route) => {
        if (hang === 'refused') return route.abort();
        if (hang === '8 s late')
          setTimeout(() => void route.continue().catch(() => undefined), 8000);
        return undefined;
      });
    for (const [i, page] of tabs.entries()) {
      const name = `Edited in tab ${i + 1}`;
      await page.getByLabel('Picture', { exact: true }).fill(name);
      const tookMs = await storedAfter(page, name, 30 * withinMs);
      figures.slowestMs = Math.max(figures.slowestMs, tookMs);
      if (tookMs > withinMs)
        figures.faults.push(`${hang}: the edit in tab ${i + 1} is stored after ${tookMs} ms`);
    }
    await context.close();
  }
  return figures;
}

/** Opens the first picture, so that all that typing needs is there. */
async function opened(page: Page, base: string): Promise<Page> {
  await page.goto(`${base}/brief`);
  await page.getByTestId('answer').waitFor({ timeout: 60_000 });
  const row = page.getByRole('region', { name: 'Shot list' }).locator('tbody tr').first();
  await row.locator('td').nth(1).getByRole('button').click();
  await page.getByLabel('Picture', { exact: true }).waitFor();
  return page;
}

/** How long until a text is in a record, ms; what is not there by then took so long. */
async function storedAfter(page: Page, text: string, patienceMs: number): Promise<number> {
  const started = Date.now();
  while (Date.now() - started < patienceMs) {
    if ((await storedText(page)).includes(text)) return Date.now() - started;
    await page.waitForTimeout(LOOKS_MS);
  }
  return patienceMs;
}

function hangSecondDatabase() {
  const open = indexedDB.open.bind(indexedDB);
  IDBFactory.prototype.open = (name: string, version?: number) =>
    name === 'arm-reach-versions' ? (new EventTarget() as never) : open(name, version);
}
