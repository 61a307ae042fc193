import { footingOf, type Frame, type FrameId, needAxis } from '@/core/brief';
import type { Able } from '@/core/coverage';
import { clearlyBelow, covers, type Interval, type IntervalSet, union } from '@/core/intervals';
import { BitSet } from './bitSet';
import type { MakerTable } from './makers';
import type { Occasion } from './occasions';

/**
 * A piece of a frame that one maker either makes or not: a run of distances at which as few makers
 * are able as anywhere near, or the whole of a frame that asks for one place or one setup. Runs
 * beside it at which more makers are able are implied by it and left out.
 */
export interface Cell {
  readonly frameId: FrameId;
  readonly range: Interval;
  /** Numbers of the makers that make it, upwards. */
  readonly makers: readonly number[];
}

/** An occasion with its cells; a cell without makers cannot be made by anything. */
export interface OccasionCells {
  readonly occasion: Occasion;
  readonly cells: readonly Cell[];
  /** Two lenses on two bodies are asked for. */
  readonly twice: boolean;
}

/** Cuts an occasion into cells for the able setups in its hands. */
export function cellsOf(
  occasion: Occasion,
  able: readonly Able[],
  table: MakerTable,
  twice: boolean,
): OccasionCells {
  const places = new Map<number, IntervalSet[]>();
  for (const hand of occasion.hands) {
    for (const { index, places: set } of able) {
      if (!table.isInHand(index, hand)) continue;
      const number = table.numberOf(index, hand, twice);
      const sets = places.get(number);
      if (sets) sets.push(set);
      else places.set(number, [set]);
    }
  }
  return { occasion, twice, cells: cut(occasion.frame, places, table.makers.length) };
}

function cut(
  frame: Frame,
  places: ReadonlyMap<number, readonly IntervalSet[]>,
  makerCount: number,
): Cell[] {
  const axis = needAxis(frame.need).range;
  const footing = footingOf(frame.need);
  if (footing !== 'held' || axis.from === axis.to) {
    const makers = [...places]
      .filter(([, sets]) => footing === 'free' || sets.some((set) => covers(set, axis)))
      .map(([number]) => number);
    return [{ frameId: frame.id, range: axis, makers: upwards(makers) }];
  }
  const merged = new Map<number, IntervalSet>();
  for (const [number, sets] of places)
    merged.set(number, sets.find((set) => covers(set, axis)) ?? union(sets.flat()));
  return leanestRuns(axis, merged, makerCount).map((run) => ({ frameId: frame.id, ...run }));
}

const upwards = (numbers: readonly number[]) => Array.from(Int32Array.from(numbers).sort());

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
): { range: Interval; makers: number[] }[] {
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
  const runs: { range: Interval; makers: number[] }[] = [];
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
      runs.push({ range: { from: leanSince, to: at }, makers: now.members() });
      leanSince = null;
    }
    for (const c of group) if (c.opens) now.add(c.maker);
    for (const c of group) if (!c.opens) now.delete(c.maker);
    if (group.some((c) => !c.opens)) leanSince = at;
  }
  if (leanSince !== null)
    runs.push({ range: { from: leanSince, to: axis.to }, makers: now.members() });
  return runs;
}

/**
 * The cells of one occasion that imply the others: a cell is implied by one with fewer makers.
 *
 * @param makerCount above every number of a maker
 */
export function essentialCells(cells: readonly Cell[], makerCount: number): Cell[] {
  if (cells.length === 1) return [...cells];
  const bySize = [...cells].sort((a, b) => a.makers.length - b.makers.length);
  const kept: { cell: Cell; makers: BitSet }[] = [];
  for (const cell of bySize) {
    const makers = BitSet.of(makerCount, cell.makers);
    if (!kept.some((other) => other.makers.isWithin(makers))) kept.push({ cell, makers });
  }
  return kept.map(({ cell }) => cell).sort((a, b) => a.range.from - b.range.from);
}
