import { useMemo } from 'react';
import type { Body } from '@/core/gear';
import type { LineupResult } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { reachData } from './chartData';
import type { Highlight } from './chartOption';
import { servicesOf } from './service';
import { type Filters, shownBy } from './useFilters';

/** What the chart draws of an outing, as far as the filters show it. */
export function useReachData(
  file: OutingFile,
  result: LineupResult | null,
  body: Body | null,
  filters: Filters,
) {
  const { stretchId, mount, which, search } = filters;
  return useMemo(
    () => reachData(file, result, body, shownBy(filters, result)),
    [file, result, body, stretchId, mount, which, search], // eslint-disable-line react-hooks/exhaustive-deps -- filters are what they say
  );
}

/** Which lens serves which picture, for what is pointed at or chosen. */
export function useServices(file: OutingFile, highlight: Highlight | null) {
  const { kind, id } = highlight ?? { kind: null, id: null };
  return useMemo(() => {
    if (kind === null) return [];
    const frames = kind === 'frame' ? file.frames.filter((f) => f.id === id) : file.frames;
    return servicesOf(file, frames, kind === 'lens' ? id : null);
  }, [file, kind, id]);
}
