import {
  FIGURES,
  ITEM_KINDS,
  type ItemKind,
  isAway,
  itemsOf,
  type Loan,
  mapShelf,
  newMounts,
  SHELF_LIMITS,
  type Ownership,
  type Shelf,
  type Source,
  sourceOf,
  SOURCES,
} from '@/core/gear';
import { freshId } from '../freshId';
import type { OutingFile } from '../outingFile';
import { same } from './join';
import {
  MOST_BAGS,
  MOST_THINGS,
  NO_GEAR,
  type PersonalShelf,
  type Settings,
  USUAL_LIMITS,
  type UsualKey,
} from './personal';
import type { Arrangement, Plan, Ties } from './plan';
import { likeness, whatItIs } from './likeness';

/** An item of a file beside what it is on the person's shelf. */
export interface Compared {
  readonly kind: ItemKind;
  readonly theirs: AnyItem;
  /** The same thing on the shelf; null where it has none. */
  readonly mine: AnyItem | null;
  /** Fields in which the two differ; how each stands is not compared. */
  readonly differing: readonly string[];
}

export interface AnyItem {
  readonly id: string;
  readonly name: string;
  readonly maker: string;
  readonly ownership: Ownership;
  readonly loan: Loan | null;
}

/**
 * What becomes of an item of a file. Where the shelf has the same thing with other figures: mine or
 * theirs counts from now on, or both are kept, theirs for this outing alone. What the shelf does not
 * have comes onto it as owned or wished for, or is used in this outing alone.
 */
export type Taking = 'mine' | 'theirs' | 'both' | 'alone' | Source;

const NOT_COMPARED = new Set(['id', 'ownership', 'loan', 'lensIds']);

/** Each item of a file's gear beside the same thing on the shelf. */
export function comparedGear(theirs: Shelf, mine: Shelf): Compared[] {
  const lensesHere = new Map<string, string>();
  return ITEM_KINDS.flatMap((kind) => {
    const left = new Set(mine[kind] as readonly AnyItem[]);
    return (theirs[kind] as readonly AnyItem[]).map((item): Compared => {
      const match = bestMatch(kind, item, left);
      if (match) left.delete(match);
      if (match && kind === 'lenses') lensesHere.set(item.id, match.id);
      const fields = match ? differing(item, match) : [];
      const otherLenses =
        match && 'lensIds' in item && takesOthers(item, match, theirs, lensesHere);
      return {
        kind,
        theirs: item,
        mine: match,
        differing: otherLenses ? [...fields, 'lensIds'] : fields,
      };
    });
  });
}

/** Whether a converter of the file is made for other lenses of the file than the one on the shelf. */
function takesOthers(
  theirs: AnyItem,
  mine: AnyItem,
  { lenses }: Shelf,
  idsHere: ReadonlyMap<string, string>,
): boolean {
  const ids = (item: AnyItem) => new Set((item as unknown as { lensIds: string[] }).lensIds);
  const [takes, tookHere] = [ids(theirs), ids(mine)];
  return lenses.some((l) => takes.has(l.id) !== tookHere.has(idsHere.get(l.id) ?? ''));
}

function bestMatch(kind: ItemKind, item: AnyItem, among: ReadonlySet<AnyItem>): AnyItem | null {
  let best: AnyItem | null = null;
  let most = 0;
  for (const other of among) {
    const like = likeness(kind, item, other);
    if (like > most) [best, most] = [other, like];
  }
  return best;
}

function differing(a: AnyItem, b: AnyItem): string[] {
  const [one, other] = [a as unknown as ItemFields, b as unknown as ItemFields];
  return Object.keys(one).filter((key) => !NOT_COMPARED.has(key) && !same(one[key], other[key]));
}
type ItemFields = Record<string, unknown>;

/** What is done with an item that nothing was said of: nothing of the shelf is touched. */
export function usualTaking({ mine, differing }: Compared): Taking {
  if (mine === null) return 'alone';
  return differing.length === 0 ? 'mine' : 'both';
}

/** A file taken in: the outing's own part, and the shelf as it is then. */
export function takenIn(
  file: OutingFile,
  { shelf, settings }: { readonly shelf: PersonalShelf; readonly settings: Settings },
  takingOf: (compared: Compared) => Taking = usualTaking,
): { readonly plan: Plan; readonly shelf: PersonalShelf } {
  const placed = placeItems(file.shelf, shelf.gear, takingOf);
  const { gear, alone, idOf } = placed;
  const after: PersonalShelf = { ...shelf, gear };
  const renamed = <T extends string>(ids: readonly T[]) => ids.map((id) => idOf(id) as T);
  const { limits, packing, stretches, outing, frames, ground } = file;
  return {
    shelf: same(after, shelf) ? shelf : after,
    plan: {
      outing,
      frames,
      ground,
      stretches: stretches.map((s) => ({
        ...s,
        hands: s.hands.map((h) => ({ ...h, bodyIds: renamed(h.bodyIds) })),
      })),
      limits: {
        ...limits,
        lockedIn: renamed(limits.lockedIn),
        lockedOut: renamed(limits.lockedOut),
        spares: limits.spares.map((s) => ({ ...s, bodyId: idOf(s.bodyId) as typeof s.bodyId })),
      },
      packing: {
        ...packing,
        things: packing.things.filter((t) => !shelf.things.some((other) => same(other, t))),
        carried: packing.carried && {
          ...packing.carried,
          itemIds: renamed(packing.carried.itemIds),
        },
      },
      ties: tiesOf(file, after, settings, idOf, alone),
      arranged: arrangedIn(file.shelf, gear, alone, idOf),
      alone,
    },
  };
}

