import {
  darker,
  eligibleGear,
  type Frame,
  footingOf,
  type Need,
  needAxis,
  NO_RESERVE,
} from '@/core/brief';
import {
  byVerdict,
  coveredPositions,
  coveringSetups,
  type Shortfall,
  shortfallOf,
  type Verdict,
  verdictOn,
} from '@/core/coverage';
import {
  type LensId,
  mountableSetups,
  type Setup,
  stackItemIds,
  weighingOf,
  withItems,
} from '@/core/gear';
import { covers, type IntervalSet } from '@/core/intervals';
import type { LineupResult } from '../explain/result';
import { type Assignment, assignmentsOf } from '../problem/assignments';
import { opportunitiesOf } from '../problem/opportunities';
import { missingOf } from '../problem/positions';
import type { LineupQuestion } from '../problem/question';

/** How a picture may turn out other than it is described. */
export interface Change {
  /** Stops by which the light that is there is less; a flash is as strong as it is. */
  readonly stopsLess: number;
  /** What every distance is to what is described, a quotient. */
  readonly distance: number;
  /** What the speed of the subject is to what is described, a quotient. */
  readonly speed: number;
}
export const AS_DESCRIBED: Change = { stopsLess: 0, distance: 1, speed: 1 };

/** A frame as it would be described if that is how it turns out. */
export function changed(frame: Frame, { stopsLess, distance, speed }: Change): Frame {
  const { need, depth, light, views } = frame;
  const { sharp } = depth;
  const { movement } = light;
  const scaled = <D extends { readonly fromM: number; readonly toM: number | null }>(d: D): D => ({
    ...d,
    fromM: d.fromM * distance,
    toM: d.toM === null ? null : d.toM * distance,
  });
  return darker(
    {
      ...frame,
      need: needAt(need, distance),
      views: views.map(scaled),
      depth: { ...depth, sharp: sharp?.kind === 'zone' ? scaled(sharp) : sharp },
      light: {
        ...light,
        movement: movement && { ...movement, speedMps: movement.speedMps * speed },
      },
    },
    stopsLess,
  );
}

/** A need with its distances so many times as large. */
function needAt(need: Need, times: number): Need {
  if (need.kind === 'subject') return { ...need, fromM: need.fromM * times, toM: need.toM * times };
  return 'atM' in need && need.atM !== null ? { ...need, atM: need.atM * times } : need;
}

/** What a lineup has at hand for each frame, to ask what it gets of it however that turns out. */
export class LineupAtHand {
  private readonly setups: readonly Setup[];
  private readonly assignments: readonly Assignment[];
  private readonly setupsOf = new Map<number, readonly Setup[]>();

  constructor(
    private readonly question: LineupQuestion,
    private readonly result: Pick<LineupResult, 'lineup' | 'bodies' | 'hands'>,
  ) {
    const { shelf, limits } = question;
    const { lensIds, converterIds, tubeIds, adapterIds } = result.lineup;
    const taken = new Set<string>([...lensIds, ...converterIds, ...tubeIds, ...adapterIds]);
    const bodies = shelf.bodies.filter((b) => result.bodies.includes(b.id));
    this.setups = mountableSetups({ ...withItems(shelf, ({ id }) => taken.has(id)), bodies });
    // How wrong a picture may be is counted from what is described, whatever is in reserve.
    const plain = { ...question, limits: { ...limits, reserve: NO_RESERVE } };
    this.assignments = assignmentsOf(plain, bodies);
  }

  /** How many setups there are to ask. */
  get setupCount(): number {
    return this.setups.length;
  }

  /** Whether the lineup gets a frame, at least once, with some more setups at hand where their bodies are. */
  gets(frame: Frame, more: readonly Setup[] = []): boolean {
    return this.lookedAt(frame, more).some(({ there, sets }) => isGot(there, sets));
  }

  /** What each of the setups at hand makes of a frame, wherever it may be made. */
  lookedAt(frame: Frame, more: readonly Setup[] = []) {
    return this.handsFor(frame, more).map(({ there, setups }) => ({
      there,
      sets: setups
        .map((setup) => coveredPositions(setup, there, this.question.limits))
        .filter((set) => set.length > 0),
    }));
  }

  /** The verdicts of all setups at hand on a frame, wherever it may be made. */
  verdicts(frame: Frame): Verdict[] {
    return this.handsFor(frame, []).flatMap(({ there, setups }) =>
      setups.map((setup) => verdictOn(setup, there, this.question.limits)),
    );
  }

