import { useDeferredValue, useMemo } from 'react';
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

/** The rows of one kind of gear that a filter leaves, with what looks like the same thing noted. */
export function useGearRows(kind: Kind, filter: GearFilter): GearRow[] {
  const { shelf: coming, limits, outing } = useFile();
  const { plan } = useDesk();
  const shelf = useKnownGear();
  const { result } = useAnswer();
  const { mount, ownership } = filter;
  const wanted = useDeferredValue(filter.text).toLowerCase();
  const narrowing = useDeferredValue(filter.narrowing);
  return useMemo(() => {
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
      shelf,
      alone: new Set<string>(itemsOf(plan.alone).map((i) => i.id)),
    };
    const all = {
      lenses: () =>
        shelf.lenses.filter(narrowsLens(shelf, narrowing)).map((l) => lensRow(l, context)),
      bodies: () => shelf.bodies.filter(narrowsBody(narrowing)).map((b) => bodyRow(b, context)),
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
        (ownership === '' || row.cells.ownership?.sort === ownership) &&
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
    ownership,
    narrowing,
    outing.currency,
    result,
    shelf,
    coming,
    plan.alone,
    wanted,
  ]);
}
