'use client';

import type { Exchange, Swapping } from '@/core/next';
import { FormNumber, TableHead } from '@/ui';
import { costText, formatMoney, itemNameOf, listOf, nextText, moneySign } from '@/text';
import { Question } from './Question';
import { Answered, Proof } from './Answered';
import { TermsForm } from './TermsForm';
import { useAsk } from './useAsk';
import type { NextWork } from './useNextWork';
import { coversText } from './yearText';

const t = nextText.swap;

/** The best exchanges, and every other system as a whole. */
export function SwapView({ work }: { work: NextWork }) {
  const { settings, currency } = work;
  const asking = useAsk<'swap'>(work, { kind: 'swap', money: settings.swapMoney });
  return (
    <Question id="next-swap" title={t.title}>
      <TermsForm work={work} label={t.title}>
        <div className="w-40">
          <FormNumber name="swapMoney" label={t.money} unit={moneySign(currency)} />
        </div>
      </TermsForm>
      <Answered work={work} asking={asking}>
        {(found) => <Found work={work} found={found} />}
      </Answered>
    </Question>
  );
}

function Found({ work, found }: { work: NextWork; found: Swapping }) {
  const name = itemNameOf(work.shelf);
  const exchanges = found.exchanges.filter((e) => e.boughtIds.length + e.soldIds.length > 0);
  return (
    <div className="space-y-6">
      <div className="space-y-2">
        <h3 className="text-base">{t.best}</h3>
        {exchanges.length === 0 ? (
          <p>{t.nothing}</p>
        ) : (
          <Table
            work={work}
            label={t.best}
            rows={exchanges.map((exchange, i) => ({ head: String(i + 1), exchange }))}
          />
        )}
      </div>
      {found.systems.length > 0 && (
        <div className="space-y-2">
          <h3 className="text-base">{t.systems}</h3>
          <Table
            work={work}
            label={t.systems}
            rows={found.systems.map(({ system, exchange, stays }) => ({
              head: nextText.systemName(system),
              exchange,
              why:
                stays.length > 0
                  ? t.stays(stays.map(({ id, why }) => `${name(id)} (${nextText.sell.why[why]})`))
                  : t.outOfReach,
            }))}
          />
          <p className="text-[13px] text-soft">{t.systemsIntro}</p>
        </div>
      )}
      {found.cut && <p>{t.cut}</p>}
      {found.priceUnknown.length > 0 && (
        <p className="text-[13px] text-soft">
          {nextText.buy.priceUnknown(found.priceUnknown.map(name))}
        </p>
      )}
    </div>
  );
}

interface TableProps {
  readonly work: NextWork;
  readonly label: string;
  readonly rows: readonly {
    readonly head: string;
    readonly exchange: Exchange | null;
    /** Why there is none. */
    readonly why?: string;
  }[];
}

function Table({ work, label, rows }: TableProps) {
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={label}>
      <table className="w-full border-collapse">
        <TableHead
          heads={[{ text: label, isSaidOnly: true }, t.buys, t.sells, t.inTheEnd, t.covers]}
        />
        <tbody>
          {rows.map(({ head, exchange, why }) => (
            <tr key={head} className="border-b border-hair align-top">
              <th scope="row" className="py-1 pr-4 text-left font-normal whitespace-nowrap">
                {head}
              </th>
              {exchange === null ? (
                <td colSpan={4} className="py-1 text-soft">
                  {why}
                </td>
              ) : (
                <Cells work={work} exchange={exchange} />
              )}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

function Cells({ work, exchange }: { work: NextWork; exchange: Exchange }) {
  const { shelf, currency } = work;
  const name = itemNameOf(shelf);
  const some = (ids: readonly string[]) =>
    ids.length === 0 ? t.everythingElse : listOf(ids.map(name));
  const net = exchange.taken.known - exchange.paid.known;
  return (
    <>
      <td className="py-1 pr-4">
        {some(exchange.boughtIds)}
        {exchange.boughtIds.length > 0 && (
          <span className="block text-[13px] text-soft">
            {costText(exchange.paid, currency, name)}
          </span>
        )}
      </td>
      <td className="py-1 pr-4">
        {some(exchange.soldIds)}
        {exchange.soldIds.length > 0 && (
          <span className="block text-[13px] text-soft">
            {costText(exchange.taken, currency, name)}
          </span>
        )}
      </td>
      <td className="py-1 pr-4 whitespace-nowrap">
        {net >= 0 ? nextText.money.gain(formatMoney(net, currency)) : formatMoney(-net, currency)}
      </td>
      <td className="py-1">
        {coversText(work, exchange.with)}
        <Proof open={exchange.open} proven={t.proven} work={work} />
      </td>
    </>
  );
}
