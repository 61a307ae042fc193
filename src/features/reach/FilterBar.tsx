'use client';

import { useState } from 'react';
import { useFile } from '@/session';
import { Button, useNarrow } from '@/ui';
import type { Filters, Which } from './useFilters';
import { reachText } from '@/text';

const t = reachText.filterBar;

const BOX = 'min-h-7 pointer-coarse:min-h-[44px] border border-edge bg-sheet px-1';

/** Narrows the chart: by stretch, by mount, by name, to what makes something or is taken. */
export function FilterBar({ filters }: { filters: Filters }) {
  const { stretches, shelf } = useFile();
  const mounts = [...new Set(shelf.lenses.map((l) => l.mount))].sort();
  const isNarrow = useNarrow();
  const [isOpen, setOpen] = useState(false);
  if (isNarrow && !isOpen)
    return (
      <p className="mb-1">
        <Button aria-expanded={false} onClick={() => setOpen(true)}>
          {t.filters(
            [
              filters.which !== 'all',
              filters.mount !== null,
              filters.stretchId !== null,
              filters.search !== '',
            ].filter(Boolean).length,
          )}
        </Button>
      </p>
    );
  return (
    <div className="mb-1 flex flex-wrap items-center gap-2">
      {isNarrow && (
        <Button aria-expanded onClick={() => setOpen(false)}>
          {t.hideFilters}
        </Button>
      )}
      <select
        aria-label={t.lensesDrawn}
        className={BOX}
        value={filters.which}
        onChange={(e) => filters.setWhich(e.target.value as Which)}
      >
        <option value="all">{t.allLenses}</option>
        <option value="able">{t.lensesThatCoverSomethingAlone}</option>
        <option value="taken">{t.theLineupAlone}</option>
      </select>
      {mounts.length > 1 && (
        <select
          aria-label={t.mount}
          className={BOX}
          value={filters.mount ?? ''}
          onChange={(e) => filters.setMount(e.target.value || null)}
        >
          <option value="">{t.everyMount}</option>
          {mounts.map((mount) => (
            <option key={mount}>{mount}</option>
          ))}
        </select>
      )}
      {stretches.length > 0 && (
        <select
          aria-label={t.stretch}
          className={BOX}
          value={filters.stretchId ?? ''}
          onChange={(e) => filters.setStretch(e.target.value || null)}
        >
          <option value="">{t.everyStretch}</option>
          {stretches.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      )}
      <input
        aria-label={t.searchLenses}
        placeholder={t.searchLenses}
        className={`${BOX} w-36 px-1.5`}
        value={filters.search}
        onChange={(e) => filters.setSearch(e.target.value)}
      />
    </div>
  );
}
