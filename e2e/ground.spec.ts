import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { axeFindings } from './axe';
import { expect, exported, open, saved, standing, test, tick } from './support';

const aside = (page: Page) => page.getByRole('complementary', { name: 'Where you may stand' });
const handle = (page: Page, name: string) =>
  page.getByTestId('plan').getByRole('button', { name: new RegExp(`^${name}, point 1`) });
const groundOf = async (page: Page) => JSON.parse(await exported(page));

test('the demo says from where with what, what is hidden, and follows what is dragged', async ({
  page,
}) => {
  await open(page, '/ground?frame=f02');
  await expect(
    page.getByText('Shell racing past, near: from Far bank with 16–55 mm'),
  ).toBeVisible();
  const towpath = aside(page).getByRole('row', { name: /Towpath/ });
  await expect(towpath).toContainText('8 % in sight');
  // The barge gone, it is in sight.
  await handle(page, 'Moored barge').focus();
  await page.keyboard.press('Delete');
  await expect(towpath).toContainText('all in sight');
  await page.getByRole('button', { name: 'Undo' }).first().click();
  await expect(towpath).toContainText('8 % in sight');

  // Moved 20 m inland, the far bank is too far for what it had.
  const before = await aside(page)
    .getByRole('row', { name: /Far bank/ })
    .innerText();
  const bank = await handle(page, 'Far bank').boundingBox();
  if (!bank) throw new Error('nothing to drag');
  await page.mouse.move(bank.x + bank.width / 2, bank.y + bank.height / 2);
  await page.mouse.down();
  await page.mouse.move(bank.x + 8, bank.y - 40, { steps: 6 });
  await page.mouse.up();
  await expect(aside(page).getByRole('row', { name: /Far bank/ })).not.toHaveText(before);
  await page.getByRole('button', { name: 'Undo (Ctrl+Z)' }).click();
  await expect
    .poll(() =>
      aside(page)
        .getByRole('row', { name: /Far bank/ })
        .innerText(),
    )
    .toBe(before);
});

test('a hall is built by keyboard alone, and its distances become the picture’s', async ({
  page,
}) => {
  await open(page, '/ground?frame=f10');
  const press = async (name: string, role: 'button' | 'menuitem' = 'button') => {
    const target = page.getByRole(role, { name, exact: true });
    await target.focus();
    await page.keyboard.press('Enter');
  };
  await press('Start from');
  await page.keyboard.type('Hall');
  await page.keyboard.press('Enter');
  await expect(page.getByText(/Started from “Hall with an aisle”/)).toBeVisible();
  await handle(page, 'Rite').focus();
  await tick(aside(page).getByRole('checkbox', { name: 'Prize-giving under the awning' }));
  await expect(aside(page).getByRole('row', { name: /Aisle/ })).toContainText('9.0 m');
  await handle(page, 'Aisle').focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(aside(page).getByRole('row', { name: /Aisle/ })).toContainText('7.0 m');
  await press('Add');
  await page.keyboard.press('Enter');
  const name = aside(page).getByLabel('Name');
  await name.fill('Choir stalls');
  await expect(handle(page, 'Choir stalls')).toBeVisible();
  await aside(page).getByLabel('From the left').fill('12');
  await aside(page).getByLabel('From the left').press('Enter');
  await saved(page);
  const { ground, frames } = await groundOf(page);
  expect(ground.stations.map((s: { name: string }) => s.name)).toContain('Choir stalls');
  const frame = frames.find((f: { id: string }) => f.id === 'f10');
  expect(frame.standpoints).toHaveLength(5);
  // Brief shows them as measured, and lets them go.
  await page.goto('/brief?frame=f10');
  await expect(page.getByText('Measured on Ground')).toBeVisible();
  await page.getByRole('button', { name: 'Untie from the plan' }).click();
  await expect(page.getByLabel('Nearest', { exact: true })).toBeVisible();
});

test('where nobody moves, each holds one station, and the lineup changes for it', async ({
  page,
}) => {
  await open(page, '/ground?frame=f03&stretch=finals');
  await tick(page.getByLabel('nobody moves'));
  await expect(aside(page)).toContainText('Nobody moves in this stretch');
  await expect(aside(page)).toContainText('Second shooter: Far bank');
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await page.goto('/carry');
  await expect(page.getByRole('region', { name: 'Finals, both banks' })).toContainText(
    'from Far bank (15–40 m)',
  );
});

test('one’s own place is asked about by a press, and the plan goes out as SVG, PNG and GeoJSON', async ({
  page,
}) => {
  await open(page, '/ground?frame=f01');
  const bridge = await handle(page, 'Bridge, third arch').boundingBox();
  if (!bridge) throw new Error('no bridge');
  await page.mouse.click(bridge.x + 40, bridge.y - 90);
  await expect(aside(page)).toContainText('Where you pressed');
  await expect(page.getByTestId('here')).toBeVisible();
  const save = async (item: string) => {
    await page.getByRole('button', { name: 'Export' }).click();
    const waiting = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    return readFileSync(await (await waiting).path());
  };
  const svg = (await save('Plan as SVG')).toString();
  expect(svg).toContain('Far bank');
  expect(svg).not.toContain('var(');
  expect((await save('Plan as PNG')).subarray(1, 4).toString()).toBe('PNG');
  await aside(page).getByLabel('Latitude').fill('44');
  await aside(page).getByLabel('Latitude').press('Enter');
  await expect(aside(page).getByLabel('Longitude')).toHaveValue('0');
  const json = JSON.parse((await save('Plan as GeoJSON')).toString());
  expect(json.features.map((f: { properties: { name: string } }) => f.properties.name)).toContain(
    'River',
  );
  // With a place on Earth there is a sun.
  await page.goto('/ground?frame=f01&stretch=heats');
  await expect(aside(page)).toContainText(/Sun \d+° high/);
});

for (const [size, scheme] of [
  [{ width: 1280, height: 800 }, 'light'],
  [{ width: 390, height: 844 }, 'dark'],
] as const)
  test(`axe finds nothing on the plan, ${scheme}, and it is no wider than the screen`, async ({
    page,
  }) => {
    await page.setViewportSize(size);
    await page.emulateMedia({ colorScheme: scheme });
    await open(page, '/ground?at=stations:towpath&frame=f03');
    await page.getByText('The plan as a table').click();
    expect(await axeFindings(page)).toEqual([]);
    expect(await page.evaluate(() => document.documentElement.scrollWidth)).toBeLessThanOrEqual(
      size.width,
    );
  });
