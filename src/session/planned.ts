'use client';

import { useStore } from 'zustand';
import { createStore } from 'zustand/vanilla';
import type { FrameResult, LineupResult } from '@/core/lineup';
import { useAnswer } from './hooks';

/**
 * What makes each picture as the plan of carrying has it, for the last lineup that was planned. Pages
 * that name what makes a picture go by it, so that they and the plan name the same.
 */
const planned = createStore<{
  readonly result: LineupResult | null;
  readonly frames: readonly FrameResult[];
}>(() => ({ result: null, frames: [] }));

/** Keeps the frames of a lineup with their covers in the plan's order. */
export function keepPlanned(result: LineupResult, frames: readonly FrameResult[]): void {
  planned.setState({ result, frames });
}

/** The pictures of the lineup in sight, as planned where there is a plan; undefined before an answer. */
export function useFrameResults(): readonly FrameResult[] | undefined {
  const { result } = useAnswer();
  const of = useStore(planned);
  return result !== null && of.result === result ? of.frames : result?.frames;
}
