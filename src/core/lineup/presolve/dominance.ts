import type { StretchId } from '@/core/brief';
import type { LensId } from '@/core/gear';
import { covers, type IntervalSet, union } from '@/core/intervals';
import { AT_EASE, type Pace } from '@/core/pace';
import { BitSet } from '@/core/bitSet';
import type { OpportunitySegments } from './segments';
import type { Problem, Target } from '../problem/problem';
import { usefulCopies } from '../problem/assignments';
import { isInterchangeable, type Candidate } from '../problem/candidates';
import { byAims } from '../problem/aims';
import type { Opportunity } from '../problem/opportunities';
import type { SelectableItem } from '../problem/item';
import { sumLimits } from '../problem/limitRules';

export interface DominanceOptions {
  /** Items that stay whatever stands over them. */
  readonly forced: ReadonlySet<string>;
  /** Only lenses of the same kind may stand for each other. */
  readonly kindOf?: (lensId: string) => string;
  /** Whether a lens may stand for others: one that may turn out not to be there can't. All may when left out. */
  readonly isSure?: (lensId: string) => boolean;
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
 * them in its place never makes a lineup worse, nor lets two segments share a lens that could not
 * before. Items that are no lenses all stay.
 */
export function undominated<Of extends Ability<Of>>(
  problem: Problem,
  abilities: ReadonlyMap<LensId, Of>,
  items: readonly SelectableItem[],
  {
    forced,
    kindOf = () => '',
    isSure = () => true,
    keepTies = false,
    byResources = false,
    pace = AT_EASE,
  }: DominanceOptions,
): Set<string> {
  const compare = byAims(problem.limits);
  const rank = rankOf(problem, compare, keepTies, byResources);
  const ranked = items
    .flatMap((item) => {
      const ability = item.kind === 'lens' ? abilities.get(item.id as LensId) : undefined;
      return ability ? [{ item, ability, kind: kindOf(item.id) }] : [];
    })
    .sort(
      (a, b) =>
        b.ability.size - a.ability.size ||
        compare(a.item, b.item) ||
        (a.item.id < b.item.id ? -1 : 1),
    );
  const kept: typeof ranked = [];
  for (const lens of ranked) {
    let better = 0;
    pace();
    for (const k of kept) {
      if (k.kind !== lens.kind || !isSure(k.item.id)) continue;
      if (rank(k.item, lens.item) && lens.ability.isWithin(k.ability)) better += 1;
      if (better >= lens.ability.copies) break;
    }
    if (better < lens.ability.copies || forced.has(lens.item.id)) kept.push(lens);
  }
  return new Set([
    ...kept.map((k) => k.item.id),
    ...items.filter((p) => p.kind !== 'lens' || forced.has(p.id)).map((p) => p.id),
  ]);
}

/** What may be limited of all that comes along. */
const RESOURCES = ['weightG', 'spend'] as const;

/** Whether one item ranks no worse than another by the aims and by every limited resource. */
function rankOf(
  { limits, assignments }: Problem,
  compare: (a: SelectableItem, b: SelectableItem) => number,
  keepTies: boolean,
  byResources: boolean,
) {
  const limited = new Set(sumLimits(limits).flatMap(({ rule }) => rule.resource ?? []));
  if (assignments.some((assignment) => assignment.maxWeightG !== null)) limited.add('weightG');
  const resources = byResources ? RESOURCES : [...limited];
  const noMore = (a: number | null, b: number | null) => a !== null && (b === null || a <= b);
  return (one: SelectableItem, other: SelectableItem) => {
    const order = compare(one, other);
    if (keepTies && order === 0) return false;
    return (
      (order < 0 || (order === 0 && one.id < other.id)) &&
      resources.every((resource) => noMore(one[resource], other[resource]))
    );
  };
}

/**
 * What each lens can do, segment by segment: a bit for each segment and each slot met there (hand, body, and
 * what stands behind the lens). A lens that makes a segment bare also stands for everything behind it
 * in that place, unless setups stay on their bodies: it can take the place of a lens that needs the
 * converter.
 */
export function abilitiesBySegments(
  problem: Problem,
  targets: readonly Target<OpportunitySegments>[],
): Map<LensId, BitAbility> {
  const { candidates } = problem;
  const opportunities = targets.flatMap((t) => t.opportunities);
  const copiesAt = copiesIn(problem, opportunities);
  let bits = 0;
  const marked = opportunities.flatMap(({ opportunity, segments }) =>
    segments.map((segment) => {
      const bitOf: number[] = [];
      const byWhere: number[][] = [];
      for (const i of segment.candidates) {
        const { slot, where } = candidates[i]!;
        if (bitOf[slot] !== undefined) continue;
        bitOf[slot] = bits;
        (byWhere[where] ??= []).push(bits);
        bits += 1;
      }
      return { segment, bitOf, byWhere, copies: copiesAt(opportunity) };
    }),
  );
  const marks = new Map<LensId, { bits: BitSet; copies: number }>();
  for (const { segment, bitOf, byWhere, copies } of marked) {
    for (const i of segment.candidates) {
      const { slot, where, stack } = candidates[i]!;
      const standsForAll = candidates[i]!.bare && isInterchangeable(candidates[i]!);
      let ofLens = marks.get(stack.lensId);
      if (!ofLens) marks.set(stack.lensId, (ofLens = { bits: BitSet.empty(bits), copies: 1 }));
      ofLens.copies = Math.max(ofLens.copies, copies);
      if (standsForAll) for (const bit of byWhere[where] ?? []) ofLens.bits.add(bit);
      else ofLens.bits.add(bitOf[slot] ?? 0);
    }
  }
  return new Map(
    [...marks].map(([id, ofLens]) => [id, new BitAbility(ofLens.bits, ofLens.copies)]),
  );
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
 * What each lens can do, place by place, before anything is cut into segments: what is within another
 * here is within it in every segment, whatever the segments. Slots and bare lenses as with segments.
 *
 * @param allowed for each candidate whether it may be used
 */
export function abilitiesByPositions(
  problem: Problem,
  targets: readonly Target[],
  allowed: readonly boolean[],
): Map<LensId, PositionAbility> {
  const opportunities = targets.flatMap((t) => t.opportunities);
  const copiesAt = copiesIn(problem, opportunities);
  const abilities = new Map<LensId, PositionAbility>();
  let spots = 0;
  for (const { opportunity, positions } of opportunities) {
    const copies = copiesAt(opportunity);
    const usable: { candidate: Candidate; set: IntervalSet }[] = [];
    const spotOf: number[] = [];
    const slotsIn: number[] = [];
    const bareSpotIn: number[] = [];
    const bareSets: IntervalSet[] = [];
    for (const [i, set] of positions) {
      if (!allowed[i]) continue;
      const candidate = problem.candidates[i]!;
      const { slot, where, whereLens, bare } = candidate;
      usable.push({ candidate, set });
      if (spotOf[slot] === undefined) {
        spotOf[slot] = spots;
        slotsIn[where] = (slotsIn[where] ?? 0) + 1;
        if (bare && isInterchangeable(candidate)) bareSpotIn[where] = spots;
        spots += 1;
      }
      if (bare) bareSets[whereLens] = set;
    }
    for (const { candidate, set } of usable) {
      const { slot, where, whereLens, bare, stack } = candidate;
      let ability = abilities.get(stack.lensId);
      if (!ability) abilities.set(stack.lensId, (ability = new PositionAbility()));
      ability.copies = Math.max(ability.copies, copies);
      const alone = bare ? undefined : bareSets[whereLens];
      const size = bare ? slotsIn[where]! * sizeOf(set) : sizeBeside(set, alone);
      ability.add({ spot: spotOf[slot]!, bareSpot: bareSpotIn[where], set }, size);
    }
  }
  return abilities;
}

/** What one lens makes in one slot of an opportunity; and the slot of lenses with nothing behind them there. */
interface SlotUse {
  readonly spot: number;
  readonly bareSpot: number | undefined;
  readonly set: IntervalSet;
}

class PositionAbility implements Ability<PositionAbility> {
  size = 0;
  copies = 1;
  private readonly spots: SlotUse[] = [];
  private readonly sets = new Map<number, IntervalSet>();

  add(spot: SlotUse, size: number): void {
    this.spots.push(spot);
    this.sets.set(spot.spot, spot.set);
    this.size += size;
  }

  isWithin(other: PositionAbility): boolean {
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

/** How many lenses that do the same can be of use at once on an opportunity. */
function copiesIn(
  { assignments }: Problem,
  opportunities: readonly { readonly opportunity: Opportunity; readonly needsBackup: boolean }[],
): (opportunity: Opportunity) => number {
  const needsBackupIn = new Set<StretchId | null>(
    opportunities.filter((o) => o.needsBackup).map((o) => o.opportunity.stretchId),
  );
  const copies = usefulCopies(assignments, needsBackupIn);
  return ({ stretchId }) => copies.get(stretchId) ?? 1;
}
