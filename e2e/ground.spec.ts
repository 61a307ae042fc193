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
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(towpath).toContainText('8 % in sight');

  // Moved 20 m inland, the far bank is too far for what it had.
  const farBank = aside(page).getByRole('row', { name: /Far bank/ });
  await expect(farBank).toContainText('15–40');
  const bank = await handle(page, 'Far bank').boundingBox();
  if (!bank) throw new Error('nothing to drag');
  await page.mouse.move(bank.x + bank.width / 2, bank.y + bank.height / 2);
  await page.mouse.down();
  await page.mouse.move(bank.x + 8, bank.y - 20, { steps: 6 });
  // It rests on its way, so that the outing follows; that is no step of its own.
  const undo = page.getByRole('button', { name: 'Undo (Ctrl Z)' });
  await expect(undo).toBeEnabled();
  await page.waitForTimeout(1200);
  await page.mouse.move(bank.x + 8, bank.y - 40, { steps: 6 });
  await page.mouse.up();
  await expect(farBank).not.toContainText('15–40');
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(farBank).toContainText('15–40');

  // A hundred metres along the bank it takes another lens: the lineup is another one.
  const lineup = standing(page);
  await expect(lineup).toContainText('2.20');
  const plan = (await page.getByTestId('plan').boundingBox())!;
  const from = (await handle(page, 'Far bank').boundingBox())!;
  await page.mouse.move(from.x + from.width / 2, from.y + from.height / 2);
  await page.mouse.down();
  // The sheet is 300 m broad and stands in the drawing with its margins.
  await page.mouse.move(from.x + from.width / 2 - (plan.width - 52) / 3, from.y + 11, { steps: 8 });
  await page.mouse.up();
  await expect(
    page.getByText('Shell racing past, near: from Far bank with 70–300 mm f/4–5.6'),
  ).toBeVisible();
  await expect(lineup).not.toContainText('2.20');
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
  await expect(aside(page).getByRole('row', { name: /Aisle/ })).toContainText(/9.m/);
  await handle(page, 'Aisle').focus();
  await page.keyboard.press('ArrowUp');
  await page.keyboard.press('ArrowUp');
  await expect(aside(page).getByRole('row', { name: /Aisle/ })).toContainText(/7.m/);
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
  await expect(aside(page)).toContainText('Far bank: Second shooter');
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await page.goto('/carry');
  await expect(page.getByRole('region', { name: 'Finals, both banks' })).toContainText(
    'from Far bank (15–40 m)',
  );
});

test('one’s own place is asked about by a press, and the plan goes out as SVG, PNG and GeoJSON', async ({
  page,
}) => {
  await open(page, '/ground?frame=f14');
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
  const json = JSON.parse((await save('Plan as GeoJSON')).toString());
  expect(json.features.map((f: { properties: { name: string } }) => f.properties.name)).toContain(
    'River',
  );
});

test('with a place on Earth there is a sun, minute by minute', async ({ page }) => {
  await open(page, '/ground?frame=f14&stretch=heats');
  await expect(aside(page)).toContainText(/Sun \d+° high/);
  await expect(page.getByRole('img', { name: 'Where the sun shines from' })).toBeVisible();
  const time = aside(page).getByRole('slider', { name: 'Time' });
  const before = await time.getAttribute('aria-valuetext');
  await time.press('End');
  await expect(time).not.toHaveAttribute('aria-valuetext', before ?? '');
  // Another plan has no place yet: it is one with both of its figures.
  await page.getByRole('button', { name: 'Start from', exact: true }).click();
  await page.getByRole('menuitem', { name: 'Court' }).click();
  await aside(page).getByLabel('Latitude').fill('44');
  await aside(page).getByLabel('Latitude').press('Enter');
  await expect(aside(page).getByLabel('Clock ahead of UTC')).toHaveCount(0);
  await aside(page).getByLabel('Longitude').fill('-31');
  await aside(page).getByLabel('Longitude').press('Enter');
  await expect(page.getByText('The clock is taken as UTC−2')).toBeVisible();
  await expect(aside(page).getByLabel('Clock ahead of UTC')).toHaveValue(/^[-−]2$/);
});