/** The outing's own part of a file, and nothing new on the shelf. */
export function planOfFile(
  file: OutingFile,
  personal: { readonly shelf: PersonalShelf; readonly settings: Settings },
): Plan {
  return takenIn(file, personal).plan;
}

const isSource = (taking: Taking): taking is Source =>
  (SOURCES as readonly string[]).includes(taking);

/** Puts each item of a file where it is to be, under an id that is free there. */
function placeItems(theirs: Shelf, mine: Shelf, takingOf: (compared: Compared) => Taking) {
  const taken = new Set<string>(itemsOf(mine).map((i) => i.id));
  const ids = new Map<string, string>();
  const [onShelf, ofOuting] = [new Map<string, AnyItem>(), new Map<string, AnyItem>()];
  const kinds = new Map<string, ItemKind>();
  const room = Object.fromEntries(
    ITEM_KINDS.map((kind) => [kind, SHELF_LIMITS[kind] - mine[kind].length]),
  ) as Record<ItemKind, number>;
  for (const compared of comparedGear(theirs, mine)) {
    const { kind, theirs: item, mine: other } = compared;
    const taking = takingOf(compared);
    const id = other?.id ?? (taken.has(item.id) ? freshId(item.name, taken) : item.id);
    taken.add(id);
    ids.set(item.id, id);
    kinds.set(id, kind);
    if (other === null && isSource(taking) && room[kind] > 0) {
      onShelf.set(id, { ...item, id, ownership: taking, loan: null });
      room[kind] -= 1;
    } else if (other === null) ofOuting.set(id, { ...item, id });
    else if (taking === 'theirs')
      onShelf.set(id, { ...item, id, ownership: other.ownership, loan: other.loan });
    else if (taking === 'both')
      ofOuting.set(id, { ...item, id, ownership: other.ownership, loan: other.loan });
  }
  const idOf = (id: string) => ids.get(id) ?? id;
  const withNames = (item: AnyItem) =>
    'lensIds' in item ? { ...item, lensIds: (item.lensIds as readonly string[]).map(idOf) } : item;
  const listed = (from: ReadonlyMap<string, AnyItem>, kind: ItemKind) =>
    [...from.values()].filter((i) => kinds.get(i.id) === kind).map(withNames);
  const gear = {
    ...mine,
    mounts: [
      ...mine.mounts,
      ...newMounts(mine.mounts, onShelf.size > 0 ? theirs.mounts : []),
    ].slice(0, Math.max(mine.mounts.length, SHELF_LIMITS.mounts)),
  };
  const alone = {
    ...NO_GEAR,
    mounts: ofOuting.size > 0 ? newMounts(gear.mounts, theirs.mounts) : [],
  };
  for (const kind of ITEM_KINDS) {
    const kept = (mine[kind] as readonly AnyItem[]).map((i) => onShelf.get(i.id) ?? i);
    const known = new Set(kept.map((i) => i.id));
    Object.assign(gear, {
      [kind]: [...kept, ...listed(onShelf, kind).filter((i) => !known.has(i.id))],
    });
    Object.assign(alone, { [kind]: listed(ofOuting, kind) });
  }
  return { gear: withLensesNamed(gear, onShelf, idOf), alone, idOf };
}

/** Converters that came onto the shelf name lenses by their ids there. */
function withLensesNamed(
  gear: Shelf,
  came: ReadonlyMap<string, AnyItem>,
  idOf: (id: string) => string,
): Shelf {
  const lenses = new Set<string>(gear.lenses.map((l) => l.id));
  return {
    ...gear,
    converters: gear.converters.map((c) =>
      came.has(c.id)
        ? {
            ...c,
            lensIds: c.lensIds.map((id) => idOf(id) as typeof id).filter((id) => lenses.has(id)),
          }
        : c,
    ),
  };
}

/** How items stand for the outing where the shelf says otherwise. */
function arrangedIn(
  theirs: Shelf,
  gear: Shelf,
  alone: Shelf,
  idOf: (id: string) => string,
): Arrangement[] {
  const ofOuting = new Map<string, AnyItem>(itemsOf(alone).map((i) => [i.id, i]));
  const onShelf = new Map<string, AnyItem>(itemsOf(gear).map((i) => [i.id, i]));
  return (itemsOf(theirs) as readonly AnyItem[]).flatMap((item): Arrangement[] => {
    const id = idOf(item.id);
    const base = ofOuting.get(id) ?? onShelf.get(id);
    if (!base || (base.ownership === item.ownership && ofOuting.has(id))) return [];
    if (base.ownership === 'owned')
      return isAway(item.ownership) ? [{ itemId: id, as: item.ownership, loan: item.loan }] : [];
    const as = item.ownership === 'owned' ? base.ownership : item.ownership;
    return [{ itemId: id, as, loan: item.loan }];
  });
}

