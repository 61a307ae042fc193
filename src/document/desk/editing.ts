import {
  ITEM_KINDS,
  itemsOf,
  type Loan,
  newMounts,
  type Ownership,
  type Shelf,
  type Source,
  sourceOf,
} from '@/core/gear';
import type { GearEdit } from '../edits';
import { withoutDanglingLenses } from './references';
import type { Settings, UsualKey } from './personal';
import type { Plan, Ties } from './plan';
import { type Desk, knownGear } from './view';

/** Changes to what an open outing is made from. */
export type DeskEdit = (desk: Desk) => Desk;

interface EditedItem {
  readonly id: string;
  readonly ownership: Ownership;
  readonly loan: Loan | null;
}

/**
 * Changes gear where it is: on the person's shelf, or among what is of this outing alone. What is new
 * comes onto the shelf; what is not owned may come on this outing, since it was entered for it.
 */
export const editGear =
  (edit: GearEdit): DeskEdit =>
  (desk) => {
    const before = knownGear(desk);
    const after = edit(before);
    if (after === before) return desk;
    const { shelf, plan } = desk;
    const ofOuting = new Set<string>(itemsOf(plan.alone).map((i) => i.id));
    const [gear, alone] = [{ ...shelf.gear }, { ...plan.alone }];
    const mounts = after.mounts === before.mounts ? gear.mounts : after.mounts;
    for (const kind of ITEM_KINDS) {
      const changed = changes(
        before[kind] as readonly EditedItem[],
        after[kind] as readonly EditedItem[],
      );
      Object.assign(alone, {
        [kind]: applied(alone[kind] as EditedItem[], changed, (id) => ofOuting.has(id)),
      });
      Object.assign(gear, {
        [kind]: applied(gear[kind] as EditedItem[], changed, (id) => !ofOuting.has(id)),
      });
    }
    return arrangedAnew(
      { ...desk, shelf: { ...shelf, gear: { ...gear, mounts } }, plan: { ...plan, alone } },
      before,
      after,
    );
  };

interface Changes {
  readonly put: readonly EditedItem[];
  readonly removed: ReadonlySet<string>;
}

function changes(before: readonly EditedItem[], after: readonly EditedItem[]): Changes {
  const known = new Set(before);
  const left = new Set(after.map((i) => i.id));
  return {
    put: after.filter((i) => !known.has(i)),
    removed: new Set(before.flatMap((i) => (left.has(i.id) ? [] : [i.id]))),
  };
}

function applied(
  list: EditedItem[],
  { put, removed }: Changes,
  isHere: (id: string) => boolean,
): EditedItem[] {
  const changed = new Map(put.filter((i) => isHere(i.id)).map((i) => [i.id, i]));
  if (changed.size === 0 && !list.some((i) => removed.has(i.id) && isHere(i.id))) return list;
  const kept = list
    .filter((i) => !(removed.has(i.id) && isHere(i.id)))
    .map((i) => changed.get(i.id) ?? i);
  const known = new Set(list.map((i) => i.id));
  return [...kept, ...[...changed.values()].filter((i) => !known.has(i.id))];
}

/** What is told not to be owned comes on this outing as that; what is owned needs no arrangement. */
function arrangedAnew(desk: Desk, before: Shelf, after: Shelf): Desk {
  const was = new Map<string, EditedItem>(itemsOf(before).map((i) => [i.id, i]));
  const changed = (itemsOf(after) as readonly EditedItem[]).filter(
    (i) => was.get(i.id)?.ownership !== i.ownership,
  );
  const left = new Set<string>(itemsOf(after).map((i) => i.id));
  const gone = [...was.keys()].filter((id) => !left.has(id));
  if (changed.length === 0 && gone.length === 0) return desk;
  const ids = new Set([...changed.map((i) => i.id), ...gone]);
  const { plan } = desk;
  const arranged = [
    ...plan.arranged.filter((a) => !ids.has(a.itemId)),
    ...changed.flatMap((i) =>
      i.ownership === 'owned' ? [] : [{ itemId: i.id, as: i.ownership, loan: null }],
    ),
  ];
  return { ...desk, plan: { ...plan, arranged } };
}

