'use client';

import { useState } from 'react';
import { comparedGear, type OutingFile, type Taking, usualTaking } from '@/document';
import { useDesk } from '@/session';
import { Button, Dialog } from '@/ui';
import { type Choices, TakingList } from '@/parts';
import { useOpening } from './useOpening';
import { dialogText } from '@/text';

const t = dialogText.openFileDialog;

/** What an outing's file brings that is not on the shelf, before it is opened. */
export function OpenFileDialog({ file, onClose }: { file: OutingFile; onClose: () => void }) {
  const { shelf, settings } = useDesk();
  const { openFile } = useOpening();
  const compared = comparedGear(file.shelf, shelf.gear);
  const [choices, setChoices] = useState<Choices>(
    new Map(compared.map((c) => [c.theirs.id, usualTaking(c)] as const)),
  );
  const foreign = file.outing.currency !== settings.currency;
  const open = () => {
    const taking = (c: (typeof compared)[number]): Taking =>
      choices.get(c.theirs.id) ?? usualTaking(c);
    openFile(file, t.opened(file.outing.name), taking);
    onClose();
  };
  return (
    <Dialog
      wide
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.open(file.outing.name)}
      description={t.theFileCarriesItsOwn}
    >
      {foreign && (
        <p className="mb-3 text-wrong">
          {t.itsPricesAreInYours(file.outing.currency, settings.currency)}
        </p>
      )}
      <TakingList
        compared={compared}
        choices={choices}
        onChange={setChoices}
        currencies={{ mine: settings.currency, theirs: file.outing.currency }}
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>{t.cancel}</Button>
        <Button look="strong" onClick={open}>
          {t.openTheOuting}
        </Button>
      </div>
    </Dialog>
  );
}
