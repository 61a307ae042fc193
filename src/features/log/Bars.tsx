import { digits, formatPercent } from '@/text';

/** A line of a distribution: what it is, and how many. */
export interface Bar {
  readonly label: string;
  readonly count: number;
  /** Of those, rated with a star or more. */
  readonly kept: number;
}

/** A distribution as lines with bars: the table and the picture in one. */
export function Bars({
  title,
  bars,
  headings,
}: {
  title: string;
  bars: readonly Bar[];
  headings: readonly [what: string, count: string, kept: string];
}) {
  const all = bars.reduce((sum, b) => sum + b.count, 0);
  const most = Math.max(1, ...bars.map((b) => b.count));
  return (
    <table className="w-full border-collapse text-[13px]">
      <caption className="pb-1 text-left font-(family-name:--font-title) text-base">
        {title}
      </caption>
      <thead className="sr-only">
        <tr>
          {headings.map((heading) => (
            <th key={heading} scope="col">
              {heading}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {bars.map((b) => (
          <tr key={b.label} className="border-b border-hair">
            <th scope="row" className="max-w-48 min-w-20 py-0.5 pr-2 text-left font-normal">
              {b.label}
            </th>
            <td className="py-0.5">
              <Strip share={b.count / most} kept={b.count === 0 ? 0 : b.kept / b.count} />
            </td>
            <td className="w-16 py-0.5 pl-2 text-right tabular-nums">
              <span title={digits(b.count, 0)}>
                {formatPercent((100 * b.count) / Math.max(1, all))}
              </span>
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** One bar: hatched for all, solid for those that were rated. */
export function Strip({ share, kept }: { share: number; kept: number }) {
  return (
    <svg
      viewBox="0 0 100 8"
      preserveAspectRatio="none"
      aria-hidden
      className="block h-2.5 w-full min-w-16"
    >
      <rect
        x="0"
        y="0.5"
        width={100 * share}
        height="7"
        fill="var(--got-wash)"
        stroke="var(--got)"
        strokeWidth="0.5"
        vectorEffect="non-scaling-stroke"
      />
      <rect x="0" y="0.5" width={100 * share * kept} height="7" fill="var(--got)" />
    </svg>
  );
}
