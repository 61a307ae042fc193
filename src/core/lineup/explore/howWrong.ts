import { type Frame, type FrameId, isInSight } from '@/core/brief';
import { boundary } from '@/core/bisect';
import type { LensId } from '@/core/gear';
import { clearlyBelow, type Interval, type IntervalSet, union } from '@/core/intervals';
import type { LineupResult } from '../explain/result';
import type { LineupQuestion } from '../problem/question';
import { AS_DESCRIBED, type Change, changed, LineupAtHand, wouldGet } from './lineupAtHand';

export const WAYS = ['darker', 'nearer', 'farther', 'faster'] as const;
/** One way in which a picture may turn out other than it is described. */
export type Way = (typeof WAYS)[number];

/** How far a picture may turn out one way and still be got by the lineup. */
export interface Slack {
  readonly way: Way;
  /** Up to where it is got. */
  readonly holds: Change;
  /** The same in errors that are usual; below 1 it may well be lost. */
  readonly usualErrors: number;
}

/** How wrong what one picture is judged by may be. */
export interface HowWrong {
  readonly frameId: FrameId;
  /** Tightest first; without the ways in which it is never lost. */
  readonly slacks: readonly Slack[];
}

/** Nothing is looked for beyond these: so much darker, nearer or farther, faster. */
const FARTHEST: Readonly<Record<Way, number>> = {
  darker: 15,
  nearer: 1 / 8,
  farther: 8,
  faster: 64,
};

/** How wrong each may usually be: a stop, paced distances by a fifth, a speed by half. Common practice, no source. */
const USUAL_STOPS = 1;
const USUAL_DISTANCE = 1.2;
const USUAL_SPEED = 1.5;

/** Two places of a scan for the first distance at which a picture is lost, as a quotient. */
const SCAN_STEP = 1.02;

/** One way as a number that rises or falls from `none`. */
const AXES: Readonly<
  Record<Way, { none: number; of: (at: number) => Change; usualErrors: (at: number) => number }>
> = {
  darker: {
    none: 0,
    of: (stopsLess) => ({ ...AS_DESCRIBED, stopsLess }),
    usualErrors: (stops) => stops / USUAL_STOPS,
  },
  nearer: {
    none: 1,
    of: (distance) => ({ ...AS_DESCRIBED, distance }),
    usualErrors: (distance) => Math.log(1 / distance) / Math.log(USUAL_DISTANCE),
  },
  farther: {
    none: 1,
    of: (distance) => ({ ...AS_DESCRIBED, distance }),
    usualErrors: (distance) => Math.log(distance) / Math.log(USUAL_DISTANCE),
  },
  faster: {
    none: 1,
    of: (speed) => ({ ...AS_DESCRIBED, speed }),
    usualErrors: (speed) => Math.log(speed) / Math.log(USUAL_SPEED),
  },
};

/** How wrong the pictures of a lineup may be. */
export interface HowWrongAll {
  /** Those that it gets, in the order of the brief. */
  readonly frames: readonly HowWrong[];
  /** Whether all of them were looked at. */
  readonly complete: boolean;
}

/**
 * How wrong light, distances and speed of each picture that is got may be, each by itself, before the
 * lineup loses it: with what it has in hand there, and at least once where it is asked for twice.
 *
 * Less light and more speed only ever take places away, so that the bound is found by bisection on the
 * exact places. For distances it is read from those places themselves, looked at over all distances
 * there may be; where the demand changes with the distance it is scanned in steps of 2 % and narrowed
 * down.
 *
 * @param goOn asked before each picture
 */
export function howWrong(
  question: LineupQuestion,
  result: Pick<LineupResult, 'lineup' | 'bodies' | 'hands' | 'frames'>,
  goOn: () => boolean = () => true,
): HowWrongAll {
  const atHand = new LineupAtHand(question, result);
  const got = new Set(result.frames.filter((f) => f.state !== 'lost').map((f) => f.frameId));
  const frames: HowWrong[] = [];
  for (const frame of question.frames.filter((f) => got.has(f.id))) {
    if (!goOn()) return { frames, complete: false };
    if (atHand.gets(frame)) frames.push({ frameId: frame.id, slacks: slacksOf(atHand, frame) });
  }
  return { frames, complete: true };
}

/** A picture that is soon lost, with the lenses that would get it then, lightest first. */
export interface Fragile extends HowWrong {
  readonly slack: Slack;
  readonly instead: readonly LensId[];
}

/** The musts and wants that are lost first, most fragile first. */
export function mostFragile(
  question: LineupQuestion,
  result: Pick<LineupResult, 'lineup' | 'bodies' | 'hands'>,
  { frames }: HowWrongAll,
  count: number,
): Fragile[] {
  const atHand = new LineupAtHand(question, result);
  const byId = new Map(question.frames.map((f) => [f.id, f]));
  return frames
    .flatMap(({ frameId, slacks }) => {
      const frame = byId.get(frameId);
      const [slack] = slacks;
      return frame && frame.want !== 'bonus' && slack ? [{ frame, slack, slacks }] : [];
    })
    .sort((a, b) => a.slack.usualErrors - b.slack.usualErrors)
    .slice(0, count)
    .map(({ frame, slack, slacks }) => {
      const lost = changed(frame, beyond(slack));
      return {
        frameId: frame.id,
        slacks,
        slack,
        instead: wouldGet(question, result, lost, atHand),
      };
    });
}

