import { readFileSync } from 'node:fs';
import { axeFindings } from './axe';
import { expect, open, test } from './support';

test('lenses side by side: ticked on the shelf, added and taken away, on one format, saved', async ({
  page,
}) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Side by side', exact: true }).click();
  for (const name of ['16–35 mm f/4', '70–200 mm f/2.8', '400 mm f/2.8'])
    await page.getByRole('checkbox', { name: `Side by side: ${name}` }).check();
  await page.getByRole('link', { name: 'Show 3 lenses side by side' }).click();
  const answer = page.getByTestId('beside-answer');
  await expect(answer).toContainText('no overlaps.');
  await page.getByLabel('On cameras of').selectOption({ label: '36×24 mm' });
  // The demo's 16–35 is measured to reach 34 mm.
  await expect(answer).toHaveText('Gaps at 34–70 mm and 200–400 mm; no overlaps.');
  await expect(page.getByRole('region', { name: 'Gaps' })).toContainText('a crop of 2.00×');

  await page.getByLabel('Add a lens').selectOption({ label: '24–105 mm f/4' });
  await expect(answer).toHaveText('A gap at 200–400 mm; overlaps at 24–34 mm and 70–105 mm.');
  const figures = page.getByRole('region', { name: 'Figures' });
  await expect(figures.getByRole('columnheader', { name: '24–105 mm f/4' })).toBeVisible();
  await expect(figures.getByRole('row', { name: /^Weight/ })).toContainText('(+275 g)');
  await expect(page.getByRole('region', { name: 'Pictures' })).toContainText('Only 400 mm f/2.8');

  // With what goes behind it, a lens is one more; the address leads back to all of them.
  await page.getByLabel('Add a lens').selectOption({ label: '70–200 mm f/2.8 + 1.4× converter' });
  await page.getByRole('button', { name: 'Remove 400 mm f/2.8' }).click();
  await page.reload();
  await expect(page.getByRole('button', { name: /^Remove / })).toHaveCount(4);
  await expect(answer).toHaveText('No gaps; 4 overlaps.');
  expect(await axeFindings(page)).toEqual([]);

  await page.getByRole('button', { name: 'Save', exact: true }).click();
  const waiting = page.waitForEvent('download');
  await page.getByRole('menuitem', { name: 'Chart as SVG' }).click();
  const svg = readFileSync(await (await waiting).path()).toString();
  expect(svg).toContain('24–105 mm f/4');
  expect(svg).not.toContain('var(');
});

test('on a phone, by night, it is no wider than the screen, and the palette adds by name', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await page.emulateMedia({ colorScheme: 'dark' });
  await open(page, '/beside');
  await expect(page.getByText(/^Choose two to six lenses/)).toBeVisible();
  await page.getByRole('button', { name: 'Those of the lineup' }).click();
  await expect(page.getByRole('button', { name: /^Remove / })).toHaveCount(4);
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox', { name: 'Find anything' }).fill('50 mm f/1.8, side');
  await expect(page.getByRole('option', { name: '50 mm f/1.8, side by side' })).toBeVisible();
  await page.keyboard.press('Enter');
  await expect(page.getByRole('button', { name: 'Remove 50 mm f/1.8' })).toBeVisible();
  expect(await axeFindings(page)).toEqual([]);
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(390);
});
