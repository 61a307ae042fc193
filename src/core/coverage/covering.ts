import {
  footingOf,
  type Frame,
  type Framing,
  framings,
  type Limits,
  needAxis,
  type NeedAxis,
  type Special,
} from '@/core/brief';
import type { Setup } from '@/core/gear';
import { type IntervalSet, union } from '@/core/intervals';
import { AT_EASE, type Pace } from '@/core/pace';
import {
  coveredRange,
  EVERYTHING,
  coversSomewhere,
  type CoverageTask,
  taskOf,
} from './coveredRange';
import { exclusionOf, isOfGrade } from './exclusions';
import { mayFrame, type QuickBounds } from './bounds';
import { type Demand, demandOf } from './demand';
import { atUsualFocus } from './usualFocus';

/** How much harder than asked: for preferring lineups that have something in hand. */
export interface Harder {
  /** Stops of light to spare. */
  readonly stops: number;
  /** Whether cropping is ruled out. */
  readonly uncropped: boolean;
  /** Least grade of the lens, in the person's own judgement; null for any. */
  readonly leastGrade: Special['leastGrade'];
  /** Whether an unknown closest focus counts as is usual; else it is taken to be near enough. */
  readonly usualFocus: boolean;
}
export const AS_ASKED: Harder = { stops: 0, uncropped: false, leastGrade: null, usualFocus: false };
const NOWHERE: IntervalSet = [];

/** The places of a frame's axis that a setup makes, cropping allowed. */
export function coveredPositions(
  setup: Setup,
  frame: Frame,
  limits: Limits,
  harder = AS_ASKED,
): IntervalSet {
  const asked = askedOf(setup, frame, limits, harder);
  return asked.enoughPixels &&
    isOfGrade(setup, asked.leastGrade) &&
    exclusionOf(setup, frame) === null
    ? focused(setup, asked)
    : NOWHERE;
}

/** What is made, within what the lens is taken to focus at. */
function focused(setup: Setup, { tasks, axis, usualFocus }: FrameAsk): IntervalSet {
  const positions = positionsOf(setup, tasks);
  return usualFocus ? atUsualFocus(setup, axis, positions) : positions;
}

/** The places that one or the other way of framing makes. */
export function positionsOf(setup: Setup, [one, other]: readonly CoverageTask[]): IntervalSet {
  if (!one) return NOWHERE;
  const first = coveredRange(setup, one);
  if (!other) return first;
  const second = coveredRange(setup, other);
  if (second.length === 0) return first;
  return first.length === 0 ? second : union([...first, ...second]);
}

/**
 * A setup, by its number in a list, with the places of a frame that it makes: at least one. Where
 * one place is enough the whole axis stands for it.
 */
export interface Covering {
  readonly index: number;
  readonly positions: IntervalSet;
}

/**
 * What is known of setups on frames, for many questions about one shelf under the same limits: which
 * places of a frame a setup makes doesn't depend on what else is there. Of frames that are asked about no
 * more, the oldest are forgotten.
 */
export class CoverageMemory {
  /** The number of each frame, by all that it asks; the last asked about stands last. */
  private readonly numbers = new Map<string, number>();
  private readonly asks = new WeakMap<Frame, string>();
  private readonly bySetup = new Map<string, (IntervalSet | undefined)[]>();
  /** Numbers that no frame has any more. */
  private readonly freed: number[] = [];

  /** The numbers of frames; others are forgotten where they are more than these twice. */
  numbersOf(frames: readonly Frame[]): number[] {
    const asked = frames.map((frame) => {
      const asks = this.asks.get(frame) ?? JSON.stringify(frame);
      this.asks.set(frame, asks);
      const number = this.numbers.get(asks) ?? this.free();
      this.numbers.delete(asks);
      this.numbers.set(asks, number);
      return number;
    });
    this.forget(2 * frames.length + SOME_FRAMES);
    return asked;
  }

  /** The places that a setup makes, by the number of the frame; what isn't known yet is put there. */
  placesOf(s: Setup): (IntervalSet | undefined)[] {
    const key = `${s.bodyId} ${s.lensId} ${s.adapterId} ${s.converterId} ${s.tubeId} ${s.builtIn}`;
    let places = this.bySetup.get(key);
    if (places === undefined) this.bySetup.set(key, (places = []));
    return places;
  }

  private free(): number {
    return this.freed.pop() ?? this.numbers.size;
  }

  private forget(most: number): void {
    const gone = [...this.numbers].slice(0, Math.max(0, this.numbers.size - most));
    for (const [asks, number] of gone) {
      this.numbers.delete(asks);
      this.freed.push(number);
      for (const places of this.bySetup.values()) places[number] = undefined;
    }
  }
}
/** Frames that are remembered besides, however few are asked about. */
const SOME_FRAMES = 32;

