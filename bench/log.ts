import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, Page } from '@playwright/test';
import { createLogAnswers } from '@/application';
import { DEFAULT_LIMITS } from '@/core/brief';
import { groupsOf, type Log, logBuilder, NO_MARKS, type Photo, seenOf, select } from '@/core/log';
import { readPhotoTable, writePhotoTable } from '@/document/formats/photoTable';
import { simulatedArchive, simulatedCard } from '@/document/simulated';
import { watchLongTasks } from './longTasks';
import { demoOuting } from './outings';

type Report = (name: string, value: number, unit: string, runs: number, note: string) => void;
type Median = (values: readonly number[]) => number;

const FILES = 2000;
const HINDSIGHT_PHOTOS = 100_000;
const OPEN_PHOTOS = 200_000;

/** So many photographs, made from the simulated year at other times. */
function manyPhotos(count: number): Log {
  const table = readPhotoTable(simulatedArchive());
  if (table.code !== 'read') throw new Error(table.code);
  const builder = logBuilder();
  for (let i = 0; i < count; i += 1) {
    const photo = table.photos[i % table.photos.length] as Photo;
    const round = Math.floor(i / table.photos.length);
    const takenMs = (photo.takenMs ?? 0) - round * 366 * 86_400_000;
    builder.add({ ...photo, takenMs, folder: `${2026 - round}/${photo.folder}` });
  }
  return builder.log();
}

/** Hindsight on 100,000 photographs, in this process. */
export async function benchHindsight(report: Report, median: Median): Promise<void> {
  const log = manyPhotos(HINDSIGHT_PHOTOS);
  const { shelf } = demoOuting();
  const answers = createLogAnswers();
  answers.give(log);
  const view = { shelf, marks: NO_MARKS, scope: { spans: null, keptOnly: false } };
  const asked = { ...view, limits: DEFAULT_LIMITS, withWished: true };
  const seen = seenOf(log, shelf, NO_MARKS);
  const rules = { maxCrop: 1.5, isoCeiling: 6400, tolerancePercent: 2 };
  const grouping: number[] = [];
  const whole: number[] = [];
  let [groups, proven] = [0, true];
  for (let i = 0; i < 7; i += 1) {
    let started = performance.now();
    groups = groupsOf(seen, select(log), shelf, rules).groups.length;
    if (i >= 2) grouping.push(performance.now() - started);
    started = performance.now();
    const found = await answers.hindsight(asked, 60);
    if (i >= 2) whole.push(performance.now() - started);
    proven &&= found.points.every((p) => p.proven);
  }
  const note = `${groups} groups, the demo’s whole shelf, wished things too; ${proven ? 'all points proven' : 'NOT PROVEN'}`;
  report('log.hindsight.100000', median(whole), 'ms', whole.length, `grouping included; ${note}`);
  report('log.hindsight.100000.grouping', median(grouping), 'ms', grouping.length, note);
}

/** Reading files and opening a large log, in the browser. */
export async function benchLogPages(
  browser: Browser,
  address: string,
  report: Report,
  median: Median,
): Promise<void> {
  const folder = mkdtempSync(join(tmpdir(), 'arm-reach-bench-'));
  try {
    await readingFiles(browser, address, folder, report, median);
    await openingLog(browser, address, folder, report, median);
  } finally {
    rmSync(folder, { recursive: true });
  }
}

async function logPage(browser: Browser, address: string): Promise<Page> {
  const page = await (await browser.newContext()).newPage();
  await page.goto(`${address}/log`);
  await page.getByRole('button', { name: 'Open a folder…' }).waitFor();
  return page;
}

