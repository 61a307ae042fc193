'use client';

import { useState } from 'react';
import { addGear, alreadyOn, countOf, fittingGear, shelfIds } from '@/document';
import { LENS_CSV_TEMPLATE, type LensTable } from '@/document/formats';
import { download, useEditGear, useKnownGear, useSession } from '@/session';
import { Button, Dialog, Tick, notify } from '@/ui';
import { counted, csvProblemText, notReadText, shelfText } from '@/text';
import { LeftOutList, readFile } from '@/parts';

const t = shelfText.csvImport;

/** Lenses from a table. What cannot be read is listed; nothing is added until the person says so. */
export function CsvImport({ open, onClose }: { open: boolean; onClose: () => void }) {
  const shelf = useKnownGear();
  const edit = useEditGear();
  const { document } = useSession();
  const [table, setTable] = useState<LensTable | null>(null);
  const close = () => {
    setTable(null);
    onClose();
  };
  const onShelf = new Set(shelf.lenses.map((l) => l.id));
  const doubled = table ? alreadyOn(shelf, { lenses: [...table.lenses] }) : new Set<string>();
  const [skipping, setSkipping] = useState(true);
  const wanted = table?.lenses.filter((l) => !skipping || !doubled.has(l.id)) ?? [];
  const { taken, left } = fittingGear(shelf, { lenses: wanted });
  const count = countOf(taken);
  const [problem, setProblem] = useState<string | null>(null);
  const read = async (chosen: File) => {
    const found = await readFile('lensCsv', chosen.name, [await chosen.text(), shelfIds(shelf)]);
    setTable(found.ok ? found.value : null);
    setProblem(found.ok ? null : notReadText(found.error));
  };
  const known = table?.lenses.filter((l) => onShelf.has(l.id)).length ?? 0;
  const take = () => {
    if (!table) return;
    if (!edit(addGear(taken))) return;
    notify(t.addedToYourShelf(counted(count, 'lens')), {
      action: { label: t.undo, onClick: document.undo },
    });
    close();
  };
  return (
    <Dialog
      open={open}
      onOpenChange={(isOpen) => !isOpen && close()}
      title={t.lensesFromACsvTable}
      description={t.separatedByCommaSemicolonOr}
    >
      <div className="space-y-3">
        <div className="flex flex-wrap items-center gap-3">
          <input
            type="file"
            accept=".csv,.tsv,.txt,text/csv"
            aria-label={t.csvTableOfLenses}
            onChange={(event) => {
              const chosen = event.target.files?.[0];
              if (chosen) void read(chosen);
            }}
          />
          <Button onClick={() => download('lenses-template.csv', LENS_CSV_TEMPLATE, 'text/csv')}>
            {t.template}
          </Button>
        </div>
        {problem && <p className="text-wrong">{problem}</p>}
        {table && (
          <>
            <LeftOutList left={left} />
            <p role="status">
              {t.canBeAdded(counted(table.lenses.length, 'lens'))}
              {known > 0 && t.ofThemReplaceLensesWith(known)}
              {table.issues.length > 0 && t.fixing(counted(table.issues.length, 'cellNeeds'))}.
            </p>
            {table.issues.length > 0 && (
              <ul
                className="max-h-52 overflow-auto text-[13px]"
                tabIndex={0}
                aria-label={t.whatNeedsFixing}
              >
                {table.issues.slice(0, 100).map((issue) => (
                  <li key={`${issue.line}.${issue.column}.${issue.problem.code}`}>
                    <span className="text-wrong">{t.line(issue.line, issue.column)}</span>{' '}
                    {csvProblemText(issue.problem)}
                  </li>
                ))}
              </ul>
            )}
            {doubled.size > 0 && (
              <Tick
                label={t.skipOnYourShelfAlready(counted(doubled.size, 'lensThatIs'))}
                on={skipping}
                onChange={setSkipping}
              />
            )}
            <div className="flex justify-end gap-2">
              <Button onClick={close}>{t.cancel}</Button>
              <Button look="strong" disabled={count === 0} onClick={take}>
                {t.add(counted(count, 'lens'))}
              </Button>
            </div>
          </>
        )}
      </div>
    </Dialog>
  );
}
