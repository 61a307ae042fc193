import type { FrameId } from '@/core/brief';
import type { CarryQuestion } from '@/core/carry';
import {
  type Body,
  bodyId,
  type BodyId,
  type KindOfLens,
  kindsMade,
  type Lens,
  mapShelf,
  slowerThan,
  widestFNumber,
} from '@/core/gear';
import {
  answersOf,
  hadNow,
  type NextAnswers,
  type NextRun,
  type YearWorth,
  SOLVING,
  withShare,
} from './answering';
import { cheapestAsGood } from './cheapest';
import { fieldOf, type NextField } from './field';
import { jointOf } from './joint';
import type { NextQuestion } from './question';
import { hadIn, haveGoal, type NextOpen, pictureGoals } from './solving';
import { difference, inOrder, lostOf, type Worth } from './worth';

/** Pictures of one outing, by its place among those asked about. */
export interface OfOuting {
  readonly outing: number;
  readonly frameIds: readonly FrameId[];
}

/** A kind of lens that is missing. */
export interface MissingKind {
  readonly lens: Lens;
  /** What the year has more with it than with the other kinds alone. */
  readonly adds: Worth;
  readonly pictures: readonly OfOuting[];
  /** The least that it has to reach, and how slow it may be, to do the same: of marked figures. */
  readonly loosest: {
    readonly wideMm: number;
    readonly longMm: number;
    readonly fNumberWide: number;
    readonly fNumberLong: number;
  };
  /** The same range as it is made slower, and what that does not get. */
  readonly slower: {
    readonly lens: Lens;
    readonly lacks: readonly OfOuting[];
  } | null;
}

const CAMERA_CHANGES = ['iso', 'stabiliser', 'second'] as const;
/** One stop more of ISO, a stabiliser where it has none, or another like it beside it. */
export type CameraChange = (typeof CAMERA_CHANGES)[number];

export interface Missing {
  readonly before: YearWorth;
  readonly with: YearWorth;
  /** Those that add most first; none where nothing that is made adds anything. */
  readonly kinds: readonly MissingKind[];
  /** null when proven: no fewer kinds, nor less demanding ones, get as much. */
  readonly open: NextOpen | null;
  /** What each camera would add, changed in one way; without those that add nothing. */
  readonly cameras: readonly {
    readonly bodyId: BodyId;
    readonly change: CameraChange;
    readonly adds: Worth;
    readonly pictures: readonly OfOuting[];
  }[];
  /** Kinds that were looked at. */
  readonly looked: number;
}

/** Stops that a camera's stabiliser usually gains. Common practice, no source. */
const USUAL_STABILISER = 5;

/**
 * Which kinds of lenses are missing: of all that are made for the cameras there, the fewest that get the
 * most musts over the year, then the most wanted pictures as each outing counts items; then the least
 * demanding, by what such lenses usually cost. What is wished is not asked: this says what pictures lack.
 *
 * @returns null when time ran out before anything was found
 */
export function missing(question: NextQuestion, run: NextRun): Missing | null {
  const owned = withoutWishes(question);
  const kinds = kindsMade(owned.shelf.bodies);
  const field = fieldWith(
    owned,
    kinds.map(({ lens }) => lens),
  );
  const answers = answersOf(field, run);
  const had = hadNow(field);
  const before = answers.with(had);
  const joint = jointOf(field, { open: field.wished, now: before });
  const price = new Map<string, number>(kinds.map((k) => [k.lens.id, k.usualPrice]));
  const solution = cheapestAsGood(
    { field, joint, answers, run: withShare(run, SOLVING) },
    pictureGoals(field, joint, 'money'),
    [
      haveGoal(joint, 'things', () => 1),
      haveGoal(joint, 'money', (id) => price.get(id) ?? 0),
      haveGoal(joint, 'order', (_, order) => order + 1),
    ],
  );
  run.progress(SOLVING);
  if (typeof solution === 'string') return null;
  const chosen = hadIn(joint, solution)[0]!;
  const all = new Set([...had, ...chosen]);
  const after = answers.with(all);
  const found = kinds
    .filter(({ lens }) => chosen.has(lens.id))
    .map((kind) => kindOf(kind, { owned, kinds, answers, all, after, run }));
  return {
    before,
    with: after,
    kinds: found.sort((a, b) => inOrder(rankOf(a.adds), rankOf(b.adds))),
    open: solution.open,
    cameras: camerasOf(owned, before, run),
    looked: kinds.length,
  };
}

