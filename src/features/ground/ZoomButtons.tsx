'use client';

import { Maximize, Minus, Plus } from 'lucide-react';
import { groundText } from '@/text';
import { IconButton } from '@/ui';
import type { Zoom } from './scale';

const t = groundText.page;

const MOST_TIMES = 40;
const STEP = 1.5;

/** Closer, farther, and the whole sheet. */
export function ZoomButtons({
  zoom,
  onZoom,
}: {
  readonly zoom: Zoom;
  readonly onZoom: (zoom: Zoom | null) => void;
}) {
  const by = (factor: number) => () =>
    onZoom({ ...zoom, times: Math.min(MOST_TIMES, Math.max(1, zoom.times * factor)) });
  return (
    <div className="absolute right-2 bottom-2 flex gap-1 print:hidden">
      <IconButton label={t.zoomOut} onClick={by(1 / STEP)}>
        <Minus size={15} aria-hidden />
      </IconButton>
      <IconButton label={t.zoomIn} onClick={by(STEP)}>
        <Plus size={15} aria-hidden />
      </IconButton>
      <IconButton label={t.fit} onClick={() => onZoom(null)}>
        <Maximize size={15} aria-hidden />
      </IconButton>
    </div>
  );
}
