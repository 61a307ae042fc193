'use client';

import Link from 'next/link';
import { Dialog } from '@/ui';
import { SHORTCUTS } from './shortcuts';
import { HELP_TITLES, HELP_TOPICS, helpTitleText, dialogText } from '@/text';

const t = dialogText.shortcutsDialog;

/** The short ways by keyboard. */
export function ShortcutsDialog(showing: { open: boolean; onOpenChange: (open: boolean) => void }) {
  return (
    <Dialog {...showing} title={t.keys} description={t.everythingWorksWithoutAMouse}>
      <dl className="grid grid-cols-[8rem_1fr] gap-y-1">
        {SHORTCUTS.map(([keys, what]) => (
          <div key={keys} className="contents">
            <dt className="font-semibold">{keys}</dt>
            <dd>{what}</dd>
          </div>
        ))}
      </dl>
      <h3 className="mt-4 mb-1 text-base">{helpTitleText.help}</h3>
      <ul>
        {HELP_TOPICS.map((topic) => (
          <li key={topic}>
            <Link
              className="underline"
              href={`/help?topic=${topic}`}
              onClick={() => showing.onOpenChange(false)}
            >
              {HELP_TITLES[topic]}
            </Link>
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
