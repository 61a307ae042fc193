import { expect, open, saved, standing, test } from './support';

test('a made-up year is looked through and left again, and touches nothing of one’s own', async ({
  page,
}) => {
  await open(page, '/brief');
  await saved(page);
  await page.getByRole('button', { name: 'Look through a whole year' }).click();
  await expect(page.getByTestId('season')).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('banner').getByText('A rite in the granary hall')).toBeVisible();
  await expect(standing(page)).toContainText('fewest possible (proven)');

  // Three people of whom nobody moves: from where with what.
  await page.goto('/ground?frame=vows&stretch=rite');
  await expect(page.getByText(/^The vows: from .* with .*, or from .* with/)).toBeVisible();
  // What a former outing of the kind taught.
  await page.goto('/brief');
  await expect(page.getByText(/agree on them before the doors open/)).toBeVisible();

  // What was photographed is held against its plan, one press away.
  await page.goto('/log?view=against');
  await expect(page.getByText('This outing is on Saturday, 15 May 2027.')).toBeVisible();
  await page.getByRole('button', { name: /^Lantern regatta, two days: \d+ photographs/ }).click();
  await expect(page.getByRole('banner').getByText('Lantern regatta, two days')).toBeVisible();
  await expect(page.getByText('Oarlock').first()).toBeVisible();
  // There is something to buy, step by step.
  await page.goto('/next?view=buy');
  await expect(page.getByText(/of 48 musts a year/).first()).toBeVisible({ timeout: 60_000 });

  // Another page of the tab is the year too; what is done in it is not one's own.
  await page.reload();
  await expect(page.getByTestId('season')).toBeVisible();
  await page.getByRole('button', { name: 'Leave it' }).click();
  await expect(page.getByTestId('season')).toHaveCount(0);
  await expect(page.getByRole('banner').getByText('Lantern regatta, two days')).toBeVisible();
  await page.goto('/log');
  await expect(page.getByRole('heading', { name: 'Add photographs' })).toBeVisible();
  const left = () =>
    page.evaluate(async () => ({
      databases: (await indexedDB.databases()).map(({ name }) => name ?? ''),
      keys: [...Object.keys(localStorage), ...Object.keys(sessionStorage)],
    }));
  await expect
    .poll(
      async () =>
        Object.values(await left())
          .flat()
          .filter((name) => name.includes('season')),
      {
        timeout: 20_000,
      },
    )
    .toEqual([]);
  expect((await left()).databases).toContain('arm-reach-records');
});
