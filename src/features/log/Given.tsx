'use client';

import { useState } from 'react';
import type { FrameId } from '@/core/brief';
import { evAt, identityAt, type Log, nameAt, numberAt } from '@/core/log';
import { angleOfViewDeg, FULL_FRAME } from '@/core/optics';
import { useFile, usePhotographs } from '@/session';
import { Button } from '@/ui';
import {
  formatAngle,
  formatEv,
  formatFNumber,
  formatMm,
  formatMoment,
  formatShutter,
  logText,
} from '@/text';
import type { LogWork } from './useLogWork';

const t = logText.against;

/** Photographs listed at once. */
const LISTED = 30;

/** Photographs that were given to one picture, or to none, each with a way to say otherwise. */
export function Given({
  work,
  photos,
  frameId,
}: {
  work: LogWork;
  photos: readonly number[];
  frameId: string | null;
}) {
  const { log, marks } = usePhotographs(work.keeper);
  const { frames } = useFile();
  const [listed, setListed] = useState(LISTED);
  const give = (photo: number, to: string) => {
    const key = identityAt(log, photo);
    const chosen = to === '' ? null : (to as FrameId);
    void work.keeper.mark((m) => ({ ...m, frames: { ...m.frames, [key]: chosen } }));
  };
  return (
    <>
      <ul className="text-[13px]">
        {photos.slice(0, listed).map((i) => {
          const file = nameAt(log, i);
          return (
            <li key={i} className="flex flex-wrap items-center gap-x-3 border-b border-hair py-0.5">
              <span className="w-28">{file}</span>
              <span className="w-28 text-soft">{momentOf(log.takenMs[i] ?? NaN)}</span>
              <span className="w-20 text-soft">{angleText(log, i)}</span>
              <span className="w-60 text-soft">{exposureOf(log, i)}</span>
              <label className="flex items-center gap-1">
                <span className="sr-only">{t.belongsTo(file)}</span>
                <select
                  className="border border-hair bg-sheet px-1"
                  value={frameId ?? ''}
                  onChange={(event) => give(i, event.target.value)}
                >
                  <option value="">{t.somethingElse}</option>
                  {frames.map((f) => (
                    <option key={f.id} value={f.id}>
                      {f.name}
                    </option>
                  ))}
                </select>
              </label>
              {identityAt(log, i) in marks.frames && <span className="text-soft">{t.byHand}</span>}
            </li>
          );
        })}
      </ul>
      {photos.length > listed && (
        <Button look="quiet" onClick={() => setListed(listed + 10 * LISTED)}>
          {t.more(photos.length - listed)}
        </Button>
      )}
    </>
  );
}

function momentOf(ms: number): string {
  return Number.isNaN(ms) ? '' : formatMoment(ms);
}

/** What the photograph takes in across its diagonal, as Reach's axis says it. */
function angleText(log: Log, i: number): string {
  const equivalentMm = numberAt(log, 'equivalentMm', i);
  return equivalentMm !== null && equivalentMm > 0
    ? formatAngle(angleOfViewDeg(equivalentMm, FULL_FRAME))
    : '';
}

function exposureOf(log: Log, i: number): string {
  const [focal, fNumber, time] = (['focalMm', 'fNumber', 'timeS'] as const).map((column) =>
    numberAt(log, column, i),
  );
  return [
    focal == null ? '' : formatMm(focal),
    fNumber == null ? '' : formatFNumber(fNumber),
    time == null ? '' : formatShutter(time),
    Number.isNaN(evAt(log, i)) ? '' : formatEv(evAt(log, i)),
  ]
    .filter((part) => part !== '')
    .join(' · ');
}
