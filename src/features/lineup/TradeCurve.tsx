'use client';

import { scaleLinear } from 'd3-scale';
import { useState } from 'react';
import { lensesFirst } from '@/core/gear';
import type { TradePoint } from '@/core/lineup';
import { useFile } from '@/session';
import {
  buySteps,
  digits,
  formatMoney,
  formatPercent,
  aboutWeight,
  formatWeight,
  lineupText,
  plainList,
  wantsGotSteps,
  weightSteps,
} from '@/text';
import { Figure } from '@/parts';
import { AcrossMarks, marksOf, UpMarks, TableHead } from '@/ui';
import { CompareButton } from './CompareScores';
import { TakeButton } from './TakeButton';

const t = lineupText.tradeCurve;

const WIDTH = 800;
const HEIGHT = 260;
const EDGE = { left: 44, right: 24, top: 24, bottom: 34 };
/** The share of the wanted pictures is marked in steps of so many percent. */
const STEP_PERCENT = 25;

/** The lineups that nothing beats, by weight and wanted pictures, each to be picked; the table says the same. */
export function TradeCurve({
  points,
  proposed,
  name,
  currency,
}: {
  points: readonly TradePoint[];
  /** What the lineup in sight comes to, on the same axes. */
  proposed: Proposed;
  name: (id: string) => string;
  currency: string;
}) {
  const [pointed, setPointed] = useState<TradePoint | null>(null);
  if (points.length === 0) return null;
  return (
    <div>
      <h3 className="text-base">{t.whatMoreOrLessBuys}</h3>
      <Drawing points={points} proposed={proposed} pointed={pointed} onPoint={setPointed} />
      <p className="text-[13px] text-soft">{t.upShareOfTheWanted}</p>
      <PointTable {...{ points, name, currency, pointed }} onPoint={setPointed} />
    </div>
  );
}

type Proposed = Pick<TradePoint, 'weightG' | 'wantsPercent' | 'items' | 'pieceIds'>;

interface Pointing {
  readonly points: readonly TradePoint[];
  readonly pointed: TradePoint | null;
  readonly onPoint: (point: TradePoint) => void;
}

function Drawing({
  points,
  proposed,
  pointed,
  onPoint,
}: Pointing & { readonly proposed: Proposed }) {
  const { x, y } = axesOf([...points, proposed]);
  return (
    <svg
      viewBox={`0 0 ${WIDTH} ${HEIGHT}`}
      role="img"
      aria-label={t.lineupsByWeightAndWanted(points.length)}
      className="mt-1 w-full max-w-3xl border border-hair bg-sheet"
      data-testid="trade-curve"
    >
      <UpMarks marks={marksOf(y, 4, formatPercent)} left={EDGE.left} right={WIDTH - EDGE.right} />
      <AcrossMarks marks={marksOf(x, 5, formatWeight)} y={HEIGHT - 12} />
      {points.map((p) => (
        <g
          key={p.pieceIds.join()}
          transform={`translate(${x(p.weightG)} ${y(p.wantsPercent)})`}
          onPointerEnter={() => onPoint(p)}
        >
          <circle
            r={10}
            fill={p === pointed ? 'var(--got)' : 'var(--sheet)'}
            stroke="var(--got)"
            strokeWidth={p.spend > 0 ? 1 : 2.5}
            strokeDasharray={p.spend > 0 ? '3 2' : undefined}
          />
          <text
            y={4}
            textAnchor="middle"
            fontSize={11}
            fill={p === pointed ? 'var(--sheet)' : 'var(--ink)'}
          >
            {digits(p.items, 1)}
          </text>
        </g>
      ))}
      <g
        transform={`translate(${x(proposed.weightG)} ${y(proposed.wantsPercent)})`}
        data-testid="trade-proposed"
        pointerEvents="none"
      >
        <path d="M-16 0L0 -16L16 0L0 16Z" fill="none" stroke="var(--ink)" strokeWidth={2} />
      </g>
    </svg>
  );
}

