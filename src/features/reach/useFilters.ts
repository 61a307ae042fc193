'use client';

import { useState } from 'react';
import type { LineupResult } from '@/core/lineup';
import { useFile, useSelection } from '@/session';
import type { Shown } from './chartData';

/** What of the shelf is drawn. */
export type Which = 'all' | 'able' | 'taken';

/** What the chart is narrowed to; the stretch and the mount stand in the address. */
export interface Filters {
  readonly stretchId: string | null;
  readonly mount: string | null;
  readonly which: Which;
  readonly search: string;
  readonly setStretch: (id: string | null) => void;
  readonly setMount: (mount: string | null) => void;
  readonly setWhich: (which: Which) => void;
  readonly setSearch: (text: string) => void;
}

/** A shelf larger than this opens with only the lenses that make something. */
const LARGE_SHELF = 120;

export function useFilters(): Filters {
  const [stretchId, setStretch] = useSelection('stretch');
  const [mount, setMount] = useSelection('mount');
  const { shelf } = useFile();
  const [which, setWhich] = useState<Which | null>(null);
  const [search, setSearch] = useState('');
  return {
    stretchId,
    mount,
    which: which ?? (shelf.lenses.length > LARGE_SHELF ? 'able' : 'all'),
    search,
    setStretch,
    setMount,
    setWhich,
    setSearch,
  };
}

/** The lenses and frames that the filters leave. */
export function shownBy(
  { stretchId, mount, which, search }: Filters,
  result: LineupResult | null,
): Shown {
  const taken = new Set<string>(result?.lineup.lensIds);
  const covered = new Set<string>(
    result?.lensesOut.filter((l) => l.makes.length > 0).map((l) => l.lensId),
  );
  const words = search.trim().toLowerCase();
  return {
    lens: (lens) =>
      (mount === null || lens.mount === mount) &&
      (which === 'all' || taken.has(lens.id) || (which === 'able' && covered.has(lens.id))) &&
      `${lens.name} ${lens.maker}`.toLowerCase().includes(words),
    frame: (frame) =>
      stretchId === null ||
      frame.stretchIds.length === 0 ||
      frame.stretchIds.some((id) => id === stretchId),
  };
}
