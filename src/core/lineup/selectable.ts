import type { Limits } from '@/core/brief';
import { type Kit, mountableSetups, type Setup, type Shelf } from '@/core/gear';

/** An item that the choice may take, with what it counts. */
export interface Piece {
  readonly id: string;
  readonly kind: 'lens' | 'converter';
  readonly pieces: number;
  readonly weightG: number | null;
  readonly price: number | null;
  readonly lockedIn: boolean;
}

/** What the limits leave to choose from. */
export interface Selectable {
  /** In the stated order of ids, so that the answer does not depend on the order of the shelf. */
  readonly pieces: readonly Piece[];
  readonly setups: readonly Setup[];
  /** Left out because a weight limit is set and their weight is not known. */
  readonly weightUnknown: readonly string[];
}

/**
 * The items and setups that the limits allow. Locked-in items are allowed whoever owns them. Under
 * a weight limit an item of unknown weight cannot be taken, since unknown is not zero.
 */
export function selectable(shelf: Shelf, limits: Limits): Selectable {
  const lockedIn = new Set(limits.lockedIn);
  const lockedOut = new Set(limits.lockedOut);
  const sources = new Set<string>(limits.sources);
  const weightUnknown: string[] = [];
  const allowed = (item: { id: string; ownership: string }) =>
    !lockedOut.has(item.id) && (lockedIn.has(item.id) || sources.has(item.ownership));
  const weighed = (item: { id: string; weightG: number | null }) => {
    if (limits.maxLineupWeightG === null || item.weightG !== null || lockedIn.has(item.id))
      return true;
    weightUnknown.push(item.id);
    return false;
  };
  const lenses = shelf.lenses.filter((l) => allowed(l) && weighed(l));
  const converters = shelf.converters.filter((c) => allowed(c) && weighed(c));
  const bodies = shelf.bodies.filter(allowed);
  const pieces = [
    ...lenses.map((l) => piece(l, 'lens' as const, 1, lockedIn)),
    ...converters.map((c) => piece(c, 'converter' as const, limits.converterPieces, lockedIn)),
  ].sort((a, b) => (a.id < b.id ? -1 : 1));
  return {
    pieces,
    setups: mountableSetups({ mounts: shelf.mounts, bodies, lenses, converters }),
    weightUnknown,
  };
}

function piece(
  item: { id: string; weightG: number | null; priceNew: number | null; priceUsed: number | null },
  kind: Piece['kind'],
  pieces: number,
  lockedIn: ReadonlySet<string>,
): Piece {
  return {
    id: item.id,
    kind,
    pieces,
    weightG: item.weightG,
    price: item.priceNew ?? item.priceUsed,
    lockedIn: lockedIn.has(item.id),
  };
}

/** The ids of a kit's pieces. */
export function kitPieces(kit: Kit): readonly string[] {
  return kit.converterId === null ? [kit.lensId] : [kit.lensId, kit.converterId];
}
