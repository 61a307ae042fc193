import type { Cell, Covering } from './cells';
import type { Piece } from './selectable';

const WORD_BITS = 31;

/** What a lens can do, as bits: one for each cell, and one for each cell with each converter. */
type Signature = readonly number[];

/**
 * The lenses that may be needed. A lens is left out when another one makes every cell that it
 * makes, alone or with the same converter, and ranks no worse by weight, price and id: putting the
 * other in its place never makes a lineup worse by any aim. Locked-in lenses stay.
 */
export function undominatedLenses(
  covering: Covering,
  cells: readonly Cell[],
  pieces: readonly Piece[],
): ReadonlySet<string> {
  const lenses = pieces.filter((p) => p.kind === 'lens');
  const signatures = signaturesOf(covering, cells);
  const ranked = lenses
    .filter((p) => signatures.has(p.id))
    .sort(
      (a, b) => sizeOf(signatures.get(b.id)) - sizeOf(signatures.get(a.id)) || compareRank(a, b),
    );
  const kept: { piece: Piece; signature: Signature }[] = [];
  for (const piece of ranked) {
    const signature = signatures.get(piece.id) ?? [];
    const beaten = kept.some(
      (k) => isWithin(signature, k.signature) && compareRank(k.piece, piece) <= 0,
    );
    if (!beaten || piece.lockedIn) kept.push({ piece, signature });
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
 * A lens that makes a cell bare also stands for every converter on it, so those bits are set too:
 * it can take the place of a lens that needs the converter.
 */
function signaturesOf(covering: Covering, cells: readonly Cell[]): Map<string, number[]> {
  const converters = [
    ...new Set(
      [...covering.kits.values()].flatMap((k) => (k.converterId === null ? [] : [k.converterId])),
    ),
  ].sort();
  const perCell = converters.length + 1;
  const words = Math.ceil((cells.length * perCell) / WORD_BITS);
  const signatures = new Map<string, number[]>();
  const set = (signature: number[], bit: number) => {
    const word = Math.floor(bit / WORD_BITS);
    signature[word] = (signature[word] ?? 0) | (1 << (bit % WORD_BITS));
  };
  cells.forEach((cell, c) => {
    for (const key of cell.kits) {
      const kit = covering.kits.get(key);
      if (!kit) continue;
      const signature = signatures.get(kit.lensId) ?? new Array<number>(words).fill(0);
      signatures.set(kit.lensId, signature);
      if (kit.converterId !== null)
        set(signature, c * perCell + 1 + converters.indexOf(kit.converterId));
      else for (let i = 0; i < perCell; i += 1) set(signature, c * perCell + i);
    }
  });
  return signatures;
}

function isWithin(a: Signature, b: Signature): boolean {
  return a.every((word, i) => (word & ~(b[i] ?? 0)) === 0);
}

function sizeOf(signature: Signature = []): number {
  let bits = 0;
  for (let word of signature) for (; word !== 0; word &= word - 1) bits += 1;
  return bits;
}
