import type { Shot } from '@/core/coverage';
import type { FigureKind } from './figureOf';
import { MOST_CROWNS, ridgePath, treePath } from './outlines';
import type { Ground } from './place';
import type { Mood, Tones } from './tones';

/** Where a subject is by its nature. */
type Setting = Ground | 'land' | 'water' | 'air' | 'table' | 'sky' | 'view';

const SETTINGS: Partial<Record<FigureKind, Setting>> = {
  shell: 'water',
  boat: 'water',
  aircraft: 'air',
  smallAircraft: 'air',
  largeBird: 'air',
  hands: 'table',
  ring: 'table',
  fitting: 'table',
  tool: 'table',
  plate: 'table',
  hall: 'room',
  disc: 'sky',
  skyline: 'view',
};

/** Nearer than this a small thing lies on a table, m. */
const CLOSE_M = 1.2;
/** Eyes of the photographer over the ground, m. */
export const EYE_M = 1.6;
/** How far behind the subject trees stand, and how tall; a ridge, the same. m. Our own choice. */
const TREES = { behindM: 80, tallM: 14 } as const;
const RIDGE = { atM: 4000, tallM: 260 } as const;

export function settingOf(
  kind: FigureKind | undefined,
  mood: Mood,
  distanceM: number | null,
  ground: Ground | null,
): Setting {
  const own = kind && SETTINGS[kind];
  if (own) return own;
  if (kind === undefined) return 'view';
  if (distanceM !== null && distanceM < CLOSE_M) return 'table';
  if (mood === 'indoors') return ground === 'stage' ? 'stage' : 'room';
  return ground ?? 'land';
}

interface BehindProps {
  readonly tones: Tones;
  readonly setting: Setting;
  readonly mood: Mood;
  readonly foot: number;
  readonly width: number;
  readonly height: number;
  /** Disc of a point at infinity, in the subject's units. */
  readonly farDisc: number;
  readonly shot: Shot;
  /** So that no two landscapes have the same trees. */
  readonly seed: number;
}

/** What lies behind a subject, and the ground that it stands on. */
export function Behind(props: BehindProps & { readonly isStarry: boolean }) {
  const { setting, isStarry: starry, mood } = props;
  if (setting === 'table') return <Table {...props} />;
  if (setting === 'room') return <Room {...props} />;
  if (setting === 'sky') return mood === 'night' || starry ? <Stars {...props} /> : null;
  if (setting === 'air') return <Clouds {...props} />;
  if (setting === 'view') return <View {...props} />;
  if (setting === 'stage') return <Stage {...props} />;
  return (
    <>
      <Land {...props} />
      {setting === 'shelter' && <Awning {...props} />}
    </>
  );
}

/** A wide country for what is asked for as an angle alone: how far away things are isn't said. */
function View(props: BehindProps & { readonly isStarry: boolean }) {
  const { tones, mood, foot, width, height, isStarry: starry, seed } = props;
  const ground = Math.max(foot, -height / 2);
  return (
    <>
      {(mood === 'night' || starry) && <Stars {...props} />}
      {foot === 0 && (
        <>
          <Soft
            d={ridgePath(width, height * 0.1, height * 0.2, seed)}
            colour={tones.far}
            disc={0}
          />
          <Soft
            d={treePath(width, height * 0.13, height * 0.07, seed)}
            colour={tones.mid}
            disc={0}
          />
        </>
      )}
      <Floor {...{ tones, width, height }} from={foot === 0 ? height * 0.12 : ground} />
      {mood !== 'day' && !starry && <Lamps {...props} y={foot === 0 ? height * 0.08 : ground} />}
    </>
  );
}

