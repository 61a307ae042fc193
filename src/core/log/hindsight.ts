import { type Lens, mountableSetups, type Setup, type Shelf, stackItemIds } from '@/core/gear';
import type { MipModel, MipRow, MipSolver } from '@/core/lineup';
import type { Seen } from './seen';
import { type HindsightRules, type Kind, kindsOf, wouldMake } from './wouldMake';

/** What of the shelf may be chosen in hindsight, and what beside lenses counts as. */
export interface HindsightQuestion {
  /** Bodies with which it is asked, and the gear to choose from. */
  readonly shelf: Shelf;
  readonly rules: HindsightRules;
  /** What a converter, a tube and an adapter count beside a lens's 1. */
  readonly converterPieces: number;
  readonly tubePieces: number;
  readonly adapterPieces: number;
}

/** The most photographs that so many lenses would have made, and with which. */
export interface HindsightPoint {
  /** Lenses, with what the rest counts as. */
  readonly pieces: number;
  readonly itemIds: readonly string[];
  readonly made: number;
  /** No choice of so many makes more. */
  readonly proven: boolean;
  /** At most so many could be made, where that isn't proven. */
  readonly bound: number;
  /** What each lens of it makes that the others of it don't. */
  readonly onlyBy: readonly { readonly itemId: string; readonly count: number }[];
}

export interface Hindsight {
  /** Photographs that were asked about. */
  readonly count: number;
  /** Photographs whose angle isn't known: nothing can be said of them. */
  readonly unknown: number;
  /** Photographs that nothing to choose from would have made. */
  readonly unmade: number;
  /** One point for each count of pieces that makes more than the one before. */
  readonly points: readonly HindsightPoint[];
  /** Of all there is to choose from, what only this lens would have made. */
  readonly onlyBy: readonly { readonly itemId: string; readonly count: number }[];
  /** Kinds of photograph that stand apart after grouping. */
  readonly groups: number;
}

/** Photographs that the same sets of items make. */
interface Group {
  /** Each a smallest set of items that makes them. */
  readonly ways: readonly (readonly string[])[];
  readonly count: number;
}

/** The items of a setup that are chosen together. */
interface ItemSet {
  readonly items: readonly string[];
  readonly key: string;
}

/**
 * The photographs by the sets of items that would have made them. Where a lens alone makes one, what
 * could stand behind it is left out.
 */
export function groupsOf(
  seen: Seen,
  which: Uint32Array,
  shelf: Shelf,
  rules: HindsightRules,
): { readonly groups: readonly Group[]; readonly unknown: number; readonly unmade: number } {
  const { kinds, unknown } = kindsOf(seen, which);
  // Lenses by themselves first: what they make needs nothing behind them.
  const setups = mountableSetups(shelf)
    .map((setup) => ({ setup, set: itemSet(setup) }))
    .sort((a, b) => a.set.items.length - b.set.items.length);
  const groups = new Map<string, { ways: readonly (readonly string[])[]; count: number }>();
  let unmade = 0;
  for (const { kind, count } of kinds) {
    const ways = waysOf(kind, setups, rules);
    if (ways.length === 0) {
      unmade += count;
      continue;
    }
    const key = ways
      .map((way) => way.key)
      .sort()
      .join('|');
    const known = groups.get(key);
    if (known) known.count += count;
    else groups.set(key, { ways: ways.map(({ items }) => items), count });
  }
  return { groups: [...groups.values()], unknown, unmade };
}

function itemSet(setup: Setup): ItemSet {
  const items = [...stackItemIds(setup)].sort();
  return { items, key: items.join('+') };
}

/** The smallest sets of items that would have made photographs of a kind. */
function waysOf(
  kind: Kind,
  setups: readonly { readonly setup: Setup; readonly set: ItemSet }[],
  rules: HindsightRules,
): ItemSet[] {
  const found = new Map<string, ItemSet>();
  const alone = new Set<string>();
  for (const { setup, set } of setups) {
    const isNeedless = set.items.length > 1 && set.items.some((item) => alone.has(item));
    if (isNeedless || found.has(set.key) || !wouldMake(setup, kind, rules)) continue;
    found.set(set.key, set);
    if (set.items.length === 1) alone.add(set.key);
  }
  const several = [...found.values()].filter(({ items }) => items.length > 1);
  const holds = (set: ItemSet, part: ItemSet) =>
    part.items.length < set.items.length && part.items.every((item) => set.items.includes(item));
  return [...found.values()].filter(
    (set) => set.items.length === 1 || !several.some((part) => holds(set, part)),
  );
}

