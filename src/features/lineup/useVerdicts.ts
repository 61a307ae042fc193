import { useMemo } from 'react';
import type { LensId } from '@/core/gear';
import { lensLacks, type LineupQuestion, type LineupResult } from '@/core/lineup';
import { verdictMatrix } from './matrix';

/** What each lens of a lineup does for each picture. */
export function useVerdictMatrix(question: LineupQuestion, result: LineupResult) {
  return useMemo(() => verdictMatrix(question, result), [question, result]);
}

/** What one lens lacks for each picture that it does not cover alone. */
export function useLensLacks(question: LineupQuestion, lensId: LensId) {
  return useMemo(() => lensLacks(question, lensId), [question, lensId]);
}
