import type { Limits } from '@/core/brief';
import { USUAL_WEIGHT_FACTOR } from '@/core/gear';
import { AIM_TOLERANCE, type AimName } from '../problem/aims';
import type { SelectableItem } from '../problem/item';
import type { Problem } from '../problem/problem';
import { presolve } from '../presolve/presolve';
import { type Choice, choose } from '../solve/choose';
import type { MipSolver } from '../solve/mipSolver';

/**
 * A weight that is estimated, or a price that nobody knows, and that keeps lenses out of a lineup that is
 * as good before it.
 */
export interface UnknownDecides {
  readonly figure: 'weight' | 'price';
  /** The first aim in which the lineup would be better. */
  readonly aim: AimName;
  /** Items whose figure would have to be known. */
  readonly ids: readonly string[];
  /** What would stay at home then. */
  readonly instead: readonly string[];
  /** Together they would have to come to less than this, g or money; null where that can't be said. */
  readonly below: number | null;
}

const KEYS = { weight: 'weightG', price: 'price' } as const;
/** What an unknown price may be at the least, and by what an estimated weight may be too high. */
const AT_BEST = { weight: 1 / USUAL_WEIGHT_FACTOR, price: 0 } as const;

/**
 * The figure that decides by being unknown, if one does. A known price goes before an unknown one, so
 * the choice is made once more as if each unknown price outside the lineup were nothing; and with each
 * estimated weight outside it as low as it may well be.
 */
export function unknownDecides(
  solver: MipSolver,
  problem: Problem,
  choice: Choice,
  timeLimitS: number,
): UnknownDecides | null {
  if (choice.open !== null) return null;
  const taken = new Set(choice.taken);
  for (const figure of decidingFigures(problem.limits)) {
    const key = KEYS[figure];
    const { items } = problem.choice;
    const isUnknown = (p: SelectableItem) =>
      figure === 'weight' ? problem.choice.estimated.has(p.id) : p.price === null;
    const isOpen = (p: SelectableItem) => isUnknown(p) && !taken.has(p.id);
    if (!items.some(isOpen)) continue;
    const atBest = items.map((p) =>
      isOpen(p) ? { ...p, [key]: AT_BEST[figure] * (p[key] ?? 0) } : p,
    );
    const hopeful = { ...problem, choice: { ...problem.choice, items: atBest } };
    const found = choose(solver, hopeful, presolve(hopeful), timeLimitS);
    if (found === null || found.open !== null) continue;
    const ids = items.filter((p) => isOpen(p) && found.taken.includes(p.id));
    if (ids.length === 0) continue;
    const others = new Set(found.taken);
    const instead = items.filter((p) => taken.has(p.id) && !others.has(p.id));
    const sum = (of: readonly string[]) =>
      items.reduce((all, p) => all + (of.includes(p.id) && !isOpen(p) ? (p[key] ?? 0) : 0), 0);
    const below = sum(choice.taken) - sum(found.taken);
    const isTold = instead.every((p) => !isUnknown(p)) && below > AIM_TOLERANCE;
    return {
      figure,
      aim: firstBetter(choice, found) ?? figure,
      ids: ids.map((p) => p.id),
      instead: instead.map((p) => p.id),
      below: isTold ? below : null,
    };
  }
  return null;
}

/** The first aim in which one choice is better than another; what is idle isn't among the values. */
function firstBetter(than: Choice, one: Choice): AimName | undefined {
  const valueOf = ({ values }: Choice, aim: AimName) =>
    values.find((v) => v.aim === aim)?.value ?? 0;
  return than.values.find(({ aim, value }) => valueOf(one, aim) < value - AIM_TOLERANCE)?.aim;
}

/** Weight and price in the order in which they decide. */
function decidingFigures({ order }: Limits): ('weight' | 'price')[] {
  const named = order.filter((aim) => aim === 'weight' || aim === 'price');
  return [...new Set([...named, 'weight' as const, 'price' as const])];
}
