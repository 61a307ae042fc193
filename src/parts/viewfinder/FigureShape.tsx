import type { Figure, FigureKind } from './figureOf';

const HEAD = 'a8 9 0 1 0 0.1 0';

/** One standing person in a box 33 wide and 100 high, from its left edge at x. */
const person = (x: number) =>
  `M${x + 16.5} 0${HEAD}M${x + 8} 20h17l6 30-5 2-4-18v24l3 42h-7l-2-36h-1l-2 36h-7l3-42v-24l-4 18-5-2z`;

/** Outlines in a box 100 high and as wide as the number before them. */
const OUTLINES: Readonly<Record<Exclude<FigureKind, 'people'>, readonly [number, string]>> = {
  bust: [90, 'M45 2a19 23 0 1 0 .1 0zM2 100c0-30 14-46 34-48h18c20 2 34 18 34 48z'],
  person: [33, person(0)],
  bird: [
    120,
    'M2 62 30 54C38 30 60 20 78 26c4-12 20-14 26-2l14 6-14 4c0 34-26 48-52 42l-8 22-6 0 4-24-18-10z',
  ],
  animal: [
    140,
    'M4 96V60C4 36 18 30 34 30h50l14-26 12-2 4 10 22 12-2 12-20 4-10 18v38h-10V66H34v30H22V70l-6-4v30z',
  ],
  shell: [
    1000,
    'M0 78C200 92 800 92 1000 78L960 96H40zM150 78l20-50 26 0 14 50zM310 78l20-50 26 0 14 50zM470 78l20-50 26 0 14 50zM630 78l20-50 26 0 14 50zM800 78l16-36 22 0 14 36zM190 50 60 96h14L200 60zM350 50 220 96h14L360 60zM510 50 380 96h14L520 60zM670 50 540 96h14L680 60z',
  ],
  boat: [270, 'M4 66h262l-30 34H36zM60 66V34h90l24 32zM100 34V6h6v28z'],
  vehicle: [
    300,
    'M6 76 10 50 70 40 110 8h100l44 36 36 8 4 24H262a26 26 0 0 1-52 0H98a26 26 0 0 1-52 0z',
  ],
  aircraft: [
    350,
    'M0 56 30 44l20 4L34 8h18l40 38 90-4 8-34h14l4 34 110 6c24 4 32 10 32 14s-16 8-40 8H208l-50 22h-20l30-22H60z',
  ],
  hall: [
    250,
    'M0 100V34L125 0l125 34v66zM20 100h210V46L125 18 20 46zM60 100V56h12v44zM119 100V46h12v54zM178 100V56h12v44z',
  ],
  front: [
    160,
    'M0 100V20l80-20 80 20v80zM12 92h24V66H12zM52 92h24V52H52zM84 92h24V52H84zM124 92h24V66h-24zM12 52h24V32H12zM124 52h24V32h-24z',
  ],
  hands: [
    140,
    'M2 78c10-30 30-46 50-50l52-22 10 8-34 20 44-8 4 10-42 14 34 2-2 10-36 4C70 92 30 104 2 98z',
  ],
  ring: [150, 'M75 18a60 38 0 1 0 .1 0zM75 34a42 24 0 1 1-.1 0zM60 14 75 0l15 14-15 10z'],
  disc: [100, 'M50 0a50 50 0 1 0 .1 0z'],
  skyline: [600, 'M0 100 70 58l40 20L200 8l60 56 50-30 70 46 60-40 50 34 60-26 50 52z'],
  thing: [150, 'M0 0h150v100H0zM8 8v84h134V8z'],
};

/** People stand at least this close, as a share of their height. */
const PERSON_ROOM = 0.42;
const MOST_PEOPLE = 24;

/** The subject at true size, its foot at y = 0 and its middle at x = 0, y upwards negative. */
export function FigureShape({ figure }: { figure: Figure }) {
  const { kind, width, height } = figure;
  if (kind === 'people') return <People width={width} height={height} />;
  const [box, path] = OUTLINES[kind];
  return (
    <path
      d={path}
      fillRule="evenodd"
      transform={`translate(${-width / 2} ${-height}) scale(${width / box} ${height / 100})`}
    />
  );
}

function People({ width, height }: { width: number; height: number }) {
  const count = Math.min(MOST_PEOPLE, Math.max(2, Math.floor(width / (height * PERSON_ROOM))));
  const room = width / count;
  return (
    <>
      {Array.from({ length: count }, (_, i) => {
        const tall = height * (i % 3 === 1 ? 0.93 : i % 3 === 2 ? 0.97 : 1);
        const wide = Math.min(room, tall * 0.33);
        return (
          <path
            key={i}
            d={person(0)}
            fillRule="evenodd"
            transform={`translate(${-width / 2 + room * (i + 0.5) - wide / 2} ${-tall}) scale(${wide / 33} ${tall / 100})`}
          />
        );
      })}
    </>
  );
}
