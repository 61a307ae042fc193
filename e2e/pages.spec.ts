import type { Page } from '@playwright/test';
import { readFileSync } from 'node:fs';
import { expect, open, openFile, saved, test } from './support';
import { axeFindings } from './axe';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
interface Named {
  id: string;
  name: string;
}
// Each looks at many pages: both workers share them.
test.describe.configure({ mode: 'parallel' });

const DESK = { width: 1280, height: 800 };
const LOOKS = [
  { size: DESK, colorScheme: 'light' },
  { size: { width: 390, height: 844 }, colorScheme: 'dark' },
] as const;

const PAGES = [
  '/brief?frame=f10',
  '/shelf?item=k-24-240',
  '/shelf?kind=converters&item=k-c14',
  '/shelf?kind=adapters&item=a-k-t',
  '/reach?frame=f03',
  '/lineup',
  '/lineup?view=pictures',
  '/lineup?view=styles&with=style:smallFastPrimes',
  '/carry',
  '/carry?view=bag',
  '/next?view=sell',
  '/log',
  '/shelf?kind=bags',
  '/versions',
  '/storage',
  '/brief?as=sheet',
  '/help?topic=day',
];

for (const half of [0, 1])
  test(`axe finds nothing on any page, half ${half + 1}`, async ({ page }) => {
    await openSmall(page);
    for (const path of PAGES.filter((_, i) => i % 2 === half)) {
      await open(page, path);
      await clean(page);
    }
  });

test('axe finds nothing in what opens, and the focus goes back to where it was', async ({
  page,
}) => {
  await openSmall(page);
  const outing = page.getByRole('button', { name: 'Outing', exact: true });
  await outing.click();
  await expect(page.getByRole('menu')).toBeVisible();
  await clean(page, '[role=menu]');
  await page.keyboard.press('Escape');
  for (const name of OUTING_DIALOGS) {
    await outing.click();
    await page.getByRole('menuitem', { name }).click();
    await expect(page.getByRole('dialog')).toBeVisible();
    await clean(page, DIALOG);
    await closed(page);
    await expect(outing).toBeFocused();
  }
  await outing.focus();
  await page.keyboard.press('Control+k');
  await expect(page.getByRole('combobox')).toBeVisible();
  await clean(page, DIALOG);
  await page.getByRole('combobox').fill('settings');
  await page.keyboard.press('Enter');
  await expect(page.getByRole('dialog', { name: 'Settings' })).toBeVisible();
  await closed(page);
  await expect(outing).toBeFocused();
  await page.getByRole('button', { name: 'Weight of the lineup' }).click();
  await expect(page.getByRole('dialog', { name: 'Weight of the lineup' })).toBeVisible();
  await clean(page, DIALOG);
  await page.keyboard.press('Escape');
  const paste = page.getByRole('button', { name: 'Paste a shot list' });
  await paste.click();
  await page.getByRole('textbox', { name: 'Shot list' }).fill('gull, 4–8 m\nA at 0 m');
  await expect(page.getByText('1 entry is left out:')).toBeVisible();
  await clean(page, DIALOG);
  await closed(page);
  await expect(paste).toBeFocused();
  await outing.click();
  await page.getByRole('menuitem', { name: 'Show me around' }).click();
  await clean(page);
});

const DIALOG = '[role=dialog]';
const OUTING_DIALOGS = [
  'All outings…',
  'New, from one camera…',
  'New from a starter brief…',
  'Settings…',
  'Keys…',
];

/** The demo with every kind of thing and few of each: axe looks at every row. */
async function openSmall(page: Page) {
  const { frames, shelf, limits, packing, ...rest } = JSON.parse(DEMO);
  const few = new Set(['k-24-240', 'k-16-35', 'k-70-300', 't-16-55', 't-23', 't-10-24', 'k-50']);
  const lenses = shelf.lenses.filter((l: Named) => few.has(l.id));
  const converters = shelf.converters.map((c: { lensIds: string[] }) => ({
    ...c,
    lensIds: c.lensIds.filter((id) => few.has(id)),
  }));
  const file = {
    ...rest,
    frames: frames.filter((f: Named, i: number) => i < 10 || f.id === 'f14'),
    shelf: { ...shelf, lenses, converters },
    limits: { ...limits, lockedIn: [], lockedOut: [] },
    packing,
  };
  await open(page, '/brief');
  await openFile(page, 'small.json', JSON.stringify(file));
  await expect(page.getByText(/^Opened /)).toBeVisible();
  await saved(page);
}

/**
 * Fails where axe finds anything that it can be sure of: by day on a desk, at night on a phone.
 *
 * @param within selector of what has opened; what lies behind it is looked at as a page
 */
async function clean(page: Page, within?: string) {
  for (const { size, colorScheme } of LOOKS) {
    await page.setViewportSize(size);
    // What moves is looked at where it comes to rest.
    await page.emulateMedia({ colorScheme, reducedMotion: 'reduce' });
    expect(
      await axeFindings(page, within),
      `${page.url()} at ${size.width} px, ${colorScheme}`,
    ).toEqual([]);
  }
  await page.setViewportSize(DESK);
  await page.emulateMedia({ colorScheme: 'light' });
}

async function closed(page: Page) {
  await page.keyboard.press('Escape');
  await expect(page.getByRole('dialog')).toBeHidden();
}

test('names of a hundred letters wrap on every page', async ({ page }) => {
  const long = 'Immeasurablylongnameofsomethingthatgoesonandonwithoutanyspace'
    .repeat(2)
    .slice(0, 100);
  const file = JSON.parse(DEMO);
  for (const list of [file.frames, file.stretches, ...Object.values(file.shelf)] as Named[][])
    for (const thing of list)
      if ('id' in thing) thing.name = `${long.slice(0, 95)}${thing.id}`.slice(0, 110);
  await open(page, '/brief');
  await openFile(page, 'long.json', JSON.stringify(file));
  await expect(page.getByText(/^Opened /)).toBeVisible();
  await saved(page);
  for (const width of [1280, 390]) {
    await page.setViewportSize({ width, height: 800 });
    for (const path of ['/brief', '/shelf', '/reach', '/lineup', '/carry', '/log', '/next']) {
      await open(page, path);
      const wide = () => page.evaluate(() => document.documentElement.scrollWidth);
      await expect.poll(wide, `${path} at ${width}`).toBeLessThanOrEqual(width);
    }
  }
});

test('pages are served with a policy that lets no inline script through', async ({
  page,
  request,
}) => {
  const response = await page.goto('/brief');
  const policy = response?.headers()['content-security-policy'] ?? '';
  expect(policy).toContain("script-src 'self' 'nonce-");
  expect(policy.split(';').find((p) => p.includes('script-src'))).not.toContain('unsafe-inline');
  const addresses: string[] = [];
  page.on('request', (r) => addresses.push(new URL(r.url()).origin));
  await page.reload();
  await expect(page.getByTestId('answer')).toBeVisible();
  expect(new Set(addresses.filter((a) => a !== 'null'))).toEqual(
    new Set([new URL(page.url()).origin]),
  );
  const schema = await request.get('/outing.schema.json');
  expect((await schema.json()).title).toBe('Arm Reach outing');
});
