'use client';

import { format } from 'date-fns';
import { Copy, Download, Trash2 } from 'lucide-react';
import Link from 'next/link';
import { useCallback, useEffect, useState } from 'react';
import { copyOf } from '@/document';
import type { OutingEntry } from '@/document/live';
import { download, useDesk, useSession } from '@/session';
import { Button, Dialog, IconButton, notify } from '@/ui';
import { useOpening } from './useOpening';

/** All outings of this browser: open, duplicate, export, delete. */
export function OutingsDialog({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const { plan } = useDesk();
  const { keeper, library } = useSession();
  const opening = useOpening();
  const [entries, setEntries] = useState<readonly OutingEntry[]>([]);
  const look = useCallback(
    () =>
      void library()
        .then((l) => l.list())
        .then(setEntries),
    [library],
  );
  useEffect(() => {
    if (open) look();
  }, [open, look, plan]);
  const discard = async (entry: OutingEntry) => {
    const shelved = await library();
    await shelved.discard(entry.key);
    look();
    notify(`Deleted ${entry.name}.`, {
      description: 'It stays in the bin for 30 days.',
      action: { label: 'Undo', onClick: () => void shelved.restore(entry.key).then(look) },
    });
  };
  const exportOther = async (entry: OutingEntry) => {
    const text = await (await library()).textOf(entry.key);
    if (text === null) notify(`${entry.name} can’t be read. Its text is under Backup and storage.`);
    else download(`${entry.name}.armreach.json`, text, 'application/json');
  };
  const duplicate = () => {
    const copy = copyOf(plan, 'copy');
    onOpenChange(false);
    opening.openPlan(copy, `Opened ${copy.outing.name}.`);
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Outings"
      description="Kept in this browser. A backup keeps them safe beyond it."
    >
      <ul>
        {entries.map((entry) => {
          const isOpen = entry.key === keeper.outing();
          return (
            <li key={entry.key} className="flex items-center gap-2 border-b border-hair py-1.5">
              <span className="min-w-0 flex-1">
                <span className="block truncate font-semibold">{entry.name}</span>
                <span className="block text-[12px] text-soft">
                  {isOpen ? 'open now' : `saved ${format(entry.savedAt, 'd MMM yyyy, HH:mm')}`}
                </span>
              </span>
              {isOpen ? (
                <Button onClick={duplicate}>
                  <Copy size={14} aria-hidden /> Duplicate
                </Button>
              ) : (
                <>
                  <Button
                    onClick={() => {
                      onOpenChange(false);
                      void opening.reopen(entry.key, entry.name);
                    }}
                  >
                    Open
                  </Button>
                  <IconButton
                    label={`Export ${entry.name}`}
                    onClick={() => void exportOther(entry)}
                  >
                    <Download size={15} aria-hidden />
                  </IconButton>
                  <IconButton label={`Delete ${entry.name}`} onClick={() => void discard(entry)}>
                    <Trash2 size={15} aria-hidden />
                  </IconButton>
                </>
              )}
            </li>
          );
        })}
      </ul>
      <p className="mt-3">
        <Link
          prefetch={false}
          href="/storage#bin"
          className="underline"
          onClick={() => onOpenChange(false)}
        >
          Deleted outings and backups
        </Link>
      </p>
    </Dialog>
  );
}
