import { ev100OfSource, type Frame, type SceneKey } from '@/core/brief';
import { isDisc } from './figureOf';

/** The light that a scene is drawn in. */
export type Mood = 'day' | 'dusk' | 'night' | 'indoors';

/** Tones of a drawing, as colours of the theme. */
export interface Tones {
  readonly sky: string;
  readonly far: string;
  readonly mid: string;
  readonly ground: string;
  readonly figure: string;
  /** Strokes on the figure. */
  readonly detail: string;
  /** Lamps, windows and stars. */
  readonly lamp: string;
}

const tone = (n: 0 | 1 | 2 | 3 | 4 | 5 | 6) => `var(--tone-${n})`;

export const TONES: Readonly<Record<Mood, Tones>> = {
  day: {
    sky: tone(0),
    far: tone(1),
    mid: tone(2),
    ground: tone(1),
    figure: tone(5),
    detail: tone(1),
    lamp: tone(0),
  },
  dusk: {
    sky: tone(2),
    far: tone(3),
    mid: tone(4),
    ground: tone(3),
    figure: tone(6),
    detail: tone(3),
    lamp: tone(0),
  },
  night: {
    sky: tone(6),
    far: tone(5),
    mid: tone(5),
    ground: tone(5),
    figure: tone(3),
    detail: tone(6),
    lamp: tone(0),
  },
  indoors: {
    sky: tone(2),
    far: tone(3),
    mid: tone(3),
    ground: tone(1),
    figure: tone(6),
    detail: tone(2),
    lamp: tone(0),
  },
};

const INDOORS: ReadonlySet<SceneKey> = new Set([
  'brightInterior',
  'homeInterior',
  'stage',
  'dimHall',
  'candlelight',
]);
const DARK: ReadonlySet<SceneKey> = new Set(['nightStreet', 'fullMoonLandscape', 'starrySky']);

/** From here on it is day, from there on dusk; what is darker is night. EV at ISO 100, common practice, no source. */
const DAY_EV = 9.5;
const DUSK_EV = 2;

/** The mood of a frame: by the scene that its light is given as, else by how bright it is. */
export function moodOf({
  need,
  light: { source },
  subject,
}: Pick<Frame, 'need' | 'light' | 'subject'>): Mood {
  // What lights the moon is not what lights the sky around it.
  if (isDisc(need)) return 'night';
  if (source.kind === 'scene') {
    if (INDOORS.has(source.scene)) return 'indoors';
    if (DARK.has(source.scene)) return 'night';
  }
  if (subject === 'hall') return 'indoors';
  const ev100 = ev100OfSource(source);
  if (ev100 === null || ev100 >= DAY_EV) return 'day';
  return ev100 >= DUSK_EV ? 'dusk' : 'night';
}
