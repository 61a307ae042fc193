import type { Frame, FrameId, Limits } from '@/core/brief';
import { type Able, ableSetups, type Harder, stillAble } from '@/core/coverage';
import { AT_EASE, type Pace } from '@/core/pace';
import { type Hand, handsOf } from './assignments';
import { type Maker, MakerTable } from './candidates';
import { type Occasion, occasionsOf } from './opportunities';
import { type OccasionPlaces, placesAt } from './positions';
import type { LineupQuestion } from './question';
import { type Selectable, selectable } from './selectable';

/** A stricter reading of a frame, for preferring what has something in hand. */
export type Layer = 'base' | 'stop1' | 'stop2' | 'whole' | 'good' | 'firstClass';

/** How much harder each layer is. */
const HARDER: Readonly<Record<Exclude<Layer, 'base'>, Harder>> = {
  stop1: { stops: 1, uncropped: false, leastGrade: null },
  stop2: { stops: 2, uncropped: false, leastGrade: null },
  whole: { stops: 0, uncropped: true, leastGrade: null },
  good: { stops: 0, uncropped: false, leastGrade: 'good' },
  firstClass: { stops: 0, uncropped: false, leastGrade: 'first-class' },
};

/** A frame, or a stricter reading of it, with the occasions on which it can be got. */
export interface Target<OnOccasion = OccasionPlaces> {
  readonly key: string;
  readonly frame: Frame;
  readonly layer: Layer;
  readonly occasions: readonly OnOccasion[];
}

/** A question laid out for the choice: what may be chosen, in whose hands, and what it makes. */
export interface Field {
  /** Which bodies come along is chosen together with the lenses, since their weight counts. */
  readonly tied: boolean;
  /** What is packed besides pieces and bodies, g: it counts under the limit of all that is carried. */
  readonly packedG: number;
  readonly frames: readonly Frame[];
  readonly limits: Limits;
  readonly choice: Selectable;
  readonly hands: readonly Hand[];
  readonly table: MakerTable;
  /** What makes anything in any hand, by number. */
  readonly makers: readonly Maker[];
  readonly targets: readonly Target[];
}

/**
 * Lays a question out. Targets stand in the order of frame ids, so that no order flickers.
 *
 * @throws {OutOfTime} from the pace
 */
export function fieldOf(
  question: LineupQuestion,
  tied = bodiesWeigh(question.limits),
  pace: Pace = AT_EASE,
): Field {
  const { frames, shelf, limits, packedG = 0 } = question;
  const choice = selectable(shelf, limits, pace);
  const hands = handsOf(question, choice.bodies, tied);
  return layOut({ frames, limits, choice, tied, packedG }, hands, pace);
}

/** Whether the weight of bodies counts in the choice. */
function bodiesWeigh({ countBodies, maxCarriedWeightG }: Limits): boolean {
  return countBodies || maxCarriedWeightG !== null;
}

/** The same field with other hands. */
export function withHands(field: Field, hands: readonly Hand[], pace: Pace = AT_EASE): Field {
  return layOut(field, hands, pace);
}

function layOut(
  {
    frames,
    limits,
    choice,
    tied,
    packedG,
  }: Pick<Field, 'frames' | 'limits' | 'choice' | 'tied' | 'packedG'>,
  hands: readonly Hand[],
  pace: Pace = AT_EASE,
): Field {
  const table = new MakerTable(choice.setups, hands);
  return {
    tied,
    packedG,
    frames,
    limits,
    choice,
    hands,
    table,
    makers: table.makers,
    targets: targetsOf(frames, hands, table, limits, pace),
  };
}

/** Each frame as asked, and the stricter readings that the order of aims asks about. */
function targetsOf(
  frames: readonly Frame[],
  hands: readonly Hand[],
  table: MakerTable,
  limits: Limits,
  pace: Pace,
): Target[] {
  const ordered = [...frames].sort((a, b) => (a.id < b.id ? -1 : 1));
  const framed = ordered.map((frame) => ({ frame, occasions: occasionsOf(frame, hands) }));
  const there = new Set(framed.flatMap(({ occasions }) => occasions.map((o) => o.frame)));
  const asked = ableSetups(table.setups, [...there], limits, pace);
  return framed.flatMap(({ frame, occasions }) =>
    layersOf(frame, limits).map((layer) => {
      const isBase = layer === 'base';
      const able = isBase ? asked : stricter(asked, occasions, HARDER[layer], table, limits, pace);
      return {
        key: isBase ? frame.id : `${frame.id}#${layer}`,
        frame,
        layer,
        occasions: occasions.map((o) => {
          pace();
          return placesAt(
            o,
            able.get(o.frame) ?? [],
            table,
            isBase && frame.twice?.by === 'bodies',
          );
        }),
      };
    }),
  );
}

function stricter(
  asked: ReadonlyMap<Frame, readonly Able[]>,
  occasions: readonly Occasion[],
  harder: Harder,
  { setups }: MakerTable,
  limits: Limits,
  pace: Pace,
): Map<Frame, readonly Able[]> {
  const there = new Set(occasions.map((o) => o.frame));
  return new Map(
    [...there].map((frame) => [
      frame,
      stillAble(setups, asked.get(frame) ?? [], frame, limits, harder, pace),
    ]),
  );
}

/** The layers that the order of aims asks about. */
function layersOf(frame: Frame, { order }: Limits): Layer[] {
  const lit = frame.light.source.kind !== 'none';
  return [
    'base',
    ...(order.includes('speed') && lit ? (['stop1', 'stop2'] as const) : []),
    ...(order.includes('crop') ? (['whole'] as const) : []),
    ...(order.includes('grade') ? (['good', 'firstClass'] as const) : []),
  ];
}

/** The base targets by frame. */
export function baseTargets(field: Field): Map<FrameId, Target> {
  return new Map(field.targets.filter((t) => t.layer === 'base').map((t) => [t.frame.id, t]));
}
