import { preferredPlan } from '@/core/carry';
import {
  AIM_TOLERANCE,
  aimsOf,
  choose,
  type Deadline,
  draftOf,
  earlier,
  endingBy,
  type MipSolver,
  presolve,
  problemOf,
  solveChoice,
  unlessCut,
} from '@/core/lineup';
import { type FieldOuting, type Had, type NextField, picturesOnly, questionWith } from './field';
import { type OutingWorth, overTheYear, type Worth, worthOf } from './worth';

/** How long work may take, and where it tells how far it is. */
export interface NextRun {
  readonly solver: MipSolver;
  readonly deadline: Deadline;
  /** A clock in ms; core has none of its own. */
  readonly now: () => number;
  /** Called with the share done, 0 to 1. */
  readonly progress: (share: number) => void;
}

/** Of the time that is left, what a search may take, so that what it found can still be looked at. */
export const SOLVING = 0.6;
/** The same for one of several searches. */
export const SEARCHING = 0.3;

export function withShare(run: NextRun, share: number): NextRun {
  return { ...run, deadline: earlier(run.deadline, share) };
}

export interface YearWorth {
  /** In the order of the outings asked about. */
  readonly outings: readonly OutingWorth[];
  readonly year: Worth;
  readonly proven: boolean;
}

const PICTURE_AIMS: ReadonlySet<string> = new Set(['musts', 'once', 'wants', 'pieces', 'weight']);

/**
 * Answers each outing by its own rules with some of what may be traded. What is answered is kept: an
 * answer with more gear is also the one with less, as long as all that it takes is there.
 */
export function answersOf(field: NextField, run: NextRun) {
  const traded = new Set([...field.wished, ...field.sellable].map(({ id }) => id));
  const isTraded = (id: string) => traded.has(id);
  const known = field.outings.map((): { had: Had; worth: OutingWorth; usable: Had }[] => []);

  const answer = (o: FieldOuting, at: number, had: Had): OutingWorth => {
    const kept = known[at]!;
    // What is there with less gear is as good as it gets where more gear does no better.
    const limits = kept.filter((k) => k.worth.proven && isWithin(had, k.had));
    const hit = kept.find(
      (k) =>
        k.worth.proven &&
        isWithin(k.usable, had) &&
        limits.some((more) => more === k || isAsGood(k.worth, more.worth)),
    );
    if (hit) return hit.worth;
    const question = picturesOnly(questionWith(o, isTraded, had));
    const problem = problemOf(question, { memory: o.memory });
    const aims = aimsOf(question.frames, question.limits).filter((a) => PICTURE_AIMS.has(a.name));
    const solver = endingBy(run.deadline, run.solver);
    const choice = choose(solver, problem, presolve(problem), Infinity, aims);
    const worth = worthOf(problem, choice);
    const taken = worth.taken.filter(isTraded);
    // Bodies aren't told apart here, so all that are had are taken to be needed.
    const bodies = question.shelf.bodies.flatMap(({ id }) => (isTraded(id) ? [id] : []));
    kept.push({ had, worth, usable: new Set([...taken, ...bodies]) });
    return worth;
  };

  /** Halves some things as long as together they do an outing any good. */
  const sift = (o: FieldOuting, at: number, had: Had, more: readonly string[]): void => {
    if (more.length < 2 || run.deadline.leftS() === 0) return;
    const all = answer(o, at, new Set([...had, ...more]));
    if (isAsGood(answer(o, at, had), all)) return;
    const middle = more.length >> 1;
    sift(o, at, had, more.slice(0, middle));
    sift(o, at, had, more.slice(middle));
  };

  return {
    isTraded,
    /** Sifts out what does an outing no good on top of what is had: of it nothing is asked one by one. */
    sift: (had: Had, more: readonly string[]): void =>
      field.outings.forEach((o, at) => sift(o, at, had, more)),
    /** Each outing's own answer, and the year's. */
    with: (had: Had): YearWorth => {
      const outings = field.outings.map((o, at) => answer(o, at, had));
      return {
        outings,
        year: overTheYear(
          outings.map((worth, at) => ({ timesAYear: field.outings[at]!.timesAYear, worth })),
        ),
        proven: outings.every((o) => o.proven),
      };
    },
    /** Lens changes of an outing as its day would be planned, by its own order of aims. */
    changes: (at: number, had: Had): number | null => {
      const question = questionWith(field.outings[at]!, isTraded, had);
      const timed = { timeLimitS: Infinity, now: run.now, deadline: run.deadline };
      return unlessCut(
        () => {
          const { problem, choice } = solveChoice(run.solver, question, timed);
          if (choice === null || choice.open !== null) return null;
          const plan = preferredPlan(question, draftOf(question, problem, choice));
          return plan.proven ? plan.changes : null;
        },
        () => null,
      );
    },
  };
}
/** Whether two answers come to the same in all that was asked for. */
const isAsGood = (a: OutingWorth, b: OutingWorth): boolean =>
  a.musts === b.musts &&
  a.once === b.once &&
  a.weightG === b.weightG &&
  Math.abs(a.lossPercent - b.lossPercent) < AIM_TOLERANCE &&
  Math.abs(a.items - b.items) < AIM_TOLERANCE;

export type NextAnswers = ReturnType<typeof answersOf>;

/** What is had before anything is bought or sold. */
export function hadNow({ sellable }: NextField): Set<string> {
  return new Set(sellable.map(({ id }) => id));
}

function isWithin(small: Had, large: Had): boolean {
  for (const id of small) if (!large.has(id)) return false;
  return true;
}
