'use client';

import { type BuyingPath, type BuyOnce, stepsToEqual, type YearWorth } from '@/core/next';
import { MOST_STEPS } from '@/document';
import { FormNumber, Tick, TableHead } from '@/ui';
import { costText, formatMoney, itemNameOf, nextText, moneySign } from '@/text';
import type { Buying } from '@/workers/backgroundClient';
import { Question } from './Question';
import { Answered, Proof } from './Answered';
import { Staircase, type StairPoint } from './Staircase';
import { TermsForm } from './TermsForm';
import { useAsk } from './useAsk';
import type { NextWork } from './useNextWork';
import { coversAll, coversText, mustsOf, wantsPercent } from './yearText';

const t = nextText.buy;

/** The best set at once beside the best order one piece at a time. */
export function BuyView({ work }: { work: NextWork }) {
  const { settings, change } = work;
  const { budget, stepBudget, steps, saves } = settings;
  const asking = useAsk<'buy'>(work, { kind: 'buy', budget, path: { stepBudget, steps, saves } });
  return (
    <Question id="next-buy" title={t.title}>
      <TermsForm work={work} label={t.title}>
        <div className="flex flex-wrap items-end gap-4">
          <div className="w-36">
            <FormNumber
              name="budget"
              label={t.budget}
              unit={moneySign(work.currency)}
              placeholder={t.noLimit}
            />
          </div>
          <div className="w-36">
            <FormNumber name="stepBudget" label={t.stepBudget} unit={moneySign(work.currency)} />
          </div>
          <div className="w-20">
            <FormNumber name="steps" label={`${t.steps} (1–${MOST_STEPS})`} />
          </div>
          <Tick label={t.saves} on={saves} onChange={(on) => change({ saves: on })} />
        </div>
      </TermsForm>
      <Answered work={work} asking={asking}>
        {(found) => <Found work={work} found={found} />}
      </Answered>
    </Question>
  );
}

function Found({ work, found: { once, path } }: { work: NextWork; found: Buying }) {
  const before = once?.before ?? path?.before;
  if (!before) return <p>{nextText.page.outOfTime}</p>;
  const name = itemNameOf(work.shelf);
  const isSomething = stepsUp(path).length > 0 || (once?.boughtIds ?? []).length > 0;
  return (
    <div className="grid gap-x-10 gap-y-5 lg:grid-cols-[minmax(0,3fr)_minmax(0,2fr)]">
      {isSomething && (
        <Staircase
          now={pointOf(work, before, 0, t.now)}
          steps={stepsUp(path).map((s) =>
            pointOf(work, s.with, s.spent, s.boughtId === null ? '' : name(s.boughtId)),
          )}
          once={
            once && once.cost.unknown.length === 0
              ? pointOf(work, once.with, once.cost.known, t.once)
              : null
          }
          mustsOf={mustsOf(work)}
          currency={work.currency}
        />
      )}
      <div className="space-y-5">
        {path ? <Path work={work} path={path} once={once} /> : <p>{nextText.page.outOfTime}</p>}
        {once ? <Once work={work} once={once} /> : <p>{nextText.page.outOfTime}</p>}
      </div>
    </div>
  );
}

/** The steps up to the last that buys something: where nothing more adds anything the staircase ends. */
function stepsUp(path: BuyingPath | null) {
  const steps = path?.steps ?? [];
  return steps.slice(0, steps.findLastIndex(({ boughtId }) => boughtId !== null) + 1);
}

function pointOf(work: NextWork, worth: YearWorth, spent: number, label: string): StairPoint {
  return { spent, musts: worth.year.musts, wants: wantsPercent(work, worth), label };
}

function Once({ work, once }: { work: NextWork; once: BuyOnce }) {
  const { currency, shelf } = work;
  const name = itemNameOf(shelf);
  const frees = once.unneeded.ids ?? [];
  const resale = once.resale;
  return (
    <div className="space-y-2" data-testid="buy-once">
      <h3 className="text-base">{`◆ ${t.once}`}</h3>
      <p className="font-semibold">
        {once.boughtIds.length === 0 && coversAll(work, once.before)
          ? nextText.worth.all
          : t.onceBuys(once.boughtIds.map(name), costText(once.cost, currency, name))}
      </p>
      <p>{coversText(work, once.with)}</p>
      <Proof open={once.open} proven={t.proven} work={work} />
      {frees.length > 0 && (
        <p>{t.freed(frees.map(name), costText(once.unneeded.resale, currency, name))}</p>
      )}
      {once.boughtIds.length > 0 && <InTheEnd work={work} cost={once.cost} resale={resale} />}
      {once.priceUnknown.length > 0 && (
        <p className="text-[13px] text-soft">{t.priceUnknown(once.priceUnknown.map(name))}</p>
      )}
    </div>
  );
}

function Path({ work, path, once }: { work: NextWork; path: BuyingPath; once: BuyOnce | null }) {
  const equal = once && stepsToEqual(path, once.with);
  const steps = stepsUp(path);
  return (
    <div className="space-y-2" data-testid="buy-path">
      <h3 className="text-base">{t.path}</h3>
      {steps.length === 0 ? (
        <p>{coversAll(work, path.before) ? nextText.worth.all : t.noStep}</p>
      ) : (
        <Steps work={work} steps={steps} />
      )}
      {steps.length > 0 && steps.length < path.steps.length && <p>{t.stairEnds}</p>}
      <Proof open={path.open} proven={t.pathProven} work={work} />
      {once && once.boughtIds.length > 0 && (
        <p>{equal === null ? t.neverEqual : t.equalAfter(equal)}</p>
      )}
      {path.cost.known > 0 && <InTheEnd work={work} cost={path.cost} resale={path.resale} />}
    </div>
  );
}

function Steps({ work, steps }: { work: NextWork; steps: BuyingPath['steps'] }) {
  const name = itemNameOf(work.shelf);
  return (
    <table className="w-full border-collapse">
      <TableHead heads={[t.stepHead, t.buys, t.total, t.gets]} />
      <tbody>
        {steps.map((step, i) => (
          <tr key={i} className="border-b border-hair align-top">
            <th scope="row" className="py-1 pr-3 text-left font-normal tabular-nums">
              {i + 1}
            </th>
            <td className="py-1 pr-3">
              {step.boughtId === null ? (
                <span className="text-soft">{t.wait}</span>
              ) : (
                name(step.boughtId)
              )}
            </td>
            <td className="py-1 pr-3 whitespace-nowrap">
              {formatMoney(step.spent, work.currency)}
            </td>
            <td className="py-1">{coversText(work, step.with)}</td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

function InTheEnd({
  work: { currency, shelf },
  cost,
  resale,
}: {
  work: NextWork;
  cost: BuyOnce['cost'];
  resale: BuyOnce['cost'];
}) {
  const name = itemNameOf(shelf);
  const unknown = [...new Set([...cost.unknown, ...resale.unknown])];
  const money = (amount: number) => formatMoney(amount, currency);
  return (
    <p className="text-[13px] text-soft">
      {`${t.compared}: `}
      {unknown.length > 0
        ? t.resaleUnknown(costText(cost, currency, name), unknown.map(name))
        : t.afterResale(money(cost.known), money(resale.known), money(cost.known - resale.known))}
    </p>
  );
}
