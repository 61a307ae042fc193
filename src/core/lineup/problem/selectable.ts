import { allowedBy, eligibleBodies, type Limits } from '@/core/brief';
import {
  type Body,
  countingRange,
  isPrime,
  type Loan,
  loanDays,
  type Lens,
  type Ownership,
  mountableSetups,
  type Setup,
  type Shelf,
} from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';

export type SelectableKind = 'lens' | 'converter' | 'tube' | 'adapter';

/** An item that the choice may take, with what it counts. */
export interface SelectableItem {
  readonly id: string;
  readonly kind: SelectableKind;
  readonly itemCost: number;
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
  readonly items: readonly SelectableItem[];
  /** Bodies that may be used; which of them come along is chosen. */
  readonly bodies: readonly Body[];
  readonly setups: readonly Setup[];
  /** Left out because a weight limit is set and their weight is not known. */
  readonly weightUnknown: readonly string[];
  /** Left out because a limit on money is set and their price is not known. */
  readonly priceUnknown: readonly string[];
}

/**
 * The items and setups that the limits allow. Locked-in items are allowed whoever owns them. Under
 * a limit on weight or money an item of unknown weight or price cannot be taken, since unknown is
 * not zero.
 */
export function selectable(shelf: Shelf, limits: Limits, pace: Pace = AT_EASE): Selectable {
  const lockedIn = new Set(limits.lockedIn);
  const weightUnknown: string[] = [];
  const priceUnknown: string[] = [];
  const allowed = allowedBy(limits);
  const measured = (item: PricedItem) => {
    if (lockedIn.has(item.id)) return true;
    if (item.weightG === null && weighs(limits)) {
      weightUnknown.push(item.id);
      return false;
    }
    if (limits.maxSpend !== null && spendOf(item, limits) === null) {
      priceUnknown.push(item.id);
      return false;
    }
    return true;
  };
  const along = <T extends PricedItem>(items: readonly T[]) =>
    items.filter((item) => allowed(item) && measured(item));
  const lenses = along(shelf.lenses).filter(
    (l) => lockedIn.has(l.id) || isOfKind(l, limits.lensKinds),
  );
  const converters = along(shelf.converters).filter((c) => limits.converters || lockedIn.has(c.id));
  const tubes = along(shelf.tubes);
  const adapters = along(shelf.adapters);
  const isWeighed = (body: Body) => {
    const known = body.weightG !== null || lockedIn.has(body.id) || !weighsBodies(limits);
    if (!known) weightUnknown.push(body.id);
    return known;
  };
  const bodies = eligibleBodies(shelf, limits).filter(isWeighed);
  const itemOf = (item: PricedItem, kind: SelectableKind, items: number): SelectableItem => ({
    id: item.id,
    kind,
    itemCost: items,
    weightG: item.weightG,
    price: priceOf(item, limits),
    spend: spendOf(item, limits),
    owned: item.ownership === 'owned',
    lockedIn: lockedIn.has(item.id),
  });
  return {
    items: [
      ...lenses.map((l) => itemOf(l, 'lens', 1)),
      ...converters.map((c) => itemOf(c, 'converter', limits.converterPieces)),
      ...tubes.map((t) => itemOf(t, 'tube', limits.tubePieces)),
      ...adapters.map((a) => itemOf(a, 'adapter', limits.adapterPieces)),
    ].sort(compareIds),
    bodies,
    setups: mountableSetups(
      {
        mounts: shelf.mounts,
        bodies: byId(bodies),
        lenses: byId(lenses),
        converters: byId(converters),
        tubes: byId(tubes),
        adapters: byId(adapters),
      },
      pace,
    ),
    weightUnknown,
    priceUnknown,
  };
}

/** Whether a limit on weight is set. */
function weighs({ maxLineupWeightG, maxCarriedWeightG }: Limits): boolean {
  return maxLineupWeightG !== null || maxCarriedWeightG !== null;
}

/** Whether a limit on weight counts the bodies. */
function weighsBodies({ countBodies, maxLineupWeightG, maxCarriedWeightG }: Limits): boolean {
  return maxCarriedWeightG !== null || (countBodies && maxLineupWeightG !== null);
}

const compareIds = (a: { readonly id: string }, b: { readonly id: string }) =>
  a.id < b.id ? -1 : a.id > b.id ? 1 : 0;

/** In the order of ids, so that nothing depends on the order of the shelf. */
function byId<T extends { readonly id: string }>(items: readonly T[]): T[] {
  return [...items].sort(compareIds);
}

interface PricedItem {
  readonly id: string;
  readonly weightG: number | null;
  readonly priceNew: number | null;
  readonly priceUsed: number | null;
  readonly ownership: Ownership;
  readonly loan: Loan | null;
}

/** The price that counts; the other one where that is not known. */
export function priceOf(
  item: Pick<PricedItem, 'priceNew' | 'priceUsed'>,
  { priceBasis }: Pick<Limits, 'priceBasis'>,
): number | null {
  return priceBasis === 'new'
    ? (item.priceNew ?? item.priceUsed)
    : (item.priceUsed ?? item.priceNew);
}

/** Money it takes to have an item: its price to buy it, its days to rent it; null when not known. */
export function spendOf(
  item: Omit<PricedItem, 'id' | 'weightG'>,
  limits: Pick<Limits, 'priceBasis'>,
): number | null {
  if (item.ownership === 'wished') return priceOf(item, limits);
  return item.ownership === 'rented' ? rentOf(item.loan) : 0;
}

function rentOf(of: Loan | null): number | null {
  const days = of && loanDays(of);
  return !of || days === null || of.pricePerDay === null ? null : days * of.pricePerDay;
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