/** The same, point by point, each figure with its arithmetic. */
function PointTable({
  points,
  pointed,
  onPoint,
  name,
  currency,
}: Pointing & { readonly name: (id: string) => string; readonly currency: string }) {
  const file = useFile();
  const lineupOf = ({ pieceIds }: TradePoint) =>
    plainList(lensesFirst(file.shelf, pieceIds).map(name));
  // The curve weighs what is taken; bodies are the same all along it.
  const uncounted = { ...file, limits: { ...file.limits, countBodies: false } };
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.tradeOff}>
      <table className="w-full border-collapse">
        <TableHead
          heads={[
            t.items,
            t.weight,
            t.toBuy,
            t.wants,
            t.lineup,
            t.step,
            { text: t.actions, isSaidOnly: true },
          ]}
        />
        <tbody>
          {points.map((p, i) => (
            <tr
              key={p.pieceIds.join()}
              className={`border-b border-hair align-top ${p === pointed ? 'bg-chosen' : ''}`}
              onPointerEnter={() => onPoint(p)}
            >
              <td className="py-1 pr-4">{digits(p.items, 1)}</td>
              <td className="py-1 pr-4 whitespace-nowrap">
                <Figure
                  label={t.weightOf(plainList(p.pieceIds.map(name)))}
                  steps={() => weightSteps(uncounted, p.pieceIds)}
                >
                  {aboutWeight(p.weightG, p.weightUnknown.length > 0)}
                </Figure>
              </td>
              <td className="py-1 pr-4 whitespace-nowrap">
                <Figure
                  label={t.toBuyFor(plainList(p.pieceIds.map(name)))}
                  steps={() => buySteps(file, p.pieceIds)}
                >
                  {formatMoney(p.spend, currency)}
                </Figure>
              </td>
              <td className="py-1 pr-4 whitespace-nowrap">
                <Figure
                  label={t.wantsCoveredBy(plainList(p.pieceIds.map(name)))}
                  steps={() => wantsGotSteps(file, p.got)}
                >
                  {formatPercent(p.wantsPercent)}
                </Figure>
              </td>
              <td className="py-1 pr-4">{lineupOf(p)}</td>
              <td className="py-1 pr-4 text-[13px] text-soft">
                {i > 0 && stepText(points[i - 1]!, p, name, currency)}
              </td>
              <td className="py-1 text-right">
                <span className="flex justify-end gap-2">
                  <CompareButton what={{ itemIds: p.pieceIds }} name={lineupOf(p)} />
                  <TakeButton itemIds={p.pieceIds} name={name} />
                </span>
              </td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** Room beside the lightest and the heaviest lineup, as a share of what lies between. */
const ROOM = 0.06;

function axesOf(points: readonly Pick<TradePoint, 'weightG' | 'wantsPercent'>[]) {
  const weights = points.map((p) => p.weightG);
  const [least, most] = [Math.min(...weights), Math.max(...weights)];
  const spread = Math.max(most - least, 100);
  const x = scaleLinear()
    .domain([least - ROOM * spread, most + ROOM * spread])
    .range([EDGE.left, WIDTH - EDGE.right]);
  const lowest = Math.min(
    100 - STEP_PERCENT,
    STEP_PERCENT * Math.floor(Math.min(...points.map((p) => p.wantsPercent)) / STEP_PERCENT),
  );
  const y = scaleLinear()
    .domain([lowest, 100])
    .range([HEIGHT - EDGE.bottom, EDGE.top]);
  return { x, y };
}

/** What the step from one point to the next buys, and for what. */
function stepText(
  before: TradePoint,
  after: TradePoint,
  name: (id: string) => string,
  currency: string,
): string {
  const had = new Set(before.got);
  const has = new Set(after.got);
  const grams = after.weightG - before.weightG;
  const money = after.spend - before.spend;
  const items = after.items - before.items;
  return t.buys(
    [
      items === 0 ? '' : t.moreItems(items),
      grams === 0 ? '' : t.more(formatWeight(Math.abs(grams)), grams > 0),
      money === 0 ? '' : t.more(formatMoney(Math.abs(money), currency), money > 0),
    ].filter(Boolean),
    after.got.filter((id) => !had.has(id)).map(name),
    before.got.filter((id) => !has.has(id)).map(name),
  );
}
