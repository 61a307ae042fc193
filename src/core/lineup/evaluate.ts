import type { FrameId } from '@/core/brief';
import type { Kit } from '@/core/gear';
import type { Cell, Covering } from './cells';
import { kitPieces } from './selectable';

/** Whether everything of a kit is among the taken pieces. */
export function isAtHand(kit: Kit, taken: ReadonlySet<string>): boolean {
  return kitPieces(kit).every((id) => taken.has(id));
}

/** Whether some taken kit makes the cell. */
export function cellIsMade(
  cell: Cell,
  kits: ReadonlyMap<string, Kit>,
  taken: ReadonlySet<string>,
): boolean {
  for (const key of cell.kits) {
    const kit = kits.get(key);
    if (kit && isAtHand(kit, taken)) return true;
  }
  return false;
}

/** The frames that the taken pieces get, plainly checked cell by cell. */
export function framesGot(covering: Covering, taken: ReadonlySet<string>): Set<FrameId> {
  const got = new Set<FrameId>();
  for (const [id, cells] of covering.cells) {
    if (cells.every((cell) => cellIsMade(cell, covering.kits, taken))) got.add(id);
  }
  return got;
}