/**
 * For each frame the setups of a list that make any of its places. Setup by setup, since thousands
 * of setups are more than a processor keeps near, and what a few frames ask is not.
 *
 * @param memory of earlier questions about the same gear under the same limits
 */
export function coveringSetups(
  setups: readonly Setup[],
  frames: readonly Frame[],
  limits: Limits,
  pace: Pace = AT_EASE,
  memory?: CoverageMemory,
): Map<Frame, Covering[]> {
  const covered = frames.map((): Covering[] => []);
  const numbers = memory?.numbersOf(frames);
  const known = new Map<string, FrameAsk[]>();
  const askedFor = (setup: Setup) => {
    const asked = frames.map((frame) => askedOf(setup, frame, limits, AS_ASKED));
    known.set(setup.demandKey, asked);
    return asked;
  };
  setups.forEach((setup, index) => {
    pace();
    const places = memory?.placesOf(setup);
    let asked: readonly FrameAsk[] | null = null;
    for (let i = 0; i < frames.length; i += 1) {
      let positions = places?.[numbers![i]!];
      if (positions === undefined) {
        asked ??= known.get(setup.demandKey) ?? askedFor(setup);
        const one = asked[i]!;
        positions = mayFrame(setup, one.bounds) ? positionsFor(setup, one) : NOWHERE;
        if (places) places[numbers![i]!] = positions;
      }
      if (positions.length > 0) covered[i]!.push({ index, positions });
    }
  });
  return new Map(frames.map((frame, i) => [frame, covered[i]!]));
}

/** Those that still do where it is asked harder: nothing else can. */
export function stillCovering(
  setups: readonly Setup[],
  covered: readonly Covering[],
  frame: Frame,
  limits: Limits,
  harder: Harder,
  pace: Pace = AT_EASE,
): Covering[] {
  const known = new Map<string, FrameAsk>();
  return covered.flatMap(({ index }) => {
    pace();
    const setup = setups[index]!;
    const asked = known.get(setup.demandKey) ?? askedOf(setup, frame, limits, harder);
    known.set(setup.demandKey, asked);
    const positions = positionsFor(setup, asked);
    return positions.length > 0 ? [{ index, positions }] : [];
  });
}

function positionsFor(setup: Setup, asked: FrameAsk): IntervalSet {
  const { frame, whole, onePosition, enoughPixels, leastGrade, tasks, usualFocus } = asked;
  if (!enoughPixels || !isOfGrade(setup, leastGrade) || exclusionOf(setup, frame) !== null)
    return NOWHERE;
  if (!onePosition) return focused(setup, asked);
  if (usualFocus) return focused(setup, asked).length > 0 ? whole : NOWHERE;
  return tasks.some((task) => coversSomewhere(setup, task)) ? whole : NOWHERE;
}

/** What a frame asks of all setups on one body and part of its sensor. */
interface FrameAsk {
  readonly frame: Frame;
  readonly whole: IntervalSet;
  /** One place of it is enough. */
  readonly onePosition: boolean;
  readonly enoughPixels: boolean;
  readonly leastGrade: Special['leastGrade'];
  readonly usualFocus: boolean;
  readonly axis: NeedAxis;
  readonly tasks: readonly CoverageTask[];
  /** A quick look before the exact one. */
  readonly bounds: QuickBounds;
}

function askedOf(setup: Setup, frame: Frame, limits: Limits, harder: Harder): FrameAsk {
  const axis = needAxis(frame.need);
  const demand = asHard(demandOf(setup, frame, limits), harder);
  const ways = framings(frame, setup.sensor, limits);
  return {
    frame,
    whole: [axis.range],
    onePosition: footingOf(frame.need) === 'free',
    enoughPixels: demand.pixelsShort === null,
    leastGrade: harder.leastGrade,
    usualFocus: harder.usualFocus,
    axis,
    tasks: ways.map((way) => taskOf(axis, way, demand, demand.crop, EVERYTHING)),
    bounds: boundsOf(axis, ways, demand.crop),
  };
}

/** Room for rounding, so that the quick look never rejects what the exact one would not. */
const ROOM = 1 + 1e-9;

function boundsOf(axis: NeedAxis, ways: readonly Framing[], crop: number): QuickBounds {
  const { from, to } = axis.range;
  return {
    widestMm: Math.min(...ways.map((way) => way.slopeMin(crop) * from)) / ROOM,
    longestMm: Math.max(...ways.map((way) => way.slopeMax * to)) * ROOM,
    distanceM: axis.kind === 'distance' ? { from: from / ROOM, to: to * ROOM } : null,
  };
}

function asHard(demand: Demand, { stops, uncropped }: Harder): Demand {
  const darker = 2 ** -stops;
  return {
    ...demand,
    crop: uncropped ? 1 : demand.crop,
    light: demand.light && {
      ...demand.light,
      luminousness: demand.light.luminousness * darker,
      flashReach:
        demand.light.flashReach === null ? null : demand.light.flashReach * Math.sqrt(darker),
    },
  };
}
