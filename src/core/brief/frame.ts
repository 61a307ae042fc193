import * as z from 'zod';
import { itemId, itemName } from '@/core/gear';
import { light } from './light';
import { shooterId, stationId, stretchId } from './stretch';
import { SUBJECT_KEYS } from './subjects';
import { broken } from '@/core/rule';

export const frameId = itemId.brand<'FrameId'>();
export type FrameId = z.infer<typeof frameId>;

/**
 * held: the subject may be anywhere in the range, every distance must be framed;
 * free: one distance in the range is enough; flowing: every distance, on one setup.
 */
export const footing = z.enum(['held', 'free', 'flowing']);
export type Footing = z.infer<typeof footing>;

export const orientation = z.enum(['landscape', 'portrait', 'either']);
export type Orientation = z.infer<typeof orientation>;

/** Share of the picture's tighter side that the subject may take. */
const fill = z
  .strictObject({ min: z.number().min(0.005).max(2), max: z.number().min(0.005).max(2) })
  .refine((f) => f.min <= f.max, {
    path: ['max'],
    ...broken({ rule: 'most-below-least' }),
  });

const distanceM = z.number().min(0.01).max(100_000);
const sizeM = z.number().min(0.0005).max(20_000).nullable();
const angleDeg = z.number().min(0.05).max(170);

const subjectNeed = z
  .strictObject({
    kind: z.literal('subject'),
    widthM: sizeM,
    heightM: sizeM,
    fromM: distanceM,
    toM: distanceM,
    fill,
    orientation,
    footing,
  })
  .refine((n) => n.widthM !== null || n.heightM !== null, {
    path: ['heightM'],
    ...broken({ rule: 'no-width-or-height' }),
  })
  .refine((n) => n.fromM <= n.toM, {
    path: ['toM'],
    ...broken({ rule: 'farthest-nearer' }),
  });

const farNeed = z
  .strictObject({
    kind: z.literal('far'),
    widthDeg: angleDeg.nullable(),
    heightDeg: angleDeg.nullable(),
    fill,
    orientation,
  })
  .refine((n) => n.widthDeg !== null || n.heightDeg !== null, {
    path: ['widthDeg'],
    ...broken({ rule: 'no-width-or-height' }),
  });

const focalNeed = z
  .strictObject({
    kind: z.literal('focal'),
    fromMm: z.number().min(2).max(5000),
    toMm: z.number().min(2).max(5000),
    footing,
    /** Where the subject stands, m from the sensor; null for far away. */
    atM: distanceM.nullable(),
  })
  .refine((n) => n.fromMm <= n.toMm, {
    path: ['toMm'],
    ...broken({ rule: 'long-end-shorter' }),
  });

const angleNeed = z
  .strictObject({
    kind: z.literal('angle'),
    fromDeg: angleDeg,
    toDeg: angleDeg,
    across: z.enum(['diagonal', 'width', 'height']),
    footing,
    /** Where the subject stands, m from the sensor; null for far away. */
    atM: distanceM.nullable(),
  })
  .refine((n) => n.fromDeg >= n.toDeg, {
    path: ['toDeg'],
    ...broken({ rule: 'wider-than-wide-end' }),
  });

/** A picture by a fisheye: the whole circle in the frame, or the frame filled to its corners. */
const fisheyeNeed = z.strictObject({
  kind: z.literal('fisheye'),
  coverage: z.enum(['circular', 'full-frame']),
});

/** What must fit: a subject at distances, an angle at infinity, a range given directly, a fisheye's. */
export const need = z.discriminatedUnion('kind', [
  subjectNeed,
  farNeed,
  focalNeed,
  angleNeed,
  fisheyeNeed,
]);
export type Need = z.infer<typeof need>;

