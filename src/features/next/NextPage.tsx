'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import { itemsOf } from '@/core/gear';
import { useSelection } from '@/session';
import { nextText } from '@/text';
import { HelpLink, viewHref, Views } from '@/parts';
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

/** Where the next money does most, over all the outings that are chosen. */
export function NextPage() {
  const work = useNextWork();
  const selection = useSelection('view');
  // Without wishes there is nothing to compare, but something may be missing.
  const isUnwished = hasNoWishes(work);
  const wished = (view: ReactNode) => (isUnwished ? <NothingWished /> : view);
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
      <Views
        of="/next"
        label={t.views}
        first={isUnwished ? 'missing' : 'step'}
        selection={selection}
        contents={{
          missing: <MissingView work={work} />,
          step: wished(<StepView work={work} />),
          buy: wished(<BuyView work={work} />),
          sell: <SellView work={work} />,
          swap: wished(<SwapView work={work} />),
          rent: wished(<RentView work={work} />),
        }}
      />
    </div>
  );
}

const hasNoWishes = ({ shelf }: NextWork) =>
  itemsOf(shelf).every((item) => item.ownership !== 'wished');

/** What has no answer without a wish. */
function NothingWished() {
  return (
    <div className="max-w-prose space-y-2">
      <p>
        {t.nothingWished}{' '}
        <Link href="/shelf" className="underline">
          {t.toShelf}
        </Link>
      </p>
      <Link prefetch={false} href={viewHref('/next', 'missing')} className="underline">
        {t.seeMissing}
      </Link>
    </div>
  );
}
