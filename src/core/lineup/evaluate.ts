import type { FrameId } from '@/core/brief';
import type { Kit } from '@/core/gear';
import type { Covering } from './cells';
import { KitSet } from './kitSet';
import { kitPieces } from './selectable';

/** Whether everything of a kit is among the taken pieces. */
export function isAtHand(kit: Kit, taken: ReadonlySet<string>): boolean {
  return kitPieces(kit).every((id) => taken.has(id));
}

/** The kits that the taken pieces make up. */
export function kitsAtHand(covering: Covering, taken: ReadonlySet<string>): KitSet {
  const at = covering.kits.flatMap((kit, i) => (isAtHand(kit, taken) ? [i] : []));
  return KitSet.of(covering.kits.length, at);
}

/** The frames that the taken pieces get, plainly checked cell by cell. */
export function framesGot(covering: Covering, taken: ReadonlySet<string>): Set<FrameId> {
  const atHand = kitsAtHand(covering, taken);
  const got = new Set<FrameId>();
  for (const [id, cells] of covering.cells) {
    if (cells.every((cell) => cell.kits.meets(atHand))) got.add(id);
  }
  return got;
}
