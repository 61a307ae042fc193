import { ITEM_KINDS, type Shelf } from '@/core/gear';
import type { Ground } from '@/core/ground';
import { same } from './join';
import type { PersonalShelf } from './personal';
import type { Plan } from './plan';

/** What kind of thing differs between two states. */
export type ChangedPart =
  | 'picture'
  | 'stretch'
  | 'limit'
  | 'outing'
  | 'packing'
  | 'ground'
  | 'item'
  | 'arrangement'
  | 'bag'
  | 'thing'
  | 'order';

/** One difference between two states, with the name of the thing or of the field. */
export interface Change {
  readonly part: ChangedPart;
  readonly how: 'added' | 'removed' | 'changed';
  readonly name: string;
}

interface NamedPart {
  readonly id: string;
  readonly name: string;
}

/** What was changed in an outing from one state to a later one. */
export function planChanges(before: Plan, after: Plan): Change[] {
  return [
    ...fieldChanges('outing', before.outing, after.outing),
    ...listChanges('picture', before.frames, after.frames),
    ...listChanges('stretch', before.stretches, after.stretches),
    ...fieldChanges('limit', before.limits, after.limits),
    ...fieldChanges('packing', before.packing, after.packing),
    ...groundChanges(before.ground, after.ground),
    ...gearChanges(before.alone, after.alone),
    ...listChanges('arrangement', before.arranged.map(asNamed), after.arranged.map(asNamed)),
    ...fieldChanges('arrangement', before.ties, after.ties),
  ];
}

/** What was changed on the plan of the ground; the sheet's own size and north count as the outing's. */
function groundChanges(before: Ground, after: Ground): Change[] {
  const { stations, subjects, obstacles, closed, ...sheet } = after;
  return [
    ...listChanges('ground', before.stations, stations),
    ...listChanges('ground', before.subjects, subjects),
    ...listChanges('ground', before.obstacles, obstacles),
    ...listChanges('ground', before.closed, closed),
    ...fieldChanges('ground', before, sheet),
  ];
}

/** What was changed on a shelf from one state to a later one. */
export function shelfChanges(before: PersonalShelf, after: PersonalShelf): Change[] {
  return [
    ...gearChanges(before.gear, after.gear),
    ...listChanges('bag', before.bags, after.bags),
    ...listChanges('thing', before.things, after.things),
  ];
}

const asNamed = (a: Plan['arranged'][number]) => ({ ...a, id: a.itemId, name: a.itemId });

function gearChanges(before: Shelf, after: Shelf): Change[] {
  return ITEM_KINDS.flatMap((kind) =>
    listChanges('item', before[kind] as readonly NamedPart[], after[kind] as readonly NamedPart[]),
  );
}

function listChanges(
  part: ChangedPart,
  before: readonly NamedPart[],
  after: readonly NamedPart[],
): Change[] {
  const [was, is] = [before, after].map((list) => new Map(list.map((x) => [x.id, x]))) as [
    Map<string, NamedPart>,
    Map<string, NamedPart>,
  ];
  const changes: Change[] = [
    ...after.flatMap((x): Change[] => {
      const old = was.get(x.id);
      if (old === undefined) return [{ part, how: 'added', name: x.name }];
      return same(old, x) ? [] : [{ part, how: 'changed', name: x.name }];
    }),
    ...before.flatMap((x): Change[] =>
      is.has(x.id) ? [] : [{ part, how: 'removed', name: x.name }],
    ),
  ];
  const moved =
    changes.length === 0 &&
    !same(
      before.map((x) => x.id),
      after.map((x) => x.id),
    );
  return moved ? [{ part: 'order', how: 'changed', name: part }] : changes;
}

function fieldChanges(part: ChangedPart, before: object, after: object): Change[] {
  const [was, is] = [before, after] as [Record<string, unknown>, Record<string, unknown>];
  return Object.keys(is).flatMap((name): Change[] =>
    same(was[name], is[name]) ? [] : [{ part, how: 'changed', name }],
  );
}
