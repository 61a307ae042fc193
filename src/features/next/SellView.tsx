'use client';

import type { ReactNode } from 'react';
import { itemsOf } from '@/core/gear';
import type { Selling } from '@/core/next';
import { Tick, TableHead } from '@/ui';
import { costText, formatMoney, itemNameOf, nextText, worthText } from '@/text';
import { Question } from './Question';
import { Answered, Proof } from './Answered';
import { useAsk } from './useAsk';
import type { NextWork } from './useNextWork';
import { useYearsUse } from './useYearsUse';

const t = nextText.sell;

/** What can go without losing a picture, and what is lost with each thing that stays. */
export function SellView({ work }: { work: NextWork }) {
  const asking = useAsk<'sell'>(work, { kind: 'sell' });
  return (
    <Question id="next-sell" title={t.title}>
      <Answered work={work} asking={asking}>
        {(found) => <Found work={work} found={found} />}
      </Answered>
    </Question>
  );
}

function Found({ work, found }: { work: NextWork; found: Selling }) {
  const { shelf, currency } = work;
  const name = itemNameOf(shelf);
  const goes = found.unneeded.ids;
  return (
    <div className="space-y-4">
      <p role="status" className="max-w-prose font-semibold">
        {goes === null
          ? nextText.page.outOfTime
          : goes.length === 0
            ? t.nothing
            : t.canGo(goes.map(name), costText(found.unneeded.resale, currency, name))}
      </p>
      <Alone work={work} alone={found.alone} />
      {goes !== null && <Proof open={found.unneeded.open} proven={t.proven} work={work} />}
      <Things work={work} found={found} />
      <p className="max-w-prose text-[13px] text-soft">
        {t.intro} {t.spare}
      </p>
    </div>
  );
}

/** What has no stand-in any more once all of it is sold. */
function Alone({ work, alone }: { work: NextWork; alone: Selling['alone'] }) {
  const { shelf, question, names } = work;
  const name = itemNameOf(shelf);
  const pictureOf = ({ outing, frameId }: { outing: number; frameId: string }) => {
    const frames = question?.outings[outing]?.question.frames ?? [];
    const picture = frames.find((f) => f.id === frameId)?.name ?? frameId;
    return names.length > 1 ? t.pictureIn(picture, names[outing] ?? '') : picture;
  };
  if (alone.lenses.length === 0 && alone.bodyId === null) return null;
  return (
    <ul className="max-w-prose space-y-1" data-testid="left-alone">
      {alone.lenses.map(({ lensId, musts }) => (
        <li key={lensId}>{t.onlyLens(name(lensId), musts.map(pictureOf))}</li>
      ))}
      {alone.bodyId && <li>{t.onlyCamera(name(alone.bodyId))}</li>}
    </ul>
  );
}

function Things({ work, found }: { work: NextWork; found: Selling }) {
  const { shelf, year } = work;
  const used = useYearsUse(shelf);
  const resale = new Map(
    itemsOf(shelf).map((item) => [item.id as string, resaleText(item.priceUsed, work)]),
  );
  const usesOf = (id: string) => used?.get(id) ?? 0;
  // What is hardly used goes first.
  const gone = (found.unneeded.ids ?? []).toSorted((a, b) => usesOf(a) - usesOf(b));
  const rows: readonly (readonly [id: string, lost: ReactNode])[] = [
    ...gone.map((id) => [id, <b key={id}>{t.goes}</b>] as const),
    ...[...found.kept]
      .sort((a, b) => Number(b.spareable) - Number(a.spareable))
      .map(({ id, lost, spareable }) => [id, spareable ? t.oneOf : worthText(lost, year)] as const),
    ...found.held.map(({ id, why }) => [id, t.why[why]] as const),
  ];
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.table}>
      <table className="w-full border-collapse" data-testid="next-sell-things">
        <TableHead
          heads={[t.item, t.without, t.brings, ...(used === null ? [] : [t.used]), t.keep]}
        />
        <tbody>
          {rows.map(([id, lost]) => (
            <Row key={id} work={work} id={id} lost={lost} resale={resale.get(id)} used={used} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

function resaleText(used: number | null, { settings, currency }: NextWork): string {
  return used === null
    ? nextText.money.unknown
    : formatMoney((used * settings.resalePercent) / 100, currency);
}

interface RowProps {
  readonly work: NextWork;
  readonly id: string;
  readonly lost: ReactNode;
  readonly resale: string | undefined;
  readonly used: ReadonlyMap<string, number> | null;
}

function Row({ work: { shelf, settings, change }, id, lost, resale, used }: RowProps) {
  const name = itemNameOf(shelf)(id);
  const { neverSold } = settings;
  const isLens = shelf.lenses.some((l) => l.id === id);
  const count = used?.get(id) ?? 0;
  return (
    <tr className="border-b border-hair align-top">
      <th scope="row" className="py-1 pr-4 text-left font-normal">
        {name}
      </th>
      <td className="py-1 pr-4">{lost}</td>
      <td className="py-1 pr-4 whitespace-nowrap">{resale}</td>
      {used !== null && (
        <td className="py-1 pr-4">
          {!isLens ? t.noLog : count === 0 ? t.notUsed : t.photographs(count)}
        </td>
      )}
      <td className="py-1">
        <Tick
          label={t.keepIt(name)}
          hidden
          on={neverSold.includes(id)}
          onChange={(on) =>
            change({ neverSold: on ? [...neverSold, id] : neverSold.filter((k) => k !== id) })
          }
        />
      </td>
    </tr>
  );
}
