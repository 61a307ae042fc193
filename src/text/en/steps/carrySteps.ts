import {
  type BagItem,
  type CarryAnswer,
  type CarryAssignment,
  type CarryPlan,
  type OnBody,
  type BlockSides,
  volumeMm3,
} from '@/core/carry';
import { itemsWithoutBodies } from '@/core/gear';
import { namesOf } from '../names';
import { exactWeight } from './lineupSteps';
import { exact } from './exact';
import { type Step } from './step';
import { type Summand, sumStep, weightPart } from './sumSteps';
import { type OutingFile } from '@/document';

const SOURCE = 'Weights from the shelf; the bag’s as set below.';

/** What one shooter carries in a stretch, by where it is. */
export function carriedWeightSteps(file: OutingFile, assignment: CarryAssignment): Step[] {
  const part = parter(file);
  const setups = [
    ...assignment.start,
    ...assignment.doings.flatMap((d) => (d.kind === 'put' ? [d.on] : [])),
  ];
  const heaviest = heaviestOf(setups, part);
  const worn = assignment.start.flatMap(itemsOn);
  const liftedIds = new Set(heaviestOf(assignment.start, part).map((p) => p.id));
  const bag = assignment.bag.map(part);
  const { bagWeightG } = file.packing;
  const bagItself =
    assignment.bag.length > 0
      ? [{ id: 'bag', name: 'the bag itself', value: bagWeightG ?? 0 }]
      : [];
  const step = (name: string, parts: readonly Summand[]) =>
    sumStep(name, parts, exactWeight, SOURCE);
  return [
    step('In all', [...worn.map(part), ...bag, ...bagItself]),
    step('In hand, the heaviest setup lifted', heaviest),
    step(
      'On the shoulder, all other setups at the start',
      worn.map(part).filter((p) => !liftedIds.has(p.id)),
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
      'The fewest over the whole outing, found by trying every state of the cameras from picture to picture. The first lens on an empty camera doesn’t count.',
    ),
  ];
}

const FEWEST =
  'The fewest over the whole outing each time, found by trying every state of the cameras.';

/** What the order of pictures that is left free saves. */
export function orderSteps({ plan, changesInOrder }: CarryAnswer): Step[] {
  return [
    {
      name: 'Saved',
      result: String(changesInOrder - plan.changes),
      formula: `changes in the order of the brief − changes with a free order where you allow it = ${changesInOrder} − ${plan.changes}`,
      source: FEWEST,
    },
  ];
}

/** What it would take with the order free in every stretch. */
export function anyOrderSteps({ plan, changesAnyOrder }: CarryAnswer): Step[] {
  return [
    {
      name: 'Saved by freeing the rest',
      result: String(plan.changes - changesAnyOrder),
      formula: `changes in this plan − changes with a free order in every stretch = ${plan.changes} − ${changesAnyOrder}`,
      source: FEWEST,
    },
  ];
}

/** Room for caps at both ends of a lens, mm. */
export const CAPS_MM = 12;
const MM3_PER_LITRE = 1e6;
const litres = (mm3: number) => `${exact(mm3 / MM3_PER_LITRE)} l`;

/** How much of the bag's room the blocks take. */
export function roomSteps(file: OutingFile, items: readonly BagItem[]): Step[] {
  const { compartments } = file.packing;
  const name = namesOf(file);
  const source = `Width × height × depth, as given; a lens with ${CAPS_MM} mm more for its caps.`;
  const sum = (what: string, blocks: readonly (BagItem & { readonly name?: string })[]) =>
    sumStep(
      what,
      blocks.map((b) => ({
        name: `${b.name ?? name(b.id)}, ${sidesText(b)}`,
        value: volumeMm3([b]),
      })),
      litres,
      source,
    );
  const [taken, room] = [volumeMm3(items), volumeMm3(compartments)];
  return [
    sum('The blocks around what comes along', items),
    sum('Room in the bag', compartments),
    {
      name: 'Share of the room',
      result: `${exact((100 * taken) / room)} %`,
      formula: `blocks / room = ${litres(taken)} / ${litres(room)}`,
      source:
        'Boxes never fill a bag completely: the drawing shows whether they fit, not this share.',
    },
  ];
}

/** Why a block doesn’t fit any compartment: its sides against theirs, each from the longest. */
export function tooBigSteps(file: OutingFile, item: BagItem): Step[] {
  return file.packing.compartments.map((c) => ({
    name: c.name,
    result: `${sidesText(c)} inside`,
    formula: `${sidesText(item)} does not fit, whichever side is up`,
    source:
      'Sides from the longest to the shortest; a block fits when none of its sides is longer.',
  }));
}

function sidesText({ widthMm, heightMm, depthMm }: BlockSides): string {
  const sides = [widthMm, heightMm, depthMm].sort((a, b) => b - a);
  return `${sides.map(exact).join(' × ')} mm`;
}

type WeightPart = Summand & { readonly id: string };

const itemsOn = (on: OnBody) => [on.bodyId as string, ...on.pieceIds];

function parter({ shelf }: OutingFile): (id: string) => WeightPart {
  const items = new Map(
    [...itemsWithoutBodies(shelf), ...shelf.bodies].map(
      (item) => [item.id as string, item] as const,
    ),
  );
  const weighed = weightPart(shelf);
  return (id) => {
    return weighed({ id, name: items.get(id)?.name ?? id });
  };
}

function heaviestOf(
  setups: readonly OnBody[],
  part: (id: string) => WeightPart,
): readonly WeightPart[] {
  const weigh = (parts: readonly WeightPart[]) => parts.reduce((sum, p) => sum + (p.value ?? 0), 0);
  return setups
    .map((on) => itemsOn(on).map(part))
    .reduce<readonly WeightPart[]>((a, b) => (weigh(b) > weigh(a) ? b : a), []);
}
