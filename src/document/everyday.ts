import { type Frame, NOTHING_SPECIAL, type SubjectKey, SUBJECTS } from '@/core/brief';
import { distancesIn } from './formats/shotList';
import { newFrame } from './newFrame';

interface Usual {
  /** Share of the picture that it takes. */
  readonly fill: readonly [number, number];
  /** Longest time that stops its usual movement, as the number under one second; none for what stands. */
  readonly per?: number;
  readonly autofocus?: boolean;
}

const STILL: Usual = { fill: [0.5, 0.9] };
const PEOPLE: Usual = { fill: [0.5, 0.9], per: 125 };

/** How everyday subjects are usually photographed. Common practice, no source. */
const USUAL: Readonly<Record<SubjectKey, Usual>> = {
  headAndShoulders: PEOPLE,
  standingPerson: PEOPLE,
  couple: PEOPLE,
  groupOfTen: { fill: [0.7, 0.95], per: 125 },
  crowd: { fill: [0.8, 1], per: 125 },
  smallBird: { fill: [0.25, 0.6], per: 1000, autofocus: true },
  largeBird: { fill: [0.4, 0.8], per: 1000, autofocus: true },
  smallMammal: { fill: [0.4, 0.8], per: 500, autofocus: true },
  largeMammal: { fill: [0.4, 0.85], per: 500, autofocus: true },
  rowingShell: { fill: [0.6, 0.95], per: 500, autofocus: true },
  boat: { fill: [0.5, 0.9], per: 250 },
  vehicle: { fill: [0.5, 0.9], per: 500, autofocus: true },
  smallAircraft: { fill: [0.4, 0.8], per: 1000, autofocus: true },
  largeAircraft: { fill: [0.5, 0.9], per: 500, autofocus: true },
  hall: { fill: [0.85, 1] },
  buildingFront: { fill: [0.8, 1] },
  hands: PEOPLE,
  ring: STILL,
};

/**
 * A picture of an everyday subject so far away, everything else as is usual for its kind; null where no
 * distance is read.
 *
 * @param distance as typed: 6, 4–8 or 8-4 m
 */
export function everydayFrame(
  frames: readonly Frame[],
  name: string,
  key: SubjectKey,
  distance: string,
): Frame | null {
  const distances = distancesIn(distance);
  const subject = SUBJECTS.find((s) => s.key === key);
  if (distances === null || !subject) return null;
  const fresh = newFrame(frames, name);
  if (fresh.need.kind !== 'subject') return null;
  const { fill, per, autofocus = false } = USUAL[key];
  return {
    ...fresh,
    subject: key,
    need: {
      ...fresh.need,
      ...distances,
      widthM: subject.widthM,
      heightM: subject.heightM,
      fill: { min: fill[0], max: fill[1] },
    },
    light: { ...fresh.light, longestTimeS: per === undefined ? null : 1 / per },
    special: { ...NOTHING_SPECIAL, autofocus },
  };
}
