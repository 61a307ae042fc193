import { ev100OfSource, type Frame, type FrameId } from '@/core/brief';
import { type Body, piecesOf } from '@/core/gear';
import type { CarryPlan, CarryQuestion } from './plan';

/** A line of the packing list, with the figures that it was worked out from. */
export type PackingLine = { readonly id: string; readonly count: number } & (
  | { readonly code: 'body' | 'piece' }
  | {
      readonly code: 'batteries';
      readonly bodyId: string;
      readonly pictures: number;
      readonly picturesPerCharge: number;
      readonly coldPercent: number;
      readonly days: number;
    }
  | {
      readonly code: 'cards';
      readonly bodyId: string;
      readonly pictures: number;
      readonly fileMb: number;
      readonly slots: number;
      /** Cards after one another in each slot; 1 unless the largest does not hold everything. */
      readonly aSlot: number;
      /** What each slot must hold, and the usual size of card that does, GB. */
      readonly neededGb: number;
      readonly cardGb: number;
    }
  | { readonly code: 'tripod'; readonly frameIds: readonly FrameId[]; readonly loadG: number }
  | { readonly code: 'monopod'; readonly loadG: number }
  | { readonly code: 'rain' | 'dust'; readonly stretchIds: readonly string[] }
  | { readonly code: 'filters'; readonly threadMm: number; readonly frameIds: readonly FrameId[] }
  | { readonly code: 'step-up-ring'; readonly fromMm: number; readonly toMm: number }
  | { readonly code: 'flash'; readonly frameIds: readonly FrameId[]; readonly guideNumberM: number }
  | { readonly code: 'flash-batteries'; readonly pictures: number }
  | { readonly code: 'headlamp'; readonly frameIds: readonly FrameId[] }
  | { readonly code: 'thing'; readonly name: string; readonly weightG: number | null }
  | { readonly code: 'unknown-charge' | 'unknown-file'; readonly bodyId: string }
);

/** Pictures expected for each frame where the person says nothing. Common practice, no source. */
export const USUAL_PICTURES_A_FRAME = 40;
/** A set of flash batteries lasts about so many flashes. Common practice, no source. */
const FLASHES_A_SET = 150;
/** From here a setup is not held by hand for more than minutes, g. Common practice, no source. */
const HEAVY_SETUP_G = 3000;
/** Darker than this one needs light for one's own hands. Common practice, no source. */
const DARK_EV100 = 2;
/** Sizes that cards are sold in, GB. */
const LARGEST_CARD_GB = 2048;
const CARD_SIZES_GB = [32, 64, 128, 256, 512, 1024, LARGEST_CARD_GB] as const;
const MB_PER_GB = 1000;

/** Everything to pack, worked out from the plan, in the order in which one packs. */
export function packingList(question: CarryQuestion, plan: CarryPlan): PackingLine[] {
  const used = usedIn(plan);
  const bodies = question.shelf.bodies.filter((b) => used.has(b.id));
  const pieces = piecesOf(question.shelf).filter((p) => used.has(p.id));
  const frames = question.frames.filter((f) =>
    plan.stretches.some((s) =>
      s.hands.some((h) => h.doings.some((d) => d.kind === 'frame' && d.frameId === f.id)),
    ),
  );
  return [
    ...bodies.map((b): PackingLine => ({ id: b.id, code: 'body', count: 1 })),
    ...pieces.map((p): PackingLine => ({ id: p.id, code: 'piece', count: 1 })),
    ...powerAndCards(question, plan, bodies),
    ...supports(question, plan, frames),
    ...weatherThings(question),
    ...filters(question, plan, frames),
    ...flashes(question, plan, frames),
    ...question.packing.things.map((t): PackingLine => ({ ...t, code: 'thing', count: 1 })),
  ];
}

function usedIn(plan: CarryPlan): Set<string> {
  return new Set(
    plan.stretches.flatMap((s) =>
      s.hands.flatMap((h) => [
        ...h.start.flatMap((o) => [o.bodyId as string, ...o.pieceIds]),
        ...h.bag,
        ...h.doings.flatMap((d) =>
          d.kind === 'put' ? [d.on.bodyId as string, ...d.on.pieceIds] : [],
        ),
      ]),
    ),
  );
}