const rankOf = (adds: Worth) => [-adds.musts, adds.once, lostOf(adds)];

interface Asked {
  readonly owned: NextQuestion;
  readonly kinds: readonly KindOfLens[];
  readonly answers: NextAnswers;
  readonly all: ReadonlySet<string>;
  readonly after: YearWorth;
  readonly run: NextRun;
}

function kindOf(kind: KindOfLens, { owned, kinds, answers, all, after, run }: Asked): MissingKind {
  const { lens } = kind;
  const others = new Set([...all].filter((id) => id !== lens.id));
  const without = answers.with(others);
  const [slower] = slowerThan(kind, kinds)
    .map((one) => ({ one, then: answers.with(new Set([...others, one.lens.id])) }))
    .filter(({ then }) => isLess(without, then))
    .sort((a, b) => inOrder(rankOf(a.then.year), rankOf(b.then.year)));
  const rest = kinds.filter((k) => others.has(k.lens.id)).map((k) => k.lens);
  const does = (change: Lens): boolean => {
    const field = fieldWith(owned, [...rest, change]);
    const then = answersOf(field, run).with(
      new Set([...hadNow(field), ...[...rest, change].map(({ id }) => id)]),
    );
    return !isLess(then, after);
  };
  return {
    lens,
    adds: difference(after.year, without.year),
    pictures: gainedOver(owned, after, without),
    loosest: loosestOf(lens, does),
    slower: slower ? { lens: slower.one.lens, lacks: gainedOver(owned, after, slower.then) } : null,
  };
}

/** Marked focal lengths, mm, and f-numbers in thirds of a stop that lenses are named by. */
const MARKED_MM = [
  7, 8, 9, 10, 11, 12, 14, 15, 16, 17, 18, 20, 21, 24, 25, 28, 30, 35, 40, 45, 50, 55, 60, 70, 75,
  80, 85, 90, 100, 105, 120, 135, 140, 150, 180, 200, 250, 300, 350, 400, 500, 600, 800,
];
const MARKED_F = [
  1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11,
];

/** One figure after the other as far as it may go: the wide end, the long end, then how slow all of it. */
function loosestOf(lens: Lens, does: (change: Lens) => boolean): MissingKind['loosest'] {
  const { wideMm, longMm } = lens.focal;
  const inside = MARKED_MM.filter((mm) => mm > wideMm && mm < longMm);
  const changed = (wide: number, long: number, fNumbers = fastOf(lens, wide, long)): Lens => ({
    ...lens,
    focal: { wideMm: wide, longMm: long },
    apertures: [wide, long]
      .map((focalMm, i) => ({ focalMm, fNumber: fNumbers[i]! }))
      .slice(0, wide < long ? 2 : 1),
  });
  const ends = wideMm < longMm ? [longMm] : [];
  const wide = last([wideMm, ...inside, ...ends], (mm) => does(changed(mm, longMm)));
  const shorter = inside.filter((mm) => mm >= wide).toReversed();
  const long = last([longMm, ...shorter], (mm) => does(changed(wide, mm)));
  // As fast everywhere as it is at its fastest does what it does; it may be slower than that everywhere.
  const [fNumberWide, fNumberLong] = fastOf(lens, wide, long);
  const slower = MARKED_F.filter((f) => f > fNumberWide);
  const even = last([fNumberWide, ...slower], (f) => does(changed(wide, long, [f, f])));
  return even >= fNumberLong
    ? { wideMm: wide, longMm: long, fNumberWide: even, fNumberLong: even }
    : { wideMm: wide, longMm: long, fNumberWide, fNumberLong };
}

/** Its widest f-numbers at two focal lengths. */
const fastOf = ({ apertures }: Lens, wide: number, long: number): readonly [number, number] => [
  widestFNumber(apertures, wide),
  widestFNumber(apertures, long),
];

/** The last of some steps that holds, where the first does and all before one that does. */
function last(steps: readonly number[], holds: (step: number) => boolean): number {
  let [yes, no] = [0, steps.length];
  while (no - yes > 1) {
    const middle = Math.floor((yes + no) / 2);
    if (holds(steps[middle]!)) yes = middle;
    else no = middle;
  }
  return steps[yes]!;
}

