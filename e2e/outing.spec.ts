import {
  expect,
  exported,
  open,
  openFile,
  outingMenu,
  saved,
  standing,
  test,
  tick,
  writeRecord,
} from './support';

test('a first visit leads to a proven lineup without typing', async ({ page }) => {
  await open(page);
  await expect(page).toHaveURL(/\/brief$/);
  await expect(page.getByText('Lantern regatta, two days', { exact: true })).toBeVisible();
  await expect(standing(page)).toContainText('4 lenses');
  await expect(standing(page)).toContainText('fewest possible (proven)');
  await page.getByRole('link', { name: 'Look at the demo' }).click();
  await expect(
    page.getByRole('heading', { name: '4 lenses and 1 tube cover every must and want' }),
  ).toBeVisible();
  await expect(page.getByText('No lens covers two of these 4 pictures')).toBeVisible();
  await expect(page.getByTestId('witnesses').getByRole('row')).toHaveCount(5);
});

test('a picture added by hand changes the answer, and undo takes it back', async ({ page }) => {
  await open(page, '/brief');
  await page.getByRole('button', { name: 'Add a picture' }).click();
  await page.getByLabel('Picture', { exact: true }).fill('Far buoy');
  await tick(page.getByRole('radio', { name: 'must' }));
  await page.getByLabel('Described by').selectOption('a focal length on 36×24 mm');
  await tick(page.getByRole('radio', { name: 'free to move' }));
  await page.getByLabel('From', { exact: true }).fill('600');
  await page.getByLabel('To', { exact: true }).fill('800');
  await page.getByLabel('Used for', { exact: true }).selectOption('the whole picture, uncropped');
  await expect(standing(page)).toContainText('8 of 8 musts');
  await expect(standing(page)).toContainText('1 adapter');
  await page.getByRole('button', { name: 'Duplicate Far buoy' }).click();
  await expect(standing(page)).toContainText('9 of 9 musts');
  await page.getByRole('button', { name: 'Delete Far buoy, copy' }).click();
  await page.getByRole('button', { name: 'Delete Far buoy', exact: true }).click();
  await expect(standing(page)).toContainText('4 lenses');
  await page.keyboard.press('Control+z');
  await expect(standing(page)).toContainText('8 of 8 musts');
  await page.keyboard.press('Control+Shift+z');
  await expect(standing(page)).toContainText('7 of 7 musts');
});

test('Ctrl Z in a field takes back the typing, and beside it the edit', async ({ page }) => {
  await open(page, '/brief?frame=f01');
  const name = page.getByLabel('Picture', { exact: true });
  await name.click();
  await page.keyboard.press('End');
  await page.keyboard.type(' again');
  await expect(name).toHaveValue('Start line, all lanes again');
  await tick(page.getByRole('radio', { name: 'want', exact: true }));
  await expect(standing(page)).toContainText('6 of 6 musts');
  await name.click();
  await page.keyboard.press('Control+z');
  await expect(name).not.toHaveValue('Start line, all lanes again');
  await expect(standing(page)).toContainText('6 of 6 musts');
  await name.blur();
  // What the field took back was an edit of its own.
  await page.keyboard.press('Control+z');
  await expect(name).toHaveValue('Start line, all lanes again');
  await page.keyboard.press('Control+z');
  await expect(standing(page)).toContainText('7 of 7 musts');
});

test('what cannot be used stays in the field with its message', async ({ page }) => {
  await open(page, '/brief?frame=f01');
  const nearest = page.getByLabel('Nearest');
  await nearest.fill('-4');
  await expect(page.getByText('must be at least 0.01, got -4')).toBeVisible();
  await expect(nearest).toHaveValue('-4');
  await expect(standing(page)).toContainText('7 of 7 musts');
  await nearest.fill('95');
  await expect(page.getByText('the farthest must not be nearer than the nearest')).toBeVisible();
});

