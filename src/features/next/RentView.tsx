'use client';

import { useState } from 'react';
import { scaleLinear } from 'd3-scale';
import { type NextThing, type RentOrBuy, rentOrBuy } from '@/core/next';
import { AcrossMarks, AxisWords, marksOf, NumberField, SelectField, UpMarks } from '@/ui';
import { formatMoney, itemNameOf, nextText, worthText, moneySign } from '@/text';
import { Question } from './Question';
import { Answered } from './Answered';
import { useAsk } from './useAsk';
import type { NextWork } from './useNextWork';

const t = nextText.rent;

/** For one outing and one thing: a price a day against buying and selling again. */
export function RentView({ work }: { work: NextWork }) {
  const asking = useAsk<'step'>(work, { kind: 'step' });
  return (
    <Question id="next-rent" title={t.title}>
      <Answered work={work} asking={asking}>
        {({ things }) => <Terms work={work} things={things} />}
      </Answered>
    </Question>
  );
}

function Terms({ work, things }: { work: NextWork; things: readonly NextThing[] }) {
  const { shelf, settings, change, names, question } = work;
  const [item, setItem] = useState(things[0]?.id ?? '');
  const [at, setAt] = useState(0);
  const [perDay, setPerDay] = useState<number | null>(null);
  const [days, setDays] = useState<number | null>(work.days[0] ?? 1);
  const thing = things.find(({ id }) => id === item) ?? things[0];
  const outing = question?.outings[at];
  if (!thing || !outing) return <p>{nextText.page.noOutings}</p>;
  const name = itemNameOf(shelf);
  const { years } = settings;
  const isGiven = isPositive(days) && perDay !== null && perDay >= 0;
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap items-end gap-4">
        <SelectField
          label={t.item}
          value={thing.id}
          options={things.map(({ id }) => [id, name(id)])}
          onChange={setItem}
        />
        <SelectField
          label={t.outing}
          value={String(at)}
          options={names.map((n, i) => [String(i), n])}
          onChange={(next) => {
            setAt(Number(next));
            setDays(work.days[Number(next)] ?? 1);
          }}
        />
        <div className="w-28">
          <NumberField
            label={t.perDay}
            value={perDay}
            unit={moneySign(work.currency)}
            onChange={setPerDay}
          />
        </div>
        <div className="w-28">
          <NumberField label={t.days} value={days} onChange={setDays} />
        </div>
        <div className="w-36">
          <NumberField
            label={t.years}
            value={years}
            onChange={(next) => isPositive(next) && change({ years: next }, 'next years')}
          />
        </div>
      </div>
      <p>{t.adds(worthText(thing.byOuting[at]!, { all: 1, wanting: 1 }))}</p>
      {isGiven ? (
        <Compared
          work={work}
          found={rentOrBuy({
            pricePerDay: perDay,
            days,
            timesAYear: outing.timesAYear,
            years,
            price: thing.price,
            resale: thing.resale,
          })}
        />
      ) : (
        <p className="text-soft">{t.needsNumbers}</p>
      )}
    </div>
  );
}

const isPositive = (n: number | null): n is number => n !== null && n > 0;

function Compared({ work, found }: { work: NextWork; found: RentOrBuy }) {
  const money = (amount: number) => formatMoney(amount, work.currency);
  const { rent, buyAndSell, breakEvenDaysAYear, daysAYear, cheaper } = found;
  return (
    <div className="space-y-2" data-testid="rent-or-buy">
      {cheaper !== null && (
        <p role="status" className="font-semibold">
          {t.cheaper[cheaper]}
        </p>
      )}
      {buyAndSell !== null && <RentPlot work={work} found={found} level={buyAndSell} />}
      <p>{t.rent(money(rent))}</p>
      <p>{buyAndSell === null ? t.buyUnknown : t.buy(money(buyAndSell))}</p>
      {breakEvenDaysAYear !== null && <p>{t.breakEven(breakEvenDaysAYear, daysAYear)}</p>}
    </div>
  );
}

const WIDTH = 560;
const HEIGHT = 170;
const EDGE = { left: 64, right: 20, top: 26, bottom: 32 };

/** Renting rises with the days; buying and selling again stays. */
function RentPlot({ work, found, level }: { work: NextWork; found: RentOrBuy; level: number }) {
  const { rent, daysAYear, breakEvenDaysAYear } = found;
  const most = Math.max(daysAYear, breakEvenDaysAYear ?? 0) * 1.3;
  const perDay = rent / daysAYear;
  const x = scaleLinear()
    .domain([0, most])
    .range([EDGE.left, WIDTH - EDGE.right]);
  const y = scaleLinear()
    .domain([0, Math.max(perDay * most, level, 1)])
    .nice(4)
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t.chart}
      className="w-full max-w-2xl border border-hair bg-sheet"
    >
      <UpMarks
        marks={marksOf(y, 4, (value) => formatMoney(value, work.currency))}
        left={EDGE.left}
      />
      <AcrossMarks marks={marksOf(x, 6, String)} y={HEIGHT - 16} />
      <AxisWords x={WIDTH - EDGE.right} y={HEIGHT - 3} anchor="end">
        {t.daysAYear}
      </AxisWords>
      <text x={x(most)} y={y(perDay * most) - 8} textAnchor="end" fontSize={12} fill="var(--ink)">
        {t.renting}
      </text>
      <text x={x(0) + 6} y={y(level) - 6} fontSize={12} fill="var(--ink)">
        {t.buying}
      </text>
      <path
        d={`M${x(0)} ${y(0)}L${x(most)} ${y(perDay * most)}`}
        stroke="var(--got)"
        strokeWidth={2.5}
        fill="none"
      />
      <path
        d={`M${x(0)} ${y(level)}H${x(most)}`}
        stroke="var(--ink)"
        strokeWidth={1.5}
        strokeDasharray="5 4"
      />
      <circle
        cx={x(daysAYear)}
        cy={y(rent)}
        r={6}
        fill="var(--sheet)"
        stroke="var(--got)"
        strokeWidth={2}
      />
    </svg>
  );
}
