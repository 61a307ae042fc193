import type { FrameId } from '@/core/brief';
import { type BodyId, type Stack, stackItemIds } from '@/core/gear';
import type { Pace } from '@/core/pace';
import type { Assignment } from '../problem/assignments';
import { LIMIT_RULES, type SumLimit, sumLimits, type SumRule } from '../problem/limitRules';
import { type Problem, withAssignments } from '../problem/problem';
import { presolve } from '../presolve/presolve';
import type { MipModel, MipOutcome, MipSolver } from '../solve/mipSolver';
import { type CoveringModel, modelOf, type RowGroup } from '../solve/model';

/** What a demand is about. */
export type DemandKind = 'frame' | 'lockedIn' | SumLimit | 'handWeight' | 'handBodies' | 'noChange';

/** By what it is searched, and for how long each time. */
export interface Means {
  readonly solver: MipSolver;
  readonly timeLimitS: number;
  readonly pace: Pace;
}

/** A limit or demand that can be switched off. */
export interface LimitDemand {
  readonly key: string;
  readonly assignment: Assignment | null;
  readonly kind: DemandKind;
  readonly frameId: FrameId | null;
}

/** All limits that are set, and these musts. */
export function demandsOf(problem: Problem, musts: readonly FrameId[]): LimitDemand[] {
  const { limits, assignments, choice } = problem;
  const plain = (kind: DemandKind): LimitDemand => ({
    key: kind,
    kind,
    assignment: null,
    frameId: null,
  });
  const ofAssignment = (kind: DemandKind, assignment: Assignment): LimitDemand => ({
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
export class Trial {
  private readonly models = new Map<string, CoveringModel>();

  constructor(
    private readonly problem: Problem,
    private readonly means: Means,
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
    const session = this.means.solver.open(mip);
    try {
      session.minimise(new Array<number>(mip.columnCount).fill(0), this.means.timeLimitS);
      const rows = session.conflictingRows(this.means.timeLimitS);
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
    kind: DemandKind,
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
    measured: { kind: DemandKind; assignment: Assignment | null } | null,
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
    const session = this.means.solver.open(mip);
    try {
      return session.minimise(
        Array.from({ length: mip.columnCount }, (_, i) => costs[i] ?? 0),
        this.means.timeLimitS,
      );
    } finally {
      session.close();
    }
  }

  private costsOf(model: CoveringModel, kind: DemandKind, assignment: Assignment | null): number[] {
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
    const { pace } = this.means;
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
function ruleOf(kind: DemandKind): SumRule | null {
  return kind in LIMIT_RULES ? LIMIT_RULES[kind as SumLimit] : null;
}

/** The key of the demand that a row belongs to; null for what always holds. */
function groupKey(group: RowGroup | undefined): string | null {
  if (group === undefined || group.kind === 'structure') return null;
  if (group.kind === 'cell') return `frame ${group.frameId}`;
  return 'assignment' in group ? `${group.kind} ${group.assignment.index}` : group.kind;
}
