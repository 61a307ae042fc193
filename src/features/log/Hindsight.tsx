'use client';

import { useCallback, useState } from 'react';
import { lensesFirst } from '@/core/gear';
import { fewestFor, type Hindsight as Found, type HindsightPoint } from '@/core/log';
import { useFile, useKnownGear, usePhotographs } from '@/session';
import { Choice, SelectField, TableHead } from '@/ui';
import { digits, formatPercent, itemNameOf, listOf, logText, plainList } from '@/text';
import type { HindsightAsked } from '@/workers/logClient';
import { NoneHere } from './NoneHere';
import { useAsked } from './useAsked';
import { Working } from './Working';
import type { LogWork } from './useLogWork';

const t = logText.hindsight;

/** Longest time for an answer, s; what isn't proven by then says so. */
const TIME_LIMIT_S = 20;
const PERCENTS = [80, 90, 95, 98, 100] as const;

/** The fewest lenses that would have made the photographs, one proven point for each number. */
export function Hindsight({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  const { limits } = useFile();
  const [withWished, setWithWished] = useState(false);
  const [percent, setPercent] = useState<string>('95');
  const question = useCallback(
    (of: { hindsight: (asked: HindsightAsked, timeLimitS: number) => Promise<Found> }) =>
      of.hindsight({ ...work.view, limits, withWished }, TIME_LIMIT_S),
    [work.view, limits, withWished],
  );
  const asked = useAsked<Found>(work.keeper, log, question);
  const { value, thinking } = asked;
  return (
    <section aria-labelledby="hindsight" className="space-y-4" aria-busy={thinking}>
      <h2 id="hindsight" className="text-lg">
        {t.title}
      </h2>
      <p className="max-w-prose">{t.intro}</p>
      <div className="flex flex-wrap items-end gap-6">
        <Choice
          label={t.from}
          value={withWished ? 'wished' : 'owned'}
          options={[
            ['owned', t.owned],
            ['wished', t.withWished],
          ]}
          onChange={(next) => setWithWished(next === 'wished')}
        />
        <SelectField
          label={t.atLeast}
          value={percent}
          options={PERCENTS.map((p) => [String(p), t.percent(p)])}
          onChange={setPercent}
        />
      </div>
      <Working asked={asked} />
      {value === null || asked.error !== null ? null : value.count === 0 ? (
        <NoneHere work={work} />
      ) : (
        <Points found={value} percent={Number(percent)} />
      )}
    </section>
  );
}

function Points({ found, percent }: { found: Found; percent: number }) {
  const shelf = useKnownGear();
  const name = itemNameOf(shelf);
  const judged = found.count - found.unknown;
  const enough = fewestFor(found, percent);
  if (found.points.length === 0) return <p>{t.nothing}</p>;
  return (
    <div className="space-y-3">
      <p role="status" className="max-w-prose font-semibold">
        {enough === null
          ? t.notEnough(percent)
          : t.enough(
              lensesFirst(shelf, enough.itemIds).map(name),
              (100 * enough.made) / Math.max(1, judged),
              judged,
            )}
      </p>
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.points}>
        <table className="w-full border-collapse" data-testid="hindsight">
          <caption className="sr-only">{t.chart(found.points.length)}</caption>
          <TableHead
            heads={[t.lenses, t.wouldHaveMade, t.which, { text: t.lostWithout, isSecond: true }]}
          />
          <tbody>
            {found.points.map((p) => (
              <PointRow
                key={p.pieces}
                point={{ ...p, itemIds: lensesFirst(shelf, p.itemIds) }}
                judged={judged}
                isEnough={p === enough}
                name={name}
              />
            ))}
          </tbody>
        </table>
      </div>
      {found.unmade > 0 && <p>{t.unmade(found.unmade)}</p>}
      {found.unknown > 0 && <p>{t.unknown(found.unknown)}</p>}
    </div>
  );
}

interface PointRowProps {
  readonly point: HindsightPoint;
  readonly judged: number;
  readonly isEnough: boolean;
  readonly name: (id: string) => string;
}

function PointRow({ point, judged, isEnough, name }: PointRowProps) {
  const share = point.made / Math.max(1, judged);
  const lost = point.onlyBy.map(({ itemId, count }) =>
    t.lost(name(itemId), formatPercent((100 * count) / Math.max(1, judged))),
  );
  return (
    <tr className={`border-b border-hair align-top ${isEnough ? 'bg-gotwash' : ''}`}>
      <th scope="row" className="py-1 pr-4 text-left text-base font-normal tabular-nums">
        {digits(point.pieces, 1)}
      </th>
      <td className="py-1 pr-4">
        <span className="flex items-center gap-2">
          <span className="w-14 text-right tabular-nums">{formatPercent(100 * share)}</span>
          <svg
            viewBox="0 0 100 8"
            preserveAspectRatio="none"
            aria-hidden
            className="h-2.5 w-36 max-sm:hidden"
          >
            <rect
              x="0"
              y="0.5"
              width="100"
              height="7"
              fill="none"
              stroke="var(--hair)"
              vectorEffect="non-scaling-stroke"
            />
            <rect x="0" y="0.5" width={100 * share} height="7" fill="var(--got)" />
          </svg>
        </span>
        <span className="text-[12px] text-soft">
          {point.proven ? t.proven : t.notProven(point.bound)}
        </span>
      </td>
      <td className="py-1 pr-4">{listOf(point.itemIds.map(name))}</td>
      <td className="py-1 text-[13px] max-sm:hidden">{plainList(lost)}</td>
    </tr>
  );
}
