import { type Frame, isAskedTwice, type LateAim, type Limits } from '@/core/brief';
import type { Assignment } from './assignments';
import type { Target } from './problem';
import type { SelectableItem, WeighedBody } from './item';
import { wantSharesPercent } from './wantShares';

/** Two values of an aim nearer than this are equal; the smallest real step is far larger. */
export const AIM_TOLERANCE = 1e-6;

export type AimName =
  | 'musts'
  | 'once'
  | 'wants'
  | 'pieces'
  | 'usualFocus'
  | 'weight'
  | 'priceUnknown'
  | 'price'
  | 'speed'
  | 'changes'
  | 'crop'
  | 'own'
  | 'grade'
  | 'bonus'
  | 'order'
  | 'bodyChanges'
  | 'bodies'
  | 'bodyWeight'
  | 'bodyOrder';

/** What makes a lineup the fewest: all that comes before the aims of a person's own order. */
export const FEWEST_AIMS: ReadonlySet<AimName> = new Set(['musts', 'once', 'wants', 'pieces']);

/** One aim of the choice, to be made as small as the aims before it allow. */
export interface Aim {
  readonly name: AimName;
  /** Cost of losing a target: a frame, or a stricter reading of it. */
  readonly targetCost: (target: Pick<Target, 'frame' | 'layer'>) => number;
  /** Cost of taking an item; `order` is its place in the order of ids. */
  readonly itemCostOf: (item: SelectableItem, order: number) => number;
  /** Cost of each lens in an assignment beyond the bodies there. */
  readonly changeCost: (assignment: Assignment) => number;
  /** Cost of bringing a body along; `order` is its place in the order of ids. */
  readonly bodyCost: (body: WeighedBody, order: number) => number;
  /** Cost of each lens that a body bears in turn beyond the first. */
  readonly turnCost: number;
}

const none = () => 0;
const aim = (name: AimName, costs: Partial<Aim>): Aim => ({
  name,
  targetCost: none,
  itemCostOf: none,
  changeCost: none,
  bodyCost: none,
  turnCost: 0,
  ...costs,
});

/** What each aim after the items counts. */
const LATE: Readonly<Record<LateAim, readonly Aim[]>> = {
  weight: [aim('weight', { itemCostOf: (p) => p.weightG })],
  price: [
    aim('priceUnknown', { itemCostOf: (p) => (p.price === null ? 1 : 0) }),
    aim('price', { itemCostOf: (p) => p.price ?? 0 }),
  ],
  speed: [
    aim('speed', {
      targetCost: ({ frame, layer }) =>
        (layer === 'stop1' || layer === 'stop2') && frame.want !== 'bonus' ? 1 : 0,
    }),
  ],
  changes: [aim('changes', { changeCost: () => 1 })],
  crop: [
    aim('crop', {
      targetCost: ({ frame, layer }) => (layer === 'whole' && frame.want !== 'bonus' ? 1 : 0),
    }),
  ],
  own: [aim('own', { itemCostOf: (p) => (p.owned ? 0 : 1) })],
  grade: [
    aim('grade', {
      targetCost: ({ frame, layer }) =>
        (layer === 'good' || layer === 'firstClass') && frame.want !== 'bonus' ? 1 : 0,
    }),
  ],
};

/** What decides after the person's own order, so that the answer does not flicker. */
const ALWAYS: readonly LateAim[] = ['weight', 'price'];

/** Losing this target loses the whole frame: it isn't covered even once. */
export function isFirst({ frame, layer }: Pick<Target, 'frame' | 'layer'>): boolean {
  return layer === (isAskedTwice(frame) ? 'single' : 'base');
}

/** Losing this target leaves the frame covered once, though it is asked for twice. */
function isSecond({ frame, layer }: Pick<Target, 'frame' | 'layer'>): boolean {
  return layer === 'base' && isAskedTwice(frame);
}

/** How much of a frame is lost with a target: of what is asked for twice each time is half. */
export function partLost(target: Pick<Target, 'frame' | 'layer'>): number {
  if (isSecond(target)) return 1 / 2;
  return isFirst(target) ? (isAskedTwice(target.frame) ? 1 / 2 : 1) : 0;
}

/**
 * Musts lost; musts covered once that are asked for twice; percent of the wanted pictures lost, against
 * items at the person's rate; items; pictures got by a lens that would have to focus nearer than is usual for
 * its kind, where nobody knows how near it does; the aims of the order; weight and price where it does not name
 * them; bonus frames lost, and wanted ones that stand for no pictures; the order of ids.
 */
export function aimsOf(frames: readonly Frame[], limits: Limits): Aim[] {
  const shares = wantSharesPercent(frames);
  const late = [...limits.order, ...ALWAYS.filter((name) => !limits.order.includes(name))];
  return [
    aim('musts', {
      targetCost: (target) => (target.frame.want === 'must' && isFirst(target) ? 1 : 0),
    }),
    aim('once', {
      // What is lost altogether is not covered once: it counts among the musts lost alone.
      targetCost: (target) =>
        target.frame.want !== 'must' || !isAskedTwice(target.frame)
          ? 0
          : isSecond(target)
            ? 1
            : isFirst(target)
              ? -1
              : 0,
    }),
    aim('wants', {
      targetCost: (target) => partLost(target) * (shares.get(target.frame.id) ?? 0),
      itemCostOf: (p) => (shares.size > 0 && !p.lockedIn ? limits.wantRatePercent * p.itemCost : 0),
    }),
    aim('pieces', { itemCostOf: (p) => p.itemCost }),
    aim('usualFocus', { targetCost: ({ layer }) => (layer === 'usualFocus' ? 1 : 0) }),
    ...late
      .flatMap((name) => LATE[name])
      .map((each) => (limits.countBodies ? withBodies(each) : each)),
    aim('bonus', {
      targetCost: (target) =>
        target.frame.want === 'bonus' || shares.get(target.frame.id) === 0 ? partLost(target) : 0,
    }),
    aim('order', { itemCostOf: (_, order) => order + 1 }),
  ];
}

/** What a body weighs counts with the lenses where the person says so. */
function withBodies(each: Aim): Aim {
  return each.name === 'weight' ? { ...each, bodyCost: (b) => b.weightG } : each;
}

/**
 * Which bodies come along with a lineup: those that save a change, then the fewest, then the lightest,
 * then by id. None of it changes what is got.
 */
export const BODY_AIMS: readonly Aim[] = [
  aim('bodyChanges', { turnCost: 1 }),
  aim('bodies', { bodyCost: () => 1 }),
  aim('bodyWeight', { bodyCost: (b) => b.weightG }),
  aim('bodyOrder', { bodyCost: (_, order) => order + 1 }),
];

/** Fewest pictures that have to be cropped. */
export const LEAST_CROPPED = LATE.crop;

/** Orders two lenses by the aims that look at items alone; 0 when only the id differs. */
export function byAims(limits: Limits): (a: SelectableItem, b: SelectableItem) => number {
  const costs = aimsOf([], limits)
    .filter(({ name }) => name !== 'order' && name !== 'wants' && name !== 'pieces')
    .map((each) => each.itemCostOf)
    .filter((cost) => cost !== none);
  return (a, b) => {
    for (const cost of costs) {
      const difference = cost(a, 0) - cost(b, 0);
      if (difference !== 0) return difference;
    }
    return 0;
  };
}
