import type { Limits } from '@/core/brief';
import {
  type Body,
  countingRange,
  formatKey,
  isPrime,
  type Lens,
  mountableSetups,
  type Setup,
  type Shelf,
} from '@/core/gear';

export type PieceKind = 'lens' | 'converter' | 'tube' | 'adapter';

/** An item that the choice may take, with what it counts. */
export interface Piece {
  readonly id: string;
  readonly kind: PieceKind;
  readonly pieces: number;
  readonly weightG: number | null;
  readonly price: number | null;
  /** Money it takes to have it; 0 for what is owned or borrowed, null when not known. */
  readonly spend: number | null;
  readonly owned: boolean;
  readonly lockedIn: boolean;
}

/** What the limits leave to choose from. */
export interface Selectable {
  /** In the stated order of ids, so that the answer does not depend on the order of the shelf. */
  readonly pieces: readonly Piece[];
  readonly bodies: readonly Body[];
  readonly setups: readonly Setup[];
  /** Left out because a weight limit is set and their weight is not known. */
  readonly weightUnknown: readonly string[];
  /** Left out because a limit on money is set and their price is not known. */
  readonly priceUnknown: readonly string[];
  /** Weight of all bodies along, g, where it is counted; of those whose weight is known. */
  readonly bodyWeightG: number;
}

/** The bodies that come along. */
export function bodiesAlong({ bodies }: Pick<Shelf, 'bodies'>, limits: Limits): Body[] {
  const allowed = allowedBy(limits);
  return bodies.filter((b) => allowed(b) && isAllowedBody(b, limits));
}

/** Whether locks and sources let an item be used. */
function allowedBy(limits: Limits): (item: Pick<Item, 'id' | 'ownership'>) => boolean {
  const lockedIn = new Set(limits.lockedIn);
  const lockedOut = new Set(limits.lockedOut);
  const sources = new Set<string>(limits.sources);
  return ({ id, ownership }) => !lockedOut.has(id) && (lockedIn.has(id) || sources.has(ownership));
}

/**
 * The items and setups that the limits allow. Locked-in items are allowed whoever owns them. Under
 * a limit on weight or money an item of unknown weight or price cannot be taken, since unknown is
 * not zero.
 */
export function selectable(shelf: Shelf, limits: Limits): Selectable {
  const lockedIn = new Set(limits.lockedIn);
  const weightUnknown: string[] = [];
  const priceUnknown: string[] = [];
  const allowed = allowedBy(limits);
  const measured = (item: Item) => {
    if (lockedIn.has(item.id)) return true;
    if (limits.maxLineupWeightG !== null && item.weightG === null) {
      weightUnknown.push(item.id);
      return false;
    }
    if (limits.maxSpend !== null && spendOf(item, limits) === null) {
      priceUnknown.push(item.id);
      return false;
    }
    return true;
  };
  const along = <T extends Item>(items: readonly T[]) =>
    items.filter((item) => allowed(item) && measured(item));
  const lenses = along(shelf.lenses).filter(
    (l) => lockedIn.has(l.id) || isOfKind(l, limits.lensKinds),
  );
  const converters = along(shelf.converters).filter((c) => limits.converters || lockedIn.has(c.id));
  const tubes = along(shelf.tubes);
  const adapters = along(shelf.adapters);
  const bodies = bodiesAlong(shelf, limits);
  const pieceOf = (item: Item, kind: PieceKind, pieces: number): Piece => ({
    id: item.id,
    kind,
    pieces,
    weightG: item.weightG,
    price: priceOf(item, limits),
    spend: spendOf(item, limits),
    owned: item.ownership === 'owned',
    lockedIn: lockedIn.has(item.id),
  });
  return {
    pieces: [
      ...lenses.map((l) => pieceOf(l, 'lens', 1)),
      ...converters.map((c) => pieceOf(c, 'converter', limits.converterPieces)),
      ...tubes.map((t) => pieceOf(t, 'tube', limits.tubePieces)),
      ...adapters.map((a) => pieceOf(a, 'adapter', limits.adapterPieces)),
    ].sort(compareIds),
    bodies,
    setups: mountableSetups({
      mounts: shelf.mounts,
      bodies: byId(bodies),
      lenses: byId(lenses),
      converters: byId(converters),
      tubes: byId(tubes),
      adapters: byId(adapters),
    }),
    weightUnknown,
    priceUnknown,
    bodyWeightG: limits.countBodies ? bodies.reduce((sum, b) => sum + (b.weightG ?? 0), 0) : 0,
  };
}

const compareIds = (a: { readonly id: string }, b: { readonly id: string }) =>
  a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

/** In the order of ids, so that nothing depends on the order of the shelf. */
function byId<T extends { readonly id: string }>(items: readonly T[]): T[] {
  return [...items].sort(compareIds);
}

interface Item {
  readonly id: string;
  readonly weightG: number | null;
  readonly priceNew: number | null;
  readonly priceUsed: number | null;
  readonly ownership: string;
}

/** The price that counts; the other one where that is not known. */
export function priceOf(
  item: Pick<Item, 'priceNew' | 'priceUsed'>,
  { priceBasis }: Pick<Limits, 'priceBasis'>,
): number | null {
  return priceBasis === 'new'
    ? (item.priceNew ?? item.priceUsed)
    : (item.priceUsed ?? item.priceNew);
}

function spendOf(item: Item, limits: Limits): number | null {
  return item.ownership === 'wished' ? priceOf(item, limits) : 0;
}

function isAllowedBody(body: Body, { formats, bodyMounts }: Limits): boolean {
  return (
    (formats === null || formats.includes(formatKey(body.sensor))) &&
    (bodyMounts === null || bodyMounts.includes(body.mount))
  );
}

function isOfKind(lens: Lens, kinds: Limits['lensKinds']): boolean {
  const prime = isPrime(countingRange(lens));
  const [first] = lens.apertures;
  const constant = lens.apertures.every((p) => p.fNumber === first?.fNumber);
  return {
    any: true,
    primes: prime,
    zooms: !prime,
    'constant-zooms': !prime && constant,
  }[kinds];
}
