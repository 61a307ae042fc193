import type { Presence as Presence, Limits, Shooter, ShooterId, StretchId } from '@/core/brief';
import type { Body, BodyId } from '@/core/gear';
import type { LineupQuestion } from './question';

/** One shooter in one stretch, with what is at hand there; or one person in the whole outing. */
export interface Assignment {
  readonly index: number;
  readonly stretchId: StretchId | null;
  readonly shooterId: ShooterId | null;
  readonly bodyIds: readonly BodyId[];
  /** How many of these bodies are in hand at once. */
  readonly bodiesAtOnce: number;
  /** Which bodies they are is part of the choice. */
  readonly choosesBodies: boolean;
  /** Each body keeps one setup for the whole stretch. */
  readonly fixedSetups: boolean;
  /** Which items are carried here is part of the choice; else all that come along are at hand. */
  readonly choosesItems: boolean;
  readonly maxWeightG: number | null;
  /** A camera that stands somewhere and belongs to nobody: it keeps its setup and nobody carries it. */
  readonly placed: boolean;
  readonly wet: boolean;
  /** Flash and support are allowed there. */
  readonly flash: boolean;
  readonly support: boolean;
}

const EVERYTHING: Pick<Presence, 'bodyIds' | 'bodies' | 'maxWeightG'> = {
  bodyIds: [],
  bodies: null,
  maxWeightG: null,
};

/** The person that has everything where nothing else is said. */
export function firstPerson(shooters: readonly Shooter[]): ShooterId | null {
  return shooters.find((s) => !s.placed)?.id ?? null;
}

/**
 * All assignments of an outing, stretch by stretch. Without stretches there is one.
 *
 * @param tied which bodies come along and what is carried where is part of the choice everywhere
 */
export function assignmentsOf(
  { outing, stretches, limits }: Pick<LineupQuestion, 'outing' | 'stretches' | 'limits'>,
  bodies: readonly Body[],
  tied = false,
): Assignment[] {
  const all = bodies.map((b) => b.id);
  const first = firstPerson(outing.shooters);
  const placed = new Set<string>(outing.shooters.filter((s) => s.placed).map((s) => s.id));
  const counted = limits.order.includes('changes');
  if (stretches.length === 0) return [wholeOuting(all, first, limits, counted, tied)];
  const assignments: Assignment[] = [];
  for (const stretch of stretches) {
    const present =
      stretch.hands.length > 0 ? stretch.hands : [{ ...EVERYTHING, shooterId: first }];
    const alone = present.length === 1;
    for (const assignment of present) {
      const own = new Set<BodyId>(assignment.bodyIds);
      const bodyIds = own.size > 0 ? all.filter((id) => own.has(id)) : all;
      const isPlaced = assignment.shooterId !== null && placed.has(assignment.shooterId);
      const most = isPlaced ? 1 : (assignment.bodies ?? bodyIds.length);
      const setupsOf = Math.min(most, bodyIds.length);
      const contested = present.some(
        (other) =>
          other !== assignment &&
          (other.bodyIds.length === 0 || bodyIds.some((id) => other.bodyIds.includes(id))),
      );
      assignments.push({
        index: assignments.length,
        stretchId: stretch.id,
        shooterId: assignment.shooterId,
        bodyIds,
        bodiesAtOnce: setupsOf,
        choosesBodies:
          tied || setupsOf < bodyIds.length || contested || assignment.maxWeightG !== null,
        fixedSetups: isPlaced || !stretch.changes || !stretch.allowed.bags || limits.neverChange,
        choosesItems: tied || !alone || assignment.maxWeightG !== null || counted,
        maxWeightG: isPlaced ? null : assignment.maxWeightG,
        placed: isPlaced,
        wet: stretch.weather.includes('wet'),
        flash: stretch.allowed.flash,
        support: stretch.allowed.support,
      });
    }
  }
  return assignments;
}

function wholeOuting(
  bodyIds: readonly BodyId[],
  shooterId: ShooterId | null,
  limits: Limits,
  counted: boolean,
  tied: boolean,
): Assignment {
  return {
    index: 0,
    stretchId: null,
    shooterId,
    bodyIds,
    bodiesAtOnce: bodyIds.length,
    choosesBodies: tied,
    fixedSetups: limits.neverChange,
    choosesItems: tied || counted,
    maxWeightG: null,
    placed: false,
    wet: false,
    flash: true,
    support: true,
  };
}

/** Whether everything that comes along is at hand there, on any body, changed at will. */
export function isLoose(assignment: Assignment): boolean {
  return !assignment.choosesBodies && !assignment.fixedSetups && !assignment.choosesItems;
}

/** The assignments of the same stretch, by stretch. */
export function assignmentsByStretch(assignments: readonly Assignment[]): Assignment[][] {
  const groups = new Map<StretchId | null, Assignment[]>();
  for (const assignment of assignments)
    groups.set(assignment.stretchId, [...(groups.get(assignment.stretchId) ?? []), assignment]);
  return [...groups.values()];
}

/**
 * How many lenses that do the same can be of use at once in each stretch: one for each assignment, two
 * where pictures are to be twice covered, and one for each body that keeps its setup.
 *
 * @param twiceIn stretches with pictures to be twice covered
 */
export function usefulCopies(
  assignments: readonly Assignment[],
  needsBackupIn: ReadonlySet<StretchId | null>,
): Map<StretchId | null, number> {
  return new Map(
    assignmentsByStretch(assignments).map((group) => {
      const stretchId = group[0]?.stretchId ?? null;
      const copies = (assignment: Assignment) =>
        assignment.fixedSetups
          ? Math.max(1, assignment.bodiesAtOnce)
          : needsBackupIn.has(stretchId)
            ? 2
            : 1;
      return [stretchId, group.reduce((sum, assignment) => sum + copies(assignment), 0)];
    }),
  );
}
