import { BitSet } from './bitSet';
import { type Cell, essentialCells } from './cells';
import type { Field, Target } from './field';
import { usefulCopies } from './hands';
import { byAims } from './objective';
import type { Piece } from './selectable';

/**
 * The part of a field that decides: occasions that something makes wholly, by their essential
 * cells, with only the lenses that may be needed.
 */
export interface Reduced {
  readonly targets: readonly Target[];
  /** Pieces that are left, in the order of ids. */
  readonly pieces: readonly Piece[];
  /** Pieces that must be taken: what is locked in, and what is tried. */
  readonly forced: ReadonlySet<string>;
}

export interface ReduceOptions {
  /** Pieces to be taken whatever the answer, at their full cost: to see what that would mean. */
  readonly forced?: ReadonlySet<string>;
  /** Only lenses of the same kind may stand for each other. */
  readonly kindOf?: (lensId: string) => string;
  /** Pieces that may be chosen; all when left out. */
  readonly among?: ReadonlySet<string>;
  /** Keep lenses that only the order of ids puts behind another: to list what is equally good. */
  readonly keepTies?: boolean;
  /** Keep every lens. */
  readonly keepAll?: boolean;
  /** Compare by weight and money both, whatever the order of aims: for the trade-off. */
  readonly byResources?: boolean;
}

/**
 * A lens is left out when as many others as can be of use at once make every cell that it makes, in
 * the same hand and on the same body, alone or with the same things behind them, and none of them
 * ranks worse by any aim or limited resource: putting one of them in its place never makes a lineup
 * worse, nor lets two cells share a lens that could not before.
 */
export function reduce(field: Field, options: ReduceOptions = {}): Reduced {
  const { among } = options;
  const pieces = field.choice.pieces.filter((p) => among === undefined || among.has(p.id));
  const allowed = new Set(pieces.map((p) => p.id));
  const forced = new Set(
    pieces.filter((p) => p.lockedIn || options.forced?.has(p.id)).map((p) => p.id),
  );
  const targets = coverable(field, makersAmong(field, allowed));
  if (options.keepAll) return { targets, pieces, forced };
  const kept = undominatedLenses(field, targets, pieces, forced, options);
  return {
    targets: coverable({ ...field, targets }, makersAmong(field, kept)),
    pieces: pieces.filter((p) => kept.has(p.id)),
    forced,
  };
}

function makersAmong(field: Field, allowed: ReadonlySet<string>): BitSet {
  const { makers } = field.makers;
  const mask = BitSet.empty(makers.length);
  makers.forEach(({ kit }, i) => {
    if (
      allowed.has(kit.lensId) &&
      (kit.adapterId === null || allowed.has(kit.adapterId)) &&
      (kit.converterId === null || allowed.has(kit.converterId)) &&
      (kit.tubeId === null || allowed.has(kit.tubeId))
    )
      mask.add(i);
  });
  return mask;
}

/** Targets by the occasions that the makers of a mask can make wholly. */
function coverable({ targets }: Pick<Field, 'targets'>, mask: BitSet): Target[] {
  return targets.flatMap((target) => {
    const occasions = target.occasions.flatMap((o) => {
      const cells = o.cells.map((cell) => ({ ...cell, makers: cell.makers.and(mask) }));
      return cells.some((cell) => cell.makers.isEmpty)
        ? []
        : [{ ...o, cells: essentialCells(cells) }];
    });
    return occasions.length === 0 ? [] : [{ ...target, occasions }];
  });
}

function undominatedLenses(
  field: Field,
  targets: readonly Target[],
  pieces: readonly Piece[],
  forced: ReadonlySet<string>,
  { keepTies = false, byResources = false, kindOf = () => '' }: ReduceOptions,
): Set<string> {
  const copies = usefulCopies(
    field.hands,
    field.frames.some((f) => f.twice),
  );
  const cells = targets.flatMap((t) => t.occasions.flatMap((o) => o.cells));
  const signatures = signaturesOf(field, cells);
  const compare = byAims(field.limits);
  const rank = rankOf(field, compare, keepTies, byResources);
  const ranked = pieces
    .flatMap((piece) => {
      const signature = piece.kind === 'lens' ? signatures.get(piece.id) : undefined;
      return signature ? [{ piece, signature, size: signature.size }] : [];
    })
    .sort(
      (a, b) => b.size - a.size || compare(a.piece, b.piece) || (a.piece.id < b.piece.id ? -1 : 1),
    );
  const kept: typeof ranked = [];
  for (const lens of ranked) {
    let better = 0;
    const kind = kindOf(lens.piece.id);
    for (const k of kept) {
      if (
        kindOf(k.piece.id) === kind &&
        rank(k.piece, lens.piece) &&
        lens.signature.isWithin(k.signature)
      )
        better += 1;
      if (better >= copies) break;
    }
    if (better < copies || forced.has(lens.piece.id)) kept.push(lens);
  }
  return new Set([
    ...kept.map((k) => k.piece.id),
    ...pieces.filter((p) => p.kind !== 'lens' || forced.has(p.id)).map((p) => p.id),
  ]);
}

/** Whether one piece ranks no worse than another by the aims and by every limited resource. */
function rankOf(
  { limits, hands }: Field,
  compare: (a: Piece, b: Piece) => number,
  keepTies: boolean,
  byResources: boolean,
) {
  const weighs =
    byResources ||
    limits.maxLineupWeightG !== null ||
    hands.some((hand) => hand.maxWeightG !== null);
  const costs = byResources || limits.maxSpend !== null;
  const noMore = (a: number | null, b: number | null) => a !== null && (b === null || a <= b);
  return (one: Piece, other: Piece) => {
    const order = compare(one, other);
    if (keepTies && order === 0) return false;
    return (
      (order < 0 || (order === 0 && one.id < other.id)) &&
      (!weighs || noMore(one.weightG, other.weightG)) &&
      (!costs || noMore(one.spend, other.spend))
    );
  };
}

/**
 * What each lens can do: a bit for each cell and slot (hand, body, and what stands behind the lens).
 * A lens that makes a cell bare also stands for everything behind it in that place: it can take the
 * place of a lens that needs the converter.
 */
function signaturesOf(field: Field, cells: readonly Cell[]): Map<string, BitSet> {
  const { makers } = field.makers;
  const slots = [...new Set(makers.map((m) => m.slot))].sort();
  const slotAt = new Map(slots.map((slot, i) => [slot, i]));
  const byWhere = new Map<string, number[]>();
  for (const m of makers) {
    const known = byWhere.get(m.where) ?? [];
    const slot = slotAt.get(m.slot) ?? 0;
    if (!known.includes(slot)) byWhere.set(m.where, [...known, slot]);
  }
  const signatures = new Map<string, BitSet>();
  const marks = makers.map((maker) => {
    const { lensId } = maker.kit;
    const signature = signatures.get(lensId) ?? BitSet.empty(cells.length * slots.length);
    signatures.set(lensId, signature);
    const own = [slotAt.get(maker.slot) ?? 0];
    return { signature, slots: maker.bare ? (byWhere.get(maker.where) ?? own) : own };
  });
  cells.forEach((cell, c) => {
    for (const number of cell.makers) {
      const mark = marks[number];
      if (!mark) continue;
      for (const slot of mark.slots) mark.signature.add(c * slots.length + slot);
    }
  });
  return signatures;
}
