import { type BodyId, isBare, type Kit, kitKey, type LensId, type Setup } from '@/core/gear';
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
  /** Everything in the key but the lens: makers that differ in the lens alone share it. */
  readonly slot: string;
  /** Where it is, without the kit. */
  readonly where: string;
  /** Whether the kit is a lens and nothing else. */
  readonly bare: boolean;
}

/** A setup as it counts in one hand: by the kit, and, for what is twice covered, by the body too. */
export interface HandSetup {
  readonly setup: Setup;
  readonly maker: number;
  readonly bodyMaker: number;
}

export interface Makers {
  /** In the order of their keys. */
  readonly makers: readonly Maker[];
  /** The setups of each hand, by the hand's index. */
  readonly byHand: readonly (readonly HandSetup[])[];
}

/** Everything that can make something in any hand; setups that need the same things share a maker. */
export function makersOf(
  setups: readonly Setup[],
  hands: readonly Hand[],
  anyTwice: boolean,
): Makers {
  const byKey = new Map<string, Maker>();
  const keyOf = (setup: Setup, hand: Hand, onBody: boolean) => {
    const tied = onBody || hand.choosesBodies || hand.fixedSetups;
    const inHand = tied || hand.choosesPieces;
    const where = inHand ? `${hand.index}@${tied ? setup.bodyId : ''}` : '';
    const key = `${where}|${kitKey(setup)}`;
    if (!byKey.has(key)) {
      const { lensId, adapterId, converterId, tubeId } = setup;
      byKey.set(key, {
        key,
        kit: { lensId, adapterId, converterId, tubeId },
        hand: inHand ? hand : null,
        bodyId: tied ? setup.bodyId : null,
        slot: `${where}|${adapterId ?? ''}+${converterId ?? ''}+${tubeId ?? ''}`,
        where,
        bare: isBare(setup),
      });
    }
    return key;
  };
  const keyed = hands.map((hand) => {
    const own = new Set(hand.bodyIds);
    return setups
      .filter((s) => own.has(s.bodyId))
      .map((setup) => ({
        setup,
        key: keyOf(setup, hand, false),
        bodyKey: anyTwice ? keyOf(setup, hand, true) : null,
      }));
  });
  const makers = [...byKey.values()].sort((a, b) => (a.key < b.key ? -1 : 1));
  const numbers = new Map(makers.map((m, i) => [m.key, i]));
  const numberOf = (key: string) => numbers.get(key) ?? -1;
  return {
    makers,
    byHand: keyed.map((entries) =>
      entries.map(({ setup, key, bodyKey }) => ({
        setup,
        maker: numberOf(key),
        bodyMaker: numberOf(bodyKey ?? key),
      })),
    ),
  };
}

/**
 * The makers that a cell's row needs: a bare lens also stands for the same lens with something
 * behind it in the same place, since that takes the lens too.
 */
export function neededMakers(numbers: Iterable<number>, makers: readonly Maker[]): number[] {
  const all = [...numbers];
  const bare = new Set<string>();
  for (const i of all) {
    const maker = makers[i];
    if (maker?.bare) bare.add(`${maker.where}|${maker.kit.lensId}`);
  }
  return all.filter((i) => {
    const maker = makers[i];
    return maker !== undefined && (maker.bare || !bare.has(`${maker.where}|${maker.kit.lensId}`));
  });
}

/** The lenses of some makers, in the order of ids. */
export function lensesOf(numbers: Iterable<number>, makers: readonly Maker[]): LensId[] {
  const ids = new Set<LensId>();
  for (const i of numbers) {
    const maker = makers[i];
    if (maker) ids.add(maker.kit.lensId);
  }
  return [...ids].sort();
}
