import type { Frame, PackedWeights, PermissionKey } from '@/core/brief';
import { weighingOf } from '@/core/gear';
import type { Load } from '@/core/lineup';
import { FEWEST_FLASH_BATTERIES, isDark, type PackingLine } from './packingList';
import type { CarryQuestion } from './plan';

/** What everything that is carried weighs, and what of it is estimated or not known at all. */
export interface CarriedWeight {
  readonly weightG: number;
  /** Of it, what is neither a body in use nor a lens, converter, tube or adapter. */
  readonly packedG: number;
  /** Lines of unknown weight, by their ids: gear weighs as usual for its kind, other things nothing. */
  readonly unknown: readonly string[];
}

/** Which usual weight a line counts. */
const WEIGHT_OF: Readonly<Partial<Record<PackingLine['code'], keyof PackedWeights>>> = {
  batteries: 'batteryG',
  'flash-batteries': 'batteryG',
  cards: 'cardG',
  'spare-card': 'cardG',
  tripod: 'tripodG',
  monopod: 'monopodG',
  filters: 'filterG',
  'drop-in-filter': 'filterG',
  'grey-filter': 'filterG',
  'step-up-ring': 'filterG',
  flash: 'flashG',
  rain: 'rainG',
  dust: 'rainG',
  headlamp: 'headlampG',
  'power-bank': 'powerBankG',
};

/**
 * Weight of a packing list with the bag, g: bodies, items, support, batteries, cards, own things. A
 * spare body that stays at the base is not carried, and warm clothes are worn.
 */
export function carriedWeight(
  { shelf, packing }: CarryQuestion,
  lines: readonly PackingLine[],
): CarriedWeight {
  const gear = weighingOf(shelf);
  const unknown: string[] = [];
  let weightG = 0;
  let packedG = 0;
  const add = (id: string, each: number | null, count: number, isPacked: boolean) => {
    if (each === null) return unknown.push(id);
    weightG += each * count;
    if (isPacked) packedG += each * count;
  };
  const addGear = (lineId: string, id: string, count: number, isPacked: boolean) => {
    add(lineId, gear.of(id), count, isPacked);
    if (gear.isEstimated(id)) unknown.push(lineId);
  };
  for (const line of lines) {
    const { id, code, count } = line;
    if (code === 'cold' || (code === 'spare-body' && line.lies === 'base')) continue;
    if (code === 'body' || code === 'piece') addGear(id, id, count, false);
    else if (code === 'spare-body') addGear(id, line.bodyId, count, true);
    else if (code === 'thing') add(id, line.weightG, count, true);
    else {
      const key = WEIGHT_OF[code];
      add(id, key ? packing.weights[key] : null, count, true);
    }
  }
  add('bag', packing.bagWeightG, 1, true);
  return { weightG, packedG, unknown };
}

/**
 * What is packed because of pictures that ask for it wherever they may be made: a tripod, a headlamp, a
 * flash with its fewest batteries. What depends on more than that (filters by threads, batteries by
 * cameras) is weighed once there is a plan.
 */
export function loadsOf({ frames, stretches, packing: { weights } }: CarryQuestion): Load[] {
  const always = (permission: PermissionKey, frame: Frame) =>
    stretches.every(
      (s) =>
        (frame.stretchIds.length > 0 && !frame.stretchIds.includes(s.id)) || s.allowed[permission],
    );
  const still = frames.filter((f) => f.light.support === 'support' && always('support', f));
  const loads = [
    [weights.tripodG ?? 0, still],
    [weights.headlampG ?? 0, still.filter(isDark)],
    [
      (weights.flashG ?? 0) + FEWEST_FLASH_BATTERIES * (weights.batteryG ?? 0),
      frames.filter((f) => f.light.flash !== null && always('flash', f)),
    ],
  ] as const;
  return loads
    .filter(([, asking]) => asking.length > 0)
    .map(([weightG, asking]) => ({ weightG, frameIds: asking.map((f) => f.id) }));
}

/** What is packed whatever is chosen, g: the bag, own things, and spare bodies that lie in the bag. */
export function packedAnyhowG({ shelf, packing, limits }: CarryQuestion): number {
  const gear = weighingOf(shelf);
  const spares = limits.spares.filter((s) => s.lies === 'bag').map((s) => gear.of(s.bodyId));
  return [packing.bagWeightG ?? 0, ...packing.things.map((t) => t.weightG ?? 0), ...spares].reduce(
    (sum, g) => sum + g,
    0,
  );
}
