import { defineConfig } from '@playwright/test';

const PORT = Number(process.env.E2E_PORT ?? 4173);

/** Drives the production build in Debian's Chromium. */
export default defineConfig({
  testDir: './e2e',
  // Long enough for a machine that is busy with other work: no test is about speed.
  timeout: 300_000,
  expect: { timeout: 90_000 },
  workers: 2,
  reporter: [['list'], ['json', { outputFile: '.check/e2e.json' }]],
  use: {
    baseURL: `http://localhost:${PORT}`,
    viewport: { width: 1280, height: 800 },
    launchOptions: {
      executablePath: process.env.CHROMIUM_PATH ?? '/usr/bin/chromium',
      args: [
        '--no-sandbox',
        '--disable-gpu',
        '--disable-quic',
        '--no-first-run',
        '--disable-background-networking',
        '--disable-component-update',
        '--disable-sync',
      ],
    },
  },
  webServer: {
    command: `node node_modules/next/dist/bin/next start -p ${PORT}`,
    url: `http://localhost:${PORT}/outing.schema.json`,
    reuseExistingServer: false,
    timeout: 180_000,
  },
});
