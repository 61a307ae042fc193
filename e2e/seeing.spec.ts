import { readFileSync } from 'node:fs';
import { expect, open, standing, test } from './support';

test('the wanted pictures as a sheet: every one drawn, from near and far, printed and saved', async ({
  page,
}) => {
  await open(page, '/brief');
  await expect(page.locator('table [data-photo]').first()).toBeVisible();
  await page.getByText('Sheet', { exact: true }).click();
  const sheet = page.getByTestId('sheet');
  await expect(sheet.locator('[data-cell]')).toHaveCount(18);
  await expect(sheet.locator('[data-photo]')).toHaveCount(18);
  await expect(sheet.getByRole('region', { name: 'In the launch' })).toContainText(
    'From the launch',
  );
  const shell = sheet.locator('[data-cell]', { hasText: 'Shell racing past, near' });
  await expect(shell).toContainText('16–55 mm f/2.8');
  // Filled alike from anywhere, by another focal length.
  const told = () => shell.innerText();
  const middle = await told();
  await page.getByText('Farthest', { exact: true }).click();
  await expect.poll(told).not.toBe(middle);
  const pdf = await page.pdf({ format: 'A4' });
  const pages = pdf.toString('latin1').match(/\/Type \/Page\b/g) ?? [];
  expect(pages.length).toBeGreaterThan(0);
  expect(pages.length).toBeLessThanOrEqual(2);
  const [svg] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as SVG' }).click(),
  ]);
  const text = readFileSync(await svg.path(), 'utf8');
  expect(text.match(/data-photo/g)).toHaveLength(18);
  expect(text).toContain('Cox calling the stroke');
  // Captions are wrapped, not cut.
  expect(text).not.toContain('…');
  // A file knows no theme.
  expect(text).not.toContain('var(');
  const [png] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Save as PNG' }).click(),
  ]);
  expect(
    readFileSync(await png.path())
      .subarray(1, 4)
      .toString(),
  ).toBe('PNG');
  // A picture of the sheet opens in the editor.
  await shell.getByRole('button').click();
  await expect(page).toHaveURL(/frame=f02/);
});

test('a lost picture is an open outline with its reason', async ({ page }) => {
  await open(page, '/lineup');
  await page.getByRole('button', { name: 'Leave out 70–300 mm f/4.5–5.6' }).click();
  await page.getByLabel('Lenses at most').fill('1');
  await expect(standing(page)).toContainText('1 lens');
  await page.getByRole('link', { name: 'Brief' }).click();
  await page.getByText('Sheet', { exact: true }).click();
  const lost = page.getByTestId('sheet').locator('[data-state=lost]').first();
  await expect(lost).toBeVisible();
  await expect(lost.locator('[data-photo]')).toHaveCount(0);
  expect((await lost.innerText()).length).toBeGreaterThan(10);
});

test('on the score a note shows its picture, and a lens is left out and taken again', async ({
  page,
}) => {
  await open(page, '/lineup');
  const score = page.getByTestId('score');
  const note = score.getByRole('button', {
    name: /^Dancers by lantern light, 23 mm f\/1.4, only this lens/,
  });
  await note.focus();
  await expect(score.getByText(/^Covered\. Only this lens covers it/)).toBeVisible();
  await expect(score.getByText('Dancers by lantern light')).toBeVisible();
  await expect(score.locator('[data-photo]')).toBeVisible();
  await score.getByRole('button', { name: 'Leave out 23 mm f/1.4' }).click();
  await expect(standing(page)).not.toContainText('4 lenses and 1 tube');
  await score.getByRole('button', { name: 'Take 23 mm f/1.4 again' }).click();
  await expect(standing(page)).toContainText('4 lenses and 1 tube');
});

test('the lanes lead to each stretch; help opens from a title, the keys and the palette', async ({
  page,
}) => {
  await open(page, '/carry');
  const lanes = page.getByTestId('lanes');
  await expect(lanes.locator('[data-change=true]')).toHaveCount(5);
  await lanes.getByRole('link', { name: /^In the launch/ }).click();
  await expect(page.getByRole('region', { name: 'In the launch' })).toBeInViewport();
  await page.getByRole('link', { name: 'Help: The day and the bag' }).click();
  await expect(page.getByRole('heading', { name: 'The day and the bag' })).toBeVisible();
  await page.keyboard.press('?');
  await page.getByRole('link', { name: 'How the choice is made' }).click();
  const worked = page.getByRole('region', { name: 'A worked example, from wish to proof' });
  const taken = worked.getByText(/^Take the /);
  await expect(taken).toHaveText('Take the wide zoom and long zoom: all 3 pictures covered.');
  await expect(worked.getByTestId('mini-score')).toBeVisible();
  await expect(worked).toContainText('No lens covers two of these 2 pictures');
  await worked.getByRole('slider').focus();
  await page.keyboard.press('Home');
  await expect(taken).toContainText('wide zoom and standard zoom: all 3');
  await page.keyboard.press('End');
  await expect(taken).toContainText('No lens covers the face: not long enough');
  await page.keyboard.press('Control+k');
  await page.getByRole('combobox').fill('privacy');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('heading', { name: 'Your data and your privacy' })).toBeVisible();
});