/**
 * How an item stands for this outing; null where it does not come. What is owned comes by itself,
 * unless the outing names what of it may come.
 */
export const setStanding =
  (id: string, as: Ownership | null, loan: Loan | null = null): DeskEdit =>
  (desk) => {
    const arranged = arrange(id, as, loan)(desk);
    const owned = desk.shelf.gear;
    if (!itemsOf(owned).some((i) => i.id === id && i.ownership === 'owned')) return arranged;
    const { only } = desk.plan.ties;
    const all = () => itemsOf(owned).flatMap((i) => (i.ownership === 'owned' ? [i.id] : []));
    if (as === null)
      return setTies({ only: (only ?? all()).filter((other) => other !== id) })(arranged);
    return only === null || only.includes(id)
      ? arranged
      : setTies({ only: [...only, id] })(arranged);
  };

/** Has an item come as something that it is not on the shelf; null and owned need no arrangement. */
const arrange =
  (id: string, as: Ownership | null, loan: Loan | null = null): DeskEdit =>
  (desk) => {
    const others = desk.plan.arranged.filter((a) => a.itemId !== id);
    const arranged = as === null || as === 'owned' ? others : [...others, { itemId: id, as, loan }];
    return withPlan(desk, { arranged });
  };

/** Takes everything of a kind of standing along, such as all that is wished for. */
export const arrangeAll =
  (ids: readonly string[], as: Exclude<Ownership, 'owned'>): DeskEdit =>
  (desk) =>
    ids.reduce((now, id) => arrange(id, as)(now), desk);

export const setTies =
  (change: Partial<Ties>): DeskEdit =>
  (desk) =>
    withPlan(desk, { ties: { ...desk.plan.ties, ...change } });

/** Has an outing take a setting from the person again, or keep its own. */
export const followUsual =
  (key: UsualKey, follows: boolean): DeskEdit =>
  (desk) => {
    const others = desk.plan.ties.usual.filter((k) => k !== key);
    return setTies({ usual: follows ? [...others, key] : others })(desk);
  };

export const setSettings =
  (change: Partial<Settings>): DeskEdit =>
  (desk) => ({ ...desk, settings: { ...desk.settings, ...change } });

export const setBags =
  (bags: Desk['shelf']['bags']): DeskEdit =>
  (desk) => ({ ...desk, shelf: { ...desk.shelf, bags } });

export const setUsualThings =
  (things: Desk['shelf']['things']): DeskEdit =>
  (desk) => ({ ...desk, shelf: { ...desk.shelf, things } });

/**
 * Moves items that are of this outing alone onto the person's shelf, as what they are in the outing
 * unless it is told otherwise; how they stand for the outing does not change.
 */
export const keepOnShelf =
  (ids: ReadonlySet<string>, as?: Source): DeskEdit =>
  (desk) => {
    const { plan, shelf } = desk;
    const [gear, alone] = [{ ...shelf.gear }, { ...plan.alone }];
    const arranged = plan.arranged.filter((a) => !ids.has(a.itemId));
    for (const kind of ITEM_KINDS) {
      const list = alone[kind] as readonly EditedItem[];
      const moved = list.filter((i) => ids.has(i.id));
      const replaced = new Set(moved.map((i) => i.id));
      const kept = moved.map((i) => ({
        ...i,
        ownership: as ?? sourceOf(i.ownership),
        loan: null,
      }));
      Object.assign(alone, { [kind]: list.filter((i) => !ids.has(i.id)) });
      Object.assign(gear, {
        [kind]: [
          ...(gear[kind] as readonly EditedItem[]).filter((i) => !replaced.has(i.id)),
          ...kept,
        ],
      });
      for (const { id, ownership, loan } of moved) {
        const standing = as ?? ownership;
        if (standing !== 'owned') arranged.push({ itemId: id, as: standing, loan });
      }
    }
    gear.mounts = [...gear.mounts, ...newMounts(gear.mounts, alone.mounts)];
    return {
      ...desk,
      shelf: { ...shelf, gear: withoutDanglingLenses(gear) },
      plan: { ...plan, alone, arranged },
    };
  };

function withPlan(desk: Desk, change: Partial<Plan>): Desk {
  return { ...desk, plan: { ...desk.plan, ...change } };
}
