'use client';

import { useEffect, useRef, useState } from 'react';
import type { AimName, LineupQuestion, LineupRivals, Rival, TradePoint } from '@/core/lineup';
import { namesOf } from '@/document';
import { useFile } from '@/session';
import { Button, formatCount, formatMoney, formatPercent, formatWeight } from '@/ui';
import { exploreRivals } from '@/workers/rivalsClient';

type State =
  | { readonly kind: 'idle' }
  | { readonly kind: 'looking'; readonly done: number }
  | { readonly kind: 'found'; readonly rivals: LineupRivals | null }
  | { readonly kind: 'failed'; readonly message: string };

const IDLE: State = { kind: 'idle' };

/** What stands beside the best lineup; looked for when asked, and again when the outing changes. */
export function Rivals({ question }: { question: LineupQuestion }) {
  const [held, setHeld] = useState<{ state: State; question: LineupQuestion | null }>({
    state: IDLE,
    question: null,
  });
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), [question]);
  const setState = (state: State) => setHeld({ state, question });
  // What was found for another question never shows beside this one.
  const state = held.question === question ? held.state : IDLE;
  const look = () => {
    setState({ kind: 'looking', done: 0 });
    stop.current = exploreRivals(question, {
      progress: (done) => setState({ kind: 'looking', done }),
      done: (rivals) => setState({ kind: 'found', rivals }),
      failed: (message) => setState({ kind: 'failed', message }),
    });
  };
  return (
    <section aria-labelledby="rivals">
      <h2 id="rivals" className="mb-1 text-lg">
        Other lineups
      </h2>
      {state.kind === 'idle' && (
        <p className="flex flex-wrap items-center gap-3">
          Equally good ones, other kinds, what more or less weight and money would get, and what to
          do when a lens breaks.
          <Button onClick={look}>Look beside this one</Button>
        </p>
      )}
      {state.kind === 'looking' && (
        <p className="flex items-center gap-3">
          <progress aria-label="Looking beside the best lineup" value={state.done} max={1} />
          <Button
            onClick={() => {
              stop.current();
              setState(IDLE);
            }}
          >
            Stop
          </Button>
        </p>
      )}
      {state.kind === 'failed' && (
        <p className="text-wrong">Nothing could be looked at beside it: {state.message}</p>
      )}
      {state.kind === 'found' && state.rivals && <Found rivals={state.rivals} />}
    </section>
  );
}

function Found({ rivals }: { rivals: LineupRivals }) {
  const file = useFile();
  const name = namesOf(file);
  const { currency } = file.outing;
  const names = (ids: readonly string[]) => ids.map(name).join(', ') || 'nothing';
  const out = rivals.lensesOut.filter((o) => o.difference !== null);
  return (
    <div className="space-y-5" data-testid="rivals">
      {!rivals.complete && <p>Time ran out; this is what was found until then.</p>}
      <List
        title={
          rivals.ties.length === 0
            ? 'No other lineup is as good'
            : `${formatCount(rivals.ties.length, 'other is', 'others are')} as good${rivals.tiesComplete ? '' : ', and there are more'}`
        }
        rows={rivals.ties.map((r) => [names(r.pieceIds), ''])}
      />
      <List
        title="Next best of another kind"
        rows={rivals.next.map((r) => [names(r.pieceIds), worseText(r, currency)])}
      />
      <TradeTable points={rivals.tradeOff.points} name={name} currency={currency} />
      <List
        title="If it breaks"
        rows={rivals.ifBreaks.map((b) => [
          name(b.lensId),
          b.lost.length === 0
            ? 'the others get all the same'
            : `loses ${names(b.lost)}; ${
                b.repair.length === 0
                  ? 'nothing on the shelf mends it'
                  : `take ${names(b.repair)}${b.lostAfterRepair.length > 0 ? `, and still lose ${names(b.lostAfterRepair)}` : ' instead'}`
              }`,
        ])}
      />
      <List
        title="What would bring others in"
        rows={out.map((o) => [name(o.lensId), bringInText(o.difference, currency)])}
      />
    </div>
  );
}

