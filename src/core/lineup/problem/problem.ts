import {
  type Frame,
  type FrameId,
  hasReserve,
  isAskedTwice,
  type Limits,
  NO_RESERVE,
  type Reserve,
  withReserve,
} from '@/core/brief';
import type { BodyId } from '@/core/gear';
import {
  AS_ASKED,
  CoverageMemory,
  type Covering,
  coveringSetups,
  type Harder,
  nearestAskedM,
  stillCovering,
} from '@/core/coverage';
import { AT_EASE, type Pace } from '@/core/pace';
import { type Assignment, assignmentsOf } from './assignments';
import { type Candidate, CandidateTable } from './candidates';
import { type Opportunity, opportunitiesOf } from './opportunities';
import { missingOf, type OpportunityPositions, positionsAt } from './positions';
import type { LineupQuestion, Load } from './question';
import { type Selectable, selectable } from './selectable';
import { wantSharesPercent } from './wantShares';

/**
 * A reading of a frame: as it is asked for (base), covered at least once where it is asked for twice
 * (single), or stricter, for preferring what has something in hand.
 */
export type Layer =
  | 'base'
  | 'single'
  /** With unknown closest focuses as is usual. */
  | 'usualFocus'
  | 'stop1'
  | 'stop2'
  | 'whole'
  | 'good'
  | 'firstClass';

/** How much harder each layer is; null where it is no harder. */
const HARDER: Readonly<Record<Layer, Harder | null>> = {
  base: null,
  single: null,
  usualFocus: { ...AS_ASKED, usualFocus: true },
  stop1: { ...AS_ASKED, stops: 1 },
  stop2: { ...AS_ASKED, stops: 2 },
  whole: { ...AS_ASKED, uncropped: true },
  good: { ...AS_ASKED, leastGrade: 'good' },
  firstClass: { ...AS_ASKED, leastGrade: 'first-class' },
};

/** A frame, or another reading of it, with the opportunities on which it can be got. */
export interface Target<OnOpportunity = OpportunityPositions> {
  readonly key: string;
  readonly frame: Frame;
  readonly layer: Layer;
  readonly opportunities: readonly OnOpportunity[];
}

/** A question laid out for the choice: what may be chosen, in whose assignments, and what it makes. */
export interface Problem {
  /** Which bodies come along is chosen together with the lenses, since their weight counts. */
  readonly tied: boolean;
  /** What is packed besides items and bodies, g: it counts under the limit of all that is carried. */
  readonly packedG: number;
  /** What is packed because of pictures. */
  readonly loads: readonly Load[];
  readonly frames: readonly Frame[];
  readonly limits: Limits;
  readonly choice: Selectable;
  /** Bodies of which it is open whether they are there at all. */
  readonly openBodies: ReadonlySet<BodyId>;
  readonly assignments: readonly Assignment[];
  readonly table: CandidateTable;
  /** What makes anything in any assignment, by number. */
  readonly candidates: readonly Candidate[];
  readonly targets: readonly Target[];
  /** What is known of its setups on frames. */
  readonly memory: CoverageMemory;
  /** Frames that nothing covers with what is held in reserve: they are asked for as they are described. */
  readonly unheld: ReadonlySet<FrameId>;
}

interface LayOutOptions {
  /** Which bodies come along is chosen together with the lenses; by itself, where their weight counts. */
  readonly tied?: boolean;
  readonly pace?: Pace;
  /** Bodies of which it is open whether they are there at all. */
  readonly openBodies?: ReadonlySet<BodyId>;
  /** Of earlier questions about the same gear under limits that differ in nothing but their order. */
  readonly memory?: CoverageMemory | undefined;
  /** Also asks uncropped, whatever the order, of what may come about where setups stay on their bodies. */
  readonly leastCropped?: boolean;
}

/**
 * Lays a question out. Targets stand in the order of frame ids, so that no order flickers.
 *
 * @throws {OutOfTime} from the pace
 */
export function problemOf(
  question: LineupQuestion,
  {
    tied = bodiesWeigh(question.limits),
    pace = AT_EASE,
    openBodies = new Set(),
    memory = new CoverageMemory(),
    leastCropped = false,
  }: LayOutOptions = {},
): Problem {
  const { frames, shelf, limits, packedG = 0, loads = [] } = question;
  const choice = selectable(shelf, limits, pace, question.outing.currency);
  const assignments = assignmentsOf(question, choice.bodies, tied);
  const laidOut = { frames, limits, choice, tied, packedG, loads, openBodies, memory };
  return layOut(laidOut, assignments, pace, leastCropped);
}

/** Whether the weight of bodies counts in the choice. */
function bodiesWeigh({ countBodies, maxCarriedWeightG }: Limits): boolean {
  return countBodies || maxCarriedWeightG !== null;
}

/** The same field with other hands. */
export function withAssignments(
  problem: Problem,
  assignments: readonly Assignment[],
  pace: Pace = AT_EASE,
): Problem {
  return layOut(problem, assignments, pace);
}

function layOut(
  problem: Pick<
    Problem,
    'frames' | 'limits' | 'choice' | 'tied' | 'packedG' | 'loads' | 'openBodies' | 'memory'
  >,
  assignments: readonly Assignment[],
  pace: Pace,
  leastCropped = false,
): Problem {
  const { frames, limits, choice, tied, packedG, loads, openBodies, memory } = problem;
  const table = new CandidateTable(choice.setups, assignments, openBodies);
  return {
    ...{ tied, packedG, loads, openBodies, memory, frames, limits, choice, assignments, table },
    candidates: table.candidates,
    ...targetsOf({ frames, assignments, table, limits, memory }, pace, leastCropped),
  };
}

