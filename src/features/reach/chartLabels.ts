import type { CustomSeriesRenderItemAPI, CustomSeriesRenderItemReturn } from 'echarts';
import type { ReachData } from './chartData';
import { bandAnchor, bandBoxes, type ChartColours, spanAnchor } from './chartShapes';

type Shape = Exclude<CustomSeriesRenderItemReturn, null | undefined>;

/** What may be labelled, the more important first. */
interface Wanted {
  readonly text: string;
  readonly x: number;
  readonly y: number;
  /** It is labelled whatever else is there: moved until it covers nothing. */
  readonly always: boolean;
  readonly colour: string;
}

export interface Box {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Mean width of a letter and height of a line of a label, px. */
const LETTER = 6.1;
const LINE = 13;
/** Room between two names, px. */
const GAP = 5;
/** Half of a picture's number with its ring, px. */
const NUMBER = { x: 10, y: 9 } as const;
/** Over its anchor first, then below, then farther off, px. */
const OFFSETS = [-17, 8, -31, 22, -45, 36, -59, 50] as const;
/** What need not be labelled is tried close by alone. */
const NEAR = 2;

export interface Plot {
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
}

/** Names beside what they name, none over another; those that have no room wait for zooming. */
export function placeLabels(
  wanted: readonly Wanted[],
  plot: Plot,
  /** What no name may cover. */
  obstacles: readonly Box[] = [],
): (Wanted & { box: Box })[] {
  const placed: (Wanted & { box: Box })[] = [];
  for (const label of wanted) {
    if (label.x < plot.x || label.x > plot.x + plot.width) continue;
    const width = label.text.length * LETTER;
    const left = Math.min(Math.max(plot.x, label.x - width / 2), plot.x + plot.width - width);
    for (const offset of label.always ? OFFSETS : OFFSETS.slice(0, NEAR)) {
      const box = { x: left, y: label.y + offset, width, height: LINE };
      const isInside = box.y >= plot.y && box.y + LINE <= plot.y + plot.height;
      const covers = (other: Box) => overlap(other, box);
      if (!isInside || obstacles.some(covers) || placed.some((p) => covers(p.box))) continue;
      placed.push({ ...label, box });
      break;
    }
  }
  return placed;
}

function overlap(a: Box, b: Box): boolean {
  const across = a.x < b.x + b.width + GAP && b.x < a.x + a.width + GAP;
  return across && a.y < b.y + b.height && b.y < a.y + a.height;
}

interface LabelInput {
  readonly data: ReachData;
  readonly colours: ChartColours;
  readonly lit: ReadonlySet<string> | null;
}

/** Names of the lineup, or of what is pointed at with what goes with it. */
export function labelShapes(
  { data, colours, lit }: LabelInput,
  api: CustomSeriesRenderItemAPI,
  plot: Plot,
): Shape {
  const isLit = (id: string) => lit?.has(id) ?? false;
  const bands = data.bands.map((band) => {
    const [x, at] = bandAnchor(band, api);
    const isIn = band.standing === 'in';
    const isPointed = isLit(band.lens.id);
    return {
      text: band.lens.name,
      x,
      y: at,
      always: isPointed || (isIn && lit === null),
      rank: isPointed ? 0 : isIn ? 1 : 2,
      colour: isIn ? colours.got : isPointed ? colours.ink : colours.soft,
    };
  });
  const spans = data.spans.map((span) => {
    const [x, at] = spanAnchor(span, api, data.floor);
    return {
      text: span.frame.name,
      x,
      y: at,
      always: isLit(span.frame.id) && (lit?.size ?? 0) === 1,
      rank: isLit(span.frame.id) ? 0 : 2,
      colour: colours.soft,
    };
  });
  const shown = [...bands, ...spans].filter((l) => l.rank === 0 || (lit === null && l.rank === 1));
  const placed = placeLabels(
    shown.sort((a, b) => a.rank - b.rank),
    plot,
    [
      ...spans.map(({ x, y: at }) => ({
        x: x - NUMBER.x,
        y: at - NUMBER.y,
        width: 2 * NUMBER.x,
        height: 2 * NUMBER.y,
      })),
      ...data.bands.filter((b) => b.standing === 'in').flatMap((b) => bandBoxes(b, api)),
    ],
  );
  return {
    type: 'group',
    children: placed.map(({ text, box, colour }) => ({
      type: 'text',
      silent: true,
      style: {
        x: box.x,
        y: box.y,
        text,
        fill: colour,
        stroke: colours.sheet,
        lineWidth: 3,
        font: '11px Commissioner Variable',
      },
    })),
  } as Shape;
}
