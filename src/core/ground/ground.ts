import * as z from 'zod';
import { frameId, shooterId, stationId, stretchId } from '@/core/brief';
import { itemId, itemName } from '@/core/gear';
import { broken } from '@/core/rule';

/** Widest plan, m: beyond it the ground is not flat to the centimetre any more. */
export const WIDEST_SHEET_M = 20_000;

const coordinateM = z.number().min(-WIDEST_SHEET_M).max(WIDEST_SHEET_M);
const heightM = z.number().min(-500).max(1000);
const lengthM = z.number().min(0.01).max(WIDEST_SHEET_M);

/** A point of the plan, m from its lower left corner: to the right, and up. */
export const point = z.strictObject({ xM: coordinateM, yM: coordinateM });
export type Point = z.infer<typeof point>;

/** Where someone may stand to photograph; also where a placed camera may be put. */
export const station = z.strictObject({
  id: stationId,
  name: itemName,
  at: point,
  /** Height of the camera above the ground of the plan, m. */
  cameraM: heightM,
  /** Who may stand there; empty for anyone who is not a placed camera. */
  shooterIds: z.array(shooterId).max(20),
  /** When one may stand there; empty for always. */
  stretchIds: z.array(stretchId).max(50),
});
export type Station = z.infer<typeof station>;

export const subjectId = itemId.brand<'GroundSubjectId'>();

/** What is photographed: at one point, along a line, or moving along a path. */
const groundSubject = z
  .strictObject({
    id: subjectId,
    name: itemName,
    kind: z.enum(['point', 'line', 'path']),
    points: z.array(point).min(1).max(50),
    /** Height of its middle above the ground of the plan, m. */
    middleM: heightM,
    /** Pictures that are of it: their distances follow the plan. */
    frameIds: z.array(frameId).max(500),
  })
  .refine((s) => (s.kind === 'point' ? s.points.length === 1 : s.points.length >= 2), {
    path: ['points'],
    ...broken({ rule: 'points-do-not-fit' }),
  });
export type GroundSubject = z.infer<typeof groundSubject>;

/** What stands in the way: thin along a line, or round about a point. */
export const obstacle = z
  .strictObject({
    id: itemId,
    name: itemName,
    kind: z.enum(['wall', 'people', 'pillar', 'tree']),
    points: z.array(point).min(1).max(50),
    /** Across, m, of what is round; what stands along a line is thin. */
    acrossM: lengthM,
    /** How high it reaches above the ground of the plan, m. */
    topM: heightM,
  })
  .refine((o) => (isRound(o.kind) ? o.points.length === 1 : o.points.length >= 2), {
    path: ['points'],
    ...broken({ rule: 'points-do-not-fit' }),
  });
export type Obstacle = z.infer<typeof obstacle>;

/** Whether an obstacle stands about a point; the others stand along a line. */
export const isRound = (kind: 'wall' | 'people' | 'pillar' | 'tree'): boolean =>
  kind === 'pillar' || kind === 'tree';

/** Where nobody may go. */
const closedGround = z.strictObject({
  id: itemId,
  name: itemName,
  points: z.array(point).min(3).max(50),
});
export type ClosedGround = z.infer<typeof closedGround>;

/** Most letters of a picture in its address: a million bytes, four letters for three. */
const MOST_LETTERS = 1_400_000;

/** A picture beneath the plan, kept in it: a floor plan, a view from the air. */
export const underlay = z.strictObject({
  /** PNG, JPEG or WebP as a data address. */
  image: z
    .string()
    .max(MOST_LETTERS)
    .regex(/^data:image\/(?:png|jpeg|webp);base64,[\d+/A-Za-z]+={0,2}$/),
  /** Its lower left corner as it lies unturned. */
  at: point,
  widthM: lengthM,
  heightM: lengthM,
  /** Turned clockwise about its middle, degrees. */
  turnDeg: z.number().min(0).max(360),
  /** How much the paper shows through, percent. */
  fadePercent: z.number().min(0).max(95),
});
export type Underlay = z.infer<typeof underlay>;

/** Most of each kind that a plan holds. */
const MOST = 60;

/** A plan to scale: where one may stand, what is photographed, what is in the way. */
export const ground = z.strictObject({
  widthM: lengthM,
  heightM: lengthM,
  /** Where north lies, degrees clockwise from the top of the plan. */
  northDeg: z.number().min(0).max(360),
  /** Where on Earth its middle lies, for the sun; null where that doesn't matter. */
  location: z
    .strictObject({
      latitudeDeg: z.number().min(-90).max(90),
      longitudeDeg: z.number().min(-180).max(180),
      /** By how much clocks there are ahead of UTC, minutes. */
      utcOffsetMin: z.number().int().min(-720).max(840),
    })
    .nullable(),
  underlay: underlay.nullable(),
  stations: z.array(station).max(MOST),
  subjects: z.array(groundSubject).max(MOST),
  obstacles: z.array(obstacle).max(MOST),
  closed: z.array(closedGround).max(MOST),
});
export type Ground = z.infer<typeof ground>;

/** A blank sheet. */
export const EMPTY_GROUND: Ground = {
  widthM: 60,
  heightM: 40,
  northDeg: 0,
  location: null,
  underlay: null,
  stations: [],
  subjects: [],
  obstacles: [],
  closed: [],
};
