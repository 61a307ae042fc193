import { concerns, type Frame, isInSight, type Standpoint } from '@/core/brief';
import type { Ground, GroundSubject, Obstacle, Station } from './ground';
import { measure } from './measure';
import { type Screen, screensOf } from './sight';

/** Least and most that a distance of a frame may be, m. */
const LEAST_M = 0.01;
const MOST_M = 100_000;

/**
 * The steps in which distances are told, by how long they are: a plan is no finer. The nearest is rounded
 * down and the farthest up, so that the range never loses an end.
 */
const STEPS = [
  { belowM: 10, stepM: 0.01 },
  { belowM: 100, stepM: 0.1 },
  { belowM: Infinity, stepM: 1 },
] as const;
/** What floating point leaves of a whole number of steps. */
const ROUNDING = 1e-7;

function told(distanceM: number, round: (steps: number) => number): number {
  const { stepM } = STEPS.find((s) => distanceM < s.belowM) ?? STEPS[2];
  const steps = distanceM / stepM;
  const whole = Math.round(steps);
  const rounded = Math.abs(steps - whole) < ROUNDING * steps ? whole : round(steps);
  return Math.min(MOST_M, Math.max(LEAST_M, Number((rounded * stepM).toFixed(2))));
}

/** A share in sight as it is told: all only where it is all. */
export const seenPercent = (seen: number): number => Math.floor(100 * seen + ROUNDING);

/** A frame's standpoints: one for each station that the plan has. */
function standpointsOf(
  subject: GroundSubject,
  { stations, obstacles }: Pick<Ground, 'stations' | 'obstacles'>,
): Standpoint[] {
  return stations.map((station) => {
    let bySubject = KNOWN.get(station);
    if (!bySubject) KNOWN.set(station, (bySubject = new WeakMap()));
    let known = bySubject.get(subject);
    if (known?.obstacles !== obstacles) {
      known = { obstacles, standpoint: standpointOf(station, subject, screensOf(obstacles)) };
      bySubject.set(subject, known);
    }
    return known.standpoint;
  });
}

/** What was measured last of things that have not changed since: dragging one measures that one anew. */
const KNOWN = new WeakMap<
  Station,
  WeakMap<GroundSubject, { obstacles: readonly Obstacle[]; standpoint: Standpoint }>
>();

function standpointOf(
  station: Station,
  subject: GroundSubject,
  screens: readonly Screen[],
): Standpoint {
  const { fromM, toM, seen } = measure(station, subject, screens);
  return {
    stationId: station.id,
    shooterIds: station.shooterIds,
    stretchIds: station.stretchIds,
    fromM: told(fromM, Math.floor),
    toM: told(toM, Math.ceil),
    seenPercent: seenPercent(seen),
  };
}

/**
 * The frames with the distances that the plan says: what is tied to a subject follows it, what is not
 * has no standpoints. Frames that stay as they are come back as the same objects, and so does the list.
 */
export function measuredFrames(frames: readonly Frame[], ground: Ground): readonly Frame[] {
  const subjectOf = new Map(ground.subjects.flatMap((s) => s.frameIds.map((id) => [id, s])));
  const next = frames.map((frame) => {
    const subject = subjectOf.get(frame.id);
    return followed(frame, subject === undefined ? [] : standpointsOf(subject, ground));
  });
  return next.every((frame, i) => frame === frames[i]) ? frames : next;
}

/** A frame with some standpoints; where one distance is told for it, it is that of the first that sees it. */
function followed(frame: Frame, standpoints: readonly Standpoint[]): Frame {
  if (frame.need.kind !== 'subject' || standpoints.length === 0)
    return frame.standpoints.length === 0 ? frame : { ...frame, standpoints: [] };
  const [first] = standpoints.toSorted(
    (a, b) =>
      Number(concerns(frame, b)) - Number(concerns(frame, a)) ||
      Number(isInSight(frame, b)) - Number(isInSight(frame, a)),
  );
  const { fromM, toM } = first!;
  const need = { ...frame.need, fromM, toM };
  const isSame =
    need.fromM === frame.need.fromM &&
    need.toM === frame.need.toM &&
    frame.distanceKnown &&
    JSON.stringify(frame.standpoints) === JSON.stringify(standpoints);
  return isSame ? frame : { ...frame, need, distanceKnown: true, standpoints: [...standpoints] };
}
