import { deadlineIn } from '@/core/lineup';
import type { NextRun } from '@/core/next';
import { loadHighsSolver } from '@/solver';

/** A run that no time ends and nobody watches. */
export async function endlessRun(): Promise<NextRun> {
  return {
    solver: await loadHighsSolver(),
    deadline: deadlineIn(Infinity, () => 0),
    now: () => 0,
    progress: () => undefined,
  };
}
