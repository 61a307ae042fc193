import * as z from 'zod';
import { adapter } from './adapter';
import { body } from './body';
import { mountName } from './common';
import { converter } from './converter';
import { lens } from './lens';
import { tube } from './tube';
import { broken } from '@/core/rule';

/** A body's mount and the other lens mounts that it takes directly. */
export const mount = z.strictObject({
  name: mountName,
  accepts: z.array(mountName).max(100),
});
export type Mount = z.infer<typeof mount>;

export const SHELF_LIMITS = {
  bodies: 500,
  lenses: 5000,
  converters: 200,
  tubes: 100,
  adapters: 200,
  mounts: 300,
} as const;

/** The kinds of things on a shelf, in the order of the file. */
export const ITEM_KINDS = ['bodies', 'lenses', 'converters', 'tubes', 'adapters'] as const;
export type ItemKind = (typeof ITEM_KINDS)[number];

const parts = z.strictObject({
  mounts: z.array(mount).max(SHELF_LIMITS.mounts),
  bodies: z.array(body).max(SHELF_LIMITS.bodies),
  lenses: z.array(lens).max(SHELF_LIMITS.lenses),
  converters: z.array(converter).max(SHELF_LIMITS.converters),
  tubes: z.array(tube).max(SHELF_LIMITS.tubes),
  adapters: z.array(adapter).max(SHELF_LIMITS.adapters),
});

/** Some gear that goes with a shelf: ids are unique, but converters may name lenses of that shelf. */
export const shelfParts = parts.superRefine((s, context) => {
  const seen = new Set<string>();
  for (const kind of ITEM_KINDS) {
    s[kind].forEach((item, i) => {
      if (seen.has(item.id)) {
        context.addIssue({
          code: 'custom',
          path: [kind, i, 'id'],
          ...broken({ rule: 'duplicate-id', id: item.id }),
        });
      }
      seen.add(item.id);
    });
  }
});

/** What each kind of item must hold. */
export const ITEM_SCHEMAS = {
  bodies: body,
  lenses: lens,
  converters: converter,
  tubes: tube,
  adapters: adapter,
} as const;

/** All gear known. Ids are unique over the whole shelf; converters name lenses that stand on it. */
export const shelf = shelfParts.superRefine((s, context) => {
  const lensIds = new Set<string>(s.lenses.map((l) => l.id));
  s.converters.forEach((c, i) => {
    c.lensIds.forEach((id, j) => {
      if (!lensIds.has(id)) {
        context.addIssue({
          code: 'custom',
          path: ['converters', i, 'lensIds', j],
          ...broken({ rule: 'no-lens', id }),
        });
      }
    });
  });
});
export type Shelf = z.infer<typeof shelf>;

/** Mounts that one list has and another does not, by name. */
export function newMounts(known: readonly Mount[], others: readonly Mount[]): Mount[] {
  const names = new Set(known.map((m) => m.name));
  return others.filter((m) => !names.has(m.name));
}

/** Whether a body takes a lens without an adapter. */
export function mountFits(mounts: readonly Mount[], bodyMount: string, lensMount: string): boolean {
  if (bodyMount === lensMount) return true;
  return mounts.some((m) => m.name === bodyMount && m.accepts.includes(lensMount));
}

/** Everything on the shelf, bodies and all that goes on them. */
export function itemsOf(s: Shelf) {
  return [...s.bodies, ...itemsWithoutBodies(s)];
}

/** Items as they are named together: lenses first, then what stands behind them, an adapter last. */
export function lensesFirst(shelf: Shelf, ids: readonly string[]): string[] {
  const place = new Map<string, number>(itemsOf(shelf).map(({ id }, i) => [id, i]));
  return [...ids].sort((a, b) => (place.get(a) ?? 0) - (place.get(b) ?? 0));
}

/** Everything on the shelf that may be chosen: lenses and what stands behind them. */
export function itemsWithoutBodies(s: Shelf) {
  return [...s.lenses, ...s.converters, ...s.tubes, ...s.adapters];
}

/** A shelf with the items that are kept; its bodies stay. */
export function withItems(shelf: Shelf, keep: (item: { readonly id: string }) => boolean): Shelf {
  return {
    ...shelf,
    lenses: shelf.lenses.filter(keep),
    converters: shelf.converters.filter(keep),
    tubes: shelf.tubes.filter(keep),
    adapters: shelf.adapters.filter(keep),
  };
}

type ShelfItem = Shelf[ItemKind][number];

/** A shelf with the items of each kind changed. */
export function mapShelf(
  shelf: Shelf,
  change: (items: readonly ShelfItem[], kind: ItemKind) => readonly ShelfItem[],
): Shelf {
  const of = Object.fromEntries(ITEM_KINDS.map((kind) => [kind, change(shelf[kind], kind)]));
  return { mounts: shelf.mounts, ...of } as unknown as Shelf;
}
