'use client';

import type { NextThing, OneStep } from '@/core/next';
import { costText, formatMoney, itemNameOf, nextText, worthText } from '@/text';
import { TableHead } from '@/ui';
import { Question } from './Question';
import { Answered } from './Answered';
import { StepPlot } from './StepPlot';
import { useAsk } from './useAsk';
import type { NextWork } from './useNextWork';
import { coversAll } from './yearText';

const t = nextText.step;

/** Every wished thing by what it alone adds, drawn and as a table. */
export function StepView({ work }: { work: NextWork }) {
  const asking = useAsk<'step'>(work, { kind: 'step' });
  return (
    <Question id="next-step" title={t.title}>
      <Answered work={work} asking={asking}>
        {(found) => <Found work={work} found={found} />}
      </Answered>
    </Question>
  );
}

function Found({ work, found }: { work: NextWork; found: OneStep }) {
  const { shelf, currency, year } = work;
  const name = itemNameOf(shelf);
  const [best] = found.things;
  const anyhow = found.unneeded.ids ?? [];
  return (
    <div className="space-y-4">
      <p role="status" className="max-w-prose font-semibold">
        {!best?.gains
          ? coversAll(work, found.before)
            ? nextText.worth.all
            : t.none
          : t.best(
              name(best.id),
              worthText(best.adds, year),
              best.netCost === null ? null : formatMoney(best.netCost, currency),
            )}
      </p>
      <div className="grid gap-x-10 gap-y-3 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
        <StepPlot work={work} things={found.things} />
        <div className="max-w-prose space-y-3">
          <p>{t.intro}</p>
          {anyhow.length > 0 && (
            <p>{t.sellAnyhow(anyhow.map(name), costText(found.unneeded.resale, currency, name))}</p>
          )}
        </div>
      </div>
      <Things work={work} things={found.things} />
      {found.notAsked.length > 0 && <p>{t.notAsked(found.notAsked.map(name))}</p>}
    </div>
  );
}

function Things({ work, things }: { work: NextWork; things: readonly NextThing[] }) {
  const heads = [t.item, t.adds, t.priceNew, t.priceUsed, t.unneeded, t.net];
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.table}>
      <table className="w-full border-collapse" data-testid="next-things">
        <TableHead heads={heads.map((text) => ({ text, isSecond: SECOND.has(text) }))} />
        <tbody>
          {things.map((thing, i) => (
            <Row key={thing.id} work={work} thing={thing} number={i + 1} />
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** What a phone has no room for. */
const SECOND: ReadonlySet<string> = new Set([t.priceNew, t.priceUsed, t.unneeded]);

function Row({ work, thing, number }: { work: NextWork; thing: NextThing; number: number }) {
  const { shelf, currency, year, names, question } = work;
  const name = itemNameOf(shelf);
  const money = (price: number | null) =>
    price === null ? (
      <span className="text-soft">{nextText.money.unknown}</span>
    ) : (
      formatMoney(price, currency)
    );
  const one = { all: 1, wanting: 1 };
  const where = thing.byOuting.flatMap((worth, at) => {
    const said = worthText(worth, one);
    return said === nextText.worth.nothing
      ? []
      : [t.inOuting(names[at] ?? '', question?.outings[at]?.timesAYear ?? 1) + `: ${said}`];
  });
  const frees = thing.unneeded.ids ?? [];
  return (
    <tr className="border-b border-hair align-top">
      <th scope="row" className="py-1 pr-4 text-left font-normal">
        <span className="mr-2 inline-block w-5 text-right text-soft tabular-nums">{number}</span>
        {name(thing.id)}
      </th>
      <td className="py-1 pr-4">
        {worthText(thing.adds, year)}
        {thing.changesSaved !== null && thing.changesSaved !== 0 && (
          <span className="block text-[13px] text-soft">{t.changes(thing.changesSaved)}</span>
        )}
        {names.length > 1 &&
          where.map((said) => (
            <span key={said} className="block text-[13px] text-soft">
              {said}
            </span>
          ))}
        {!thing.proven && (
          <span className="block text-[13px] text-soft">{nextText.worth.unproven}</span>
        )}
      </td>
      <td className="py-1 pr-4 max-sm:hidden">{money(thing.priceNew)}</td>
      <td className="py-1 pr-4 max-sm:hidden">{money(thing.priceUsed)}</td>
      <td className="py-1 pr-4 max-sm:hidden">
        {frees.length === 0
          ? t.nothingToSell
          : `${frees.map(name).join(', ')} (${costText(thing.unneeded.resale, currency, name)})`}
      </td>
      <td className="py-1 whitespace-nowrap">
        {thing.netCost !== null && thing.netCost < 0
          ? nextText.money.gain(formatMoney(-thing.netCost, currency))
          : money(thing.netCost)}
      </td>
    </tr>
  );
}
