import {
  type Footing,
  type Need,
  type PositionUnit,
  type SubjectKey,
  type Want,
} from '@/core/brief';
import type { Shortfall } from '@/core/coverage';
import type { Interval } from '@/core/intervals';
import {
  formatAngle,
  formatCrop,
  formatDistances,
  formatFNumber,
  formatFocalRange,
  formatIso,
  formatMagnification,
  formatMetres,
  formatMm,
  formatPercent,
  formatShutter,
  formatStops,
  moreDigits,
  toldApart,
} from '../format';
import { listOf } from '../lists';

/** The sentences that go with core's codes and numbers. */

export const WANTS: Record<Want, string> = { must: 'must', want: 'want', bonus: 'bonus' };
export const FOOTINGS: Record<Footing, string> = {
  held: 'fixed spot',
  free: 'free to move',
  flowing: 'coming towards you',
};
export const SUBJECT_NAMES: Record<SubjectKey, string> = {
  headAndShoulders: 'head and shoulders',
  standingPerson: 'one standing person',
  couple: 'couple',
  groupOfTen: 'group of ten, two rows',
  crowd: 'crowd, 12 m of it',
  smallBird: 'small bird',
  largeBird: 'large bird',
  smallMammal: 'small mammal',
  largeMammal: 'large mammal',
  rowingShell: 'rowing shell',
  boat: 'boat',
  vehicle: 'vehicle',
  smallAircraft: 'small aircraft',
  largeAircraft: 'large aircraft',
  hall: 'hall',
  buildingFront: 'building front',
  hands: 'hands at work',
  ring: 'ring or other small thing',
};

/** What a setup lacks, short: too slow by 1.3 stops (ISO 16000 would do). */
export function shortfallText(s: Shortfall): string {
  switch (s.code) {
    case 'not-long-enough': {
      const [have, needed] = toldApart(formatMm, s.haveMm, s.neededMm);
      const [crop, allowed] = toldApart(formatCrop, s.cropNeeded, s.cropAllowed);
      return `not long enough: ${have} (${formatAngle(s.haveDeg)}), ${needed} needed; a crop of ${crop}, ${s.cropAllowed > 1 ? `${allowed} allowed` : 'none allowed'}`;
    }
    case 'not-wide-enough': {
      const [have, needed] = toldApart(formatMm, s.haveMm, s.neededMm);
      const [haveDeg, neededDeg] = toldApart(formatAngle, s.haveDeg, s.neededDeg);
      return `not wide enough: ${have} (${haveDeg}), ${needed} (${neededDeg}) needed`;
    }
    case 'too-slow': {
      const [have, needed] = toldApart(formatFNumber, s.fNumber, s.neededFNumber);
      return `too slow by ${formatStops(s.stops)}: ${have} for ${needed}; ${formatIso(s.isoNeeded)} would be enough`;
    }
    case 'too-close': {
      const [usable] = toldApart(formatMetres, s.nearestM, s.nearestM - s.byM);
      return `too close by ${formatMetres(s.byM)}: usable from ${usable}`;
    }
    case 'too-far-for-tube': {
      const [ends] = toldApart(formatMetres, s.farthestM, s.farthestM + s.byM);
      return `too far by ${formatMetres(s.byM)}: the tube ends at ${ends}`;
    }
    case 'magnification-short': {
      const [most, needed] = toldApart(formatMagnification, s.most, s.needed);
      return `magnification too small: ${most}, ${needed} needed`;
    }
    case 'too-brief':
      return `the shutter can't stay open long enough: ${formatShutter(s.timeS)} at most, ${formatShutter(s.shortestS)} wanted`;
    case 'no-infinity':
      return "can't focus that far with the tube";
    case 'below-grade':
      return 'below the grade you ask for, or not graded';
    case 'too-shallow':
      if (s.neededFNumber === null) return 'too shallow: no f-number makes all of it sharp';
      return s.smallestFNumber !== null
        ? `too shallow: ${formatFNumber(s.neededFNumber)} needed, it stops down to ${formatFNumber(s.smallestFNumber)}`
        : `too shallow: the depth needs ${formatFNumber(s.neededFNumber)}${s.lightFNumber === null ? '' : `, the light allows ${formatFNumber(s.lightFNumber)}`}${s.isoNeeded === null ? '' : `; ${formatIso(s.isoNeeded)} would be enough`}`;
    case 'too-deep': {
      const [have, wanted] = toldApart(formatPercent, s.havePercent, s.wantedPercent);
      const [, needed] = toldApart(formatFNumber, s.fNumber, s.neededFNumber);
      return `too deep: blurs to ${have} of the diagonal, ${wanted} wanted; ${needed} would be enough`;
    }
    case 'autofocus-limit': {
      const [have, limit] = toldApart(formatFNumber, s.fNumber, s.limitFNumber);
      return `no autofocus: ${have}, the camera focuses to ${limit}`;
    }
    case 'wrong-projection':
      return 'wrong projection: a fisheye can’t replace a rectilinear lens, nor the other way round';
    case 'no-perspective-control':
      return 'doesn’t shift';
    case 'no-filter':
      return 'takes no filter, in front or in the adapter';
    case 'not-sealed':
      return 'not weather sealed';
    case 'no-autofocus':
      return 'no autofocus';
    case 'few-pixels':
      return 'too few pixels for this output';
    case 'overfills':
      return 'at the magnification you ask for, the subject is larger than this sensor';
    case 'part':
      return 'only part of it';
  }
}

