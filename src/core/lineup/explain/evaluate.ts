import type { FrameId } from '@/core/brief';
import { kitPieces, type Setup } from '@/core/gear';
import { type Choice, choose } from '../solve/choose';
import type { Field } from '../problem/problem';
import type { Hand } from '../problem/assignments';
import { isAtHand } from '../problem/candidates';
import type { MipSolver } from '../solve/mipSolver';
import { type AimName, aimsOf } from '../problem/aims';
import { reduce } from '../presolve/presolve';

/** The setups that a choice has in a hand, each hand looked at once. */
export type InHands = (hand: Hand) => readonly Setup[];

export function inHands(field: Field, choice: Choice): InHands {
  const taken = new Set(choice.taken);
  const here = new Set<Setup>(field.table.setups.filter((s) => isAtHand(s, taken)));
  const known = new Map<number, readonly Setup[]>();
  return (hand) => {
    const found = known.get(hand.index) ?? setupsIn(field, choice, hand, here);
    known.set(hand.index, found);
    return found;
  };
}

function setupsIn(
  field: Field,
  choice: Choice,
  hand: Hand,
  here: ReadonlySet<Setup>,
): readonly Setup[] {
  const inHand = <T extends { readonly hand: Hand }>(uses: readonly T[]) =>
    uses.filter((use) => use.hand.index === hand.index);
  const held = new Set(inHand(choice.uses.held).map((h) => h.pieceId));
  const bodies = new Set<string>(inHand(choice.uses.bodies).map((b) => b.bodyId));
  const fixed = new Set(
    inHand(choice.uses.fixed).map(({ maker }) => `${maker.bodyId} ${kitPieces(maker.kit).join()}`),
  );
  const along = choice.along === null ? null : new Set(choice.along);
  const has = (setup: Setup) => {
    if (along !== null && !along.has(setup.bodyId)) return false;
    if (hand.fixedSetups) return fixed.has(`${setup.bodyId} ${kitPieces(setup).join()}`);
    return (
      (!hand.choosesPieces || isAtHand(setup, held)) &&
      (!hand.choosesBodies || bodies.has(setup.bodyId))
    );
  };
  return field.table.setupsIn(hand, here).filter(has);
}

/** The frames that some pieces get at the most, whatever is done with them. */
export function framesGotWith(
  solver: MipSolver,
  field: Field,
  among: ReadonlySet<string>,
  timeLimitS: number,
): ReadonlySet<FrameId> {
  const plain = { ...field, limits: { ...field.limits, wantRatePercent: 0, order: [] } };
  const reduced = reduce(plain, { among, keepAll: true });
  const aims = aimsOf(plain.frames, plain.limits).filter(({ name }) => OF_FRAMES.has(name));
  return choose(solver, plain, reduced, timeLimitS, aims)?.got ?? new Set();
}

/** The aims that count frames. */
const OF_FRAMES: ReadonlySet<AimName> = new Set<AimName>(['musts', 'wants', 'bonus']);