  private handsFor(frame: Frame, more: readonly Setup[]) {
    return opportunitiesOf(frame, this.assignments, null).map(({ frame: there, assignments }) => ({
      there,
      setups: [
        ...new Set(
          assignments.flatMap((assignment) => [
            ...this.inHand(assignment),
            ...more.filter((s) => assignment.bodyIds.includes(s.bodyId)),
          ]),
        ),
      ],
    }));
  }

  private inHand(assignment: Assignment): readonly Setup[] {
    const known = this.setupsOf.get(assignment.index);
    if (known) return known;
    const { stretchId, shooterId, stationId, bodyIds } = assignment;
    const hand = this.result.hands.find(
      (h) => h.stretchId === stretchId && h.shooterId === shooterId,
    );
    const isInHand = (setup: Setup) => {
      const items = stackItemIds(setup);
      return (
        (!hand || hand.stationId === stationId) &&
        bodyIds.includes(setup.bodyId) &&
        (!hand?.bodyIds || hand.bodyIds.includes(setup.bodyId)) &&
        (!hand?.pieceIds || items.every((id) => hand.pieceIds!.includes(id))) &&
        (!hand?.fixed ||
          hand.fixed.some((f) => f.bodyId === setup.bodyId && f.pieceIds.join() === items.join()))
      );
    };
    const found = this.setups.filter(isInHand);
    this.setupsOf.set(assignment.index, found);
    return found;
  }
}

/** Whether what some setups make of a frame is all that is asked of it. */
function isGot({ need }: Frame, sets: readonly IntervalSet[]): boolean {
  const axis = needAxis(need).range;
  if (footingOf(need) === 'free') return sets.length > 0;
  if (footingOf(need) === 'flowing') return sets.some((set) => covers(set, axis));
  return missingOf(axis, sets).length === 0;
}

/** What becomes of one picture that turns out other than it is described. */
export interface TurnsOut {
  readonly got: boolean;
  /** What the nearest miss of the lineup lacks; null where it is got, or nothing is at hand. */
  readonly shortfall: Shortfall | null;
  /** Lenses that would get it besides, lightest first; none where it is got. */
  readonly instead: readonly LensId[];
}

export function turnsOut(
  question: LineupQuestion,
  result: Pick<LineupResult, 'lineup' | 'bodies' | 'hands'>,
  frame: Frame,
  change: Change,
): TurnsOut {
  const atHand = new LineupAtHand(question, result);
  const asked = changed(frame, change);
  if (atHand.gets(asked)) return { got: true, shortfall: null, instead: [] };
  const [nearest] = atHand.verdicts(asked).sort(byVerdict);
  return {
    got: false,
    shortfall: nearest ? shortfallOf(nearest) : null,
    instead: wouldGet(question, result, asked, atHand),
  };
}

/**
 * The lenses that stay out and with which the lineup would get a frame as it turns out, lightest first;
 * none where the lineup gets it, or nothing would.
 */
export function wouldGet(
  question: LineupQuestion,
  result: Pick<LineupResult, 'lineup' | 'bodies' | 'hands'>,
  frame: Frame,
  atHand = new LineupAtHand(question, result),
): LensId[] {
  const { shelf, limits } = question;
  if (atHand.gets(frame)) return [];
  const eligible = eligibleGear(shelf, limits);
  const out = new Set(result.lineup.lensIds);
  const setups = mountableSetups({
    ...shelf,
    ...eligible,
    bodies: eligible.bodies.filter((b) => result.bodies.includes(b.id)),
    lenses: eligible.lenses.filter((l) => !out.has(l.id)),
    converters: eligible.converters.filter((c) => result.lineup.converterIds.includes(c.id)),
    tubes: eligible.tubes.filter((t) => result.lineup.tubeIds.includes(t.id)),
  });
  const covering = coveringSetups(setups, [frame], limits).get(frame) ?? [];
  const weighing = weighingOf(shelf);
  const able = covering.map(({ index }) => setups[index]!);
  return [...new Set(able.map((s) => s.lensId))]
    .filter((id) =>
      atHand.gets(
        frame,
        able.filter((s) => s.lensId === id),
      ),
    )
    .sort((a, b) => weighing.of(a) - weighing.of(b) || (a < b ? -1 : 1));
}
