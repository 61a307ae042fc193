import {
  type Frame,
  type FrameId,
  isInSight,
  type Reserve,
  type Standpoint,
  type StationId,
  type StretchId,
  withReserve,
} from '@/core/brief';
import type { Body } from '@/core/gear';
import { type Assignment, assignmentsOf, isLoose, isOpenTo } from './assignments';
import type { LineupQuestion } from './question';

/** One way in which a frame may come about: a stretch, who may make it there, from where and how far. */
export interface Opportunity {
  readonly frameId: FrameId;
  readonly stretchId: StretchId | null;
  /** The station of the ground that it is made from; null where distances aren't measured. */
  readonly stationId: StationId | null;
  readonly assignments: readonly Assignment[];
  /**
   * The frame as it is there: with the distances from that place, sealed in the wet, without the flash
   * or the support that is not allowed, and as hard as the reserve asks; one object where alike.
   */
  readonly frame: Frame;
}

/**
 * The opportunities of a frame. Shooters who stand at the same distances share one, so that their
 * lenses add up; a frame is got when one of its opportunities gets it, or, where two people are to cover
 * it, when each of theirs does. Where it may be made in any stretch, a stretch with everything at hand
 * stands for those that offer no more. A placed camera makes only what names it. Where distances are
 * measured on the ground, each station is an opportunity of its own; nobody is at two of them at once.
 *
 * @param twice how it is to be covered twice; null to be covered once
 * @param reserve what is held in reserve; null for what the assignments say
 */
export function opportunitiesOf(
  frame: Frame,
  assignments: readonly Assignment[],
  twice = frame.twice,
  reserve: Reserve | null = null,
): Opportunity[] {
  const opportunities = everyOpportunityOf(frame, assignments, twice, reserve);
  if (twice?.by === 'people') return opportunities;
  return opportunities.filter(
    (o, i) => !opportunities.some((other, j) => j !== i && standsFor(other, o, j < i)),
  );
}

/** The same, in every stretch by itself: what is where and when counts for changes. */
export function everyOpportunityOf(
  frame: Frame,
  assignments: readonly Assignment[],
  twice = frame.twice,
  reserve: Reserve | null = null,
): Opportunity[] {
  const stretches = new Set<StretchId>(frame.stretchIds);
  const shooters = new Set<string>(frame.shooterIds);
  const eligible = assignments.filter(
    (h) =>
      (stretches.size === 0 || (h.stretchId !== null && stretches.has(h.stretchId))) &&
      (shooters.size === 0
        ? !h.placed ||
          frame.views.some((v) => v.shooterId === h.shooterId) ||
          frame.standpoints.some((s) => s.shooterIds.some((id) => id === h.shooterId))
        : h.shooterId !== null && shooters.has(h.shooterId)),
  );
  const apart = twice?.by === 'people' || (twice !== null && frame.standpoints.length > 0);
  const seen = new Map<
    string,
    Pick<Opportunity, 'stationId' | 'frame'> & { assignments: Assignment[] }
  >();
  const alike = new Map<string, Frame>();
  for (const assignment of eligible) {
    for (const standpoint of standpointsFor(frame, assignment)) {
      const stationId = standpoint?.stationId ?? null;
      const asked = withReserve(
        asThere(frame, assignment, standpoint),
        reserve ?? assignment.reserve,
      );
      const position = `${distanceKey(asked)} ${asked.special.sealed} ${asked.light.flash !== null} ${asked.light.support}`;
      const shared = alike.get(position) ?? asked;
      alike.set(position, shared);
      const key = `${assignment.stretchId} ${stationId} ${distanceKey(shared)} ${apart ? assignment.shooterId : ''} ${assignment.placed}`;
      const known = seen.get(key);
      if (known) known.assignments.push(assignment);
      else seen.set(key, { stationId, assignments: [assignment], frame: shared });
    }
  }
  return [...seen.values()].map((o) => ({
    frameId: frame.id,
    stretchId: o.assignments[0]?.stretchId ?? null,
    ...o,
  }));
}

/** A frame as it is asked on each of its opportunities, each once, first as it stands where it is. */
export function framesThere(
  frame: Frame,
  question: Pick<LineupQuestion, 'outing' | 'stretches' | 'frames' | 'limits'>,
  bodies: readonly Body[],
): readonly [Frame, ...Frame[]] {
  const asked = new Set(
    opportunitiesOf(frame, assignmentsOf(question, bodies)).map((o) => o.frame),
  );
  const [first = frame, ...others] = asked.has(frame)
    ? [frame, ...[...asked].filter((f) => f !== frame)]
    : asked;
  return [first, ...others];
}

/** Whether one opportunity offers all that another does; of two alike the first stands. */
function standsFor(one: Opportunity, other: Opportunity, first: boolean): boolean {
  const [assignment] = one.assignments;
  if (!assignment || one.assignments.length > 1 || !isLoose(assignment)) return false;
  if (one.stationId !== other.stationId) return false;
  if (distanceKey(one.frame) !== distanceKey(other.frame)) return false;
  if (asksMore(one.frame, other.frame)) return false;
  const bodies = new Set<string>(assignment.bodyIds);
  if (!other.assignments.every((h) => h.bodyIds.every((id) => bodies.has(id)))) return false;
  const [otherAssignment] = other.assignments;
  const alike =
    !asksMore(other.frame, one.frame) &&
    other.assignments.length === 1 &&
    otherAssignment !== undefined &&
    isLoose(otherAssignment) &&
    otherAssignment.bodyIds.length === assignment.bodyIds.length;
  return !alike || first;
}

/** Whether a frame asks for more in one place than in another, distances aside. */
function asksMore({ special, light }: Frame, than: Frame): boolean {
  return (
    (special.sealed && !than.special.sealed) ||
    (light.flash === null && than.light.flash !== null) ||
    (light.support === 'hand' && than.light.support === 'support')
  );
}

/** The stations that an assignment may have a frame from; null for the distances that are typed. */
function standpointsFor(frame: Frame, assignment: Assignment): readonly (Standpoint | null)[] {
  if (frame.standpoints.length === 0) return TYPED;
  return frame.standpoints.filter(
    (s) =>
      isInSight(frame, s) &&
      isOpenTo(s, assignment) &&
      (assignment.stationId === null || assignment.stationId === s.stationId),
  );
}
const TYPED = [null] as const;

/** The frame for one assignment; the same object where nothing differs. */
function asThere(frame: Frame, assignment: Assignment, standpoint: Standpoint | null): Frame {
  const { need, special, light } = frame;
  const view = standpoint ?? frame.views.find((v) => v.shooterId === assignment.shooterId);
  const sealed = assignment.wet && !special.sealed;
  const { allowed } = assignment;
  const excluded =
    (!allowed.flash && light.flash !== null) || (!allowed.support && light.support === 'support');
  const stands = assignment.placed && light.support === 'hand';
  const moved =
    view !== undefined &&
    need.kind === 'subject' &&
    (view.fromM !== need.fromM || view.toM !== need.toM);
  if (!sealed && !excluded && !moved && !stands) return frame;
  return {
    ...frame,
    need: moved ? { ...need, fromM: view.fromM, toM: view.toM } : need,
    special: sealed ? { ...special, sealed: true } : special,
    light:
      excluded || stands
        ? {
            ...light,
            flash: allowed.flash ? light.flash : null,
            support: assignment.placed ? 'support' : allowed.support ? light.support : 'hand',
          }
        : light,
  };
}

/** What makes the distances of two opportunities of one frame the same. */
function distanceKey({ need }: Frame): string {
  return need.kind === 'subject' ? `${need.fromM} ${need.toM}` : '';
}
