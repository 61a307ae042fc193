'use client';

import { lockOf, setLock } from '@/document';
import { useEdit, useFile } from '@/session';
import { Button } from '@/ui';
import { lineupText } from '@/text';

const words = lineupText.lineupTable;

/** Lock an item of the lineup in, or leave it at home and see at once what then. */
export function LockButtons({ id, name }: { id: string; name: string }) {
  const { limits } = useFile();
  const edit = useEdit();
  const lock = lockOf(limits, id);
  return (
    <span className="whitespace-nowrap">
      <Button
        look="quiet"
        aria-pressed={lock === 'in'}
        aria-label={words.lockIn(name)}
        onClick={() => edit(setLock(id, lock === 'in' ? 'free' : 'in'))}
      >
        {lock === 'in' ? words.lockedIn : words.lockIn2}
      </Button>
      <Button
        look="quiet"
        aria-label={words.leaveOut(name)}
        onClick={() => edit(setLock(id, 'out'))}
      >
        {words.leaveOut2}
      </Button>
    </span>
  );
}