/** A change that is clearly more than one up to which a picture is held: by a third of a stop, 5 %, 10 %. */
function beyond({ way, holds }: Slack): Change {
  switch (way) {
    case 'darker':
      return { ...holds, stopsLess: holds.stopsLess + 1 / 3 };
    case 'nearer':
      return { ...holds, distance: holds.distance / 1.05 };
    case 'farther':
      return { ...holds, distance: holds.distance * 1.05 };
    case 'faster':
      return { ...holds, speed: holds.speed * 1.1 };
  }
}

function slacksOf(atHand: LineupAtHand, frame: Frame): Slack[] {
  const ends: Readonly<Record<Way, () => number>> = {
    darker: () => lastHeld(atHand, frame, 'darker'),
    nearer: () => distanceHeld(atHand, frame, 'nearer'),
    farther: () => distanceHeld(atHand, frame, 'farther'),
    faster: () =>
      frame.light.movement === null ? FARTHEST.faster : lastHeld(atHand, frame, 'faster'),
  };
  return WAYS.flatMap((way): Slack[] => {
    const at = ends[way]();
    if (at === FARTHEST[way]) return [];
    return [{ way, holds: AXES[way].of(at), usualErrors: AXES[way].usualErrors(at) }];
  }).sort((a, b) => a.usualErrors - b.usualErrors);
}

/** The last place on a way at which a frame is got, where it is lost but once; its end where it never is. */
function lastHeld(atHand: LineupAtHand, frame: Frame, way: Way, from = AXES[way].none): number {
  const holds = (at: number) => atHand.gets(changed(frame, AXES[way].of(at)));
  return holds(FARTHEST[way]) ? FARTHEST[way] : boundary(from, FARTHEST[way], holds);
}

/** The last distance, as a quotient, up to which a frame is got at every distance. */
function distanceHeld(atHand: LineupAtHand, frame: Frame, way: 'nearer' | 'farther'): number {
  const { need, depth, light } = frame;
  const isZone = depth.sharp?.kind === 'zone';
  if (need.kind !== 'subject' && !isZone && !('atM' in need && need.atM !== null))
    return FARTHEST[way];
  const isAlike = need.kind === 'subject' && !isZone && light.movement?.direction !== 'toward';
  return isAlike ? endOf(distancesGot(atHand, frame), way) : firstLost(atHand, frame, way);
}

/**
 * The distances, as quotients, at which a frame is got: where its places are the same however far it is.
 * From a made range a–b a subject at f–t that needs every distance is got from a/f to b/t times as far,
 * one that needs any from a/t to b/f.
 */
function distancesGot(atHand: LineupAtHand, frame: Frame): IntervalSet {
  const wide = <D extends { readonly fromM: number; readonly toM: number }>(d: D): D => ({
    ...d,
    fromM: d.fromM * FARTHEST.nearer,
    toM: d.toM * FARTHEST.farther,
  });
  const { need } = frame;
  if (need.kind !== 'subject') return [];
  const all = {
    ...frame,
    need: wide({ ...need, footing: 'held' as const }),
    views: frame.views.map(wide),
    standpoints: frame.standpoints
      .filter((s) => isInSight(frame, s))
      .map((s) => wide({ ...s, seenPercent: 100 })),
  };
  return union(
    atHand.lookedAt(all).flatMap(({ there, sets }): Interval[] => {
      if (there.need.kind !== 'subject') return [];
      const from = there.need.fromM / FARTHEST.nearer;
      const to = there.need.toM / FARTHEST.farther;
      const made = need.footing === 'held' ? union(sets.flat()) : sets.flat();
      return made.flatMap((m) => {
        const got =
          need.footing === 'free'
            ? { from: m.from / to, to: m.to / from }
            : { from: m.from / from, to: m.to / to };
        return clearlyBelow(got.to, got.from)
          ? []
          : [{ from: got.from, to: Math.max(got.from, got.to) }];
      });
    }),
  );
}

function endOf(got: IntervalSet, way: 'nearer' | 'farther'): number {
  const held = got.find((g) => !clearlyBelow(1, g.from) && !clearlyBelow(g.to, 1));
  if (!held) return 1;
  return way === 'nearer'
    ? Math.min(1, Math.max(held.from, FARTHEST.nearer))
    : Math.max(1, Math.min(held.to, FARTHEST.farther));
}

function firstLost(atHand: LineupAtHand, frame: Frame, way: 'nearer' | 'farther'): number {
  const holds = (at: number) => atHand.gets(changed(frame, AXES[way].of(at)));
  const step = way === 'nearer' ? 1 / SCAN_STEP : SCAN_STEP;
  const isWithin = (at: number) => at > FARTHEST.nearer && at < FARTHEST.farther;
  for (let held = 1; isWithin(held); held *= step) {
    if (!holds(held * step)) return boundary(held, held * step, holds);
  }
  return FARTHEST[way];
}
