'use client';

import { Tabs } from 'radix-ui';
import type { ReactNode } from 'react';
import { TAB_LOOK, usePrinting } from '@/ui';
import { PAGE_VIEWS, type PageWithViews, type ViewKey } from './pageViews';

/** The views of a page, one question at a time; which is open stands in the address. */
export function Views<Page extends PageWithViews>({
  of,
  label,
  first,
  contents,
  selection: [asked, setView],
  beside,
  onPaper = [],
}: {
  readonly of: Page;
  readonly label: string;
  /** The view that the page opens on. */
  readonly first: ViewKey<Page>;
  readonly contents: Readonly<Record<ViewKey<Page>, ReactNode>>;
  /** Which is open, kept in the address; null for the first. */
  readonly selection: readonly [string | null, (view: string | null) => void];
  /** What stands beside the names of the views. */
  readonly beside?: ReactNode;
  /** What paper shows under the view that is open. */
  readonly onPaper?: readonly ViewKey<Page>[];
}) {
  const isPrinting = usePrinting();
  const views = PAGE_VIEWS[of] as readonly (readonly [ViewKey<Page>, string])[];
  const view = views.find(([key]) => key === asked)?.[0] ?? first;
  return (
    <Tabs.Root value={view} onValueChange={(next) => setView(next === first ? null : next)}>
      <div className="flex flex-wrap items-end justify-between gap-x-6 gap-y-2 border-b border-ink print:hidden">
        <Tabs.List aria-label={label} className="flex flex-wrap gap-1">
          {views.map(([key, name]) => (
            <Tabs.Trigger key={key} value={key} className={TAB_LOOK}>
              {name}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        {beside}
      </div>
      {views.map(([key]) => (
        <Tabs.Content key={key} value={key} tabIndex={-1} className="pt-4">
          {contents[key]}
        </Tabs.Content>
      ))}
      {isPrinting &&
        onPaper.filter((key) => key !== view).map((key) => <div key={key}>{contents[key]}</div>)}
    </Tabs.Root>
  );
}
