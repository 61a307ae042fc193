'use client';

import {
  createColumnHelper,
  createSortedRowModel,
  rowSortingFeature,
  sortFn_basic,
  tableFeatures,
  useTable,
} from '@tanstack/react-table';
import type { Interval } from '@/core/intervals';
import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useRef } from 'react';
import type { Kind } from '@/document';
import type { GearRow } from './rows';
import { EditCell, isEditable } from './EditCell';
import { shelfText } from '@/text';

const t = shelfText.gearTable;

const features = tableFeatures({
  rowSortingFeature,
  sortedRowModel: createSortedRowModel(),
  sortFns: { basic: sortFn_basic },
});
const helper = createColumnHelper<typeof features, GearRow>();

const ROW_HEIGHT = 34;

interface GearTableProps {
  readonly kind: Kind;
  readonly label: string;
  readonly rows: readonly GearRow[];
  /** Column keys with their headings. */
  readonly columns: readonly (readonly [string, string])[];
  /** Under a heading for each mount. */
  readonly grouped: boolean;
  /** Figures are changed in their cells. */
  readonly editing: boolean;
  readonly selected: string | null;
  readonly onSelect: (id: string) => void;
  /** Rows that are ticked, and how they are; where they can be. */
  readonly ticks?: Ticks | null;
}

export interface Ticks {
  readonly ticked: ReadonlySet<string>;
  readonly labelOf: (name: string) => string;
  readonly tick: (id: string) => void;
}

/** A table of hundreds of rows: only those in sight are drawn. */
export function GearTable({
  kind,
  label,
  rows,
  columns,
  grouped,
  editing,
  selected,
  onSelect,
  ticks = null,
}: GearTableProps) {
  const scroller = useRef<HTMLDivElement>(null);
  const table = useTable({
    features,
    data: rows as GearRow[],
    columns: helper.columns([
      helper.accessor((row) => row.name, { id: 'name', header: t.name, sortFn: 'basic' }),
      ...columns.map(([key, header]) =>
        helper.accessor((row) => row.cells[key]?.sort, {
          id: key,
          header,
          sortFn: 'basic',
          sortUndefined: 'last',
        }),
      ),
    ]),
    getRowId: (row) => row.id,
  });
  const lines = linesOf(
    table.getRowModel().rows.map((row) => row.original),
    grouped,
  );
  // eslint-disable-next-line react-hooks/incompatible-library -- nothing of it is passed on
  const virtual = useVirtualizer({
    count: lines.length,
    getScrollElement: () => scroller.current,
    estimateSize: () => ROW_HEIGHT,
    overscan: 12,
    initialRect: { width: 800, height: 560 },
  });
  const shown = virtual.getVirtualItems();
  const before = shown[0]?.start ?? 0;
  const after = virtual.getTotalSize() - (shown.at(-1)?.end ?? 0);
  return (
    <div
      ref={scroller}
      tabIndex={0}
      role="region"
      aria-label={label}
      className="relative max-h-[calc(100vh-15rem)] min-h-40 overflow-auto"
    >
      <table className="w-full border-collapse" aria-rowcount={lines.length + 1}>
        <thead className="sticky top-0 z-10 bg-paper">
          {table.getHeaderGroups().map((group) => (
            <tr key={group.id} className="border-b border-ink text-left text-[12px] text-soft">
              {group.headers.map((header) => (
                <HeadCell
                  key={header.id}
                  direction={header.column.getIsSorted()}
                  onSort={header.column.getToggleSortingHandler()}
                >
                  <table.FlexRender header={header} />
                </HeadCell>
              ))}
            </tr>
          ))}
        </thead>
        <tbody>
          {before > 0 && <tr style={{ height: before }} aria-hidden />}
          {shown.map((item) => {
            const row = lines[item.index];
            if (row === undefined) return null;
            return typeof row === 'string' ? (
              <MountRow key={row} mount={row} span={columns.length + 1} />
            ) : (
              <ItemRow
                key={row.id}
                row={row}
                rowIndex={item.index + 2}
                kind={kind}
                columns={columns}
                editing={editing}
                isChosen={row.id === selected}
                onSelect={onSelect}
                ticks={ticks}
              />
            );
          })}
          {after > 0 && <tr style={{ height: after }} aria-hidden />}
        </tbody>
      </table>
    </div>
  );
}

