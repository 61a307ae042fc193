'use client';

import { Columns3 } from 'lucide-react';
import { Popover } from 'radix-ui';
import Link from 'next/link';
import { useMemo, useState } from 'react';
import { MOST_BESIDE } from '@/core/compare';
import { type Source, SOURCES } from '@/core/gear';
import { type Kind } from '@/document';
import { useKnownGear } from '@/session';
import { besideHref } from '@/parts';
import { Button, Sentence } from '@/ui';
import { besideText, counted, GEAR_KINDS, inOwnUnits, OWNERSHIPS, shelfText } from '@/text';
import { GearTable } from './GearTable';
import { formatsOn, type Narrowing } from './narrowing';
import { EXTRA_COLUMNS, mountOf, sayingTheSame } from './rows';
import { type GearFilter, NO_FILTER, useGearRows } from './useGearRows';

const words = shelfText.gearList;

interface GearListProps {
  readonly kind: Kind;
  readonly label: string;
  readonly columns: readonly (readonly [string, string])[];
  readonly selected: string | null;
  readonly onSelect: (id: string) => void;
}

const BOX = 'min-h-7 pointer-coarse:min-h-[44px] border border-edge bg-sheet px-1';

/** The table of one kind with its filters, its columns and its ways of changing. */
export function GearList({ kind, label, columns, selected, onSelect }: GearListProps) {
  const [filter, setFilter] = useState<GearFilter>(NO_FILTER);
  const [grouped, setGrouped] = useState(false);
  const [editing, setEditing] = useState(false);
  const [asked, setAsked] = useState<ReadonlyMap<string, boolean>>(new Map());
  const { all, rows } = useGearRows(kind, filter);
  // What tells nothing apart is left out by itself, unless it is asked for or to be typed into.
  const same = useMemo(
    () =>
      new Set(
        editing
          ? []
          : sayingTheSame(
              all,
              columns.map(([key]) => key),
            ),
      ),
    [all, columns, editing],
  );
  const isShown = (key: string) => asked.get(key) ?? !(EXTRA_COLUMNS.has(key) || same.has(key));
  const [ticked, setTicked] = useState<ReadonlySet<string> | null>(null);
  const isLenses = kind === 'lenses';
  return (
    <>
      <div className="mb-1 flex flex-wrap items-center gap-2">
        <GearFilters kind={kind} filter={filter} onChange={setFilter} />
        <ColumnChoice
          columns={columns}
          isShown={isShown}
          onChange={(key, shown) => setAsked(new Map([...asked, [key, shown]]))}
        />
        <Button aria-pressed={grouped} onClick={() => setGrouped(!grouped)}>
          {words.byMount}
        </Button>
        <Button aria-pressed={editing} onClick={() => setEditing(!editing)}>
          {editing ? words.done : words.editHere}
        </Button>
        {isLenses && <Beside ticked={ticked} onChange={setTicked} />}
        <span className="text-soft">
          <Sentence
            parts={words.shown(
              rows.length,
              <span className="font-semibold text-got">{words.green}</span>,
            )}
          />
        </span>
      </div>
      <GearTable
        kind={kind}
        label={label}
        rows={rows}
        columns={columns.filter(([key]) => isShown(key))}
        grouped={grouped}
        editing={editing}
        selected={selected}
        onSelect={onSelect}
        ticks={
          isLenses && ticked
            ? {
                ticked,
                labelOf: besideText.tick,
                tick: (id) => setTicked(toggled(ticked, id)),
              }
            : null
        }
      />
    </>
  );
}

function toggled(ids: ReadonlySet<string>, id: string): ReadonlySet<string> {
  const next = new Set(ids);
  if (!next.delete(id)) next.add(id);
  return next;
}

/** Fewest lenses that stand side by side. */
const FEWEST = 2;

/** Ticks lenses, and leads to where they stand side by side. */
function Beside({
  ticked,
  onChange,
}: {
  readonly ticked: ReadonlySet<string> | null;
  readonly onChange: (ticked: ReadonlySet<string> | null) => void;
}) {
  const count = ticked?.size ?? 0;
  return (
    <>
      <Button
        aria-pressed={ticked !== null}
        onClick={() => onChange(ticked === null ? new Set() : null)}
      >
        {besideText.sideBySide}
      </Button>
      {ticked !== null &&
        (count >= FEWEST && count <= MOST_BESIDE ? (
          <Link prefetch={false} className="font-semibold underline" href={besideHref([...ticked])}>
            {besideText.show(counted(count, 'lens'))}
          </Link>
        ) : (
          <span className="text-soft">{besideText.tickSome}</span>
        ))}
    </>
  );
}

/** What narrows the table down: words, mount, ownership, format, and figures of lenses. */
function GearFilters({
  kind,
  filter,
  onChange,
}: {
  readonly kind: Kind;
  readonly filter: GearFilter;
  readonly onChange: (filter: GearFilter) => void;
}) {
  const shelf = useKnownGear();
  const { text, mount, ownership, narrowing } = filter;
  const change = (part: Partial<GearFilter>) => onChange({ ...filter, ...part });
  const mounts = [...new Set(shelf[kind].map(mountOf))].sort();
  const figure = (name: Exclude<keyof Narrowing, 'format'>, hint: string) => (
    <input
      aria-label={hint}
      placeholder={hint}
      inputMode="decimal"
      value={narrowing[name]}
      onChange={(e) => change({ narrowing: { ...narrowing, [name]: e.target.value } })}
      className={`${BOX} w-26 px-1.5`}
    />
  );
  return (
    <>
      <input
        type="search"
        aria-label={GEAR_KINDS[kind].search}
        placeholder={words.search2}
        value={text}
        onChange={(e) => change({ text: e.target.value })}
        className="min-h-7 pointer-coarse:min-h-[44px] w-32 border border-edge bg-sheet px-1.5"
      />
      <select
        aria-label={words.mount}
        value={mount}
        onChange={(e) => change({ mount: e.target.value })}
        className={BOX}
      >
        <option value="">{words.everyMount}</option>
        {mounts.map((m) => (
          <option key={m}>{m}</option>
        ))}
      </select>
      <select
        aria-label={words.ownership}
        value={ownership}
        onChange={(e) => change({ ownership: e.target.value as Source | '' })}
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
          onChange={(e) => change({ narrowing: { ...narrowing, format: e.target.value } })}
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
    </>
  );
}

function ColumnChoice({
  columns,
  isShown,
  onChange,
}: {
  columns: readonly (readonly [string, string])[];
  isShown: (key: string) => boolean;
  onChange: (key: string, shown: boolean) => void;
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
            <label
              key={key}
              className="flex min-h-7 pointer-coarse:min-h-[44px] items-center gap-2"
            >
              <input
                type="checkbox"
                checked={isShown(key)}
                onChange={(e) => onChange(key, e.target.checked)}
              />
              {name}
            </label>
          ))}
        </Popover.Content>
      </Popover.Portal>
    </Popover.Root>
  );
}
