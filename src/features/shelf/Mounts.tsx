'use client';

import { type Adapter, mountFits } from '@/core/gear';
import { useKnownGear } from '@/session';
import { Dialog } from '@/ui';
import { counted, shelfText } from '@/text';

const t = shelfText.mounts;

const ROW = 34;
const WIDTH = 620;
const LEFT = 210;
const RIGHT = 430;

interface Line {
  readonly key: string;
  readonly from: number;
  readonly to: number;
  readonly by: Adapter | null;
}

/** Which lens mounts go on which bodies: a line straight on, a dashed one by an adapter. */
export function Mounts({ open, onClose }: { open: boolean; onClose: () => void }) {
  const shelf = useKnownGear();
  const mounts = [...new Set(shelf.lenses.map((l) => l.mount))].sort();
  const rows = Math.max(mounts.length, shelf.bodies.length, 1);
  const y = (i: number, of: number) => ROW / 2 + (i * ROW * rows) / Math.max(1, of);
  const lines = mounts.flatMap((mount, m) =>
    shelf.bodies.flatMap((body, b): Line[] => {
      const ends = { from: y(m, mounts.length), to: y(b, shelf.bodies.length) };
      const key = t.on(mount, body.name);
      if (mountFits(shelf.mounts, body.mount, mount)) return [{ key, ...ends, by: null }];
      return shelf.adapters
        .filter(
          (a) =>
            mountFits(shelf.mounts, body.mount, a.bodyMount) &&
            mountFits(shelf.mounts, a.lensMount, mount),
        )
        .map((a) => ({ key: t.by(key, a.name), ...ends, by: a }));
    }),
  );
  const countOf = (mount: string) => shelf.lenses.filter((l) => l.mount === mount).length;
  return (
    <Dialog
      open={open}
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.whatFitsWhat}
      description={t.lensesByMountOnThe}
      wide
    >
      <svg
        viewBox={`0 0 ${WIDTH} ${ROW * rows}`}
        role="img"
        aria-label={lines.map((l) => l.key).join('; ')}
        className="w-full"
      >
        {lines.map((line) => (
          <g key={line.key}>
            <path
              d={`M${LEFT} ${line.from}C${(LEFT + RIGHT) / 2} ${line.from} ${(LEFT + RIGHT) / 2} ${line.to} ${RIGHT} ${line.to}`}
              fill="none"
              stroke={line.by ? 'var(--edge)' : 'var(--got)'}
              strokeWidth={line.by ? 1 : 2}
              strokeDasharray={line.by ? '5 3' : undefined}
            />
          </g>
        ))}
        {mounts.map((mount, i) => (
          <text
            key={mount}
            x={LEFT - 8}
            y={y(i, mounts.length) + 4}
            textAnchor="end"
            fontSize={13}
            fill="var(--ink)"
          >
            {mount}, {counted(countOf(mount), 'lens')}
          </text>
        ))}
        {shelf.bodies.map((body, i) => (
          <text
            key={body.id}
            x={RIGHT + 8}
            y={y(i, shelf.bodies.length) + 4}
            fontSize={13}
            fill="var(--ink)"
          >
            {body.name}, {body.mount}
          </text>
        ))}
      </svg>
      <ul className="mt-2 text-[13px]">
        {shelf.adapters.map((a) => (
          <li key={a.id}>
            <strong>{a.name}</strong>
            {t.lensesOnCamerasAutofocus(
              a.lensMount,
              a.bodyMount,
              a.autofocus === null ? t.unknown : a.autofocus ? t.works : t.lost,
            )}
          </li>
        ))}
      </ul>
    </Dialog>
  );
}
