import type { StretchId } from '@/core/brief';
import type { LensId } from '@/core/gear';
import { BitSet } from './bitSet';
import { essentialCells, type OccasionCells } from './cells';
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
 * A lens is left out when as many others as can be of use at once where it is of use make every cell that it makes, in
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

/** For each maker, whether all its pieces are among those allowed. */
function makersAmong(field: Field, allowed: ReadonlySet<string>): boolean[] {
  return field.makers.map(
    ({ kit }) =>
      allowed.has(kit.lensId) &&
      (kit.adapterId === null || allowed.has(kit.adapterId)) &&
      (kit.converterId === null || allowed.has(kit.converterId)) &&
      (kit.tubeId === null || allowed.has(kit.tubeId)),
  );
}

/** Targets by the occasions that the allowed makers can make wholly. */
function coverable({ targets }: Pick<Field, 'targets'>, allowed: readonly boolean[]): Target[] {
  const all = allowed.every((may) => may);
  return targets.flatMap((target) => {
    const occasions = target.occasions.flatMap((o) => {
      const cells = all
        ? o.cells
        : o.cells.map((cell) => ({ ...cell, makers: cell.makers.filter((i) => allowed[i]) }));
      return cells.some((cell) => cell.makers.length === 0)
        ? []
        : [{ ...o, cells: essentialCells(cells, allowed.length) }];
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
  const occasions = targets.flatMap((t) => t.occasions);
  const twiceIn = new Set(occasions.filter((o) => o.twice).map((o) => o.occasion.stretchId));
  const copies = usefulCopies(field.hands, twiceIn);
  const signatures = signaturesOf(field, occasions, copies);
  const compare = byAims(field.limits);
  const rank = rankOf(field, compare, keepTies, byResources);
  const ranked = pieces
    .flatMap((piece) => {
      const own = piece.kind === 'lens' ? signatures.get(piece.id as LensId) : undefined;
      return own ? [{ piece, ...own, size: own.signature.size }] : [];
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
      if (better >= lens.copies) break;
    }
    if (better < lens.copies || forced.has(lens.piece.id)) kept.push(lens);
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
 * What each lens can do: a bit for each cell and each slot met there (hand, body, and what stands
 * behind the lens). A lens that makes a cell bare also stands for everything behind it in that
 * place: it can take the place of a lens that needs the converter.
 */
function signaturesOf(
  { makers }: Field,
  occasions: readonly OccasionCells[],
  copies: ReadonlyMap<StretchId | null, number>,
): Map<LensId, { signature: BitSet; copies: number }> {
  let bits = 0;
  const marked = occasions.flatMap(({ occasion, cells }) =>
    cells.map((cell) => {
      const bitOf: number[] = [];
      const byWhere: number[][] = [];
      for (const i of cell.makers) {
        const { slot, where } = makers[i]!;
        if (bitOf[slot] !== undefined) continue;
        bitOf[slot] = bits;
        (byWhere[where] ??= []).push(bits);
        bits += 1;
      }
      return { cell, bitOf, byWhere, copies: copies.get(occasion.stretchId) ?? 1 };
    }),
  );
  const marks = new Map<LensId, { signature: BitSet; copies: number }>();
  for (const { cell, bitOf, byWhere, copies: here } of marked) {
    for (const i of cell.makers) {
      const { slot, where, bare, kit } = makers[i]!;
      let own = marks.get(kit.lensId);
      if (!own) marks.set(kit.lensId, (own = { signature: BitSet.empty(bits), copies: 1 }));
      own.copies = Math.max(own.copies, here);
      if (bare) for (const bit of byWhere[where] ?? []) own.signature.add(bit);
      else own.signature.add(bitOf[slot] ?? 0);
    }
  }
  return marks;
}
