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
import { dialogText } from '@/text';

const t = dialogText.outingsDialog;

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
    notify(t.deleted(entry.name), {
      description: t.itStaysInTheBin,
      action: { label: t.undo, onClick: () => void shelved.restore(entry.key).then(look) },
    });
  };
  const exportOther = async (entry: OutingEntry) => {
    const text = await (await library()).textOf(entry.key);
    if (text === null) notify(t.cantBeReadItsText(entry.name));
    else download(`${entry.name}.armreach.json`, text, 'application/json');
  };
  const duplicate = () => {
    const copy = copyOf(plan, 'copy');
    onOpenChange(false);
    opening.openPlan(copy, t.opened(copy.outing.name));
  };
  return (
    <Dialog
      open={open}
      onOpenChange={onOpenChange}
      title={t.outings}
      description={t.keptInThisBrowserA}
    >
      <ul>
        {entries.map((entry) => (
          <OutingLine
            key={entry.key}
            entry={entry}
            isOpen={entry.key === keeper.outing()}
            onDuplicate={duplicate}
            onOpen={() => {
              onOpenChange(false);
              void opening.reopen(entry.key, entry.name);
            }}
            onExport={() => void exportOther(entry)}
            onDelete={() => void discard(entry)}
          />
        ))}
      </ul>
      <p className="mt-3">
        <Link
          prefetch={false}
          href="/storage#bin"
          className="underline"
          onClick={() => onOpenChange(false)}
        >
          {t.deletedOutingsAndBackups}
        </Link>
      </p>
    </Dialog>
  );
}

function OutingLine({
  entry,
  isOpen,
  onDuplicate,
  onOpen,
  onExport,
  onDelete,
}: {
  readonly entry: OutingEntry;
  readonly isOpen: boolean;
  readonly onDuplicate: () => void;
  readonly onOpen: () => void;
  readonly onExport: () => void;
  readonly onDelete: () => void;
}) {
  return (
    <li className="flex items-center gap-2 border-b border-hair py-1.5">
      <span className="min-w-0 flex-1">
        <span className="block truncate font-semibold">{entry.name}</span>
        <span className="block text-[12px] text-soft">
          {isOpen ? t.openNow : t.saved(format(entry.savedAt, 'd MMM yyyy, HH:mm'))}
        </span>
      </span>
      {isOpen ? (
        <Button onClick={onDuplicate}>
          <Copy size={14} aria-hidden />
          {t.duplicate}
        </Button>
      ) : (
        <>
          <Button onClick={onOpen}>{t.open}</Button>
          <IconButton label={t.exportIt(entry.name)} onClick={onExport}>
            <Download size={15} aria-hidden />
          </IconButton>
          <IconButton label={t.deleteIt(entry.name)} onClick={onDelete}>
            <Trash2 size={15} aria-hidden />
          </IconButton>
        </>
      )}
    </li>
  );
}
