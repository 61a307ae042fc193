import type { Page } from '@playwright/test';
import { counted } from '@/text';
import {
  DEFAULT_SETTINGS,
  EMPTY_SHELF,
  encode,
  decode,
  fileOf,
  planCodec,
  settingsCodec,
  shelfCodec,
} from '@/document';
import { answerLineup } from '@/application';
import { asked } from '@/workers/asked';
import { numbers } from '../tests/support/numbers';

/** What a run of random hands came to. */
export interface HandsRun {
  actions: number;
  /** States that were read back and answered anew. */
  looks: number;
  readonly faults: string[];
}

/** What leaves the page, waits for a person, or is long work that has tests of its own. */
const LEFT_ALONE =
  /print|reload|download|export|backup|save|folder|for ever|delete .* versions|look (beside|again|for)|side by side|worth weighing|template|choose file|restore/i;
const TYPED = ['', '0', '-3', '12', '4,5', '1e9', '9'.repeat(400), 'must: gull 4–8 m', '24-70 2.8'];
const MORE_TYPED = ['\u202Eturned', 'x'.repeat(300), '<b>&amp;</b>', '2026-02-30', '12:75'];
const KEYS = ['Escape', 'Tab', 'Enter', 'Space', 'ArrowDown', 'ArrowUp', 'Control+z'];
const MORE_KEYS = ['Control+Shift+z', 'Control+k', '?', '1', '2', '3', '4', '5', 'Delete'];
const PLACES = ['/brief', '/shelf', '/reach', '/lineup', '/carry', '/log', '/versions', '/storage'];
/** Actions between two looks at what is stored and answered. */
const LOOK_EVERY = 12;
/** A search of this length is still a search, s. */
const ANSWER_S = 20;

interface Target {
  readonly kind: 'click' | 'type' | 'select';
  readonly label: string;
}

/** Marks what can be used now, what is open before what is behind it. */
function targetsOn(leftAlone: string): Target[] {
  const skip = new RegExp(leftAlone, 'i');
  const root =
    [...document.querySelectorAll('[role="dialog"], [role="menu"]')].at(-1) ?? document.body;
  document.querySelectorAll('[data-hand]').forEach((e) => e.removeAttribute('data-hand'));
  const all = root.querySelectorAll<HTMLElement>(
    'button, a[href^="/"], input:not([type="file"]), select, textarea, [role="menuitem"], [role="option"], [role="tab"], [role="slider"], summary',
  );
  const targets: Target[] = [];
  for (const element of all) {
    const label = `${element.getAttribute('aria-label') ?? ''} ${element.textContent ?? ''}`.trim();
    const box = element.getBoundingClientRect();
    const off = element.closest('[inert], [aria-hidden="true"]') !== null || box.width === 0;
    if (off || (element as HTMLButtonElement).disabled || skip.test(label)) continue;
    const typed =
      element instanceof HTMLTextAreaElement ||
      (element instanceof HTMLInputElement && !/checkbox|radio|range/.test(element.type));
    const kind = typed ? 'type' : element instanceof HTMLSelectElement ? 'select' : 'click';
    element.setAttribute('data-hand', String(targets.length));
    targets.push({ kind, label: label.slice(0, 60) });
  }
  return targets;
}

/** The texts of what this browser keeps: the newest outing, the shelf, the settings. */
function storedTexts(): Promise<Record<string, string>> {
  return new Promise((resolve, reject) => {
    // The made-up year lies in a place of its own.
    const end = sessionStorage.getItem('arm-reach-season') === null ? '' : '-season';
    const request = indexedDB.open(`arm-reach-records${end}`);
    request.onerror = () => reject(request.error);
    request.onsuccess = () => {
      const store = request.result.transaction('records').objectStore('records');
      const texts: Record<string, string> = {};
      const open = sessionStorage.getItem(`arm-reach-open${end}`) ?? '';
      let newest = -1;
      store.openCursor().onsuccess = ({ target }) => {
        const cursor = (target as IDBRequest<IDBCursorWithValue | null>).result;
        if (!cursor) {
          request.result.close();
          return resolve(texts);
        }
        const key = String(cursor.key);
        if (!key.startsWith('outing:')) texts[key] = cursor.value.text;
        else if (key === open || cursor.value.savedAt > newest) {
          newest = key === open ? Infinity : Math.max(newest, cursor.value.savedAt);
          texts.outing = cursor.value.text;
        }
        cursor.continue();
      };
    };
  });
}

/**
 * Does any of the possible actions, by the numbers of a seed, for so long; after each looks whether
 * anything was complained of, and again and again whether all that is stored can be read and is answered
 * as a fresh search answers it.
 */