function HeadCell({
  direction,
  onSort,
  children,
}: {
  readonly direction: 'asc' | 'desc' | false;
  readonly onSort: ((event: unknown) => void) | undefined;
  readonly children: ReactNode;
}) {
  const [order, arrow] =
    direction === 'asc'
      ? (['ascending', ' ↑'] as const)
      : direction === 'desc'
        ? (['descending', ' ↓'] as const)
        : (['none', ''] as const);
  return (
    <th scope="col" className="py-1 pr-4 font-normal whitespace-nowrap" aria-sort={order}>
      <button type="button" className="hover:underline" onClick={onSort}>
        {children}
        {arrow}
      </button>
    </th>
  );
}

function MountRow({ mount, span }: { readonly mount: string; readonly span: number }) {
  return (
    <tr style={{ height: ROW_HEIGHT }} className="border-b border-ink">
      <th scope="colgroup" colSpan={span} className="text-left align-bottom">
        {mount}
      </th>
    </tr>
  );
}

interface ItemRowProps extends Pick<
  GearTableProps,
  'kind' | 'columns' | 'editing' | 'onSelect' | 'ticks'
> {
  readonly row: GearRow;
  /** In the whole table, with its heading as the first, for screen readers. */
  readonly rowIndex: number;
  readonly isChosen: boolean;
}

function ItemRow({
  row,
  rowIndex,
  kind,
  columns,
  editing,
  isChosen,
  onSelect,
  ticks = null,
}: ItemRowProps) {
  return (
    <tr
      aria-rowindex={rowIndex}
      style={{ height: ROW_HEIGHT }}
      className={`border-b border-hair ${isChosen ? 'bg-chosen' : 'hover:bg-sheet'}`}
    >
      <td className="pr-4 whitespace-nowrap">
        {ticks && (
          <input
            type="checkbox"
            className="mr-2"
            aria-label={ticks.labelOf(row.name)}
            checked={ticks.ticked.has(row.id)}
            onChange={() => ticks.tick(row.id)}
          />
        )}
        <button
          type="button"
          aria-pressed={isChosen}
          className="text-left whitespace-nowrap"
          onClick={() => onSelect(row.id)}
        >
          <span className={row.standing === 'in' ? 'font-semibold text-got' : 'font-semibold'}>
            {row.name}
          </span>{' '}
          <span className="text-soft">{row.note}</span>
        </button>
      </td>
      {columns.map(([key]) => (
        <td key={key} className="pr-4 whitespace-nowrap">
          {editing && isEditable(key) ? (
            <EditCell kind={kind} id={row.id} name={row.name} column={key} />
          ) : (
            // As broad in every row, so that the bands behind it stand under one another.
            <span className={key === 'range' ? 'inline-block lg:min-w-24' : undefined}>
              {row.cells[key]?.text}
            </span>
          )}
          {key === 'range' && row.band && <BandMark band={row.band} />}
        </td>
      ))}
    </tr>
  );
}

/** The axis of the bands in rows: focal lengths on the 36×24 mm frame, mm, and its length, px. */
const AXIS = { fromMm: 8, toMm: 1000, px: 110 } as const;
/** A lens of one focal length is seen, px. */
const LEAST_PX = 3;

/** What a lens reaches, on an axis that all rows share. */
function BandMark({ band: { from, to } }: { readonly band: Interval }) {
  const at = (mm: number) =>
    (AXIS.px * Math.log(Math.min(AXIS.toMm, Math.max(AXIS.fromMm, mm)) / AXIS.fromMm)) /
    Math.log(AXIS.toMm / AXIS.fromMm);
  return (
    <svg
      width={AXIS.px}
      height={9}
      aria-hidden
      className="ml-2 inline-block align-[-1px] max-lg:hidden"
    >
      <path d={`M0 4.5H${AXIS.px}`} stroke="var(--hair)" />
      <rect
        x={at(from)}
        y={1.5}
        width={Math.max(LEAST_PX, at(to) - at(from))}
        height={6}
        fill="var(--ink-soft)"
      />
    </svg>
  );
}

/** The rows in order, with the name of each mount before its own. */
function linesOf(rows: readonly GearRow[], grouped: boolean): (GearRow | string)[] {
  if (!grouped) return [...rows];
  const groups = new Map<string, GearRow[]>();
  for (const row of rows) {
    const mount = row.cells.mount?.text ?? '';
    groups.set(mount, [...(groups.get(mount) ?? []), row]);
  }
  return [...groups]
    .sort(([a], [b]) => a.localeCompare(b))
    .flatMap(([mount, ownText]) => [mount, ...ownText]);
}
