'use client';

import { useFile } from '@/session';
import type { Filters, Which } from './useFilters';

const BOX = 'min-h-7 border border-edge bg-sheet px-1';

/** Narrows the chart: by stretch, by mount, by name, to what makes something or is taken. */
export function FilterBar({ filters }: { filters: Filters }) {
  const { stretches, shelf } = useFile();
  const mounts = [...new Set(shelf.lenses.map((l) => l.mount))].sort();
  return (
    <div className="mb-1 flex flex-wrap items-center gap-2">
      <select
        aria-label="Lenses drawn"
        className={BOX}
        value={filters.which}
        onChange={(e) => filters.setWhich(e.target.value as Which)}
      >
        <option value="all">all lenses</option>
        <option value="able">lenses that make something alone</option>
        <option value="taken">the lineup alone</option>
      </select>
      {mounts.length > 1 && (
        <select
          aria-label="Mount"
          className={BOX}
          value={filters.mount ?? ''}
          onChange={(e) => filters.setMount(e.target.value || null)}
        >
          <option value="">every mount</option>
          {mounts.map((mount) => (
            <option key={mount}>{mount}</option>
          ))}
        </select>
      )}
      {stretches.length > 0 && (
        <select
          aria-label="Stretch"
          className={BOX}
          value={filters.stretchId ?? ''}
          onChange={(e) => filters.setStretch(e.target.value || null)}
        >
          <option value="">every stretch</option>
          {stretches.map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
            </option>
          ))}
        </select>
      )}
      <input
        aria-label="Search lenses"
        placeholder="Search lenses"
        className={`${BOX} w-36 px-1.5`}
        value={filters.search}
        onChange={(e) => filters.setSearch(e.target.value)}
      />
    </div>
  );
}
