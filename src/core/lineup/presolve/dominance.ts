import type { StretchId } from '@/core/brief';
import type { LensId } from '@/core/gear';
import { covers, type IntervalSet, union } from '@/core/intervals';
import { AT_EASE, type Pace } from '@/core/pace';
import { BitSet } from './bitSet';
import type { OccasionCells } from './segments';
import type { Field, Target } from '../problem/problem';
import { usefulCopies } from '../problem/assignments';
import { isInterchangeable, type Maker } from '../problem/candidates';
import { byAims } from '../problem/aims';
import type { Occasion } from '../problem/opportunities';
import type { Piece } from '../problem/selectable';

export interface DominanceOptions {
  /** Pieces that stay whatever stands over them. */
  readonly forced: ReadonlySet<string>;
  /** Only lenses of the same kind may stand for each other. */
  readonly kindOf?: (lensId: string) => string;
  /** Keep lenses that only the order of ids puts behind another: to list what is equally good. */
  readonly keepTies?: boolean;
  /** Compare by weight and money both, whatever the order of aims: for the trade-off. */
  readonly byResources?: boolean;
  readonly pace?: Pace;
}

/** What a lens can do, to be compared with what another can. */
interface Ability<Of> {
  /** Never smaller than that of a lens that can do less. */
  readonly size: number;
  /** As many lenses that do the same can be of use at once where it is of use. */
  readonly copies: number;
  readonly isWithin: (other: Of) => boolean;
}

/**
 * The lenses that may be needed: one is left out when as many others as can be of use at once where
 * it is of use can do all that it can, in the same hand and on the same body, alone or with the same
 * things behind them, and none of them ranks worse by any aim or limited resource. Putting one of
 * them in its place never makes a lineup worse, nor lets two cells share a lens that could not
 * before. Pieces that are no lenses all stay.
 */
export function undominated<Of extends Ability<Of>>(
  field: Field,
  abilities: ReadonlyMap<LensId, Of>,
  pieces: readonly Piece[],
  {
    forced,
    kindOf = () => '',
    keepTies = false,
    byResources = false,
    pace = AT_EASE,
  }: DominanceOptions,
): Set<string> {
  const compare = byAims(field.limits);
  const rank = rankOf(field, compare, keepTies, byResources);
  const ranked = pieces
    .flatMap((piece) => {
      const ability = piece.kind === 'lens' ? abilities.get(piece.id as LensId) : undefined;
      return ability ? [{ piece, ability, kind: kindOf(piece.id) }] : [];
    })
    .sort(
      (a, b) =>
        b.ability.size - a.ability.size ||
        compare(a.piece, b.piece) ||
        (a.piece.id < b.piece.id ? -1 : 1),
    );
  const kept: typeof ranked = [];
  for (const lens of ranked) {
    let better = 0;
    pace();
    for (const k of kept) {
      if (k.kind === lens.kind && rank(k.piece, lens.piece) && lens.ability.isWithin(k.ability))
        better += 1;
      if (better >= lens.ability.copies) break;
    }
    if (better < lens.ability.copies || forced.has(lens.piece.id)) kept.push(lens);
  }
  return new Set([
    ...kept.map((k) => k.piece.id),
    ...pieces.filter((p) => p.kind !== 'lens' || forced.has(p.id)).map((p) => p.id),
  ]);
}

/** Whether one piece ranks no worse than another by the aims and by every limited resource. */
function rankOf(
  { limits, hands }: Field,
  compare: (a: Piece, b: Piece) => number,
  keepTies: boolean,
  byResources: boolean,
) {
  const weighs =
    byResources ||
    limits.maxLineupWeightG !== null ||
    hands.some((hand) => hand.maxWeightG !== null);
  const costs = byResources || limits.maxSpend !== null;
  const noMore = (a: number | null, b: number | null) => a !== null && (b === null || a <= b);
  return (one: Piece, other: Piece) => {
    const order = compare(one, other);
    if (keepTies && order === 0) return false;
    return (
      (order < 0 || (order === 0 && one.id < other.id)) &&
      (!weighs || noMore(one.weightG, other.weightG)) &&
      (!costs || noMore(one.spend, other.spend))
    );
  };
}

/**
 * What each lens can do, cell by cell: a bit for each cell and each slot met there (hand, body, and
 * what stands behind the lens). A lens that makes a cell bare also stands for everything behind it
 * in that place, unless setups stay on their bodies: it can take the place of a lens that needs the
 * converter.
 */
