import type { FrameId, ShooterId, StretchId } from '@/core/brief';
import type { BodyId, Stack } from '@/core/gear';
import type { Assignment } from '../problem/assignments';
import { type Problem, problemOf, withAssignments } from '../problem/problem';
import type { LineupQuestion } from '../problem/question';
import { type Choice, isGotAsAsked } from '../solve/choose';
import { type ConflictMember, membersOf, smallest } from './conflicts';
import { demandsOf, type LimitDemand, type Means, Trial } from './trial';

/** Something that would let a lost must be got beside the others. */
export type WayOut =
  | { readonly kind: 'raise'; readonly member: ConflictMember }
  /** Lenses may be changed there. */
  | {
      readonly kind: 'changes';
      readonly stretchId: StretchId | null;
      readonly shooterId: ShooterId | null;
    }
  /** One body more there, with what would stay on it; nothing is named where lenses may be changed. */
  | {
      readonly kind: 'body';
      readonly stretchId: StretchId | null;
      readonly shooterId: ShooterId | null;
      readonly stacks: readonly Stack[];
    }
  /** One of these pictures is given up. */
  | { readonly kind: 'without'; readonly frameIds: readonly FrameId[] };

/** Why a must is lost that could be made by itself, and each way out. */
export interface KeptOut {
  readonly members: readonly ConflictMember[];
  readonly waysOut: readonly WayOut[];
}

/** Lost musts that are looked at one by one. */
const MOST_KEPT = 8;

/**
 * For each must that is lost although it could be made by itself: the smallest set of limits and other
 * musts that keeps it so, and what would free it.
 */
export function keptLost(
  question: LineupQuestion,
  problem: Problem,
  choice: Choice,
  means: Means,
): Map<FrameId, KeptOut> {
  const lost = problem.frames.filter((f) => f.want === 'must' && !isGotAsAsked(choice, f.id));
  if (lost.length === 0) return new Map();
  const trial = new Trial(problem, means);
  const possible = new Set(trial.possibleMusts());
  const got = [...possible].filter((id) => isGotAsAsked(choice, id));
  return new Map(
    lost
      .filter((f) => possible.has(f.id))
      .slice(0, MOST_KEPT)
      .flatMap(({ id }) => {
        const all = demandsOf(problem, [...got, id]);
        if (trial.fits(all)) return [];
        const kept = smallest(trial, all);
        // What is needed of one limit is what all that stands beside it leaves, not the smallest set alone.
        const members = membersOf(problem, trial, kept, all);
        const ways = new WaysOut({ question, problem, taken: choice.taken, means, trial, all });
        return [[id, { members, waysOut: ways.of(id, kept, members) }] as const];
      }),
  );
}

interface Cornered {
  readonly question: LineupQuestion;
  readonly problem: Problem;
  readonly taken: readonly string[];
  readonly means: Means;
  readonly trial: Trial;
  /** All that is to be had together. */
  readonly all: readonly LimitDemand[];
}

/** Looks for what lets everything be had together: each way by itself, with all else kept to. */
class WaysOut {
  constructor(private readonly at: Cornered) {}

  of(lostId: FrameId, kept: readonly LimitDemand[], members: readonly ConflictMember[]): WayOut[] {
    const others = kept.flatMap((d) =>
      d.frameId !== null && d.frameId !== lostId && this.frees(d) ? [d.frameId] : [],
    );
    const bodied = new Map<string, Assignment>();
    for (const { kind, assignment } of kept)
      if (assignment !== null && (kind === 'noChange' || kind === 'handBodies'))
        bodied.set(`${assignment.stretchId} ${assignment.shooterId}`, assignment);
    const where = ({ stretchId, shooterId }: Assignment) => ({ stretchId, shooterId });
    return [
      ...members.flatMap((member): WayOut[] =>
        'needed' in member && member.needed !== null ? [{ kind: 'raise', member }] : [],
      ),
      ...kept.flatMap((d): WayOut[] =>
        d.kind === 'noChange' && d.assignment && this.frees(d)
          ? [{ kind: 'changes', ...where(d.assignment) }]
          : [],
      ),
      ...[...bodied.values()].flatMap((assignment): WayOut[] => {
        const stacks = this.onOneBodyMore(assignment);
        return stacks === null ? [] : [{ kind: 'body', ...where(assignment), stacks }];
      }),
      ...(others.length > 0 ? [{ kind: 'without' as const, frameIds: others }] : []),
    ];
  }

  /** Whether all else can be had together without it. */
  private frees(demand: LimitDemand): boolean {
    return this.at.trial.fits(this.at.all.filter((d) => d !== demand));
  }

  /** What stays on one body more of a kind that is there, where that lets all be met; null where it doesn't. */
  private onOneBodyMore({ index, bodyIds }: Assignment): readonly Stack[] | null {
    const { question, problem, taken, means, all } = this.at;
    const { shelf } = question;
    const twin = (id: BodyId) => `${id}~2` as BodyId;
    const there = new Set(bodyIds);
    const bodies = shelf.bodies.flatMap((b) =>
      there.has(b.id) ? [b, { ...b, id: twin(b.id) }] : [b],
    );
    const more = problemOf(
      { ...question, shelf: { ...shelf, bodies } },
      { tied: problem.tied, pace: means.pace, memory: problem.memory },
    );
    const assignments = problem.assignments.map((h) =>
      h.index === index
        ? {
            ...h,
            bodyIds: [...h.bodyIds, ...h.bodyIds.map(twin)],
            bodiesAtOnce: h.bodiesAtOnce + 1,
            choosesBodies: true,
          }
        : h,
    );
    const trial = new Trial(withAssignments(more, assignments, means.pace), means);
    return trial.stacksOn(all, new Set(bodyIds.map(twin)), new Set(taken));
  }
}
