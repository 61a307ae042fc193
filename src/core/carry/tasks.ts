import {
  footingOf,
  type Frame,
  hasReserve,
  needAxis,
  NO_RESERVE,
  type ShooterId,
  type StationId,
  type StretchId,
} from '@/core/brief';
import { coveredPositions, isEnough } from '@/core/coverage';
import { type BodyId, stackItemIds, mountableSetups, type Setup, withItems } from '@/core/gear';
import { type Interval, type IntervalSet, subtract, union } from '@/core/intervals';
import {
  type Assignment,
  assignmentsOf,
  type LineupQuestion,
  type LineupResult,
  type Opportunity,
  everyOpportunityOf,
} from '@/core/lineup';

/** One setup on one body in one shooter's hands: what is mounted to make a picture, or a part of one. */
export interface AssignedSetup {
  /** Alike for the same items on the same body, whoever holds it. */
  readonly key: string;
  readonly bodyId: BodyId;
  readonly setup: Setup;
  /** Ids of the lens and what stands behind it. */
  readonly items: readonly string[];
  /** Number of the assignment that it is in. */
  readonly assignment: number;
}

/** Assigned setups that make a frame together, one after another or at once. */
export type Option = readonly AssignedSetup[];

/** A frame to be made in one stretch, with every way of making it there. */
export interface Task {
  readonly frame: Frame;
  readonly options: readonly Option[];
}

/** What one shooter may have in one stretch; what it is in the end is decided with the changes. */
export interface AssignmentShift {
  readonly assignment: Assignment;
  readonly bodyIds: readonly BodyId[];
  readonly assignedSetups: readonly AssignedSetup[];
}

/** One stretch with what is to be made in it, in the order of the brief. */
export interface Shift {
  readonly stretchId: StretchId | null;
  /** Whether a lens may be changed in it. */
  readonly changes: boolean;
  readonly assignments: readonly AssignmentShift[];
  readonly tasks: readonly Task[];
  /** Shooters who can meet before it, in pairs. */
  readonly meetings: readonly (readonly [ShooterId | null, ShooterId | null])[];
}

/** Most setups that together make one held range; more are not looked at. */
const MOST_TOGETHER = 3;

/** The part of a lineup's result that a plan is made from: what it takes, and what it gets. */
export type Planned = Pick<LineupResult, 'lineup' | 'bodies' | 'hands'> & {
  readonly frames: readonly Pick<LineupResult['frames'][number], 'frameId' | 'state'>[];
};

/** The frames that a lineup gets: what it covers once, though it is asked for twice, is to be made once. */
function framesGot(frames: readonly Frame[], result: Planned): Frame[] {
  const states = new Map(result.frames.map((f) => [f.frameId, f.state]));
  return frames.flatMap((f) => {
    const state = states.get(f.id) ?? 'lost';
    if (state === 'lost') return [];
    return [state === 'once' ? { ...f, twice: null } : f];
  });
}

/** The stretches of an outing with the frames that the lineup gets, and every way of making each. */
export function shiftsOf(question: LineupQuestion, result: Planned): Shift[] {
  const { shelf, stretches } = question;
  const frames = framesGot(question.frames, result);
  const taken = new Set<string>(takenItems(result));
  const along = new Set<string>(result.bodies);
  const bodies = shelf.bodies.filter((b) => along.has(b.id));
  const setups = mountableSetups({ ...withItems(shelf, ({ id }) => taken.has(id)), bodies });
  const assignments = stationed(assignmentsOf(question, bodies), result);
  const shifts = assignments.map((assignment) => assignmentShift(assignment, setups));
  const coverOf = remembered((setup: Setup, frame: Frame) => coverBy(setup, frame, question));
  const stretchIds = [...new Set(assignments.map((h) => h.stretchId))];
  const shiftsIn = (stretchId: StretchId | null) =>
    shifts.filter((s) => s.assignment.stretchId === stretchId);
  const optionsIn = (frame: Frame, all: readonly Opportunity[]) =>
    new Map(
      stretchIds.map((id) => {
        const inStretch = all.filter((o) => o.stretchId === id);
        return [id, optionsOf(frame, inStretch, shiftsIn(id), coverOf)] as const;
      }),
    );
  const optionsFor = new Map(
    frames.map((frame) => {
      const held = optionsIn(frame, everyOpportunityOf(frame, assignments));
      const isHeld =
        !hasReserve(question.limits.reserve) || [...held.values()].some((o) => o.length > 0);
      // What nothing covers with the reserve was chosen for as it is described.
      const plain = () => everyOpportunityOf(frame, assignments, frame.twice, NO_RESERVE);
      return [frame.id, isHeld ? held : optionsIn(frame, plain())] as const;
    }),
  );
  return stretchIds.map((stretchId, at) => {
    const ofStretch = shiftsIn(stretchId);
    return {
      stretchId,
      changes: !ofStretch.some((s) => s.assignment.fixedSetups && !s.assignment.placed),
      assignments: ofStretch,
      tasks: frames.flatMap((frame) => {
        const options = optionsFor.get(frame.id)?.get(stretchId) ?? [];
        return options.length === 0 ? [] : [{ frame, options }];
      }),
      meetings: meetingsAt(stretches, at),
    };
  });
}