/** JPEG files a second through the two workers, beside exiftool on the same files. */
async function readingFiles(
  browser: Browser,
  address: string,
  folder: string,
  report: Report,
  median: Median,
): Promise<void> {
  const { files } = simulatedCard(demoOuting());
  const jpegs = files.filter((f) => /RIV_\d+\.JPG$/.test(f.path));
  const made = Array.from({ length: FILES }, (_, i) => {
    const { bytes } = jpegs[i % jpegs.length] as (typeof jpegs)[number];
    return { name: `B${String(i).padStart(5, '0')}.JPG`, bytes };
  });
  const ours: number[] = [];
  const theirs: number[] = [];
  for (const f of made) writeFileSync(join(folder, f.name), f.bytes);
  for (let run = 0; run < 3; run += 1) {
    const page = await logPage(browser, address);
    ours.push((1000 * FILES) / (await readingMs(page, made)));
    await page.context().close();
    const started = performance.now();
    execFileSync('exiftool', ['-json', '-n', '-fast', folder], {
      stdio: ['ignore', 'pipe', 'ignore'],
      maxBuffer: 200_000_000,
    });
    theirs.push((1000 * FILES) / (performance.now() - started));
  }
  const [rate, exiftool] = [median(ours), median(theirs)];
  report(
    'log.read',
    rate,
    'files/s',
    3,
    `${FILES} JPEG files through the workers, by the page’s own clock, storing included`,
  );
  report(
    'log.read.vsExiftool',
    rate / exiftool,
    '1',
    3,
    `exiftool -fast reads ${Math.round(exiftool)} of the same files a second in the same run`,
  );
}

/** From the choosing of files to the result on screen. */
function readingMs(
  page: Page,
  files: readonly { name: string; bytes: Uint8Array }[],
): Promise<number> {
  return page.evaluate(
    async (given) => {
      const input = document.querySelector<HTMLInputElement>('input[aria-label="Photographs"]');
      if (!input) throw new Error('no way to choose files');
      const chosen = new DataTransfer();
      for (const { name, base64 } of given)
        chosen.items.add(new File([Uint8Array.from(atob(base64), (c) => c.charCodeAt(0))], name));
      const started = performance.now();
      input.files = chosen.files;
      input.dispatchEvent(new Event('change', { bubbles: true }));
      while (!/2,000 photographs/.test(document.querySelector('main')?.textContent ?? ''))
        await new Promise((resolve) => setTimeout(resolve, 5));
      return performance.now() - started;
    },
    files.map(({ name, bytes }) => ({ name, base64: Buffer.from(bytes).toString('base64') })),
  );
}

/** From opening the page to the Used view of 200,000 photographs. */
async function openingLog(
  browser: Browser,
  address: string,
  folder: string,
  report: Report,
  median: Median,
): Promise<void> {
  const table = join(folder, 'many.csv');
  writeFileSync(table, writePhotoTable(manyPhotos(OPEN_PHOTOS)));
  const page = await logPage(browser, address);
  await page.getByLabel('Table of photographs').setInputFiles(table);
  await page.getByText(/^200,000 photographs,/).waitFor({ timeout: 600_000 });
  const times: number[] = [];
  let megabytes = 0;
  for (let run = 0; run < 5; run += 1) {
    await page.goto(`${address}/log`);
    await page.getByTestId('used-chart').locator('svg').waitFor({ timeout: 60_000 });
    times.push(await page.evaluate(() => performance.now()));
    megabytes = await page.evaluate(
      () =>
        (performance as unknown as { memory: { usedJSHeapSize: number } }).memory.usedJSHeapSize /
        1e6,
    );
  }
  report(
    'log.open.200000',
    median(times),
    'ms',
    times.length,
    'from opening the page to the chart of what was used, by the page’s own clock',
  );
  const longest = await watchLongTasks(page);
  const { files } = simulatedCard(demoOuting());
  const one = files.find((f) => f.path.endsWith('.JPG'))!;
  const buffer = Buffer.from(one.bytes);
  await page
    .getByLabel('Photographs', { exact: true })
    .setInputFiles({ name: 'ONE.JPG', mimeType: 'image/jpeg', buffer });
  await page.getByText(/^200,001 photographs,/).waitFor({ timeout: 60_000 });
  report(
    'log.add.200000.longestTask',
    await longest(),
    'ms',
    1,
    'one photograph read into 200,000, on the page’s own thread',
  );
  report('log.open.200000.memory', megabytes, 'MB', 1, 'heap of the page, its workers left out');
  await page.context().close();
}
