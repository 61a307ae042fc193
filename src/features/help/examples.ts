import { DEFAULT_LIMITS, type Frame, frameId } from '@/core/brief';
import { bodyId, lensId, setupOfStack } from '@/core/gear';
import { EMPTY_OUTING, newFrame, newItem, NO_GEAR, type OutingFile } from '@/document';
import type { Lanes } from '@/parts/lanes';
import { placeOf, type Score, type ScoreNote } from '@/parts/score';
import { helpText } from '@/text';

const t = helpText.example;
const MOUNT = 'M';

const lens = {
  ...newItem('lenses', NO_GEAR, { name: t.normal, mount: MOUNT }),
  id: lensId.parse('standard'),
  focal: { wideMm: 24, longMm: 105 },
  apertures: [
    { focalMm: 24, fNumber: 4 },
    { focalMm: 105, fNumber: 4 },
  ],
};
const body = {
  ...newItem('bodies', NO_GEAR, { name: t.camera, mount: MOUNT }),
  id: bodyId.parse('camera'),
  sensor: { widthMm: 36, heightMm: 24, pixelsWide: 6000, pixelsHigh: 4000 },
};

/** One person at 4 to 12 m, in daylight. */
export const PICTURE: Frame = {
  ...newFrame([], t.picture),
  subject: 'standingPerson',
  need: {
    kind: 'subject',
    widthM: null,
    heightM: 1.8,
    fromM: 4,
    toM: 12,
    fill: { min: 0.4, max: 0.8 },
    orientation: 'landscape',
    footing: 'held',
  },
};
export const SETUP = setupOfStack(
  { ...NO_GEAR, bodies: [body], lenses: [lens] },
  {
    bodyId: body.id,
    lensId: lens.id,
    adapterId: null,
    converterId: null,
    tubeId: null,
    builtIn: false,
  },
);
export const LIMITS = DEFAULT_LIMITS;

const AXIS = { fromMm: 12, toMm: 500 };

const zoom = (
  id: string,
  name: string,
  wideMm: number,
  longMm: number,
  fNumber: number,
  weightG: number,
) => ({
  ...newItem('lenses', NO_GEAR, { name, mount: MOUNT }),
  id: lensId.parse(id),
  focal: { wideMm, longMm },
  apertures: [
    { focalMm: wideMm, fNumber },
    { focalMm: longMm, fNumber },
  ],
  minFocusM: 0.5,
  weightG,
});

const wish = (id: string, name: string, widthM: number, atM: number): Frame => ({
  ...newFrame([], name),
  id: frameId.parse(id),
  name,
  distanceKnown: true,
  want: 'must',
  need: {
    kind: 'subject',
    widthM,
    heightM: null,
    fromM: atM,
    toM: atM,
    fill: { min: 0.5, max: 0.95 },
    orientation: 'landscape',
    footing: 'held',
  },
});

/** The picture whose distance the reader changes. */
export const MOVED = frameId.parse('face');

/** Three wishes and three lenses; the face is so far away, m. No picture may be cropped. */
export const workedOuting = (faceM: number): OutingFile => ({
  ...EMPTY_OUTING,
  frames: [
    wish('room', t.room, 9, 5),
    wish('group', t.group, 2, 5),
    wish(MOVED, t.face, 0.6, faceM),
  ],
  shelf: {
    ...NO_GEAR,
    bodies: [{ ...body, weightG: 700 }],
    lenses: [
      zoom('wide', t.wide, 16, 35, 4, 480),
      zoom('standard', t.normal, 24, 105, 4, 600),
      zoom('long', t.long, 70, 200, 2.8, 1400),
    ],
  },
  limits: { ...DEFAULT_LIMITS, maxCrop: 1 },
});

const note = (
  id: string,
  equivalentMm: number,
  change: Partial<ScoreNote> = {},
): Omit<ScoreNote, 'cover'> => ({
  frameId: frameId.parse(id),
  equivalentMm,
  isOnly: false,
  isProof: false,
  shownAt: placeOf(AXIS, equivalentMm),
  level: 0,
  ...change,
});
const only = { isOnly: true, isProof: true };

