import type { Limits } from '@/core/brief';
import { type CarryQuestion, packedAnyhowG } from '@/core/carry';
import { CoverageMemory } from '@/core/coverage';
import { isAway, ITEM_KINDS, type ItemKind, mapShelf, newMounts, type Shelf } from '@/core/gear';
import { type LineupQuestion, priceOf } from '@/core/lineup';
import type { NextOuting, NextQuestion, Tradable, TradeTerms } from './question';

/** An outing with everything that could be had for it: what comes along and all that may be bought. */
export interface NextField {
  readonly question: NextQuestion;
  readonly outings: readonly FieldOuting[];
  /** In the order of ids. */
  readonly wished: readonly Tradable[];
  /** Owned things that may be sold, in the order of ids. */
  readonly sellable: readonly Tradable[];
  /** Owned things that aren't for sale, and why. */
  readonly held: readonly { readonly id: string; readonly why: HeldWhy }[];
}

/** Why an owned thing isn't for sale: by the person, by a lock, as a spare, or as a named body. */
export type HeldWhy = 'kept' | 'locked-in' | 'spare' | 'named';

export interface FieldOuting extends NextOuting {
  /** Wished things that are there anyhow, borrowed or rented for it. */
  readonly anyhow: ReadonlySet<string>;
  /** What is known of its pictures on any gear that may be had. */
  readonly memory: CoverageMemory;
}

type Item = Shelf[ItemKind][number];

/** Lays the question out: each outing gets all that may be bought as if it were owned. */
export function fieldOf(question: NextQuestion): NextField {
  const { shelf, terms, neverSold } = question;
  const wished = itemsBy(shelf, ({ ownership }) => ownership === 'wished');
  const wishedIds = new Set(wished.map(({ item }) => item.id));
  const held = heldOf(question.outings, neverSold);
  const owned = itemsBy(shelf, ({ ownership }) => ownership === 'owned' || isAway(ownership));
  return {
    question,
    outings: question.outings.map((o) => withWishes(o, shelf, wishedIds)),
    wished: wished.map((each) => tradable(each, terms)),
    sellable: owned.filter(({ item }) => !held.has(item.id)).map((each) => tradable(each, terms)),
    held: owned.flatMap(({ item: { id } }) => {
      const why = held.get(id);
      return why === undefined ? [] : [{ id, why }];
    }),
  };
}

function itemsBy(shelf: Shelf, among: (item: Item) => boolean): { kind: ItemKind; item: Item }[] {
  return ITEM_KINDS.flatMap((kind) =>
    (shelf[kind] as readonly Item[]).filter(among).map((item) => ({ kind, item })),
  ).sort((a, b) => (a.item.id < b.item.id ? -1 : 1));
}

function tradable(
  { kind, item }: { readonly kind: ItemKind; readonly item: Item },
  { buy, resalePercent }: TradeTerms,
): Tradable {
  return {
    id: item.id,
    kind,
    price: priceOf(item, { priceBasis: buy }),
    resale: item.priceUsed === null ? null : (item.priceUsed * resalePercent) / 100,
  };
}

/** Owned things that an outing or the person needs as they are. */
function heldOf(outings: readonly NextOuting[], neverSold: readonly string[]) {
  const held = new Map<string, HeldWhy>();
  for (const { question } of outings) {
    const { stretches, limits } = question;
    for (const { hands } of stretches)
      for (const { bodyIds } of hands) for (const id of bodyIds) held.set(id, 'named');
    for (const { bodyId } of limits.spares) held.set(bodyId, 'spare');
    for (const id of limits.lockedIn) held.set(id, 'locked-in');
  }
  for (const id of neverSold) held.set(id, 'kept');
  return held;
}

/** An outing that has what it has, and all that is wished as if it were owned. */
function withWishes(outing: NextOuting, shelf: Shelf, wishedIds: ReadonlySet<string>): FieldOuting {
  const { question } = outing;
  const { limits } = question;
  const along = mapShelf(question.shelf, (items) =>
    items.filter(({ ownership }) => ownership !== 'wished'),
  );
  const anyhow = new Set(
    itemsBy(along, ({ id }) => wishedIds.has(id)).map(({ item: { id } }) => id as string),
  );
  const merged = mapShelf(along, (items, kind) => [
    ...items,
    ...(shelf[kind] as readonly Item[])
      .filter(({ id }) => wishedIds.has(id) && !anyhow.has(id))
      .map((item) => ({ ...item, ownership: 'owned' as const, loan: null })),
  ]);
  return {
    ...outing,
    anyhow,
    memory: new CoverageMemory(),
    question: {
      ...question,
      shelf: {
        ...merged,
        mounts: [...merged.mounts, ...newMounts(merged.mounts, shelf.mounts)],
      },
      limits: {
        ...limits,
        lockedIn: limits.lockedIn.filter((id) => !wishedIds.has(id) || anyhow.has(id)),
      },
    },
  };
}

/** Of what may be traded, what is had at some time. */
export type Had = ReadonlySet<string>;

/** An outing with only what is had; what can't be traded is there anyhow. */
export function questionWith(
  { question, anyhow }: FieldOuting,
  isTraded: (id: string) => boolean,
  had: Had,
): CarryQuestion {
  const isThere = ({ id }: Item) => had.has(id) || anyhow.has(id) || !isTraded(id);
  return { ...question, shelf: mapShelf(question.shelf, (items) => items.filter(isThere)) };
}

/** The same outing asked for its pictures alone: later aims don't change what is got with how many items. */
export function picturesOnly(question: CarryQuestion): LineupQuestion {
  const limits: Limits = { ...question.limits, order: ['weight'] };
  return {
    ...question,
    limits,
    packedG: limits.maxCarriedWeightG === null ? 0 : packedAnyhowG(question),
  };
}
