import type { FrameId, ShooterId, StretchId } from '@/core/brief';
import { type BodyId, type Stack, stackItemIds } from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import { type Choice, isGotAsAsked } from '../solve/choose';
import { type Problem, problemOf, withAssignments } from '../problem/problem';
import type { Assignment } from '../problem/assignments';
import type { MipModel, MipOutcome, MipSolver } from '../solve/mipSolver';
import { type CoveringModel, modelOf, type RowGroup } from '../solve/model';
import type { LineupQuestion } from '../problem/question';
import { presolve } from '../presolve/presolve';
import { LIMIT_RULES, type SumLimit, sumLimits, type SumRule } from '../problem/limitRules';

/** One of the limits and wishes that fight. */
export type ConflictMember =
  | { readonly kind: 'frame'; readonly frameId: FrameId }
  | { readonly kind: 'lockedIn'; readonly ids: readonly string[] }
  | {
      readonly kind: SumLimit;
      readonly allowed: number;
      /** The least that would free the others; null when this alone never does. */
      readonly needed: number | null;
    }
  | {
      readonly kind: 'handWeight' | 'handBodies' | 'noChange';
      readonly stretchId: StretchId | null;
      readonly shooterId: ShooterId | null;
      readonly allowed: number;
      readonly needed: number | null;
    };

/**
 * Limits and musts that cannot be had together, and of which any one dropped leaves the rest
 * possible. What frees them: dropping any of the frames, or letting a limit go up to `needed`.
 */
export interface LimitConflict {
  readonly members: readonly ConflictMember[];
}

/** A limit or demand that can be switched off. */
interface LimitDemand {
  readonly key: string;
  readonly assignment: Assignment | null;
  readonly kind: ConflictMember['kind'];
  readonly frameId: FrameId | null;
}

/**
 * The conflict behind musts that are lost although each of them can be made by itself, or behind
 * locked-in items that break a limit.
 *
 * The solver's own infeasible rows start the search where it gives any; then each member is dropped
 * in turn and stays out unless the rest becomes possible, so what is left is minimal by trial.
 *
 * @returns null when all musts that can be made at all are got
 */
export function conflictBehind(
  solver: MipSolver,
  problem: Problem,
  choice: Choice | null,
  timeLimitS: number,
  pace: Pace = AT_EASE,
): LimitConflict | null {
  const wanted = problem.frames.filter((f) => f.want === 'must');
  if (choice !== null && wanted.every((f) => isGotAsAsked(choice, f.id))) return null;
  const trial = new Trial(solver, problem, timeLimitS, pace);
  const musts = trial.possibleMusts();
  if (choice !== null && musts.every((id) => isGotAsAsked(choice, id))) return null;
  const all = demandsOf(problem, musts);
  return trial.fits(all) ? null : { members: membersOf(problem, trial, smallest(trial, all)) };
}

/** A smallest set of demands that cannot be met together: without any one of them the rest can. */
function smallest(trial: Trial, all: readonly LimitDemand[]): readonly LimitDemand[] {
  let kept = trial.narrowed(all);
  for (const demand of kept) {
    const rest = kept.filter((d) => d !== demand);
    if (!trial.fits(rest)) kept = rest;
  }
  return kept;
}

/** @param beside what is kept to beside each, for what would be enough of it */
function membersOf(
  problem: Problem,
  trial: Trial,
  kept: readonly LimitDemand[],
  beside = kept,
): ConflictMember[] {
  return kept.map((demand) =>
    memberOf(
      demand,
      problem,
      trial,
      beside.filter((d) => d !== demand),
    ),
  );
}

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
  solver: MipSolver,
  question: LineupQuestion,
  problem: Problem,
  choice: Choice,
  timeLimitS: number,
  pace: Pace = AT_EASE,
): Map<FrameId, KeptOut> {
  const lost = problem.frames.filter((f) => f.want === 'must' && !isGotAsAsked(choice, f.id));
  if (lost.length === 0) return new Map();
  const trial = new Trial(solver, problem, timeLimitS, pace);
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
        const ways = new WaysOut(solver, question, problem, choice.taken, trial, all);
        return [[id, { members, waysOut: ways.of(id, kept, members, timeLimitS, pace) }] as const];
      }),
  );
}

