import type { Frame, FrameId, Limits } from '@/core/brief';
import { type Able, ableSetups, type Harder, stillAble } from '@/core/coverage';
import { type Hand, handsOf } from './hands';
import { type Maker, MakerTable } from './makers';
import { type Occasion, occasionsOf } from './occasions';
import { type OccasionPlaces, placesAt } from './places';
import type { LineupQuestion } from './question';
import { type Selectable, selectable } from './selectable';

/** A stricter reading of a frame, for preferring what has something in hand. */
export type Layer = 'base' | 'stop1' | 'stop2' | 'whole';

/** How much harder each layer is. */
const HARDER: Readonly<Record<Exclude<Layer, 'base'>, Harder>> = {
  stop1: { stops: 1, uncropped: false },
  stop2: { stops: 2, uncropped: false },
  whole: { stops: 0, uncropped: true },
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
  readonly frames: readonly Frame[];
  readonly limits: Limits;
  readonly choice: Selectable;
  readonly hands: readonly Hand[];
  readonly table: MakerTable;
  /** What makes anything in any hand, by number. */
  readonly makers: readonly Maker[];
  readonly targets: readonly Target[];
}

/** Lays a question out. Targets stand in the order of frame ids, so that no order flickers. */
export function fieldOf(question: LineupQuestion): Field {
  const { frames, shelf, limits } = question;
  const choice = selectable(shelf, limits);
  return layOut(frames, limits, choice, handsOf(question, choice.bodies));
}

/** The same field with other hands. */
export function withHands({ frames, limits, choice }: Field, hands: readonly Hand[]): Field {
  return layOut(frames, limits, choice, hands);
}

function layOut(
  frames: readonly Frame[],
  limits: Limits,
  choice: Selectable,
  hands: readonly Hand[],
): Field {
  const table = new MakerTable(choice.setups, hands);
  return {
    frames,
    limits,
    choice,
    hands,
    table,
    makers: table.makers,
    targets: targetsOf(frames, hands, table, limits),
  };
}

/** Each frame as asked, and the stricter readings that the order of aims asks about. */
function targetsOf(
  frames: readonly Frame[],
  hands: readonly Hand[],
  table: MakerTable,
  limits: Limits,
): Target[] {
  const ordered = [...frames].sort((a, b) => (a.id < b.id ? -1 : 1));
  const framed = ordered.map((frame) => ({ frame, occasions: occasionsOf(frame, hands) }));
  const there = new Set(framed.flatMap(({ occasions }) => occasions.map((o) => o.frame)));
  const asked = ableSetups(table.setups, [...there], limits);
  return framed.flatMap(({ frame, occasions }) =>
    layersOf(frame, limits).map((layer) => {
      const isBase = layer === 'base';
      const able = isBase ? asked : stricter(asked, occasions, HARDER[layer], table, limits);
      return {
        key: isBase ? frame.id : `${frame.id}#${layer}`,
        frame,
        layer,
        occasions: occasions.map((o) =>
          placesAt(o, able.get(o.frame) ?? [], table, isBase && frame.twice),
        ),
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
): Map<Frame, readonly Able[]> {
  const there = new Set(occasions.map((o) => o.frame));
  return new Map(
    [...there].map((frame) => [
      frame,
      stillAble(setups, asked.get(frame) ?? [], frame, limits, harder),
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
  ];
}

/** The base targets by frame. */
export function baseTargets(field: Field): Map<FrameId, Target> {
  return new Map(field.targets.filter((t) => t.layer === 'base').map((t) => [t.frame.id, t]));
}
