import { readdirSync } from 'node:fs';
import { expect, open, outingMenu, standing, test, tick } from './support';

const DATABASE = '/usr/share/lensfun/version_1';

test('an outing from nothing: real gear from the open database, frames by hand, a proven lineup', async ({
  page,
}) => {
  await open(page, '/brief');
  await outingMenu(page, 'New and empty');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: 'Shelf tools' }).click();
  await page.getByRole('menuitem', { name: 'Files of the open lens database…' }).click();
  const dialog = page.getByRole('dialog');
  const files = readdirSync(DATABASE).filter((f) => f.endsWith('.xml'));
  await dialog.getByLabel('Database files').setInputFiles(files.map((f) => `${DATABASE}/${f}`));
  await expect(dialog.getByRole('status')).toContainText(/Read 9\d\d lenses/);
  const mounts = dialog.getByRole('group', { name: 'Mounts', exact: true });
  const cameras = dialog.getByRole('group', { name: 'Cameras', exact: true });
  const lenses = dialog.getByRole('group', { name: 'Lenses', exact: true });
  await mounts.getByRole('button', { name: 'All' }).click();
  await tick(cameras.getByRole('checkbox').first());
  await lenses.getByRole('button', { name: 'All' }).click();
  const take = dialog.getByRole('button', { name: /^Add 1 camera and \d/ });
  await take.click();
  await expect(dialog).toBeHidden();
  await expect(page.getByRole('tab', { name: /Lenses \d{3,}/ })).toBeVisible();
  await page.getByRole('link', { name: 'Brief' }).click();
  await page.getByRole('button', { name: 'Add a picture' }).click();
  await expect(standing(page)).toContainText('1 lens');
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await expect(standing(page)).toContainText('≈');
  await page.getByRole('link', { name: 'Lineup' }).click();
  await page.getByLabel('Weight at most').fill('2000');
  await expect(standing(page)).toContainText('fewest by estimated weights');
  await expect(page.getByText(/Kept to your weight limit by estimated weights/)).toBeVisible();
});

test('lenses from a table: bad cells are named, the rest is added', async ({ page }) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Shelf tools' }).click();
  await page.getByRole('menuitem', { name: 'Lenses from a CSV table…' }).click();
  const dialog = page.getByRole('dialog');
  const table =
    'name;mount;wide_mm;long_mm;f_numbers;weight_g\nBrook 28;Quillmar K;28;28;2;210\nBrook 40;Quillmar K;forty;40;2;190\n';
  await dialog
    .getByLabel('CSV table of lenses')
    .setInputFiles({ name: 'lenses.csv', mimeType: 'text/csv', buffer: Buffer.from(table) });
  await expect(dialog).toContainText('line 3, wide_mm');
  await dialog.getByRole('button', { name: 'Add 1 lens' }).click();
  await page.getByLabel('Search lenses').fill('Brook');
  await expect(page.getByRole('button', { name: /^Brook 28/ })).toBeVisible();
});

test('what is typed the moment something is selected goes into its own field', async ({ page }) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: /^24–240 mm/ }).click();
  const duplicate = page.getByRole('button', { name: 'Duplicate 24–240 mm f/4–6.3' });
  // Types in the first task in which the page tells of the new lens, as a quick hand would.
  const typedInto = await duplicate.evaluate(async (button: HTMLElement) => {
    button.click();
    const text = (selector: string) => document.querySelector(selector)?.textContent ?? '';
    while (!text('[role=tab]').includes('29')) await new Promise((next) => setTimeout(next));
    const label = [...document.querySelectorAll('label')].find((l) => l.textContent === 'Weight');
    label?.click();
    document.execCommand('selectAll');
    document.execCommand('insertText', false, '300');
    return text('aside h2');
  });
  expect(typedInto).toBe('24–240 mm f/4–6.3, copy');
  await expect(page.getByLabel('Weight', { exact: true })).toHaveValue('300');
  await expect(standing(page)).toContainText('1.79');
});

test('a lens is edited, duplicated, removed, and everything comes back', async ({ page }) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: /^24–240 mm/ }).click();
  await page.getByRole('button', { name: 'Duplicate 24–240 mm f/4–6.3' }).click();
  await expect(page.getByRole('tab', { name: 'Lenses 29' })).toBeVisible();
  await page.getByLabel('Weight', { exact: true }).fill('300');
  await expect(standing(page)).toContainText('1.79');
  await page.getByRole('button', { name: /^Delete 24–240 mm f\/4–6.3, copy/ }).click();
  await expect(page.getByRole('tab', { name: 'Lenses 28' })).toBeVisible();
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(standing(page)).toContainText('1.79');
  await page.getByRole('tab', { name: /Cameras/ }).click();
  await page.getByRole('button', { name: /^T20/ }).click();
  await page.getByLabel('In the lineup').selectOption('stays at home');
  await expect(standing(page)).toContainText('3 lenses');
  await expect(standing(page)).toContainText('8 of 9 wants');
});
