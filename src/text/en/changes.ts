import type { Change, ChangedPart } from '@/document';
import { LIMIT_TEXTS, USUAL_LIMIT_NAMES } from './limits';
import { plainList } from '../lists';

/** The forms of a word for one and for many. */
const PARTS: Readonly<Record<ChangedPart, readonly [string, string]>> = {
  picture: ['picture', 'pictures'],
  stretch: ['stretch', 'stretches'],
  limit: ['limit', 'limits'],
  outing: ['detail of the outing', 'details of the outing'],
  packing: ['packing setting', 'packing settings'],
  ground: ['detail of the plan', 'details of the plan'],
  item: ['item', 'items'],
  arrangement: ['choice of gear', 'choices of gear'],
  bag: ['bag', 'bags'],
  thing: ['usual thing', 'usual things'],
  order: ['order', 'orders'],
};
const HOWS = { added: 'added', removed: 'deleted', changed: 'changed' } as const;

const LIMIT_LABELS = Object.fromEntries(
  Object.entries(LIMIT_TEXTS).map(([key, { label }]) => [key, label]),
);

/** Fields of an outing and its limits by their names on screen. */
const FIELDS: Readonly<Record<string, string>> = {
  ...USUAL_LIMIT_NAMES,
  name: 'name',
  place: 'location',
  firstDay: 'first day',
  lastDay: 'last day',
  shooters: 'shooters',
  note: 'note',
  currency: 'currency',
  ...LIMIT_LABELS,
  lockedIn: 'Locked in',
  lockedOut: 'Left out',
  spares: 'spare cameras',
  sources: 'Gear that may be used',
  neverChange: 'Never change a lens',
  ticked: 'ticks',
  carried: 'what was carried',
  things: 'own things',
  compartments: 'bag',
  picture: 'pictures',
  stretch: 'stretches',
  usual: 'settings taken from yours',
  only: 'owned gear that may come',
  bagId: 'bag',
  thingsLeft: 'usual things left at home',
};
/** Parts whose names are the person's own words. */
const NAMED_BY_PERSON: ReadonlySet<ChangedPart> = new Set([
  'picture',
  'stretch',
  'item',
  'bag',
  'thing',
]);
/** Named one by one up to so many; beyond that they are counted. */
const NAMED = 3;

/** What was changed, in one line: "added picture Night sky; changed 4 limits". */
export function changesText(changes: readonly Change[], name: (id: string) => string): string {
  if (changes.length === 0) return 'no difference';
  const groups = new Map<string, Change[]>();
  for (const change of changes) {
    const key = `${change.how} ${change.part}`;
    groups.set(key, [...(groups.get(key) ?? []), change]);
  }
  return [...groups.values()].map((group) => groupText(group, name)).join('; ');
}

function groupText(group: readonly Change[], name: (id: string) => string): string {
  const [{ part, how }] = group as [Change];
  const [one, many] = PARTS[part];
  if (group.length > NAMED) return `${HOWS[how]} ${group.length} ${many}`;
  const names = plainList(
    group.map((c) => (NAMED_BY_PERSON.has(part) ? c.name : (FIELDS[c.name] ?? name(c.name)))),
  );
  return `${HOWS[how]} ${group.length === 1 ? one : many}: ${names}`;
}
