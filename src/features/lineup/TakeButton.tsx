'use client';

import { takeLineup } from '@/document';
import { useEdit, useHistory } from '@/session';
import { Button, notify } from '@/ui';
import { lineupText, plainList } from '@/text';

const t = lineupText.takeButton;

/** Takes a lineup as it is, as limits that can be undone and changed like any. */
export function TakeButton({
  pieceIds,
  name,
}: {
  pieceIds: readonly string[];
  name: (id: string) => string;
}) {
  const edit = useEdit();
  const { undo } = useHistory();
  return (
    <Button
      aria-label={t.use(plainList(pieceIds.map(name)))}
      disabled={pieceIds.length === 0}
      onClick={() => {
        edit(takeLineup(pieceIds));
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
