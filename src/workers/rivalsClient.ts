import { proxy, type Remote, wrap } from 'comlink';
import type { LineupQuestion, LineupRivals } from '@/core/lineup';
import type { LineupService } from './lineup.worker';

const BUDGET_S = 30;

/**
 * Looks for the lineups beside the best one, in a worker of its own, so that the answer in sight
 * never waits for it.
 *
 * @returns stop: ends the work at once
 */
export function exploreRivals(
  { outing, stretches, frames, shelf, limits }: LineupQuestion,
  report: {
    readonly progress: (done: number) => void;
    readonly done: (rivals: LineupRivals | null) => void;
    readonly failed: (message: string) => void;
  },
): () => void {
  const worker = new Worker(new URL('./lineup.worker.ts', import.meta.url), { type: 'module' });
  const service: Remote<LineupService> = wrap<LineupService>(worker);
  service
    .rivals({ outing, stretches, frames, shelf, limits }, BUDGET_S, proxy(report.progress))
    .then(report.done, (error: unknown) =>
      report.failed(error instanceof Error ? error.message : String(error)),
    )
    .finally(() => worker.terminate());
  return () => worker.terminate();
}
