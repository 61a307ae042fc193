import type { Browser, Page } from '@playwright/test';

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

interface TraceEvent {
  readonly name: string;
  readonly ph: string;
  readonly pid: number;
  readonly tid: number;
  /** How long it took, µs. */
  readonly dur?: number;
  readonly args?: { readonly name?: string };
}

/** Every task that the page's own thread had while something was done, ms, by the browser's trace. */
export async function tracedTasks(
  browser: Browser,
  page: Page,
  action: () => Promise<void>,
): Promise<number[]> {
  await browser.startTracing(page, { categories: ['toplevel', 'devtools.timeline', '__metadata'] });
  await action();
  const trace = await browser.stopTracing();
  const { traceEvents } = JSON.parse(trace.toString()) as { traceEvents: TraceEvent[] };
  const threads = new Set(
    traceEvents
      .filter((e) => e.name === 'thread_name' && e.args?.name === 'CrRendererMain')
      .map((e) => `${e.pid} ${e.tid}`),
  );
  return traceEvents
    .filter((e) => /RunTask$/.test(e.name) && e.ph === 'X' && threads.has(`${e.pid} ${e.tid}`))
    .map((e) => (e.dur ?? 0) / 1000);
}
