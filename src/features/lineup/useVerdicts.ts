import { useMemo } from 'react';
import type { LensId } from '@/core/gear';
import type { Frame } from '@/core/brief';
import {
  type Change,
  type FrameResult,
  freeingsOf,
  lensLacks,
  type LineupQuestion,
  type LineupResult,
  turnsOut,
} from '@/core/lineup';
import { verdictMatrix } from './matrix';

/** What each lens of a lineup does for each picture. */
export function useVerdictMatrix(question: LineupQuestion, result: LineupResult) {
  return useMemo(() => verdictMatrix(question, result), [question, result]);
}

/** What one lens lacks for each picture that it does not cover alone. */
export function useLensLacks(question: LineupQuestion, lensId: LensId) {
  return useMemo(() => lensLacks(question, lensId), [question, lensId]);
}

/** What becomes of one picture of a lineup that turns out other than it is described. */
export function useTurnsOut(
  question: LineupQuestion,
  result: LineupResult,
  frame: Frame,
  change: Change,
) {
  return useMemo(
    () => turnsOut(question, result, frame, change),
    [question, result, frame, change],
  );
}

/** What would free a lost must; nothing for any other picture. */
export function useFreeings(question: LineupQuestion, result: LineupResult, frame: FrameResult) {
  return useMemo(
    () =>
      frame.want === 'must' && frame.state === 'lost' ? freeingsOf(question, result, frame) : [],
    [question, result, frame],
  );
}
