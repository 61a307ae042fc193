import type { Frame, FrameId } from '@/core/brief';
import { clearlyBelow, type Interval, type IntervalSet } from '@/core/intervals';
import { BitSet } from './bitSet';
import type { Occasion } from '../problem/opportunities';
import { isOfOnePiece, type OccasionPlaces } from '../problem/positions';

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

/**
 * Cuts an occasion into the cells that imply all others.
 *
 * @param allowed for each maker whether it may be used
 */
export function cellsOf(
  { occasion, twice, axis, places }: OccasionPlaces,
  allowed: readonly boolean[],
): OccasionCells {
  return { occasion, twice, cells: cut(occasion.frame, axis, places, allowed) };
}

/** The cells of a part of an axis, or of all of it. */
export function cut(
  frame: Frame,
  axis: Interval,
  places: ReadonlyMap<number, IntervalSet>,
  allowed: readonly boolean[],
): Cell[] {
  if (isOfOnePiece(frame)) {
    const makers = [...places.keys()].filter((number) => allowed[number]);
    return [{ frameId: frame.id, range: axis, makers: upwards(makers) }];
  }
  const runs = leanestRuns(axis, places, allowed);
  return essentialCells(
    runs.map((run) => ({ frameId: frame.id, ...run })),
    allowed.length,
  );
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
  allowed: readonly boolean[],
): { range: Interval; makers: number[] }[] {
  const now = BitSet.empty(allowed.length);
  const changes: Change[] = [];
  for (const [maker, set] of places) {
    if (!allowed[maker]) continue;
    for (const { from, to } of set) {
      const inside = clearlyBelow(axis.from, to) && clearlyBelow(from, axis.to);
      if (!inside || !clearlyBelow(from, to)) continue;
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
