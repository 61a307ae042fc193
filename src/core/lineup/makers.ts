import {
  type BodyId,
  isBare,
  type Kit,
  kitKey,
  kitPieces,
  type LensId,
  type Setup,
} from '@/core/gear';
import type { Hand } from './hands';

/**
 * What makes a piece of a frame: a kit that only has to come along, or a kit in one hand, on one
 * body where it matters which.
 */
export interface Maker {
  readonly key: string;
  readonly kit: Kit;
  /** null: it is enough that the kit comes along, in any hand that has everything. */
  readonly hand: Hand | null;
  /** null: any of the hand's bodies. */
  readonly bodyId: BodyId | null;
  /** Number of everything in the key but the lens: makers that differ in the lens alone share it. */
  readonly slot: number;
  /** Number of where it is, without the kit. */
  readonly where: number;
  /** Number of where it is with the lens, whatever stands behind the lens. */
  readonly whereLens: number;
  /** Whether the kit is a lens and nothing else. */
  readonly bare: boolean;
}

/**
 * The makers that make anything, by number in the order in which they are met; setups that need the
 * same things share one. Most setups of a large shelf make nothing and never become one.
 */
export class MakerTable {
  readonly makers: Maker[] = [];
  private readonly numbers = new Map<string, number>();
  private readonly slots = new Map<string, number>();
  private readonly places = new Map<string, number>();
  private readonly placedLenses = new Map<string, number>();
  private readonly known = new Map<string, Int32Array>();
  /** For each hand, whether each setup's body is at hand there. */
  private readonly atHand: readonly (readonly boolean[])[];

  constructor(
    readonly setups: readonly Setup[],
    hands: readonly Hand[],
  ) {
    this.atHand = hands.map((hand) => {
      const own = new Set(hand.bodyIds);
      return setups.map((s) => own.has(s.bodyId));
    });
  }

  /** Whether a setup, by its number, can be mounted in a hand. */
  isInHand(index: number, hand: Hand): boolean {
    return this.atHand[hand.index]?.[index] ?? false;
  }

  /** What can be mounted in a hand. */
  setupsIn(hand: Hand): Setup[] {
    return this.setups.filter((_, index) => this.isInHand(index, hand));
  }

  /** Number of the maker that a setup is in a hand; `onBody` tells bodies apart whatever the hand. */
  numberOf(index: number, hand: Hand, onBody: boolean): number {
    const tied = onBody || hand.choosesBodies || hand.fixedSetups;
    const inHand = tied || hand.choosesPieces;
    const place = inHand ? `${hand.index}${tied ? '@' : ''}` : '';
    let known = this.known.get(place);
    if (!known) {
      known = new Int32Array(this.setups.length).fill(-1);
      this.known.set(place, known);
    }
    const number = known[index] ?? -1;
    if (number >= 0) return number;
    const added = this.add(this.setups[index]!, hand, tied, inHand);
    known[index] = added;
    return added;
  }

  private add(setup: Setup, hand: Hand, tied: boolean, inHand: boolean): number {
    const where = inHand ? `${hand.index}@${tied ? setup.bodyId : ''}` : '';
    const key = `${where}|${kitKey(setup)}`;
    const known = this.numbers.get(key);
    if (known !== undefined) return known;
    const { lensId, adapterId, converterId, tubeId } = setup;
    this.makers.push({
      key,
      kit: { lensId, adapterId, converterId, tubeId },
      hand: inHand ? hand : null,
      bodyId: tied ? setup.bodyId : null,
      slot: numberIn(this.slots, `${where}|${adapterId}+${converterId}+${tubeId}`),
      where: numberIn(this.places, where),
      whereLens: numberIn(this.placedLenses, `${where}|${lensId}`),
      bare: isBare(setup),
    });
    this.numbers.set(key, this.makers.length - 1);
    return this.makers.length - 1;
  }
}

function numberIn(known: Map<string, number>, key: string): number {
  const number = known.get(key) ?? known.size;
  known.set(key, number);
  return number;
}

/**
 * The makers that a cell's row needs: a bare lens also stands for the same lens with something
 * behind it in the same place, since that takes the lens too.
 */
export function neededMakers(numbers: readonly number[], makers: readonly Maker[]): number[] {
  const bare = new Set<number>();
  for (const i of numbers) {
    const maker = makers[i]!;
    if (maker.bare) bare.add(maker.whereLens);
  }
  return numbers.filter((i) => {
    const maker = makers[i]!;
    return maker.bare || !bare.has(maker.whereLens);
  });
}

/** Whether everything of a kit is among the taken pieces. */
export function isAtHand(kit: Kit, taken: ReadonlySet<string>): boolean {
  return kitPieces(kit).every((id) => taken.has(id));
}

/** The lenses of some makers. */
export function lensesOf(numbers: readonly number[], makers: readonly Maker[]): Set<LensId> {
  const ids = new Set<LensId>();
  for (const i of numbers) {
    const maker = makers[i];
    if (maker) ids.add(maker.kit.lensId);
  }
  return ids;
}