/** Ground to the horizon at eye height, trees and a ridge behind; water is ground with ripples. */
function Land({ tones, setting, mood, foot, width, height, farDisc, shot, seed }: BehindProps) {
  const d = shot.distanceM ?? 1;
  const horizon = foot - EYE_M;
  const ridge = ((setting === 'hill' ? 3.5 : 1) * RIDGE.tallM * d) / RIDGE.atM;
  const treesAt = d + TREES.behindM;
  const trees = (TREES.tallM * d) / treesAt;
  const treeFoot = foot - EYE_M * (1 - d / treesAt);
  const bottom = height / 2;
  return (
    <>
      <Soft d={ridgePath(width, horizon, ridge, seed)} colour={tones.far} disc={farDisc} />
      {mood === 'night' || setting === 'street' ? (
        <Street {...{ tones, width, farDisc }} foot={treeFoot} tall={trees} />
      ) : (
        <Soft d={treePath(width, treeFoot, trees, seed)} colour={tones.mid} disc={farDisc} />
      )}
      {horizon < bottom && (
        <Floor {...{ tones, width, height }} from={Math.max(-height / 2, horizon)} />
      )}
      {setting === 'shore' && <Shore {...{ tones, width, height }} from={treeFoot} to={foot} />}
      {setting === 'street' && <Kerbs {...{ tones, width }} from={treeFoot} to={bottom} />}
      {setting === 'hill' && (
        <path
          d={`M${-width / 2} ${foot - 0.35 * (foot - horizon) - height * 0.12}L${width / 2} ${foot}V${bottom}H${-width / 2}Z`}
          fill={tones.mid}
          opacity={0.55}
        />
      )}
      {setting === 'water' && <Ripples {...{ tones, width }} from={horizon} to={bottom} />}
      {mood !== 'day' && <Lamps {...{ tones, width, farDisc }} y={treeFoot - trees * 0.35} />}
    </>
  );
}

/** The ground from a height down to the picture's lower edge. */
function Floor({
  tones,
  width,
  height,
  from,
}: Pick<BehindProps, 'tones' | 'width' | 'height'> & { from: number }) {
  return (
    <rect
      x={-width / 2}
      y={from}
      width={width}
      height={Math.max(0, height / 2 - from)}
      fill={tones.ground}
    />
  );
}

/** A shape whose edge is spread over a disc, as a vector: stacked strokes of the disc's width. */
function Soft({ d, colour, disc }: { d: string; colour: string; disc: number }) {
  if (disc <= 0) return <path d={d} fill={colour} />;
  return (
    <g fill={colour} stroke={colour} strokeLinejoin="round">
      <path d={d} opacity={0.35} strokeWidth={disc} />
      <path d={d} opacity={0.45} strokeWidth={disc / 2} />
      <path d={d} opacity={0.7} stroke="none" />
    </g>
  );
}

/** Water between the far bank and where the subject stands. */
function Shore({
  tones,
  width,
  height,
  from,
  to,
}: Pick<BehindProps, 'tones' | 'width' | 'height'> & { from: number; to: number }) {
  const edge = Math.min(to - 0.12 * (to - from), height / 2);
  if (edge <= from) return null;
  return (
    <>
      <rect x={-width / 2} y={from} width={width} height={edge - from} fill={tones.sky} />
      <Ripples {...{ tones, width }} from={from} to={edge} />
    </>
  );
}

/** The edges of a pavement, running to where they meet. */
function Kerbs({
  tones,
  width,
  from,
  to,
}: Pick<BehindProps, 'tones' | 'width'> & { from: number; to: number }) {
  if (to <= from) return null;
  return (
    <path
      d={`M${-width * 0.06} ${from}L${-width * 0.5} ${to}M${width * 0.06} ${from}L${width * 0.5} ${to}`}
      stroke={tones.mid}
      strokeWidth={width / 160}
      fill="none"
    />
  );
}

/** A scalloped edge over what stands under it, and its posts. */
function Awning({ tones, foot, width, height }: BehindProps) {
  const top = -height / 2;
  const deep = height * 0.13;
  const step = width / 10;
  const post = width / 90;
  return (
    <g fill={tones.mid}>
      <path
        d={`M${-width / 2} ${top}H${width / 2}v${deep}${`q${-step / 2} ${deep * 0.6} ${-step} 0`.repeat(10)}Z`}
      />
      {[-0.44, 0.42].map((at) => (
        <rect key={at} x={at * width} y={top} width={post} height={Math.max(0, foot - top)} />
      ))}
    </g>
  );
}

