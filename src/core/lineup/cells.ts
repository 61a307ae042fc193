import { footingOf, type Frame, type FrameId, type Limits, needAxis } from '@/core/brief';
import { ablePlaces } from '@/core/coverage';
import { type Kit, kitKey, type Setup } from '@/core/gear';
import {
  clearlyBelow,
  containsPoint,
  covers,
  type Interval,
  type IntervalSet,
  union,
} from '@/core/intervals';

/**
 * A piece of a frame that one kit either makes or not: a run of distances between two places where
 * the set of able kits changes, or the whole of a frame that asks for one place or one setup.
 */
export interface Cell {
  readonly frameId: FrameId;
  readonly range: Interval;
  /** Keys of the kits that make it. */
  readonly kits: ReadonlySet<string>;
}

export interface Covering {
  readonly kits: ReadonlyMap<string, Kit>;
  /** Cells by frame, in the order of the axis; a cell without kits cannot be made by anything. */
  readonly cells: ReadonlyMap<FrameId, readonly Cell[]>;
}

/** Cuts every frame into cells for the setups that may be used. */
export function coveringOf(
  setups: readonly Setup[],
  frames: readonly Frame[],
  limits: Limits,
): Covering {
  const kits = new Map<string, Kit>();
  for (const { lensId, converterId } of setups) {
    const kit = { lensId, converterId };
    kits.set(kitKey(kit), kit);
  }
  return { kits, cells: new Map(frames.map((f) => [f.id, frameCells(setups, f, limits)])) };
}

function frameCells(setups: readonly Setup[], frame: Frame, limits: Limits): Cell[] {
  const axis = needAxis(frame.need).range;
  const footing = footingOf(frame.need);
  if (footing !== 'held' || axis.from === axis.to) {
    const enough = (set: IntervalSet) => (footing === 'free' ? set.length > 0 : covers(set, axis));
    const able = setups.filter((s) => enough(ablePlaces(s, frame, limits))).map(kitKey);
    return [{ frameId: frame.id, range: axis, kits: new Set(able) }];
  }
  const placesByKit = new Map<string, Interval[]>();
  for (const setup of setups) {
    const places = ablePlaces(setup, frame, limits);
    if (places.length > 0) {
      placesByKit.set(kitKey(setup), [...(placesByKit.get(kitKey(setup)) ?? []), ...places]);
    }
  }
  const able = [...placesByKit].map(([key, places]) => [key, union(places)] as const);
  const cells: Cell[] = segments(
    axis,
    able.map(([, set]) => set),
  ).map((range) => ({
    frameId: frame.id,
    range,
    kits: new Set(
      able.filter(([, set]) => containsPoint(set, (range.from + range.to) / 2)).map(([key]) => key),
    ),
  }));
  return joinAlike(cells);
}

/**
 * The axis cut at every end of an able interval. Able intervals are closed, so the kits able at an
 * end include those of the open segments beside it, and the segments alone decide.
 */
function segments(axis: Interval, sets: readonly IntervalSet[]): Interval[] {
  const ends = sets
    .flatMap((set) => set.flatMap((piece) => [piece.from, piece.to]))
    .filter((x) => x > axis.from && x < axis.to)
    .sort((a, b) => a - b);
  const cuts = [axis.from];
  for (const x of ends) {
    if (clearlyBelow(cuts.at(-1) ?? axis.from, x) && clearlyBelow(x, axis.to)) cuts.push(x);
  }
  cuts.push(axis.to);
  return cuts.slice(1).map((to, i) => ({ from: cuts[i] ?? axis.from, to }));
}

function joinAlike(cells: readonly Cell[]): Cell[] {
  const joined: Cell[] = [];
  for (const cell of cells) {
    const last = joined.at(-1);
    if (last && sameKits(last.kits, cell.kits)) {
      joined[joined.length - 1] = { ...last, range: { from: last.range.from, to: cell.range.to } };
    } else {
      joined.push(cell);
    }
  }
  return joined;
}

function sameKits(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  return a.size === b.size && isSubset(a, b);
}

export function isSubset(a: ReadonlySet<string>, b: ReadonlySet<string>): boolean {
  for (const key of a) if (!b.has(key)) return false;
  return true;
}

/** The cells of one frame that imply the others: a cell is implied by one with fewer able kits. */
export function essentialCells(cells: readonly Cell[]): Cell[] {
  return cells.filter(
    (cell, i) =>
      !cells.some(
        (other, j) =>
          j !== i && isSubset(other.kits, cell.kits) && (other.kits.size < cell.kits.size || j < i),
      ),
  );
}
