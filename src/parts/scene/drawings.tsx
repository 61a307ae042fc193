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
  /** Strokes in the figure's tone: arms, legs, stems. */
  readonly limbs?: string;
  /** How thick those are. */
  readonly limbWidth?: number;
}

const circle = (x: number, y: number, r: number) =>
  `M${x - r} ${y}a${r} ${r} 0 1 0 ${2 * r} 0a${r} ${r} 0 1 0 ${-2 * r} 0Z`;
const oval = (x: number, y: number, rx: number, ry: number) =>
  `M${x - rx} ${y}a${rx} ${ry} 0 1 0 ${2 * rx} 0a${rx} ${ry} 0 1 0 ${-2 * rx} 0Z`;

/** People who differ in stance, so that a group isn't one stamp. */
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
  {
    // Weight on one leg, a hand on the hip.
    width: 40,
    fill: `${oval(20, 8, 5.2, 7.2)}M12 19c5-4 11-4 16 0l1 14-2 20c-5 2-9 2-14 0l-2-20z`,
    limbs: 'M13 20l-8 13 9 9M27 20l5 17-2 13M17 50l-1 24-2 22h-4M24 50l4 22 3 23h4',
    limbWidth: 5,
    lines: 'M14 34h12M20 20v13',
  },
  {
    // Walking, in a coat.
    width: 42,
    fill: `${oval(22, 8, 5.2, 7.2)}M14 19c5-4 11-4 15 0l3 38c-6 3-15 3-21 0z`,
    limbs: 'M15 20l-8 16 5 13M28 20l8 13 5 11M17 55l-7 18-6 22h5M26 55l6 19 1 23h5',
    limbWidth: 5,
    lines: 'M21 20l-1 37M14 40h14',
  },
  {
    // An arm up, calling.
    width: 42,
    fill: `${oval(21, 10, 5.2, 7.2)}M13 21c5-4 11-4 16 0l1 14-2 18c-5 2-9 2-14 0l-2-18z`,
    limbs: 'M14 22L7 11 9 1M28 22l6 15-4 12M18 50l-3 24-1 23h-4M25 50l3 24v23h4',
    limbWidth: 5,
    lines: 'M15 36h12M17 22l4 5 4-5',
  },
];

/** Head and shoulders above others' heads, for a crowd. */
export const CROWD_HEAD: Drawing = {
  width: 60,
  fill: `${oval(30, 30, 15, 20)}M0 100c0-28 12-44 22-48 4 6 12 6 16 0 12 4 22 20 22 48z`,
};

export const DRAWINGS: Readonly<
  Record<Exclude<FigureKind, 'person' | 'people' | 'shell' | 'crowd'>, Drawing>
> = {
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
  fitting: {
    // A U on a pin, as an oar lies in, screwed to a plate.
    width: 120,
    fill: 'M24 4l15 5c-10 28-4 48 21 48s31-20 21-48l15-5c15 36 4 66-28 70v14h26v12H26V88h26V74C20 70 9 40 24 4z',
    light: `${circle(36, 94, 3)}${circle(84, 94, 3)}`,
    lines: 'M33 12c-8 26-2 52 27 52s35-26 27-52M54 76v12M66 76v12',
  },
  tool: {
    // A claw hammer, head up.
    width: 120,
    fill: 'M16 8h14v5h40c16 0 30 8 38 24-10-7-20-9-32-9h-6l4 70c0 4-20 4-20 0l4-70H30v5H16z',
    lines: 'M54 34l-3 60M66 34l3 60M30 13v15M50 28h20',
  },
  flower: {
    width: 100,
    fill: `${circle(50, 15, 13)}${circle(72, 28, 13)}${circle(69, 53, 13)}${circle(31, 53, 13)}${circle(28, 28, 13)}${oval(72, 84, 17, 6)}`,
    light: circle(50, 37, 11),
    limbs: 'M50 50c3 16-3 30 0 48M52 88c6-6 10-6 16-5',
    limbWidth: 4,
    lines: 'M50 24V8M61 32l12-7M58 46l10 9M42 46l-10 9M39 32l-12-7',
  },
  insect: {
    // A butterfly from above.
    width: 140,
    fill: `${oval(70, 52, 5, 34)}${circle(70, 14, 6)}M65 44C46 8 8-4 4 20c-3 22 24 36 61 34zM75 44C94 8 132-4 136 20c3 22-24 36-61 34zM65 56c-30 0-48 14-40 32 8 16 32 2 40-22zM75 56c30 0 48 14 40 32-8 16-32 2-40-22z`,
    light: `${circle(28, 24, 7)}${circle(112, 24, 7)}${circle(40, 78, 5)}${circle(100, 78, 5)}`,
    limbs: 'M67 10L54 0M73 10L86 0',
    limbWidth: 2,
    lines:
      'M64 46C50 34 34 26 16 24M76 46c14-12 30-20 48-22M64 60c-12 4-22 12-30 24M76 60c12 4 22 12 30 24',
  },
  plate: {
    // Food on a plate, seen from the table's edge, with a fork.
    width: 160,
    fill: `${oval(88, 66, 70, 33)}${oval(88, 62, 54, 23)}${circle(70, 56, 13)}${circle(98, 50, 14)}${oval(104, 70, 24, 8)}M6 40h3v20h3V40h3v20h3V40h3v24c0 5-3 8-5 9v26h-4V73c-3-1-6-4-6-9z`,
    lines: 'M62 52c4-5 10-6 15-3M90 46c4-4 11-5 16-1M84 70c12 4 28 4 40 0',
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
      {of.limbs && (
        <path
          d={of.limbs}
          fill="none"
          stroke={tones.figure}
          strokeWidth={of.limbWidth}
          strokeLinecap="round"
          strokeLinejoin="round"
        />
      )}
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
