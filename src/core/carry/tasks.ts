import { footingOf, type Frame, type FrameId, needAxis, type StretchId } from '@/core/brief';
import { type Verdict, verdictOn } from '@/core/coverage';
import { type BodyId, kitPieces, mountableSetups, type Setup } from '@/core/gear';
import { type Interval, subtract, union } from '@/core/intervals';
import {
  type Hand,
  handsOf,
  type LineupQuestion,
  type LineupResult,
  type Occasion,
  occasionsOf,
} from '@/core/lineup';

/** One setup on one body: what is mounted to make a picture, or a part of one. */
export interface Mounting {
  readonly key: string;
  readonly bodyId: BodyId;
  readonly setup: Setup;
  /** Ids of the lens and what stands behind it. */
  readonly pieces: readonly string[];
}

/** Mountings that make a frame together, one after another or at once. */
export type Option = readonly Mounting[];

/** A frame to be made in one stretch, with every way of making it there. */
export interface Task {
  readonly frame: Frame;
  readonly options: readonly Option[];
}

/** What one shooter has in one stretch. */
export interface HandShift {
  readonly hand: Hand;
  readonly bodyIds: readonly BodyId[];
  readonly mountings: readonly Mounting[];
}

/** One stretch with what is to be made in it, in the order of the brief. */
export interface Shift {
  readonly stretchId: StretchId | null;
  /** Whether a lens may be changed in it. */
  readonly changes: boolean;
  readonly hands: readonly HandShift[];
  readonly tasks: readonly Task[];
}

/** Most setups that together make one held range; more are not looked at. */
const MOST_TOGETHER = 3;

/** The stretches of an outing with the frames that the lineup gets, and every way of making each. */
export function shiftsOf(question: LineupQuestion, result: LineupResult): Shift[] {
  const { shelf, frames, limits } = question;
  const taken = new Set<string>(takenPieces(result));
  const bodies = shelf.bodies.filter(
    (b) => limits.sources.includes(b.ownership) && !limits.lockedOut.includes(b.id),
  );
  const setups = mountableSetups({
    mounts: shelf.mounts,
    bodies,
    lenses: shelf.lenses.filter((l) => taken.has(l.id)),
    converters: shelf.converters.filter((c) => taken.has(c.id)),
    tubes: shelf.tubes.filter((t) => taken.has(t.id)),
    adapters: shelf.adapters.filter((a) => taken.has(a.id)),
  });
  const hands = handsOf(question, bodies);
  const shifts = hands.map((hand, i) => handShift(hand, setups, result.hands[i], taken));
  const got = new Set<FrameId>(
    result.frames.filter((f) => f.state !== 'lost').map((f) => f.frameId),
  );
  const occasions = new Map(
    frames.filter((f) => got.has(f.id)).map((f) => [f.id, occasionsOf(f, hands)] as const),
  );
  const stretchIds = [...new Set(hands.map((h) => h.stretchId))];
  return stretchIds.map((stretchId) => {
    const own = shifts.filter((s) => s.hand.stretchId === stretchId);
    return {
      stretchId,
      changes: !own.some((s) => s.hand.fixedSetups),
      hands: own,
      tasks: frames.flatMap((frame) => {
        const here = (occasions.get(frame.id) ?? []).filter((o) => o.stretchId === stretchId);
        const options = here.flatMap((o) => optionsOf(o, own, question));
        return options.length === 0 ? [] : [{ frame, options }];
      }),
    };
  });
}

export function takenPieces({ lineup }: LineupResult): string[] {
  return [...lineup.lensIds, ...lineup.converterIds, ...lineup.tubeIds, ...lineup.adapterIds];
}

function handShift(
  hand: Hand,
  setups: readonly Setup[],
  chosen: LineupResult['hands'][number] | undefined,
  taken: ReadonlySet<string>,
): HandShift {
  const bodyIds = chosen?.bodyIds ?? hand.bodyIds;
  const inHand = new Set<BodyId>(bodyIds);
  const pieces = new Set<string>(chosen?.pieceIds ?? taken);
  const fixed = chosen?.fixed?.map((f) => `${f.bodyId} ${f.pieceIds.join('+')}`);
  const allowed = fixed ? new Set(fixed) : null;
  const mountings = setups
    .filter((s) => inHand.has(s.bodyId) && kitPieces(s).every((id) => pieces.has(id)))
    .filter((s) => allowed === null || allowed.has(`${s.bodyId} ${kitPieces(s).join('+')}`))
    .map((setup) => ({
      // A built-in converter switched in is no other mounting: nothing comes off the body.
      key: `${setup.bodyId} ${kitPieces(setup).join('+')}`,
      bodyId: setup.bodyId,
      setup,
      pieces: kitPieces(setup),
    }));
  return { hand, bodyIds, mountings };
}

function optionsOf(
  occasion: Occasion,
  hands: readonly HandShift[],
  { limits }: Pick<LineupQuestion, 'limits'>,
): Option[] {
  const there = new Set(occasion.hands.map((h) => h.index));
  const looked = hands
    .filter((h) => there.has(h.hand.index))
    .flatMap((h) => h.mountings)
    .map((mounting) => ({ mounting, verdict: verdictOn(mounting.setup, occasion.frame, limits) }))
    .filter(({ verdict }) => verdict.able.length > 0);
  const whole = looked.filter(({ verdict }) => verdict.got).map(({ mounting }) => mounting);
  if (occasion.frame.twice) {
    const pairs = pairsApart(whole);
    if (pairs.length > 0) return pairs;
  }
  const alone = whole.map((mounting) => [mounting]);
  if (footingOf(occasion.frame.need) !== 'held') return alone;
  return [...alone, ...together(looked, needAxis(occasion.frame.need).range)];
}

/** Pairs that share neither a body nor a piece. */
function pairsApart(mountings: readonly Mounting[]): Option[] {
  return mountings.flatMap((a, i) =>
    mountings
      .slice(i + 1)
      .filter((b) => a.bodyId !== b.bodyId && !a.pieces.some((id) => b.pieces.includes(id)))
      .map((b) => [a, b]),
  );
}

/** Sets of setups of which each makes a part of a range and only all of them make it whole. */
function together(
  looked: readonly { readonly mounting: Mounting; readonly verdict: Verdict }[],
  range: Interval,
): Option[] {
  const parts = looked.filter(({ verdict }) => !verdict.got);
  const found: Option[] = [];
  const visit = (from: number, chosen: readonly (typeof parts)[number][]): void => {
    if (chosen.length > 0) {
      const made = union(chosen.flatMap(({ verdict }) => verdict.able));
      if (subtract([range], made).length === 0) {
        found.push(chosen.map(({ mounting }) => mounting));
        return;
      }
    }
    if (chosen.length === MOST_TOGETHER) return;
    for (let i = from; i < parts.length; i += 1) visit(i + 1, [...chosen, parts[i]!]);
  };
  visit(0, []);
  const isLean = (option: Option) =>
    !found.some((other) => other.length < option.length && other.every((m) => option.includes(m)));
  return found.filter(isLean);
}
