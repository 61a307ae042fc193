import { AT_EASE, type Pace } from '@/core/pace';
import { cellsOf, type OccasionCells } from './segments';
import {
  abilitiesByCells,
  abilitiesByPlaces,
  type DominanceOptions,
  undominated,
} from './dominance';
import type { Field, Target } from '../problem/problem';
import { isAtHand } from '../problem/candidates';
import { missingOf, placesOf } from '../problem/positions';
import type { Piece } from '../problem/selectable';

/**
 * The part of a field that decides: occasions that something makes wholly, by their essential
 * cells, with only the lenses that may be needed.
 */
export interface Reduced {
  readonly targets: readonly Target<OccasionCells>[];
  /** Pieces that are left, in the order of ids. */
  readonly pieces: readonly Piece[];
  /** Pieces that must be taken: what is locked in, and what is tried. */
  readonly forced: ReadonlySet<string>;
}

export interface ReduceOptions extends Omit<DominanceOptions, 'forced'> {
  /** Pieces to be taken whatever the answer, at their full cost: to see what that would mean. */
  readonly forced?: ReadonlySet<string>;
  /** Pieces that may be chosen; all when left out. */
  readonly among?: ReadonlySet<string>;
  /** Keep every lens. */
  readonly keepAll?: boolean;
}

/** Leaves out the lenses that are never needed, first by the places they make, then by the cells. */
export function reduce(field: Field, options: ReduceOptions = {}): Reduced {
  const { among, pace = AT_EASE } = options;
  const pieces = field.choice.pieces.filter((p) => among === undefined || among.has(p.id));
  const forced = new Set(
    pieces.filter((p) => p.lockedIn || options.forced?.has(p.id)).map((p) => p.id),
  );
  const allowed = makersAmong(field, pieces);
  if (options.keepAll) return { targets: cutAll(field.targets, allowed, pace), pieces, forced };
  const ranking = { ...options, forced };
  const left = (kept: ReadonlySet<string>) => pieces.filter((p) => kept.has(p.id));
  const open = coverable(field.targets, allowed);
  const byPlaces = left(
    undominated(field, abilitiesByPlaces(field, open, allowed), pieces, ranking),
  );
  const cells = cutAll(open, makersAmong(field, byPlaces), pace);
  const byCells = left(undominated(field, abilitiesByCells(field, cells), byPlaces, ranking));
  return { targets: cutAll(open, makersAmong(field, byCells), pace), pieces: byCells, forced };
}

/** For each maker, whether all that it takes is among some pieces. */
function makersAmong({ makers }: Field, pieces: readonly Piece[]): boolean[] {
  const ids = new Set(pieces.map((p) => p.id));
  return makers.map(({ kit }) => isAtHand(kit, ids));
}

/** Targets by the occasions that the allowed makers can make wholly. */
function coverable(targets: readonly Target[], allowed: readonly boolean[]): Target[] {
  return targets.flatMap((target) => {
    const occasions = target.occasions.filter(
      ({ axis, places }) => missingOf(axis, placesOf(places, allowed)).length === 0,
    );
    return occasions.length === 0 ? [] : [{ ...target, occasions }];
  });
}

/** Targets by the cells of the occasions of which every cell has an allowed maker. */
function cutAll(
  targets: readonly Target[],
  allowed: readonly boolean[],
  pace: Pace,
): Target<OccasionCells>[] {
  return targets.flatMap((target) => {
    const occasions = target.occasions
      .map((o) => {
        pace();
        return cellsOf(o, allowed);
      })
      .filter(({ cells }) => cells.every((cell) => cell.makers.length > 0));
    return occasions.length === 0 ? [] : [{ ...target, occasions }];
  });
}
