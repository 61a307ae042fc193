import { expect, open, saved, standing, test } from './support';

test('every figure of the standing line can be questioned by keyboard', async ({ page }) => {
  await open(page, '/brief');
  for (const [figure, says] of [
    ['Share of the wanted pictures', 'wants without one share the rest evenly'],
    ['Weight of the lineup', 'Weight without cameras: 2200 g'],
    ['Price of the lineup', 'Price, new: €3,790'],
  ] as const) {
    const button = page.getByRole('button', { name: figure });
    await button.focus();
    await page.keyboard.press('Enter');
    await expect(page.getByRole('dialog')).toContainText(says);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toHaveCount(0);
    await expect(button).toBeFocused();
  }
});

test('what a picture takes in, why a lens cannot, a gap and a weight say how they come about', async ({
  page,
}) => {
  await open(page, '/brief?frame=f03');
  await page.getByRole('button', { name: 'What 300 mm takes in' }).click();
  await expect(page.getByRole('dialog')).toContainText('D = f·(2 + m + 1/m)');
  await page.keyboard.press('Escape');
  await open(page, '/reach?frame=f03');
  await page
    .getByRole('button', { name: /, why not$/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('Focal length needed');
  await page.keyboard.press('Escape');
  await open(page, '/carry');
  await page.getByRole('button', { name: 'Changes over the whole outing' }).click();
  await expect(page.getByRole('dialog')).toContainText('Changes: 5');
  await page.keyboard.press('Escape');
  await page.getByRole('button', { name: 'The most anyone carries at once' }).click();
  await expect(page.getByRole('dialog')).toContainText('In all: 4294 g');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Bag', exact: true }).click();
  await page.getByRole('button', { name: 'How full the bag is' }).click();
  await expect(page.getByRole('dialog')).toContainText('Share of the room: 18.853 %');
});

test('what an overlap is good for, and by what other lineups are worse, say how they come about', async ({
  page,
}) => {
  await open(page, '/lineup?view=ranges');
  await page.getByRole('button', { name: '16–55 mm f/2.8: faster by 1.4 stops' }).click();
  await expect(page.getByRole('dialog')).toContainText('2·log2(4.5679 / 2.8)');
  await page.keyboard.press('Escape');
  await page.getByRole('tab', { name: 'Alternatives' }).click();
  await page.getByRole('button', { name: /: €160 dearer$/ }).click();
  await expect(page.getByRole('dialog')).toContainText('€3,950 − €3,790');
  await page.keyboard.press('Escape');
  await page
    .getByRole('button', { name: /^Wants covered by/ })
    .first()
    .click();
  await expect(page.getByRole('dialog')).toContainText('Share of the wanted pictures: 64');
});

test('pictures are changed in their own cells, by keyboard, answered, undone and kept', async ({
  page,
}) => {
  await open(page, '/brief');
  await page.getByRole('button', { name: 'Edit here' }).focus();
  await page.keyboard.press('Enter');
  const share = page.getByLabel('Share in %, Cox calling the stroke');
  await expect(share).toHaveValue('10');
  const farthest = page.getByLabel('Farthest in m, Start line, all lanes');
  await farthest.focus();
  await page.keyboard.press('Control+a');
  await page.keyboard.type('9000');
  await expect(standing(page)).toContainText('6 of 7 musts');
  await expect(standing(page)).toContainText('Start line, all lanes');
  await page.keyboard.press('Tab');
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(standing(page)).toContainText('7 of 7 musts');
  await expect(farthest).toHaveValue('90');
  await farthest.fill('50');
  await expect(farthest).toHaveAccessibleDescription(
    'the farthest must not be nearer than the nearest',
  );
  await page.getByLabel('Name, Oarlock, close up').fill('Oarlock from above');
  await saved(page);
  await page.reload();
  await expect(page.getByText('Oarlock from above')).toBeVisible();
  await expect(page.getByText('40 m wide at 60–90 m')).toBeVisible();
});

test('a stored outing is opened before the page is taken over, without a stir', async ({
  page,
}) => {
  await open(page, '/brief');
  await page.getByRole('button', { name: 'Delete Moon over the bridge' }).click();
  await saved(page);
  await page.goto('/lineup?view=pictures');
  await expect(page.getByTestId('answer')).toBeVisible();
  await expect(page.getByRole('rowheader', { name: /^.*Heron on the pilings/ })).toBeVisible();
  await expect(page.getByRole('rowheader', { name: 'Moon over the bridge' })).toHaveCount(0);
  await expect(page.getByText('This is a made-up outing')).toHaveCount(0);
});
