import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { expect, open, outingMenu, saved, test, tick } from './support';
import { axeFindings } from './axe';

const card = async (page: Page) => {
  await page.getByRole('button', { name: 'Card of the regatta' }).click();
  await expect(page.getByTestId('used-chart')).toBeVisible();
};
const view = (page: Page, name: string) => page.getByRole('tab', { name }).click();
const ofOuting = (page: Page) => page.getByLabel('Look at').selectOption('outing');

test('from a card to what was used, against the plan, in hindsight, and pictures for the next outing', async ({
  page,
}) => {
  await open(page, '/log');
  await card(page);
  await expect(page.getByText('634 photographs, 12')).toBeVisible();
  const lenses = page.getByRole('region', { name: 'By lens' });
  await expect(lenses.getByRole('row', { name: /^16–55 mm f\/2\.8 49 %/ })).toBeVisible();
  // It opens on the outing by itself; the other views wait until they are told.
  await view(page, 'Against the plan');
  await expect(page.getByLabel('Look at')).toHaveValue('outing');
  await view(page, 'Used');
  await expect(page.getByLabel('Look at')).toHaveValue('all');
  await ofOuting(page);
  await expect(page.getByRole('table', { name: 'By stretch' })).toBeVisible();

  await view(page, 'Against the plan');
  await expect(page.getByText(/T20’s clock seems 4 min slow/)).toBeVisible();
  await page.getByRole('button', { name: 'Correct it' }).click();
  await expect(page.getByRole('heading', { name: 'Clocks' })).toBeHidden();
  const against = page.getByTestId('against');
  await expect(against.getByRole('row', { name: /Oarlock, close up/ })).toContainText('0');
  await expect(page.getByText(/1 picture missed/)).toBeVisible();
  await expect(page.getByText('23 mm f/1.4 was carried and never used (375 g).')).toBeVisible();
  await expect(page.getByText(/23 lens changes made, 5 planned/)).toBeVisible();
  await expect(
    page.getByRole('list', { name: 'Planned lens changes' }).getByRole('listitem'),
  ).toHaveCount(5);
  // Kept, what was carried stands whatever becomes of the outing.
  await page.getByRole('button', { name: 'I carried this' }).click();
  await expect(
    page.getByText(/^Held against what you carried, kept on .*23 mm f\/1\.4/),
  ).toBeVisible();
  await saved(page);
  await page.goto('/shelf?item=t-23');
  await tick(page.getByRole('radio', { name: 'leave out' }));
  await saved(page);
  await page.goto('/carry');
  await expect(page.getByRole('button', { name: /^Carried: kept on/ })).toBeVisible();
  await page.goto('/log?view=against&of=outing');
  await expect(page.getByText('23 mm f/1.4 was carried and never used (375 g).')).toBeVisible();
  await expect(page.getByText(/23 lens changes made, 5 planned/)).toBeVisible();

  // One that is none of the pictures is said to be one, and counts there.
  const hall = against.getByRole('row', { name: /Boathouse, whole hall/ });
  await expect(hall).toContainText('18');
  const something = page.getByRole('listitem').filter({ hasText: 'RIV_0101.JPG' });
  for (const told of ['°', 'mm · f/', ' · EV']) await expect(something).toContainText(told);
  await page.getByLabel('RIV_0101.JPG is').selectOption('Boathouse, whole hall');
  await expect(hall).toContainText('19');

  await view(page, 'Lessons');
  await expect(page.getByText(/never left the bag; it weighs 375\sg\./)).toBeVisible();
  await page.getByLabel('On Lantern regatta, two days').fill('Bring a stool.');

  await view(page, 'Hindsight');
  const points = page.getByTestId('hindsight');
  await expect(points.getByRole('row').nth(1)).toContainText('most possible (proven)');
  await expect(page.getByText(/would have been enough for/)).toBeVisible();

  await view(page, 'New pictures');
  await page.getByRole('checkbox', { name: /^Add Lantern procession, 50 mm/ }).check();
  await page
    .getByRole('textbox', { name: /^Name of Lantern procession, 50 mm/ })
    .fill('Lanterns close');
  await page.getByRole('button', { name: 'Add 1 picture to the outing' }).click();
  await page.getByRole('link', { name: 'Brief' }).click();
  await expect(page.getByText('Lanterns close').first()).toBeVisible();

  // Next year's outing of the kind learns from this one.
  await outingMenu(page, 'Outings…');
  await page.getByRole('button', { name: 'Duplicate', exact: true }).first().click();
  await page.getByRole('link', { name: 'Log' }).click();
  await view(page, 'New pictures');
  await page.getByRole('button', { name: /^Use \d+ shares$/ }).click();
  await expect(page.getByText(/now use that outing’s shares/)).toBeVisible();
});

