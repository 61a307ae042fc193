import {
  type Footing,
  type Frame,
  frame,
  type Light,
  type Limits,
  NOTHING_SPECIAL,
  type Orientation,
  type SceneKey,
  type Special,
  type Stretch,
  type SubjectKey,
  SUBJECTS,
  type Want,
} from '@/core/brief';

/** One wanted picture of a starter brief, with only what is not usual said. */
export interface Shot {
  /** The id of its frame; its name stands in the texts. */
  readonly key: string;
  readonly want: Want;
  /** An everyday subject, a size in m (width, height), an angle at infinity, or a fisheye's picture. */
  readonly of:
    | SubjectKey
    | { readonly widthM: number | null; readonly heightM: number | null }
    | { readonly widthDeg: number }
    | { readonly fisheye: 'circular' | 'full-frame' };
  /** Distances, m; nothing for what is far. */
  readonly at?: readonly [number, number];
  readonly fill?: readonly [number, number];
  readonly footing?: Footing;
  readonly upright?: Orientation;
  readonly light: SceneKey;
  /** Longest time, as the number under one second: 250 for 1/250 s. */
  readonly per?: number;
  readonly support?: boolean;
  readonly moves?: readonly [number, 'across' | 'diagonal' | 'toward'];
  readonly stars?: boolean;
  readonly rowsM?: number;
  readonly sharpFromM?: number;
  readonly blurPercent?: number;
  readonly wishes?: Partial<Special>;
  readonly twice?: boolean;
  /** Shortest time that shows the movement wanted, s. */
  readonly slowS?: number;
  /** Which of the brief's stretches. */
  readonly stretch?: string;
}

/** A genre's brief: pictures, stretches, limits and cautions to start from. */
export interface Starter {
  readonly key: string;
  readonly stretches?: readonly (Partial<Omit<Stretch, 'id' | 'name'>> & {
    readonly key: string;
  })[];
  readonly limits?: Partial<Limits>;
  readonly shots: readonly Shot[];
}

/** What is said of a starter brief; stretches, shots and notes by their keys. */
export interface StarterText {
  readonly name: string;
  readonly about: string;
  /** What to keep in mind; local rules and the people in charge come first. */
  readonly caution: string;
  readonly stretches?: Readonly<Record<string, string>>;
  readonly shots: Readonly<Record<string, string>>;
  readonly notes?: Readonly<Record<string, string>>;
}

const OUTPUT = { kind: 'pixels', longPx: 3000, shortPx: 2000, cut: false } as const;
const USUAL_FILL = [0.5, 0.9] as const;

/** The frame that a shot stands for. */
export function frameOf(shot: Shot, { shots, notes }: StarterText): Frame {
  return frame.parse({
    id: shot.key,
    name: shots[shot.key],
    want: shot.want,
    sharePercent: null,
    stretchIds: shot.stretch === undefined ? [] : [shot.stretch],
    shooterIds: [],
    views: [],
    standpoints: [],
    subject: typeof shot.of === 'string' ? shot.of : null,
    twice: shot.twice ? { by: 'bodies' } : null,
    need: needOf(shot),
    distanceKnown: true,
    light: lightOf(shot),
    depth: {
      sharp:
        shot.rowsM !== undefined
          ? { kind: 'rows', depthM: shot.rowsM }
          : shot.sharpFromM !== undefined
            ? { kind: 'zone', fromM: shot.sharpFromM, toM: null }
            : null,
      blur: shot.blurPercent === undefined ? null : { behindM: 8, percent: shot.blurPercent },
    },
    special: { ...NOTHING_SPECIAL, ...shot.wishes },
    output: OUTPUT,
    note: notes?.[shot.key] ?? '',
  });
}

function needOf({
  of,
  at = [3, 6],
  fill = USUAL_FILL,
  footing = 'free',
  upright = 'either',
}: Shot) {
  const shares = { min: fill[0], max: fill[1] };
  if (typeof of === 'object' && 'fisheye' in of) return { kind: 'fisheye', coverage: of.fisheye };
  if (typeof of === 'object' && 'widthDeg' in of)
    return {
      kind: 'far',
      widthDeg: of.widthDeg,
      heightDeg: null,
      fill: { min: 0.85, max: 1 },
      orientation: 'landscape',
    };
  const size = typeof of === 'object' ? of : SUBJECTS.find((s) => s.key === of);
  return {
    kind: 'subject',
    widthM: size?.widthM ?? null,
    heightM: size?.heightM ?? null,
    fromM: at[0],
    toM: at[1],
    fill: shares,
    orientation: upright,
    footing,
  };
}

function lightOf({ light, per, slowS, support = false, moves, stars = false }: Shot): Light {
  return {
    source: { kind: 'scene', scene: light },
    isoCeiling: null,
    longestTimeS: per === undefined ? null : 1 / per,
    shortestTimeS: slowS ?? null,
    support: support ? 'support' : 'hand',
    movement:
      moves === undefined
        ? null
        : { speedMps: moves[0], direction: moves[1], blur: { kind: 'share', percent: 0.1 } },
    stars: stars ? { declinationDeg: 0, trailPx: 4 } : null,
    flash: null,
  };
}