/** The assignments at the stations that the lineup holds, where nobody moves. */
function stationed(
  assignments: readonly Assignment[],
  { hands }: Pick<Planned, 'hands'>,
): readonly Assignment[] {
  const held = new Map(hands.map((h) => [`${h.stretchId} ${h.shooterId}`, h.stationId]));
  return assignments.filter(
    ({ stretchId, shooterId, stationId }) =>
      stationId === null || (held.get(`${stretchId} ${shooterId}`) ?? stationId) === stationId,
  );
}

export function takenItems({ lineup }: Pick<LineupResult, 'lineup'>): string[] {
  return [...lineup.lensIds, ...lineup.converterIds, ...lineup.tubeIds, ...lineup.adapterIds];
}

/**
 * Who can hand something over to whom before a stretch: all overnight, and on the same day those who
 * are both in the stretch or both in the one before.
 */
function meetingsAt(stretches: LineupQuestion['stretches'], at: number): Shift['meetings'] {
  const stretch = stretches[at];
  const before = stretches[at - 1];
  if (!stretch) return [];
  if (before && before.day !== stretch.day) return pairsOf(stretches.flatMap((s) => s.hands));
  return [before, stretch].flatMap((s) => (s ? pairsOf(s.hands) : []));
}

function pairsOf(
  assignments: readonly { readonly shooterId: ShooterId }[],
): [ShooterId, ShooterId][] {
  const ids = [...new Set(assignments.map((h) => h.shooterId))];
  return ids.flatMap((a) => ids.filter((b) => b !== a).map((b): [ShooterId, ShooterId] => [a, b]));
}

function assignmentShift(assignment: Assignment, setups: readonly Setup[]): AssignmentShift {
  const bodyIds = new Set<BodyId>(assignment.bodyIds);
  const assignedSetups = setups
    .filter((s) => bodyIds.has(s.bodyId))
    .map((setup) => ({
      // A built-in converter switched in is no other assigned setup: nothing comes off the body.
      key: `${setup.bodyId} ${stackItemIds(setup).join('+')}`,
      bodyId: setup.bodyId,
      setup,
      items: stackItemIds(setup),
      assignment: assignment.index,
    }));
  return { assignment, bodyIds: assignment.bodyIds, assignedSetups };
}

/** What a setup covers of a frame, and whether that is all that is asked. */
interface Cover {
  readonly covered: IntervalSet;
  readonly got: boolean;
}
type CoverOf = (setup: Setup, frame: Frame) => Cover;

function coverBy(setup: Setup, frame: Frame, { limits }: Pick<LineupQuestion, 'limits'>): Cover {
  const covered = coveredPositions(setup, frame, limits);
  return { covered, got: isEnough(covered, frame) };
}

/** The same setup on the same frame is asked for in every stretch. */
function remembered(coverOf: CoverOf): CoverOf {
  const known = new Map<Setup, Map<Frame, Cover>>();
  return (setup, frame) => {
    const ofSetup = known.get(setup) ?? new Map<Frame, Cover>();
    known.set(setup, ofSetup);
    const cover = ofSetup.get(frame) ?? coverOf(setup, frame);
    ofSetup.set(frame, cover);
    return cover;
  };
}

