'use client';

import { format } from 'date-fns';
import { Copy, Download, Trash2 } from 'lucide-react';
import { useEffect, useState } from 'react';
import type { LibraryEntry } from '@/document/live';
import { download, useFile, useSession } from '@/session';
import { Button, Dialog, IconButton, notify } from '@/ui';
import { useOpening } from './useOpening';

/** All outings of this browser: open, duplicate, export, take away. */
export function OutingsDialog({
  open,
  onOpenChange,
}: {
  open: boolean;
  onOpenChange: (open: boolean) => void;
}) {
  const file = useFile();
  const { library, storage } = useSession();
  const opening = useOpening();
  const [entries, setEntries] = useState<readonly LibraryEntry[]>([]);
  const look = () => void library.list().then(setEntries);
  useEffect(() => {
    if (open) void library.list().then(setEntries);
  }, [open, library, file]);
  const discard = async (entry: LibraryEntry) => {
    const undo = await library.discard(entry.id);
    look();
    notify(`Took ${entry.name} away.`, {
      action: { label: 'Have it back', onClick: () => void undo().then(look) },
    });
  };
  const exportOther = async (entry: LibraryEntry) => {
    const text = await storage.fetch(entry.id);
    if (text !== null) download(`${entry.name}.armreach.json`, text, 'application/json');
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title="Outings"
      description="Kept in this browser. Export what should outlive it."
    >
      <ul>
        {entries.map((entry, i) => (
          <li key={entry.id} className="flex items-center gap-2 border-b border-hair py-1.5">
            <span className="min-w-0 flex-1">
              <span className="block truncate font-semibold">{entry.name}</span>
              <span className="block text-[12px] text-soft">
                {i === 0 ? 'open now' : `kept ${format(entry.savedAt, 'd MMM yyyy, HH:mm')}`}
              </span>
            </span>
            {i > 0 && (
              <>
                <Button
                  onClick={() => {
                    onOpenChange(false);
                    void opening.reopen(entry.id, entry.name);
                  }}
                >
                  Open
                </Button>
                <IconButton label={`Export ${entry.name}`} onClick={() => void exportOther(entry)}>
                  <Download size={15} aria-hidden />
                </IconButton>
                <IconButton label={`Take ${entry.name} away`} onClick={() => void discard(entry)}>
                  <Trash2 size={15} aria-hidden />
                </IconButton>
              </>
            )}
            {i === 0 && (
              <Button
                onClick={() => {
                  onOpenChange(false);
                  const name = `${file.outing.name}, copy`;
                  opening.open({ ...file, outing: { ...file.outing, name } }, `Opened ${name}.`);
                }}
              >
                <Copy size={14} aria-hidden /> Duplicate
              </Button>
            )}
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
