import { spawn } from 'node:child_process';
import { chromium } from '@playwright/test';

/** One PNG of each main view, from the demo outing, into docs/screenshots. Needs a production build. */

const PORT = 4199;
const VIEWS = [
  ['brief', '/brief?frame=f10', 'light'],
  ['shelf', '/shelf?item=k-24-240', 'light'],
  ['reach', '/reach', 'light'],
  ['lineup', '/lineup', 'light'],
  ['lineup-night', '/lineup', 'dark'],
] as const;

const server = spawn(
  process.execPath,
  ['node_modules/next/dist/bin/next', 'start', '-p', String(PORT)],
  { stdio: 'ignore' },
);
try {
  await new Promise((resolve) => setTimeout(resolve, 4000));
  const browser = await chromium.launch({
    executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
    args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
  });
  for (const [name, path, colorScheme] of VIEWS) {
    const page = await browser.newPage({ viewport: { width: 1280, height: 800 }, colorScheme });
    await page.goto(`http://localhost:${PORT}${path}`);
    await page.getByTestId('answer').waitFor();
    await page.getByRole('button', { name: 'Understood' }).click();
    await page.getByText('Saved here').waitFor();
    await page.waitForTimeout(800);
    await page.screenshot({ path: `docs/screenshots/${name}.png` });
    await page.close();
  }
  await browser.close();
} finally {
  server.kill();
}
