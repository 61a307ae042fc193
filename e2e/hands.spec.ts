import { test } from '@playwright/test';
import { playHands } from './hands';
import { expect } from './support';

/** Three minutes of them; `npm run faults` has the long run. */
const FOR_MS = Number(process.env.HANDS_MS ?? 180_000);

test('random hands break nothing', async ({ page, baseURL }) => {
  test.setTimeout(FOR_MS + 600_000);
  const run = await playHands(page, baseURL!, 12, FOR_MS);
  test.info().annotations.push({ type: 'measured', description: JSON.stringify(run) });
  expect(run.faults).toEqual([]);
  expect(run.looks).toBeGreaterThan(0);
});
