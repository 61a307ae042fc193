import {
  type Charging,
  ev100OfSource,
  type Frame,
  type FrameId,
  PermissionKey,
} from '@/core/brief';
import { filterFNumber, filterStops } from '@/core/coverage';
import { type Body, type Lens, itemsWithoutBodies, usualFigure } from '@/core/gear';
import type { CarryPlan, CarryQuestion } from './plan';

/** A line of the packing list, with the figures that it was worked out from. */
export type PackingLine = { readonly id: string; readonly count: number } & (
  | { readonly code: 'body' | 'piece' }
  | {
      readonly code: 'batteries';
      readonly bodyId: string;
      /** Pictures on one filling of the batteries: of the busiest day, or of all days. */
      readonly pictures: number;
      /** Those of them that are made in the cold. */
      readonly cold: number;
      readonly picturesPerCharge: number;
      /** Whether that is a usual figure, since nobody knows it. */
      readonly estimated: boolean;
      readonly coldPercent: number;
      readonly charging: Charging['kind'];
      /** Charges that the power bank gives this body. */
      readonly fromBank: number;
    }
  | { readonly code: 'power-bank'; readonly charges: number }
  | {
      readonly code: 'spare-card';
      readonly cardType: string | null;
      readonly bodyIds: readonly string[];
    }
  | { readonly code: 'spare-body'; readonly bodyId: string; readonly lies: 'bag' | 'base' }
  | {
      readonly code: 'cards';
      readonly bodyId: string;
      readonly pictures: number;
      readonly fileMb: number;
      /** Whether that is a usual figure, since nobody knows it. */
      readonly estimated: boolean;
      readonly slots: number;
      /** Cards after one another in each slot; 1 unless the largest does not hold everything. */
      readonly aSlot: number;
      /** What each slot must hold, and the usual size of card that does, GB. */
      readonly neededGb: number;
      readonly cardGb: number;
    }
  | { readonly code: 'tripod'; readonly frameIds: readonly FrameId[]; readonly loadG: number }
  | { readonly code: 'monopod'; readonly loadG: number }
  | { readonly code: 'rain' | 'dust' | 'cold'; readonly stretchIds: readonly string[] }
  | { readonly code: 'filters'; readonly threadMm: number; readonly frameIds: readonly FrameId[] }
  | {
      readonly code: 'drop-in-filter';
      readonly adapterId: string;
      readonly frameIds: readonly FrameId[];
    }
  | {
      /** A filter for a longer time. */
      readonly code: 'grey-filter';
      readonly stops: number;
      /** Where it goes: into an adapter, or on a thread, of which the size may not be known. */
      readonly fits:
        | { readonly kind: 'drop-in' }
        | { readonly kind: 'thread'; readonly threadMm: number | null };
      readonly frameIds: readonly FrameId[];
      readonly timeS: number;
      readonly fNumber: number;
    }
  | { readonly code: 'step-up-ring'; readonly fromMm: number; readonly toMm: number }
  | { readonly code: 'flash'; readonly frameIds: readonly FrameId[]; readonly guideNumberM: number }
  | { readonly code: 'flash-batteries'; readonly pictures: number }
  | { readonly code: 'headlamp'; readonly frameIds: readonly FrameId[] }
  | { readonly code: 'thing'; readonly name: string; readonly weightG: number | null }
);

/** Pictures expected for each frame where the person says nothing. Common practice, no source. */
export const USUAL_PICTURES_A_FRAME = 40;
/** A set of flash batteries lasts about so many flashes. Common practice, no source. */
const FLASHES_A_SET = 150;
/** From here a setup is not held by hand for more than minutes, g. Common practice, no source. */
export const HEAVY_SETUP_G = 3000;
/** Darker than this, hands need light at a support. Common practice, no source. */
const DARK_EV100 = 2;
/** Sets of batteries for a flash at the least: one in it and one spare. */
export const FEWEST_FLASH_BATTERIES = 2;
/** Sizes that cards are sold in, GB. */
const LARGEST_CARD_GB = 2048;
const CARD_SIZES_GB = [32, 64, 128, 256, 512, 1024, LARGEST_CARD_GB] as const;
const MB_PER_GB = 1000;

