import type { CarryHand, CarryPlan, OnBody } from '@/core/carry';
import { piecesOf } from '@/core/gear';
import { namesOf, type OutingFile } from '@/document';
import { exactWeight, type Step, type Summand, sumStep } from '@/ui';

const SOURCE = 'Weights as on the shelf; the bag’s as set below.';

/** What one shooter carries in a stretch, by where it is. */
export function handWeightSteps(file: OutingFile, hand: CarryHand): Step[] {
  const part = parter(file);
  const setups = [...hand.start, ...hand.doings.flatMap((d) => (d.kind === 'put' ? [d.on] : []))];
  const heaviest = heaviestOf(setups, part);
  const worn = hand.start.flatMap(piecesOn);
  const held = new Set(heaviestOf(hand.start, part).map((p) => p.id));
  const bag = hand.bag.map(part);
  const { bagWeightG } = file.packing;
  const bagItself =
    hand.bag.length > 0 ? [{ id: 'bag', name: 'the bag itself', value: bagWeightG ?? 0 }] : [];
  const step = (name: string, parts: readonly Summand[]) =>
    sumStep(name, parts, exactWeight, SOURCE);
  return [
    step('In all', [...worn.map(part), ...bag, ...bagItself]),
    step('In hand, the heaviest setup lifted', heaviest),
    step(
      'On the shoulder, all other setups at the start',
      worn.map(part).filter((p) => !held.has(p.id)),
    ),
    step('In the bag', [...bag, ...bagItself]),
  ];
}

/** The changes of the plan, stretch by stretch. */
export function changeSteps(file: OutingFile, plan: CarryPlan): Step[] {
  const name = namesOf(file);
  const parts = plan.stretches.map((s) => ({
    name: s.stretchId ? name(s.stretchId) : 'the whole outing',
    value: s.changes,
  }));
  const during = parts.reduce((sum, p) => sum + p.value, 0);
  return [
    sumStep(
      'Changes',
      [...parts, { name: 'between stretches', value: plan.changes - during }],
      String,
      'The fewest over the whole outing, by going through every state of the bodies from picture to picture; taking a first lens on an empty body counts none.',
    ),
  ];
}

type Part = Summand & { readonly id: string };

const piecesOn = (on: OnBody) => [on.bodyId as string, ...on.pieceIds];

function parter({ shelf }: OutingFile): (id: string) => Part {
  const items = new Map(
    [...piecesOf(shelf), ...shelf.bodies].map((item) => [item.id as string, item] as const),
  );
  return (id) => {
    const item = items.get(id);
    return { id, name: item?.name ?? id, value: item?.weightG ?? null };
  };
}

function heaviestOf(setups: readonly OnBody[], part: (id: string) => Part): readonly Part[] {
  const weigh = (parts: readonly Part[]) => parts.reduce((sum, p) => sum + (p.value ?? 0), 0);
  return setups
    .map((on) => piecesOn(on).map(part))
    .reduce<readonly Part[]>((a, b) => (weigh(b) > weigh(a) ? b : a), []);
}
