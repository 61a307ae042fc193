'use client';

import { takeLineup } from '@/document';
import { useEdit, useHistory } from '@/session';
import { Button, notify } from '@/ui';
import { lineupText, plainList } from '@/text';

const t = lineupText.takeButton;

/** Takes a lineup as it is, as limits that can be undone and changed like any. */
export function TakeButton({
  itemIds,
  name,
}: {
  itemIds: readonly string[];
  name: (id: string) => string;
}) {
  const edit = useEdit();
  const { undo } = useHistory();
  return (
    <Button
      aria-label={t.use(plainList(itemIds.map(name)))}
      disabled={itemIds.length === 0}
      onClick={() => {
        edit(takeLineup(itemIds));
        notify(t.lineupApplied, {
          description: t.noOtherLensWillBe,
          action: { label: t.undo, onClick: undo },
        });
      }}
    >
      {t.useThisLineup}
    </Button>
  );
}