/** A curtain in folds, the boards, and two lamps above. */
function Stage({ tones, foot, width, height, farDisc }: BehindProps) {
  const folds = Array.from({ length: 13 }, (_, i) => -width / 2 + (i * width) / 12);
  const edge = foot - height * 0.06;
  return (
    <>
      <path
        d={folds.map((x) => `M${x} ${-height / 2}L${x + width / 60} ${edge}`).join('')}
        stroke={tones.far}
        strokeWidth={Math.max(width / 50, farDisc / 2)}
      />
      <g fill={tones.lamp} opacity={0.28}>
        {[-0.28, 0.3].map((at) => (
          <path
            key={at}
            d={`M${at * width} ${-height / 2}L${at * width - width * 0.16} ${edge}h${width * 0.3}Z`}
          />
        ))}
      </g>
      <Floor {...{ tones, width, height }} from={edge} />
      <path
        d={`M${-width / 2} ${edge}H${width / 2}`}
        stroke={tones.mid}
        strokeWidth={width / 200}
      />
    </>
  );
}

function Street({
  tones,
  width,
  foot,
  tall,
  farDisc,
}: Pick<BehindProps, 'tones' | 'width' | 'farDisc'> & { foot: number; tall: number }) {
  const count = Math.max(3, Math.min(MOST_CROWNS, Math.round(width / (tall || width))));
  const step = width / count;
  const side = Math.max(step * 0.1, farDisc);
  return (
    <>
      {Array.from({ length: count }, (_, i) => {
        const h = tall * (0.7 + 0.5 * (((i * 3) % 4) / 3));
        const x = -width / 2 + i * step;
        return (
          <g key={i}>
            <path
              d={`M${x} ${foot}v${-h}l${step / 2} ${-h * 0.18} ${step / 2} ${h * 0.18}v${h}z`}
              fill={tones.far}
            />
            {[0.3, 0.65].map((at) => (
              <rect
                key={at}
                x={x + step * (i % 2 ? 0.25 : 0.6)}
                y={foot - h * at - side / 2}
                width={side}
                height={side * 1.3}
                rx={farDisc > step * 0.1 ? side / 2 : 0}
                fill={tones.lamp}
                opacity={(i * 5 + at * 20) % 3 < 1.4 ? 0.85 : 0.25}
              />
            ))}
          </g>
        );
      })}
    </>
  );
}

const LAMPS_AT = [-0.41, -0.27, -0.1, 0.06, 0.24, 0.38];

/** Lights far behind, each the disc that the lens makes of it. */
function Lamps({
  tones,
  width,
  farDisc,
  y,
}: Pick<BehindProps, 'tones' | 'width' | 'farDisc'> & { y: number }) {
  return (
    <g fill={tones.lamp} opacity={0.75}>
      {LAMPS_AT.map((at, i) => (
        <circle
          key={at}
          cx={at * width}
          cy={y * (1 + 0.04 * (i % 3))}
          r={Math.max(farDisc / 2, width / 150)}
        />
      ))}
    </g>
  );
}

function Ripples({
  tones,
  width,
  from,
  to,
}: {
  tones: Tones;
  width: number;
  from: number;
  to: number;
}) {
  const rows = [0.12, 0.3, 0.52, 0.78];
  const d = rows
    .flatMap((at, r) =>
      [0, 1, 2, 3].map((i) => {
        const x = -width / 2 + width * (((i * 0.27 + r * 0.13) % 1) * 0.95);
        return `M${x} ${from + at * (to - from)}h${width * 0.12}`;
      }),
    )
    .join('');
  return <path d={d} stroke={tones.mid} strokeWidth={width / 240} strokeLinecap="round" />;
}

