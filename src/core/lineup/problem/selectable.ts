import { eligibleGear, type Limits } from '@/core/brief';
import {
  type Lens,
  mountableSetups,
  type Setup,
  type Shelf,
  usualFigure,
  type UsualFor,
  weighingOf,
} from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import { type PricedItem, pricingOf } from './pricing';
import type { SelectableItem, SelectableKind, WeighedBody } from './item';
import { type BeyondLimit, lensLimits, sumLimits, type UnknownUnderLimit } from './limitRules';

/** A figure that counts as is usual where nobody knows it. */
export type EstimatedFigure = 'weight' | 'price' | 'diameter';

/** What the limits leave to choose from. */
export interface Selectable {
  /** In the stated order of ids, so that the answer does not depend on the order of the shelf. */
  readonly items: readonly SelectableItem[];
  /** Bodies that may be used; which of them come along is chosen. */
  readonly bodies: readonly WeighedBody[];
  readonly setups: readonly Setup[];
  /** Under a limit: what is left out by a figure that nobody knows, as usual or not to be estimated. */
  readonly unknown: ReadonlyMap<UnknownUnderLimit, readonly string[]>;
  /** Of what may be chosen, what counts as usual for its kind in a figure, since nobody knows it. */
  readonly estimated: Readonly<Record<EstimatedFigure, ReadonlySet<string>>>;
  /** Lenses that are beyond a limit by themselves; of these only what is locked in may be chosen. */
  readonly beyond: ReadonlyMap<string, BeyondLimit>;
}

/**
 * The items and setups that the limits allow. Locked-in items are allowed whoever owns them. An unknown
 * weight, price or diameter counts as is usual for its kind; under a limit on money an item of a price
 * that can't be estimated cannot be taken, since unknown is not zero.
 *
 * @param currency of the prices; without one none is estimated
 */
export function selectable(
  shelf: Shelf,
  limits: Limits,
  pace: Pace = AT_EASE,
  currency?: string,
): Selectable {
  const lockedIn = new Set(limits.lockedIn);
  const eligible = eligibleGear(shelf, limits);
  const where = { shelf, currency };
  const { unknown, beyond, diameters, keepsToLimits } = checks(limits, where);
  const weighing = weighingOf(shelf);
  const pricing = pricingOf(shelf, limits, currency);
  const entryOf = (item: PricedItem, kind: SelectableKind, itemCost: number): SelectableItem => ({
    id: item.id,
    kind,
    itemCost,
    weightG: weighing.of(item.id),
    price: pricing.of(item.id),
    spend: pricing.spend(item.id),
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
    estimated: {
      weight: new Set(
        [...items, ...bodies].flatMap(({ id }) => (weighing.isEstimated(id) ? [id] : [])),
      ),
      price: new Set(items.flatMap(({ id }) => (pricing.isEstimated(id) ? [id] : []))),
      diameter: diameters,
    },
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
function checks(limits: Limits, where: UsualFor) {
  const diameters = new Set<string>();
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
    diameters,
    keepsToLimits: (entry: SelectableItem, item: PricedItem): boolean => {
      const { lockedIn: isLocked } = entry;
      for (const { rule } of isLocked ? [] : sums)
        if (rule.unknown !== null && rule.of(entry) === null)
          return isUnknown(entry.id, rule.unknown);
      if (entry.kind !== 'lens') return true;
      for (const { rule, most } of ofLenses) {
        const known = (item as Lens)[rule.figure];
        const figure = known ?? usualFigure('lenses', item as Lens, rule.figure, where);
        if (known === null) diameters.add(entry.id);
        if (figure === null && !isLocked) return isUnknown(entry.id, rule.unknown);
        if (figure === null || figure <= most) continue;
        if (known === null) return isLocked || isUnknown(entry.id, rule.unknown);
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
