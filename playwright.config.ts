import { defineConfig } from '@playwright/test';
import { CHROMIUM_ARGS, CHROMIUM_PATH } from './e2e/chromium';

const PORT = Number(process.env.E2E_PORT ?? 4173);

/** Drives the production build in Debian's Chromium. */
export default defineConfig({
  testDir: './e2e',
  // Long enough for a machine that is busy with other work: no test is about speed.
  timeout: 300_000,
  expect: { timeout: 90_000 },
  // One of them mostly waits: the random hands play for three minutes.
  workers: 3,
  reporter: [['list'], ['json', { outputFile: '.check/e2e.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: CHROMIUM_PATH,
      args: CHROMIUM_ARGS,
    },
  },
  webServer: {
    command: `node scripts/serve.mjs -p ${PORT}`,
    url: `http://localhost:${PORT}/outing.schema.json`,
    reuseExistingServer: false,
    timeout: 180_000,
  },
});
