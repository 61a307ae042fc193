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
  const { items, bodies, estimated } = problem.choice;
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
    .filter((id) => all.estimated.has(id));
}

/**
 * Whether it hangs on estimated weights that a lineup keeps to a limit on weight, or that none of fewer
 * lenses does: then it isn't proven. That it is the lightest may hang on them all the same.
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
  if (isLimited && decides?.figure === 'weight' && FEWEST_AIMS.has(decides.aim)) return true;
  if (unverifiedWeights(problem, choice).length > 0) return true;
  const along = choice.along ?? all.bodies.map((b) => b.id);
  return isHandLimited && [...choice.taken, ...along].some((id) => all.estimated.has(id));
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
  const named: {
    code: Exclude<
      Note['code'],
      `no-${string}` | 'reasons-cut' | 'unknown-decides' | 'reserve-impossible'
    >;
    ids: readonly string[];
  }[] = [
    { code: 'weight-unknown', ids: weightsUnknown(problem, choice) },
    ...[...problem.choice.unknown].map(([code, ids]) => ({ code, ids })),
    ...BEYOND.map((code) => ({ code, ids: lockedBeyond(problem, code) })),
    { code: 'pixels-unknown', ids: pixelsUnknown },
    ...ASSUMPTIONS.map((code) => ({ code, ids: resting(code) })),
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
