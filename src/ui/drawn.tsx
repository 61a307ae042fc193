/** Hatching to fill a shape with, for the drawing that it stands in. */
export function Hatch({ id }: { readonly id: string }) {
  return (
    <defs>
      <pattern
        id={id}
        width="7"
        height="7"
        patternUnits="userSpaceOnUse"
        patternTransform="rotate(45)"
      >
        <path d="M0 0V7" stroke="var(--hair)" strokeWidth="2" />
      </pattern>
    </defs>
  );
}

/** Words on a drawing, readable over its lines. */
export function DrawnWords({
  x,
  y,
  anchor = 'start',
  size = 12,
  bold = false,
  colour = 'var(--ink)',
  hidden = false,
  children,
}: {
  readonly x: number;
  readonly y: number;
  readonly anchor?: 'start' | 'middle' | 'end';
  /** Height of the letters, px. */
  readonly size?: number;
  readonly bold?: boolean;
  readonly colour?: string;
  /** What it says is said elsewhere. */
  readonly hidden?: boolean;
  readonly children: string;
}) {
  return (
    <text
      x={x}
      y={y}
      fontSize={size}
      textAnchor={anchor}
      fontWeight={bold ? 650 : 400}
      fill={colour}
      stroke="var(--sheet)"
      strokeWidth={3}
      paintOrder="stroke"
      aria-hidden={hidden || undefined}
    >
      {children}
    </text>
  );
}
