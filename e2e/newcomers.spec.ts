import { expect, open, standing, test } from './support';

/** First minutes of people who bring their own: typed lenses, a shot list, a phone. */

test('lenses typed by name: the answer says what it rests on, and asks for it where it stands', async ({
  page,
}) => {
  await open(page);
  await page.getByRole('button', { name: 'Start from nothing' }).click();
  const dialog = page.getByRole('dialog', { name: 'Start from nothing' });
  await dialog.getByLabel('Lens 1').fill('18-55 3.5-5.6');
  await dialog.getByLabel('Lens 2').fill('55-250 4-5.6');
  await dialog.getByLabel('Lens 3').fill('50 1.8');
  await dialog.getByRole('button', { name: 'One more lens' }).click();
  await dialog.getByLabel('Lens 4').fill('1.4x converter');
  const fits = dialog.getByRole('group', { name: /works with$/ });
  await expect(fits).toContainText('without one it does nothing');
  await fits.getByRole('checkbox', { name: '55–250 mm f/4–5.6' }).check();
  await expect(fits).not.toContainText('without one it does nothing');
  await dialog.getByLabel('What you are going to photograph').selectOption('Boat trip');
  await dialog.getByRole('button', { name: 'Show me which lenses to take' }).click();
  await expect(page).toHaveURL(/\/lineup$/);
  await expect(standing(page)).toContainText('2 of 3 musts');
  for (const sign of ['≈', '±']) await expect(standing(page)).toContainText(sign);
  await expect(standing(page)).toContainText('Bow and sea: not wide enough');
  const sealing = page.getByText(/^Weather sealing of .* unknown/);
  await expect(sealing).toBeVisible();
  for (const item of ['My camera', '18–55 mm f/3.5–5.6'])
    await page.getByRole('button', { name: `Weather sealed of ${item}: yes` }).click();
  await expect(sealing).toBeHidden();
  const lost = page.getByRole('region', { name: 'Not covered' });
  await expect(lost).toContainText('not wide enough: 18 mm');
  await lost.getByRole('link', { name: 'Change the picture' }).click();
  await expect(page.getByLabel('Picture', { exact: true })).toHaveValue('Bow and sea');
});

test('a shot list: what has no distance waits for it, and the rest says how wrong it may be', async ({
  page,
}) => {
  await open(page);
  await page.getByRole('button', { name: 'Paste a shot list' }).click();
  await page
    .getByRole('textbox', { name: 'Shot list' })
    .fill('must Vows in dim light, 20 %, bokeh\nA room, 6 m');
  await page.getByRole('button', { name: 'Add 2 pictures' }).click();
  await expect(standing(page)).toContainText('1 picture needs a distance');
  await expect(standing(page)).toContainText('7 of 7 musts');
  // Near and far in any order; both fields left, they stand in order.
  await page.getByLabel('Nearest').fill('9');
  await page.getByLabel('Farthest').fill('5');
  await page.getByLabel('Note', { exact: true }).focus();
  await expect(page.getByLabel('Nearest')).toHaveValue('5');
  await expect(standing(page)).not.toContainText('needs a distance');
  await expect(standing(page)).toContainText('of 8 musts');
  await page.getByTestId('answer').click();
  const room = page.getByRole('region', { name: 'Room for error' });
  await expect(room.getByRole('listitem')).toHaveCount(3);
  await expect(room).toContainText(/lost if it’s/);
  await page.getByText('More limits').click();
  await page.getByLabel('Light reserve, stops').fill('1');
  await expect(room).toContainText('Chosen with 1 stop of light in reserve. Without a reserve:');
  await page.getByRole('link', { name: 'Try other light, distances and speeds' }).click();
  await room.getByRole('combobox').selectOption('Boathouse, whole hall');
  const light = room.getByRole('slider', { name: 'Light' });
  await expect(room.getByText('Still covered by the lineup.')).toBeVisible();
  await light.focus();
  await page.keyboard.press('Home');
  await expect(light).toHaveAttribute('aria-valuetext', '4 stops less');
  const distance = room.getByRole('slider', { name: 'Distance' });
  await distance.focus();
  await page.keyboard.press('Home');
  await expect(room.getByText(/Not covered: not wide enough/)).toBeVisible();
});

test('nothing but a phone: four pictures by what and how far, to an answer', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await open(page);
  await page.getByRole('button', { name: 'Edit here' }).click();
  for (const box of await page.getByRole('checkbox', { name: /^Choose / }).all()) await box.check();
  await page.getByRole('button', { name: 'Delete 18 pictures' }).click();
  for (const [what, far] of [
    ['one standing person', '3-6'],
    ['small bird', '12'],
    ['hall', '6–9'],
    ['hands', '0,6'],
  ] as const) {
    await page.getByLabel('What', { exact: true }).selectOption(what);
    await page.getByLabel('How far, m').fill(far);
    await page.keyboard.press('Enter');
  }
  await expect(standing(page)).toContainText(/4 of 4 wants|of 4 wants/);
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await page.getByTestId('answer').click();
  await expect(page.getByRole('region', { name: 'Room for error' })).toContainText('lost if');
  expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
});
