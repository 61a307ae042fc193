'use client';

import { Plus } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useDeferredValue, useMemo, useState } from 'react';
import { type Kind, putItem } from '@/document';
import { writeLensCsv } from '@/document/formats';
import { download, useAnswer, useEdit, useFile, useSelection } from '@/session';
import { Button, Menu } from '@/ui';
import { CsvImport } from './CsvImport';
import { GearEditor } from './GearEditor';
import { GearTable } from './GearTable';
import { LensfunImport } from './LensfunImport';
import { newItem } from './newGear';
import {
  ADAPTER_COLUMNS,
  adapterRow,
  BODY_COLUMNS,
  bodyRow,
  CONVERTER_COLUMNS,
  converterRow,
  LENS_COLUMNS,
  lensRow,
  mountOf,
  TUBE_COLUMNS,
  tubeRow,
} from './rows';

const KINDS = [
  ['lenses', 'Lenses', LENS_COLUMNS],
  ['bodies', 'Bodies', BODY_COLUMNS],
  ['converters', 'Converters', CONVERTER_COLUMNS],
  ['tubes', 'Tubes', TUBE_COLUMNS],
  ['adapters', 'Adapters', ADAPTER_COLUMNS],
] as const;

const SINGULAR: Record<Kind, string> = {
  lenses: 'lens',
  bodies: 'body',
  converters: 'converter',
  tubes: 'tube',
  adapters: 'adapter',
};

export function ShelfPlace() {
  const file = useFile();
  const edit = useEdit();
  const [kindInAddress, setKind] = useSelection('kind');
  const [selected, select] = useSelection('item');
  const [importing, setImporting] = useState<'csv' | 'lensfun' | null>(null);
  const kind: Kind = KINDS.find(([key]) => key === kindInAddress)?.[0] ?? 'lenses';
  const item = file.shelf[kind].find((i) => i.id === selected) ?? null;
  const add = () => {
    const added = newItem(kind, file);
    edit(putItem(kind, added));
    select(added.id);
  };
  return (
    <div className="grid gap-x-8 gap-y-4 pt-4 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <Tabs.Root value={kind} onValueChange={setKind} className="min-w-0">
        <div className="mb-2 flex flex-wrap items-end justify-between gap-3">
          <h1 className="text-xl">Shelf</h1>
          <Tabs.List aria-label="Kind of gear" className="flex gap-1">
            {KINDS.map(([key, label]) => (
              <Tabs.Trigger
                key={key}
                value={key}
                className="border-b-2 border-transparent px-2 py-1 hover:bg-chosen data-[state=active]:border-ink data-[state=active]:font-semibold"
              >
                {label} {file.shelf[key].length}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <span className="flex gap-2">
            <Menu
              trigger={<Button>In and out</Button>}
              groups={[
                [
                  { label: 'Lenses from a CSV table…', onSelect: () => setImporting('csv') },
                  {
                    label: 'Gear from the open lens database…',
                    onSelect: () => setImporting('lensfun'),
                  },
                ],
                [
                  {
                    label: 'Export lenses as CSV',
                    disabled: file.shelf.lenses.length === 0,
                    onSelect: () =>
                      download('lenses.csv', writeLensCsv(file.shelf.lenses), 'text/csv'),
                  },
                ],
              ]}
            />
            <Button look="strong" onClick={add}>
              <Plus size={14} aria-hidden /> Add a {SINGULAR[kind]}
            </Button>
          </span>
        </div>
        {KINDS.map(([key, label, columns]) => (
          <Tabs.Content key={key} value={key} tabIndex={-1}>
            {file.shelf[key].length === 0 ? (
              <p className="max-w-prose border-t border-hair pt-4">
                No {label.toLowerCase()} yet. Add one by hand
                {key !== 'lenses' && key !== 'bodies'
                  ? ''
                  : ', or bring in what you have from a CSV table or from the open lens database'}
                .
              </p>
            ) : (
              <GearList
                kind={key}
                label={label}
                columns={columns}
                selected={selected}
                onSelect={select}
              />
            )}
          </Tabs.Content>
        ))}
      </Tabs.Root>
      <aside
        aria-label={`Chosen ${SINGULAR[kind]}`}
        tabIndex={0}
        className="lg:sticky lg:top-2 lg:max-h-[calc(100vh-1rem)] lg:self-start lg:overflow-auto"
      >
        {item ? (
          <GearEditor key={item.id} kind={kind} item={item} onSelect={select} />
        ) : (
          <p className="border-t border-hair pt-3 text-soft">
            Choose a {SINGULAR[kind]} in the table to see and change it.
          </p>
        )}
      </aside>
      <CsvImport open={importing === 'csv'} onClose={() => setImporting(null)} />
      <LensfunImport open={importing === 'lensfun'} onClose={() => setImporting(null)} />
    </div>
  );
}

interface GearListProps {
  readonly kind: Kind;
  readonly label: string;
  readonly columns: readonly (readonly [string, string])[];
  readonly selected: string | null;
  readonly onSelect: (id: string) => void;
}

/** The table of one kind with its filters. */
function GearList({ kind, label, columns, selected, onSelect }: GearListProps) {
  const { shelf, limits, outing } = useFile();
  const { result } = useAnswer();
  const [text, setText] = useState('');
  const [mount, setMount] = useState('');
  const wanted = useDeferredValue(text).toLowerCase();
  const rows = useMemo(() => {
    const inLineup = new Set<string>([
      ...(result?.lineup.lensIds ?? []),
      ...(result?.lineup.converterIds ?? []),
      ...(result?.lineup.tubeIds ?? []),
      ...(result?.lineup.adapterIds ?? []),
    ]);
    const context = { currency: outing.currency, limits, inLineup };
    const all = {
      lenses: () => shelf.lenses.map((l) => lensRow(l, context)),
      bodies: () => shelf.bodies.map((b) => bodyRow(b, context)),
      converters: () => shelf.converters.map((c) => converterRow(c, context)),
      tubes: () => shelf.tubes.map((t) => tubeRow(t, context)),
      adapters: () => shelf.adapters.map((a) => adapterRow(a, context)),
    }[kind]();
    return all.filter(
      (row) =>
        (mount === '' || row.cells.mount?.text === mount) &&
        (wanted === '' ||
          `${row.name} ${row.note} ${Object.values(row.cells)
            .map((c) => c.text)
            .join(' ')}`
            .toLowerCase()
            .includes(wanted)),
    );
  }, [kind, limits, mount, outing.currency, result, shelf, wanted]);
  const mounts = [...new Set(shelf[kind].map(mountOf))].sort();
  return (
    <>
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <input
          type="search"
          aria-label={`Search ${label.toLowerCase()}`}
          placeholder="Search"
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="min-h-7 w-44 border border-edge bg-sheet px-1.5"
        />
        <select
          aria-label="Mount"
          value={mount}
          onChange={(e) => setMount(e.target.value)}
          className="min-h-7 border border-edge bg-sheet px-1"
        >
          <option value="">every mount</option>
          {mounts.map((m) => (
            <option key={m}>{m}</option>
          ))}
        </select>
        <span className="text-soft">
          {rows.length} shown; <span className="font-semibold text-got">green</span> is in the
          lineup
        </span>
      </div>
      <GearTable
        label={label}
        rows={rows}
        columns={columns}
        selected={selected}
        onSelect={onSelect}
      />
    </>
  );
}