/**
 * For each count of lenses and what stands behind them, as the person counts, the most of these photographs
 * that no more would have made: a covering model that is solved to its proven end, or said to be cut.
 *
 * @param leftS seconds left for all of it
 */
export function hindsight(
  solver: MipSolver,
  seen: Seen,
  which: Uint32Array,
  question: HindsightQuestion,
  leftS: () => number,
): Hindsight {
  const { groups, unknown, unmade } = groupsOf(seen, which, question.shelf, question.rules);
  const items = [...new Set(groups.flatMap((g) => g.ways.flat()))].sort();
  const pieces = items.map((id) => piecesOf(id, question));
  const points = pointsOf(solver, { groups, items, pieces, question }, leftS);
  return {
    count: which.length,
    unknown,
    unmade,
    points,
    onlyBy: onlyBy(groups, new Set(items), lensIdsOf(question.shelf, items)),
    groups: groups.length,
  };
}

function lensIdsOf({ lenses }: Shelf, items: readonly string[]): readonly string[] {
  const ids = new Set<string>(lenses.map((l: Lens) => l.id));
  return items.filter((id) => ids.has(id));
}

function piecesOf(id: string, { shelf, ...q }: HindsightQuestion): number {
  const among = (list: readonly { readonly id: string }[]) => list.some((item) => item.id === id);
  if (among(shelf.converters)) return q.converterPieces;
  if (among(shelf.tubes)) return q.tubePieces;
  return among(shelf.adapters) ? q.adapterPieces : 1;
}

interface Posed {
  readonly groups: readonly Group[];
  readonly items: readonly string[];
  readonly pieces: readonly number[];
  readonly question: HindsightQuestion;
}

function pointsOf(solver: MipSolver, posed: Posed, leftS: () => number): HindsightPoint[] {
  const { groups, items, pieces, question } = posed;
  if (groups.length === 0) return [];
  const model = modelOf(posed);
  const all = groups.reduce((sum, g) => sum + g.count, 0);
  const costs = Array.from({ length: model.columnCount }, (_, c) =>
    c < groups.length ? -(groups[c]?.count ?? 0) : 0,
  );
  // Among choices that make as many, the lighter one, and of those the owned one, by the order of ids.
  const weights = tieCosts(posed, model.columnCount, groups.length);
  const points: HindsightPoint[] = [];
  for (const most of countsOf(pieces)) {
    const session = solver.open({
      ...model,
      rows: [
        ...model.rows,
        {
          lower: -Infinity,
          upper: most + COUNT_TOLERANCE,
          columns: items.map((_, i) => groups.length + i),
          coefficients: [...pieces],
        },
      ],
    });
    try {
      const outcome = session.minimise(costs, leftS());
      if (outcome.kind === 'infeasible' || outcome.values === null) break;
      const proven = outcome.kind === 'optimal';
      const bound = proven ? Math.round(-outcome.objective) : Math.floor(-outcome.bound + 1e-6);
      let values = outcome.values;
      if (proven) {
        session.hold({ costs, value: outcome.objective });
        const lighter = session.minimise(weights, leftS());
        if (lighter.kind === 'optimal') values = lighter.values;
      }
      const chosen = new Set(items.filter((_, i) => (values[groups.length + i] ?? 0) > 0.5));
      const made = madeBy(groups, chosen);
      if (made > (points.at(-1)?.made ?? 0))
        points.push({
          pieces: items.reduce((sum, id, i) => sum + (chosen.has(id) ? (pieces[i] ?? 0) : 0), 0),
          itemIds: [...chosen],
          made,
          proven,
          bound,
          onlyBy: onlyBy(groups, chosen, lensIdsOf(question.shelf, [...chosen])),
        });
      if (made === all) break;
    } finally {
      session.close();
    }
  }
  return points;
}

/** Two counts of pieces that differ by less are one. */
const COUNT_TOLERANCE = 1e-6;
/** Counts asked about, before they are asked in quarters. */
const MOST_COUNTS = 400;

