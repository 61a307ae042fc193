'use client';

import { useMemo } from 'react';
import { outingSpan } from '@/core/log';
import {
  type PhotographKeeper,
  useAnswer,
  useFile,
  useKnownGear,
  usePhotographs,
  useSelection,
} from '@/session';
import type { LogOuting, LogView } from '@/workers/logClient';

/** What the views of the log are made with: the photographs looked at, the gear, the outing. */
export interface LogWork {
  readonly keeper: PhotographKeeper;
  readonly view: LogView;
  /** The outing that is open, with the lineup in sight as its plan. */
  readonly outing: LogOuting;
  readonly ofOuting: boolean;
  readonly setOfOuting: (ofOuting: boolean) => void;
  readonly keptOnly: boolean;
  readonly setKeptOnly: (keptOnly: boolean) => void;
  /** Whether the outing has days at all. */
  readonly hasDays: boolean;
}

export function useLogWork(keeper: PhotographKeeper): LogWork {
  const { outing, frames, stretches, limits } = useFile();
  const { marks } = usePhotographs(keeper);
  const { result } = useAnswer();
  const shelf = useKnownGear();
  const [of, setOf] = useSelection('of');
  const [kept, setKept] = useSelection('rated');
  const span = useMemo(() => outingSpan(outing, stretches), [outing, stretches]);
  const ofOuting = of === 'outing' && span !== null;
  const keptOnly = kept !== null;
  const view = useMemo<LogView>(
    () => ({ shelf, marks, scope: { span: ofOuting ? span : null, keptOnly } }),
    [shelf, marks, ofOuting, span, keptOnly],
  );
  const plannedLensIds = result?.lineup.lensIds ?? null;
  const about = useMemo<LogOuting>(
    () => ({
      outing,
      frames,
      stretches,
      limits,
      plannedLensIds: plannedLensIds ?? [],
      plannedChanges: null,
    }),
    [outing, frames, stretches, limits, plannedLensIds],
  );
  return {
    keeper,
    view,
    outing: about,
    ofOuting,
    setOfOuting: (next) => setOf(next ? 'outing' : null),
    keptOnly,
    setKeptOnly: (next) => setKept(next ? 'yes' : null),
    hasDays: span !== null,
  };
}
