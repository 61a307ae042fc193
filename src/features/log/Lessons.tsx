'use client';

import { useCallback, useMemo } from 'react';
import type { Lesson } from '@/core/log';
import { useFile, useKnownGear, usePhotographs, useSelection } from '@/session';
import { itemNameOf, lessonText, logText, namesOf } from '@/text';
import type { HindsightAsked, LogOuting } from '@/workers/logClient';
import { lensSeenName } from './names';
import { Notes } from './Notes';
import { useAsked } from './useAsked';
import { Working } from './Working';
import type { LogWork } from './useLogWork';
import { usePlanned } from './usePlanned';

const t = logText.lessons;
const TIME_LIMIT_S = 10;

/** Where the figures of a lesson are. */
const FIGURES: Readonly<Record<Lesson['code'], string>> = {
  'never-used': 'against',
  'hardly-used': 'used',
  workhorse: 'used',
  'kept-by': 'used',
  enough: 'hindsight',
  'one-end': 'used',
  missed: 'against',
  outside: 'against',
  'more-changes': 'against',
};

/** What the photographs teach, in sentences that open their figures, and one's own notes. */
export function Lessons({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  const file = useFile();
  const shelf = useKnownGear();
  const [, setView] = useSelection('view');
  const plannedChanges = usePlanned().changes;
  const { limits } = file;
  const outing = useMemo<LogOuting | null>(
    () => (work.ofOuting ? { ...work.outing, plannedChanges } : null),
    [work.ofOuting, work.outing, plannedChanges],
  );
  const question = useCallback(
    (of: {
      lessons: (asked: HindsightAsked, o: LogOuting | null, s: number) => Promise<Lesson[]>;
    }) => of.lessons({ ...work.view, limits, withWished: false }, outing, TIME_LIMIT_S),
    [work.view, limits, outing],
  );
  const asked = useAsked<Lesson[]>(work.keeper, log, question);
  const { value } = asked;
  const [ofOuting, ofShelf] = [namesOf(file), itemNameOf(shelf)];
  const name = (id: string) => (shelf.lenses.some((l) => l.id === id) ? ofShelf(id) : ofOuting(id));
  return (
    <div className="grid gap-8 lg:grid-cols-2">
      <section aria-labelledby="lessons" className="space-y-2">
        <h2 id="lessons" className="text-lg">
          {t.title}
        </h2>
        <Working asked={asked} />
        {value === null || asked.error !== null ? null : value.length === 0 ? (
          <p>{t.none}</p>
        ) : (
          <ul className="space-y-2">
            {value.map((lesson, i) => {
              const seen = lesson.code === 'workhorse' ? lensSeenName(log, lesson.seen) : '';
              const text = lessonText(lesson, name, seen);
              return (
                <li key={i} className="border-b border-hair pb-2 text-base">
                  {text}{' '}
                  <button
                    type="button"
                    className="text-[13px] text-soft underline underline-offset-2"
                    aria-label={t.figuresOf(text)}
                    onClick={() => setView(FIGURES[lesson.code])}
                  >
                    {t.figures}
                  </button>
                </li>
              );
            })}
          </ul>
        )}
      </section>
      <Notes />
    </div>
  );
}
