import { expect, open, standing, test, tick } from './support';

test('a picture chosen in the table names the lenses that can and why others cannot', async ({
  page,
}) => {
  await open(page, '/reach');
  await expect(page.getByTestId('reach-chart').locator('svg path').first()).toBeAttached();
  await page.getByRole('button', { name: /Cox calling the stroke/ }).click();
  await expect(page).toHaveURL(/frame=f04/);
  const aside = page.getByRole('complementary', { name: 'What is chosen' });
  await expect(aside).toContainText('Covers it alone');
  await expect(aside).toContainText('not long enough');
});

test('a lens is put in and out of the lineup from the chart by keyboard', async ({ page }) => {
  await open(page, '/reach');
  await page.getByRole('button', { name: '85 mm f/1.8' }).focus();
  await page.keyboard.press('Enter');
  const aside = page.getByRole('complementary', { name: 'What is chosen' });
  await tick(aside.getByLabel('lock in'));
  await expect(standing(page)).toContainText('5 lenses and');
  await tick(aside.getByLabel('leave out'));
  await expect(standing(page)).toContainText('4 lenses');
});

test('the chart is saved as SVG and PNG', async ({ page }) => {
  await open(page, '/reach');
  await expect(page.getByTestId('reach-chart').locator('svg path').first()).toBeAttached();
  for (const [item, name] of [
    ['Chart as SVG', 'reach.svg'],
    ['Chart as PNG', 'reach.png'],
  ] as const) {
    await page.getByRole('button', { name: 'Save' }).click();
    const waiting = page.waitForEvent('download');
    await page.getByRole('menuitem', { name: item }).click();
    expect((await waiting).suggestedFilename()).toBe(name);
  }
});
