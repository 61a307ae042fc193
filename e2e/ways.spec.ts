import { expect, open, standing, test, tick } from './support';

test('keyboard alone leads from the start to the proof, and takes a picture out on the way', async ({
  page,
}) => {
  await open(page, '/brief');
  await page.keyboard.press('Tab');
  await expect(page.getByRole('link', { name: 'Skip to content' })).toBeFocused();
  await page.keyboard.press('Enter');
  await expect(page.locator('#content')).toBeFocused();
  await page.getByRole('button', { name: 'Delete Dancers by lantern light' }).focus();
  await page.keyboard.press('Enter');
  await expect(standing(page)).toContainText('3 lenses');
  await page.getByTestId('answer').focus();
  await page.keyboard.press('Enter');
  await expect(page).toHaveURL(/\/lineup$/);
  await expect(page.getByText('No lens covers two of these 3 pictures')).toBeVisible();
});

test('the theme is kept, and a link leads to the item that it names', async ({ page }) => {
  await open(page, '/shelf?kind=bodies&item=t20');
  await expect(page.getByRole('heading', { name: 'T20' })).toBeVisible();
  await page.getByRole('button', { name: 'Night theme' }).click();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  await page.reload();
  await expect(page.locator('html')).toHaveAttribute('data-theme', 'night');
  await expect(page.getByRole('button', { name: 'Light theme' })).toBeVisible();
});

test('no page is wider than a phone', async ({ page }) => {
  await page.setViewportSize({ width: 390, height: 844 });
  for (const path of [
    '/brief',
    '/shelf',
    '/shelf?kind=bags',
    '/reach',
    '/lineup',
    '/versions',
    '/storage',
  ]) {
    await open(page, path);
    const width = await page.evaluate(() => document.documentElement.scrollWidth);
    expect(`${path} ${width}`).toBe(`${path} 390`);
  }
});

test('gear that may be used changes the answer, and everything comes back by undo', async ({
  page,
}) => {
  await open(page, '/lineup');
  await page.getByText('More limits').click();
  const owned = page.getByRole('checkbox', { name: 'owned', exact: true });
  await tick(owned, false);
  await expect(standing(page)).not.toContainText('4 lenses and 1 tube');
  await page.getByRole('button', { name: 'Undo (Ctrl Z)' }).click();
  await expect(standing(page)).toContainText('4 lenses and 1 tube');
  await expect(owned).toBeChecked();
});
