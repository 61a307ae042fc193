'use client';

import Link from 'next/link';
import { Tabs } from 'radix-ui';
import { itemsOf } from '@/core/gear';
import { useSelection } from '@/session';
import { nextText } from '@/text';
import { HelpLink } from '@/parts';
import { Button } from '@/ui';
import { BuyView } from './BuyView';
import { CamerasNamed } from './CamerasNamed';
import { MissingView } from './MissingView';
import { OutingsAndTerms, OutingsInSight } from './OutingsAndTerms';
import { RentView } from './RentView';
import { SellView } from './SellView';
import { StepView } from './StepView';
import { SwapView } from './SwapView';
import { type NextWork, useNextWork } from './useNextWork';

const t = nextText.page;

const VIEWS = [
  ['missing', t.missing, MissingView],
  ['step', t.step, StepView],
  ['buy', t.buy, BuyView],
  ['sell', t.sell, SellView],
  ['swap', t.swap, SwapView],
  ['rent', t.rent, RentView],
] as const;

const TAB =
  'border-b-2 border-transparent px-2 py-1 hover:bg-chosen data-[state=active]:border-ink data-[state=active]:font-semibold';

/** Where the next money does most, over all the outings that are chosen. */
export function NextPage() {
  const work = useNextWork();
  const [view, setView] = useSelection('view');
  // Without wishes there is nothing to compare, but something may be missing.
  const isUnwished = hasNoWishes(work);
  const first = isUnwished ? 'missing' : 'step';
  return (
    <div className="space-y-4 pt-4">
      <div className="flex flex-wrap items-baseline justify-between gap-x-6">
        <span className="flex items-center">
          <h1 className="text-xl">{t.next}</h1>
          <HelpLink topic="choice" />
        </span>
        <p className="text-soft">{t.over(work.names.length, work.year.all)}</p>
      </div>
      <CamerasNamed work={work} />
      <OutingsInSight work={work} />
      <OutingsAndTerms work={work} />
      <Tabs.Root value={view ?? first} onValueChange={setView}>
        <Tabs.List aria-label={t.views} className="flex flex-wrap gap-1 border-b border-ink">
          {VIEWS.map(([key, name]) => (
            <Tabs.Trigger key={key} value={key} className={TAB}>
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {VIEWS.map(([key, , View]) => (
          <Tabs.Content key={key} value={key} tabIndex={-1} className="pt-4">
            {WISHES_ASKED.has(key) && isUnwished ? (
              <NothingWished onMissing={() => setView('missing')} />
            ) : (
              <View work={work} />
            )}
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </div>
  );
}

/** What has no answer without a wish. */
const WISHES_ASKED: ReadonlySet<string> = new Set(['step', 'buy', 'swap', 'rent']);

const hasNoWishes = ({ shelf }: NextWork) =>
  itemsOf(shelf).every((item) => item.ownership !== 'wished');

function NothingWished({ onMissing }: { onMissing: () => void }) {
  return (
    <div className="max-w-prose space-y-2">
      <p>
        {t.nothingWished}{' '}
        <Link href="/shelf" className="underline">
          {t.toShelf}
        </Link>
      </p>
      <Button onClick={onMissing}>{t.seeMissing}</Button>
    </div>
  );
}
