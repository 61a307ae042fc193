import { readFileSync } from 'node:fs';
import {
  test as base,
  type BrowserContext,
  expect,
  type Locator,
  type Page,
} from '@playwright/test';

export { expect };

/** Has no page of a browser keep the application for where there is no network. */
export const keepNothingOffline = (context: BrowserContext) =>
  context.addInitScript(() => {
    const { serviceWorker } = navigator;
    if (serviceWorker as ServiceWorkerContainer | undefined)
      serviceWorker.register = () => new Promise(() => undefined);
  });

/**
 * Every test fails on a console error, a refused script or an uncaught exception. Keeping the whole
 * application for where there is no network takes four seconds of work for each new browser: only
 * tests that ask for it with `keepsOffline` do, and the random hands.
 */
export const test = base.extend<{ keepsOffline: boolean; quiet: void }>({
  keepsOffline: [false, { option: true }],
  quiet: [
    async ({ page, keepsOffline }, use) => {
      if (!keepsOffline) await keepNothingOffline(page.context());
      const heard: string[] = [];
      page.on('console', (m) => m.type() === 'error' && heard.push(m.text()));
      page.on('pageerror', (e) => heard.push(e.message));
      await use();
      expect(heard).toEqual([]);
    },
    { auto: true },
  ],
});

export const standing = (page: Page) => page.getByRole('region', { name: 'Current result' });

/** Opens a place and waits until the answer stands. */
export async function open(page: Page, path = '/') {
  await page.goto(path);
  await expect(page.getByTestId('answer')).toBeVisible();
}

export async function outingMenu(page: Page, item: string) {
  await page.getByRole('button', { name: 'Outing', exact: true }).click();
  await page.getByRole('menuitem', { name: item }).click();
}

/**
 * Opens a dialog by a button, pressed again until it's there: where an outing has just been opened the
 * page may still move between press and release.
 */
export async function dialogBy(button: Locator): Promise<Locator> {
  const dialog = button.page().getByRole('dialog');
  await expect(async () => {
    if (!(await dialog.isVisible())) await button.click({ timeout: 5000 });
    await expect(dialog).toBeVisible({ timeout: 5000 });
  }).toPass();
  return dialog;
}

/** Opens a file; its gear that is not on the shelf is used in that outing only. */
export async function openFile(page: Page, name: string, content: string) {
  await page
    .getByLabel('Outing file to open')
    .setInputFiles({ name, mimeType: 'application/json', buffer: Buffer.from(content) });
  const open = page.getByRole('button', { name: 'Open the outing' });
  const refused = page.getByRole('dialog', { name: 'The file was not opened' });
  const opened = page.getByText(/^Opened /);
  await expect(open.or(refused).or(opened).first()).toBeVisible();
  if (await open.isVisible()) await open.click();
}

/** Exports the open outing and returns its text. */
export async function exported(page: Page): Promise<string> {
  const waiting = page.waitForEvent('download');
  await outingMenu(page, 'Export this outing');
  return readFileSync(await (await waiting).path(), 'utf8');
}

export const saved = (page: Page) => expect(page.getByText('Saved here')).toBeVisible();

/** Sets a tick or a choice, hidden or not, again until it shows: on a busy machine the form may just be drawn anew. */
export async function tick(box: Locator, on = true) {
  await expect(async () => {
    if ((await box.isChecked()) !== on) await box.click({ force: true });
    await expect(box).toBeChecked({ checked: on, timeout: 5000 });
  }).toPass();
}

/** Damages what is stored: puts a text into a record, everything else of it as it is. */
export async function writeRecord(page: Page, key: string, text: string) {
  await page.evaluate(
    ([key, text]) =>
      new Promise<void>((resolve, reject) => {
        const request = indexedDB.open('arm-reach-records');
        request.onerror = () => reject(request.error);
        request.onsuccess = () => {
          const store = request.result.transaction('records', 'readwrite').objectStore('records');
          const reading = store.get(key!);
          reading.onsuccess = () => {
            store.put({ ...reading.result, text }, key).onsuccess = () => {
              request.result.close();
              resolve();
            };
          };
        };
      }),
    [key, text],
  );
}

/** The texts of all records that are stored. */
export function storedText(page: Page): Promise<string> {
  return page.evaluate(
    () =>
      new Promise<string>((resolve, reject) => {
        const request = indexedDB.open('arm-reach-records');
        request.onerror = () => reject(request.error);
        request.onsuccess = () => {
          const store = request.result.transaction('records').objectStore('records');
          const reading = store.getAll();
          reading.onsuccess = () => {
            request.result.close();
            resolve(reading.result.map(({ text }: { text: string }) => text).join('\n'));
          };
        };
      }),
  );
}
