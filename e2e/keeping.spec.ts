import { readFileSync } from 'node:fs';
import { type Page, test as heard } from '@playwright/test';
import {
  expect,
  exported,
  open,
  openFile,
  outingMenu,
  saved,
  standing,
  storedText,
  test,
} from './support';
import { axeFindings } from './axe';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
const named = (
  name: string,
  change: (file: ReturnType<typeof JSON.parse>) => void = () => undefined,
) => {
  const file = JSON.parse(DEMO);
  file.outing.name = name;
  change(file);
  return JSON.stringify(file);
};
const heading = (page: Page, name: string) =>
  expect(page.locator('header').getByText(name, { exact: true })).toBeVisible();

test('two tabs show each other’s edits within a second, and undo only their own', async ({
  page,
  context,
}) => {
  await open(page, '/brief?frame=f01');
  await saved(page);
  const other = await context.newPage();
  await open(other, '/brief?frame=f02');
  const [first, second] = [page, other].map((p) => p.getByLabel('Picture', { exact: true }));
  await first!.fill('By the first tab');
  await expect(other.getByText('By the first tab')).toBeVisible();
  await second!.fill('By the second tab');
  await expect(page.getByText('By the second tab')).toBeVisible();
  await page.getByRole('button', { name: /^Undo/ }).click();
  await expect(page.getByText('By the first tab')).toBeHidden();
  await expect(page.getByText('By the second tab')).toBeVisible();
  await expect(other.getByText('By the first tab')).toBeHidden();
  await other.close();
});

test('the first edit is stored, and another tab’s too, while nothing more can be downloaded', async ({
  page,
  context,
}) => {
  const other = await context.newPage();
  for (const tab of [page, other]) {
    await open(tab, '/brief?frame=f01');
    await saved(tab);
  }
  // From now on no chunk is ever answered.
  await context.route('**/_next/static/chunks/**', () => undefined);
  for (const [tab, name] of [
    [page, 'First edit'],
    [other, 'Edit of another tab'],
  ] as const) {
    await tab.getByLabel('Picture', { exact: true }).fill(name);
    await saved(tab);
  }
  await expect.poll(() => storedText(page)).toContain('"Edit of another tab"');
  await other.close();
});

test('one shelf serves all outings: what is weighed once is known in the next', async ({
  page,
}) => {
  await open(page, '/shelf?kind=lenses&item=k-50');
  await page.getByRole('button', { name: 'Add them to my shelf' }).click();
  await page.getByLabel('Weight', { exact: true }).fill('199');
  await saved(page);
  await outingMenu(page, 'New from a starter brief…');
  await page.getByRole('button', { name: /^Night sky/ }).click();
  await heading(page, 'Night sky');
  const file = JSON.parse(await exported(page));
  const lens = file.shelf.lenses.find((l: { id: string }) => l.id === 'k-50');
  expect(lens).toMatchObject({ weightG: 199, ownership: 'owned' });
  // What is only wished for is not taken along unasked.
  expect(file.shelf.lenses.some((l: { ownership: string }) => l.ownership === 'wished')).toBe(
    false,
  );
});

test('a lens can be in repair or rented for an outing, and the money for it is counted', async ({
  page,
}) => {
  await open(page, '/shelf?kind=lenses&item=k-70-300');
  await page.getByRole('button', { name: 'Add them to my shelf' }).click();
  await page.getByLabel('On this outing').selectOption('in repair');
  await expect(page.getByRole('button', { name: /^70–300 mm f\/4.5–5.6/ })).not.toHaveClass(
    /text-got/,
  );
  await page.getByLabel('On this outing').selectOption('can come');
  await expect(standing(page)).toContainText('4 lenses and 1 tube');
  await page.getByRole('button', { name: /^600 mm f\/4/ }).click();
  await page.getByLabel('On this outing').selectOption('rented for it');
  await page.getByLabel('Price per day').fill('45');
  await expect(page.getByText('2 days, €90 in all')).toBeVisible();
  await page.getByText('lock in', { exact: true }).click();
  await expect(standing(page)).toContainText('€90 to spend');
});

test('a file’s gear is compared with the shelf, and nothing is replaced unasked', async ({
  page,
}) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Add them to my shelf' }).click();
  await saved(page);
  const text = named('From a friend', (file) => {
    file.shelf.lenses[0].weightG = 999;
    const fresh = { ...file.shelf.lenses[1], id: 'fresh', name: '77 mm f/1.2' };
    file.shelf.lenses.push({
      ...fresh,
      focal: { wideMm: 77, longMm: 77 },
      apertures: [{ focalMm: 77, fNumber: 1.2 }],
    });
  });
  await page
    .getByLabel('Outing file to open')
    .setInputFiles({ name: 'a.json', mimeType: 'application/json', buffer: Buffer.from(text) });
  const dialog = page.getByRole('dialog');
  await expect(dialog).toContainText('On your shelf with other figures: 1');
  await expect(dialog).toContainText('999 g');
  await expect(dialog).toContainText('The same on your shelf: 37');
  await dialog
    .getByLabel('What to do with 77 mm f/1.2')
    .selectOption('add to my shelf: wished for');
  await dialog.getByRole('button', { name: 'Open the outing' }).click();
  await heading(page, 'From a friend');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await page.getByRole('button', { name: /^14–24 mm f\/2.8/ }).click();
  await expect(page.getByText(/^Used in this outing only, as/)).toBeVisible();
  await expect(page.getByLabel('Weight', { exact: true })).toHaveValue('999');
  await page.getByRole('button', { name: /^77 mm f\/1.2/ }).click();
  await expect(page.getByLabel('On this outing')).toHaveValue('wished');
});