function List({ title, rows }: { title: string; rows: readonly (readonly [string, string])[] }) {
  return (
    <div>
      <h3 className="text-base">{title}</h3>
      {rows.length > 0 && (
        <ul>
          {rows.map(([what, about]) => (
            <li key={what} className="border-b border-hair py-1">
              {what}
              {about !== '' && <span className="block text-[13px] text-soft">{about}</span>}
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

function TradeTable({
  points,
  name,
  currency,
}: {
  points: readonly TradePoint[];
  name: (id: string) => string;
  currency: string;
}) {
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Trade-off">
      <h3 className="text-base">What more or less would get</h3>
      <table className="w-full border-collapse">
        <thead>
          <tr className="border-b border-ink text-left text-[12px] text-soft">
            {['Lenses', 'Weight', 'To buy', 'Wants', 'Lineup'].map((h) => (
              <th key={h} scope="col" className="py-1 pr-4 font-normal">
                {h}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {points.map((p) => (
            <tr key={p.pieceIds.join()} className="border-b border-hair align-top">
              <td className="py-1 pr-4">{p.lenses}</td>
              <td className="py-1 pr-4 whitespace-nowrap">
                {formatWeight(p.weightG)}
                {p.weightUnknown.length > 0 && ` + ${p.weightUnknown.length} unknown`}
              </td>
              <td className="py-1 pr-4 whitespace-nowrap">{formatMoney(p.spend, currency)}</td>
              <td className="py-1 pr-4 whitespace-nowrap">{formatPercent(p.wantsPercent)}</td>
              <td className="py-1">{p.pieceIds.map(name).join(', ')}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

/** How much an aim is off, with its unit. */
function amountText(aim: AimName, by: number, currency: string): string {
  switch (aim) {
    case 'musts':
      return formatCount(by, 'must lost', 'musts lost');
    case 'wants':
      return `${formatPercent(by)} of the wanted pictures`;
    case 'pieces':
      return formatCount(by, 'piece', 'pieces');
    case 'weight':
      return formatWeight(by);
    case 'weightUnknown':
      return formatCount(by, 'unknown weight', 'unknown weights');
    case 'price':
      return formatMoney(by, currency);
    case 'priceUnknown':
      return formatCount(by, 'unknown price', 'unknown prices');
    case 'speed':
      return formatCount(
        by,
        'picture with a stop less in hand',
        'pictures with a stop less in hand',
      );
    case 'changes':
      return formatCount(by, 'change', 'changes');
    case 'crop':
      return formatCount(by, 'picture cropped', 'pictures cropped');
    case 'own':
      return formatCount(by, 'piece not owned', 'pieces not owned');
    case 'bonus':
      return formatCount(by, 'bonus lost', 'bonuses lost');
    case 'order':
      return 'nothing but the order of names';
  }
}

function worseText({ worse }: Rival, currency: string): string {
  if (worse === null) return 'equally good';
  const amount = amountText(worse.aim, Math.abs(worse.by), currency);
  return worse.by > 0 ? `worse by ${amount}` : `better by ${amount}`;
}

function bringInText(
  difference: { readonly aim: AimName; readonly by: number } | null,
  currency: string,
): string {
  if (difference === null) return '';
  const { aim, by } = difference;
  const amount = amountText(aim, Math.abs(by), currency);
  if (by < 0) return `would save ${amount} if it might be used`;
  if (aim === 'wants')
    return `would come in if it brought ${formatPercent(by)} more of the wanted pictures`;
  if (aim === 'weight') return `would be as good if it were ${amount} lighter`;
  if (aim === 'price') return `would be as good if it were ${amount} cheaper`;
  return `would take ${amount} more`;
}
