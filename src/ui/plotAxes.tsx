/** The marks of a plot's axes, written alike wherever one is drawn by hand. */

interface Mark {
  readonly value: number;
  readonly label: string;
  /** Place along the axis, px. */
  readonly at: number;
}

/** The marks of a scale, about so many, each with its label. */
export function marksOf(
  scale: ((value: number) => number) & { ticks: (count: number) => number[] },
  count: number,
  label: (value: number) => string,
): Mark[] {
  return scale.ticks(count).map((value) => ({ value, label: label(value), at: scale(value) }));
}

/** Marks along the foot of a plot. @param y where their words stand, px */
export function AcrossMarks({ marks, y }: { marks: readonly Mark[]; y: number }) {
  return marks.map(({ value, label, at }) => (
    <AxisWords key={value} x={at} y={y} anchor="middle">
      {label}
    </AxisWords>
  ));
}

/** Marks up the left side of a plot, with a line across where one is wanted. */
export function UpMarks({
  marks,
  left,
  right = null,
}: {
  marks: readonly Mark[];
  /** Where the plot begins, px. */
  left: number;
  /** Where the lines end, px; null draws none. */
  right?: number | null;
}) {
  return marks.map(({ value, label, at }) => (
    <g key={value}>
      {right !== null && (
        <path d={`M${left} ${at}H${right}`} stroke="var(--hair)" strokeWidth={0.5} />
      )}
      <AxisWords x={left - 6} y={at + 4} anchor="end">
        {label}
      </AxisWords>
    </g>
  ));
}

/** Words beside an axis: its mark, or what it is of. */
export function AxisWords({
  x,
  y,
  anchor = 'start',
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly anchor?: 'start' | 'middle' | 'end';
  readonly children: string;
}) {
  return (
    <text x={x} y={y} textAnchor={anchor} fontSize={11} fill="var(--ink-soft)">
      {children}
    </text>
  );
}
