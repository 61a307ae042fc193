import { readFileSync } from 'node:fs';
import { test as plain, expect, type Page } from '@playwright/test';
import { open, openFile, saved, test } from './support';

/** What happens when the storage, a page, or what is given to it fails. */

const WAYS = ['Save my outing as a file', 'Go on without saving'];

/** The whole outing as a file, by a button that saves it. */
async function savedBy(page: Page, button: string): Promise<{ outing: { name: string } }> {
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: button }).click();
  return JSON.parse(readFileSync(await (await waiting).path(), 'utf8'));
}

test('a storage that never answers is said, and one can go on', async ({ page }) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => new EventTarget() as never;
  });
  await page.goto('/brief');
  await expect(page.getByText('storage hasn’t answered yet')).toBeVisible();
  for (const name of WAYS) await expect(page.getByRole('button', { name })).toBeVisible();
  await page.getByRole('button', { name: 'Go on without saving' }).click();
  await expect(page.getByTestId('answer')).toBeVisible();
  await expect(page.getByText('your edits aren’t being saved')).toBeVisible();
  expect((await savedBy(page, 'Export this outing')).outing.name).toMatch(/egatta/);
});

test('a storage that is denied is said at once, and the outing can be saved as a file', async ({
  page,
}) => {
  await page.addInitScript(() => {
    IDBFactory.prototype.open = () => {
      throw new DOMException('denied', 'SecurityError');
    };
  });
  await page.goto('/brief');
  await expect(page.getByTestId('answer')).toBeVisible();
  await expect(page.getByText('doesn’t let Arm Reach store anything')).toBeVisible();
  expect((await savedBy(page, 'Export this outing')).outing.name).toMatch(/egatta/);
});

plain('a page that fails says so, and gives the outing as a file', async ({ page }) => {
  await open(page, '/brief?frame=f01');
  await page.getByLabel('Picture', { exact: true }).fill('Kept through it');
  await saved(page);
  // In one go: an answer that comes in between would fail the page before the link is pressed.
  await page.getByRole('link', { name: 'Lineup', exact: true }).evaluate((link) => {
    Array.prototype.flatMap = () => {
      throw new Error('made to fail.');
    };
    (link as HTMLElement).click();
  });
  await expect(page.getByText('can’t be shown')).toBeVisible();
  const file = await savedBy(page, 'Save my outing as a file');
  expect(JSON.stringify(file)).toContain('Kept through it');
  await page.getByRole('button', { name: 'Go on without saving' }).click();
  await expect(page.getByTestId('answer')).toBeVisible();
  await expect(page.getByText('Kept through it').first()).toBeVisible();
});

test('of a paste what fits is taken, and all of it is there after a reload', async ({ page }) => {
  await open(page, '/brief');
  await page.getByRole('button', { name: 'Paste a shot list' }).click();
  const lines = Array.from({ length: 490 }, (_, i) => `shot ${i}, ${1 + (i % 9)} m`);
  const bad = ['A at 0 m', `B ${'9'.repeat(400)} m`];
  await page.getByRole('textbox', { name: 'Shot list' }).fill([...bad, ...lines].join('\n'));
  await expect(page.getByText(/entries are left out:/)).toBeVisible();
  await page.getByRole('button', { name: /^Add 48\d pictures$/ }).click();
  await saved(page);
  const demo = JSON.parse(readFileSync('demo/regatta.armreach.json', 'utf8'));
  const count = page.getByText('shot 3', { exact: true });
  await expect(count.first()).toBeVisible();
  await page.reload();
  await expect(page.getByTestId('answer')).toBeVisible();
  await expect(page.getByText('can’t be read')).toBeHidden();
  await expect(count.first()).toBeVisible();
  expect(demo.frames.length).toBe(18);
});

test('an outing’s file that would not end is given up or refused, and the page goes on', async ({
  page,
}) => {
  await open(page, '/brief');
  const deep = `${'{"a":'.repeat(100_000)}1${'}'.repeat(100_000)}`;
  await page
    .getByLabel('Outing file to open')
    .setInputFiles({ name: 'deep.json', mimeType: 'application/json', buffer: Buffer.from(deep) });
  await expect(page.getByText(/deep\.json: /)).toBeVisible();
});

test.describe('kept offline', () => {
  test.use({ keepsOffline: true });

  test('the demo opens without a network, from the first visit on', async ({ page, context }) => {
    await open(page, '/brief');
    await openFile(
      page,
      'mine.json',
      readFileSync('demo/regatta.armreach.json', 'utf8').replace('egatta', 'icnic'),
    );
    await saved(page);
    await page.evaluate(async () => {
      await navigator.serviceWorker.ready;
      while (!(await caches.match('/api/demo'))) await new Promise((r) => setTimeout(r, 100));
    });
    await context.setOffline(true);
    await page.getByRole('button', { name: 'Outing', exact: true }).click();
    await page.getByRole('menuitem', { name: /demo/i }).click();
    await expect(page.getByText('Opened the demo outing.')).toBeVisible();
    await context.setOffline(false);
  });
});
