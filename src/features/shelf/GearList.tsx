'use client';

import { Columns3 } from 'lucide-react';
import { Popover } from 'radix-ui';
import { useDeferredValue, useMemo, useState } from 'react';
import { itemsOf, type Source, SOURCES } from '@/core/gear';
import { doubled, type Kind } from '@/document';
import { useAnswer, useDesk, useFile, useKnownGear } from '@/session';
import { Button } from '@/ui';
import { GEAR_KINDS, inOwnUnits, OWNERSHIPS, shelfText } from '@/text';
import { GearTable } from './GearTable';
import { formatsOn, type Narrowing, narrowsBody, narrowsLens, NO_NARROWING } from './narrowing';
import {
  adapterRow,
  bodyRow,
  converterRow,
  EXTRA_COLUMNS,
  lensRow,
  mountOf,
  tubeRow,
} from './rows';

const words = shelfText.gearList;

interface GearListProps {
  readonly kind: Kind;
  readonly label: string;
  readonly columns: readonly (readonly [string, string])[];
  readonly selected: string | null;
  readonly onSelect: (id: string) => void;
}

const BOX = 'min-h-7 border border-edge bg-sheet px-1';

/** The table of one kind with its filters, its columns and its ways of changing. */
export function GearList({ kind, label, columns, selected, onSelect }: GearListProps) {
  const { shelf: coming, limits, outing } = useFile();
  const { plan } = useDesk();
  const shelf = useKnownGear();
  const { result } = useAnswer();
  const [text, setText] = useState('');
  const [mount, setMount] = useState('');
  const [whose, setWhose] = useState<Source | ''>('');
  const [narrowing, setNarrowing] = useState(NO_NARROWING);
  const [grouped, setGrouped] = useState(false);
  const [editing, setEditing] = useState(false);
  const [hidden, setHidden] = useState<ReadonlySet<string>>(EXTRA_COLUMNS);
  const wanted = useDeferredValue(text).toLowerCase();
  const narrowed = useDeferredValue(narrowing);
  const rows = useMemo(() => {
    const inLineup = new Set<string>([
      ...(result?.lineup.lensIds ?? []),
      ...(result?.lineup.converterIds ?? []),
      ...(result?.lineup.tubeIds ?? []),
      ...(result?.lineup.adapterIds ?? []),
    ]);
    const context = {
      currency: outing.currency,
      limits,
      inLineup,
      standing: new Map(itemsOf(coming).map((i) => [i.id as string, i.ownership])),
      alone: new Set<string>(itemsOf(plan.alone).map((i) => i.id)),
    };
    const all = {
      lenses: () =>
        shelf.lenses.filter(narrowsLens(shelf, narrowed)).map((l) => lensRow(l, context)),
      bodies: () => shelf.bodies.filter(narrowsBody(narrowed)).map((b) => bodyRow(b, context)),
      converters: () => shelf.converters.map((c) => converterRow(c, context)),
      tubes: () => shelf.tubes.map((t) => tubeRow(t, context)),
      adapters: () => shelf.adapters.map((a) => adapterRow(a, context)),
    }[kind]();
    const alike = doubled(shelf, kind);
    const noted = all.map((row) => {
      const other = alike.get(row.id);
      return other ? { ...row, note: words.looksLike(row.note, other.name) } : row;
    });
    return noted.filter(
      (row) =>
        (mount === '' || row.cells.mount?.text === mount) &&
        (whose === '' || row.cells.ownership?.sort === whose) &&
        (wanted === '' ||
          `${row.name} ${row.note} ${Object.values(row.cells)
            .map((c) => c.text)
            .join(' ')}`
            .toLowerCase()
            .includes(wanted)),
    );
  }, [
    kind,
    limits,
    mount,
    whose,
    narrowed,
    outing.currency,
    result,
    shelf,
    coming,
    plan.alone,
    wanted,
  ]);
  const mounts = [...new Set(shelf[kind].map(mountOf))].sort();
  const figure = (name: Exclude<keyof Narrowing, 'format'>, hint: string) => (
    <input
      aria-label={hint}
      placeholder={hint}
      inputMode="decimal"
      value={narrowing[name]}
      onChange={(e) => setNarrowing({ ...narrowing, [name]: e.target.value })}
      className={`${BOX} w-26 px-1.5`}
    />
  );
  return (
    <>
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <input
          type="search"
          aria-label={GEAR_KINDS[kind].search}
          placeholder={words.search2}
          value={text}
          onChange={(e) => setText(e.target.value)}
          className="min-h-7 w-32 border border-edge bg-sheet px-1.5"
        />
        <select
          aria-label={words.mount}
          value={mount}
          onChange={(e) => setMount(e.target.value)}
          className={BOX}
        >
          <option value="">{words.everyMount}</option>
          {mounts.map((m) => (
            <option key={m}>{m}</option>
          ))}
        </select>
        <select
          aria-label={words.ownership}
          value={whose}
          onChange={(e) => setWhose(e.target.value as Source | '')}
          className={BOX}
        >
          <option value="">{words.any}</option>
          {SOURCES.map((key) => (
            <option key={key} value={key}>
              {OWNERSHIPS[key]}
            </option>
          ))}
        </select>
        {(kind === 'lenses' || kind === 'bodies') && (
          <select
            aria-label={words.format}
            value={narrowing.format}
            onChange={(e) => setNarrowing({ ...narrowing, format: e.target.value })}
            className={BOX}
          >
            <option value="">{words.everyFormat}</option>
            {formatsOn(shelf).map(([key, name]) => (
              <option key={key} value={key}>
                {words.mm(name)}
              </option>
            ))}
          </select>
        )}
        {kind === 'lenses' && (
          <>
            {figure('reachesMm', words.reachesMm)}
            {figure('fNumber', words.fAtMost)}
            {figure('weight', words.atMost(inOwnUnits('g')?.unit ?? 'g'))}
          </>
        )}
        <ColumnChoice columns={columns} hidden={hidden} onChange={setHidden} />
        <Button aria-pressed={grouped} onClick={() => setGrouped(!grouped)}>
          {words.byMount}
        </Button>
        <Button aria-pressed={editing} onClick={() => setEditing(!editing)}>
          {editing ? words.done : words.editHere}
        </Button>
        <span className="text-soft">
          {words.shown(rows.length)}
          <span className="font-semibold text-got">{words.green}</span>
          {words.isInTheLineup}
        </span>
      </div>
      <GearTable
        kind={kind}
        label={label}
        rows={rows}
        columns={columns.filter(([key]) => !hidden.has(key))}
        grouped={grouped}
        editing={editing}
        selected={selected}
        onSelect={onSelect}
      />
    </>
  );
}

function ColumnChoice({
  columns,
  hidden,
  onChange,
}: {
  columns: readonly (readonly [string, string])[];
  hidden: ReadonlySet<string>;
  onChange: (hidden: ReadonlySet<string>) => void;
}) {
  return (
    <Popover.Root>
      <Popover.Trigger asChild>
        <Button>
          <Columns3 size={14} aria-hidden />
          {words.columns}
        </Button>
      </Popover.Trigger>
      <Popover.Portal>
        <Popover.Content
          sideOffset={4}
          className="z-30 border border-edge bg-sheet px-4 py-2"
          aria-label={words.columns2}
        >
          {columns.map(([key, name]) => (
            <label key={key} className="flex min-h-7 items-center gap-2">
              <input
                type="checkbox"
                checked={!hidden.has(key)}
                onChange={(e) => {
                  const next = new Set(hidden);
                  if (e.target.checked) next.delete(key);
                  else next.add(key);
                  onChange(next);
                }}
              />
              {name}
            </label>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