/** Looks for what lets everything be had together: each way by itself, with all else kept to. */
class WaysOut {
  constructor(
    private readonly solver: MipSolver,
    private readonly question: LineupQuestion,
    private readonly problem: Problem,
    private readonly taken: readonly string[],
    private readonly trial: Trial,
    private readonly all: readonly LimitDemand[],
  ) {}

  of(
    lostId: FrameId,
    kept: readonly LimitDemand[],
    members: readonly ConflictMember[],
    timeLimitS: number,
    pace: Pace,
  ): WayOut[] {
    const { solver, question, problem, taken, all } = this;
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
        const stacks = freedByBody(
          solver,
          question,
          problem,
          taken,
          assignment,
          all,
          timeLimitS,
          pace,
        );
        return stacks === null ? [] : [{ kind: 'body', ...where(assignment), stacks }];
      }),
      ...(others.length > 0 ? [{ kind: 'without' as const, frameIds: others }] : []),
    ];
  }

  /** Whether all else can be had together without it. */
  private frees(demand: LimitDemand): boolean {
    return this.trial.fits(this.all.filter((d) => d !== demand));
  }
}

/** What stays on one body more of a kind that is there, where that lets all be met; null where it doesn't. */
function freedByBody(
  solver: MipSolver,
  question: LineupQuestion,
  problem: Problem,
  taken: readonly string[],
  assignment: Assignment,
  kept: readonly LimitDemand[],
  timeLimitS: number,
  pace: Pace,
): readonly Stack[] | null {
  const twin = (id: BodyId) => `${id}~2` as BodyId;
  const bodyIds = new Set(assignment.bodyIds);
  const more = problemOf(
    {
      ...question,
      shelf: {
        ...question.shelf,
        bodies: question.shelf.bodies.flatMap((b) =>
          bodyIds.has(b.id) ? [b, { ...b, id: twin(b.id) }] : [b],
        ),
      },
    },
    { tied: problem.tied, pace, memory: problem.memory },
  );
  const assignments = problem.assignments.map((h) =>
    h.index === assignment.index
      ? {
          ...h,
          bodyIds: [...h.bodyIds, ...h.bodyIds.map(twin)],
          bodiesAtOnce: h.bodiesAtOnce + 1,
          choosesBodies: true,
        }
      : h,
  );
  const trial = new Trial(solver, withAssignments(more, assignments, pace), timeLimitS, pace);
  return trial.stacksOn(kept, new Set(assignment.bodyIds.map(twin)), new Set(taken));
}

function demandsOf(problem: Problem, musts: readonly FrameId[]): LimitDemand[] {
  const { limits, assignments, choice } = problem;
  const plain = (kind: ConflictMember['kind']): LimitDemand => ({
    key: kind,
    kind,
    assignment: null,
    frameId: null,
  });
  const ofAssignment = (kind: ConflictMember['kind'], assignment: Assignment): LimitDemand => ({
    key: `${kind} ${assignment.index}`,
    kind,
    assignment,
    frameId: null,
  });
  return [
    ...(choice.items.some((p) => p.lockedIn) ? [plain('lockedIn')] : []),
    ...sumLimits(limits).map(({ key }) => plain(key)),
    ...assignments.flatMap((assignment) => [
      ...(assignment.maxWeightG === null ? [] : [ofAssignment('handWeight', assignment)]),
      ...(assignment.bodiesAtOnce < assignment.bodyIds.length
        ? [ofAssignment('handBodies', assignment)]
        : []),
      ...(assignment.fixedSetups ? [ofAssignment('noChange', assignment)] : []),
    ]),
    ...musts.map((frameId): LimitDemand => ({
      key: `frame ${frameId}`,
      kind: 'frame',
      assignment: null,
      frameId,
    })),
  ];
}

/** Tries sets of demands; fields with the same assignments are laid out once. */
class Trial {
  private readonly models = new Map<string, CoveringModel>();

