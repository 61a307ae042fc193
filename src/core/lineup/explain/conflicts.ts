import type { FrameId, ShooterId, StretchId } from '@/core/brief';
import { type Choice, isGotAsAsked } from '../solve/choose';
import { LIMIT_RULES, type SumLimit } from '../problem/limitRules';
import type { Problem } from '../problem/problem';
import { demandsOf, type LimitDemand, type Means, Trial } from './trial';

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
  problem: Problem,
  choice: Choice | null,
  means: Means,
): LimitConflict | null {
  const wanted = problem.frames.filter((f) => f.want === 'must');
  if (choice !== null && wanted.every((f) => isGotAsAsked(choice, f.id))) return null;
  const trial = new Trial(problem, means);
  const musts = trial.possibleMusts();
  if (choice !== null && musts.every((id) => isGotAsAsked(choice, id))) return null;
  const all = demandsOf(problem, musts);
  return trial.fits(all) ? null : { members: membersOf(problem, trial, smallest(trial, all)) };
}

/** A smallest set of demands that cannot be met together: without any one of them the rest can. */
export function smallest(trial: Trial, all: readonly LimitDemand[]): readonly LimitDemand[] {
  let kept = trial.narrowed(all);
  for (const demand of kept) {
    const rest = kept.filter((d) => d !== demand);
    if (!trial.fits(rest)) kept = rest;
  }
  return kept;
}

/**
 * The demands as they are told.
 *
 * @param beside what is kept to beside each, for what would be enough of it
 */
export function membersOf(
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
