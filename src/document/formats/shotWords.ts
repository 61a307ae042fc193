import type { SceneKey, SubjectKey } from '@/core/brief';

/** Words of light, the more particular first: what a line says of it, as a scene. */
const LIGHT: readonly (readonly [RegExp, SceneKey])[] = [
  [/\b(?:stars?|starry|milky way)\b/i, 'starrySky'],
  [/\bmoonlight\b/i, 'fullMoonLandscape'],
  [/\b(?:candles?|candlelight|by the fire|campfire)\b/i, 'candlelight'],
  [/\bfloodli(?:t|ghts?)\b/i, 'floodlitSport'],
  [/\b(?:on stage|stage light)\b/i, 'stage'],
  [/\b(?:street at night|at night|by night)\b/i, 'nightStreet'],
  [/\b(?:dim|dark|gloomy)\b/i, 'dimHall'],
  [/\b(?:dusk|blue hour|twilight)\b/i, 'dusk'],
  [/\b(?:sunset|sunrise|golden hour)\b/i, 'justAfterSunset'],
  [/\b(?:snow|sand|beach) in (?:the )?sun\b/i, 'snowOrSandInSun'],
  [/\bhazy\b/i, 'hazySun'],
  [/\b(?:sun|sunny|sunlight|sunshine)\b/i, 'fullSun'],
  [/\b(?:overcast|heavy cloud|rain)\b/i, 'heavyOvercast'],
  [/\b(?:cloudy|cloud|shade)\b/i, 'cloudyBright'],
  [/\b(?:indoors|at home|lamplight)\b/i, 'homeInterior'],
];

/** Words of what is photographed, the more particular first, with its everyday size. */
const THINGS: readonly (readonly [RegExp, SubjectKey])[] = [
  [/\b(?:portrait|head and shoulders|faces?)\b/i, 'headAndShoulders'],
  [/\brings?\b/i, 'ring'],
  [/\bhands\b/i, 'hands'],
  [/\b(?:crowd|audience|congregation)\b/i, 'crowd'],
  [/\b(?:group|family|team|guests)\b/i, 'groupOfTen'],
  [/\b(?:couple|bride and groom)\b/i, 'couple'],
  [/\b(?:room|hall|interior|church|stage)\b/i, 'hall'],
  [/\b(?:house|building|front|facade|castle)\b/i, 'buildingFront'],
  [/\b(?:car|van|truck|bus)\b/i, 'vehicle'],
  [/\b(?:boat|ship|ferry)\b/i, 'boat'],
  [/\b(?:heron|swan|goose|geese|eagle|stork)\b/i, 'largeBird'],
  [/\b(?:birds?|robin|tit|sparrow|kingfisher|gulls?)\b/i, 'smallBird'],
  [/\b(?:deer|horses?|cow|elk)\b/i, 'largeMammal'],
  [/\b(?:fox|hare|cat|dog|squirrel)\b/i, 'smallMammal'],
];

const BLUR = /\b(?:blur(?:red)?|blurry|bokeh|soft background)\b/i;
const SHARE = /(?<![\d.,])(\d{1,2}|100) ?%/;
const TIME = /(?<![\d/])1\/(\d{1,5})(?: ?s(?:ec(?:onds?)?)?)?\b/i;

/** What the words of a line of a shot list say besides its name; null for what they don't. */
export interface ShotWords {
  readonly scene: SceneKey | null;
  readonly subject: SubjectKey | null;
  /** Longest time, s. */
  readonly longestTimeS: number | null;
  /** Share of the pictures expected of it. */
  readonly sharePercent: number | null;
  /** Blur wanted behind it. */
  readonly blur: boolean;
}

/** English words; whoever writes in another language completes the pictures by hand. */
export function shotWords(line: string): ShotWords {
  const found = <T>(words: readonly (readonly [RegExp, T])[]) =>
    words.find(([pattern]) => pattern.test(line))?.[1] ?? null;
  const share = SHARE.exec(line)?.[1];
  const per = Number(TIME.exec(line)?.[1] ?? 0);
  return {
    scene: found(LIGHT),
    subject: found(THINGS),
    longestTimeS: per > 0 ? 1 / per : null,
    sharePercent: share === undefined ? null : Number(share),
    blur: BLUR.test(line),
  };
}

/** A line without its time and its share. */
export const withoutFigures = (line: string): string => line.replace(TIME, '').replace(SHARE, '');
