import type { FrameId, ShooterId, StretchId } from '@/core/brief';
import type { BodyId } from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import type { Choice } from '../solve/choose';
import { type Field, fieldOf, withHands } from '../problem/problem';
import type { Hand } from '../problem/assignments';
import type { MipModel, MipSolver } from '../solve/mipSolver';
import { type CoveringModel, modelOf, type RowGroup } from '../solve/model';
import type { LineupQuestion } from '../problem/question';
import { reduce } from '../presolve/presolve';

/** One of the limits and wishes that fight. */
export type ConflictMember =
  | { readonly kind: 'frame'; readonly frameId: FrameId }
  | { readonly kind: 'lockedIn'; readonly ids: readonly string[] }
  | {
      readonly kind: 'maxLenses' | 'maxLineupWeightG' | 'maxCarriedWeightG' | 'maxSpend';
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
interface Demand {
  readonly key: string;
  readonly hand: Hand | null;
  readonly kind: ConflictMember['kind'];
  readonly frameId: FrameId | null;
}

/**
 * The conflict behind musts that are lost although each of them can be made by itself, or behind
 * locked-in pieces that break a limit.
 *
 * The solver's own infeasible rows start the search where it gives any; then each member is dropped
 * in turn and stays out unless the rest becomes possible, so what is left is minimal by trial.
 *
 * @returns null when all musts that can be made at all are got
 */
export function conflictBehind(
  solver: MipSolver,
  field: Field,
  choice: Choice | null,
  timeLimitS: number,
  pace: Pace = AT_EASE,
): LimitConflict | null {
  const wanted = field.frames.filter((f) => f.want === 'must');
  if (choice !== null && wanted.every((f) => choice.got.has(f.id))) return null;
  const trial = new Trial(solver, field, timeLimitS, pace);
  const musts = trial.possibleMusts();
  if (choice !== null && musts.every((id) => choice.got.has(id))) return null;
  const all = demandsOf(field, musts);
  return trial.fits(all) ? null : { members: membersOf(field, trial, smallest(trial, all)) };
}

/** A smallest set of demands that cannot be met together: without any one of them the rest can. */
function smallest(trial: Trial, all: readonly Demand[]): readonly Demand[] {
  let kept = trial.narrowed(all);
  for (const demand of kept) {
    const rest = kept.filter((d) => d !== demand);
    if (!trial.fits(rest)) kept = rest;
  }
  return kept;
}

function membersOf(field: Field, trial: Trial, kept: readonly Demand[]): ConflictMember[] {
  return kept.map((demand) =>
    memberOf(
      demand,
      field,
      trial,
      kept.filter((d) => d !== demand),
    ),
  );
}

/** Something that would let a lost must be got beside the others. */
export type WayOut =
  | { readonly kind: 'raise'; readonly member: ConflictMember }
  /** Lenses may be changed there. */
  | {
      readonly kind: 'changes' | 'body';
      readonly stretchId: StretchId | null;
      readonly shooterId: ShooterId | null;
    }
  /** One of these pictures is given up. */
  | { readonly kind: 'without'; readonly frameIds: readonly FrameId[] };

/** Why a must is lost that could be made by itself, and each way out. */
export interface Kept {
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
  field: Field,
  choice: Choice,
  timeLimitS: number,
  pace: Pace = AT_EASE,
): Map<FrameId, Kept> {
  const lost = field.frames.filter((f) => f.want === 'must' && !choice.got.has(f.id));
  if (lost.length === 0) return new Map();
  const trial = new Trial(solver, field, timeLimitS, pace);
  const possible = new Set(trial.possibleMusts());
  const got = [...possible].filter((id) => choice.got.has(id));
  return new Map(
    lost
      .filter((f) => possible.has(f.id))
      .slice(0, MOST_KEPT)
      .flatMap(({ id }) => {
        const all = demandsOf(field, [...got, id]);
        if (trial.fits(all)) return [];
        const kept = smallest(trial, all);
        const members = membersOf(field, trial, kept);
        return [
          [
            id,
            {
              members,
              waysOut: waysOut(solver, question, field, id, kept, members, timeLimitS, pace),
            },
          ] as const,
        ];
      }),
  );
}

function waysOut(
  solver: MipSolver,
  question: LineupQuestion,
  field: Field,
  lostId: FrameId,
  kept: readonly Demand[],
  members: readonly ConflictMember[],
  timeLimitS: number,
  pace: Pace,
): WayOut[] {
  const others = kept.flatMap((d) =>
    d.frameId !== null && d.frameId !== lostId ? [d.frameId] : [],
  );
  const bodied = new Map<string, Hand>();
  for (const { kind, hand } of kept)
    if (hand !== null && (kind === 'noChange' || kind === 'handBodies'))
      bodied.set(`${hand.stretchId} ${hand.shooterId}`, hand);
  const where = ({ stretchId, shooterId }: Hand) => ({ stretchId, shooterId });
  return [
    ...members.flatMap((member): WayOut[] =>
      'needed' in member && member.needed !== null ? [{ kind: 'raise', member }] : [],
    ),
    ...kept.flatMap((d): WayOut[] =>
      d.kind === 'noChange' && d.hand ? [{ kind: 'changes', ...where(d.hand) }] : [],
    ),
    ...[...bodied.values()].flatMap((hand): WayOut[] =>
      isFreedByBody(solver, question, field, hand, kept, timeLimitS, pace)
        ? [{ kind: 'body', ...where(hand) }]
        : [],
    ),
    ...(others.length > 0 ? [{ kind: 'without' as const, frameIds: others }] : []),
  ];
}

/** Whether one body more of a kind that is there would let all be met. */
function isFreedByBody(
  solver: MipSolver,
  question: LineupQuestion,
  field: Field,
  hand: Hand,
  kept: readonly Demand[],
  timeLimitS: number,
  pace: Pace,
): boolean {
  const twin = (id: BodyId) => `${id}~2` as BodyId;
  const own = new Set(hand.bodyIds);
  const more = fieldOf(
    {
      ...question,
      shelf: {
        ...question.shelf,
        bodies: question.shelf.bodies.flatMap((b) =>
          own.has(b.id) ? [b, { ...b, id: twin(b.id) }] : [b],
        ),
      },
    },
    field.tied,
    pace,
  );
  const hands = field.hands.map((h) =>
    h.index === hand.index
      ? {
          ...h,
          bodyIds: [...h.bodyIds, ...h.bodyIds.map(twin)],
          inHand: h.inHand + 1,
          choosesBodies: true,
        }
      : h,
  );
  return new Trial(solver, withHands(more, hands, pace), timeLimitS, pace).fits(kept);
}

function demandsOf(field: Field, musts: readonly FrameId[]): Demand[] {
  const { limits, hands, choice } = field;
  const plain = (kind: ConflictMember['kind']): Demand => ({
    key: kind,
    kind,
    hand: null,
    frameId: null,
  });
  const ofHand = (kind: ConflictMember['kind'], hand: Hand): Demand => ({
    key: `${kind} ${hand.index}`,
    kind,
    hand,
    frameId: null,
  });
  return [
    ...(choice.pieces.some((p) => p.lockedIn) ? [plain('lockedIn')] : []),
    ...(limits.maxLenses === null ? [] : [plain('maxLenses')]),
    ...(limits.maxLineupWeightG === null ? [] : [plain('maxLineupWeightG')]),
    ...(limits.maxCarriedWeightG === null ? [] : [plain('maxCarriedWeightG')]),
    ...(limits.maxSpend === null ? [] : [plain('maxSpend')]),
    ...hands.flatMap((hand) => [
      ...(hand.maxWeightG === null ? [] : [ofHand('handWeight', hand)]),
      ...(hand.inHand < hand.bodyIds.length ? [ofHand('handBodies', hand)] : []),
      ...(hand.fixedSetups ? [ofHand('noChange', hand)] : []),
    ]),
    ...musts.map((frameId): Demand => ({
      key: `frame ${frameId}`,
      kind: 'frame',
      hand: null,
      frameId,
    })),
  ];
}

/** Tries sets of demands; fields with the same hands are laid out once. */
class Trial {
  private readonly models = new Map<string, CoveringModel>();

  constructor(
    private readonly solver: MipSolver,
    private readonly field: Field,
    private readonly timeLimitS: number,
    private readonly pace: Pace,
  ) {}

  possibleMusts(): FrameId[] {
    const open = this.modelFor([]);
    return open.targets
      .filter(({ target }) => target.layer === 'base' && target.frame.want === 'must')
      .map(({ target }) => target.frame.id)
      .filter((id) => this.fits([{ key: `frame ${id}`, kind: 'frame', hand: null, frameId: id }]));
  }

  fits(demands: readonly Demand[]): boolean {
    return this.solve(demands, null) !== null;
  }

  /** The demands in the solver's infeasible rows, where these are indeed too many together. */
  narrowed(demands: readonly Demand[]): readonly Demand[] {
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
    demands: readonly Demand[],
    kind: ConflictMember['kind'],
    hand: Hand | null,
  ): number | null {
    return this.solve(demands, { kind, hand });
  }

  private solve(
    demands: readonly Demand[],
    measured: { kind: ConflictMember['kind']; hand: Hand | null } | null,
  ): number | null {
    const model = this.modelFor(demands);
    const costs = measured === null ? [] : this.costsOf(model, measured.kind, measured.hand);
    const { mip } = withDemands(model, demands);
    const session = this.solver.open(mip);
    try {
      const outcome = session.minimise(
        Array.from({ length: mip.columnCount }, (_, i) => costs[i] ?? 0),
        this.timeLimitS,
      );
      return outcome.kind === 'infeasible' ? null : outcome.objective;
    } finally {
      session.close();
    }
  }

  private costsOf(model: CoveringModel, kind: ConflictMember['kind'], hand: Hand | null): number[] {
    const costs: number[] = [];
    const { choice } = this.field;
    const weight = new Map<string, number>(
      [...choice.pieces, ...choice.bodies].map((item) => [item.id, item.weightG ?? 0]),
    );
    if (kind === 'handWeight' || kind === 'handBodies') {
      for (const b of model.bodies)
        if (b.hand.index === hand?.index)
          costs[b.column] = kind === 'handBodies' ? 1 : (weight.get(b.bodyId) ?? 0);
      if (kind === 'handWeight')
        for (const h of model.held)
          if (h.hand.index === hand?.index) costs[h.column] = weight.get(h.pieceId) ?? 0;
      return costs;
    }
    model.pieces.forEach((p, i) => {
      costs[i] =
        kind === 'maxLenses'
          ? Number(p.kind === 'lens')
          : kind === 'maxSpend'
            ? (p.spend ?? 0)
            : (p.weightG ?? 0);
    });
    const weighsBodies =
      kind === 'maxCarriedWeightG' ||
      (kind === 'maxLineupWeightG' && this.field.limits.countBodies);
    if (weighsBodies) for (const { body, column } of model.along) costs[column] = body.weightG ?? 0;
    return costs;
  }

  /** The model with the hands as the demands leave them; limits are all in and switched by rows. */
  private modelFor(demands: readonly Demand[]): CoveringModel {
    const keys = new Set(demands.map((d) => d.key));
    const loosened = this.field.hands.map((hand) => ({
      ...hand,
      fixedSetups: hand.fixedSetups && keys.has(`noChange ${hand.index}`),
    }));
    const key = loosened.map((h) => Number(h.fixedSetups)).join('');
    const known = this.models.get(key);
    if (known) return known;
    const { pace } = this;
    const field = withHands(this.field, loosened, pace);
    const model = modelOf(field, reduce(field, { keepAll: true, pace }), pace);
    this.models.set(key, model);
    return model;
  }
}

function withDemands(
  model: CoveringModel,
  demands: readonly Demand[],
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
        wanted.has(i) ? 1 : model.pieces[i]?.lockedIn && !keys.has('lockedIn') ? 0 : l,
      ),
      rows: model.mip.rows.filter((_, i) => on[i]),
    },
    groups: model.groups.filter((_, i) => on[i]),
  };
}

