'use client';

import { Button, Menu } from '@/ui';
import type { OutingAction } from './useOutingActions';
import { dialogText } from '@/text';

const t = dialogText.outingMenu;

/** What can be done with outings; open as soon as it is there, since it is loaded when asked for. */
export function OutingMenu({ actions }: { actions: readonly (readonly OutingAction[])[] }) {
  return (
    <Menu
      defaultOpen
      trigger={<Button>{t.outing}</Button>}
      groups={actions.map((group) =>
        group.map(({ label, hint, run }) => ({
          label,
          ...(hint === undefined ? {} : { hint }),
          onSelect: run,
        })),
      )}
    />
  );
}
