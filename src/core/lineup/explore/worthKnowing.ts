import { allowedBy, type Limits } from '@/core/brief';
import {
  type FigureKey,
  FIGURES,
  figuresOf,
  ITEM_KINDS,
  type ItemKind,
  type Shelf,
} from '@/core/gear';
import { LIMITED_FIGURES, lensLimits } from '../problem/limitRules';
import type { MipSolver } from '../solve/mipSolver';
import type { LineupQuestion } from '../problem/question';
import { solveChoice, type SolveOptions } from '../solveLineup';

/** Figures that may be unknown and that a choice may depend on. */
export type Knowable = FigureKey;
const KNOWABLE = figuresOf(FIGURES).flatMap(([key, { ends }]) => (ends ? [key as Knowable] : []));

export interface UnknownFigure {
  readonly kind: ItemKind;
  readonly itemId: string;
  readonly field: Knowable;
}

/** The fewest unknown figures that, filled in, could change the lineup. */
export interface WorthKnowing {
  /** Each of them could change it by itself. */
  readonly figures: readonly UnknownFigure[];
  /** Where none could by itself: these could together. */
  readonly together: readonly UnknownFigure[];
  /** How many figures are unknown in all, of gear that may be used. */
  readonly unknown: number;
  /** Whether all of them were looked at. */
  readonly complete: boolean;
}

export interface WorthKnowingOptions extends SolveOptions {
  /** Most lineups that are worked out for it. */
  readonly most: number;
  readonly progress?: (done: number) => void;
}

interface Fill extends UnknownFigure {
  readonly value: number | boolean;
}

/**
 * Finds the unknown figures worth finding out. A figure at its best can only help what has it: where
 * those of all items outside the lineup at their best change nothing, none of them does by itself, so
 * that most are ruled out together. What is in the lineup is tried at both ends, one figure after
 * another.
 */
export function worthKnowing(
  solver: MipSolver,
  question: LineupQuestion,
  options: WorthKnowingOptions,
): WorthKnowing {
  const unknown = unknownFigures(question);
  let solves = 0;
  const lineup = (fills: readonly Fill[]) => {
    solves += 1;
    options.progress?.(Math.min(1, solves / options.most));
    return lineupOf(solver, filledIn(question, fills), options);
  };
  const now = lineup([]);
  const changes = (fills: readonly Fill[]) =>
    fills.length > 0 && solves < options.most && lineup(fills).key !== now.key;
  const at = (end: 0 | 1) => (figure: UnknownFigure) => ({
    ...figure,
    value: FIGURES[figure.field].ends![end],
  });
  const out = unknown.filter((f) => !now.ids.has(f.itemId)).map(at(0));
  const inside = unknown.filter((f) => now.ids.has(f.itemId));
  const singles = [
    ...singlesOf(out, changes),
    ...[0, 1].flatMap((end) => inside.map(at(end as 0 | 1)).filter((fill) => changes([fill]))),
  ];
  const figures = unknown.filter((f) =>
    singles.some((s) => s.itemId === f.itemId && s.field === f.field),
  );
  const together = figures.length > 0 || !changes(out) ? [] : fewestOf(out, changes);
  return {
    figures,
    together: together.map(({ kind, itemId, field }) => ({ kind, itemId, field })),
    unknown: unknown.length,
    complete: solves < options.most,
  };
}

/** Those that change the lineup by themselves: a half that changes nothing together is done with. */
function singlesOf(fills: readonly Fill[], changes: (fills: readonly Fill[]) => boolean): Fill[] {
  if (!changes(fills)) return [];
  if (fills.length === 1) return [...fills];
  const middle = Math.ceil(fills.length / 2);
  return [
    ...singlesOf(fills.slice(0, middle), changes),
    ...singlesOf(fills.slice(middle), changes),
  ];
}

/** As few as change the lineup together: each that is not needed for it is left out. */
function fewestOf(fills: readonly Fill[], changes: (fills: readonly Fill[]) => boolean): Fill[] {
  return fills.reduce<Fill[]>(
    (left, fill) => {
      const without = left.filter((f) => f !== fill);
      return changes(without) ? without : left;
    },
    [...fills],
  );
}

function lineupOf(solver: MipSolver, question: LineupQuestion, options: SolveOptions) {
  const { choice } = solveChoice(solver, question, options);
  const ids = new Set<string>([...(choice?.taken ?? []), ...(choice?.along ?? [])]);
  return { ids, key: [...ids].sort().join(' ') };
}

/** Figures that are not known of gear that may be used, as far as the limits make them count. */
function unknownFigures({ shelf, limits }: LineupQuestion): UnknownFigure[] {
  const allowed = allowedBy(limits);
  const counts = countsIn(limits);
  return ITEM_KINDS.flatMap((kind) =>
    shelf[kind].filter(allowed).flatMap((item): UnknownFigure[] => {
      const has = item as unknown as Readonly<Record<string, unknown>>;
      return KNOWABLE.filter((field) => field in has && has[field] === null && counts(field))
        .filter((field) => field !== 'priceNew' || has.priceUsed === null)
        .map((field) => ({ kind, itemId: item.id, field }));
    }),
  );
}

/** Prices count where something is made of them, what a limit is on where it is set. */
function countsIn(limits: Limits): (field: Knowable) => boolean {
  const priced = limits.order.includes('price') || limits.maxSpend !== null;
  const limited = new Set<string>(lensLimits(limits).map(({ rule }) => rule.figure));
  return (field) =>
    field === 'priceNew' ? priced : !LIMITED_FIGURES.has(field) || limited.has(field);
}

function filledIn(question: LineupQuestion, fills: readonly Fill[]): LineupQuestion {
  if (fills.length === 0) return question;
  const byItem = new Map<string, Record<string, number | boolean>>();
  for (const { itemId, field, value } of fills)
    byItem.set(itemId, { ...byItem.get(itemId), [field]: value });
  const fill = <T extends { readonly id: string }>(list: readonly T[]) =>
    list.map((item) => (byItem.has(item.id) ? { ...item, ...byItem.get(item.id) } : item));
  const { shelf } = question;
  const filled = Object.fromEntries(
    ITEM_KINDS.map((kind) => [kind, fill(shelf[kind] as readonly { readonly id: string }[])]),
  );
  return { ...question, shelf: { ...shelf, ...filled } as Shelf };
}
