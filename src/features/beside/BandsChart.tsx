'use client';

import type { SideBySide } from '@/core/compare';
import { useKnownGear } from '@/session';
import { besideText, plainList } from '@/text';
import { RangeBands } from '@/parts';
import { columnName } from './columnName';

const t = besideText;

/** The bands of each lens on each format that it is used on, on the axis that all pages share. */
export function BandsChart({ sides }: { readonly sides: SideBySide }) {
  const { bodies } = useKnownGear();
  const { columns, gaps, overlaps } = sides;
  const rows = columns.flatMap((column) =>
    column.bands.map((band, i) => {
      const names = band.bodyIds.map((id) => bodies.find((b) => b.id === id)?.name ?? '');
      const on = t.on(plainList(names), t.format(band.formatKey));
      return {
        key: `${column.key} ${band.formatKey}`,
        // A lens is named at its first band.
        words: i === 0 ? `${columnName(column)} · ${on}` : on,
        range: band.range,
        isAgain: i > 0,
      };
    }),
  );
  return (
    <>
      <RangeBands {...{ rows, gaps, overlaps }} label={t.chartOf(columns.length)} />
      {columns
        .filter((c) => c.bands.length === 0)
        .map((c) => (
          <p key={c.key} className="text-[13px] text-soft">
            {c.lens.name}: {t.noCamera}
          </p>
        ))}
    </>
  );
}
