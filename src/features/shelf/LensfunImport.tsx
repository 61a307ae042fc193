'use client';

import { useMemo, useState } from 'react';
import { apertureEnds } from '@/core/gear';
import { addGear, alreadyOn, fittingGear, shelfIds } from '@/document';
import {
  type DatabaseCamera,
  type DatabaseLens,
  gearFromDatabase,
  type LensDatabase,
  mergeDatabases,
  type DatabaseRefusal,
} from '@/document/formats';
import { useEditGear, useKnownGear, useSession } from '@/session';
import { Button, Dialog, Tick, notify } from '@/ui';
import {
  counted,
  databaseRefusalText,
  formatFNumbers,
  formatFocalRange,
  notReadText,
  shelfText,
} from '@/text';
import { LeftOutList, readFile } from '@/parts';
import { EntryPicker } from './EntryPicker';
import type { Result } from '@/core/result';

const t = shelfText.lensfunImport;

/** Real gear from files of the open Lensfun database: read, choose mounts, cameras and lenses, take over. */
export function LensfunImport({ open, onClose }: { open: boolean; onClose: () => void }) {
  const [database, setDatabase] = useState<LensDatabase | null>(null);
  const [problems, setProblems] = useState<readonly string[]>([]);
  const [reading, setReading] = useState(false);
  const close = () => {
    setDatabase(null);
    setProblems([]);
    onClose();
  };
  const read = async (files: FileList) => {
    setReading(true);
    const parts: LensDatabase[] = [];
    const refused: string[] = [];
    for (const chosen of files) {
      const read = await readFile('lensfun', chosen.name, [await chosen.text()]);
      if (read.ok && read.value.ok) parts.push(read.value.value);
      else
        refused.push(
          t.text(chosen.name, read.ok ? refusedText(read.value) : notReadText(read.error)),
        );
    }
    setReading(false);
    setProblems(refused);
    if (parts.length > 0) setDatabase(mergeDatabases(parts));
  };
  return (
    <Dialog
      wide
      open={open}
      onOpenChange={(isOpen) => !isOpen && close()}
      title={t.gearFromTheOpenLens}
      description={t.xmlFilesOfTheLensfun}
    >
      <div className="space-y-3">
        <input
          type="file"
          multiple
          accept=".xml,text/xml"
          aria-label={t.databaseFiles}
          onChange={(event) => event.target.files && void read(event.target.files)}
        />
        {reading && <p role="status">{t.reading}</p>}
        {problems.map((problem) => (
          <p key={problem} role="alert" className="text-wrong">
            {problem}
          </p>
        ))}
        {database && <Chooser database={database} onDone={close} />}
      </div>
    </Dialog>
  );
}

const keyOf = (entry: DatabaseCamera | DatabaseLens) =>
  `${entry.maker} ${entry.model} ${'mount' in entry ? entry.mount : entry.mounts.join(',')}`;

function Chooser({ database, onDone }: { database: LensDatabase; onDone: () => void }) {
  const edit = useEditGear();
  const { document } = useSession();
  const choice = useDatabaseChoice(database);
  const { gear, left, doubled } = choice;
  const [bodyCount, lensCount] = [gear.bodies?.length ?? 0, gear.lenses?.length ?? 0];
  const take = () => {
    if (!edit(addGear(gear))) return;
    notify(t.andAddedToYourShelf(counted(bodyCount, 'body'), counted(lensCount, 'lens')), {
      description: t.weightPriceCloseFocusAnd,
      action: { label: t.undo, onClick: document.undo },
    });
    onDone();
  };
  return (
    <>
      <WhatWasRead database={database} />
      <div className="grid gap-4 md:grid-cols-[1fr_1.3fr_1.6fr]">
        <EntryPicker
          of="mounts"
          entries={choice.mountNames.map((name) => [name, name, ''] as const)}
          chosen={choice.mounts}
          onChange={choice.setMounts}
        />
        <EntryPicker
          of="cameras"
          entries={choice.offered.cameras.map(
            (c) => [keyOf(c), `${c.maker} ${c.model}`, t.crop(c.cropFactor)] as const,
          )}
          chosen={choice.cameras}
          onChange={choice.setCameras}
        />
        <EntryPicker
          of="lenses"
          entries={choice.offered.lenses.map((l) => [
            keyOf(l),
            `${l.maker} ${l.model}`,
            rangeOf(l),
          ])}
          chosen={choice.lenses}
          onChange={choice.setLenses}
        />
      </div>
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-0.5"
          checked={choice.compatibility}
          onChange={(e) => choice.setCompatibility(e.target.checked)}
        />
        <span>
          {t.alsoImportWhichOfThese}
          <span className="block text-[12px] text-soft">{t.theDatabaseDoesntSayWhere}</span>
        </span>
      </label>
      {doubled.size > 0 && (
        <Tick
          label={t.skipOnYourShelfAlready(counted(doubled.size, 'itemThatIs'))}
          on={choice.skipping}
          onChange={choice.setSkipping}
        />
      )}
      <LeftOutList left={left} />
      <div className="flex justify-end gap-2">
        <Button onClick={onDone}>{t.cancel}</Button>
        <Button look="strong" disabled={bodyCount + lensCount === 0} onClick={take}>
          {t.addAnd(counted(bodyCount, 'body'), counted(lensCount, 'lens'))}
        </Button>
      </div>
    </>
  );
}

