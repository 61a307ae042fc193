import { VERSIONS } from '../migrations';
import type { PackedThing } from '@/core/brief';
import {
  ITEM_KINDS,
  type ItemKind,
  itemsOf,
  type Loan,
  newMounts,
  type Ownership,
  type Shelf,
} from '@/core/gear';
import { FILE_FORMAT, type OutingFile } from '../outingFile';
import { same } from './join';
import { type PersonalShelf, type Settings, USUAL_LIMITS } from './personal';
import type { Arrangement, Plan, Ties } from './plan';
import { withoutDangling, withoutDanglingLenses } from './references';

/** Everything that an open outing is made from, each part stored by itself. */
export interface Desk {
  readonly plan: Plan;
  readonly shelf: PersonalShelf;
  readonly settings: Settings;
}

interface ViewedItem {
  readonly id: string;
  readonly ownership: Ownership;
  readonly loan: Loan | null;
}

/** All gear that is known here: the person's, and what is of this outing alone, which counts first. */
export function knownGear({
  plan: { alone },
  shelf: { gear },
}: Pick<Desk, 'plan' | 'shelf'>): Shelf {
  const aloneItems = itemsOf(alone);
  if (aloneItems.length === 0 && alone.mounts.length === 0) return gear;
  const ids = new Set<string>(aloneItems.map((i) => i.id));
  const of = (kind: ItemKind) => [
    ...(gear[kind] as ViewedItem[]).filter((i) => !ids.has(i.id)),
    ...(alone[kind] as ViewedItem[]),
  ];
  return withoutDanglingLenses({
    mounts: [...gear.mounts, ...newMounts(gear.mounts, alone.mounts)],
    ...byKind(of),
  });
}

/** The gear of an outing: what may come of all that is known, as it stands for the outing. */
export function comingGear(desk: Pick<Desk, 'plan' | 'shelf'>): Shelf {
  const known = knownGear(desk);
  const { plan } = desk;
  const alone = new Set<string>(itemsOf(plan.alone).map((i) => i.id));
  const arranged = new Map(plan.arranged.map((a) => [a.itemId, a]));
  const only = plan.ties.only && new Set(plan.ties.only);
  const of = (kind: ItemKind) =>
    (known[kind] as ViewedItem[]).flatMap((item): ViewedItem[] => {
      const special = arranged.get(item.id);
      if (special) return [asArranged(item, special)];
      if (alone.has(item.id)) return [item];
      return item.ownership === 'owned' && (only === null || only.has(item.id)) ? [item] : [];
    });
  return withoutDanglingLenses({ mounts: known.mounts, ...byKind(of) });
}

function asArranged<T extends ViewedItem>(item: T, { as, loan }: Arrangement): T {
  const same = item.ownership === as && JSON.stringify(item.loan) === JSON.stringify(loan);
  return same ? item : { ...item, ownership: as, loan };
}

function byKind(of: (kind: ItemKind) => readonly ViewedItem[]): Omit<Shelf, 'mounts'> {
  return Object.fromEntries(ITEM_KINDS.map((kind) => [kind, of(kind)])) as unknown as Shelf;
}

/**
 * The whole outing as one file: with a copy of the gear that may come, and the person's settings
 * where it has none of its own. `coming` is that gear where it is known already.
 */
export function fileOf(desk: Desk, coming = comingGear(desk)): OutingFile {
  const { plan, settings, shelf } = desk;
  const { outing, stretches, frames, ground, ties } = plan;
  const usual = new Set(ties.usual);
  const bag = shelf.bags.find((b) => b.id === ties.bagId);
  const limits = Object.fromEntries(
    USUAL_LIMITS.filter((key) => usual.has(key)).map((key) => [key, settings.limits[key]]),
  );
  return withoutDangling(
    {
      format: FILE_FORMAT,
      version: VERSIONS.outing,
      outing: usual.has('currency') ? { ...outing, currency: settings.currency } : outing,
      stretches,
      frames,
      shelf: coming,
      limits: { ...plan.limits, ...limits },
      packing: {
        ...plan.packing,
        ...(bag ? { bagWeightG: bag.weightG, compartments: bag.compartments } : {}),
        things: [...usualThings(shelf.things, plan), ...plan.packing.things],
      },
      ground,
      ties,
    },
    coming,
  );
}

function usualThings(things: readonly PackedThing[], { ties, packing }: Plan): PackedThing[] {
  const thingIds = new Set(packing.things.map((t) => t.id));
  return things.filter((t) => !ties.thingsLeft.includes(t.id) && !thingIds.has(t.id));
}

/**
 * The outing's own part after an edit of the whole: a setting that was changed is the outing's own
 * from then on, a usual thing that was removed stays at home, a bag that was changed is its own.
 */
export function planAfter(desk: Desk, before: OutingFile, after: OutingFile): Plan {
  const { plan } = desk;
  const { outing, stretches, frames, limits, ground } = after;
  const changed = USUAL_LIMITS.filter((key) => !same(limits[key], before.limits[key]));
  const ownCurrency = outing.currency !== before.outing.currency;
  const changedKeys = new Set<string>([...changed, ...(ownCurrency ? ['currency'] : [])]);
  const ties =
    changedKeys.size === 0
      ? plan.ties
      : { ...plan.ties, usual: plan.ties.usual.filter((k) => !changedKeys.has(k)) };
  const packed = packingAfter(desk, ties, before, after);
  return { ...plan, outing, stretches, frames, limits, ground, ...packed };
}

function packingAfter(
  { plan, shelf }: Desk,
  ties: Ties,
  before: OutingFile,
  { packing }: OutingFile,
): Pick<Plan, 'packing' | 'ties'> {
  if (packing === before.packing) return { packing: plan.packing, ties };
  const usual = new Map(shelf.things.map((t) => [t.id, t]));
  const thingIds = new Set(packing.things.map((t) => t.id));
  const changesBag =
    packing.bagWeightG !== before.packing.bagWeightG ||
    !same(packing.compartments, before.packing.compartments);
  return {
    packing: {
      ...packing,
      things: packing.things.filter((t) => !same(usual.get(t.id), t)),
    },
    ties: {
      ...ties,
      bagId: changesBag ? null : ties.bagId,
      thingsLeft: shelf.things.filter((t) => !thingIds.has(t.id)).map((t) => t.id),
    },
  };
}
