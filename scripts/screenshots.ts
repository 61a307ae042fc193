import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from '../e2e/chromium';

/** One PNG of each main view, from the demo outing, into docs/screenshots. Needs a production build. */

const PORT = 4199;
const VIEWS = [
  ['brief', '/brief?frame=f10', 'light'],
  ['shelf', '/shelf?item=k-24-240', 'light'],
  ['reach', '/reach', 'light'],
  ['lineup', '/lineup', 'light'],
  ['carry', '/carry', 'light'],
  ['ground', '/ground?frame=f03&stretch=finals', 'light'],
  ['viewfinder', '/reach?frame=f05', 'light'],
  ['sheet', '/brief?as=sheet', 'light'],
  ['help', '/help?topic=day', 'light'],
  ['lineup-night', '/lineup', 'dark'],
] as const;
const PHONE = { width: 390, height: 844 };
const DESK = { width: 1280, height: 800 };

const server = spawn(process.execPath, ['scripts/serve.mjs', '-p', String(PORT)], {
  stdio: 'ignore',
});
try {
  await new Promise((resolve) => setTimeout(resolve, 4000));
  const browser = await chromium.launch({
    executablePath: CHROMIUM_PATH,
    args: CHROMIUM_ARGS,
  });
  const open = async (path: string, viewport = DESK, colorScheme: 'light' | 'dark' = 'light') => {
    const page = await browser.newPage({ viewport, colorScheme });
    await page.goto(`http://localhost:${PORT}${path}`);
    await page.getByTestId('answer').waitFor();
    await page.getByRole('button', { name: 'Got it' }).click();
    await page.getByText('Saved here').waitFor();
    await page.waitForTimeout(1200);
    return page;
  };
  for (const [name, path, colorScheme] of VIEWS) {
    const page = await open(path, DESK, colorScheme);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    await page.close();
  }
  const phone = await open('/carry', PHONE);
  await phone.screenshot({ path: 'docs/screenshots/carry-phone.png' });
  const log = await open('/log');
  await log.getByRole('button', { name: 'Card of the regatta' }).click();
  await log.getByTestId('used-chart').waitFor();
  await log.waitForTimeout(1500);
  await log.screenshot({ path: 'docs/screenshots/log.png' });
  await log.getByLabel('Look at').selectOption('outing');
  for (const [view, name] of [
    ['Against the plan', 'log-against'],
    ['Hindsight', 'log-hindsight'],
  ] as const) {
    await log.getByRole('tab', { name: view }).click();
    await log.waitForTimeout(2500);
    await log.screenshot({ path: `docs/screenshots/${name}.png` });
  }
  const next = await open('/next');
  await next.getByText('Outings and terms').click();
  for (const [name, times] of [
    ['Far wildlife', '12'],
    ['Wedding by phases', '6'],
  ] as const) {
    await next.getByRole('checkbox', { name }).check();
    await next.getByRole('textbox', { name: `Times a year: ${name}` }).fill(times);
  }
  await next.getByText('Outings and terms').click();
  await next.getByTestId('next-things').waitFor({ timeout: 60_000 });
  await next.screenshot({ path: 'docs/screenshots/next.png' });
  await next.getByRole('tab', { name: 'Missing' }).click();
  await next.getByTestId('missing-kinds').waitFor({ timeout: 60_000 });
  await next.screenshot({ path: 'docs/screenshots/next-missing.png' });
  await next.getByRole('tab', { name: 'Buy' }).click();
  await next.getByLabel('To spend at once').fill('8000');
  await next.getByLabel('To spend at each step').fill('2000');
  await next.getByTestId('staircase').waitFor({ timeout: 60_000 });
  await next.waitForTimeout(4000);
  await next.screenshot({ path: 'docs/screenshots/next-buy.png' });
  const beside = await open('/lineup');
  await beside.getByRole('button', { name: /^Compare these/ }).click();
  await beside.getByTestId('profiles').waitFor({ timeout: 60_000 });
  await beside.locator('#profiles').evaluate((heading) => heading.scrollIntoView());
  await beside.screenshot({ path: 'docs/screenshots/styles.png' });
  const earlier = await open('/brief');
  await earlier.getByRole('button', { name: 'Delete Moon over the bridge' }).click();
  // Until it is stored: "Saved here" stands there before, too.
  await earlier.waitForTimeout(2500);
  await earlier.goto(`http://localhost:${PORT}/versions`);
  await earlier.getByTestId('answer').waitFor();
  await earlier.getByRole('button', { name: 'View' }).click();
  await earlier.screenshot({ path: 'docs/screenshots/versions.png' });
  await browser.close();
} finally {
  server.kill();
}