/** Three lenses that are all needed. */
export const SCORE: Score<Omit<ScoreNote, 'cover'>> = {
  ...AXIS,
  lines: [
    {
      lensId: lensId.parse('wide'),
      bare: { fromMm: 15, toMm: 30 },
      converted: null,
      cropped: { fromMm: 30, toMm: 45 },
      notes: [note('a', 18, only), note('b', 27)],
    },
    {
      lensId: lensId.parse('standard'),
      bare: { fromMm: 24, toMm: 105 },
      converted: null,
      cropped: { fromMm: 105, toMm: 157 },
      notes: [note('b', 27), note('c', 60, only), note('d', 100)],
    },
    {
      lensId: lensId.parse('long'),
      bare: { fromMm: 70, toMm: 200 },
      converted: { fromMm: 98, toMm: 280 },
      cropped: { fromMm: 280, toMm: 420 },
      notes: [note('d', 100), note('e', 260, only)],
    },
  ],
};
/** Stops of light below f/2, as heights on the chart. */
const stopOf = (fNumber: number) => 2 * Math.log2(fNumber / 2);

/** The same lenses on the chart of Reach, with a picture that they cover and one too dark for them. */
export const REACH = {
  fromMm: 12,
  toMm: 500,
  fastestStop: stopOf(1.6),
  slowestStop: stopOf(6.7),
  ticksMm: [15, 24, 35, 70, 100, 200, 400],
  stops: [2, 2.8, 4, 5.6].map((fNumber) => ({ fNumber, stop: stopOf(fNumber) })),
  bands: [
    { lensId: 'wide', fromMm: 15, toMm: 30, stop: stopOf(2.8) },
    { lensId: 'standard', fromMm: 24, toMm: 105, stop: stopOf(4) },
    { lensId: 'long', fromMm: 70, toMm: 200, stop: stopOf(2.8) },
  ],
  pictures: [
    { name: t.coveredPicture, fromMm: 35, toMm: 90, stop: stopOf(5.6), covered: true },
    { name: t.tooDark, fromMm: 40, toMm: 60, stop: stopOf(2), covered: false },
  ],
} as const;
export const LENS_NAMES: Readonly<Record<string, string>> = {
  wide: t.wide,
  standard: t.normal,
  long: t.long,
};

const thirds = [0, 40, 60, 100] as const;
const stretches = ['morning', 'boat', 'evening'] as const;
const part = (i: 0 | 1 | 2) => ({
  stretchId: stretches[i],
  from: thirds[i],
  to: thirds[(i + 1) as 1 | 2 | 3],
});

/** A day with a boat trip on which nothing is changed. */
export const DAY: Lanes = {
  timed: false,
  stretches: [
    { ...part(0), mayChange: true, handovers: [] },
    { ...part(1), mayChange: false, handovers: [] },
    { ...part(2), mayChange: true, handovers: [] },
  ],
  lanes: [
    {
      bodyId: 'camera',
      shooterId: null,
      placed: false,
      bars: [
        { ...part(0), to: 22, pieceIds: ['wide'], isChange: false },
        { ...part(0), from: 22, pieceIds: ['standard'], isChange: true },
        { ...part(1), pieceIds: ['standard'], isChange: false },
        { ...part(2), pieceIds: ['wide'], isChange: true },
      ],
    },
    {
      bodyId: 'second',
      shooterId: null,
      placed: false,
      bars: [
        { ...part(0), pieceIds: ['long'], isChange: false },
        { ...part(1), pieceIds: ['long'], isChange: false },
      ],
    },
  ],
  loads: [
    {
      shooterId: null,
      steps: [
        { ...part(0), weightG: 3900, bag: ['standard'] },
        { ...part(1), weightG: 3300, bag: [] },
        { ...part(2), weightG: 1500, bag: [] },
      ],
    },
  ],
};
export const DAY_NAMES: Readonly<Record<string, string>> = {
  ...LENS_NAMES,
  camera: t.camera,
  second: t.second,
  morning: t.morning,
  boat: t.boat,
  evening: t.evening,
};
export const CARRY_LIMIT_G = 4500;