/** Depth that must be sharp: rows behind the subject's front, or all between two distances. */
const sharpDepth = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('rows'), depthM: z.number().min(0.001).max(1000) }),
  z
    .strictObject({
      kind: z.literal('zone'),
      fromM: distanceM,
      /** null for the horizon. */
      toM: distanceM.nullable(),
    })
    .refine((d) => d.toM === null || d.fromM <= d.toM, {
      path: ['toM'],
      ...broken({ rule: 'farthest-nearer' }),
    }),
]);
export type SharpDepth = z.infer<typeof sharpDepth>;

export const depth = z.strictObject({
  sharp: sharpDepth.nullable(),
  /** Blur wanted behind the subject: the disc of a point so far behind, percent of the diagonal. */
  blur: z
    .strictObject({
      behindM: z.number().min(0.01).max(100_000).nullable(),
      percent: z.number().min(0.01).max(100),
    })
    .nullable(),
});
export type Depth = z.infer<typeof depth>;

/** What the lens must be able to do besides. */
export const special = z.strictObject({
  /** Smallest magnification on the sensor; null for none. */
  magnification: z.number().min(0.001).max(20).nullable(),
  perspectiveControl: z.boolean(),
  /** A filter in front of the lens, or dropped into the adapter behind it. */
  frontFilter: z.boolean(),
  autofocus: z.boolean(),
  sealed: z.boolean(),
  /** Least grade of the lens, in the person's own judgement; null for none. */
  leastGrade: z.enum(['good', 'first-class']).nullable(),
});
export type Special = z.infer<typeof special>;
export const NOTHING_SPECIAL: Special = {
  magnification: null,
  perspectiveControl: false,
  frontFilter: false,
  autofocus: false,
  sealed: false,
  leastGrade: null,
};

/** The picture is cut to the shape of the output, not only left with so many pixels. */
const cut = z.boolean();

/** What the picture is for, and so how many pixels must be left after cropping. */
export const output = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('uncropped') }),
  z.strictObject({
    kind: z.literal('pixels'),
    longPx: z.number().int().min(50).max(100_000),
    shortPx: z.number().int().min(50).max(100_000),
    cut,
  }),
  z.strictObject({
    kind: z.literal('print'),
    longMm: z.number().min(10).max(20_000),
    shortMm: z.number().min(10).max(20_000),
    dpi: z.number().min(30).max(1200),
    cut,
  }),
]);
export type Output = z.infer<typeof output>;

export const want = z.enum(['must', 'want', 'bonus']);
export type Want = z.infer<typeof want>;

/** The distances as another shooter has them from her place. */
export const view = z
  .strictObject({ shooterId: shooterId, fromM: distanceM, toM: distanceM })
  .refine((v) => v.fromM <= v.toM, {
    path: ['toM'],
    ...broken({ rule: 'farthest-nearer' }),
  });
export type View = z.infer<typeof view>;

/** The distances as the plan of the ground has them from one station, and who may stand there when. */
export const standpoint = z.strictObject({
  stationId,
  /** Empty for anyone who is not a placed camera. */
  shooterIds: z.array(shooterId).max(20),
  stretchIds: z.array(stretchId).max(50),
  /** Nearest and farthest of what is in sight, m from the camera. */
  fromM: distanceM,
  toM: distanceM,
  /** How much of it is in sight, percent of its length. */
  seenPercent: z.number().int().min(0).max(100),
});
export type Standpoint = z.infer<typeof standpoint>;

/**
 * How a picture that cannot be repeated is covered twice. bodies: by two lenses on two bodies;
 * people: by people from their own places, all of those named, or any two.
 */
export const twice = z.discriminatedUnion('by', [
  z.strictObject({ by: z.literal('bodies') }),
  z.strictObject({ by: z.literal('people'), shooterIds: z.array(shooterId).max(20) }),
]);
export type BackupRule = z.infer<typeof twice>;

/** Whether a picture is asked for twice; one by a single named person is asked for once, by her. */
export function isAskedTwice({ twice: rule }: Pick<Frame, 'twice'>): boolean {
  return rule !== null && (rule.by === 'bodies' || rule.shooterIds.length !== 1);
}

