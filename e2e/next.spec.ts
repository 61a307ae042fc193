import { readFileSync } from 'node:fs';
import { execFileSync } from 'node:child_process';
import type { Page } from '@playwright/test';
import { expect, open, openFile, saved, test } from './support';
import { axeFindings } from './axe';

const LONG = { timeout: 90_000 };

/** The demo once a year, and twelve days of far wildlife. */
async function choose(page: Page) {
  await open(page, '/next');
  // In sight at once; how often is said under the terms.
  await page.getByRole('button', { name: '+ Far wildlife' }).click();
  await expect(page.getByTestId('next-outings')).toContainText('Far wildlife (once a year)');
  await page.getByText('Outings and terms').click();
  await page.getByRole('textbox', { name: 'Times a year: Far wildlife' }).fill('12');
  await expect(page.getByText('Over 2 outings, 13 times a year')).toBeVisible();
  await page.getByText('Outings and terms').click();
}
const view = (page: Page, name: string) => page.getByRole('tab', { name }).click();

test('from the outings of a year to what to buy, sell, exchange and rent', async ({ page }) => {
  await choose(page);
  const things = page.getByTestId('next-things');
  await expect(things).toBeVisible(LONG);
  await expect(page.getByText(/^150–600 mm f\/5–6.3 adds most: \+24 musts a year/)).toBeVisible();
  const first = things.getByRole('row').nth(1);
  await expect(first).toContainText('€1,350');
  await expect(first).toContainText('Far wildlife, 12 times a year: +2 musts a year');

  await view(page, 'Buy');
  await expect(page.getByTestId('staircase')).toBeVisible(LONG);
  await expect(page.getByTestId('buy-once')).toContainText('Buy 150–600 mm f/5–6.3 for €1,350.');
  await expect(page.getByText('No set within this budget covers more (proven).')).toBeVisible();
  await expect(page.getByText('No other order covers more along the way (proven).')).toBeVisible();
  const steps = page.getByTestId('buy-path').getByRole('row');
  await expect(steps.nth(2)).toContainText('150–600');
  await page.getByLabel('To spend at once').fill('1000');
  await expect(page.getByTestId('buy-once')).not.toContainText('150–600 mm', LONG);
  await page.getByLabel('Steps (1–6)').fill('99');
  await expect(page.getByLabel('Steps (1–6)')).toHaveAttribute('aria-invalid', 'true');
  await page.getByLabel('Steps (1–6)').fill('2');
  await expect(steps).toHaveCount(3, LONG);

  await view(page, 'Sell');
  const sold = page.getByTestId('next-sell-things');
  await expect(sold).toBeVisible(LONG);
  const zoom = sold.getByRole('row', { name: /^24–70 mm f\/2.8/ });
  await expect(zoom).toContainText('can go');
  await zoom.getByRole('checkbox').check();
  await expect(zoom).toContainText('you keep it', LONG);
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(zoom).toContainText('can go', LONG);

  await view(page, 'Swap');
  await expect(page.getByRole('region', { name: 'Best exchanges' })).toBeVisible(LONG);
  const system = page.getByRole('row', { name: /^Brindlewick P mount/ });
  await expect(system).toContainText(/not as a whole: .*K1 \(named in a stretch\)/);

  await view(page, 'Rent');
  await page.getByLabel('For', { exact: true }).selectOption('Far wildlife', LONG);
  await page.getByLabel('Rent per day').fill('40');
  await expect(page.getByTestId('rent-or-buy')).toContainText('Buying costs less.');
  await expect(page.getByText(/it adds \+2 musts/)).toBeVisible();

  // What was chosen is there again.
  await page.reload();
  await expect(page.getByText('Over 2 outings, 13 times a year')).toBeVisible();
});

test('which kind of lens is missing, without a wish; a wish for one is then compared', async ({
  page,
}) => {
  await choose(page);
  await view(page, 'Missing');
  const kinds = page.getByTestId('missing-kinds');
  await expect(kinds).toBeVisible(LONG);
  const first = kinds.getByRole('listitem').first();
  await expect(first).toContainText('musts a year');
  await expect(first).toContainText('Far wildlife: Deer at the wood’s edge');
  await expect(first).toContainText(/As long as it (has|reaches) .+ is enough/);
  await expect(page.getByTestId('missing-plot')).toBeVisible();
  const name = await first.getByRole('heading').innerText();
  await first.getByRole('button', { name: 'Wish for one' }).click();
  await expect(page.getByText('is on your shelf as a wish')).toBeVisible();
  await view(page, 'One step');
  await expect(page.getByTestId('next-things').getByText(name)).toBeVisible(LONG);
});

