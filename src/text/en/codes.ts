import {
  type Footing,
  PERMISSION_KEYS,
  type PermissionKey,
  type ProfileKey,
  type SceneKey,
  type Stretch,
  type Weather,
} from '@/core/brief';
import type { Conflict, TimeRule } from '@/core/coverage';
import type { Grade, Ownership } from '@/core/gear';
import type { Advantage, Assumption, OnceReason } from '@/core/lineup';
import { formatFNumber, formatIso, formatShutter, formatStops, formatWeight } from '../format';

/** The names of core's codes that no page says first. */

export const OWNERSHIPS: Record<Ownership, string> = {
  owned: 'owned',
  borrowed: 'borrowed',
  rented: 'rented',
  wished: 'wished for',
  'in-repair': 'in repair',
  'lent-out': 'lent out',
};
export const FOOTING_HINTS: Record<Footing, string> = {
  held: 'you stay put: every distance must fit',
  free: 'you can move: one distance is enough',
  flowing: 'it comes towards you: every distance without changing lenses',
};

/** What a cover rests on that is not known, beside the picture. */
export const ASSUMPTION_TEXTS: Record<Assumption, string> = {
  'autofocus-unknown': 'autofocus unknown, assumed yes',
  'thread-unknown': 'front filter unknown, assumed yes',
  'shift-unknown': 'shift unknown, assumed yes',
  'smallest-aperture-unknown': 'smallest aperture unknown, assumed small enough',
  'sealing-unknown': 'weather sealing unknown: a rain cover if it isn’t sealed',
  'closest-focus-estimated': 'closest focus unknown; lenses of its kind usually focus this near',
  'closest-focus-unknown':
    'closest focus unknown; lenses of its kind usually don’t focus this near',
};

/** Why a picture is covered once that is asked for twice. */
export const ONCE_REASONS: Record<OnceReason, string> = {
  'one-person': 'Covered once: only one person can cover it. Twice takes a second person.',
  'one-camera': 'Covered once: only one camera can cover it. Twice takes a second camera.',
  'one-lens': 'Covered once: only one lens can cover it. Twice takes a second lens.',
  'not-at-once': 'Covered once: no two of your setups that cover it can be used at once.',
};

export const SCENE_NAMES: Record<SceneKey, string> = {
  snowOrSandInSun: 'snow or sand in sun',
  fullSun: 'full sun',
  hazySun: 'hazy sun',
  cloudyBright: 'cloudy bright',
  heavyOvercast: 'heavy overcast',
  justAfterSunset: 'just after sunset',
  dusk: 'dusk',
  brightInterior: 'bright interior',
  homeInterior: 'home interior, evening',
  floodlitSport: 'floodlit sport',
  stage: 'stage or indoor sport',
  dimHall: 'dim hall',
  candlelight: 'candlelight close by',
  nightStreet: 'bright street at night',
  fullMoonLandscape: 'landscape in full moon',
  starrySky: 'starry sky',
};

export const WEATHERS: Record<Weather, string> = {
  wet: 'rain or spray',
  dust: 'dust or sand',
  cold: 'cold',
};

export const GRADE_NAMES: Record<Grade, string> = {
  'first-class': 'first-class',
  good: 'good',
  fair: 'fair',
};

/** What may be allowed in a stretch, to be ticked; and what is said where it isn't. */
export const PERMISSION_NAMES: Readonly<Record<PermissionKey, string>> = {
  bags: 'bags',
  flash: 'flash',
  support: 'tripod or other support',
};
const FORBIDDEN: Readonly<Record<PermissionKey, string>> = {
  flash: 'no flash',
  support: 'no tripod or other support',
  bags: 'no bags',
};

/** What a stretch doesn't allow: no flash, no bags. */
export function forbiddenTexts(allowed: Stretch['allowed']): string[] {
  return PERMISSION_KEYS.filter((key) => !allowed[key]).map((key) => FORBIDDEN[key]);
}

/** What one lens has over another: faster by 2 stops. */
export function advantageText({ reason, by, figures }: Advantage): string {
  if (by === null || figures === null) return reason;
  if (reason === 'lighter') return `lighter by ${formatWeight(by)}`;
  if (reason === 'closer') return `closer, to ${figures.own.toLocaleString('en-GB')}×`;
  if (reason === 'better') return 'better, as you graded it';
  return `${reason === 'faster' ? 'faster' : 'steadier'} by ${formatStops(by)}`;
}

/** Wishes of a frame that fight each other, with the ways out. */
export function conflictText(c: Conflict): string {
  switch (c.code) {
    case 'too-dark':
    case 'depth-against-light': {
      const why =
        c.code === 'too-dark'
          ? `No lens is fast enough: ${formatFNumber(c.lightFNumber)} is needed`
          : `The depth needs ${formatFNumber(c.neededFNumber)}; the light allows ${formatFNumber(c.lightFNumber)}`;
      const ways = [
        `add ${formatStops(c.stops)} of light`,
        ...(c.supportHelps ? ['use a support'] : []),
        `go to ${formatIso(c.isoNeeded)}`,
      ];
      return `${why} at ${formatShutter(c.timeS)} (${TIME_RULES[c.timeRule]}) and ${formatIso(c.iso)}: ${ways.join(', or ')}.`;
    }
    case 'depth-against-blur':
      return `What must be sharp needs ${formatFNumber(c.sharpFNumber)}; what must be blurred allows ${formatFNumber(c.blurFNumber)}: move the background away, or ask for less of either.`;
    case 'time-against-time':
      return `You want ${formatShutter(c.shortestS)} or longer, but ${TIME_RULES[c.timeRule]} allows ${formatShutter(c.timeS)}: put the camera on a support, or ask for a shorter time.`;
    case 'magnification-against-fill':
      return `At ${c.magnification.toLocaleString('en-GB')}× the subject overfills the picture; ${c.largestByFill.toLocaleString('en-GB', { maximumFractionDigits: 2 })}× fits.`;
  }
}

export const PROFILE_NAMES: Record<ProfileKey, string> = {
  fewestLightest: 'fewest, then lightest',
  oneZoomNeverChange: 'one zoom, never change',
  constantZooms: 'constant zooms end to end',
  smallFastPrimes: 'small fast primes',
  twoBodiesNeverChange: 'two cameras, never change',
  nativeLongLens: 'long lens without converter',
  firstClassWithConverter: 'first-class lens with converter',
  startWithLittle: 'start with little',
  buyOnceKeepLong: 'buy once, keep long',
};

export const TIME_RULES: Record<TimeRule, string> = {
  given: 'the longest time given',
  hand: 'held by hand',
  movement: 'the subject moves',
  stars: 'the stars move',
};
