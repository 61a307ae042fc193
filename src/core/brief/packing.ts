import * as z from 'zod';
import { GEAR_RANGES, itemId, itemName, lineOfText, within } from '@/core/gear';
import { stretchId } from './stretch';

const innerMm = z.number().min(10).max(2000);

/** A part of a bag by its inner size. */
export const compartment = z.strictObject({
  id: itemId,
  name: itemName,
  widthMm: innerMm,
  heightMm: innerMm,
  depthMm: innerMm,
});
export type Compartment = z.infer<typeof compartment>;

/** Something to pack that is neither body nor glass. */
export const packedThing = z.strictObject({
  id: itemId,
  name: itemName,
  weightG: within(GEAR_RANGES.weightG).nullable(),
});
export type PackedThing = z.infer<typeof packedThing>;

const itemWeight = within(GEAR_RANGES.weightG).nullable();

/** What each of the things to pack weighs that are not on the shelf, g; null for not known. */
const packedWeights = z.strictObject({
  batteryG: itemWeight,
  cardG: itemWeight,
  tripodG: itemWeight,
  monopodG: itemWeight,
  filterG: itemWeight,
  flashG: itemWeight,
  rainG: itemWeight,
  headlampG: itemWeight,
  powerBankG: itemWeight,
});
export type PackedWeights = z.infer<typeof packedWeights>;

/** How batteries are filled on the way. */
export const charging = z.discriminatedUnion('kind', [
  z.strictObject({ kind: z.literal('nightly') }),
  z.strictObject({ kind: z.literal('none') }),
  z.strictObject({ kind: z.literal('powerBank'), charges: z.number().int().min(1).max(200) }),
]);
export type Charging = z.infer<typeof charging>;

/** What was carried, kept so that photographs are held against it however the outing is edited later. */
export const carried = z.strictObject({
  /** The day on which it was said, by the clock of the machine. */
  day: z.iso.date(),
  /** Ids of all that was in the lineup. */
  itemIds: z.array(itemId).max(200),
  /** Lens changes of the plan; null where there was none yet. */
  changes: z.number().int().min(0).max(1_000_000).nullable(),
});
export type Carried = z.infer<typeof carried>;

/** What the plan of carrying and packing goes by, besides the outing itself. */
export const packing = z.strictObject({
  /** Pictures expected over the whole outing; null for what is usual for its length. */
  pictures: z.number().int().min(0).max(200_000).nullable(),
  /** Share of a battery's charge that cold takes in cold stretches, percent. */
  coldPercent: z.number().min(0).max(90),
  /** Where the things stay that a stretch does not need. */
  base: lineOfText(80),
  bagWeightG: within(GEAR_RANGES.weightG).nullable(),
  /** Most that is carried at any moment by one person, g; null for no limit. */
  maxWeightG: z.number().min(0).max(200_000).nullable(),
  compartments: z.array(compartment).max(20),
  /** Stretches in which the pictures may be made in any order. */
  anyOrder: z.array(stretchId).max(50),
  /** Fewer changes or less weight first, where both cannot be had. */
  prefer: z.enum(['changes', 'weight']),
  things: z.array(packedThing).max(100),
  charging,
  /** One spare card for all bodies that take the same kind, or one for each body. */
  spareCards: z.enum(['shared', 'each']),
  weights: packedWeights,
  /** Ids of packed things that are ticked off. */
  ticked: z.array(z.string().max(120)).max(500),
  /** What was carried; null while the lineup in sight stands for it. */
  carried: carried.nullable(),
});
export type Packing = z.infer<typeof packing>;

/** Usual weights of small things, g. Common practice, no source: weigh your own. */
const USUAL_WEIGHTS: PackedWeights = {
  batteryG: 80,
  cardG: 5,
  tripodG: 1500,
  monopodG: 600,
  filterG: 40,
  flashG: 400,
  rainG: 150,
  headlampG: 90,
  powerBankG: 350,
};

export const DEFAULT_PACKING: Packing = {
  pictures: null,
  coldPercent: 0,
  base: '',
  bagWeightG: null,
  maxWeightG: null,
  compartments: [],
  anyOrder: [],
  prefer: 'changes',
  things: [],
  charging: { kind: 'nightly' },
  spareCards: 'shared',
  weights: USUAL_WEIGHTS,
  ticked: [],
  carried: null,
};