export async function playHands(
  page: Page,
  baseURL: string,
  seed: number,
  forMs: number,
): Promise<HandsRun> {
  const run: HandsRun = { actions: 0, looks: 0, faults: [] };
  const next = numbers(seed);
  const pick = <T>(of: readonly T[]): T => of[Math.floor(next() * of.length)]!;
  let last = 'opening';
  const fault = (what: string) => run.faults.push(`${run.actions}, ${last}: ${what}`);
  page.on('console', (m) => m.type() === 'error' && fault(`${m.text()} ${m.location().url}`));
  page.on('pageerror', (e) => fault(e.message));
  page.on('dialog', (d) => void d.accept());
  await page.goto(`${baseURL}/brief`);
  await page.getByTestId('answer').waitFor();
  const until = Date.now() + forMs;
  while (Date.now() < until && run.faults.length === 0) {
    run.actions += 1;
    last = await act(page, pick, next());
    const isAlone = page.url().startsWith(baseURL);
    if (!isAlone) fault(`left for ${page.url()}`);
    if (await page.getByText(/can’t be shown|can’t be read/).count()) fault('a page failed');
    if (run.actions % LOOK_EVERY === 0) {
      const found = await look(page);
      if (found === 'looked') run.looks += 1;
      else if (found !== 'busy') fault(found);
    }
  }
  return run;
}

async function act(page: Page, pick: <T>(of: readonly T[]) => T, chance: number): Promise<string> {
  if (chance < 0.12) {
    const key = pick([...KEYS, ...MORE_KEYS]);
    await page.keyboard.press(key);
    return `key ${key}`;
  }
  if (chance < 0.16) {
    const place = pick(PLACES);
    await page.keyboard.press('Escape');
    const link = page.locator(`nav a[href="${place}"]`);
    if (await link.count())
      await link
        .first()
        .click({ timeout: 2000 })
        .catch(() => undefined);
    return `place ${place}`;
  }
  const targets = await page.evaluate(targetsOn, LEFT_ALONE.source).catch(() => []);
  if (targets.length === 0) return 'nothing to do';
  const at = Math.floor(chance * 7919) % targets.length;
  const target = targets[at]!;
  const locator = page.locator(`[data-hand="${at}"]`);
  const said = `${target.kind} “${target.label}”`;
  // What has gone meanwhile is no fault of the page.
  const short = { timeout: 1500 };
  try {
    if (target.kind === 'click') await locator.click(short);
    else if (target.kind === 'type') {
      await locator.fill(pick([...TYPED, ...MORE_TYPED]), short);
      if (chance > 0.6) await page.keyboard.press('Enter');
    } else {
      const options = await locator
        .locator('option')
        .evaluateAll((all) => (all as HTMLOptionElement[]).map((o) => o.value));
      await locator.selectOption(pick(options), short);
    }
  } catch {
    return `${said}, gone`;
  }
  return said;
}

/** Reads everything back and answers it anew; what is wrong, in words. */
async function look(page: Page): Promise<string> {
  const isSaved = page.getByText('Saved here');
  try {
    await isSaved.waitFor({ timeout: 20_000 });
    await page.getByText('Thinking…').waitFor({ state: 'hidden', timeout: 30_000 });
  } catch {
    return 'busy';
  }
  const texts = await page.evaluate(storedTexts).catch(() => null);
  if (texts === null) return 'busy';
  const parts = {
    plan: planCodec.read(texts.outing ?? ''),
    shelf: texts.shelf ? shelfCodec.read(texts.shelf) : null,
    settings: texts.settings ? settingsCodec.read(texts.settings) : null,
  };
  for (const [name, part] of Object.entries(parts))
    if (part && !part.ok) return `${name} can’t be read: ${JSON.stringify(part.error)}`;
  if (!parts.plan.ok) return 'no plan';
  const file = fileOf({
    plan: parts.plan.value,
    shelf: parts.shelf?.ok ? parts.shelf.value : EMPTY_SHELF,
    settings: parts.settings?.ok ? parts.settings.value : DEFAULT_SETTINGS,
  });
  const read = decode(encode(file));
  if (!read.ok) return `the file can’t be read: ${JSON.stringify(read.error)}`;
  const fresh = await answerLineup(asked(read.value), ANSWER_S);
  const shown = await page.getByTestId('answer').innerText({ timeout: 5000 });
  if (await page.getByText('Thinking…').count()) return 'busy';
  if (!(await isSaved.count())) return 'busy';
  // The made-up year may have come in its place while it was answered.
  const now = await page.evaluate(storedTexts).catch(() => null);
  if (now?.outing !== texts.outing || now?.shelf !== texts.shelf) return 'busy';
  const expected =
    fresh.status === 'impossible'
      ? 'No lineup meets the limits'
      : counted(fresh.totals.lenses, 'lens');
  return shown.startsWith(expected) ? 'looked' : `shown “${shown}”, afresh “${expected}”`;
}