  constructor(
    private readonly solver: MipSolver,
    private readonly problem: Problem,
    private readonly timeLimitS: number,
    private readonly pace: Pace,
  ) {}

  possibleMusts(): FrameId[] {
    const open = this.modelFor([]);
    return open.targets
      .filter(({ target }) => target.layer === 'base' && target.frame.want === 'must')
      .map(({ target }) => target.frame.id)
      .filter((id) =>
        this.fits([{ key: `frame ${id}`, kind: 'frame', assignment: null, frameId: id }]),
      );
  }

  fits(demands: readonly LimitDemand[]): boolean {
    return this.solve(demands, null) !== null;
  }

  /** The demands in the solver's infeasible rows, where these are indeed too many together. */
  narrowed(demands: readonly LimitDemand[]): readonly LimitDemand[] {
    const model = this.modelFor(demands);
    const { mip, groups } = withDemands(model, demands);
    const session = this.solver.open(mip);
    try {
      session.minimise(new Array<number>(mip.columnCount).fill(0), this.timeLimitS);
      const rows = session.conflictingRows(this.timeLimitS);
      if (rows === null) return demands;
      const touched = new Set(rows.flatMap((row) => groupKey(groups[row]) ?? []));
      const few = demands.filter(
        (d) => touched.has(d.key) || d.kind === 'noChange' || d.kind === 'lockedIn',
      );
      return few.length < demands.length && !this.fits(few) ? few : demands;
    } finally {
      session.close();
    }
  }

  /** The least value of a limit with which the other demands fit; null when none is enough. */
  least(
    demands: readonly LimitDemand[],
    kind: ConflictMember['kind'],
    assignment: Assignment | null,
  ): number | null {
    return this.solve(demands, { kind, assignment });
  }

  /**
   * What stays on some of the bodies when the demands are met with as little on them as that takes,
   * and what is taken anyhow rather on the others; null where they can't be met, or it isn't known in this time.
   */
  stacksOn(
    demands: readonly LimitDemand[],
    bodyIds: ReadonlySet<BodyId>,
    taken: ReadonlySet<string>,
  ): readonly Stack[] | null {
    const model = this.modelFor(demands);
    const there = model.fixed.filter(
      ({ candidate }) => candidate.bodyId !== null && bodyIds.has(candidate.bodyId),
    );
    const costs: number[] = [];
    for (const { candidate, column } of there)
      costs[column] = stackItemIds(candidate.stack).every((id) => taken.has(id)) ? 2 : 1;
    const outcome = this.minimised(model, demands, costs);
    if (outcome.kind === 'infeasible' || outcome.values === null) return null;
    const { values } = outcome;
    return there
      .filter(({ column }) => (values[column] ?? 0) > 0.5)
      .map(({ candidate }) => candidate.stack);
  }

  private solve(
    demands: readonly LimitDemand[],
    measured: { kind: ConflictMember['kind']; assignment: Assignment | null } | null,
  ): number | null {
    const model = this.modelFor(demands);
    const costs = measured === null ? [] : this.costsOf(model, measured.kind, measured.assignment);
    const outcome = this.minimised(model, demands, costs);
    return outcome.kind === 'infeasible' ? null : outcome.objective;
  }

  private minimised(
    model: CoveringModel,
    demands: readonly LimitDemand[],
    costs: readonly number[],
  ): MipOutcome {
    const { mip } = withDemands(model, demands);
    const session = this.solver.open(mip);
    try {
      return session.minimise(
        Array.from({ length: mip.columnCount }, (_, i) => costs[i] ?? 0),
        this.timeLimitS,
      );
    } finally {
      session.close();
    }
  }