/** The key of the demand that a row belongs to; null for what always holds. */
function groupKey(group: RowGroup | undefined): string | null {
  if (group === undefined || group.kind === 'structure') return null;
  if (group.kind === 'cell') return `frame ${group.frameId}`;
  return 'hand' in group ? `${group.kind} ${group.hand.index}` : group.kind;
}

function memberOf(
  demand: Demand,
  { limits, choice, packedG }: Field,
  trial: Trial,
  rest: readonly Demand[],
): ConflictMember {
  const { kind, hand, frameId } = demand;
  switch (kind) {
    case 'frame':
      return { kind, frameId: frameId! };
    case 'lockedIn':
      return { kind, ids: choice.pieces.filter((p) => p.lockedIn).map((p) => p.id) };
    case 'maxLenses':
    case 'maxSpend':
    case 'maxLineupWeightG':
      return { kind, allowed: limits[kind] ?? 0, needed: trial.least(rest, kind, null) };
    case 'maxCarriedWeightG': {
      const least = trial.least(rest, kind, null);
      return {
        kind,
        allowed: limits[kind] ?? 0,
        needed: least === null ? null : least + packedG,
      };
    }
    case 'handWeight':
    case 'handBodies':
    case 'noChange':
      return {
        kind,
        stretchId: hand?.stretchId ?? null,
        shooterId: hand?.shooterId ?? null,
        allowed:
          kind === 'handWeight'
            ? (hand?.maxWeightG ?? 0)
            : kind === 'handBodies'
              ? (hand?.inHand ?? 0)
              : 0,
        needed: kind === 'noChange' ? null : trial.least(rest, kind, hand),
      };
  }
}
