'use client';

import { useMemo } from 'react';
import { outingSpan } from '@/core/log';
import {
  type PhotographKeeper,
  useAnswer,
  useFile,
  useFilePart,
  useKnownGear,
  useOtherOutings,
  usePhotographs,
  useSelection,
} from '@/session';
import type { LogOuting, LogView } from '@/workers/logClient';

/** Which photographs are looked at. */
export type Of = 'all' | 'outing' | 'genre';

/** Views that hold photographs against the outing that is open. */
const AGAINST_OUTING: ReadonlySet<string | null> = new Set(['against', 'frames']);

/** What the views of the log are made with: the photographs looked at, the gear, the outing. */
export interface LogWork {
  readonly keeper: PhotographKeeper;
  readonly view: LogView;
  /** The outing that is open, with the lineup in sight as its plan. */
  readonly outing: LogOuting;
  /** Of which outings photographs are looked at: all, the one that is open, or all of its kind. */
  readonly of: Of;
  readonly ofOuting: boolean;
  readonly setOf: (of: Of) => void;
  /** Outings of the kind of the open one, itself included, that have days. */
  readonly alike: number;
  readonly keptOnly: boolean;
  readonly setKeptOnly: (keptOnly: boolean) => void;
  /** Whether the outing has days at all. */
  readonly hasDays: boolean;
}

export function useLogWork(keeper: PhotographKeeper): LogWork {
  const { outing, frames, stretches, limits, packing } = useFile();
  const { carried } = packing;
  const { log, marks } = usePhotographs(keeper);
  const { result } = useAnswer();
  const shelf = useKnownGear();
  const [chosen, choose] = useSelection('of');
  const [kept, setKept] = useSelection('rated');
  const [shownView] = useSelection('view');
  const span = useMemo(() => outingSpan(outing, stretches), [outing, stretches]);
  const spansAlike = useSpansAlike(span);
  const hasOwn = useMemo(() => span !== null && isAnyWithin(log.takenMs, span), [log, span]);
  // Against an outing its own photographs are looked at, unless others are chosen.
  const isOwn = AGAINST_OUTING.has(shownView) && (hasOwn || shownView === 'against');
  const usual: Of = isOwn ? 'outing' : 'all';
  const wanted = chosen ?? usual;
  const of: Of =
    wanted === 'outing' && span !== null
      ? 'outing'
      : wanted === 'genre' && spansAlike.length > 1
        ? 'genre'
        : 'all';
  const keptOnly = kept !== null;
  const view = useMemo<LogView>(
    () => ({
      shelf,
      marks,
      scope: {
        spans: of === 'genre' ? spansAlike : of === 'outing' && span !== null ? [span] : null,
        keptOnly,
      },
    }),
    [shelf, marks, of, span, spansAlike, keptOnly],
  );
  const inSight = result?.lineup.lensIds ?? null;
  // What was carried counts, however the outing has been edited since.
  const plannedLensIds = useMemo(
    () =>
      carried
        ? shelf.lenses.flatMap(({ id }) => (carried.itemIds.some((c) => c === id) ? [id] : []))
        : inSight,
    [carried, shelf.lenses, inSight],
  );
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
    of,
    ofOuting: of === 'outing',
    setOf: (next) => choose(next === usual ? null : next),
    alike: spansAlike.length,
    keptOnly,
    setKeptOnly: (next) => setKept(next ? 'yes' : null),
    hasDays: span !== null,
  };
}

type Span = readonly [number, number];

function isAnyWithin(takenMs: Float64Array, [from, to]: Span): boolean {
  for (const ms of takenMs) if (ms >= from && ms <= to) return true;
  return false;
}

/** The days of the outings of one kind, the open one's first. */
function useSpansAlike(own: Span | null): readonly Span[] {
  const genre = useFilePart((file) => file.outing.genre);
  const others = useOtherOutings();
  return useMemo(() => {
    if (genre === null) return [];
    const spans = others
      .filter((file) => file.outing.genre === genre)
      .flatMap((file) => {
        const span = outingSpan(file.outing, file.stretches);
        return span === null ? [] : [span];
      });
    return own === null ? spans : [own, ...spans];
  }, [genre, others, own]);
}
