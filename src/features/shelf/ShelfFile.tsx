'use client';

import type { RefObject } from 'react';
import { addShelf, decodeShelf } from '@/document';
import { useEdit, useHistory } from '@/session';
import { FileInput, formatCount, notify } from '@/ui';

/** Takes a whole shelf over from a file; what has the same id is replaced, and undo takes it back. */
export function ShelfFile({ input }: { input: RefObject<HTMLInputElement | null> }) {
  const edit = useEdit();
  const { undo } = useHistory();
  const take = async (chosen: File) => {
    const read = decodeShelf(await chosen.text());
    if (!read.ok) {
      notify(`${chosen.name} was not taken over: ${read.error.message}.`);
      return;
    }
    edit(addShelf(read.value));
    notify(
      `${formatCount(read.value.lenses.length, 'lens', 'lenses')} and ${formatCount(read.value.bodies.length, 'body', 'bodies')} taken over.`,
      { action: { label: 'Undo', onClick: undo } },
    );
  };
  return (
    <FileInput
      ref={input}
      label="Shelf file to take over"
      accept=".json,application/json"
      onFile={(chosen) => void take(chosen)}
    />
  );
}
