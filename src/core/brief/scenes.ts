/**
 * Typical light by scene, EV at ISO 100. Scenes vary by a stop and more; each is a starting value.
 *
 * Source: photographic exposure guide (ANSI PH2.7, 1973/1986), recalled from memory; the rows
 * marked `practice` are common practice, no source.
 */
export const SCENES = [
  { key: 'snowOrSandInSun', ev100: 16, basis: 'guide' },
  { key: 'fullSun', ev100: 15, basis: 'guide' },
  { key: 'hazySun', ev100: 14, basis: 'guide' },
  { key: 'cloudyBright', ev100: 13, basis: 'guide' },
  { key: 'heavyOvercast', ev100: 12, basis: 'guide' },
  { key: 'justAfterSunset', ev100: 10, basis: 'guide' },
  { key: 'dusk', ev100: 6, basis: 'practice' },
  { key: 'brightInterior', ev100: 8, basis: 'practice' },
  { key: 'homeInterior', ev100: 6, basis: 'guide' },
  { key: 'floodlitSport', ev100: 9, basis: 'guide' },
  { key: 'stage', ev100: 8.5, basis: 'guide' },
  { key: 'dimHall', ev100: 5, basis: 'practice' },
  { key: 'candlelight', ev100: 4, basis: 'guide' },
  { key: 'nightStreet', ev100: 7, basis: 'guide' },
  { key: 'fullMoonLandscape', ev100: -2.5, basis: 'guide' },
  { key: 'starrySky', ev100: -6.5, basis: 'practice' },
] as const;

export type SceneKey = (typeof SCENES)[number]['key'];
