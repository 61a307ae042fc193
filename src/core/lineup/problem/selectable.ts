import { eligibleGear, type Limits } from '@/core/brief';
import {
  type Loan,
  loanDays,
  type Lens,
  type Ownership,
  mountableSetups,
  type Setup,
  type Shelf,
  weighingOf,
} from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import type { SelectableItem, SelectableKind, WeighedBody } from './item';
import { type BeyondLimit, lensLimits, sumLimits, type UnknownUnderLimit } from './limitRules';

/** What the limits leave to choose from. */
export interface Selectable {
  /** In the stated order of ids, so that the answer does not depend on the order of the shelf. */
  readonly items: readonly SelectableItem[];
  /** Bodies that may be used; which of them come along is chosen. */
  readonly bodies: readonly WeighedBody[];
  readonly setups: readonly Setup[];
  /** Left out because a limit is set and nobody knows whether they keep to it. */
  readonly unknown: ReadonlyMap<UnknownUnderLimit, readonly string[]>;
  /** Of what may be chosen, what weighs as usual for its kind, since nobody knows what it weighs. */
  readonly estimated: ReadonlySet<string>;
  /** Lenses that are beyond a limit by themselves; of these only what is locked in may be chosen. */
  readonly beyond: ReadonlyMap<string, BeyondLimit>;
}

/**
 * The items and setups that the limits allow. Locked-in items are allowed whoever owns them. Under
 * a limit on money an item of unknown price cannot be taken, since unknown is not zero; an unknown
 * weight counts as is usual for its kind.
 */
export function selectable(shelf: Shelf, limits: Limits, pace: Pace = AT_EASE): Selectable {
  const lockedIn = new Set(limits.lockedIn);
  const eligible = eligibleGear(shelf, limits);
  const { unknown, beyond, keepsToLimits } = checks(limits);
  const weighing = weighingOf(shelf);
  const entryOf = (item: PricedItem, kind: SelectableKind, itemCost: number): SelectableItem => ({
    id: item.id,
    kind,
    itemCost,
    weightG: weighing.of(item.id),
    price: priceOf(item, limits),
    spend: spendOf(item, limits),
    owned: item.ownership === 'owned',
    lockedIn: lockedIn.has(item.id),
  });
  const along = <T extends PricedItem>(
    items: readonly T[],
    kind: SelectableKind,
    itemCost: number,
  ) =>
    items
      .map((item) => ({ item, entry: entryOf(item, kind, itemCost) }))
      .filter(({ item, entry }) => keepsToLimits(entry, item));
  const lenses = along(eligible.lenses, 'lens', 1);
  const converters = along(eligible.converters, 'converter', limits.converterPieces);
  const tubes = along(eligible.tubes, 'tube', limits.tubePieces);
  const adapters = along(eligible.adapters, 'adapter', limits.adapterPieces);
  const bodies = eligible.bodies.map((b) => ({ ...b, weightG: weighing.of(b.id) }));
  const itemsOf = <T extends PricedItem>(chosen: readonly { readonly item: T }[]) =>
    byId(chosen.map(({ item }) => item));
  const items = byId([...lenses, ...converters, ...tubes, ...adapters].map(({ entry }) => entry));
  return {
    items,
    bodies,
    estimated: new Set(
      [...items, ...bodies].flatMap(({ id }) => (weighing.isEstimated(id) ? [id] : [])),
    ),
    setups: mountableSetups(
      {
        mounts: shelf.mounts,
        bodies: byId(bodies),
        lenses: itemsOf(lenses),
        converters: itemsOf(converters),
        tubes: itemsOf(tubes),
        adapters: itemsOf(adapters),
      },
      pace,
    ),
    unknown,
    beyond,
  };
}

/** Whether items keep to the limits; what does not, or not knowably, is noted. */
function checks(limits: Limits) {
  const unknown = new Map<UnknownUnderLimit, string[]>();
  const beyond = new Map<string, BeyondLimit>();
  const sums = sumLimits(limits);
  const ofLenses = lensLimits(limits);
  const isUnknown = (id: string, note: UnknownUnderLimit) => {
    unknown.set(note, [...(unknown.get(note) ?? []), id]);
    return false;
  };
  return {
    unknown,
    beyond,
    keepsToLimits: (entry: SelectableItem, item: PricedItem): boolean => {
      const { lockedIn: isLocked } = entry;
      for (const { rule } of isLocked ? [] : sums)
        if (rule.unknown !== null && rule.of(entry) === null)
          return isUnknown(entry.id, rule.unknown);
      if (entry.kind !== 'lens') return true;
      for (const { rule, most } of ofLenses) {
        const figure = (item as Lens)[rule.figure];
        if (figure === null && !isLocked) return isUnknown(entry.id, rule.unknown);
        if (figure === null || figure <= most) continue;
        beyond.set(entry.id, rule.beyond);
        return isLocked;
      }
      return true;
    },
  };
}

/** In the order of ids, so that nothing depends on the order of the shelf. */
function byId<T extends { readonly id: string }>(items: readonly T[]): T[] {
  return [...items].sort((a, b) => (a.id < b.id ? -1 : a.id > b.id ? 1 : 0));
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