/** A frame with where it can come about, as asked for and at least once. */
interface Framed {
  readonly frame: Frame;
  readonly opportunities: readonly Opportunity[];
  readonly single: readonly Opportunity[];
}
type Asked = ReadonlyMap<Frame, readonly Covering[]>;

/** Each frame as asked, and the stricter readings that the order of aims asks about. */
function targetsOf(
  {
    frames,
    assignments,
    table,
    limits,
    memory,
  }: Pick<Problem, 'frames' | 'assignments' | 'table' | 'limits' | 'memory'>,
  pace: Pace,
  leastCropped: boolean,
): Pick<Problem, 'targets' | 'unheld'> {
  const ordered = [...frames].sort((a, b) => (a.id < b.id ? -1 : 1));
  const hard = ordered.map((frame) => framedOf(frame, assignments));
  const covering = (all: readonly Framed[]): Asked =>
    coveringSetups(table.setups, askedFrames(all), limits, pace, memory);
  const askedHard = covering(hard);
  const unheld = new Set(
    hasReserve(limits.reserve)
      ? hard.filter((f) => !isCoverable(f, askedHard, table)).map((f) => f.frame.id)
      : [],
  );
  const framed = hard.map((f) =>
    unheld.has(f.frame.id) ? framedOf(f.frame, assignments, NO_RESERVE) : f,
  );
  const plain = framed.filter((f) => unheld.has(f.frame.id));
  const asked = plain.length === 0 ? askedHard : new Map([...askedHard, ...covering(plain)]);
  const shares = wantSharesPercent(frames);
  const usualM = table.setups.reduce((most, s) => Math.max(most, s.usualMinFocusM ?? 0), 0);
  /** Asked for nearer than a lens usually focuses of which nobody knows how near it does. */
  const restsOnFocus = (frame: Frame) =>
    (nearestAskedM(frame) ?? Infinity) < usualM &&
    (frame.want === 'must' || (shares.get(frame.id) ?? 0) > 0);
  const asksUncropped = (opportunities: readonly Opportunity[]) =>
    limits.order.includes('crop') ||
    (leastCropped && opportunities.some((o) => o.assignments.some((a) => a.fixedSetups)));
  const targets = framed.flatMap(({ frame, opportunities, single }) =>
    layersOf(frame, limits, {
      restsOnFocus: restsOnFocus(frame),
      uncropped: asksUncropped(opportunities),
    }).map((layer) => {
      const isBase = layer === 'base';
      const harder = HARDER[layer];
      const covered =
        harder === null ? asked : stricter(asked, opportunities, harder, table, limits, pace);
      return {
        key: isBase ? frame.id : `${frame.id}#${layer}`,
        frame,
        layer,
        opportunities: (layer === 'single' ? single : opportunities).map((o) => {
          pace();
          return positionsAt(
            o,
            covered.get(o.frame) ?? [],
            table,
            isBase && frame.twice?.by === 'bodies',
          );
        }),
      };
    }),
  );
  return { targets, unheld };
}

function framedOf(
  frame: Frame,
  assignments: readonly Assignment[],
  reserve: Reserve | null = null,
): Framed {
  const opportunities = opportunitiesOf(frame, assignments, frame.twice, reserve);
  const isByPeople = isAskedTwice(frame) && frame.twice?.by === 'people';
  return {
    frame,
    opportunities,
    single: isByPeople ? opportunitiesOf(frame, assignments, null, reserve) : opportunities,
  };
}

const askedFrames = (all: readonly Framed[]): Frame[] => [
  ...new Set(
    all.flatMap(({ opportunities, single }) => [...opportunities, ...single].map((o) => o.frame)),
  ),
];

/** Whether all that may be chosen covers a frame, at least once. */
function isCoverable({ single }: Framed, asked: Asked, table: CandidateTable): boolean {
  return single.some((o) => {
    const { axis, positions } = positionsAt(o, asked.get(o.frame) ?? [], table, false);
    return missingOf(axis, positions.values()).length === 0;
  });
}

function stricter(
  asked: ReadonlyMap<Frame, readonly Covering[]>,
  opportunities: readonly Opportunity[],
  harder: Harder,
  { setups }: CandidateTable,
  limits: Limits,
  pace: Pace,
): Map<Frame, readonly Covering[]> {
  const askedFrames = new Set(opportunities.map((o) => o.frame));
  return new Map(
    [...askedFrames].map((frame) => [
      frame,
      stillCovering(setups, asked.get(frame) ?? [], frame, limits, harder, pace),
    ]),
  );
}

/** The layers that the order of aims asks about, and once where twice is asked for. */
function layersOf(
  frame: Frame,
  { order }: Limits,
  { restsOnFocus, uncropped }: { readonly restsOnFocus: boolean; readonly uncropped: boolean },
): Layer[] {
  const lit = frame.light.source.kind !== 'none';
  return [
    'base',
    ...(isAskedTwice(frame) ? (['single'] as const) : []),
    ...(restsOnFocus ? (['usualFocus'] as const) : []),
    ...(order.includes('speed') && lit ? (['stop1', 'stop2'] as const) : []),
    ...(uncropped ? (['whole'] as const) : []),
    ...(order.includes('grade') ? (['good', 'firstClass'] as const) : []),
  ];
}

/** The base targets by frame. */
export function baseTargets(problem: Problem): Map<FrameId, Target> {
  return new Map(problem.targets.filter((t) => t.layer === 'base').map((t) => [t.frame.id, t]));
}

/** A frame with what is held in reserve, but for one that nothing covers so. */
export function heldFrame(
  { unheld, limits }: Pick<Problem, 'unheld' | 'limits'>,
  frame: Frame,
): Frame {
  return unheld.has(frame.id) ? frame : withReserve(frame, limits.reserve);
}