test('earlier versions tell what was changed, and one is brought back and undone', async ({
  page,
}) => {
  await open(page, '/brief');
  await saved(page);
  await page.getByRole('button', { name: 'Delete Moon over the bridge' }).click();
  await saved(page);
  await outingMenu(page, 'Earlier versions');
  await expect(page.getByText('deleted picture: Moon over the bridge').first()).toBeVisible();
  await page.getByRole('button', { name: 'View' }).click();
  await expect(page.getByText(/18 pictures: Start line/)).toBeVisible();
  await page.getByRole('button', { name: 'Restore' }).click();
  await page.getByRole('link', { name: 'Brief' }).click();
  await expect(page.getByRole('button', { name: /^Moon over the bridge/ })).toBeVisible();
  await page.keyboard.press('Control+z');
  await expect(page.getByRole('button', { name: /^Moon over the bridge/ })).toBeHidden();
});

test('a deleted outing lies in the bin, and comes back from it', async ({ page }) => {
  await open(page, '/brief');
  await saved(page);
  await openFile(page, 'a.json', named('Second'));
  await heading(page, 'Second');
  await outingMenu(page, 'All outings…');
  await page.getByRole('button', { name: 'Delete Lantern regatta, two days' }).click();
  await page.getByRole('link', { name: 'Deleted outings and backups' }).click();
  await expect(page.getByText(/30 days left/)).toBeVisible();
  await page.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(page.getByText('Empty. Deleted outings')).toBeVisible();
  await outingMenu(page, 'All outings…');
  await expect(page.getByRole('dialog')).toContainText('Lantern regatta, two days');
});

test('a backup holds everything, and a browser without anything gets it all back', async ({
  page,
  browser,
}) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Add them to my shelf' }).click();
  await saved(page);
  await openFile(
    page,
    'a.json',
    named('Second', (file) => file.frames.pop()),
  );
  await heading(page, 'Second');
  const before = await exported(page);
  await outingMenu(page, 'Backup and storage');
  await expect(page.getByText(/used, .* left/)).toBeVisible();
  const waiting = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save a backup' }).click();
  const zip = readFileSync(await (await waiting).path());

  const fresh = await (await browser.newContext()).newPage();
  await open(fresh, '/storage');
  await fresh
    .getByLabel('Backup to restore')
    .setInputFiles({ name: 'b.zip', mimeType: 'application/zip', buffer: zip });
  const dialog = fresh.getByRole('dialog');
  await expect(dialog).toContainText('2 outings');
  await expect(dialog).toContainText('Second');
  await dialog.getByRole('button', { name: 'Restore', exact: true }).click();
  await expect(fresh.getByText(/^Restored/)).toBeVisible();
  await outingMenu(fresh, 'All outings…');
  const row = fresh.getByRole('listitem').filter({ hasText: 'Second' });
  await row.getByRole('button', { name: 'Open', exact: true }).click();
  await heading(fresh, 'Second');
  expect(await exported(fresh)).toBe(before);
  await fresh.context().close();
});

test('a backup is kept in a folder of the person’s choosing', async ({ page }) => {
  // The browser's own picker cannot be driven; its private folder is of the same kind.
  await page.addInitScript(() =>
    Object.assign(window, { showDirectoryPicker: () => navigator.storage.getDirectory() }),
  );
  await open(page, '/storage');
  await page.getByRole('button', { name: 'Keep a backup in a folder…' }).click();
  await expect(page.getByText(/^A backup is kept in/)).toBeVisible();
  await expect(page.getByText(/last written/)).toBeVisible();
  const size = await page.evaluate(async () => {
    const folder = await navigator.storage.getDirectory();
    return (await (await folder.getFileHandle('arm-reach-backup.zip')).getFile()).size;
  });
  expect(size).toBeGreaterThan(2000);
});

test('the open lens database is searched as one types, and gives what it knows', async ({
  page,
}) => {
  await open(page, '/shelf');
  await page.getByRole('button', { name: 'Shelf tools' }).click();
  await page.getByRole('menuitem', { name: 'Look gear up…' }).click();
  const dialog = page.getByRole('dialog');
  await expect(dialog.getByRole('status')).toContainText(/\d{4} lenses and cameras to search/);
  await dialog.getByLabel('Maker, model or mount').fill('100-400');
  const add = dialog.getByRole('button', { name: /^Add .*100-400/ }).first();
  await add.click();
  await page.keyboard.press('Escape');
  await expect(page.getByRole('tab', { name: 'Lenses 29' })).toBeVisible();
});