/** Every way of making a frame in one stretch: once, or by two covers where it needs a backup. */
function optionsOf(
  frame: Frame,
  opportunities: readonly Opportunity[],
  assignments: readonly AssignmentShift[],
  coverOf: CoverOf,
): Option[] {
  const stationOf = new Map<Option, StationId | null>();
  for (const o of opportunities)
    for (const option of coversOf(o, assignments, coverOf)) stationOf.set(option, o.stationId);
  const all = [...stationOf.keys()];
  if (frame.twice === null) return all;
  const shooterOf = (option: Option) =>
    assignments.find((h) => h.assignment.index === option[0]?.assignment)?.assignment.shooterId ??
    null;
  if (frame.twice.by === 'people' && frame.twice.shooterIds.length > 0) {
    return frame.twice.shooterIds.reduce<Option[]>(
      (ways, id) =>
        withEach(
          ways,
          all.filter((option) => shooterOf(option) === id),
        ),
      [[]],
    );
  }
  const byPeople = frame.twice.by === 'people';
  return all.flatMap((one, i) =>
    all
      .slice(i + 1)
      .filter(
        (other) =>
          areApart(one, other) &&
          (shooterOf(one) !== shooterOf(other) ||
            // Nobody is at two stations at once.
            (!byPeople && stationOf.get(one) === stationOf.get(other))),
      )
      .map((other) => [...one, ...other]),
  );
}

function withEach(ways: readonly Option[], more: readonly Option[]): Option[] {
  return ways.flatMap((way) =>
    more.filter((other) => areApart(way, other)).map((other) => [...way, ...other]),
  );
}

/** Whether two covers share neither a body nor an item. */
function areApart(one: Option, other: Option): boolean {
  return one.every((a) =>
    other.every((b) => a.bodyId !== b.bodyId && !a.items.some((id) => b.items.includes(id))),
  );
}

/** The setups, alone or together, that make all of a frame on one opportunity; one of each key an assignment. */
function coversOf(
  opportunity: Opportunity,
  assignments: readonly AssignmentShift[],
  coverOf: CoverOf,
): Option[] {
  const assigned = new Set(opportunity.assignments.map((h) => h.index));
  const looked = assignments
    .filter((h) => assigned.has(h.assignment.index))
    .flatMap((h) => h.assignedSetups)
    .map((assignedSetup) => ({
      assignedSetup,
      cover: coverOf(assignedSetup.setup, opportunity.frame),
    }))
    .filter(({ cover }) => cover.covered.length > 0);
  const whole = looked.filter(({ cover }) => cover.got).map(({ assignedSetup }) => assignedSetup);
  const once = new Map(whole.map((m) => [`${m.assignment} ${m.key}`, m]));
  const alone = [...once.values()].map((assignedSetup) => [assignedSetup]);
  if (footingOf(opportunity.frame.need) !== 'held') return alone;
  return [...alone, ...together(looked, needAxis(opportunity.frame.need).range)];
}

/** Sets of setups of which each makes a part of a range and only all of them make it whole. */
function together(
  looked: readonly { readonly assignedSetup: AssignedSetup; readonly cover: Cover }[],
  range: Interval,
): Option[] {
  const parts = looked.filter(({ cover }) => !cover.got);
  const found: Option[] = [];
  const visit = (from: number, chosen: readonly (typeof parts)[number][]): void => {
    if (chosen.length > 0) {
      const made = union(chosen.flatMap(({ cover }) => cover.covered));
      if (subtract([range], made).length === 0) {
        found.push(chosen.map(({ assignedSetup }) => assignedSetup));
        return;
      }
    }
    if (chosen.length === MOST_TOGETHER) return;
    for (let i = from; i < parts.length; i += 1) visit(i + 1, [...chosen, parts[i]!]);
  };
  visit(0, []);
  const isLean = (option: Option) =>
    !found.some((other) => other.length < option.length && other.every((m) => option.includes(m)));
  return found.filter(isLean);
}
