import { minutesBetween, type Stretch } from '@/core/brief';
import type { CarryPlan, CarryStretch } from '@/core/carry';

/** A setup on a body for a part of a stretch. Places are percent of the day. */
export interface LaneBar {
  readonly stretchId: string | null;
  readonly from: number;
  readonly to: number;
  readonly pieceIds: readonly string[];
  /** Put on at its beginning in place of another setup. */
  readonly isChange: boolean;
}

/** One body through the day. */
export interface Lane {
  readonly bodyId: string;
  /** Who has it where it is first used; null for one person, or a placed camera. */
  readonly shooterId: string | null;
  readonly placed: boolean;
  readonly bars: readonly LaneBar[];
}

export interface LaneStretch {
  readonly stretchId: string | null;
  readonly from: number;
  readonly to: number;
  readonly mayChange: boolean;
  readonly handovers: readonly { readonly id: string; readonly to: string | null }[];
}

/** What one shooter carries, stretch by stretch. */
export interface LaneLoad {
  readonly shooterId: string | null;
  readonly steps: readonly {
    readonly stretchId: string | null;
    readonly from: number;
    readonly to: number;
    readonly weightG: number;
    readonly bag: readonly string[];
  }[];
}

export interface Lanes {
  readonly stretches: readonly LaneStretch[];
  readonly lanes: readonly Lane[];
  readonly loads: readonly LaneLoad[];
  /** Whether stretches are as wide as they are long; else all are alike. */
  readonly timed: boolean;
}

/** No stretch is narrower than this share of the mean one: a short one must be read too. */
const NARROWEST = 0.7;

/** The plan of the day as lanes: when which setup is on which body, who carries what. */
export function lanesOf(plan: CarryPlan, stretches: readonly Stretch[]): Lanes {
  const { timed, widths } = widthsOf(plan.stretches, stretches);
  let x = 0;
  const placed = plan.stretches.map((s, i) => {
    const from = x;
    x += widths[i]!;
    return { plan: s, from, to: x };
  });
  return {
    timed,
    stretches: placed.map(({ plan: s, from, to }) => ({
      stretchId: s.stretchId,
      from,
      to,
      mayChange: s.mayChange,
      handovers: s.handovers,
    })),
    lanes: lanesIn(placed),
    loads: loadsIn(placed),
  };
}

interface PlacedStretch {
  readonly plan: CarryStretch;
  readonly from: number;
  readonly to: number;
}

function widthsOf(planned: readonly CarryStretch[], stretches: readonly Stretch[]) {
  const minutes = planned.map(({ stretchId }) => {
    const s = stretches.find((one) => one.id === stretchId);
    if (!s?.fromTime || !s.toTime) return null;
    return minutesBetween(s.fromTime, s.toTime);
  });
  const timed = minutes.every((m) => m !== null);
  const known = minutes.map((m) => (timed ? (m ?? 1) : 1));
  const mean = known.reduce((a, b) => a + b, 0) / Math.max(1, known.length);
  const wide = known.map((m) => Math.max(m, NARROWEST * mean));
  const all = wide.reduce((a, b) => a + b, 0);
  return { timed, widths: wide.map((w) => (100 * w) / all) };
}

function lanesIn(stretches: readonly PlacedStretch[]): Lane[] {
  const lanes = new Map<string, { head: Omit<Lane, 'bars'>; bars: LaneBar[] }>();
  for (const { plan, from, to } of stretches) {
    for (const hand of plan.hands) {
      const puts = [
        ...hand.start.map((on) => ({
          on,
          at: 0,
          // Put on beforehand, where the plan says so.
          isChange: plan.before.some((b) => b.bodyId === on.bodyId),
        })),
        ...hand.doings.flatMap((doing, i) =>
          doing.kind === 'put'
            ? [{ on: doing.on, at: i / hand.doings.length, isChange: doing.isChange }]
            : [],
        ),
      ];
      for (const { on, at, isChange } of puts) {
        const known = lanes.get(on.bodyId) ?? {
          head: { bodyId: on.bodyId, shooterId: hand.shooterId, placed: hand.placed },
          bars: [],
        };
        lanes.set(on.bodyId, known);
        const x = from + at * (to - from);
        const last = known.bars.at(-1);
        // What was on until now ends here.
        if (last && last.to > x) known.bars[known.bars.length - 1] = { ...last, to: x };
        if (on.pieceIds.length > 0)
          known.bars.push({
            stretchId: plan.stretchId,
            from: x,
            to,
            pieceIds: on.pieceIds,
            isChange,
          });
      }
    }
  }
  return [...lanes.values()]
    .map(({ head, bars }) => ({ ...head, bars: bars.filter((b) => b.to > b.from) }))
    .filter(({ bars }) => bars.length > 0);
}

function loadsIn(stretches: readonly PlacedStretch[]): LaneLoad[] {
  const loads = new Map<string | null, LaneLoad['steps'][number][]>();
  for (const { plan, from, to } of stretches)
    for (const hand of plan.hands) {
      if (hand.placed) continue;
      const steps = loads.get(hand.shooterId) ?? [];
      loads.set(hand.shooterId, steps);
      steps.push({
        stretchId: plan.stretchId,
        from,
        to,
        weightG: hand.weights.allG,
        bag: hand.bag,
      });
    }
  return [...loads].map(([shooterId, steps]) => ({ shooterId, steps }));
}
