import { stackItemIds, type Setup } from '@/core/gear';
import { type Choice, choose, type Got, NOTHING_GOT } from '../solve/choose';
import type { Problem } from '../problem/problem';
import type { Assignment } from '../problem/assignments';
import { isAvailable } from '../problem/candidates';
import type { MipSolver } from '../solve/mipSolver';
import { type AimName, aimsOf } from '../problem/aims';
import { presolve } from '../presolve/presolve';

/** The setups that a choice has in an assignment, each assignment looked at once. */
export type SetupsByAssignment = (assignment: Assignment) => readonly Setup[];

export function setupsByAssignment(problem: Problem, choice: Choice): SetupsByAssignment {
  const taken = new Set(choice.taken);
  const takenSetups = new Set<Setup>(problem.table.setups.filter((s) => isAvailable(s, taken)));
  const known = new Map<number, readonly Setup[]>();
  return (assignment) => {
    const found = known.get(assignment.index) ?? setupsIn(problem, choice, assignment, takenSetups);
    known.set(assignment.index, found);
    return found;
  };
}

function setupsIn(
  problem: Problem,
  choice: Choice,
  assignment: Assignment,
  takenSetups: ReadonlySet<Setup>,
): readonly Setup[] {
  const usesOf = <T extends { readonly assignment: Assignment }>(uses: readonly T[]) =>
    uses.filter((use) => use.assignment.index === assignment.index);
  const itemIds = new Set(usesOf(choice.uses.held).map((h) => h.itemId));
  const bodies = new Set<string>(usesOf(choice.uses.bodies).map((b) => b.bodyId));
  const fixed = new Set(
    usesOf(choice.uses.fixed).map(
      ({ candidate }) => `${candidate.bodyId} ${stackItemIds(candidate.stack).join()}`,
    ),
  );
  const along = choice.along === null ? null : new Set(choice.along);
  const has = (setup: Setup) => {
    if (along !== null && !along.has(setup.bodyId)) return false;
    if (assignment.fixedSetups) return fixed.has(`${setup.bodyId} ${stackItemIds(setup).join()}`);
    return (
      (!assignment.choosesItems || isAvailable(setup, itemIds)) &&
      (!assignment.choosesBodies || bodies.has(setup.bodyId))
    );
  };
  return problem.table.setupsIn(assignment, takenSetups).filter(has);
}

/** What some items get at the most, whatever is done with them. */
export function framesGotWith(
  solver: MipSolver,
  problem: Problem,
  among: ReadonlySet<string>,
  timeLimitS: number,
): Got {
  const plain = { ...problem, limits: { ...problem.limits, wantRatePercent: 0, order: [] } };
  const presolved = presolve(plain, { among, keepAll: true });
  const aims = aimsOf(plain.frames, plain.limits).filter(({ name }) => OF_FRAMES.has(name));
  return choose(solver, plain, presolved, timeLimitS, aims) ?? NOTHING_GOT;
}

/** The aims that count frames. */
const OF_FRAMES: ReadonlySet<AimName> = new Set<AimName>(['musts', 'once', 'wants', 'bonus']);