/** Pictures that each body makes: the frames it makes, by their shares where they are stated. */
function picturesOf({ frames, packing }: CarryQuestion, plan: CarryPlan): Map<string, number> {
  const total = packing.pictures ?? USUAL_PICTURES_A_FRAME * frames.length;
  const stated = frames.flatMap((f) => (f.sharePercent === null ? [] : [f.sharePercent]));
  const mean = stated.length > 0 ? stated.reduce((a, b) => a + b, 0) / stated.length : 1;
  const shareOf = (id: FrameId) => frames.find((f) => f.id === id)?.sharePercent ?? mean;
  const made = plan.stretches.flatMap((s) =>
    s.hands.flatMap((h) =>
      h.doings.flatMap((d) => (d.kind === 'frame' ? d.with.map((o) => [d, o] as const) : [])),
    ),
  );
  const shares = new Map<string, number>();
  for (const [doing, { bodyId }] of made)
    shares.set(bodyId, (shares.get(bodyId) ?? 0) + shareOf(doing.frameId));
  const sum = [...shares.values()].reduce((a, b) => a + b, 0);
  return new Map([...shares].map(([id, share]) => [id, sum > 0 ? (total * share) / sum : 0]));
}

/**
 * Batteries for the busiest day, charged every night, and one spare a body; one card a slot, which
 * all hold everything, and one spare.
 */
function powerAndCards(
  question: CarryQuestion,
  plan: CarryPlan,
  bodies: readonly Body[],
): PackingLine[] {
  const pictures = picturesOf(question, plan);
  const days = Math.max(1, new Set(question.stretches.flatMap((s) => s.day ?? [])).size);
  const { coldPercent } = question.packing;
  return bodies.flatMap((body): PackingLine[] => {
    const own = Math.ceil(pictures.get(body.id) ?? 0);
    const lines: PackingLine[] = [];
    const { picturesPerCharge, fileMb } = body;
    if (picturesPerCharge === null)
      lines.push({ id: `battery:${body.id}`, code: 'unknown-charge', bodyId: body.id, count: 2 });
    else {
      const charge = picturesPerCharge * (1 - coldPercent / 100);
      lines.push({
        id: `battery:${body.id}`,
        code: 'batteries',
        bodyId: body.id,
        pictures: own,
        picturesPerCharge,
        coldPercent,
        days,
        count: Math.max(1, Math.ceil(own / days / charge)) + 1,
      });
    }
    const slots = body.cardSlots ?? 1;
    if (fileMb === null)
      lines.push({
        id: `card:${body.id}`,
        code: 'unknown-file',
        bodyId: body.id,
        count: slots + 1,
      });
    else {
      const neededGb = (own * fileMb) / MB_PER_GB;
      const cardGb = CARD_SIZES_GB.find((gb) => gb >= neededGb) ?? LARGEST_CARD_GB;
      const aSlot = Math.max(1, Math.ceil(neededGb / cardGb));
      lines.push({
        id: `card:${body.id}`,
        code: 'cards',
        bodyId: body.id,
        pictures: own,
        fileMb,
        slots,
        neededGb,
        aSlot,
        cardGb,
        count: slots * aSlot + 1,
      });
    }
    return lines;
  });
}

/** Of the frames, those that the plan makes somewhere where a thing is allowed. */
function madeWhere(
  allowed: 'flash' | 'support',
  { stretches }: CarryQuestion,
  plan: CarryPlan,
  frames: readonly Frame[],
): Frame[] {
  const barred = new Set<string>(stretches.filter((s) => !s.allowed[allowed]).map((s) => s.id));
  const made = new Set(
    plan.stretches
      .filter((s) => s.stretchId === null || !barred.has(s.stretchId))
      .flatMap((s) => s.hands)
      .flatMap((h) => h.doings.flatMap((d) => (d.kind === 'frame' ? [d.frameId] : []))),
  );
  return frames.filter((f) => made.has(f.id));
}