export function abilitiesByCells(
  field: Field,
  targets: readonly Target<OccasionCells>[],
): Map<LensId, BitAbility> {
  const { makers } = field;
  const occasions = targets.flatMap((t) => t.occasions);
  const copiesAt = copiesIn(field, occasions);
  let bits = 0;
  const marked = occasions.flatMap(({ occasion, cells }) =>
    cells.map((cell) => {
      const bitOf: number[] = [];
      const byWhere: number[][] = [];
      for (const i of cell.makers) {
        const { slot, where } = makers[i]!;
        if (bitOf[slot] !== undefined) continue;
        bitOf[slot] = bits;
        (byWhere[where] ??= []).push(bits);
        bits += 1;
      }
      return { cell, bitOf, byWhere, copies: copiesAt(occasion) };
    }),
  );
  const marks = new Map<LensId, { bits: BitSet; copies: number }>();
  for (const { cell, bitOf, byWhere, copies } of marked) {
    for (const i of cell.makers) {
      const { slot, where, kit } = makers[i]!;
      const standsForAll = makers[i]!.bare && isInterchangeable(makers[i]!);
      let own = marks.get(kit.lensId);
      if (!own) marks.set(kit.lensId, (own = { bits: BitSet.empty(bits), copies: 1 }));
      own.copies = Math.max(own.copies, copies);
      if (standsForAll) for (const bit of byWhere[where] ?? []) own.bits.add(bit);
      else own.bits.add(bitOf[slot] ?? 0);
    }
  }
  return new Map([...marks].map(([id, own]) => [id, new BitAbility(own.bits, own.copies)]));
}

class BitAbility implements Ability<BitAbility> {
  readonly size: number;

  constructor(
    private readonly bits: BitSet,
    readonly copies: number,
  ) {
    this.size = bits.size;
  }

  isWithin(other: BitAbility): boolean {
    return this.bits.isWithin(other.bits);
  }
}

/**
 * What each lens can do, place by place, before anything is cut into cells: what is within another
 * here is within it in every cell, whatever the cells. Slots and bare lenses as with cells.
 *
 * @param allowed for each maker whether it may be used
 */
export function abilitiesByPlaces(
  field: Field,
  targets: readonly Target[],
  allowed: readonly boolean[],
): Map<LensId, PlaceAbility> {
  const occasions = targets.flatMap((t) => t.occasions);
  const copiesAt = copiesIn(field, occasions);
  const abilities = new Map<LensId, PlaceAbility>();
  let spots = 0;
  for (const { occasion, places } of occasions) {
    const copies = copiesAt(occasion);
    const usable: { maker: Maker; set: IntervalSet }[] = [];
    const spotOf: number[] = [];
    const slotsIn: number[] = [];
    const bareSpotIn: number[] = [];
    const bareSets: IntervalSet[] = [];
    for (const [i, set] of places) {
      if (!allowed[i]) continue;
      const maker = field.makers[i]!;
      const { slot, where, whereLens, bare } = maker;
      usable.push({ maker, set });
      if (spotOf[slot] === undefined) {
        spotOf[slot] = spots;
        slotsIn[where] = (slotsIn[where] ?? 0) + 1;
        if (bare && isInterchangeable(maker)) bareSpotIn[where] = spots;
        spots += 1;
      }
      if (bare) bareSets[whereLens] = set;
    }
    for (const { maker, set } of usable) {
      const { slot, where, whereLens, bare, kit } = maker;
      let own = abilities.get(kit.lensId);
      if (!own) abilities.set(kit.lensId, (own = new PlaceAbility()));
      own.copies = Math.max(own.copies, copies);
      const alone = bare ? undefined : bareSets[whereLens];
      const size = bare ? slotsIn[where]! * sizeOf(set) : sizeBeside(set, alone);
      own.add({ spot: spotOf[slot]!, bareSpot: bareSpotIn[where], set }, size);
    }
  }
  return abilities;
}

/** What one lens makes in one slot of an occasion; and the slot of lenses with nothing behind them there. */
interface Spot {
  readonly spot: number;
  readonly bareSpot: number | undefined;
  readonly set: IntervalSet;
}

class PlaceAbility implements Ability<PlaceAbility> {
  size = 0;
  copies = 1;
  private readonly spots: Spot[] = [];
  private readonly sets = new Map<number, IntervalSet>();

  add(spot: Spot, size: number): void {
    this.spots.push(spot);
    this.sets.set(spot.spot, spot.set);
    this.size += size;
  }

  isWithin(other: PlaceAbility): boolean {
    for (const { spot, bareSpot, set } of this.spots) {
      if (isPart(set, other.sets.get(spot))) continue;
      if (bareSpot === undefined || !isPart(set, other.sets.get(bareSpot))) return false;
    }
    return true;
  }
}

function isPart(set: IntervalSet, of: IntervalSet | undefined): boolean {
  return of !== undefined && (set === of || set.every((range) => covers(of, range)));
}

const lengthOf = (set: IntervalSet) => set.reduce((sum, { from, to }) => sum + to - from, 0);
const sizeOf = (set: IntervalSet) => 1 + lengthOf(set);

/** What a slot adds to the size where the lens alone makes some of it already. */
function sizeBeside(set: IntervalSet, alone: IntervalSet | undefined): number {
  return alone ? lengthOf(union([...alone, ...set])) - lengthOf(alone) : sizeOf(set);
}

/** How many lenses that do the same can be of use at once on an occasion. */
function copiesIn(
  { hands }: Field,
  occasions: readonly { readonly occasion: Occasion; readonly twice: boolean }[],
): (occasion: Occasion) => number {
  const twiceIn = new Set<StretchId | null>(
    occasions.filter((o) => o.twice).map((o) => o.occasion.stretchId),
  );
  const copies = usefulCopies(hands, twiceIn);
  return ({ stretchId }) => copies.get(stretchId) ?? 1;
}
