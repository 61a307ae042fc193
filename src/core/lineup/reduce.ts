import type { FrameId } from '@/core/brief';
import { type Cell, type Covering, essentialCells } from './cells';
import { KitSet } from './kitSet';
import type { Piece } from './selectable';

/**
 * The part of a covering that decides: frames that something makes wholly, by their essential
 * cells, with only the lenses that may be needed.
 *
 * A lens is left out when another one makes every cell that it makes, alone or with the same
 * converter, and ranks no worse by weight, price and id: putting the other in its place never makes
 * a lineup worse by any aim, nor lets two cells share a lens that could not before.
 */
export interface Reduced {
  readonly cells: ReadonlyMap<FrameId, readonly Cell[]>;
  readonly lensIds: ReadonlySet<string>;
}

export function reduce(covering: Covering, pieces: readonly Piece[]): Reduced {
  const coverable = [...covering.cells].filter(([, cells]) =>
    cells.every((cell) => !cell.kits.isEmpty),
  );
  const lensIds = undominatedLenses(
    covering,
    coverable.flatMap(([, cells]) => cells),
    pieces,
  );
  const kept = covering.kits.flatMap((kit, i) => (lensIds.has(kit.lensId) ? [i] : []));
  const mask = KitSet.of(covering.kits.length, kept);
  return {
    lensIds,
    cells: new Map(
      coverable.map(([id, cells]) => [
        id,
        essentialCells(cells.map((cell) => ({ ...cell, kits: cell.kits.and(mask) }))),
      ]),
    ),
  };
}

function undominatedLenses(
  covering: Covering,
  cells: readonly Cell[],
  pieces: readonly Piece[],
): ReadonlySet<string> {
  const lenses = pieces.filter((p) => p.kind === 'lens');
  const signatures = signaturesOf(covering, cells);
  const ranked = lenses
    .flatMap((piece) => {
      const signature = signatures.get(piece.id);
      return signature ? [{ piece, signature, size: signature.size }] : [];
    })
    .sort((a, b) => b.size - a.size || compareRank(a.piece, b.piece));
  const kept: typeof ranked = [];
  for (const lens of ranked) {
    const beaten = kept.some(
      (k) => compareRank(k.piece, lens.piece) <= 0 && lens.signature.isWithin(k.signature),
    );
    if (!beaten || lens.piece.lockedIn) kept.push(lens);
  }
  return new Set([
    ...kept.map((k) => k.piece.id),
    ...lenses.filter((p) => p.lockedIn).map((p) => p.id),
  ]);
}

/** Weight, fewest unknown first, then price likewise, then id: the order of the aims. */
function compareRank(a: Piece, b: Piece): number {
  return (
    Number(a.weightG === null) - Number(b.weightG === null) ||
    (a.weightG ?? 0) - (b.weightG ?? 0) ||
    Number(a.price === null) - Number(b.price === null) ||
    (a.price ?? 0) - (b.price ?? 0) ||
    (a.id < b.id ? -1 : a.id > b.id ? 1 : 0)
  );
}

/**
 * What each lens can do: a bit for each cell, and for each cell with each converter. A lens that
 * makes a cell bare also stands for every converter on it: it can take the place of a lens that
 * needs the converter.
 */
function signaturesOf(covering: Covering, cells: readonly Cell[]): Map<string, KitSet> {
  const converters = [
    ...new Set(covering.kits.map((k) => k.converterId).filter((id) => id !== null)),
  ].sort();
  const perCell = converters.length + 1;
  const signatures = new Map<string, KitSet>();
  const signatureOf = (lensId: string) => {
    const known = signatures.get(lensId) ?? KitSet.empty(cells.length * perCell);
    signatures.set(lensId, known);
    return known;
  };
  const slots = covering.kits.map((kit) => ({
    signature: signatureOf(kit.lensId),
    first: kit.converterId === null ? 0 : 1 + converters.indexOf(kit.converterId),
    count: kit.converterId === null ? perCell : 1,
  }));
  cells.forEach((cell, c) => {
    for (const kit of cell.kits) {
      const slot = slots[kit];
      if (!slot) continue;
      for (let i = 0; i < slot.count; i += 1) slot.signature.add(c * perCell + slot.first + i);
    }
  });
  return signatures;
}