/** What some of the items can count together, upwards from what counts least. */
function countsOf(pieces: readonly number[]): readonly number[] {
  const exact = (count: number) => Math.round(count / COUNT_TOLERANCE) * COUNT_TOLERANCE;
  let counts = new Set([0]);
  for (const p of pieces)
    if (counts.size <= MOST_COUNTS)
      counts = new Set([...counts, ...[...counts].map((count) => exact(count + p))]);
  const all = pieces.reduce((sum, p) => sum + p, 0);
  const asked =
    counts.size <= MOST_COUNTS
      ? [...counts]
      : Array.from({ length: Math.ceil(4 * all) }, (_, i) => (i + 1) / 4);
  return asked.filter((count) => count > 0).sort((a, b) => a - b);
}

/** How many photographs a set of items makes. */
export function madeBy(groups: readonly Group[], items: ReadonlySet<string>): number {
  return groups.reduce(
    (sum, g) => sum + (g.ways.some((way) => way.every((id) => items.has(id))) ? g.count : 0),
    0,
  );
}

/** What of a set's photographs would be lost without each of some lenses. */
function onlyBy(
  groups: readonly Group[],
  items: ReadonlySet<string>,
  lensIds: readonly string[],
): { itemId: string; count: number }[] {
  const made = madeBy(groups, items);
  return lensIds.map((itemId) => {
    const without = new Set(items);
    without.delete(itemId);
    return { itemId, count: made - madeBy(groups, without) };
  });
}

/** Columns: a group each, an item each, a set of several items each. */
function modelOf({ groups, items }: Posed): MipModel {
  const itemAt = new Map(items.map((id, i) => [id, groups.length + i]));
  const stackAt = new Map<string, number>();
  const rows: MipRow[] = [];
  let columnCount = groups.length + items.length;
  const columnOf = (way: readonly string[]): number => {
    const [first] = way;
    if (way.length === 1 && first !== undefined) return itemAt.get(first) ?? -1;
    const key = way.join('+');
    const known = stackAt.get(key);
    if (known !== undefined) return known;
    const column = columnCount;
    columnCount += 1;
    stackAt.set(key, column);
    for (const id of way)
      rows.push({
        lower: 0,
        upper: Infinity,
        columns: [itemAt.get(id) ?? -1, column],
        coefficients: [1, -1],
      });
    return column;
  };
  groups.forEach((group, g) => {
    const ways = group.ways.map(columnOf);
    rows.push({
      lower: 0,
      upper: Infinity,
      columns: [...ways, g],
      coefficients: [...ways.map(() => 1), -1],
    });
  });
  const isItem = (c: number) => c >= groups.length && c < groups.length + items.length;
  const columns = Array.from({ length: columnCount }, (_, c) => c);
  return {
    columnCount,
    lower: columns.map(() => 0),
    upper: columns.map(() => 1),
    integer: columns.map(isItem),
    rows,
  };
}

/** A weight that isn't known counts as the heaviest that is. */
function tieCosts({ items, question }: Posed, columnCount: number, firstItem: number): number[] {
  const { lenses, converters, tubes, adapters } = question.shelf;
  const known = new Map<string, { weightG: number | null; ownership: string }>(
    [...lenses, ...converters, ...tubes, ...adapters].map((item) => [item.id, item]),
  );
  const heaviest = Math.max(1, ...[...known.values()].map((item) => item.weightG ?? 0));
  return Array.from({ length: columnCount }, (_, c) => {
    const item = known.get(items[c - firstItem] ?? '');
    if (item === undefined) return 0;
    return (item.weightG ?? heaviest) + (item.ownership === 'owned' ? 0 : OWN_FIRST_G);
  });
}
/** An owned item may weigh so much more than one that isn't, and is still chosen among equals. */
const OWN_FIRST_G = 1;

/** The fewest pieces that would have made a share of the photographs; null where nothing does. */
export function fewestFor(
  { points, count, unknown }: Pick<Hindsight, 'points' | 'count' | 'unknown'>,
  percent: number,
): HindsightPoint | null {
  const needed = ((count - unknown) * percent) / 100;
  return points.find((p) => p.made >= needed - 1e-9) ?? null;
}
