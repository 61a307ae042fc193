import type { Stretch } from '@/core/brief';
import { stretchAt, type StretchTime } from './outingTimes';
import { evAt, type Seen } from './seen';

/** Photographs that are alike in angle and light: what may be wanted again. */
export interface Cluster {
  readonly stretch: Stretch | null;
  readonly count: number;
  /** Share of the photographs that were looked at, percent. */
  readonly sharePercent: number;
  /** Focal lengths on the 36×24 mm frame that nine in ten of them lie between, mm. */
  readonly fromMm: number;
  readonly toMm: number;
  /** Light in the middle, and that only one in ten is darker than, EV at ISO 100; null where unknown. */
  readonly evMiddle: number | null;
  readonly evDark: number | null;
  /** Exposure time in the middle, s; null where unknown. */
  readonly timeS: number | null;
  readonly photos: readonly number[];
}

/** Sides of the cells that photographs are sorted into: octaves of focal length, stops of light. */
const CELL = { octaves: 1 / 3, stops: 1.5 } as const;
/** Smaller clusters are chance. */
const LEAST = { photos: 3, percent: 2 } as const;

interface Cell {
  readonly x: number;
  readonly y: number;
  readonly photos: number[];
}

/**
 * Clusters by climbing: photographs are sorted into cells of angle and light, cells are smoothed over
 * their neighbours, and each belongs to the hilltop that going up always leads to. One stretch at a
 * time where there are some.
 */
export function clustersOf(
  seen: Seen,
  which: Uint32Array,
  times: readonly StretchTime[],
): Cluster[] {
  const byStretch = new Map<Stretch | null, number[]>();
  for (const i of which) {
    const stretch = stretchAt(times, seen.takenMs[i] ?? NaN)?.stretch ?? null;
    const members = byStretch.get(stretch) ?? [];
    byStretch.set(stretch, members);
    members.push(i);
  }
  return [...byStretch]
    .flatMap(([stretch, photos]) =>
      hills(cellsOf(seen, photos)).map((members) =>
        clusterOf(seen, stretch, members, which.length),
      ),
    )
    .filter((c) => c.count >= LEAST.photos && c.sharePercent >= LEAST.percent)
    .sort((a, b) => b.count - a.count);
}

const cellKey = (x: number, y: number) => `${x} ${y}`;

function cellsOf(seen: Seen, photos: readonly number[]): Map<string, Cell> {
  const cells = new Map<string, Cell>();
  for (const i of photos) {
    const octave = Math.log2(seen.equivalentMm[i] ?? NaN);
    if (Number.isNaN(octave)) continue;
    const ev = evAt(seen.log, i);
    const x = Math.round(octave / CELL.octaves);
    const y = Number.isNaN(ev) ? UNKNOWN_LIGHT : Math.round(ev / CELL.stops);
    const cell = cells.get(cellKey(x, y)) ?? { x, y, photos: [] };
    cells.set(cellKey(x, y), cell);
    cell.photos.push(i);
  }
  return cells;
}
/** A row of cells far from every light. */
const UNKNOWN_LIGHT = -1000;

const AROUND = [-1, 0, 1].flatMap((dx) => [-1, 0, 1].map((dy) => [dx, dy] as const));

/** The photographs of each hill. */
function hills(cells: ReadonlyMap<string, Cell>): number[][] {
  const near = ({ x, y }: Cell) =>
    AROUND.flatMap(([dx, dy]) => cells.get(cellKey(x + dx, y + dy)) ?? []);
  // A cell counts double beside its neighbours.
  const heights = new Map(
    [...cells.values()].map((cell) => [
      cell,
      near(cell).reduce((sum, c) => sum + c.photos.length, cell.photos.length),
    ]),
  );
  const isHigher = (a: Cell, b: Cell) => {
    const [ha, hb] = [heights.get(a) ?? 0, heights.get(b) ?? 0];
    return ha > hb || (ha === hb && (a.x < b.x || (a.x === b.x && a.y < b.y)));
  };
  const topOf = (cell: Cell): Cell => {
    const up = near(cell).reduce((best, c) => (isHigher(c, best) ? c : best), cell);
    return up === cell ? cell : topOf(up);
  };
  const byTop = new Map<Cell, number[]>();
  for (const cell of cells.values()) {
    const top = topOf(cell);
    byTop.set(top, [...(byTop.get(top) ?? []), ...cell.photos]);
  }
  return [...byTop.values()];
}

function clusterOf(
  seen: Seen,
  stretch: Stretch | null,
  photos: readonly number[],
  all: number,
): Cluster {
  const { numbers } = seen.log;
  const focals = sorted(photos.map((i) => seen.equivalentMm[i] ?? NaN));
  const evs = sorted(photos.map((i) => evAt(seen.log, i)));
  const times = sorted(photos.map((i) => numbers.timeS[i] ?? NaN));
  return {
    stretch,
    count: photos.length,
    sharePercent: (100 * photos.length) / Math.max(1, all),
    fromMm: quantile(focals, 0.05) ?? 1,
    toMm: quantile(focals, 0.95) ?? 1,
    evMiddle: quantile(evs, 0.5),
    evDark: quantile(evs, 0.1),
    timeS: quantile(times, 0.5),
    photos,
  };
}

function sorted(values: readonly number[]): number[] {
  return values.filter((v) => !Number.isNaN(v)).sort((a, b) => a - b);
}

/** The value that a share of sorted ones lies below; null of none. */
function quantile(values: readonly number[], share: number): number | null {
  return values[Math.round(share * (values.length - 1))] ?? null;
}
