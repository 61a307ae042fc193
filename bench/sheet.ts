import { type Browser } from '@playwright/test';
import { plainOuting } from './outings';
import { watchLongTasks } from './longTasks';

const PICTURES = 60;

/** The contact sheet of 60 pictures, from choosing it until all are drawn, by the page's own clock. */
export async function benchSheet(
  browser: Browser,
  address: string,
): Promise<{ readonly drawnMs: number; readonly longestTaskMs: number }> {
  const demo = plainOuting();
  const frames = Array.from({ length: PICTURES }, (_, i) => {
    const model = demo.frames[i % demo.frames.length]!;
    return { ...model, id: `${model.id}-${i}`, name: `${model.name} ${i}` };
  });
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await page.goto(`${address}/brief`);
  await page.getByTestId('answer').waitFor();
  await page.getByLabel('Outing file to open').setInputFiles({
    name: 'sixty.armreach.json',
    mimeType: 'application/json',
    buffer: Buffer.from(JSON.stringify({ ...demo, frames })),
  });
  const open = page.getByRole('button', { name: 'Open the outing' });
  const opened = page.getByText(/^Opened /);
  await open.or(opened).first().waitFor();
  if (await open.isVisible()) await open.click();
  await page.getByText(`${demo.frames[5]!.name} 59`).first().waitFor();
  await page.locator('table [data-photo]').first().waitFor();
  // Once beforehand, so that the sheet's part is loaded.
  await page.getByText('Sheet', { exact: true }).click();
  await page.locator('[data-cell] [data-photo]').first().waitFor();
  await page.getByText('List', { exact: true }).click();
  await page.waitForTimeout(3000);
  const longest = await watchLongTasks(page);
  const drawnMs = await page.evaluate(async (count) => {
    const choice = [...document.querySelectorAll('label')].find((l) => l.textContent === 'Sheet');
    const started = performance.now();
    choice?.click();
    while (document.querySelectorAll('[data-cell] [data-photo]').length < count)
      await new Promise(requestAnimationFrame);
    return performance.now() - started;
  }, PICTURES);
  const longestTaskMs = await longest();
  await page.close();
  return { drawnMs, longestTaskMs };
}