test('a browser without room says so at once, and work goes on', async ({ page }) => {
  await open(page, '/brief?frame=f01');
  await saved(page);
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('no room', 'QuotaExceededError');
    };
  });
  await page.getByLabel('Picture', { exact: true }).fill('Not saved');
  const alert = page.getByRole('alert').filter({ hasText: 'no room left' });
  await expect(alert).toBeVisible();
  await expect(page.getByText('Not saved: no room left')).toBeVisible();
  const waiting = page.waitForEvent('download');
  await alert.getByRole('button', { name: 'Export this outing' }).click();
  expect(readFileSync(await (await waiting).path(), 'utf8')).toContain('"name": "Not saved"');
});

// What the server no longer has is an error to the browser, so this one may be heard of.
heard('a page older than its server says so, and nothing of it breaks', async ({ page }) => {
  await open(page, '/brief');
  await saved(page);
  await page.route('**/_next/static/chunks/**', (route) => route.fulfill({ status: 404 }));
  await page.getByRole('button', { name: 'Start from nothing' }).click();
  const problem = page.getByText('There is a newer Arm Reach').first();
  await expect(problem).toBeVisible();
});

test('the browser is asked to keep what is stored when the first own thing is entered', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const asked = { times: 0 };
    Object.assign(window, { asked });
    navigator.storage.persist = async () => (asked.times += 1) > 0;
  });
  const times = () =>
    page.evaluate(() => (window as never as { asked: { times: number } }).asked.times);
  await open(page, '/brief?frame=f01');
  await saved(page);
  expect(await times()).toBe(0);
  await page.getByLabel('Picture', { exact: true }).fill('Mine');
  await expect.poll(times).toBe(1);
});

test('axe finds nothing in the dialogs of gear', async ({ page }) => {
  const clean = async () => {
    expect(await axeFindings(page, '[role=dialog]')).toEqual([]);
    await page.keyboard.press('Escape');
    await expect(page.getByRole('dialog')).toBeHidden();
  };
  const tool = async (name: string) => {
    await page.getByRole('button', { name: 'Shelf tools' }).click();
    await page.getByRole('menuitem', { name }).click();
  };
  await open(page, '/shelf');
  await tool('Paste a gear list…');
  await page.getByLabel('Your gear').fill('24-70 2.8\n50 1.8\nodd');
  await expect(page.getByText(/needs a focal length/)).toBeVisible();
  await clean();
  await tool('Look gear up…');
  await page.getByLabel('Maker, model or mount').fill('50mm');
  await expect(page.getByRole('button', { name: /^Add / }).first()).toBeVisible();
  await clean();
  await page.getByLabel('Outing file to open').setInputFiles({
    name: 'a.json',
    mimeType: 'application/json',
    buffer: Buffer.from(named('Other')),
  });
  await expect(page.getByText('Not on your shelf: 38')).toBeVisible();
  await clean();
});

test('what an earlier Arm Reach stored in this browser is taken over whole', async ({ page }) => {
  const old = (name: string, version: string) => {
    const file = JSON.parse(readFileSync(`tests/fixtures/released/outing-${version}.json`, 'utf8'));
    return JSON.stringify({ ...file, outing: { ...file.outing, id: 'mine', name } });
  };
  // A page of the same origin, before the application has run on it.
  const empty = { contentType: 'text/html', body: '<link rel="icon" href="data:,">' };
  await page.route('**/brief', (route) => route.fulfill(empty));
  await page.goto('/brief');
  await page.unroute('**/brief');
  await page.evaluate(
    (values) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('arm-reach', 1);
        request.onupgradeneeded = () => request.result.createObjectStore('outings');
        request.onerror = () => reject(request.error);
        request.onsuccess = () => {
          const writing = request.result.transaction('outings', 'readwrite');
          for (const [key, value] of Object.entries(values))
            writing.objectStore('outings').put(value, key);
          writing.oncomplete = () => {
            request.result.close();
            resolve();
          };
        };
      }),
    {
      'current-outing': old('The open one', '5'),
      'open-id': 'a',
      library: [{ id: 'b', name: 'The kept one', savedAt: 5 }],
      'outing:b': old('The kept one', '1'),
    },
  );
  await open(page, '/brief');
  await heading(page, 'The open one');
  await expect(standing(page)).toContainText('4 lenses');
  await outingMenu(page, 'All outings…');
  await expect(page.getByRole('dialog').getByRole('listitem')).toHaveCount(2);
  const row = page.getByRole('listitem').filter({ hasText: 'The kept one' });
  await row.getByRole('button', { name: 'Open', exact: true }).click();
  await heading(page, 'The kept one');
  await page.getByRole('link', { name: 'Shelf' }).click();
  await expect(page.getByRole('tab', { name: /^Lenses \d\d/ })).toBeVisible();
});
