import type { Page } from '@playwright/test';

/** Begins to watch how long tasks of a page take; gives the way to ask for the longest so far, ms. */
export async function watchLongTasks(page: Page): Promise<() => Promise<number>> {
  await page.evaluate(() => {
    const tasks: number[] = [];
    Object.assign(window, { longTasks: tasks });
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries()) tasks.push(entry.duration);
    }).observe({ entryTypes: ['longtask'] });
  });
  return async () => {
    const tasks = await page.evaluate(() => (window as never as { longTasks: number[] }).longTasks);
    return Math.max(0, ...tasks);
  };
}
