import {
  type BodyId,
  isBare,
  type Stack,
  stackItemIds,
  type LensId,
  type Setup,
} from '@/core/gear';
import type { Assignment } from './assignments';

/**
 * What covers a part of a frame: a stack that only has to come along, or a stack in one assignment, on one
 * body where it matters which.
 */
export interface Candidate {
  readonly stack: Stack;
  /** null: it is enough that the stack comes along, in any assignment that has everything. */
  readonly assignment: Assignment | null;
  /** null: any of the assignment's bodies that is surely there. */
  readonly bodyId: BodyId | null;
  /** Number of where it is and what stands behind the lens: candidates that differ in the lens alone share it. */
  readonly slot: number;
  /** Number of where it is, without the stack. */
  readonly where: number;
  /** Number of where it is with the lens, whatever stands behind the lens. */
  readonly whereLens: number;
  /** Whether the stack is a lens and nothing else. */
  readonly bare: boolean;
}

/**
 * The candidates that make anything, by number in the order in which they are met; setups that need the
 * same things share one. Most setups of a large shelf make nothing and never become one.
 */
export class CandidateTable {
  readonly candidates: Candidate[] = [];
  private readonly bodies = new Map<BodyId, number>();
  private readonly lenses = new Map<LensId, number>();
  /** What stands behind a lens; nothing is 0. */
  private readonly behind = new Map<string, number>([['', 0]]);
  private readonly positions = new Map<number, number>();
  private readonly slots = new Map<number, number>();
  private readonly placedLenses = new Map<number, number>();
  private readonly numbers = new Map<number, number>();
  /** For each kind of place the candidates that setups have turned out to be; -1 where not yet. */
  private readonly known: Int32Array[] = [];
  /** For each assignment, whether each setup's body is at hand there. */
  private readonly available: readonly (readonly boolean[])[];

  constructor(
    readonly setups: readonly Setup[],
    assignments: readonly Assignment[],
    /** Bodies that may turn out not to be there: what is on them is told apart. */
    private readonly openBodies: ReadonlySet<BodyId> = new Set(),
  ) {
    this.available = assignments.map((assignment) => {
      const bodyIds = new Set(assignment.bodyIds);
      return setups.map((s) => bodyIds.has(s.bodyId));
    });
  }

  /** Whether a setup, by its number, can be mounted in an assignment. */
  isAvailableIn(index: number, assignment: Assignment): boolean {
    return this.available[assignment.index]?.[index] ?? false;
  }

  /** What can be mounted in an assignment, of some setups or of all. */
  setupsIn(assignment: Assignment, of?: ReadonlySet<Setup>): Setup[] {
    return this.setups.filter(
      (s, index) => (!of || of.has(s)) && this.isAvailableIn(index, assignment),
    );
  }

  /** Number of the candidate that a setup is in an assignment; `onBody` tells bodies apart whatever the assignment. */
  numberOf(index: number, assignment: Assignment, onBody: boolean): number {
    const tied = onBody || assignment.choosesBodies || assignment.fixedSetups;
    const isTiedToAssignment = tied || assignment.choosesItems;
    const position = isTiedToAssignment ? 1 + 2 * assignment.index + Number(tied) : 0;
    const known = (this.known[position] ??= new Int32Array(this.setups.length).fill(-1));
    const number = known[index] ?? -1;
    if (number >= 0) return number;
    const added = this.add(this.setups[index]!, assignment, tied, isTiedToAssignment);
    known[index] = added;
    return added;
  }

  private add(
    setup: Setup,
    assignment: Assignment,
    tied: boolean,
    isTiedToAssignment: boolean,
  ): number {
    const { lensId, adapterId, converterId, tubeId, bodyId } = setup;
    const bare = isBare(setup);
    const behind = bare ? 0 : numberIn(this.behind, `${adapterId}+${converterId}+${tubeId}`);
    const isTold = tied || this.openBodies.has(bodyId);
    const body = isTold ? numberIn(this.bodies, bodyId) + 1 : 0;
    const place = isTiedToAssignment ? assignment.index + 1 : 0;
    const where =
      isTiedToAssignment || isTold ? numberIn(this.positions, place * WIDEST + body) + 1 : 0;
    const whereLens = numberIn(this.placedLenses, where * WIDEST + numberIn(this.lenses, lensId));
    const number = numberIn(this.numbers, whereLens * WIDEST + behind);
    if (number === this.candidates.length)
      this.candidates.push({
        stack: { lensId, adapterId, converterId, tubeId },
        assignment: isTiedToAssignment ? assignment : null,
        bodyId: isTold ? bodyId : null,
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
 * The candidates that a segment's row needs: a bare lens also stands for the same lens with something
 * behind it in the same place, since that takes the lens too. Not where setups stay on their bodies:
 * there the lens with something behind it may be the one setup that makes other frames as well.
 */
export function neededCandidates(
  numbers: readonly number[],
  candidates: readonly Candidate[],
): number[] {
  const bare = new Set<number>();
  for (const i of numbers) {
    const candidate = candidates[i]!;
    if (candidate.bare && isInterchangeable(candidate)) bare.add(candidate.whereLens);
  }
  return numbers.filter((i) => {
    const candidate = candidates[i]!;
    return candidate.bare || !bare.has(candidate.whereLens);
  });
}

/** Whether what stands behind a lens can be put on and taken off there at will. */
export function isInterchangeable({ assignment }: Candidate): boolean {
  return assignment === null || !assignment.fixedSetups;
}

/** Whether everything of a stack is among the taken items. */
export function isAvailable(stack: Stack, taken: ReadonlySet<string>): boolean {
  return stackItemIds(stack).every((id) => taken.has(id));
}

/** The lenses of some candidates. */
export function lensesOf(
  numbers: readonly number[],
  candidates: readonly Candidate[],
): Set<LensId> {
  const ids = new Set<LensId>();
  for (const i of numbers) {
    const candidate = candidates[i];
    if (candidate) ids.add(candidate.stack.lensId);
  }
  return ids;
}