test('a card read again adds none; a folder is removed and comes back; all of it outlives a reload', async ({
  page,
}) => {
  await open(page, '/log');
  await card(page);
  await view(page, 'Photographs');
  await expect(page.getByTestId('reading-result')).toHaveText(
    '634 photographs added. 5 damaged, 1 isn’t a photograph',
  );
  await page.getByRole('button', { name: 'Card of the regatta' }).click();
  await expect(page.getByTestId('reading-result')).toHaveText(
    '0 photographs added. 634 already known, 5 damaged, 1 isn’t a photograph',
  );
  await page.getByRole('button', { name: 'Remove DCIM/101RIVER from the log' }).click();
  await expect(page.getByText('368 photographs, 12')).toBeVisible();
  await page.getByRole('button', { name: 'Undo', exact: true }).click();
  await expect(page.getByText('634 photographs, 12')).toBeVisible();
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export as a table' }).click();
  const table = readFileSync(await (await saved).path(), 'utf8');
  expect(table.split('\n')).toHaveLength(635);

  await page.reload();
  await expect(page.getByText('634 photographs, 12')).toBeVisible();
  await view(page, 'Photographs');
  await page
    .getByLabel('Table of photographs')
    .setInputFiles({ name: 'all.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await expect(page.getByTestId('reading-result')).toContainText('634 already known');
  await page
    .getByLabel('Table of photographs')
    .setInputFiles({ name: 'x.csv', mimeType: 'text/csv', buffer: Buffer.from('a,b\n1,2') });
  await expect(page.getByText(/no SourceFile column/)).toBeVisible();
});

test('a newcomer with a folder of pictures has a shelf and an idea of the own habits, without typing', async ({
  page,
}) => {
  await open(page, '/');
  await page.getByRole('button', { name: 'Start from my photographs' }).click();
  await expect(page).toHaveURL(/\/log/);
  await page.getByRole('button', { name: 'A year of pictures' }).click();
  await expect(page.getByTestId('used-chart')).toBeVisible();
  await expect(page.getByText('12,000 photographs,')).toBeVisible();
  // All that the files name is offered, first of all: nothing of the demo is taken for the newcomer's.
  await expect(page.locator('h2').first()).toHaveText('Not on your shelf yet');
  await page.getByRole('button', { name: /^Add \d+ items to the shelf$/ }).click();
  await expect(page.getByRole('heading', { name: 'Not on your shelf yet' })).toBeHidden();
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('button', { name: /^14-42 mm f\/3\.5-5\.6/ })).toBeVisible();
});

test('what another tab reads is there in this one', async ({ page, context }) => {
  await open(page, '/log');
  const other = await context.newPage();
  await open(other, '/log');
  await card(page);
  await expect(other.getByText('634 photographs, 12')).toBeVisible();
});

test('without a network all of it works', async ({ browser, baseURL }) => {
  const context = await browser.newContext({ baseURL: baseURL! });
  const page = await context.newPage();
  await open(page, '/log');
  await card(page);
  await page.evaluate(() => navigator.serviceWorker.ready.then(() => true));
  await page.waitForFunction(async () =>
    (await caches.open('pages')).match('/log').then((found) => found !== undefined),
  );
  await context.setOffline(true);
  await page.goto('/log');
  await expect(page.getByTestId('used-chart')).toBeVisible();
  await view(page, 'Hindsight');
  await expect(page.getByTestId('hindsight')).toBeVisible();
  await view(page, 'Photographs');
  await page.getByRole('button', { name: 'A year of pictures' }).click();
  await expect(page.getByTestId('reading-result')).toContainText('12,000 photographs added');
  await context.close();
});

test('no view of it has faults that axe finds, and none scrolls sideways on a phone', async ({
  page,
}) => {
  await open(page, '/log');
  const check = async () => {
    expect(await axeFindings(page)).toEqual([]);
    expect(
      await page.evaluate(() => document.documentElement.scrollWidth <= window.innerWidth),
    ).toBe(true);
  };
  await check();
  await card(page);
  await ofOuting(page);
  for (const size of [
    { width: 1280, height: 800 },
    { width: 390, height: 844 },
  ]) {
    await page.setViewportSize(size);
    for (const name of [
      'Used',
      'Against the plan',
      'Hindsight',
      'New pictures',
      'Lessons',
      'Photographs',
    ]) {
      await view(page, name);
      await expect(page.getByText('Working it out…')).toBeHidden();
      await check();
    }
  }
});

test('an outing that has begun keeps the lineup it had as what was carried, unless it was changed since', async ({
  page,
}) => {
  await page.clock.setFixedTime('2027-06-11T20:00');
  await open(page, '/shelf?item=t-23');
  await tick(page.getByRole('radio', { name: 'leave out' }));
  await saved(page);
  // Its first stretch begins at 8:30.
  await page.clock.setFixedTime('2027-06-12T08:00');
  await open(page, '/carry');
  const kept = page.getByRole('button', { name: 'Carried: kept on Saturday, 12 June 2027' });
  await expect(page.getByRole('button', { name: 'I carried this' })).toBeVisible();
  await page.clock.setFixedTime('2027-06-12T08:31');
  await open(page, '/carry');
  await expect(page.getByText('The outing has begun.')).toBeVisible();
  await expect(kept).toBeVisible();
  // Let go, it stays so.
  await kept.click();
  const byHand = page.getByRole('button', { name: 'I carried this' });
  await page.getByRole('link', { name: 'Lineup' }).first().click();
  await page.getByRole('link', { name: 'Carry' }).first().click();
  await expect(byHand).toBeVisible();
});

test('an outing that was changed after it began keeps nothing by itself', async ({ page }) => {
  await page.clock.setFixedTime('2027-06-12T09:00');
  await open(page, '/shelf?item=t-23');
  await tick(page.getByRole('radio', { name: 'leave out' }));
  await saved(page);
  await open(page, '/carry');
  await page.clock.setFixedTime('2027-06-12T10:00');
  await page.reload();
  await expect(page.getByTestId('lanes')).toBeVisible();
  await expect(page.getByRole('button', { name: 'I carried this' })).toBeVisible();
});

test('photographs that name no lens: said once which were used, each is told by its figures', async ({
  page,
}) => {
  await open(page, '/log');
  const row = (name: string, mm: number, f: number) =>
    `${name},2027:06:12 09:00:00,Tessendorn,T20,${mm},${f},1/500,400`;
  const table = [
    'SourceFile,DateTimeOriginal,Make,Model,FocalLength,FNumber,ExposureTime,ISO',
    ...[1, 2, 3].map((i) => row(`a${i}.jpg`, 23, 1.4)),
    row('b.jpg', 200, 8),
  ].join('\n');
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Import a table…' }).click(),
  ]);
  await chooser.setFiles({ name: 't.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await expect(page.getByText('4 photographs name no lens.')).toBeVisible();
  await page.getByRole('link', { name: 'Say which lenses you used' }).click();
  const said = page.getByRole('group', { name: /^Lenses you use on .*T20/ });
  await tick(said.getByRole('checkbox', { name: /^23 mm f\/1\.4/ }));
  await expect(said).toContainText('3 of 4 are told apart');
  await view(page, 'Used');
  const lenses = page.getByRole('region', { name: 'By lens' });
  await expect(lenses.getByRole('row', { name: /^23 mm f\/1\.4 75 %/ })).toBeVisible();
  await page.reload();
  await expect(lenses.getByRole('row', { name: /^23 mm f\/1\.4 75 %/ })).toBeVisible();
});
