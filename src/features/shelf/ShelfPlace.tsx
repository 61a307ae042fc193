'use client';

import { Plus } from 'lucide-react';
import { Tabs } from 'radix-ui';
import { useRef, useState } from 'react';
import { encodeShelf, type Kind, newItem, putItem } from '@/document';
import { writeLensCsv } from '@/document/formats';
import { download, useEdit, useFile, useSelection } from '@/session';
import { Button, Menu } from '@/ui';
import { CsvImport } from './CsvImport';
import { GearEditor } from './GearEditor';
import { GearList } from './GearList';
import { LensfunImport } from './LensfunImport';
import { Mounts } from './Mounts';
import {
  ADAPTER_COLUMNS,
  BODY_COLUMNS,
  CONVERTER_COLUMNS,
  LENS_COLUMNS,
  TUBE_COLUMNS,
} from './rows';
import { ShelfFile } from './ShelfFile';

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
  const [importing, setImporting] = useState<'csv' | 'lensfun' | 'mounts' | null>(null);
  const shelfInput = useRef<HTMLInputElement>(null);
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
                  {
                    label: 'A whole shelf from a JSON file…',
                    onSelect: () => shelfInput.current?.click(),
                  },
                ],
                [
                  {
                    label: 'Export lenses as CSV',
                    disabled: file.shelf.lenses.length === 0,
                    onSelect: () =>
                      download('lenses.csv', writeLensCsv(file.shelf.lenses), 'text/csv'),
                  },
                  {
                    label: 'Export the shelf as JSON',
                    onSelect: () =>
                      download('shelf.json', encodeShelf(file.shelf), 'application/json'),
                  },
                ],
                [{ label: 'What fits what…', onSelect: () => setImporting('mounts') }],
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
      <ShelfFile input={shelfInput} />
      <Mounts open={importing === 'mounts'} onClose={() => setImporting(null)} />
      <LensfunImport open={importing === 'lensfun'} onClose={() => setImporting(null)} />
    </div>
  );
}
