import { spawn } from 'node:child_process';
import { type Browser, chromium, type Page } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from '../e2e/chromium';
import { watchLongTasks } from './longTasks';
import { benchDrag } from './ground';
import { benchLogPages } from './log';
import { benchSheet } from './sheet';
import { benchStore } from './store';

/** What a person waits for in the browser, on the production build; needs `npm run build` before. */

const PORT = 4178;
const ADDRESS = `http://localhost:${PORT}`;
const BYTES_PER_KB = 1000;

type Report = (name: string, value: number, unit: string, runs: number, note: string) => void;

const launch = () =>
  chromium.launch({
    executablePath: CHROMIUM_PATH,
    args: CHROMIUM_ARGS,
  });

/** Reading and opening photographs, on the production build. */
export function benchLog(report: Report, median: (v: readonly number[]) => number) {
  return served(async () => {
    const browser = await launch();
    await benchLogPages(browser, ADDRESS, report, median);
    await browser.close();
  });
}

/** What a frame has, ms. */
const FRAME_MS = 16;

/** The plan of the ground, on the production build. */
export function benchGround(report: Report, median: (v: readonly number[]) => number) {
  return served(async () => {
    const browser = await launch();
    const runs: number[][] = [];
    for (let i = 0; i < 3; i += 1) runs.push(await benchDrag(browser, ADDRESS));
    const over = runs.map((tasks) => tasks.filter((ms) => ms > FRAME_MS).length);
    report(
      'ground.drag',
      median(runs.map(([longest = 0]) => longest)),
      'ms',
      runs.length,
      `longest task of the page in 60 moves of a station over 20 subjects, 12 stations and 30 obstacles; over ${FRAME_MS} ms: ${over.join(', ')}`,
    );
    await browser.close();
  });
}

/** The contact sheet, on the production build. */
export function benchSheetPage(report: Report, median: (v: readonly number[]) => number) {
  return served(async () => {
    const browser = await launch();
    const runs = [];
    for (let i = 0; i < 3; i += 1) runs.push(await benchSheet(browser, ADDRESS));
    const longest = Math.max(...runs.map((r) => r.longestTaskMs));
    report(
      'sheet.render.60',
      median(runs.map((r) => r.drawnMs)),
      'ms',
      runs.length,
      `60 pictures from choosing the sheet until all are drawn; longest task of all runs ${longest} ms`,
    );
    const kb = await scriptBytes(browser);
    report('sheet.firstPage.scriptGzip', kb, 'kB', 1, 'the first page’s scripts, as in browser');
    await browser.close();
  });
}

/** Measures something while the production build is served. */
async function served(measure: () => Promise<void>): Promise<void> {
  const server = spawn(process.execPath, ['scripts/serve.mjs', '-p', String(PORT)], {
    stdio: 'ignore',
  });
  try {
    await answering();
    await measure();
  } finally {
    server.kill();
  }
}

export function benchBrowser(report: Report, median: (v: readonly number[]) => number) {
  return served(async () => {
    const cold: number[] = [];
    for (let i = 0; i < 5; i += 1) cold.push(await toLineup());
    report(
      'firstPage.toLineup',
      median(cold),
      'ms',
      5,
      'from opening the page in a browser just started, nothing stored, to the lineup on screen, by the page’s own clock; server warm',
    );
    const browser = await launch();
    report(
      'firstPage.scriptGzip',
      await scriptBytes(browser),
      'kB',
      1,
      'scripts that the first page loads until the answer stands, compressed, workers and the chart left out',
    );
    const longest: number[] = [];
    for (let i = 0; i < 5; i += 1) longest.push(await longestTask(browser));
    report(
      'typing.longestTask',
      median(longest),
      'ms',
      longest.length,
      `longest task of the page while 60 keys are typed into a picture and its distances on the demo; the longest of all runs ${Math.max(...longest)}`,
    );
    const store = await benchStore(browser, ADDRESS, answeredMs);
    const stored = '50 outings and 1,000 gear items stored';
    report(
      'store.open',
      median(store.open),
      'ms',
      store.runs,
      `${stored}; from opening the page to its answer, by the page’s own clock`,
    );
    report(
      'store.save',
      median(store.save),
      'ms',
      store.runs,
      `${stored}; from a figure of the shelf typed in to its record written, of which 250 ms are waited for more`,
    );
    report(
      'store.save.longestTask',
      median(store.longest),
      'ms',
      store.runs,
      'longest task of the page meanwhile, the new answer’s drawing included',
    );
    await browser.close();
  });
}

async function answering(): Promise<void> {
  for (let i = 0; i < 60; i += 1) {
    try {
      await fetch(`${ADDRESS}/api/demo`);
      return;
    } catch {
      await new Promise((resolve) => setTimeout(resolve, 250));
    }
  }
  throw new Error('the server does not answer: run npm run build first');
}

/** Opens a page; gives when the answer was on screen by the page's own clock, ms. */
async function answeredMs(page: Page, address: string): Promise<number> {
  // Asking from outside whether it is there yet would itself take time.
  await page.addInitScript(() => {
    const watcher = new MutationObserver(() => {
      if (document.querySelector('[data-testid=answer]') === null) return;
      watcher.disconnect();
      requestAnimationFrame(() => Object.assign(window, { answeredMs: performance.now() }));
    });
    watcher.observe(document, { childList: true, subtree: true });
  });
  await page.goto(address);
  await page.getByTestId('answer').waitFor();
  const took = await page.waitForFunction(
    () => (window as never as { answeredMs?: number }).answeredMs,
  );
  return (await took.jsonValue()) ?? NaN;
}

async function toLineup(): Promise<number> {
  const browser = await launch();
  const took = await answeredMs(await browser.newPage(), ADDRESS);
  await browser.close();
  return took;
}

async function scriptBytes(browser: Browser): Promise<number> {
  const page = await browser.newPage();
  const until = await answeredMs(page, `${ADDRESS}/brief`);
  // What a worker loads itself stands in its own list, and never holds the page up; what is loaded
  // once the answer stands is not waited for.
  const bytes = await page.evaluate(
    (answered) =>
      (performance.getEntriesByType('resource') as PerformanceResourceTiming[])
        .filter((r) => r.initiatorType === 'script' || r.initiatorType === 'link')
        .filter((r) => new URL(r.name).pathname.endsWith('.js') && r.startTime < answered)
        .reduce((sum, r) => sum + r.encodedBodySize, 0),
    until,
  );
  await page.close();
  return bytes / BYTES_PER_KB;
}

async function longestTask(browser: Browser): Promise<number> {
  const page = await browser.newPage();
  await page.goto(`${ADDRESS}/brief?frame=f05`);
  await page.getByTestId('answer').waitFor();
  await page.waitForTimeout(2000);
  const longest = await watchLongTasks(page);
  for (const [label, text] of [
    ['Picture', 'Prize-giving under the awning, seen from the quay'],
    ['Farthest', '13.25'],
    ['Nearest', '5.75'],
  ] as const) {
    await page.getByLabel(label, { exact: true }).fill('');
    await page.getByLabel(label, { exact: true }).pressSequentially(text, { delay: 60 });
  }
  await page.waitForTimeout(1000);
  const took = await longest();
  await page.close();
  return took;
}