function Clouds({ tones, width, height, mood }: BehindProps) {
  if (mood === 'night') return null;
  const [w, h] = [width, height];
  return (
    <g fill={tones.far} opacity={0.8}>
      <path
        d={`M${-0.46 * w} ${-0.2 * h}q${0.06 * w} ${-0.14 * h} ${0.14 * w} ${-0.06 * h}q${0.08 * w} ${-0.08 * h} ${0.13 * w} ${0.06 * h}z`}
      />
      <path
        d={`M${0.12 * w} ${0.34 * h}q${0.07 * w} ${-0.16 * h} ${0.16 * w} ${-0.06 * h}q${0.09 * w} ${-0.05 * h} ${0.12 * w} ${0.06 * h}z`}
      />
    </g>
  );
}

/** The same stars each time. */
const STARS = Array.from({ length: 46 }, (_, i) => [
  scattered(i, 12.9898) - 0.5,
  scattered(i, 78.233) - 0.5,
  1 + Math.floor(3 * scattered(i, 39.425)),
]);

/** A number from 0 to 1 that follows no pattern to the eye. */
function scattered(i: number, seed: number): number {
  const far = Math.sin((i + 1) * seed) * 43_758.5453;
  return far - Math.floor(far);
}

function Stars({ tones, width, height }: BehindProps) {
  return (
    <g fill={tones.lamp}>
      {STARS.map(([x, y, r]) => (
        <circle key={`${x} ${y}`} cx={x! * width} cy={y! * height} r={(r! * width) / 620} />
      ))}
    </g>
  );
}

/** A wall with windows, and a floor to where it meets it. */
function Room({ tones, foot, width, height, farDisc, shot }: BehindProps) {
  const d = shot.distanceM ?? 1;
  const wallAt = d + 6;
  const edge = foot - EYE_M * (1 - d / wallAt);
  const window = (1.6 * d) / wallAt;
  const disc = (farDisc * 6) / wallAt;
  return (
    <>
      <Floor {...{ tones, width, height }} from={edge} />
      {[-0.34, -0.02, 0.3].map((at) => (
        <Soft
          key={at}
          d={`M${at * width} ${edge - window * 1.5}h${window * 0.75}v${-window * 1.1}h${-window * 0.75}z`}
          colour={tones.lamp}
          disc={disc}
        />
      ))}
      <path
        d={`M${-width / 2} ${edge}H${width / 2}`}
        stroke={tones.mid}
        strokeWidth={Math.max(disc, width / 300)}
      />
    </>
  );
}

/** A table under something small, and lights far behind it. */
function Table({ tones, foot, width, height, farDisc }: BehindProps) {
  return (
    <>
      <Floor {...{ tones, width, height }} from={foot * 0.55} />
      <path
        d={`M${-width / 2} ${foot * 0.55}H${width / 2}`}
        stroke={tones.mid}
        strokeWidth={width / 220}
      />
      <g fill={tones.far} opacity={0.8}>
        {LAMPS_AT.map((at, i) => (
          <circle
            key={at}
            cx={at * width}
            cy={-height * (0.3 + 0.05 * (i % 3))}
            r={Math.max(farDisc / 2, width / 220)}
          />
        ))}
      </g>
    </>
  );
}

/** Grass halfway to the subject, at the picture's lower edge. */
export function Reeds({ tones, width, height, shot, disc }: BehindProps & { disc: number }) {
  if ((shot.distanceM ?? 0) < 3) return null;
  const { width: w, height: h } = shot.picture.sides;
  const blades = [-0.47, -0.44, -0.4, 0.38, 0.43, 0.46];
  const bottom = Math.min(height, h) / 2;
  const thick = Math.max(width / 260, Math.min(disc, w / 12));
  return (
    <path
      d={blades
        .map(
          (at, i) =>
            `M${at * w} ${bottom}q${0.01 * w} ${-0.08 * h} ${(i % 2 ? 0.02 : -0.015) * w} ${-(0.1 + 0.03 * (i % 3)) * h}`,
        )
        .join('')}
      fill="none"
      stroke={tones.mid}
      strokeWidth={thick}
      strokeLinecap="round"
      opacity={disc > w / 60 ? 0.45 : 0.9}
    />
  );
}
