import { useMemo, useState } from 'react';
import { outingSpan, takenWithin } from '@/core/log';
import { usePhotographs, useSavedOutings, useSession } from '@/session';
import { counted, dayText, logText } from '@/text';
import { Button } from '@/ui';
import type { LogWork } from './useLogWork';

const t = logText.page;

/** Most outings that are named. */
const MOST_NAMED = 4;

/** Said where the outing has no photographs: what it waits for, and the outings that have some. */
export function NoneHere({ work }: { work: LogWork }) {
  const { firstDay } = work.outing.outing;
  const [now] = useState(() => Date.now());
  const isToCome = firstDay !== null && Date.parse(firstDay) > now;
  const others = usePhotographed(work);
  const { library } = useSession();
  return (
    <div className="space-y-2">
      <p>{isToCome ? t.waitsFor(dayText(firstDay)) : t.noneHere}</p>
      {others.length > 0 && <p>{t.haveSome}</p>}
      <span className="flex flex-wrap gap-2">
        {others.map(({ key, name, count }) => (
          <Button key={key} onClick={() => void library().then((l) => l.reopen(key))}>
            {t.hasSome(name, counted(count, 'photograph'))}
          </Button>
        ))}
        <Button onClick={() => work.setOf('all')}>{t.lookAtAll}</Button>
      </span>
    </div>
  );
}

/** Other outings on whose days photographs were taken, the most photographed first. */
function usePhotographed({ keeper }: LogWork) {
  const { log } = usePhotographs(keeper);
  const saved = useSavedOutings();
  return useMemo(
    () =>
      (saved ?? [])
        .flatMap(({ key, plan: { outing, stretches } }) => {
          const span = outingSpan(outing, stretches);
          if (span === null) return [];
          const isWithin = takenWithin(log, span);
          const count = log.takenMs.reduce((n, _, i) => n + Number(isWithin(i)), 0);
          return count === 0 ? [] : [{ key, name: outing.name, count }];
        })
        .toSorted((a, b) => b.count - a.count)
        .slice(0, MOST_NAMED),
    [saved, log],
  );
}
