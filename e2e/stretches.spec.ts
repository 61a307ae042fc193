import { dialogBy, expect, open, outingMenu, standing, test, tick } from './support';

test('a stretch without change and a limit in hand change the answer', async ({ page }) => {
  await open(page, '/brief');
  const stretches = page.getByRole('region', { name: 'Stretches' });
  await stretches.getByRole('button', { name: /^Lantern procession/ }).click();
  const dialog = page.getByRole('dialog');
  await tick(dialog.getByLabel('First shooter'));
  await dialog.getByLabel('Cameras in hand').fill('1');
  await tick(dialog.getByLabel('changing lenses'), false);
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await expect(standing(page)).not.toContainText('9 of 9 wants');
  await page.getByRole('link', { name: 'Carry', exact: true }).click();
  const procession = page.getByRole('region', { name: 'Lantern procession' });
  await expect(procession).toContainText('no lens changes');
  await expect(procession.getByText(/^Change:/)).toHaveCount(0);
});

test('what a place does not let in is not packed for it, and is said in Brief and Carry', async ({
  page,
}) => {
  await open(page, '/carry?view=packing');
  await expect(page.getByText(/^for Boathouse, whole hall/)).toBeVisible();
  await page.getByRole('link', { name: 'Brief', exact: true }).click();
  const stretches = page.getByRole('region', { name: 'Stretches' });
  await stretches.getByRole('button', { name: /^Boathouse and crews/ }).click();
  const dialog = page.getByRole('dialog');
  await tick(dialog.getByLabel('tripod or other support'), false);
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await expect(stretches.getByText('no tripod or other support')).toBeVisible();
  await page.getByRole('link', { name: 'Carry', exact: true }).click();
  const inside = page.getByRole('region', { name: 'Boathouse and crews' });
  await expect(inside).toContainText('no tripod or other support');
  await expect(page.getByRole('region', { name: 'Prize-giving' })).toContainText('no flash');
  await page.getByRole('tab', { name: 'Packing' }).click();
  await expect(page.getByText(/^for Moon over the bridge/)).toBeVisible();
  await expect(page.getByText(/^for Boathouse/)).toHaveCount(0);
});

test('a first stretch and a second shooter are added by hand', async ({ page }) => {
  await open(page, '/brief');
  await outingMenu(page, 'New and empty');
  const dialog = await dialogBy(page.getByRole('button', { name: '1 shooter', exact: true }));
  await dialog.getByRole('button', { name: 'Add a shooter' }).click();
  await dialog.getByRole('button', { name: 'Add a shooter' }).click();
  await dialog.getByLabel('Shooter 2', { exact: true }).fill('On the stairs');
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await page.getByRole('button', { name: 'Add a stretch' }).click();
  await dialog.getByLabel('Name').fill('Ceremony');
  await tick(dialog.getByLabel('On the stairs'));
  await dialog.getByRole('button', { name: 'Close' }).last().click();
  await expect(page.getByRole('button', { name: /^Ceremony/ })).toBeVisible();
});

test('a school is chosen, rivals are looked for, and what they would do is told', async ({
  page,
}) => {
  await open(page, '/lineup');
  await page.getByLabel('Selection style').selectOption('small fast primes');
  const more = page.getByText('More limits');
  await expect(page.locator('summary', { has: more })).toContainText(/set: .*Lenses/);
  await more.click();
  await expect(page.getByLabel('Lenses', { exact: true })).toHaveValue('primes');
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(standing(page)).toContainText('4 lenses and 1 tube');
  await page.getByRole('tab', { name: 'Alternatives' }).click();
  const rivals = page.getByTestId('rivals');
  await expect(rivals).toBeVisible();
  await expect(rivals).toContainText('Next best of another kind');
  await expect(rivals.getByRole('region', { name: 'Trade-off' }).getByRole('row')).toHaveCount(9);
  await expect(rivals.getByTestId('trade-proposed')).toBeVisible();
  await rivals.getByRole('button', { name: 'Compare with 24–240 mm f/4–6.3' }).first().click();
  const scores = page.getByTestId('two-scores');
  await expect(scores).toContainText('The other loses Moon over the bridge, and is 73 g heavier');
  await expect(scores.getByTestId('mini-score')).toHaveCount(2);
  await expect(scores.getByTestId('mini-score').first()).toContainText('● 70–300 mm f/4.5–5.6');
  await expect(scores.getByTestId('mini-score').last()).toContainText('● 24–240 mm f/4–6.3');
  await expect(page).toHaveURL(/with=/);
  await page.getByRole('tab', { name: 'If it breaks' }).click();
  const breaks = page.getByTestId('breaks');
  await expect(breaks).toContainText('3 of 4 lenses can’t be fully replaced from your shelf');
  await expect(breaks).toContainText('nothing on your shelf can replace it');
});
