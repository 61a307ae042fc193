import { footingOf, type Frame, needAxis } from '@/core/brief';
import type { Able } from '@/core/coverage';
import {
  containsPoint,
  covers,
  type Interval,
  type IntervalSet,
  subtract,
  union,
} from '@/core/intervals';
import type { MakerTable } from './candidates';
import type { Occasion } from './opportunities';

/** An occasion with what makes any of it. */
export interface OccasionPlaces {
  readonly occasion: Occasion;
  /** Two lenses on two bodies are asked for. */
  readonly twice: boolean;
  readonly axis: Interval;
  /**
   * Where each maker, by its number, makes it. Where one place or one setup has to do, the makers
   * that do it have the whole axis, and the others are left out.
   */
  readonly places: ReadonlyMap<number, IntervalSet>;
}

/** What the able setups make of an occasion in its hands. */
export function placesAt(
  occasion: Occasion,
  able: readonly Able[],
  table: MakerTable,
  twice: boolean,
): OccasionPlaces {
  const axis = needAxis(occasion.frame.need).range;
  const whole: IntervalSet = [axis];
  const onePiece = isOfOnePiece(occasion.frame);
  const free = footingOf(occasion.frame.need) === 'free';
  const places = new Map<number, IntervalSet>();
  for (const hand of occasion.hands) {
    for (const { index, places: set } of able) {
      if (!table.isInHand(index, hand)) continue;
      const isWhole = free || covers(set, axis);
      if (onePiece && !isWhole) continue;
      const number = table.numberOf(index, hand, twice);
      const before = places.get(number);
      if (isWhole) places.set(number, whole);
      else if (before !== whole) places.set(number, before ? union([...before, ...set]) : set);
    }
  }
  return { occasion, twice, axis, places };
}

/** The places that the makers that count make. */
export function* placesOf(
  places: OccasionPlaces['places'],
  counts: readonly boolean[],
): Generator<IntervalSet> {
  for (const [number, set] of places) if (counts[number]) yield set;
}

/** Whether one maker has to do for the whole of a frame: it is free, flowing, or of one place. */
export function isOfOnePiece({ need }: Frame): boolean {
  const { from, to } = needAxis(need).range;
  return footingOf(need) !== 'held' || from === to;
}

/** The places of an axis that some sets leave unmade. */
export function missingOf(axis: Interval, made: Iterable<IntervalSet>): IntervalSet {
  const sets: IntervalSet[] = [];
  for (const set of made) {
    if (covers(set, axis)) return [];
    sets.push(set);
  }
  const places = union(sets.flat());
  if (axis.from === axis.to) return containsPoint(places, axis.from) ? [] : [axis];
  return subtract([axis], places);
}
