'use client';

import { Dialog } from '@/ui';
import { SHORTCUTS } from './shortcuts';
import { workspaceText } from '@/text';

const t = workspaceText.shortcutsDialog;

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
    </Dialog>
  );
}