test('on paper each stretch in which a station is of use has its sheet', async ({ page }) => {
  await open(page, '/ground?frame=f02&stretch=finals');
  await expect(page.getByTestId('printed-sheets')).toHaveCount(0);
  await page.emulateMedia({ media: 'print' });
  const sheets = page.getByTestId('printed-sheets').locator('section');
  await expect(sheets).toHaveCount(3);
  await expect(sheets.first()).toContainText('Heats from the bridge');
  await expect(sheets.first()).toContainText('Shell racing, far reach: 70–300 mm');
  await expect(page.getByTestId('plan')).toBeHidden();
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

test('a picture is laid under the plan and scaled by a known length; hostile, huge and broken ones are not', async ({
  page,
}) => {
  await open(page, '/ground');
  const input = page.getByLabel('Picture to lay under the plan');
  const lay = (name: string, mimeType: string, buffer: Buffer) =>
    input.setInputFiles({ name, mimeType, buffer });
  await lay('broken.png', 'image/png', Buffer.from([0x89, 0x50, 0x4e, 0x47, 1, 2, 3]));
  await expect(page.getByText('the file is damaged, or too large to draw')).toBeVisible();
  await lay('page.png', 'image/png', Buffer.from('<html><body onload="alert(1)">'));
  await expect(page.getByText('This isn’t a PNG, JPEG, WebP or SVG picture.')).toBeVisible();
  await lay('huge.jpg', 'image/jpeg', Buffer.alloc(20_000_001));
  await expect(page.getByText('The picture is over 20 MB.')).toBeVisible();
  await expect(page.getByTestId('underlay')).toHaveCount(0);

  let asked = 0;
  page.on('request', (request) => (asked += Number(request.url().includes('secret'))));
  const svg = `<svg xmlns="http://www.w3.org/2000/svg" width="300" height="160" onload="window.ran=1"><script>window.ran=1</script><image href="https://example.invalid/secret.png"/><rect width="150" height="160" fill="red"/></svg>`;
  await lay('plan.svg', 'image/svg+xml', Buffer.from(svg));
  const picture = page.getByTestId('underlay');
  await expect(picture).toHaveAttribute('href', /^data:image\/jpeg;base64,/);
  expect(await page.evaluate(() => 'ran' in window)).toBe(false);
  expect(asked).toBe(0);

  // Its left half is known to be 60 m wide: 150 m as it lies.
  const aside = page.getByRole('complementary', { name: 'Where you may stand' });
  await expect(aside.getByLabel('Picture beneath: Width')).toHaveValue('300');
  await aside.getByRole('button', { name: 'Scale by a known length' }).click();
  await aside.getByLabel('This length is').fill('60');
  await aside.getByLabel('This length is').press('Enter');
  await aside.getByRole('button', { name: 'Scale the picture' }).click();
  // The line lies over 0.4 of the sheet: 120 m.
  await expect(aside.getByLabel('Picture beneath: Width')).toHaveValue('150');
  await saved(page);
  const { ground } = await groundOf(page);
  expect(ground.underlay.image.length).toBeLessThan(1_400_000);
  await page.reload();
  await expect(picture).toBeVisible();
  await aside.getByRole('button', { name: 'Remove the picture' }).click();
  await expect(picture).toHaveCount(0);
});

test('a plan starts from a file of places', async ({ page }) => {
  await open(page, '/ground');
  const input = page.getByLabel('File of places to start from');
  const give = (name: string, content: string) =>
    input.setInputFiles({ name, mimeType: 'text/xml', buffer: Buffer.from(content) });
  await give('notes.gpx', 'no places');
  await expect(page.getByText('This isn’t GeoJSON or GPX.')).toBeVisible();
  await give(
    'places.gpx',
    '<gpx version="1.1"><wpt lat="44" lon="-30"><name>Slipway</name></wpt><wpt lat="44.001" lon="-30.001"><name>Weir</name></wpt></gpx>',
  );
  await expect(handle(page, 'Slipway')).toBeVisible();
  await expect(aside(page).getByLabel('Latitude')).toHaveValue('44.0005');
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(handle(page, 'Towpath')).toBeVisible();
});
