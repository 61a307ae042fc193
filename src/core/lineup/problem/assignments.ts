import {
  type Frame,
  type Limits,
  PLAIN_STRETCH,
  type Reserve,
  type Presence,
  setupsStay,
  type Shooter,
  type ShooterId,
  type Standpoint,
  type StationId,
  type Stretch,
  type StretchId,
} from '@/core/brief';
import type { Body, BodyId } from '@/core/gear';
import type { LineupQuestion } from './question';

/** One shooter in one stretch, with what is at hand there; or one person in the whole outing. */
export interface Assignment {
  readonly index: number;
  readonly stretchId: StretchId | null;
  readonly shooterId: ShooterId | null;
  /** The station of the ground that is held to the end of the stretch; null where one may walk. */
  readonly stationId: StationId | null;
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
  /** What is allowed there. */
  readonly allowed: Stretch['allowed'];
  /** How wrong light and distances may be. */
  readonly reserve: Reserve;
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

/** Whether a station is open to someone in a stretch; a placed camera has to be named. */
export function isOpenTo(
  { shooterIds, stretchIds }: Pick<Standpoint, 'shooterIds' | 'stretchIds'>,
  { shooterId, stretchId, placed }: Pick<Assignment, 'shooterId' | 'stretchId' | 'placed'>,
): boolean {
  const isTheirs = shooterIds.length === 0 ? !placed : shooterIds.some((id) => id === shooterId);
  return isTheirs && (stretchIds.length === 0 || stretchIds.some((id) => id === stretchId));
}

/**
 * All assignments of an outing, stretch by stretch. Without stretches there is one. Where nobody moves,
 * each station that a shooter may hold is an assignment by itself, of which one is held.
 *
 * @param tied which bodies come along and what is carried where is part of the choice everywhere
 */
export function assignmentsOf(
  {
    outing,
    stretches,
    frames,
    limits,
  }: Pick<LineupQuestion, 'outing' | 'stretches' | 'frames' | 'limits'>,
  bodies: readonly Body[],
  tied = false,
): Assignment[] {
  const all = bodies.map((b) => b.id);
  const first = firstPerson(outing.shooters);
  const placed = new Set<string>(outing.shooters.filter((s) => s.placed).map((s) => s.id));
  const counted = limits.order.includes('changes');
  if (stretches.length === 0) return [wholeOuting(all, first, limits, counted, tied)];
  const standpoints = uniqueStations(frames);
  const assignments: Assignment[] = [];
  for (const stretch of stretches) {
    const present =
      stretch.hands.length > 0 ? stretch.hands : [{ ...EVERYTHING, shooterId: first }];
    const alone = present.length === 1;
    for (const presence of present) {
      const named = new Set<BodyId>(presence.bodyIds);
      const bodyIds = named.size > 0 ? all.filter((id) => named.has(id)) : all;
      const isPlaced = presence.shooterId !== null && placed.has(presence.shooterId);
      const most = isPlaced ? 1 : (presence.bodies ?? bodyIds.length);
      const bodiesAtOnce = Math.min(most, bodyIds.length);
      const contested = present.some(
        (other) =>
          other !== presence &&
          (other.bodyIds.length === 0 || bodyIds.some((id) => other.bodyIds.includes(id))),
      );
      const who = { shooterId: presence.shooterId, stretchId: stretch.id, placed: isPlaced };
      const stays = stretch.stays || isPlaced;
      const held = stays ? standpoints.filter((s) => isOpenTo(s, who)) : [];
      const stations = held.length > 0 ? held.map((s) => s.stationId) : [null];
      const isChosen = stations.length > 1;
      for (const stationId of stations)
        assignments.push({
          index: assignments.length,
          stretchId: stretch.id,
          shooterId: presence.shooterId,
          stationId,
          bodyIds,
          bodiesAtOnce,
          choosesBodies:
            isChosen ||
            tied ||
            bodiesAtOnce < bodyIds.length ||
            contested ||
            presence.maxWeightG !== null,
          fixedSetups: isPlaced || setupsStay(stretch) || limits.neverChange,
          choosesItems: isChosen || tied || !alone || presence.maxWeightG !== null || counted,
          maxWeightG: isPlaced ? null : presence.maxWeightG,
          placed: isPlaced,
          wet: stretch.weather.includes('wet'),
          allowed: stretch.allowed,
          reserve: limits.reserve,
        });
    }
  }
  return assignments;
}

/** The stations that pictures may be made from, each once. */
function uniqueStations(frames: readonly Pick<Frame, 'standpoints'>[]): Standpoint[] {
  return [...new Map(frames.flatMap((f) => f.standpoints).map((s) => [s.stationId, s])).values()];
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
    stationId: null,
    bodyIds,
    bodiesAtOnce: bodyIds.length,
    choosesBodies: tied,
    fixedSetups: limits.neverChange,
    choosesItems: tied || counted,
    maxWeightG: null,
    placed: false,
    wet: false,
    allowed: PLAIN_STRETCH.allowed,
    reserve: limits.reserve,
  };
}

/** Whether everything that comes along is at hand there, on any body, changed at will. */
export function isLoose(assignment: Assignment): boolean {
  return !assignment.choosesBodies && !assignment.fixedSetups && !assignment.choosesItems;
}

/** Assignments of which one is held: the stations of a shooter who doesn't move in a stretch. */
export function eitherOr(assignments: readonly Assignment[]): Assignment[][] {
  const groups = new Map<string, Assignment[]>();
  for (const assignment of assignments) {
    if (assignment.stationId === null) continue;
    const key = `${assignment.stretchId} ${assignment.shooterId}`;
    groups.set(key, [...(groups.get(key) ?? []), assignment]);
  }
  return [...groups.values()].filter((group) => group.length > 1);
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
 * @param needsBackupIn stretches with pictures to be twice covered
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
