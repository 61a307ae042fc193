import type { Choice } from '../solve/choose';
import { type Assumption, ASSUMPTIONS } from './assumptions';
import { FEWEST_AIMS } from '../problem/aims';
import type { Problem } from '../problem/problem';
import type { LineupQuestion } from '../problem/question';
import type { FrameResult, Note } from './result';
import type { UnknownDecides } from './unknownDecides';
import { type BeyondLimit, sumLimits } from '../problem/limitRules';

const BEYOND: readonly BeyondLimit[] = ['too-thick'];

/** What is locked in although a limit on each lens would leave it out. */
function lockedBeyond({ choice }: Problem, limit: BeyondLimit): string[] {
  return choice.items.flatMap((p) =>
    p.lockedIn && choice.beyond.get(p.id) === limit ? [p.id] : [],
  );
}

/** What weighs an estimate under a limit on weight: on the whole, or on what an assignment carries. */
function weightsUnknown(problem: Problem, choice: Choice): string[] {
  const { items, bodies } = problem.choice;
  const estimated = problem.choice.estimated.weight;
  const limited = problem.assignments.filter((assignment) => assignment.maxWeightG !== null);
  const unweighed = (all: readonly { readonly id: string }[]) =>
    all.filter(({ id }) => estimated.has(id)).map(({ id }) => id);
  const carried = new Set<string>(limited.flatMap((assignment) => assignment.bodyIds));
  return [
    ...new Set([
      ...unverifiedWeights(problem, choice),
      ...unweighed(bodies.filter((b) => carried.has(b.id))),
      ...(limited.length > 0 ? unweighed(items) : []),
    ]),
  ];
}

/** What comes along under a limit on the weight of all, which is only estimated to keep to it. */
function unverifiedWeights({ choice: all, limits }: Problem, choice: Choice): string[] {
  const weighing = sumLimits(limits).filter(({ rule }) => rule.resource === 'weightG');
  if (weighing.length === 0) return [];
  const taken = new Set(choice.taken);
  const along = new Set<string>(choice.along ?? []);
  const bodiesCount = weighing.some(({ rule }) => rule.countsBodies(limits));
  return [
    ...all.items.filter((p) => taken.has(p.id)),
    ...(bodiesCount ? all.bodies.filter((b) => along.has(b.id)) : []),
  ]
    .map((item) => item.id)
    .filter((id) => all.estimated.weight.has(id));
}

/** What is taken under a limit on money or diameter, which it only keeps to by an estimate. */
function takenByEstimate({ choice: all, limits }: Problem, { taken }: Choice) {
  const { price, diameter } = all.estimated;
  const items = all.items.filter((p) => taken.includes(p.id) && !p.lockedIn);
  const idsOf = (of: readonly { readonly id: string }[]) => of.map(({ id }) => id);
  const bought = limits.maxSpend === null ? [] : items.filter((p) => price.has(p.id) && p.spend);
  return [
    ['price-estimated', idsOf(bought)],
    ['diameter-estimated', idsOf(items.filter((p) => diameter.has(p.id)))],
  ] as const;
}

/**
 * Whether it hangs on estimates that a lineup keeps to a limit, or that none of fewer lenses does: then it
 * isn't proven. That it is the lightest may hang on them all the same.
 */
export function restsOnEstimates(
  problem: Problem,
  choice: Choice,
  decides: UnknownDecides | null,
): boolean {
  const { assignments, limits, choice: all } = problem;
  const isHandLimited = assignments.some((assignment) => assignment.maxWeightG !== null);
  const isLimited =
    isHandLimited || sumLimits(limits).some(({ rule }) => rule.resource === 'weightG');
  const isBudgeted = limits.maxSpend !== null;
  const isLimitedBy = { weight: isLimited, price: isBudgeted, diameter: true };
  if (decides && isLimitedBy[decides.figure] && FEWEST_AIMS.has(decides.aim)) return true;
  if (unverifiedWeights(problem, choice).length > 0) return true;
  if (takenByEstimate(problem, choice).some(([, ids]) => ids.length > 0)) return true;
  const along = choice.along ?? all.bodies.map((b) => b.id);
  return isHandLimited && [...choice.taken, ...along].some((id) => all.estimated.weight.has(id));
}

/** What the answer rests on that is not known, and what is missing for any answer. */
export function notesOf(
  { frames, shelf }: LineupQuestion,
  problem: Problem,
  choice: Choice,
  results: readonly FrameResult[],
  pixelsUnknown: readonly string[],
): Note[] {
  const resting = (code: Assumption) =>
    [
      ...new Set(
        results.flatMap(({ covers }) =>
          covers.filter((c) => c.assumed.includes(code)).map((c) => c.lensId),
        ),
      ),
    ].sort();
  // What is nearer than usual for one picture asks for the figure anyhow.
  const nearer = new Set<string>(resting('closest-focus-unknown'));
  const isSaid = (code: Assumption, id: string) =>
    code === 'closest-focus-estimated' && nearer.has(id);
  const named: {
    code: Exclude<
      Note['code'],
      `no-${string}` | 'reasons-cut' | 'unknown-decides' | 'reserve-impossible'
    >;
    ids: readonly string[];
  }[] = [
    { code: 'weight-unknown', ids: weightsUnknown(problem, choice) },
    ...[...problem.choice.unknown].map(([code, ids]) => ({ code, ids })),
    ...takenByEstimate(problem, choice).map(([code, ids]) => ({ code, ids })),
    ...BEYOND.map((code) => ({ code, ids: lockedBeyond(problem, code) })),
    { code: 'pixels-unknown', ids: pixelsUnknown },
    ...ASSUMPTIONS.map((code) => ({ code, ids: resting(code).filter((id) => !isSaid(code, id)) })),
  ];
  const hasLenses = problem.choice.items.some((p) => p.kind === 'lens');
  return [
    ...named.filter(({ ids }) => ids.length > 0),
    ...(problem.unheld.size > 0
      ? [{ code: 'reserve-impossible' as const, ids: [...problem.unheld] }]
      : []),
    ...(frames.length === 0 ? [{ code: 'no-frames' as const }] : []),
    ...(!hasLenses ? [{ code: 'no-lenses' as const }] : []),
    ...(hasLenses && problem.choice.setups.length === 0 && shelf.lenses.length > 0
      ? [{ code: 'no-bodies' as const }]
      : []),
  ];
}
