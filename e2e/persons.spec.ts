import { dialogBy, expect, open, outingMenu, standing, test, tick } from './support';

test('a beginner with one body and three lenses gets an answer from nothing', async ({ page }) => {
  await open(page);
  await page.getByRole('button', { name: 'Start from nothing' }).click();
  const dialog = page.getByRole('dialog', { name: 'Start from nothing' });
  await dialog.getByLabel('Lens 1').fill('18–55 mm f/3.5–5.6');
  await dialog.getByLabel('Lens 2').fill('a good one');
  await expect(dialog.getByText('Give a range and an f-number')).toBeVisible();
  await expect(dialog.getByRole('button', { name: 'Show me which lenses to take' })).toBeDisabled();
  await dialog.getByLabel('Lens 2').fill('50 f/1.8');
  await dialog.getByLabel('Lens 3').fill('55-210mm f/4.5-6.3');
  await dialog.getByLabel('What you are going to photograph').selectOption('Family with children');
  await dialog.getByRole('button', { name: 'Show me which lenses to take' }).click();
  await expect(page).toHaveURL(/\/lineup$/);
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await expect(page.getByTestId('answer')).toContainText(/lens/);
  await outingMenu(page, 'All outings…');
  await expect(page.getByRole('dialog', { name: 'Outings' })).toContainText('Lantern regatta');
  await page.getByRole('button', { name: 'Open', exact: true }).click();
  await expect(standing(page)).toContainText('4 lenses');
});

test('a day in phases with two shooters: brief, lineup, and what each of them carries', async ({
  page,
}) => {
  await open(page, '/brief');
  await outingMenu(page, 'New from a starter brief…');
  await page.getByRole('button', { name: /^Wedding/ }).click();
  await dialogBy(page.getByRole('button', { name: '1 shooter' }));
  await page.getByRole('button', { name: 'Add a shooter' }).click();
  await page.getByRole('button', { name: 'Add a shooter' }).click();
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /Ceremony/ })
    .last()
    .click();
  await tick(page.getByLabel('First shooter'));
  await tick(page.getByLabel('Shooter 2'));
  await page.keyboard.press('Escape');
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await page.getByRole('link', { name: 'Carry' }).click();
  const ceremony = page.getByRole('region', { name: /Ceremony/ }).first();
  await expect(ceremony.getByRole('heading', { name: 'First shooter' })).toBeVisible();
  await expect(ceremony.getByRole('heading', { name: 'Shooter 2' })).toBeVisible();
  await expect(page.getByText(/changes? over the whole outing/)).toBeVisible();
});

test('a thousand imported lenses: answered, and the chart stays readable', async ({ page }) => {
  test.setTimeout(120_000);
  const rows = Array.from({ length: 1000 }, (_, i) => {
    const wide = 12 + (i % 90) * 4;
    const long = wide * (1 + (i % 4));
    return `lens ${i},Maker ${i % 7},Quillmar K,${wide},${long},${(1.8 + (i % 9) * 0.5).toFixed(1)},${300 + (i % 50) * 20},owned`;
  });
  const csv = ['name,maker,mount,wide_mm,long_mm,f_numbers,weight_g,ownership', ...rows].join('\n');
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Shelf tools' }).click();
  await page.getByRole('menuitem', { name: 'Lenses from a CSV table…' }).click();
  await page
    .getByLabel('CSV table of lenses')
    .setInputFiles({ name: 'lenses.csv', mimeType: 'text/csv', buffer: Buffer.from(csv) });
  await page.getByRole('button', { name: 'Add 1,000 lenses' }).click();
  await expect(page.getByRole('tab', { name: 'Lenses 1028' })).toBeVisible();
  await expect(standing(page)).not.toContainText('Thinking');
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await page.getByLabel('Search lenses').fill('lens 999');
  await expect(page.getByText('1 shown')).toBeVisible();
  await page.getByRole('link', { name: 'Reach', exact: true }).click();
  await expect(page.getByLabel('Lenses drawn')).toHaveValue('able');
  await page.getByLabel('Lenses drawn').selectOption('the lineup alone');
  await expect(page.getByRole('region', { name: 'Lenses' }).getByRole('row')).not.toHaveCount(1);
  // Long after the former answer is gone: what was imported is what it is proven over.
  await expect(standing(page)).not.toContainText('4 lenses and 1 tube');
  await expect(standing(page)).toContainText('fewest possible (proven)');
});

test('by keyboard alone: from the first page to a proven lineup and why', async ({ page }) => {
  await open(page);
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox')).toBeFocused();
  await page.keyboard.type('cox calling');
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/brief\?frame=f04$/);
  await page.getByRole('button', { name: /^Move Cox calling the stroke, now/ }).focus();
  await page.keyboard.press('Space');
  await expect(page.getByText('Position 4.')).toBeAttached();
  await page.keyboard.press('ArrowUp');
  await expect(page.getByText('Position 3.')).toBeAttached();
  await page.keyboard.press('Space');
  await expect(
    page.getByRole('button', { name: 'Move Cox calling the stroke, now number 3' }),
  ).toBeVisible();
  await page.keyboard.press('4');
  await expect(page.getByRole('heading', { name: /lenses and 1 tube cover every/ })).toBeVisible();
  await page.keyboard.press('?');
  await expect(page.getByRole('dialog', { name: 'Keys' })).toBeVisible();
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'Leave out 23 mm f/1.4' }).focus();
  await page.keyboard.press('Enter');
  await expect(standing(page)).not.toContainText('4 lenses and 1 tube');
  await page.keyboard.press('Control+z');
  await expect(standing(page)).toContainText('4 lenses and 1 tube');
});

test('a first visit is shown around by doing, and can leave at any time', async ({ page }) => {
  await open(page);
  await page.getByRole('button', { name: 'Show me around' }).click();
  const tour = page.getByRole('region', { name: 'Tour' });
  await expect(tour).toContainText('1 of 5');
  await page
    .getByRole('button', { name: /^Start line, all lanes/ })
    .first()
    .click();
  await expect(tour).toContainText('2 of 5');
  await tick(page.getByRole('radio', { name: 'bonus' }));
  await expect(tour).toContainText('3 of 5');
  await tour.getByRole('button', { name: 'End the tour' }).click();
  await expect(tour).toBeHidden();
});

test('ways of choosing are laid side by side, and one is chosen', async ({ page }) => {
  await open(page, '/lineup?view=styles');
  const table = page.getByTestId('profiles');
  await expect(table.getByRole('columnheader')).toHaveCount(6);
  await expect(table.getByRole('row', { name: /^Lenses/ })).toContainText('1 lens');
  await table.getByRole('button', { name: 'Use the style one zoom, never change' }).click();
  await expect(standing(page)).toContainText('1 lens');
  await page.getByLabel('Selection style').selectOption('small fast primes');
  await expect(standing(page)).not.toContainText('1 lens and');
});
