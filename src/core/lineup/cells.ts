import { footingOf, type Frame, type FrameId, type Limits, needAxis } from '@/core/brief';
import { ableFinder } from '@/core/coverage';
import { type Kit, kitKey, type LensId, type Setup } from '@/core/gear';
import { clearlyBelow, covers, type Interval, type IntervalSet, union } from '@/core/intervals';
import { KitSet } from './kitSet';

/**
 * A piece of a frame that one kit either makes or not: a run of distances at which as few kits are
 * able as anywhere near, or the whole of a frame that asks for one place or one setup. Runs beside
 * it at which more kits are able are implied by it and left out.
 */
export interface Cell {
  readonly frameId: FrameId;
  readonly range: Interval;
  /** The kits that make it. */
  readonly kits: KitSet;
}

export interface Covering {
  /** Kits by their number, in the order of their keys. */
  readonly kits: readonly Kit[];
  /** Cells by frame, in the order of the axis; a cell without kits cannot be made by anything. */
  readonly cells: ReadonlyMap<FrameId, readonly Cell[]>;
}

/** Cuts every frame into cells for the setups that may be used. */
export function coveringOf(
  setups: readonly Setup[],
  frames: readonly Frame[],
  limits: Limits,
): Covering {
  const byKey = new Map<string, { kit: Kit; setups: Setup[] }>();
  for (const setup of setups) {
    const { lensId, converterId } = setup;
    const key = kitKey(setup);
    const known = byKey.get(key);
    if (known) known.setups.push(setup);
    else byKey.set(key, { kit: { lensId, converterId }, setups: [setup] });
  }
  const kits = [...byKey].sort(([a], [b]) => (a < b ? -1 : 1)).map(([, entry]) => entry);
  return {
    kits: kits.map((entry) => entry.kit),
    cells: new Map(
      frames.map((f) => [
        f.id,
        frameCells(
          kits.map((entry) => entry.setups),
          f,
          limits,
        ),
      ]),
    ),
  };
}

/** The lenses of a cell's kits. */
export function lensesOf(kits: KitSet, covering: Covering): LensId[] {
  const ids = new Set<LensId>();
  for (const kit of kits) {
    const lensId = covering.kits[kit]?.lensId;
    if (lensId !== undefined) ids.add(lensId);
  }
  return [...ids].sort();
}

function frameCells(
  setupsByKit: readonly (readonly Setup[])[],
  frame: Frame,
  limits: Limits,
): Cell[] {
  const axis = needAxis(frame.need).range;
  const footing = footingOf(frame.need);
  const able = ableFinder(frame, limits);
  if (footing !== 'held' || axis.from === axis.to) {
    const enough = (set: IntervalSet) => (footing === 'free' ? set.length > 0 : covers(set, axis));
    const makers = setupsByKit.flatMap((setups, kit) =>
      setups.some((s) => enough(able(s))) ? [kit] : [],
    );
    return [{ frameId: frame.id, range: axis, kits: KitSet.of(setupsByKit.length, makers) }];
  }
  const places = setupsByKit.map((setups) => union(setups.flatMap((s) => [...able(s)])));
  return leanestRuns(axis, places).map(({ range, kits }) => ({ frameId: frame.id, range, kits }));
}

interface Change {
  readonly at: number;
  readonly opens: boolean;
  readonly kit: number;
}

/**
 * Walks along the axis from change to change and keeps each run after kits have fallen away and
 * before others come in. Able intervals are closed, so the kits able at an end include those of the
 * open runs beside it, and the runs alone decide. Changes nearer than rounding are one.
 */
function leanestRuns(
  axis: Interval,
  places: readonly IntervalSet[],
): { range: Interval; kits: KitSet }[] {
  const now = KitSet.empty(places.length);
  const changes: Change[] = [];
  places.forEach((set, kit) => {
    for (const { from, to } of set) {
      if (!clearlyBelow(from, to)) continue;
      if (!clearlyBelow(axis.from, from)) now.add(kit);
      else if (clearlyBelow(from, axis.to)) changes.push({ at: from, opens: true, kit });
      if (clearlyBelow(to, axis.to)) changes.push({ at: to, opens: false, kit });
    }
  });
  changes.sort((a, b) => a.at - b.at || Number(b.opens) - Number(a.opens));
  const runs: { range: Interval; kits: KitSet }[] = [];
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
      runs.push({ range: { from: leanSince, to: at }, kits: now.copy() });
      leanSince = null;
    }
    for (const c of group) if (c.opens) now.add(c.kit);
    for (const c of group) if (!c.opens) now.delete(c.kit);
    if (group.some((c) => !c.opens)) leanSince = at;
  }
  if (leanSince !== null) runs.push({ range: { from: leanSince, to: axis.to }, kits: now.copy() });
  return runs;
}

/** The cells of one frame that imply the others: a cell is implied by one with fewer able kits. */
export function essentialCells(cells: readonly Cell[]): Cell[] {
  const distinct = [...new Map(cells.map((cell) => [cell.kits.key, cell])).values()];
  const bySize = distinct
    .map((cell) => ({ cell, size: cell.kits.size }))
    .sort((a, b) => a.size - b.size);
  const kept: Cell[] = [];
  for (const { cell } of bySize) {
    if (!kept.some((other) => other.kits.isWithin(cell.kits))) kept.push(cell);
  }
  return kept.sort((a, b) => a.range.from - b.range.from);
}