test('work can be stopped and begun again, and other outings asked about', async ({ page }) => {
  // However fast it is: what is asked of a worker waits while `held` is set.
  await page.addInitScript(() => {
    const { prototype } = Worker;
    const post = prototype.postMessage;
    prototype.postMessage = function (this: Worker, ...sent: unknown[]) {
      if (!('held' in window)) Reflect.apply(post, this, sent);
    };
  });
  await open(page, '/brief');
  await page.evaluate(() => Object.assign(window, { held: true }));
  await page.getByRole('link', { name: 'Next', exact: true }).click();
  await page.getByRole('button', { name: 'Stop' }).click();
  await page.evaluate(() => Reflect.deleteProperty(window, 'held'));
  await page.getByRole('button', { name: 'Work it out' }).click();
  await expect(page.getByTestId('next-things')).toBeVisible(LONG);
  await page.getByText('Outings and terms').click();
  await page.getByRole('checkbox', { name: 'Night sky' }).check();
  await page.getByRole('checkbox', { name: /Lantern regatta/ }).uncheck();
  await expect(page.getByText('Over 1 outing, 1 time a year')).toBeVisible();
  await expect(page.getByTestId('next-things')).toBeVisible(LONG);
});

test.describe('on a phone, at night', () => {
  test.use({ viewport: { width: 390, height: 844 }, colorScheme: 'dark' });
  test('every view is read without scrolling sideways, and axe finds nothing', async ({ page }) => {
    await choose(page);
    await expect(page.getByTestId('next-things')).toBeVisible(LONG);
    for (const [name, there] of [
      ['Missing', 'missing-kinds'],
      ['One step', 'next-things'],
      ['Buy', 'staircase'],
      ['Sell', 'next-sell-things'],
    ] as const) {
      await view(page, name);
      await expect(page.getByTestId(there)).toBeVisible(LONG);
      const wide = await page.evaluate(() => document.documentElement.scrollWidth);
      expect(wide).toBeLessThanOrEqual(390);
      expect(await axeFindings(page)).toEqual([]);
    }
  });
});

test('the command line says the same as the page', async ({ page }) => {
  // The demo with its distances as typed, before it had a plan: there one lens saves money for two.
  const typed = 'tests/fixtures/released/outing-9.json';
  await open(page, '/brief');
  await openFile(page, 'typed.json', readFileSync(typed, 'utf8'));
  await expect(page.getByText(/^Opened /)).toBeVisible();
  await saved(page);
  await open(page, '/next?view=buy');
  await page.getByLabel('To spend at once').fill('2500');
  const buy = page.getByTestId('buy-once');
  await expect(buy).toContainText('Nothing to buy: your gear covers all of it.', LONG);
  await page.getByText('Outings and terms').click();
  await page.getByText('Fewer items, then money', { exact: true }).click();
  await expect(buy).toContainText('Buy 56 mm f/1.2 for €1,000', LONG);
  // What decides stands beside the pictures.
  await expect(buy).toContainText('items to carry on average');
  const args = ['--import', 'tsx', 'src/cli/next.ts', typed];
  const said = (more: readonly string[]) =>
    JSON.parse(execFileSync(process.execPath, [...args, ...more], { encoding: 'utf8' })) as {
      buy: { once: { boughtIds: string[]; cost: { known: number }; open: unknown } };
    };
  expect(said(['--ask', 'buy', '--budget', '2500']).buy.once.boughtIds).toEqual([]);
  const { once } = said(['--ask', 'buy', '--budget', '2500', '--after', 'items']).buy;
  expect(once).toMatchObject({ boughtIds: ['t-56'], cost: { known: 1000 }, open: null });
  expect(() => said(['--steps', '99'])).toThrow(/out of range: steps/);
});
