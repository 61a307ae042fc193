import type { Picture, PictureSides } from '@/core/coverage';
import type { Figure } from './figureOf';
import { FigureShape } from './FigureShape';
import { partsText } from '@/text';

const t = partsText.scene;

export interface SceneProps {
  readonly figure: Figure | null;
  readonly used: Picture;
  readonly wide: Picture;
  readonly long: Picture;
  /** The long end after the largest crop allowed; null where none is. */
  readonly cropped: Picture | null;
  /** What the framing asks for where no subject is given, widest first. */
  readonly asked: readonly PictureSides[];
  readonly label: string;
}

/** Width over height of the drawing. */
const SHAPE = 1.5;
/** The drawing is at most so many times as wide as the picture taken: else the subject is lost in it. */
const WIDEST = 3.2;
/** Lights far behind, as shares of the picture's sides from its middle. */
const LIGHTS = [
  [-0.36, -0.33],
  [-0.12, -0.4],
  [0.08, -0.27],
  [0.27, -0.37],
  [0.41, -0.24],
] as const;

/** The scene at true scale in the subject's own units, with the edges of what is taken in. */
export function Scene({ figure, used, wide, long, cropped, asked, label }: SceneProps) {
  const shown = viewWidth(used.sides, wide.sides, figure);
  const high = shown / SHAPE;
  const foot = figure ? figure.height / 2 : 0;
  const beyond = wide.sides.width > shown || wide.sides.height > high;
  const diagonal = Math.hypot(used.sides.width, used.sides.height);
  const disc = ((used.blurPercent ?? 0) / 100) * diagonal;
  return (
    <svg
      viewBox={`${-shown / 2} ${-high / 2} ${shown} ${high}`}
      role="img"
      aria-label={label}
      className="block aspect-3/2 w-full border border-hair bg-sheet"
    >
      <Ground foot={foot} width={shown} height={high} />
      <g fill="var(--ink)" opacity={0.4}>
        {LIGHTS.map(([x, y]) => (
          <circle
            key={x}
            cx={x * used.sides.width}
            cy={y * used.sides.height}
            r={Math.max(disc / 2, shown / 250)}
          />
        ))}
      </g>
      {figure && (
        <g transform={`translate(0 ${foot})`} fill="var(--ink-soft)">
          <FigureShape figure={figure} />
        </g>
      )}
      {asked.map((sides) => (
        <Edge key={sides.width} sides={sides} colour="var(--ink-soft)" dash="1 3" thickness={1.5} />
      ))}
      <Edge sides={wide.sides} colour="var(--edge)" thickness={1} />
      {long.focalMm !== wide.focalMm && (
        <Edge sides={long.sides} colour="var(--edge)" thickness={1} />
      )}
      {cropped && <Edge sides={cropped.sides} colour="var(--got)" dash="2 4" thickness={1.5} />}
      <Edge sides={used.sides} colour="var(--ink)" thickness={2.5} />
      {beyond && (
        <text
          x={-shown / 2 + shown * 0.02}
          y={-high / 2 + high * 0.07}
          fontSize={shown * 0.034}
          fill="var(--ink-soft)"
        >
          {t.theWideEndSeesMore}
        </text>
      )}
    </svg>
  );
}

/** All of the wide end where that still lets the subject be seen, and the picture taken in any case. */
function viewWidth(used: PictureSides, wide: PictureSides, figure: Figure | null): number {
  const need = (s: PictureSides) => Math.max(s.width, s.height * SHAPE);
  const least = 1.12 * Math.max(need(used), figure ? need(figure) : 0);
  return Math.max(least, Math.min(1.05 * need(wide), WIDEST * least));
}

function Ground({ foot, width, height }: { foot: number; width: number; height: number }) {
  const far = [0.1, 0.03, 0.13, 0.05, 0.09, 0.02, 0.11]
    .map((y, i) => `${-width / 2 + (i * width) / 6} ${foot - y * height}`)
    .join('L');
  return (
    <>
      <path
        d={`M${-width / 2} ${foot}L${far}L${width / 2} ${foot}z`}
        fill="var(--hair)"
        opacity={0.45}
      />
      <path
        d={`M${-width / 2} ${foot}H${width / 2}`}
        stroke="var(--edge)"
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
    </>
  );
}

function Edge({
  sides,
  colour,
  dash,
  thickness,
}: {
  sides: PictureSides;
  colour: string;
  dash?: string;
  thickness: number;
}) {
  return (
    <rect
      x={-sides.width / 2}
      y={-sides.height / 2}
      width={sides.width}
      height={sides.height}
      fill="none"
      stroke={colour}
      strokeWidth={thickness}
      strokeDasharray={dash}
      vectorEffect="non-scaling-stroke"
    />
  );
}
