import { type BodyId, isBare, type Kit, kitPieces, type LensId, type Setup } from '@/core/gear';
import type { Hand } from './assignments';

/**
 * What makes a piece of a frame: a kit that only has to come along, or a kit in one hand, on one
 * body where it matters which.
 */
export interface Maker {
  readonly kit: Kit;
  /** null: it is enough that the kit comes along, in any hand that has everything. */
  readonly hand: Hand | null;
  /** null: any of the hand's bodies. */
  readonly bodyId: BodyId | null;
  /** Number of where it is and what stands behind the lens: makers that differ in the lens alone share it. */
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
  private readonly bodies = new Map<BodyId, number>();
  private readonly lenses = new Map<LensId, number>();
  /** What stands behind a lens; nothing is 0. */
  private readonly behind = new Map<string, number>([['', 0]]);
  private readonly places = new Map<number, number>();
  private readonly slots = new Map<number, number>();
  private readonly placedLenses = new Map<number, number>();
  private readonly numbers = new Map<number, number>();
  /** For each kind of place the makers that setups have turned out to be; -1 where not yet. */
  private readonly known: Int32Array[] = [];
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

  /** What can be mounted in a hand, of some setups or of all. */
  setupsIn(hand: Hand, of?: ReadonlySet<Setup>): Setup[] {
    return this.setups.filter((s, index) => (!of || of.has(s)) && this.isInHand(index, hand));
  }

  /** Number of the maker that a setup is in a hand; `onBody` tells bodies apart whatever the hand. */
  numberOf(index: number, hand: Hand, onBody: boolean): number {
    const tied = onBody || hand.choosesBodies || hand.fixedSetups;
    const inHand = tied || hand.choosesPieces;
    const place = inHand ? 1 + 2 * hand.index + Number(tied) : 0;
    const known = (this.known[place] ??= new Int32Array(this.setups.length).fill(-1));
    const number = known[index] ?? -1;
    if (number >= 0) return number;
    const added = this.add(this.setups[index]!, hand, tied, inHand);
    known[index] = added;
    return added;
  }

  private add(setup: Setup, hand: Hand, tied: boolean, inHand: boolean): number {
    const { lensId, adapterId, converterId, tubeId, bodyId } = setup;
    const bare = isBare(setup);
    const behind = bare ? 0 : numberIn(this.behind, `${adapterId}+${converterId}+${tubeId}`);
    const body = tied ? numberIn(this.bodies, bodyId) + 1 : 0;
    const where = inHand ? numberIn(this.places, hand.index * WIDEST + body) + 1 : 0;
    const whereLens = numberIn(this.placedLenses, where * WIDEST + numberIn(this.lenses, lensId));
    const number = numberIn(this.numbers, whereLens * WIDEST + behind);
    if (number === this.makers.length)
      this.makers.push({
        kit: { lensId, adapterId, converterId, tubeId },
        hand: inHand ? hand : null,
        bodyId: tied ? bodyId : null,
        slot: numberIn(this.slots, where * WIDEST + behind),
        where,
        whereLens,
        bare,
      });
    return number;
  }
}

/** Above every number of a body, a lens, or what stands behind one. */
const WIDEST = 2 ** 20;

/** The number of a key, the next one when it is new. */
function numberIn<Key>(known: Map<Key, number>, key: Key): number {
  let number = known.get(key);
  if (number === undefined) known.set(key, (number = known.size));
  return number;
}

/**
 * The makers that a cell's row needs: a bare lens also stands for the same lens with something
 * behind it in the same place, since that takes the lens too. Not where setups stay on their bodies:
 * there the lens with something behind it may be the one setup that makes other frames as well.
 */
export function neededMakers(numbers: readonly number[], makers: readonly Maker[]): number[] {
  const bare = new Set<number>();
  for (const i of numbers) {
    const maker = makers[i]!;
    if (maker.bare && isInterchangeable(maker)) bare.add(maker.whereLens);
  }
  return numbers.filter((i) => {
    const maker = makers[i]!;
    return maker.bare || !bare.has(maker.whereLens);
  });
}

/** Whether what stands behind a lens can be put on and taken off there at will. */
export function isInterchangeable({ hand }: Maker): boolean {
  return hand === null || !hand.fixedSetups;
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
