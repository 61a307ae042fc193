import type { ReactNode } from 'react';
import type { FigureKind } from './figureOf';
import type { Tones } from './tones';

/** A drawing in a box 100 high: what is filled with the figure's tone, and strokes upon it. */
interface Drawing {
  readonly width: number;
  readonly fill: string;
  /** Parts in the detail's tone. */
  readonly light?: string;
  /** Strokes in the detail's tone. */
  readonly lines?: string;
}

const circle = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
const oval = (x: number, y: number, rx: number, ry: number) =>
  `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;

/** Two people who differ in stance, so that a group isn't one stamp. */
export const STANDING: readonly Drawing[] = [
  {
    width: 34,
    fill: `${oval(17, 8, 5.4, 7.4)}M14 14h6l1 4c5 1 8 3 9 8l2 24c0 4-4 4-4.500 1l-2.500-18-.5 16 2 46c0 3-6.500 3-7 0l-2-36h-1.500l-3 36c-.5 3-7 3-6.800 0l1.800-46-.5-16-3 18c-.6 3-4.500 3-4-1l3-24c1-5 4-7 8-8z`,
    lines: 'M17 21v31M9.500 52h15M12 19l5 6 5-6',
  },
  {
    width: 34,
    fill: `${oval(18, 8, 5.2, 7.2)}M11 7c0-9 14-10 14 1 1 6 1 8 0 10l-3-6-8 0-3 5c-1-3-1-7 0-10zM15 14h6l1 4c4 1 6 3 7 7l3 20c1 4-3 5-4 2l-4-14 5 32c-2 3-6 3-7 3l2 28c0 3-6 3-6 0l-1-28h-1l-1 28c0 3-6 3-6 0v-28c-3 0-5-1-6-3l6-32-3 13c-1 3-5 2-4-2l4-19c1-4 4-6 7-7z`,
    lines: 'M12.500 40c4 2 8 2 11 0M15 19l3 5 3-5',
  },
];

/** Head and shoulders above others' heads, for a crowd. */
export const CROWD_HEAD: Drawing = {
  width: 60,
  fill: `${oval(30, 30, 15, 20)}M0 100c0-28 12-44 22-48 4 6 12 6 16 0 12 4 22 20 22 48z`,
};

export const DRAWINGS: Readonly<
  Record<Exclude<FigureKind, 'people' | 'shell' | 'crowd'>, Drawing>
> = {
  person: STANDING[0]!,
  bust: {
    width: 90,
    fill: `M2 100c1-22 14-31 34-36v-12c-8-6-12-16-11-28 1-14 9-22 20-22s20 8 20 22c0 12-4 22-11 28v12c20 5 33 14 34 36z`,
    light:
      'M30 34c0-8 3-12 8-15 7 4 16 5 23 3 1 4 1 8 1 12-1 14-8 24-16 24s-15-10-16-24zM40 62c3 4 8 4 11 0l2 6c-5 4-11 4-15 0z',
    lines: '',
  },
  bird: {
    width: 120,
    fill: `M10 66C18 46 36 32 60 30c4-16 22-22 34-12 4 3 6 6 7 9l13 5-13 4c0 26-16 46-40 48-14 1-24-4-34 0L4 96l9-14-10-6zM58 82l-3 17h3l5-17zM68 80l1 19h3l-1-20z`,
    lines: 'M40 50c14-3 28 4 34 22-16 2-28-4-34-22M46 60c8 0 14 3 20 8M4 99h112',
    light: circle(92, 25, 2.6),
  },
  largeBird: {
    width: 113,
    fill: 'M2 56c12-3 24-1 34 2-5-20-2-40 12-54 4 18 10 34 22 48 10 0 20 2 28 5l14 3-14 4c-16 8-36 12-52 8-16-2-32-7-44-16zM52 54c4-20 18-32 38-36-3 18-12 30-22 38z',
    lines: 'M42 26l10 26M48 18l12 32M58 46c6-10 14-17 24-22',
  },
  smallMammal: {
    width: 140,
    fill: `M30 98C6 96 6 66 26 52c16-12 42-14 60-4 2-12 8-18 16-20-6-12-6-24 0-27 7 4 8 16 6 26 12-14 20-14 22-10-2 8-10 12-16 16 10 4 16 12 15 20-6 7-16 6-22 5-2 14-4 28 5 40H95c-4-10-5-16-12-18-6 10-16 15-22 18zM10 72c-8-2-8-12 0-12z`,
    light: circle(113, 42, 2.8),
    lines: 'M36 66c8-10 22-14 34-10M84 78c-4-8-4-16 0-24',
  },
  animal: {
    width: 147,
    fill: 'M16 62c-8-4-8-18-2-24 20-8 50-8 80-2 8-8 12-16 17-23-6-3-10-7-13-13 5 3 10 6 15 8 0-4 4-7 9-8-2 3-4 6-4 10 10 2 19 6 22 14-3 6-12 8-19 6-3 12-8 26-15 32-1 12-2 24-1 36h-7l-4-30c-16 6-36 7-50 1-1 9-1 18-2 29h-7l-4-26c-5-2-11-5-15-10zM47 70l-3 29h-6l-2-28zM96 66l10 33h-6L86 70z',
    lines: 'M24 44c20-5 44-5 64 0',
    light: circle(122, 19, 1.7),
  },
  boat: {
    width: 267,
    fill: 'M4 62c70 8 180 8 259-5-7 21-22 33-42 37H42C22 90 10 78 4 62zM66 60l8-24h78l18 24zM112 34V3h3v31z',
    light: 'M82 42h20l-2 12H77zM108 42h20v12h-21zM134 42h14l8 12h-22zM115 5l24 6-24 7z',
    lines: 'M20 74c70 8 170 8 232-4M0 97h50M70 98h90M180 97h86',
  },
  vehicle: {
    width: 300,
    fill: `M6 78c-2-20 6-26 36-30l42-6c20-28 34-34 66-34h40c26 0 42 12 60 34 28 3 42 9 44 24l-2 12h-28a27 27 0 0 0-54 0H102a27 27 0 0 0-54 0z${circle(75, 78, 21)}${circle(237, 78, 21)}`,
    light: `M98 42c12-16 24-24 52-24h8v24zM166 18h22c18 0 32 8 46 24h-68z${circle(75, 78, 9)}${circle(237, 78, 9)}`,
    lines: 'M162 46v30M170 54h14M14 62h20',
  },
  smallAircraft: {
    width: 333,
    fill: `M18 54c12-10 40-14 74-16l20-16h60l26 16c54 5 100 8 120 6l8-32h16l-5 42c-40 10-120 16-188 16-60 0-112-6-131-16zM58 18c50-9 140-9 206 2v8c-66-7-156-7-206-2zM14 32h4v42h-4z${circle(112, 90, 9)}${circle(176, 90, 9)}`,
    light: 'M116 28h24v12h-34zM146 28h22l16 12h-38z',
    lines: 'M112 80l-4-12M176 80l6-12M150 26l-30 42M300 48h38',
  },
  aircraft: {
    width: 375,
    fill: 'M8 54c0-10 22-16 54-16h236c26 0 40-8 54-36h20l-9 42c8 3 8 10 0 14-36 8-66 8-92 8H62C30 66 8 62 8 54zM146 58l86 38h24l-46-40zM176 72a24 9 0 1 0 48 0a24 9 0 1 0-48 0zM318 46l48 10h10l-30-14z',
    lines: 'M30 47h10M60 47h230M290 56h40',
    light: 'M20 46l14-5v7z',
  },
  hall: {
    width: 257,
    fill: 'M0 100V36L128 0l129 36v64h-12V43L128 11 12 43v57zM52 100V52h8v48zM104 100V44h7v56zM146 100V44h7v56zM197 100V52h8v48z',
    lines: 'M12 46h233M56 52l72-36 72 36M108 44l20-28 20 28M20 92h217',
    light: 'M66 60h32v26H66zM117 54h23v32h-23zM159 60h32v26h-32z',
  },
  front: {
    width: 167,
    fill: 'M4 100V24L84 0l79 24v76z',
    light:
      'M18 32h18v22H18zM48 32h18v22H48zM100 32h18v22h-18zM131 32h18v22h-18zM18 66h18v22H18zM131 66h18v22h-18zM48 66h18v22H48zM100 66h18v22h-18z',
    lines: 'M4 26h159M72 100V64c0-14 24-14 24 0v36M84 54v46M76 14h16',
  },
  hands: {
    width: 136,
    fill: 'M0 70l18-20c14-14 32-20 50-22l40-16c8-3 12 6 5 10L86 36l36-8c9-2 11 8 3 11L90 50l34-2c9 0 9 10 1 11L92 64l24 2c8 2 7 10-1 10l-39-1c-14 14-34 20-54 20L0 99z',
    lines: 'M62 44c8-3 14-5 22-7M64 54c8-2 16-3 24-4M66 64c8-1 16-1 24 0M18 52c-6 12-6 28 4 42',
  },
  ring: {
    width: 150,
    fill: `${oval(75, 62, 60, 36)}${oval(75, 62, 46, 25)}M56 22 66 6h18l10 16-19 16z`,
    lines: 'M56 22h38M66 6l9 32 9-32M24 70c10 16 30 24 52 24',
  },
  disc: {
    width: 100,
    fill: circle(50, 50, 50),
    light: `${oval(36, 34, 15, 12)}${oval(62, 28, 12, 8)}${oval(66, 56, 17, 14)}${oval(34, 68, 9, 7)}`,
  },
  skyline: {
    width: 600,
    fill: 'M0 100 42 72l26 6 40-34 24 10 48-46 34 34 30-14 46 40 38-22 44 26 52-44 40 30 36-12 60 40 40 14z',
    lines: 'M108 44l-10 26M180 8l-12 38 16 20M180 8l14 26M344 54l-8 20M416 28l-14 34M416 28l16 24',
  },
  thing: {
    width: 150,
    fill: 'M8 100V30c0-10 10-14 20-16l40-8c30-4 74 4 74 22v72z',
    lines: 'M8 34c40 12 100 12 134-6M20 52v40M128 48v44',
  },
};

/** One drawing with its foot at 0, so high and so wide. */
export function Drawn({
  of,
  width,
  height,
  tones,
  mirrored = false,
}: {
  of: Drawing;
  width: number;
  height: number;
  tones: Pick<Tones, 'figure' | 'detail'>;
  mirrored?: boolean;
}): ReactNode {
  const x = (mirrored ? -width : width) / of.width;
  return (
    <g
      transform={`translate(${(mirrored ? width : -width) / 2} ${-height}) scale(${x} ${height / 100})`}
      fillRule="evenodd"
    >
      <path d={of.fill} fill={tones.figure} />
      {of.light && <path d={of.light} fill={tones.detail} />}
      {of.lines && (
        <path
          d={of.lines}
          fill="none"
          stroke={tones.detail}
          strokeWidth={1.6}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
    </g>
  );
}