test('an outing exported, cleared and opened again is the same', async ({ page }) => {
  await open(page, '/brief');
  await page.getByRole('button', { name: 'Delete Moon over the bridge' }).click();
  const text = await exported(page);
  await outingMenu(page, 'New and empty');
  await expect(page.getByText('No pictures yet.')).toBeVisible();
  await openFile(page, 'mine.armreach.json', text);
  await expect(page.getByText('Lantern regatta, two days', { exact: true })).toBeVisible();
  await expect(standing(page)).toContainText('4 lenses');
  expect(await exported(page)).toBe(text);
});

test('bad files are refused with the reason, and the outing stays', async ({ page }) => {
  await open(page, '/brief');
  const text = await exported(page);
  const refusals: [string, string][] = [
    ['{ not json', 'The file is not JSON'],
    ['{"a": 1}', 'This is not an Arm Reach outing'],
    [JSON.stringify({ ...JSON.parse(text), version: 12 }), 'version 12'],
    [JSON.stringify({ ...JSON.parse(text), frames: [{ id: 'x' }] }), 'frames[0].name'],
  ];
  for (const [content, reason] of refusals) {
    await openFile(page, 'bad.json', content);
    const dialog = page.getByRole('dialog');
    await expect(dialog).toContainText(reason);
    await dialog.getByRole('button', { name: 'Close' }).last().click();
    await expect(dialog).toBeHidden();
  }
  await expect(standing(page)).toContainText('4 lenses');
});

test('a reload in the middle of editing loses nothing', async ({ page }) => {
  await open(page, '/brief?frame=f01');
  await page.getByLabel('Picture', { exact: true }).fill('Start line, seen from above');
  await page.reload();
  await expect(page.getByRole('button', { name: /^Start line, seen from above/ })).toBeVisible();
  await expect(page.getByLabel('Picture', { exact: true })).toHaveValue(
    'Start line, seen from above',
  );
  await saved(page);
});

test('a stored outing that cannot be read is set aside and offered, not lost', async ({ page }) => {
  await open(page, '/brief');
  await page.getByRole('button', { name: 'Delete Moon over the bridge' }).click();
  await saved(page);
  const texts = ['{"format":"armreach-plan","version":1,"mine":true}', 'not even JSON'];
  for (const text of texts) {
    await writeRecord(page, 'outing:demo', text);
    await page.reload();
    await expect(page.getByTestId('answer')).toBeVisible();
  }
  const notice = page.getByRole('alert').filter({ hasText: 'set aside' });
  await expect(notice).toContainText('2 stored texts');
  const waiting = page.waitForEvent('download');
  await notice.getByRole('button', { name: 'Download it' }).click();
  expect((await waiting).suggestedFilename()).toBe('set-aside.armreach.json');
  await notice.getByRole('link', { name: 'See them all' }).click();
  await expect(page.getByRole('button', { name: 'Download', exact: true })).toHaveCount(2);
});

test('limits change the answer, and locks that break them are named', async ({ page }) => {
  await open(page, '/lineup');
  await page.getByLabel('Lenses at most').fill('2');
  await expect(standing(page)).toContainText('2 lenses');
  await expect(standing(page)).toContainText('of 7 musts');
  await page
    .getByRole('button', { name: /^Lock in / })
    .nth(0)
    .click();
  await page
    .getByRole('button', { name: /^Lock in / })
    .nth(1)
    .click();
  await page.getByLabel('Lenses at most').fill('1');
  await expect(standing(page)).toContainText('No lineup meets the limits');
  await expect(page.getByTestId('conflict')).toContainText(
    'at most 1 lens; 2 lenses would be enough',
  );
});

test('a new outing starts from a brief, with the shelf as it is, and is answered', async ({
  page,
}) => {
  await open(page, '/brief');
  await outingMenu(page, 'New from a starter brief…');
  await page.getByRole('button', { name: /^Wedding by phases/ }).click();
  // What is pointed at stays.
  const back = page.getByRole('button', { name: 'Go back' });
  await back.hover();
  await expect(page.getByRole('button', { name: /^Vows/ })).toBeVisible();
  await expect(page.getByText('Ask the celebrant where you may stand')).toBeVisible();
  await expect(standing(page)).toContainText('of 7 musts');
  await back.click();
  await expect(page.getByText('Lantern regatta, two days', { exact: true })).toBeVisible();
});
