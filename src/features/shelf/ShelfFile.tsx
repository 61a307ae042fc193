'use client';

import type { RefObject } from 'react';
import { toast } from 'sonner';
import { addShelf, decodeShelf } from '@/document';
import { useEdit, useHistory } from '@/session';
import { formatCount } from '@/ui';

/** Takes a whole shelf over from a file; what has the same id is replaced, and undo takes it back. */
export function ShelfFile({ input }: { input: RefObject<HTMLInputElement | null> }) {
  const edit = useEdit();
  const { undo } = useHistory();
  const take = async (chosen: File) => {
    const read = decodeShelf(await chosen.text());
    if (!read.ok) {
      toast(`${chosen.name} was not taken over: ${read.error.message}.`);
      return;
    }
    edit(addShelf(read.value));
    toast(
      `${formatCount(read.value.lenses.length, 'lens', 'lenses')} and ${formatCount(read.value.bodies.length, 'body', 'bodies')} taken over.`,
      { action: { label: 'Undo', onClick: undo } },
    );
  };
  return (
    <input
      ref={input}
      type="file"
      accept=".json,application/json"
      aria-label="Shelf file to take over"
      className="sr-only"
      tabIndex={-1}
      onChange={(event) => {
        const chosen = event.target.files?.[0];
        event.target.value = '';
        if (chosen) void take(chosen);
      }}
    />
  );
}
