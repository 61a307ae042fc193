'use client';

import { useDeferredValue, useMemo, useState } from 'react';
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
  formatFNumber,
  formatFocalRange,
  notReadText,
  shelfText,
} from '@/text';
import { LeftOutList, readFile } from '@/parts';
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
  const shelf = useKnownGear();
  const edit = useEditGear();
  const { document } = useSession();
  const [mounts, setMounts] = useState<ReadonlySet<string>>(new Set());
  const [cameras, setCameras] = useState<ReadonlySet<string>>(new Set());
  const [lenses, setLenses] = useState<ReadonlySet<string>>(new Set());
  const [compatibility, setCompatibility] = useState(false);
  const names = useMemo(
    () =>
      [
        ...new Set([
          ...database.mounts.map((m) => m.name),
          ...database.lenses.flatMap((l) => l.mounts),
        ]),
      ].sort(),
    [database],
  );
  const ofMount = {
    cameras: useMemo(() => database.cameras.filter((c) => mounts.has(c.mount)), [database, mounts]),
    lenses: useMemo(
      () => database.lenses.filter((l) => l.mounts.some((m) => mounts.has(m))),
      [database, mounts],
    ),
  };
  const chosen = gearFromDatabase(
    database,
    {
      mounts,
      cameras: ofMount.cameras.filter((c) => cameras.has(keyOf(c))),
      lenses: ofMount.lenses.filter((l) => lenses.has(keyOf(l))),
      compatibility,
    },
    shelfIds(shelf),
  );
  const doubled = alreadyOn(shelf, chosen);
  const [skipping, setSkipping] = useState(true);
  const isTaken = ({ id }: { readonly id: string }) => !skipping || !doubled.has(id);
  const { taken: gear, left } = fittingGear(shelf, {
    ...chosen,
    lenses: chosen.lenses.filter(isTaken),
    bodies: chosen.bodies.filter(isTaken),
  });
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
      <div className="grid gap-4 md:grid-cols-[1fr_1.3fr_1.6fr]">
        <Picker
          of="mounts"
          entries={names.map((n) => [n, n, ''] as const)}
          chosen={mounts}
          onChange={setMounts}
        />
        <Picker
          of="cameras"
          entries={ofMount.cameras.map(
            (c) => [keyOf(c), `${c.maker} ${c.model}`, t.crop(c.cropFactor)] as const,
          )}
          chosen={cameras}
          onChange={setCameras}
        />
        <Picker
          of="lenses"
          entries={ofMount.lenses.map(
            (l) =>
              [
                keyOf(l),
                `${l.maker} ${l.model}`,
                `${formatFocalRange(l.focal.wideMm, l.focal.longMm)} ${formatFNumber(l.apertures[0]?.fNumber ?? 0)}`,
              ] as const,
          )}
          chosen={lenses}
          onChange={setLenses}
        />
      </div>
      <label className="flex items-start gap-2">
        <input
          type="checkbox"
          className="mt-0.5"
          checked={compatibility}
          onChange={(e) => setCompatibility(e.target.checked)}
        />
        <span>
          {t.alsoImportWhichOfThese}
          <span className="block text-[12px] text-soft">{t.theDatabaseDoesntSayWhere}</span>
        </span>
      </label>
      {doubled.size > 0 && (
        <Tick
          label={t.skipOnYourShelfAlready(counted(doubled.size, 'itemThatIs'))}
          on={skipping}
          onChange={setSkipping}
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

type Entry = readonly [key: string, name: string, note: string];

/** A searchable list of things to tick, with all of those shown ticked at once. */
function Picker({
  of,
  entries,
  chosen,
  onChange,
}: {
  of: 'mounts' | 'cameras' | 'lenses';
  entries: readonly Entry[];
  chosen: ReadonlySet<string>;
  onChange: (chosen: ReadonlySet<string>) => void;
}) {
  const [text, setText] = useState('');
  const wanted = useDeferredValue(text).toLowerCase();
  const shown = entries.filter(([, name, note]) =>
    `${name} ${note}`.toLowerCase().includes(wanted),
  );
  const count = entries.filter(([key]) => chosen.has(key)).length;
  return (
    <fieldset className="min-w-0" aria-label={t[of]}>
      <legend className="flex w-full justify-between">
        <span>{t[of]}</span>
        <span className="text-soft">{t.of(count, entries.length)}</span>
      </legend>
      <div className="flex gap-1">
        <input
          type="search"
          aria-label={t.searchIn[of]}
          placeholder={t.search}
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="min-h-7 min-w-0 flex-1 border border-edge bg-sheet px-1.5"
        />
        <Button
          disabled={shown.length === 0}
          onClick={() => {
            const all = shown.every(([key]) => chosen.has(key));
            const next = new Set(chosen);
            for (const [key] of shown) {
              if (all) next.delete(key);
              else next.add(key);
            }
            onChange(next);
          }}
        >
          {shown.length > 0 && shown.every(([key]) => chosen.has(key)) ? t.none : t.all}
        </Button>
      </div>
      <div
        className="mt-1 h-56 overflow-auto border border-hair p-1"
        tabIndex={0}
        role="group"
        aria-label={t.choices[of]}
      >
        {shown.length === 0 && (
          <p className="text-soft">{of === 'mounts' ? t.nothingFound : t.chooseAMountFirst}</p>
        )}
        {shown.map(([key, name, note]) => (
          <label key={key} className="flex gap-2 py-0.5 [content-visibility:auto]">
            <input
              type="checkbox"
              checked={chosen.has(key)}
              onChange={(e) => {
                const next = new Set(chosen);
                if (e.target.checked) next.add(key);
                else next.delete(key);
                onChange(next);
              }}
            />
            <span className="min-w-0">
              {name} <span className="text-soft">{note}</span>
            </span>
          </label>
        ))}
      </div>
    </fieldset>
  );
}

function refusedText(part: Result<LensDatabase, DatabaseRefusal>): string {
  return part.ok ? '' : databaseRefusalText(part.error);
}
