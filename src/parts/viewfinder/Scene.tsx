import type { Frame } from '@/core/brief';
import type { Picture, PictureSides, Shot } from '@/core/coverage';
import { figureOf, Scenery } from '../scene';
import { panelText } from '@/text';

const t = panelText.scene;

export interface SceneProps {
  readonly frame: Frame;
  /** The picture as it is taken, with what is blurred and smeared in it. */
  readonly shot: Shot;
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
/** The scene at true scale in the subject's own units, with the edges of what is taken in. */
export function Scene({ frame, shot, used, wide, long, cropped, asked, label }: SceneProps) {
  const figure = figureOf(frame);
  const shown = viewWidth(used.sides, wide.sides, figure);
  const high = shown / SHAPE;
  const beyond = wide.sides.width > shown || wide.sides.height > high;
  return (
    <svg
      viewBox={`${-shown / 2} ${-high / 2} ${shown} ${high}`}
      role="img"
      aria-label={label}
      className="block aspect-3/2 w-full border border-hair bg-sheet"
    >
      <Scenery frame={frame} shot={shot} area={{ width: shown, height: high }} />
      {asked.map((sides) => (
        <Edge key={sides.width} sides={sides} colour="var(--ink-soft)" dash="1 3" thickness={1.5} />
      ))}
      <Edge sides={wide.sides} colour="var(--tone-4)" thickness={1} />
      {long.focalMm !== wide.focalMm && (
        <Edge sides={long.sides} colour="var(--tone-4)" thickness={1} />
      )}
      {cropped && <Edge sides={cropped.sides} colour="var(--got)" dash="2 4" thickness={1.5} />}
      <Edge sides={used.sides} colour="var(--sheet)" thickness={5} />
      <Edge sides={used.sides} colour="var(--ink)" thickness={2.5} />
      {beyond && (
        <text
          x={-shown / 2 + shown * 0.02}
          y={-high / 2 + high * 0.07}
          fontSize={shown * 0.034}
          fill="var(--tone-4)"
        >
          {t.theWideEndSeesMore}
        </text>
      )}
    </svg>
  );
}

/** All of the wide end where that still lets the subject be seen, and the picture taken in any case. */
function viewWidth(
  used: PictureSides,
  wide: PictureSides,
  figure: ReturnType<typeof figureOf>,
): number {
  const need = (s: PictureSides) => Math.max(s.width, s.height * SHAPE);
  const least = 1.12 * Math.max(need(used), figure ? need(figure) : 0);
  return Math.max(least, Math.min(1.05 * need(wide), WIDEST * least));
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