function tiesOf(
  file: OutingFile,
  shelf: PersonalShelf,
  settings: Settings,
  idOf: (id: string) => string,
  alone: Shelf,
): Ties {
  const fileIds = new Set(itemsOf(file.shelf).map((i) => idOf(i.id)));
  const ofOuting = new Set<string>(itemsOf(alone).map((i) => i.id));
  const owned = itemsOf(shelf.gear).filter((i) => i.ownership === 'owned');
  const coming = owned.flatMap((i) => (fileIds.has(i.id) && !ofOuting.has(i.id) ? [i.id] : []));
  const all = owned.every((i) => fileIds.has(i.id));
  const equal = (key: UsualKey) =>
    key === 'currency'
      ? file.outing.currency === settings.currency
      : same(file.limits[key], settings.limits[key]);
  const keys: readonly UsualKey[] = file.ties?.usual ?? [...USUAL_LIMITS, 'currency'];
  const { bagWeightG, compartments } = file.packing;
  const bag = shelf.bags.find(
    (b) =>
      b.id === file.ties?.bagId && b.weightG === bagWeightG && same(b.compartments, compartments),
  );
  return {
    usual: keys.filter(equal),
    only: all && !file.ties?.only ? null : coming,
    bagId: bag?.id ?? null,
    thingsLeft: shelf.things
      .filter((t) => !file.packing.things.some((other) => other.id === t.id))
      .map((t) => t.id),
  };
}

const isOther = (match: AnyItem | null, { id }: AnyItem) => match !== null && match.id !== id;

/** Ids of added items that are on the shelf already under another id, by what they are. */
export function alreadyOn(shelf: Shelf, added: Partial<Shelf>): ReadonlySet<string> {
  return new Set(
    ITEM_KINDS.flatMap((kind) =>
      ((added[kind] ?? []) as readonly AnyItem[]).flatMap((item) =>
        isOther(bestMatch(kind, item, new Set(shelf[kind] as readonly AnyItem[])), item)
          ? [item.id]
          : [],
      ),
    ),
  );
}

/** Items of a list that are the same thing as an earlier one on the shelf or in the list, with that one. */
export function doubled(shelf: Shelf, kind: ItemKind): ReadonlyMap<string, AnyItem> {
  const first = new Map<string, AnyItem>();
  const found = new Map<string, AnyItem>();
  for (const item of shelf[kind] as readonly AnyItem[]) {
    const key = whatItIs(kind, item);
    const other = first.get(key);
    if (other) found.set(item.id, other);
    else first.set(key, item);
  }
  return found;
}

/**
 * A shelf with what was chosen of another one; bags and usual things that are new come along. It holds
 * no more than a shelf can: what is over that stays out.
 */
export function takenOntoShelf(
  theirs: PersonalShelf,
  mine: PersonalShelf,
  choices: ReadonlyMap<string, Taking>,
): PersonalShelf {
  const { gear } = placeItems(theirs.gear, mine.gear, (compared) => {
    const chosen = choices.get(compared.theirs.id);
    return chosen ?? (compared.mine ? 'mine' : 'owned');
  });
  const fresh = <T extends { readonly id: string }>(list: readonly T[], mine: readonly T[]) =>
    list.filter((item) => !mine.some((other) => other.id === item.id));
  return {
    gear,
    bags: [...mine.bags, ...fresh(theirs.bags, mine.bags)].slice(0, MOST_BAGS),
    things: [...mine.things, ...fresh(theirs.things, mine.things)].slice(0, MOST_THINGS),
  };
}

/**
 * A shelf with gear as it was typed: what is on it already gets the figures that were typed, and what is new
 * stands as it was said to.
 */
export function typedOntoShelf(typed: Shelf, mine: PersonalShelf): PersonalShelf {
  const compared = comparedGear(typed, mine.gear);
  const said = new Map(
    compared.flatMap(({ theirs, mine: known }) => (known ? [[known.id, figuresIn(theirs)]] : [])),
  );
  const gear = mapShelf(mine.gear, (items) => items.map((i) => ({ ...i, ...said.get(i.id) })));
  const standing = compared.flatMap(({ theirs, mine: known }) =>
    known === null ? [[theirs.id, sourceOf(theirs.ownership)] as const] : [],
  );
  return takenOntoShelf({ ...mine, gear: typed }, { ...mine, gear }, new Map(standing));
}

/** The figures of an item that are known. */
const figuresIn = (item: AnyItem) =>
  Object.fromEntries(
    Object.entries(item).filter(([key, value]) => key in FIGURES && value !== null),
  );
