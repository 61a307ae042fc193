'use client';

import type { AimName, IfBreaks, LineupQuestion, LineupRivals, Rival } from '@/core/lineup';
import { namesOf } from '@/document';
import { useFile } from '@/session';
import { Button, formatCount, formatMoney, formatPercent, formatWeight } from '@/ui';
import { exploreRivals } from '@/workers/rivalsClient';
import { Looking } from './Looking';
import { TakeButton } from './TakeButton';
import { TradeCurve } from './TradeCurve';
import { useBackground } from './useBackground';

/** What stands beside the best lineup; looked for when asked, and again when the outing changes. */
export function Rivals({ question }: { question: LineupQuestion }) {
  const { state, start, stop } = useBackground<LineupRivals | null>(question);
  return (
    <section aria-labelledby="rivals">
      <h2 id="rivals" className="mb-1 text-lg">
        Other lineups
      </h2>
      {state.kind === 'idle' && (
        <p className="flex flex-wrap items-center gap-3">
          Equally good ones, other kinds, what more or less weight and money would get, and what to
          do when a lens breaks.
          <Button onClick={() => start((report) => exploreRivals(question, report))}>
            Look beside this one
          </Button>
        </p>
      )}
      {state.kind === 'looking' && (
        <Looking label="Looking beside the best lineup" done={state.done} onStop={stop} />
      )}
      {state.kind === 'failed' && (
        <p className="text-wrong">Nothing could be looked at beside it: {state.message}</p>
      )}
      {state.kind === 'found' && state.found && <Found rivals={state.found} />}
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
        rows={rivals.ties.map((r) => ({ what: names(r.pieceIds), take: r.pieceIds }))}
      />
      <List
        title="Next best of another kind"
        rows={rivals.next.map((r) => ({
          what: names(r.pieceIds),
          about: worseText(r, currency),
          take: r.pieceIds,
        }))}
      />
      <TradeCurve points={rivals.tradeOff.points} name={name} currency={currency} />
      <List
        title="If it breaks"
        rows={rivals.ifBreaks.map((b) => ({ what: name(b.lensId), about: breakText(b, names) }))}
      />
      <List
        title="What would bring others in"
        rows={out.map((o) => ({
          what: name(o.lensId),
          about: bringInText(o.difference, currency),
          take: o.withIt,
        }))}
      />
    </div>
  );
}

function breakText(b: IfBreaks, names: (ids: readonly string[]) => string): string {
  if (b.lost.length === 0) return 'the others get all the same';
  const still =
    b.lostAfterRepair.length > 0 ? `, and still lose ${names(b.lostAfterRepair)}` : ' instead';
  const mend =
    b.repair.length === 0 ? 'nothing on the shelf mends it' : `take ${names(b.repair)}${still}`;
  return `loses ${names(b.lost)}; ${mend}`;
}

interface Row {
  readonly what: string;
  readonly about?: string;
  /** Pieces of a lineup that can be taken as it is. */
  readonly take?: readonly string[];
}

function List({ title, rows }: { title: string; rows: readonly Row[] }) {
  const name = namesOf(useFile());
  return (
    <div>
      <h3 className="text-base">{title}</h3>
      {rows.length > 0 && (
        <ul>
          {rows.map(({ what, about, take }) => (
            <li
              key={what}
              className="flex items-start justify-between gap-4 border-b border-hair py-1"
            >
              <span>
                {what}
                {about && <span className="block text-[13px] text-soft">{about}</span>}
              </span>
              {take && <TakeButton pieceIds={take} name={name} />}
            </li>
          ))}
        </ul>
      )}
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
