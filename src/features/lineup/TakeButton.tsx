'use client';

import { takeLineup } from '@/document';
import { useEdit, useHistory } from '@/session';
import { Button, notify } from '@/ui';

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
      aria-label={`Take ${pieceIds.map(name).join(', ')}`}
      disabled={pieceIds.length === 0}
      onClick={() => {
        edit(takeLineup(pieceIds));
        notify('This lineup is taken now.', {
          description: 'Its pieces are locked in, and no lens comes besides.',
          action: { label: 'Undo', onClick: undo },
        });
      }}
    >
      Take this
    </Button>
  );
}
