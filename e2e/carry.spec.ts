import { readFileSync } from 'node:fs';
import { expect, open, saved, standing, test, tick } from './support';

const plan = (page: Parameters<typeof open>[0], stretch: string) =>
  page.getByRole('region', { name: stretch, exact: true });

test('a whole day of the demo: what hangs where, who holds what, what is packed', async ({
  page,
}) => {
  await open(page, '/carry');
  await expect(
    page.getByText('5 lens changes over the whole outing, the fewest possible'),
  ).toBeVisible();
  const launch = plan(page, 'In the launch');
  await expect(launch).toContainText('no lens changes');
  await expect(launch.getByText(/^Change:/)).toHaveCount(0);
  const finals = plan(page, 'Finals, both banks');
  await expect(finals.getByRole('heading', { name: 'Second shooter' })).toBeVisible();
  await expect(finals).toContainText('Handed over: T20 to Second shooter');
  await expect(plan(page, 'Boathouse and crews')).toContainText('Crew portrait on the slip with');
  await expect(plan(page, 'Heats from the bridge')).toContainText('Never look at the sun');
  await page.getByRole('tab', { name: 'Bag', exact: true }).click();
  await expect(page.getByText('Everything with a known size fits, as drawn')).toBeVisible();
  await expect(page).toHaveURL(/view=bag/);

  await page.getByRole('tab', { name: 'Packing' }).click();
  const cards = page.getByLabel(/GB cards for K1/);
  await expect(page.getByText(/pictures × 28 MB = \d+ GB; one for each slot \(2\)/)).toBeVisible();
  await tick(cards);
  await saved(page);
  await page.reload();
  await expect(page.getByLabel(/GB cards for K1/)).toBeChecked();

  await page.getByRole('tab', { name: 'By stretch' }).click();
  await page.getByLabel('Carry at most').fill('4000');
  await expect(page.getByText('over your 4.00')).toBeVisible();
});

test('when something goes wrong the plan is made again with what is left', async ({ page }) => {
  await open(page, '/carry?view=whatif');
  await expect(page.getByTestId('whatif')).toBeVisible();
  await page.getByRole('combobox', { name: 'What if' }).selectOption('23 mm f/1.4 breaks');
  await expect(page.getByTestId('whatif')).toContainText(
    'Lost: Dancers by lantern light (1 picture)',
  );
  await page.getByRole('combobox', { name: 'What if' }).selectOption('I start an hour late');
  await expect(page.getByTestId('whatif')).toContainText('It works');
  await expect(standing(page)).toContainText('4 lenses');
});

test('stretches and packing list are taken along as calendar, CSV and Markdown', async ({
  page,
}) => {
  await open(page, '/carry');
  for (const [item, file, start] of [
    ['Stretches as a calendar', 'lantern-regatta.ics', 'BEGIN:VCALENDAR'],
    ['Packing list as CSV', 'lantern-regatta-packing.csv', 'count,what,why,packed'],
    ['Packing list as Markdown', 'lantern-regatta-packing.md', '# Lantern regatta, two days'],
  ] as const) {
    await page.getByRole('button', { name: 'Export' }).click();
    const waiting = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    const download = await waiting;
    expect(download.suggestedFilename()).toBe(file);
    expect(readFileSync(await download.path(), 'utf8').startsWith(start)).toBe(true);
  }
});

test('on a phone everything is within reach of a thumb, and nothing is wider than the screen', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page, '/carry');
  const heats = plan(page, 'Heats from the bridge');
  await expect(heats).toContainText('next');
  await expect(heats).toContainText('Start line, all lanes');
  const launch = plan(page, 'In the launch');
  await expect(launch).not.toContainText('From the launch, in spray');
  await launch.getByRole('button', { name: 'In the launch' }).click();
  await expect(launch).toContainText('From the launch, in spray');
  await expect(heats).not.toContainText('Start line, all lanes');
  await expect(page).toHaveURL(/stretch=launch/);
  const wide = await page.evaluate(
    () => document.documentElement.scrollWidth - document.documentElement.clientWidth,
  );
  expect(wide).toBe(0);
});

test.describe('without a network', () => {
  test.use({ keepsOffline: true });

  test('the plan opens after a first visit, and is still worked out', async ({
    browser,
    baseURL,
  }) => {
    const context = await browser.newContext({ baseURL: baseURL! });
    const page = await context.newPage();
    await open(page, '/lineup');
    await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
    await page.waitForFunction(async () =>
      (await caches.open('pages')).match('/carry').then((found) => found !== undefined),
    );
    await saved(page);
    await context.setOffline(true);
    await page.goto('/carry');
    await expect(page.getByText('5 lens changes over the whole outing')).toBeVisible();
    await tick(page.getByRole('checkbox', { name: 'Lantern procession' }));
    await expect(
      page.getByText(/lens changes over the whole outing, the fewest possible/),
    ).toBeVisible();
    await context.close();
  });
});
