import { footingOf, type FrameId, type Limits, needAxis } from '@/core/brief';
import { ableFinder, type Harder } from '@/core/coverage';
import { clearlyBelow, covers, type Interval, type IntervalSet, union } from '@/core/intervals';
import { BitSet } from './bitSet';
import type { Makers } from './makers';
import type { Occasion } from './occasions';

/**
 * A piece of a frame that one maker either makes or not: a run of distances at which as few makers
 * are able as anywhere near, or the whole of a frame that asks for one place or one setup. Runs
 * beside it at which more makers are able are implied by it and left out.
 */
export interface Cell {
  readonly frameId: FrameId;
  readonly range: Interval;
  /** The makers that make it. */
  readonly makers: BitSet;
}

/** An occasion with its cells; a cell without makers cannot be made by anything. */
export interface OccasionCells {
  readonly occasion: Occasion;
  readonly cells: readonly Cell[];
  /** Two lenses on two bodies are asked for. */
  readonly twice: boolean;
}

/** Cuts one occasion into cells for the setups in its hands. */
export function cellsOf(
  occasion: Occasion,
  { makers, byHand }: Makers,
  limits: Limits,
  harder?: Harder,
): OccasionCells {
  const { frame } = occasion;
  const twice = frame.twice && harder === undefined;
  const able = ableFinder(frame, limits, harder);
  const places = new Map<number, IntervalSet[]>();
  for (const hand of occasion.hands) {
    for (const { setup, maker, bodyMaker } of byHand[hand.index] ?? []) {
      const set = able(setup);
      if (set.length === 0) continue;
      const number = twice ? bodyMaker : maker;
      const known = places.get(number);
      if (known) known.push(set);
      else places.set(number, [set]);
    }
  }
  return { occasion, twice, cells: cut(occasion, places, makers.length) };
}

function cut(
  { frame }: Occasion,
  places: ReadonlyMap<number, readonly IntervalSet[]>,
  makerCount: number,
): Cell[] {
  const axis = needAxis(frame.need).range;
  const footing = footingOf(frame.need);
  if (footing !== 'held' || axis.from === axis.to) {
    const makers = BitSet.empty(makerCount);
    for (const [number, sets] of places) {
      if (footing === 'free' || sets.some((set) => covers(set, axis))) makers.add(number);
    }
    return [{ frameId: frame.id, range: axis, makers }];
  }
  const merged = new Map<number, IntervalSet>();
  for (const [number, sets] of places)
    merged.set(number, sets.length === 1 && sets[0] ? sets[0] : union(sets.flat()));
  return leanestRuns(axis, merged, makerCount).map((run) => ({ frameId: frame.id, ...run }));
}

interface Change {
  readonly at: number;
  readonly opens: boolean;
  readonly maker: number;
}

/**
 * Walks along the axis from change to change and keeps each run after makers have fallen away and
 * before others come in. Able intervals are closed, so the makers able at an end include those of
 * the open runs beside it, and the runs alone decide. Changes nearer than rounding are one.
 */
function leanestRuns(
  axis: Interval,
  places: ReadonlyMap<number, IntervalSet>,
  makerCount: number,
): { range: Interval; makers: BitSet }[] {
  const now = BitSet.empty(makerCount);
  const changes: Change[] = [];
  for (const [maker, set] of places) {
    for (const { from, to } of set) {
      if (!clearlyBelow(from, to)) continue;
      if (!clearlyBelow(axis.from, from)) now.add(maker);
      else if (clearlyBelow(from, axis.to)) changes.push({ at: from, opens: true, maker });
      if (clearlyBelow(to, axis.to)) changes.push({ at: to, opens: false, maker });
    }
  }
  changes.sort((a, b) => a.at - b.at || Number(b.opens) - Number(a.opens));
  const runs: { range: Interval; makers: BitSet }[] = [];
  let leanSince: number | null = axis.from;
  let i = 0;
  while (i < changes.length) {
    const at = changes[i]?.at ?? axis.to;
    const group: Change[] = [];
    for (let next = changes[i]; next && !clearlyBelow(at, next.at); next = changes[i]) {
      group.push(next);
      i += 1;
    }
    if (group.some((c) => c.opens) && leanSince !== null) {
      runs.push({ range: { from: leanSince, to: at }, makers: now.copy() });
      leanSince = null;
    }
    for (const c of group) if (c.opens) now.add(c.maker);
    for (const c of group) if (!c.opens) now.delete(c.maker);
    if (group.some((c) => !c.opens)) leanSince = at;
  }
  if (leanSince !== null)
    runs.push({ range: { from: leanSince, to: axis.to }, makers: now.copy() });
  return runs;
}

/** The cells of one occasion that imply the others: a cell is implied by one with fewer makers. */
export function essentialCells(cells: readonly Cell[]): Cell[] {
  if (cells.length === 1) return [...cells];
  const distinct = [...new Map(cells.map((cell) => [cell.makers.key, cell])).values()];
  const bySize = distinct
    .map((cell) => ({ cell, size: cell.makers.size }))
    .sort((a, b) => a.size - b.size);
  const kept: Cell[] = [];
  for (const { cell } of bySize) {
    if (!kept.some((other) => other.makers.isWithin(cell.makers))) kept.push(cell);
  }
  return kept.sort((a, b) => a.range.from - b.range.from);
}