/** One wanted picture. */
export const frame = z
  .strictObject({
    id: frameId,
    name: itemName,
    /** Which everyday subject it is; null for one of the person's own. */
    subject: z.enum(SUBJECT_KEYS).nullable(),
    want,
    sharePercent: z.number().min(0).max(100).nullable(),
    /** Stretches in which it can be made; empty for any. */
    stretchIds: z.array(stretchId).max(50),
    /** Shooters who may make it; empty for any. */
    shooterIds: z.array(shooterId).max(20),
    /** Where another shooter stands nearer or farther; only for a subject at a distance. */
    views: z.array(view).max(20),
    /** Where it can be made from, as measured on the ground; empty where the distances are typed. */
    standpoints: z.array(standpoint).max(60),
    /** It cannot be repeated and needs a backup; null where once is enough. */
    twice: twice.nullable(),
    need,
    /** Whether the distances are the person's; where they are not, the picture isn't asked for yet. */
    distanceKnown: z.boolean(),
    light,
    depth,
    special,
    output,
    note: z.string().max(2000),
  })
  .superRefine((f, context) => {
    if (f.need.kind === 'subject') return;
    for (const path of subjectOnly(f)) {
      context.addIssue({ code: 'custom', path, ...broken({ rule: 'needs-subject' }) });
    }
  });

/** Wishes that only make sense for a subject at a distance, by their paths. */
function subjectOnly(f: {
  readonly depth: Depth;
  readonly special: Special;
  readonly views: readonly View[];
}): string[][] {
  return [
    ...(f.depth.sharp?.kind === 'rows' ? [['depth', 'sharp']] : []),
    ...(f.depth.blur === null ? [] : [['depth', 'blur']]),
    ...(f.special.magnification === null ? [] : [['special', 'magnification']]),
    ...(f.views.length === 0 ? [] : [['views']]),
  ];
}

export type Frame = z.infer<typeof frame>;

/** Footing of any kind of need; what has a single place asks for that one. */
export function footingOf(n: Need): Footing {
  return n.kind === 'far' || n.kind === 'fisheye' ? 'free' : n.footing;
}

/** Whether a picture can be made from a standpoint: all of it is in sight, or some where that is enough. */
export function isInSight({ need: n }: Pick<Frame, 'need'>, { seenPercent }: Standpoint): boolean {
  return footingOf(n) === 'free' ? seenPercent > 0 : seenPercent === 100;
}

/** Whether a standpoint has to do with a picture: someone who may make it may stand there in a stretch of it. */
export function concerns(
  of: Pick<Frame, 'shooterIds' | 'stretchIds'>,
  { shooterIds, stretchIds }: Standpoint,
): boolean {
  const meet = (a: readonly string[], b: readonly string[]) =>
    a.length === 0 || b.length === 0 || a.some((id) => b.includes(id));
  return meet(shooterIds, of.shooterIds) && meet(stretchIds, of.stretchIds);
}

/** Distances of a subject, m. */
interface Distances {
  readonly fromM: number;
  readonly toM: number;
}

/** From how far a picture may be made at all: as measured from its stations, else as it is typed. */
export function askedDistances(
  frame: Pick<Frame, 'need' | 'views' | 'standpoints' | 'shooterIds' | 'stretchIds'>,
): readonly Distances[] {
  const { need: n, views, standpoints } = frame;
  if (n.kind !== 'subject') return [];
  const own = standpoints.filter((s) => isInSight(frame, s) && concerns(frame, s));
  return own.length > 0 ? own : [{ fromM: n.fromM, toM: n.toM }, ...views];
}

/** The frames that say enough to be asked for. */
export function completeFrames(frames: readonly Frame[]): readonly Frame[] {
  return frames.every((f) => f.distanceKnown) ? frames : frames.filter((f) => f.distanceKnown);
}