/** What a setup lacks, in a word or two. */
const SHORTFALL_WORDS: Readonly<Record<Shortfall['code'], string>> = {
  'not-long-enough': 'not long enough',
  'not-wide-enough': 'not wide enough',
  'too-slow': 'too slow',
  'too-close': 'too close',
  'magnification-short': 'too little magnification',
  'too-far-for-tube': 'too far for the tube',
  'too-shallow': 'too little depth of field',
  'too-deep': 'too much depth of field',
  'autofocus-limit': 'no autofocus',
  'too-brief': 'shutter too short',
  'few-pixels': 'too few pixels',
  overfills: 'larger than the sensor',
  part: 'only partly',
  'wrong-projection': 'wrong projection',
  'no-perspective-control': "doesn't shift",
  'no-filter': 'takes no filter',
  'not-sealed': 'not weather sealed',
  'no-autofocus': 'no autofocus',
  'no-infinity': "can't focus that far",
  'below-grade': 'below your grade',
};
export function shortfallWord(code: Shortfall['code']): string {
  return SHORTFALL_WORDS[code];
}

/** What a frame asks for, in a line. */
export function needText(need: Need): string {
  switch (need.kind) {
    case 'subject': {
      const size = [need.widthM, need.heightM].map((m) => (m === null ? null : formatMetres(m)));
      const shown =
        size[0] && size[1]
          ? `${size[0]} × ${size[1]}`
          : size[0]
            ? `${size[0]} wide`
            : `${size[1]} high`;
      return `${shown} at ${formatDistances(need.fromM, need.toM)}, ${FOOTINGS[need.footing]}, filling ${fillText(need.fill)}`;
    }
    case 'far':
      return `${[need.widthDeg, need.heightDeg].flatMap((a) => (a === null ? [] : [formatAngle(a)])).join(' × ')} far away, filling ${fillText(need.fill)}`;
    case 'focal':
      return `${formatFocalRange(need.fromMm, need.toMm)} on 36×24, ${FOOTINGS[need.footing]}`;
    case 'fisheye':
      return need.coverage === 'circular' ? 'a circular fisheye' : 'a frame-filling fisheye';
    case 'angle':
      return `${formatAngle(need.fromDeg)} to ${formatAngle(need.toDeg)} across the ${need.across}, ${FOOTINGS[need.footing]}`;
  }
}

function fillText(fill: { min: number; max: number }): string {
  return `${Math.round(fill.min * 100)}–${formatPercent(fill.max * 100)}`;
}

/** Places of an axis: distances, or focal lengths on the 36×24 mm frame. */
export function positionText(unit: PositionUnit, from: number, to: number, more = 0): string {
  if (unit === 'far') return 'at infinity';
  return unit === 'm'
    ? formatDistances(from, to, more)
    : `${formatFocalRange(from, to, more)} on 36×24`;
}

/**
 * Several sets of places, with as many digits as it takes to tell all their ends apart: what is covered
 * from 60.3 cm leaves 60 to 60.3 cm.
 */
export function positionTexts(
  unit: PositionUnit,
  sets: readonly (readonly Interval[])[],
): string[] {
  const ends = sets.flat().flatMap(({ from, to }) => [from, to]);
  const more = unit === 'far' ? 0 : moreDigits(unit === 'm' ? formatMetres : formatMm, ends);
  return sets.map((set) => listOf(set.map((r) => positionText(unit, r.from, r.to, more))));
}
