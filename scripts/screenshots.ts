import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from '../e2e/chromium';

/**
 * One PNG of each main view, from the demo outing and the made-up year, into docs/screenshots. Needs a
 * production build.
 */

const PORT = 4199;
const VIEWS = [
  ['brief', '/brief?frame=f10', 'light'],
  ['shelf', '/shelf?item=k-24-240', 'light'],
  ['reach', '/reach', 'light'],
  ['lineup', '/lineup', 'light'],
  ['carry', '/carry', 'light'],
  ['beside', '/beside?lenses=k-16-35,k-70-200,k-400,k-24-105&format=36x24', 'light'],
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
    const gotIt = page.getByRole('button', { name: 'Got it' });
    if (await gotIt.isVisible()) await gotIt.click();
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
  const year = await browser.newPage({ viewport: DESK });
  await year.goto(`http://localhost:${PORT}/brief`);
  await year.getByRole('button', { name: 'Look through a whole year' }).click();
  await year.getByTestId('season').waitFor({ timeout: 60_000 });
  for (const [name, path, shown] of [
    ['ground', '/ground?frame=vows&stretch=rite', '[data-testid=plan]'],
    ['log', '/log', '[data-testid=used-chart]'],
    ['next', '/next', '[data-testid=next-things]'],
    ['next-missing', '/next?view=missing', '[data-testid=missing-kinds]'],
    ['next-buy', '/next?view=buy', '[data-testid=staircase]'],
  ] as const) {
    await year.goto(`http://localhost:${PORT}${path}`);
    await year.locator(shown).first().waitFor({ timeout: 120_000 });
    await year.waitForTimeout(4000);
    await year.screenshot({ path: `docs/screenshots/${name}.png` });
  }
  await year.goto(`http://localhost:${PORT}/log?view=against`);
  await year.getByRole('button', { name: /^Lantern regatta/ }).click();
  for (const [view, name] of [
    ['Against the plan', 'log-against'],
    ['Hindsight', 'log-hindsight'],
  ] as const) {
    await year.getByRole('tab', { name: view }).click();
    await year.waitForTimeout(4000);
    await year.screenshot({ path: `docs/screenshots/${name}.png` });
  }
  const beside = await open('/lineup?view=styles');
  await beside.getByTestId('profiles').waitFor({ timeout: 60_000 });
  await beside.screenshot({ path: 'docs/screenshots/styles.png' });
  await browser.close();
} finally {
  server.kill();
}