  private costsOf(
    model: CoveringModel,
    kind: ConflictMember['kind'],
    assignment: Assignment | null,
  ): number[] {
    const costs: number[] = [];
    const { choice } = this.problem;
    const weight = new Map<string, number>(
      [...choice.items, ...choice.bodies].map((item) => [item.id, item.weightG]),
    );
    if (kind === 'handWeight' || kind === 'handBodies') {
      for (const b of model.bodies)
        if (b.assignment.index === assignment?.index)
          costs[b.column] = kind === 'handBodies' ? 1 : (weight.get(b.bodyId) ?? 0);
      if (kind === 'handWeight')
        for (const h of model.held)
          if (h.assignment.index === assignment?.index) costs[h.column] = weight.get(h.itemId) ?? 0;
      return costs;
    }
    const rule = ruleOf(kind);
    if (rule === null) return costs;
    model.items.forEach((p, i) => (costs[i] = rule.of(p) ?? 0));
    if (rule.countsBodies(this.problem.limits))
      for (const { body, column } of model.along) costs[column] = body.weightG;
    return costs;
  }

  /** The model with the assignments as the demands leave them; limits are all in and switched by rows. */
  private modelFor(demands: readonly LimitDemand[]): CoveringModel {
    const keys = new Set(demands.map((d) => d.key));
    const loosened = this.problem.assignments.map((assignment) => ({
      ...assignment,
      fixedSetups: assignment.fixedSetups && keys.has(`noChange ${assignment.index}`),
    }));
    const key = loosened.map((h) => Number(h.fixedSetups)).join('');
    const known = this.models.get(key);
    if (known) return known;
    const { pace } = this;
    const problem = withAssignments(this.problem, loosened, pace);
    const model = modelOf(problem, presolve(problem, { keepAll: true, pace }), pace);
    this.models.set(key, model);
    return model;
  }
}

function withDemands(
  model: CoveringModel,
  demands: readonly LimitDemand[],
): { mip: MipModel; groups: readonly RowGroup[] } {
  const keys = new Set(demands.map((d) => d.key));
  const on = model.groups.map((group) => {
    const key = group.kind === 'cell' ? null : groupKey(group);
    return key === null || keys.has(key);
  });
  const wanted = new Set<number>(
    model.targets
      .filter(({ target }) => target.layer === 'base' && keys.has(`frame ${target.frame.id}`))
      .map(({ column }) => column),
  );
  return {
    mip: {
      ...model.mip,
      lower: model.mip.lower.map((l, i) =>
        wanted.has(i) ? 1 : model.items[i]?.lockedIn && !keys.has('lockedIn') ? 0 : l,
      ),
      rows: model.mip.rows.filter((_, i) => on[i]),
    },
    groups: model.groups.filter((_, i) => on[i]),
  };
}

/** The rule of a limit on all that comes along; null for what is no such limit. */
function ruleOf(kind: ConflictMember['kind']): SumRule | null {
  return kind in LIMIT_RULES ? LIMIT_RULES[kind as SumLimit] : null;
}

/** The key of the demand that a row belongs to; null for what always holds. */
function groupKey(group: RowGroup | undefined): string | null {
  if (group === undefined || group.kind === 'structure') return null;
  if (group.kind === 'cell') return `frame ${group.frameId}`;
  return 'assignment' in group ? `${group.kind} ${group.assignment.index}` : group.kind;
}

function memberOf(
  demand: LimitDemand,
  { limits, choice, packedG }: Problem,
  trial: Trial,
  rest: readonly LimitDemand[],
): ConflictMember {
  const { kind, assignment, frameId } = demand;
  switch (kind) {
    case 'frame':
      return { kind, frameId: frameId! };
    case 'lockedIn':
      return { kind, ids: choice.items.filter((p) => p.lockedIn).map((p) => p.id) };
    case 'handWeight':
    case 'handBodies':
    case 'noChange':
      return {
        kind,
        stretchId: assignment?.stretchId ?? null,
        shooterId: assignment?.shooterId ?? null,
        allowed:
          kind === 'handWeight'
            ? (assignment?.maxWeightG ?? 0)
            : kind === 'handBodies'
              ? (assignment?.bodiesAtOnce ?? 0)
              : 0,
        needed: kind === 'noChange' ? null : trial.least(rest, kind, assignment),
      };
    default: {
      const least = trial.least(rest, kind, null);
      const { besides } = LIMIT_RULES[kind];
      const needed = least === null ? null : least + besides({ packedG });
      return { kind, allowed: limits[kind] ?? 0, needed };
    }
  }
}
