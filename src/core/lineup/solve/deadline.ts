import { OutOfTime, type Pace } from '@/core/pace';
import { type MipSolver, NOT_SEARCHED, sessionWith } from './mipSolver';

/** The moment by which an answer has to be there, on a clock that the caller gives. */
export interface Deadline {
  /** Time that is left, s; 0 when it is over, Infinity where there is no limit. */
  readonly leftS: () => number;
}

/** @param now a clock in ms */
export function deadlineIn(seconds: number, now: () => number): Deadline {
  const until = now() + seconds * 1000;
  return { leftS: () => Math.max(0, (until - now()) / 1000) };
}

/** An earlier deadline, so that a share of the time that is left now remains for what follows. */
export function earlier(deadline: Deadline, share: number): Deadline {
  const kept = deadline.leftS() * (1 - share);
  return kept === Infinity ? deadline : { leftS: () => Math.max(0, deadline.leftS() - kept) };
}

/** Calls between two looks at the clock: a look costs more than most of what is done between. */
const LOOK_EVERY = 16;

/** @throws {OutOfTime} from the pace, when the deadline is over */
export function paceOf(deadline: Deadline): Pace {
  let calls = 0;
  return () => {
    calls += 1;
    if (calls % LOOK_EVERY === 0 && deadline.leftS() === 0) throw new OutOfTime('the time is over');
  };
}

/** A solver whose searches end by a deadline. */
export function endingBy(deadline: Deadline, solver: MipSolver): MipSolver {
  return overSessions(solver, deadline.leftS, (minimise) => (costs, timeLimitS) => {
    const leftS = Math.min(timeLimitS, deadline.leftS());
    return leftS > 0 ? minimise(costs, leftS) : NOT_SEARCHED;
  });
}

/**
 * A solver whose searches are finished or given up: what says that something cannot be must not rest
 * on a search that was cut.
 *
 * @throws {OutOfTime} where a search is cut, or would begin after the deadline
 */
export function finishingBy(deadline: Deadline, solver: MipSolver): MipSolver {
  const ending = endingBy(deadline, solver);
  const change =
    (minimise: Minimise): Minimise =>
    (costs, timeLimitS) => {
      const outcome = minimise(costs, timeLimitS);
      if (outcome.kind === 'time-limit') throw new OutOfTime('a search was cut');
      return outcome;
    };
  const look = () => {
    if (deadline.leftS() === 0) throw new OutOfTime('the time is over');
  };
  return overSessions(ending, deadline.leftS, change, look);
}

type Minimise = ReturnType<MipSolver['open']>['minimise'];

function overSessions(
  solver: MipSolver,
  deadlineS: () => number,
  change: (minimise: Minimise) => Minimise,
  look: Pace = () => undefined,
): MipSolver {
  return {
    ...solver,
    open: (model) => {
      look();
      const session = solver.open(model);
      return sessionWith(session, {
        minimise: change((costs, timeLimitS) => session.minimise(costs, timeLimitS)),
        conflictingRows: (timeLimitS) => session.conflictingRows(Math.min(timeLimitS, deadlineS())),
      });
    },
  };
}

/** What some work gives, or something else where it runs out of time. */
export function unlessCut<T>(work: () => T, otherwise: () => T): T {
  try {
    return work();
  } catch (error) {
    if (error instanceof OutOfTime) return otherwise();
    throw error;
  }
}