/** Whether a year comes to less than another in musts, those covered once, or wanted pictures. */
const isLess = ({ year: one }: YearWorth, { year: other }: YearWorth): boolean =>
  inOrder(rankOf(one), rankOf(other)) > 0;

/** Pictures that one answer gets and another doesn't, or gets once alone, in the order of the brief. */
function gainedOver(question: NextQuestion, one: YearWorth, other: YearWorth): OfOuting[] {
  return question.outings.flatMap(({ question: { frames } }, outing) => {
    const [now, then] = [one.outings[outing]!, other.outings[outing]!];
    const isMore = ({ id }: { readonly id: FrameId }) =>
      now.got.has(id) && (!then.got.has(id) || (then.gotOnce.has(id) && !now.gotOnce.has(id)));
    const frameIds = frames.filter(isMore).map(({ id }) => id);
    return frameIds.length > 0 ? [{ outing, frameIds }] : [];
  });
}

/** The question without anything that is only wished. */
function withoutWishes(question: NextQuestion): NextQuestion {
  return {
    ...question,
    after: 'money',
    terms: { ...question.terms, buy: 'new' },
    shelf: mapShelf(question.shelf, (items) => items.filter((i) => i.ownership !== 'wished')),
  };
}

/** With some lenses as all that may be had besides. */
function fieldWith(question: NextQuestion, lenses: readonly Lens[]): NextField {
  const { shelf } = question;
  return fieldOf({ ...question, shelf: { ...shelf, lenses: [...shelf.lenses, ...lenses] } });
}

function camerasOf(owned: NextQuestion, before: YearWorth, run: NextRun): Missing['cameras'] {
  return owned.shelf.bodies
    .flatMap((body) =>
      CAMERA_CHANGES.flatMap((change) => {
        if (change === 'stabiliser' && (body.stabiliserStops ?? 0) > 0) return [];
        const field = fieldOf(withCamera(owned, body.id, change));
        const after = answersOf(field, run).with(hadNow(field));
        if (!isLess(before, after)) return [];
        const adds = difference(after.year, before.year);
        return [{ bodyId: body.id, change, adds, pictures: gainedOver(owned, after, before) }];
      }),
    )
    .sort((a, b) => inOrder(rankOf(a.adds), rankOf(b.adds)));
}

/** The question with one camera changed, wherever it comes along. */
function withCamera(question: NextQuestion, id: BodyId, change: CameraChange): NextQuestion {
  const changed = { iso: withIso, stabiliser: withStabiliser, second: withSecond }[change];
  return {
    ...question,
    outings: question.outings.map((o) => ({ ...o, question: changed(o.question, id) })),
  };
}

/** One camera has a stop more than the outing allows all; the others have what they had. */
function withIso(asked: CarryQuestion, id: BodyId): CarryQuestion {
  const { limits } = asked;
  return {
    ...withBodies(asked, (body) => {
      const had = Math.min(body.isoCeiling ?? Infinity, limits.isoCeiling);
      return [{ ...body, isoCeiling: body.id === id ? 2 * had : had }];
    }),
    limits: { ...limits, isoCeiling: 2 * limits.isoCeiling },
  };
}

const withStabiliser = (asked: CarryQuestion, id: BodyId): CarryQuestion =>
  withBodies(asked, (body) => [
    body.id === id ? { ...body, stabiliserStops: USUAL_STABILISER } : body,
  ]);

/** Whoever has the one has the other, too. */
function withSecond(asked: CarryQuestion, id: BodyId): CarryQuestion {
  const second = bodyId.parse(`${id.slice(0, 70)}-second`);
  return {
    ...withBodies(asked, (body) => (body.id === id ? [body, { ...body, id: second }] : [body])),
    stretches: asked.stretches.map((stretch) => ({
      ...stretch,
      hands: stretch.hands.map((hand) =>
        hand.bodyIds.includes(id) ? { ...hand, bodyIds: [...hand.bodyIds, second] } : hand,
      ),
    })),
  };
}

function withBodies(asked: CarryQuestion, change: (body: Body) => readonly Body[]): CarryQuestion {
  return { ...asked, shelf: { ...asked.shelf, bodies: asked.shelf.bodies.flatMap(change) } };
}
