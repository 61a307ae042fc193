import type { Hand as StretchHand, Limits, Shooter, ShooterId, StretchId } from '@/core/brief';
import type { Body, BodyId } from '@/core/gear';
import type { LineupQuestion } from './question';

/** One shooter in one stretch, with what is at hand there; or one person in the whole outing. */
export interface Hand {
  readonly index: number;
  readonly stretchId: StretchId | null;
  readonly shooterId: ShooterId | null;
  readonly bodyIds: readonly BodyId[];
  /** How many of these bodies are in hand at once. */
  readonly inHand: number;
  /** Which bodies they are is part of the choice. */
  readonly choosesBodies: boolean;
  /** Each body keeps one setup for the whole stretch. */
  readonly fixedSetups: boolean;
  /** Which pieces are carried here is part of the choice; else all that come along are at hand. */
  readonly choosesPieces: boolean;
  readonly maxWeightG: number | null;
  /** A camera that stands somewhere and belongs to nobody: it keeps its setup and nobody carries it. */
  readonly placed: boolean;
  readonly wet: boolean;
  /** Flash and support are allowed there. */
  readonly flash: boolean;
  readonly support: boolean;
}

const EVERYTHING: Pick<StretchHand, 'bodyIds' | 'bodies' | 'maxWeightG'> = {
  bodyIds: [],
  bodies: null,
  maxWeightG: null,
};

/** The person that has everything where nothing else is said. */
export function firstPerson(shooters: readonly Shooter[]): ShooterId | null {
  return shooters.find((s) => !s.placed)?.id ?? null;
}

/**
 * All hands of an outing, stretch by stretch. Without stretches there is one.
 *
 * @param tied which bodies come along and what is carried where is part of the choice everywhere
 */
export function handsOf(
  { outing, stretches, limits }: Pick<LineupQuestion, 'outing' | 'stretches' | 'limits'>,
  bodies: readonly Body[],
  tied = false,
): Hand[] {
  const all = bodies.map((b) => b.id);
  const first = firstPerson(outing.shooters);
  const placed = new Set<string>(outing.shooters.filter((s) => s.placed).map((s) => s.id));
  const counted = limits.order.includes('changes');
  if (stretches.length === 0) return [wholeOuting(all, first, limits, counted, tied)];
  const hands: Hand[] = [];
  for (const stretch of stretches) {
    const present =
      stretch.hands.length > 0 ? stretch.hands : [{ ...EVERYTHING, shooterId: first }];
    const alone = present.length === 1;
    for (const hand of present) {
      const own = new Set<BodyId>(hand.bodyIds);
      const bodyIds = own.size > 0 ? all.filter((id) => own.has(id)) : all;
      const isPlaced = hand.shooterId !== null && placed.has(hand.shooterId);
      const most = isPlaced ? 1 : (hand.bodies ?? bodyIds.length);
      const inHand = Math.min(most, bodyIds.length);
      const contested = present.some(
        (other) =>
          other !== hand &&
          (other.bodyIds.length === 0 || bodyIds.some((id) => other.bodyIds.includes(id))),
      );
      hands.push({
        index: hands.length,
        stretchId: stretch.id,
        shooterId: hand.shooterId,
        bodyIds,
        inHand,
        choosesBodies: tied || inHand < bodyIds.length || contested || hand.maxWeightG !== null,
        fixedSetups: isPlaced || !stretch.changes || !stretch.allowed.bags || limits.neverChange,
        choosesPieces: tied || !alone || hand.maxWeightG !== null || counted,
        maxWeightG: isPlaced ? null : hand.maxWeightG,
        placed: isPlaced,
        wet: stretch.weather.includes('wet'),
        flash: stretch.allowed.flash,
        support: stretch.allowed.support,
      });
    }
  }
  return hands;
}

function wholeOuting(
  bodyIds: readonly BodyId[],
  shooterId: ShooterId | null,
  limits: Limits,
  counted: boolean,
  tied: boolean,
): Hand {
  return {
    index: 0,
    stretchId: null,
    shooterId,
    bodyIds,
    inHand: bodyIds.length,
    choosesBodies: tied,
    fixedSetups: limits.neverChange,
    choosesPieces: tied || counted,
    maxWeightG: null,
    placed: false,
    wet: false,
    flash: true,
    support: true,
  };
}

/** Whether everything that comes along is at hand there, on any body, changed at will. */
export function isLoose(hand: Hand): boolean {
  return !hand.choosesBodies && !hand.fixedSetups && !hand.choosesPieces;
}

/** The hands of the same stretch, by stretch. */
export function handsByStretch(hands: readonly Hand[]): Hand[][] {
  const groups = new Map<StretchId | null, Hand[]>();
  for (const hand of hands)
    groups.set(hand.stretchId, [...(groups.get(hand.stretchId) ?? []), hand]);
  return [...groups.values()];
}

/**
 * How many lenses that do the same can be of use at once in each stretch: one for each hand, two
 * where pictures are to be twice covered, and one for each body that keeps its setup.
 *
 * @param twiceIn stretches with pictures to be twice covered
 */
export function usefulCopies(
  hands: readonly Hand[],
  twiceIn: ReadonlySet<StretchId | null>,
): Map<StretchId | null, number> {
  return new Map(
    handsByStretch(hands).map((group) => {
      const stretchId = group[0]?.stretchId ?? null;
      const copies = (hand: Hand) =>
        hand.fixedSetups ? Math.max(1, hand.inHand) : twiceIn.has(stretchId) ? 2 : 1;
      return [stretchId, group.reduce((sum, hand) => sum + copies(hand), 0)];
    }),
  );
}
