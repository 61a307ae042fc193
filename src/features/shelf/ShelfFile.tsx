'use client';

import { type RefObject, useState } from 'react';
import { sourceOf } from '@/core/gear';
import { comparedGear, countOf, type PersonalShelf, takenOntoShelf, type Taking } from '@/document';
import { useDesk, useDeskNow, useEditDesk, useHistory } from '@/session';
import { Button, Dialog, FileInput, notify } from '@/ui';
import { counted, issueText, notReadText, refusalText, shelfText } from '@/text';
import { readFile, TakingList } from '@/parts';

const t = shelfText.shelfFile;

/** Imports a whole shelf from a file: what differs is shown side by side, nothing is replaced unasked. */
export function ShelfFile({ input }: { input: RefObject<HTMLInputElement | null> }) {
  const [found, setFound] = useState<PersonalShelf | null>(null);
  const take = async (chosen: File) => {
    const read = await readFile('shelf', chosen.name, [await chosen.text()]);
    if (!read.ok) return notify(t.wasNotImported(chosen.name, notReadText(read.error)));
    const result = read.value;
    if (result.ok) return setFound(result.value);
    const [first] = result.error.issues;
    notify(t.wasNotImported(chosen.name, refusalText(result.error)), {
      ...(first && first.path !== '' ? { description: issueText(first) } : {}),
    });
  };
  return (
    <>
      <FileInput
        ref={input}
        label={t.shelfFileToImport}
        accept=".json,application/json"
        onFile={(chosen) => void take(chosen)}
      />
      {found && <Taking found={found} onClose={() => setFound(null)} />}
    </>
  );
}

function Taking({ found, onClose }: { found: PersonalShelf; onClose: () => void }) {
  const { shelf, settings } = useDesk();
  const edit = useEditDesk();
  const deskNow = useDeskNow();
  const { undo } = useHistory();
  const compared = comparedGear(found.gear, shelf.gear);
  const [choices, setChoices] = useState<ReadonlyMap<string, Taking>>(
    new Map(
      compared.map((c) => [c.theirs.id, c.mine ? 'mine' : sourceOf(c.theirs.ownership)] as const),
    ),
  );
  const take = () => {
    const before = countOf(deskNow().shelf.gear);
    if (!edit((desk) => ({ ...desk, shelf: takenOntoShelf(found, desk.shelf, choices) }))) return;
    const added = countOf(deskNow().shelf.gear) - before;
    const left = compared.filter((c) => c.mine === null).length - added;
    const replaced = compared.filter((c) => c.mine && choices.get(c.theirs.id) === 'theirs').length;
    notify(t.importedChanged(counted(added, 'newItem'), counted(replaced, 'item')), {
      ...(left > 0 ? { description: t.leftOutAShelfHolds(left), stays: true } : {}),
      action: { label: t.undo, onClick: undo },
    });
    onClose();
  };
  return (
    <Dialog
      wide
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.importAShelf}
      description={t.nothingOnYourShelfIs}
    >
      <TakingList
        compared={compared}
        choices={choices}
        onChange={setChoices}
        currencies={{ mine: settings.currency, theirs: settings.currency }}
        shelfOnly
      />
      <div className="mt-4 flex justify-end gap-2">
        <Button onClick={onClose}>{t.cancel}</Button>
        <Button look="strong" onClick={take}>
          {t.importIt}
        </Button>
      </div>
    </Dialog>
  );
}
