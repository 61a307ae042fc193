import { test } from '@playwright/test';
import { crashRun } from './crashes';
import { expect } from './support';

/** The short run; `npm run faults` has the long one. On a busy machine a second is more by what keys take. */
test('a dozen kills at random moments lose a second at most, and nothing is there twice', async ({
  baseURL,
}) => {
  test.setTimeout(1_200_000);
  const figures = await crashRun(baseURL!, 12, 7, { keysMore: 4 });
  expect(figures.faults).toEqual([]);
  expect(figures.kills).toBe(12);
});