/** Everything to pack, worked out from the plan, in the order in which one packs. */
export function packingList(question: CarryQuestion, plan: CarryPlan): PackingLine[] {
  const used = usedIn(plan);
  const bodies = question.shelf.bodies.filter((b) => used.has(b.id));
  const items = itemsWithoutBodies(question.shelf).filter((p) => used.has(p.id));
  const frames = question.frames.filter((f) =>
    plan.stretches.some((s) =>
      s.hands.some((h) => h.doings.some((d) => d.kind === 'frame' && d.frameId === f.id)),
    ),
  );
  return [
    ...bodies.map((b): PackingLine => ({ id: b.id, code: 'body', count: 1 })),
    ...question.limits.spares.map((s): PackingLine => ({
      id: `spare:${s.bodyId}`,
      code: 'spare-body',
      ...s,
      count: 1,
    })),
    ...items.map((p): PackingLine => ({ id: p.id, code: 'piece', count: 1 })),
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

/** Pictures that a body makes in a stretch. */
interface PlannedFrame {
  readonly bodyId: string;
  readonly day: string | null;
  readonly cold: boolean;
  readonly pictures: number;
}

/**
 * Pictures of each body and stretch, by the frames' shares where they are stated. What may be made in
 * several stretches is planned in one of them, and photographed in all: it is spread over them.
 */
function picturesMade(
  { frames, packing, stretches }: CarryQuestion,
  plan: CarryPlan,
): PlannedFrame[] {
  const total = packing.pictures ?? USUAL_PICTURES_A_FRAME * frames.length;
  const stated = frames.flatMap((f) => (f.sharePercent === null ? [] : [f.sharePercent]));
  const mean = stated.length > 0 ? stated.reduce((a, b) => a + b, 0) / stated.length : 1;
  const shareOf = (id: FrameId) => frames.find((f) => f.id === id)?.sharePercent ?? mean;
  const spots = (id: FrameId) => {
    const named = new Set<string>(frames.find((f) => f.id === id)?.stretchIds);
    const any = stretches.filter((s) => named.size === 0 || named.has(s.id));
    const days = any.map((s) => ({ day: s.day, cold: s.weather.includes('cold') }));
    return days.length > 0 ? days : [{ day: null, cold: false }];
  };
  const shares = plan.stretches.flatMap(({ hands: assignments }) =>
    assignments.flatMap((h) =>
      h.doings.flatMap((d) => {
        if (d.kind !== 'frame') return [];
        const over = spots(d.frameId);
        const share = shareOf(d.frameId) / over.length;
        return d.with.flatMap(({ bodyId }) => over.map((spot) => ({ ...spot, bodyId, share })));
      }),
    ),
  );
  const sum = shares.reduce((all, s) => all + s.share, 0);
  return shares.map(({ share, ...made }) => ({
    ...made,
    pictures: sum > 0 ? (total * share) / sum : 0,
  }));
}

const totalOf = (made: readonly PlannedFrame[]) => made.reduce((sum, m) => sum + m.pictures, 0);

/** The pictures made on one filling of the batteries: those of the busiest day, or all of them. */
function onOneFilling(made: readonly PlannedFrame[], charging: Charging): readonly PlannedFrame[] {
  if (charging.kind !== 'nightly') return made;
  const days = [...new Set(made.map((m) => m.day))].map((day) => made.filter((m) => m.day === day));
  return days.reduce<readonly PlannedFrame[]>((a, b) => (totalOf(b) > totalOf(a) ? b : a), []);
}

/**
 * Batteries for the pictures on one filling, the cold counted where it is cold, and one spare a body;
 * a power bank spares some. Cards one a slot, which all hold everything, and a spare.
 */
function powerAndCards(
  question: CarryQuestion,
  plan: CarryPlan,
  bodies: readonly Body[],
): PackingLine[] {
  const made = picturesMade(question, plan);
  const { charging, spareCards } = question.packing;
  const banked = charging.kind === 'powerBank' ? charging.charges : 0;
  const lines = bodies.flatMap((body): PackingLine[] => {
    const ofBody = made.filter((m) => m.bodyId === body.id);
    const share = totalOf(ofBody) / Math.max(1, totalOf(made));
    return [
      batteriesOf(body, ofBody, question, Math.floor(banked * share)),
      cardsOf(body, Math.ceil(totalOf(ofBody)), question),
    ];
  });
  const bank: PackingLine[] =
    charging.kind === 'powerBank'
      ? [{ id: 'power-bank', code: 'power-bank', charges: charging.charges, count: 1 }]
      : [];
  return [...lines, ...bank, ...spareCardsFor(bodies, spareCards)];
}

function batteriesOf(
  body: Body,
  made: readonly PlannedFrame[],
  question: CarryQuestion,
  fromBank: number,
): PackingLine {
  const id = `battery:${body.id}`;
  const { coldPercent, charging } = question.packing;
  const picturesPerCharge = counted(body, 'picturesPerCharge', question);
  const filling = onOneFilling(made, charging);
  const cold = totalOf(filling.filter((m) => m.cold));
  const warm = totalOf(filling) - cold;
  const charges = warm / picturesPerCharge + cold / (picturesPerCharge * (1 - coldPercent / 100));
  return {
    id,
    code: 'batteries',
    bodyId: body.id,
    pictures: Math.ceil(warm + cold),
    cold: Math.ceil(cold),
    picturesPerCharge,
    estimated: body.picturesPerCharge === null,
    coldPercent,
    charging: charging.kind,
    fromBank,
    count: Math.max(1, Math.ceil(charges - fromBank)) + 1,
  };
}

/** A figure of a body, as is usual where nobody knows it. */
function counted(
  body: Body,
  figure: 'picturesPerCharge' | 'cardSlots' | 'fileMb',
  { shelf }: CarryQuestion,
): number {
  return body[figure] ?? usualFigure('bodies', body, figure, { shelf }) ?? 1;
}

function cardsOf(body: Body, pictures: number, question: CarryQuestion): PackingLine {
  const id = `card:${body.id}`;
  const slots = counted(body, 'cardSlots', question);
  const fileMb = counted(body, 'fileMb', question);
  const neededGb = (pictures * fileMb) / MB_PER_GB;
  const cardGb = CARD_SIZES_GB.find((gb) => gb >= neededGb) ?? LARGEST_CARD_GB;
  const aSlot = Math.max(1, Math.ceil(neededGb / cardGb));
  return {
    id,
    code: 'cards',
    bodyId: body.id,
    pictures,
    fileMb,
    estimated: body.fileMb === null,
    slots,
    neededGb,
    aSlot,
    cardGb,
    count: slots * aSlot,
  };
}

/** One spare for all bodies that take the same kind of card, or one for each; an unknown kind is its own. */
function spareCardsFor(bodies: readonly Body[], how: 'shared' | 'each'): PackingLine[] {
  const groups = new Map<string, Body[]>();
  for (const b of bodies) {
    const key = how === 'each' || b.cardType === null ? b.id : `type ${b.cardType}`;
    groups.set(key, [...(groups.get(key) ?? []), b]);
  }
  return [...groups.values()].map((group) => ({
    id: `spare-card:${group[0]!.id}`,
    code: 'spare-card',
    cardType: group[0]!.cardType,
    bodyIds: group.map((b) => b.id),
    count: 1,
  }));
}

/** Of the frames, those that the plan makes somewhere where a thing is allowed. */
function madeWhere(
  permission: PermissionKey,
  { stretches }: CarryQuestion,
  plan: CarryPlan,
  frames: readonly Frame[],
): Frame[] {
  const excluded = new Set<string>(
    stretches.filter((s) => !s.allowed[permission]).map((s) => s.id),
  );
  const made = new Set(
    plan.stretches
      .filter((s) => s.stretchId === null || !excluded.has(s.stretchId))
      .flatMap((s) => s.hands)
      .flatMap((h) => h.doings.flatMap((d) => (d.kind === 'frame' ? [d.frameId] : []))),
  );
  return frames.filter((f) => made.has(f.id));
}

/** Whether hands need light at a support. */
export function isDark({ light }: Frame): boolean {
  return (ev100OfSource(light.source) ?? Infinity) < DARK_EV100;
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
  const dark = frames.filter((f) => still.includes(f.id) && isDark(f));
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
      ['cold', 'cold'],
    ] as const
  ).flatMap(([weather, code]) => {
    const stretchIds = stretches.filter((s) => s.weather.includes(weather)).map((s) => s.id);
    return stretchIds.length === 0 ? [] : [{ id: code, code, stretchIds, count: 1 }];
  });
}

