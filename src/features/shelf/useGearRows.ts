import { useDeferredValue, useMemo } from 'react';
import { takenItems } from '@/core/carry';
import { itemsOf, type Source } from '@/core/gear';
import { doubled, type Kind } from '@/document';
import { useAnswer, useDesk, useFile, useKnownGear } from '@/session';
import { shelfText } from '@/text';
import { type Narrowing, narrowsBody, narrowsLens, NO_NARROWING } from './narrowing';
import { adapterRow, bodyRow, converterRow, type GearRow, lensRow, tubeRow } from './rows';

const words = shelfText.gearList;

/** What narrows a table of gear down; empty texts narrow nothing. */
export interface GearFilter {
  readonly text: string;
  readonly mount: string;
  readonly ownership: Source | '';
  readonly narrowing: Narrowing;
}
export const NO_FILTER: GearFilter = {
  text: '',
  mount: '',
  ownership: '',
  narrowing: NO_NARROWING,
};

/** The rows of one kind of gear, with what looks like the same thing noted: all, and those that a filter leaves. */
export function useGearRows(
  kind: Kind,
  filter: GearFilter,
): { readonly all: readonly GearRow[]; readonly rows: readonly GearRow[] } {
  const { shelf: coming, limits, outing } = useFile();
  const { plan } = useDesk();
  const shelf = useKnownGear();
  const { result } = useAnswer();
  const { mount, ownership } = filter;
  const wanted = useDeferredValue(filter.text).toLowerCase();
  const narrowing = useDeferredValue(filter.narrowing);
  const all = useMemo(() => {
    const inLineup = new Set<string>(result ? takenItems(result) : []);
    const context = {
      currency: outing.currency,
      limits,
      inLineup,
      standing: new Map(itemsOf(coming).map((i) => [i.id as string, i.ownership])),
      shelf,
      alone: new Set<string>(itemsOf(plan.alone).map((i) => i.id)),
    };
    const made = {
      lenses: () => shelf.lenses.map((l) => lensRow(l, context)),
      bodies: () => shelf.bodies.map((b) => bodyRow(b, context)),
      converters: () => shelf.converters.map((c) => converterRow(c, context)),
      tubes: () => shelf.tubes.map((t) => tubeRow(t, context)),
      adapters: () => shelf.adapters.map((a) => adapterRow(a, context)),
    }[kind]();
    const alike = doubled(shelf, kind);
    return made.map((row) => {
      const other = alike.get(row.id);
      return other ? { ...row, note: words.looksLike(row.note, other.name) } : row;
    });
  }, [kind, limits, outing.currency, result, shelf, coming, plan.alone]);
  const rows = useMemo(() => {
    const narrowed = new Set<string>(
      kind === 'lenses'
        ? shelf.lenses.filter(narrowsLens(shelf, narrowing)).map((l) => l.id)
        : kind === 'bodies'
          ? shelf.bodies.filter(narrowsBody(narrowing)).map((b) => b.id)
          : all.map((row) => row.id),
    );
    return all.filter(
      (row) =>
        narrowed.has(row.id) &&
        (mount === '' || row.cells.mount?.text === mount) &&
        (ownership === '' || row.cells.ownership?.sort === ownership) &&
        (wanted === '' ||
          `${row.name} ${row.note} ${Object.values(row.cells)
            .map((c) => c.text)
            .join(' ')}`
            .toLowerCase()
            .includes(wanted)),
    );
  }, [kind, shelf, narrowing, all, mount, ownership, wanted]);
  return { all, rows };
}
