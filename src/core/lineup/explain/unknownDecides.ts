import type { Limits } from '@/core/brief';
import { USUAL_WITHIN, usualFigure } from '@/core/gear';
import { AIM_TOLERANCE, type AimName, FEWEST_AIMS } from '../problem/aims';
import type { SelectableItem } from '../problem/item';
import { type Problem, problemOf } from '../problem/problem';
import type { LineupQuestion } from '../problem/question';
import type { EstimatedFigure, Selectable } from '../problem/selectable';
import { presolve } from '../presolve/presolve';
import { type Choice, choose } from '../solve/choose';
import type { MipSolver } from '../solve/mipSolver';

/**
 * A figure that is estimated, or a price that nobody knows, and that keeps lenses out of a lineup that is
 * as good before it.
 */
export interface UnknownDecides {
  readonly figure: EstimatedFigure;
  /** The first aim in which the lineup would be better. */
  readonly aim: AimName;
  /** Items whose figure would have to be known. */
  readonly ids: readonly string[];
  /** What would stay at home then. */
  readonly instead: readonly string[];
  /** Together they would have to come to less than this, g or money; null where that can't be said. */
  readonly below: number | null;
}

/** What is hoped of a figure: the items as they may well be at best, and which of them are open. */
interface Hope {
  readonly problem: Problem;
  readonly isOpen: (id: string) => boolean;
  /** What an item counts of the figure, for saying what would be enough; null where it can't be said. */
  readonly countOf: ((item: SelectableItem) => number) | null;
}

/**
 * The figure that decides by being unknown, if one does. The choice is made once more with each
 * estimated figure outside the lineup as good as it may well be, and each price that can't be estimated
 * as if it were nothing. One that decides what is covered, or by how many items, is told before others.
 */
export function unknownDecides(
  solver: MipSolver,
  question: LineupQuestion,
  problem: Problem,
  choice: Choice,
  timeLimitS: number,
): UnknownDecides | null {
  if (choice.open !== null) return null;
  const taken = new Set(choice.taken);
  const { items } = problem.choice;
  let first: UnknownDecides | null = null;
  for (const figure of decidingFigures(problem.limits)) {
    const hope = hopeOf(figure, question, problem, taken);
    if (hope === null) continue;
    const found = choose(solver, hope.problem, presolve(hope.problem), timeLimitS);
    if (found === null || found.open !== null) continue;
    const ids = found.taken.filter(hope.isOpen);
    const aim = firstBetter(choice, found);
    if (ids.length === 0 || (aim === undefined && figure === 'diameter')) continue;
    const others = new Set(found.taken);
    const instead = items.filter((p) => taken.has(p.id) && !others.has(p.id));
    const came = items.filter((p) => others.has(p.id) && !taken.has(p.id));
    const decides = {
      figure,
      aim: aim ?? (figure as AimName),
      ids,
      instead: instead.map((p) => p.id),
      below: belowOf(figure, problem.choice.estimated, hope, instead, came),
    };
    if (FEWEST_AIMS.has(decides.aim)) return decides;
    first ??= decides;
  }
  return first;
}

/** What the open ones would have to come to less than; null where what stays at home isn't known either. */
function belowOf(
  figure: EstimatedFigure,
  estimated: Selectable['estimated'],
  { isOpen, countOf }: Hope,
  instead: readonly SelectableItem[],
  came: readonly SelectableItem[],
): number | null {
  if (countOf === null) return null;
  const isKnown = (p: SelectableItem) =>
    !estimated[figure].has(p.id) && (figure === 'weight' || p.price !== null);
  const sum = (of: readonly SelectableItem[]) => of.reduce((all, p) => all + countOf(p), 0);
  const below = sum(instead) - sum(came.filter((p) => !isOpen(p.id)));
  return instead.every(isKnown) && below > AIM_TOLERANCE ? below : null;
}

function hopeOf(
  figure: EstimatedFigure,
  question: LineupQuestion,
  problem: Problem,
  taken: ReadonlySet<string>,
): Hope | null {
  if (figure === 'diameter') return thinnerLenses(question, problem);
  const { items, estimated } = problem.choice;
  const open = new Set(
    items
      .filter((p) => estimated[figure].has(p.id) || (figure === 'price' && p.price === null))
      .filter((p) => !taken.has(p.id))
      .map((p) => p.id),
  );
  if (open.size === 0) return null;
  const atBest = items.map((p) => {
    if (!open.has(p.id)) return p;
    if (figure === 'weight') return { ...p, weightG: p.weightG / USUAL_WITHIN.weightG };
    const price = (p.price ?? 0) / USUAL_WITHIN.price;
    return { ...p, price, spend: p.spend === 0 ? 0 : price };
  });
  return {
    problem: { ...problem, choice: { ...problem.choice, items: atBest } },
    isOpen: (id) => open.has(id),
    countOf: (p) => (figure === 'weight' ? p.weightG : (p.price ?? 0)),
  };
}

/** With the lenses that are too thick by their estimated diameter as thin as they may well be. */
function thinnerLenses(question: LineupQuestion, { choice, tied }: Problem): Hope | null {
  const open = new Set(choice.unknown.get('diameter-unknown'));
  if (open.size === 0) return null;
  const { shelf } = question;
  const lenses = shelf.lenses.map((l) => {
    const usual = open.has(l.id) ? usualFigure('lenses', l, 'diameterMm', { shelf }) : null;
    return usual === null ? l : { ...l, diameterMm: usual / USUAL_WITHIN.diameterMm };
  });
  const problem = problemOf({ ...question, shelf: { ...shelf, lenses } }, { tied });
  return { problem, isOpen: (id) => open.has(id), countOf: null };
}

/** The first aim in which one choice is better than another; what is idle isn't among the values. */
function firstBetter(than: Choice, one: Choice): AimName | undefined {
  const valueOf = ({ values }: Choice, aim: AimName) =>
    values.find((v) => v.aim === aim)?.value ?? 0;
  return than.values.find(({ aim, value }) => valueOf(one, aim) < value - AIM_TOLERANCE)?.aim;
}

/** In the order in which they decide; a limit on each lens before what is summed. */
function decidingFigures({ order, maxDiameterMm }: Limits): EstimatedFigure[] {
  const named = order.filter((aim) => aim === 'weight' || aim === 'price');
  const late = new Set([...named, 'weight' as const, 'price' as const]);
  return [...(maxDiameterMm === null ? [] : (['diameter'] as const)), ...late];
}
