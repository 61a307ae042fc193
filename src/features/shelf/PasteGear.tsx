'use client';

import { useState } from 'react';
import {
  addGear,
  alreadyOn,
  behindLenses,
  countOf,
  editGear,
  fittingGear,
  gearOfLines,
} from '@/document';
import type { Converter, LensId } from '@/core/gear';
import { useEditDesk, useFile, useHistory, useKnownGear, useReading } from '@/session';
import { Button, Dialog, notify, SelectField, TextArea, Tick } from '@/ui';
import { counted, missingText, NEW_MOUNT, shelfText, understoodText } from '@/text';
import { FittingLenses, LeftOutList } from '@/parts';
import { useMounts } from './gearFields';

const t = shelfText.pasteGear;

const EXAMPLE = '24-70 2.8\n100-400 4.5-6.3 1.4kg 95mm\n50/1.4 owned 450';

/** Gear as it is written down, one item a line; what was understood is shown before anything is added. */
export function PasteGear({ open, onClose }: { open: boolean; onClose: () => void }) {
  const shelf = useKnownGear();
  const { outing } = useFile();
  const edit = useEditDesk();
  const { undo } = useHistory();
  const mounts = useMounts();
  const [text, setText] = useState('');
  const [mount, setMount] = useState('');
  const [skipping, setSkipping] = useState(true);
  const { value, isReading, problem } = useReading('gearLines', text, shelf);
  const usualMount = mount === '' && mounts.length === 0 ? NEW_MOUNT : mount;
  const [fits, setFits] = useState<Readonly<Record<string, readonly LensId[]>>>({});
  const mounted = (value ?? []).map((line) =>
    line.kind !== null && usualMount !== '' && line.understood.mount === undefined
      ? ({ ...line, item: { ...line.item, mount: usualMount } } as typeof line)
      : line,
  );
  const lines = behindLenses(mounted, fits);
  const typed = gearOfLines(lines);
  const lensesFor = (converter: Converter) =>
    [...shelf.lenses, ...typed.lenses].filter((l) => l.mount === converter.mount);
  const doubled = alreadyOn(shelf, typed);
  const taken = lines.filter((l) => l.kind !== null && (!skipping || !doubled.has(l.item.id)));
  const { taken: gear, left } = fittingGear(shelf, gearOfLines(taken));
  const count = countOf(gear);
  const add = () => {
    if (!edit(editGear(addGear(gear)))) return;
    notify(t.addedToYourShelf(counted(count, 'item')), {
      action: { label: t.undo, onClick: undo },
    });
    setText('');
    onClose();
  };
  return (
    <Dialog
      wide
      open={open}
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.pasteAGearList}
      description={t.oneItemALineAs}
    >
      <div className="space-y-3">
        <TextArea
          label={t.yourGear}
          value={text}
          onChange={setText}
          placeholder={EXAMPLE}
          rows={6}
        />
        {mounts.length > 1 && (
          <SelectField
            label={t.mountWhereALineNames}
            value={mount}
            options={[['', t.theUsualOne], ...mounts.map((m) => [m, m] as const)]}
            onChange={setMount}
          />
        )}
        {problem && <p className="text-wrong">{problem}</p>}
        <LeftOutList left={left} />
        {lines.length > 0 && (
          <ul aria-label={t.whatWasUnderstood} className="max-h-60 overflow-auto" tabIndex={0}>
            {lines.map((l, i) => (
              <li
                key={i}
                className="grid grid-cols-[minmax(0,14rem)_1fr] gap-3 border-b border-hair py-1"
              >
                <span className="truncate">{l.line}</span>
                {l.kind === null ? (
                  <span className="text-wrong">{missingText(l)}</span>
                ) : (
                  <span>
                    {understoodText(l.understood, outing.currency)}
                    {doubled.has(l.item.id) && (
                      <span className="text-soft">{t.alreadyOnYourShelf}</span>
                    )}
                  </span>
                )}
              </li>
            ))}
          </ul>
        )}
        {lines.map(
          (l) =>
            l.kind === 'converters' && (
              <FittingLenses
                key={l.item.id}
                converter={l.item}
                lenses={lensesFor(l.item)}
                onChange={(lensIds) => setFits({ ...fits, [l.item.id]: lensIds })}
              />
            ),
        )}
        {doubled.size > 0 && (
          <Tick
            label={t.skipOnYourShelfAlready(counted(doubled.size, 'itemThatIs'))}
            on={skipping}
            onChange={setSkipping}
          />
        )}
        <p className="text-[13px] text-soft">{t.everythingALineDoesntSay}</p>
        <div className="flex justify-end gap-2">
          <Button onClick={onClose}>{t.cancel}</Button>
          <Button look="strong" disabled={isReading || count === 0} onClick={add}>
            {t.add(counted(count, 'item'))}
          </Button>
        </div>
      </div>
    </Dialog>
  );
}