/** A frame as the plan makes it, with a lens and perhaps an adapter that a filter drops into. */
interface Filtered {
  readonly frame: Frame;
  readonly lens: Lens;
  readonly dropInId: string | null;
}

/**
 * One set for the largest thread that a frame with a filter needs, and a ring for each smaller one;
 * filters that drop into an adapter; and the strength that a longer time asks for.
 */
function filters(
  { shelf }: CarryQuestion,
  plan: CarryPlan,
  frames: readonly Frame[],
): PackingLine[] {
  const made = plan.stretches.flatMap((s) =>
    s.hands.flatMap((h) =>
      h.doings.flatMap((d): Filtered[] => {
        const frame = d.kind === 'frame' ? frames.find((f) => f.id === d.frameId) : undefined;
        if (d.kind !== 'frame' || !frame) return [];
        return d.with.flatMap(({ pieceIds: itemIds }) => {
          const lens = shelf.lenses.find((l) => itemIds.includes(l.id));
          const into = shelf.adapters.find((a) => itemIds.includes(a.id) && a.dropInFilter);
          return lens ? [{ frame, lens, dropInId: into?.id ?? null }] : [];
        });
      }),
    ),
  );
  const wished = made.filter(({ frame }) => frame.special.frontFilter);
  const grey = made.filter(({ frame, lens }) => filterStops(frame, lens) > 0);
  const idsOf = (some: readonly Filtered[]) => [...new Set(some.map(({ frame }) => frame.id))];
  const inFront = (some: readonly Filtered[]) => some.filter((m) => m.dropInId === null);
  const threads = [
    ...new Set(inFront([...wished, ...grey]).flatMap(({ lens }) => lens.filterMm ?? [])),
  ].sort((a, b) => b - a);
  const [largest = null, ...smaller] = threads;
  const adapters = [...new Set(wished.flatMap((m) => m.dropInId ?? []))];
  return [
    ...(largest !== null && inFront(wished).length > 0
      ? [
          {
            id: 'filters',
            code: 'filters',
            threadMm: largest,
            frameIds: idsOf(inFront(wished)),
            count: 1,
          } as const,
        ]
      : []),
    ...adapters.map((adapterId): PackingLine => ({
      id: `drop-in:${adapterId}`,
      code: 'drop-in-filter',
      adapterId,
      frameIds: idsOf(wished.filter((m) => m.dropInId === adapterId)),
      count: 1,
    })),
    ...greyFilters(grey, largest),
    ...smaller.map((fromMm): PackingLine => ({
      id: `ring:${fromMm}`,
      code: 'step-up-ring',
      fromMm,
      toMm: largest ?? fromMm,
      count: 1,
    })),
  ];
}

/** One filter for the strongest that a longer time asks for, in front or dropped in. */
function greyFilters(made: readonly Filtered[], threadMm: number | null): PackingLine[] {
  const kinds = [made.filter((m) => m.dropInId === null), made.filter((m) => m.dropInId !== null)];
  return kinds.flatMap((some, dropIn): PackingLine[] => {
    if (some.length === 0) return [];
    const stopsOf = ({ frame, lens }: Filtered) => filterStops(frame, lens);
    const strongest = some.reduce((a, b) => (stopsOf(b) > stopsOf(a) ? b : a));
    return [
      {
        id: dropIn ? 'grey-filter:drop-in' : 'grey-filter',
        code: 'grey-filter',
        stops: Math.ceil(stopsOf(strongest)),
        fits: dropIn ? { kind: 'drop-in' } : { kind: 'thread', threadMm },
        frameIds: [...new Set(some.map(({ frame }) => frame.id))],
        timeS: strongest.frame.light.shortestTimeS ?? 0,
        fNumber: filterFNumber(strongest.lens.smallestFNumber),
        count: 1,
      },
    ];
  });
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
      count: Math.max(FEWEST_FLASH_BATTERIES, Math.ceil(pictures / FLASHES_A_SET) + 1),
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