/** What is ticked in a database, and the gear that comes of it. */
function useDatabaseChoice(database: LensDatabase) {
  const shelf = useKnownGear();
  const [mounts, setMounts] = useState<ReadonlySet<string>>(new Set());
  const [cameras, setCameras] = useState<ReadonlySet<string>>(new Set());
  const [lenses, setLenses] = useState<ReadonlySet<string>>(new Set());
  const [compatibility, setCompatibility] = useState(false);
  const [skipping, setSkipping] = useState(true);
  const mountNames = useMemo(() => mountNamesOf(database), [database]);
  const offered = useMemo(
    () => ({
      cameras: database.cameras.filter((c) => mounts.has(c.mount)),
      lenses: database.lenses.filter((l) => l.mounts.some((m) => mounts.has(m))),
    }),
    [database, mounts],
  );
  const chosen = gearFromDatabase(
    database,
    {
      mounts,
      cameras: offered.cameras.filter((c) => cameras.has(keyOf(c))),
      lenses: offered.lenses.filter((l) => lenses.has(keyOf(l))),
      compatibility,
    },
    shelfIds(shelf),
  );
  const doubled = alreadyOn(shelf, chosen);
  const isTaken = ({ id }: { readonly id: string }) => !skipping || !doubled.has(id);
  const { taken: gear, left } = fittingGear(shelf, {
    ...chosen,
    lenses: chosen.lenses.filter(isTaken),
    bodies: chosen.bodies.filter(isTaken),
  });
  return {
    ...{ mounts, setMounts, cameras, setCameras, lenses, setLenses },
    ...{ compatibility, setCompatibility, skipping, setSkipping },
    ...{ mountNames, offered, gear, left, doubled },
  };
}

function mountNamesOf({ mounts, lenses }: LensDatabase): readonly string[] {
  return [...new Set([...mounts.map((m) => m.name), ...lenses.flatMap((l) => l.mounts)])].sort();
}

function rangeOf({ focal, apertures }: DatabaseLens): string {
  const range = formatFocalRange(focal.wideMm, focal.longMm);
  return `${range} ${formatFNumbers(...apertureEnds(apertures))}`;
}

/** How much was read, and what of it can't be used. */
function WhatWasRead({ database }: { database: LensDatabase }) {
  return (
    <>
      <p role="status">
        {t.readAndSkippedBuiltInto(
          counted(database.lenses.length, 'lens'),
          counted(database.cameras.length, 'camera'),
          counted(database.mounts.length, 'mount'),
          database.fixedLenses,
          database.skipped.length,
        )}
      </p>
      {database.skipped.length > 0 && (
        <details>
          <summary>{t.whatCantBeUsedAnd}</summary>
          <ul className="max-h-40 overflow-auto" tabIndex={0} aria-label={t.skippedEntries}>
            {database.skipped.map((s, i) => (
              <li key={i}>{t.text2(s.name, t.reasons[s.reason])}</li>
            ))}
          </ul>
        </details>
      )}
    </>
  );
}

function refusedText(part: Result<LensDatabase, DatabaseRefusal>): string {
  return part.ok ? '' : databaseRefusalText(part.error);
}