function supports(
  question: CarryQuestion,
  plan: CarryPlan,
  frames: readonly Frame[],
): PackingLine[] {
  const heaviest = Math.max(
    0,
    ...plan.stretches.flatMap((s) => s.hands.map((h) => h.weights.inHandG)),
  );
  const still = madeWhere('support', question, plan, frames)
    .filter((f) => f.light.support === 'support')
    .map((f) => f.id);
  const dark = frames.filter((f) => (ev100OfSource(f.light.source) ?? Infinity) < DARK_EV100);
  return [
    ...(still.length > 0
      ? [{ id: 'tripod', code: 'tripod', frameIds: still, loadG: heaviest, count: 1 } as const]
      : []),
    ...(heaviest >= HEAVY_SETUP_G
      ? [{ id: 'monopod', code: 'monopod', loadG: heaviest, count: 1 } as const]
      : []),
    ...(dark.length > 0
      ? [{ id: 'headlamp', code: 'headlamp', frameIds: dark.map((f) => f.id), count: 1 } as const]
      : []),
  ];
}

function weatherThings({ stretches }: CarryQuestion): PackingLine[] {
  return (
    [
      ['wet', 'rain'],
      ['dust', 'dust'],
    ] as const
  ).flatMap(([weather, code]) => {
    const stretchIds = stretches.filter((s) => s.weather === weather).map((s) => s.id);
    return stretchIds.length === 0 ? [] : [{ id: code, code, stretchIds, count: 1 }];
  });
}

/** One set for the largest thread that a frame with a filter needs, and a ring for each smaller one. */
function filters(
  { shelf }: CarryQuestion,
  plan: CarryPlan,
  frames: readonly Frame[],
): PackingLine[] {
  const asking = new Set(frames.filter((f) => f.special.frontFilter).map((f) => f.id));
  const lensIds = plan.stretches.flatMap((s) =>
    s.hands.flatMap((h) =>
      h.doings.flatMap((d) =>
        d.kind === 'frame' && asking.has(d.frameId) ? d.with.flatMap((o) => o.pieceIds) : [],
      ),
    ),
  );
  const threads = [
    ...new Set(
      shelf.lenses.flatMap((l) =>
        lensIds.includes(l.id) && l.filterMm !== null ? [l.filterMm] : [],
      ),
    ),
  ].sort((a, b) => b - a);
  const [largest, ...smaller] = threads;
  if (largest === undefined) return [];
  return [
    { id: 'filters', code: 'filters', threadMm: largest, frameIds: [...asking], count: 1 },
    ...smaller.map((fromMm): PackingLine => ({
      id: `ring:${fromMm}`,
      code: 'step-up-ring',
      fromMm,
      toMm: largest,
      count: 1,
    })),
  ];
}

function flashes(
  question: CarryQuestion,
  plan: CarryPlan,
  frames: readonly Frame[],
): PackingLine[] {
  const { packing } = question;
  const lit = madeWhere('flash', question, plan, frames).filter((f) => f.light.flash !== null);
  if (lit.length === 0) return [];
  const pictures =
    packing.pictures === null
      ? USUAL_PICTURES_A_FRAME * lit.length
      : Math.ceil((packing.pictures * lit.length) / Math.max(1, frames.length));
  return [
    {
      id: 'flash',
      code: 'flash',
      frameIds: lit.map((f) => f.id),
      guideNumberM: Math.max(...lit.map((f) => f.light.flash?.guideNumberM ?? 0)),
      count: 1,
    },
    {
      id: 'flash-batteries',
      code: 'flash-batteries',
      pictures,
      count: Math.ceil(pictures / FLASHES_A_SET) + 1,
    },
  ];
}

/** What is forgotten most, first of all spare batteries. Common practice, no source. */
export const FORGOTTEN_OFTEN = [
  'spareBatteries',
  'chargers',
  'spareCard',
  'tripodPlate',
  'cloth',
  'permits',
  'waterAndFood',
] as const;
export type ForgottenOften = (typeof FORGOTTEN_OFTEN)[number];
