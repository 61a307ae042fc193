import { eligibleBodies, type Frame, type FrameId, type Limits } from '@/core/brief';
import { byVerdict, shortfallOf, verdictOn } from '@/core/coverage';
import {
  type Lens,
  type LensId,
  mountableSetups,
  type Ownership,
  type Shelf,
  SOURCES,
} from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import type { Choice } from '../solve/choose';
import type { Interval, IntervalSet } from '@/core/intervals';
import { framesGotWith } from './evaluate';
import { type Field, fieldOf, type Target } from '../problem/problem';
import { isLoose } from '../problem/assignments';
import { isAtHand, type Maker } from '../problem/candidates';
import type { MipSolver } from '../solve/mipSolver';
import { missingOf, type OccasionPlaces, placesOf } from '../problem/positions';
import type { LineupQuestion } from '../problem/question';
import type { LensLack, LensOut } from './result';

/** The frames that are lost when a lens of the lineup stays at home. */
export function onlyIt(
  solver: MipSolver,
  field: Field,
  choice: Choice,
  lensId: LensId,
  timeLimitS: number,
): FrameId[] {
  const rest = new Set(choice.taken.filter((id) => id !== lensId));
  const left = framesGotWith(solver, field, rest, timeLimitS);
  return [...choice.got].filter((id) => !left.has(id));
}

/** For each lens that stays out, what it makes alone, why it is out, and what it would add. */
export function lensesOut(
  solver: MipSolver,
  question: LineupQuestion,
  field: Field,
  choice: Choice,
  timeLimitS: number,
  pace: Pace = AT_EASE,
): LensOut[] {
  const { shelf, frames } = question;
  const taken = new Set(choice.taken);
  const selectableIds = new Set(field.choice.pieces.map((p) => p.id));
  const out = shelf.lenses.filter((l) => !taken.has(l.id));
  const others = out.filter((l) => !selectableIds.has(l.id));
  const alone = madeAlone(field);
  const othersAlone =
    others.length > 0 ? madeAlone(othersField(question, others, pace)) : new Map();
  const fitting = new Set<string>(
    mountableSetups({ ...shelf, lenses: out, converters: [], tubes: [] }, pace).map(
      (s) => s.lensId,
    ),
  );
  const lost = frames.filter((f) => !choice.got.has(f.id)).map((f) => f.id);
  const added = addedBy(field, lost, taken);
  return out.map((l) => {
    pace();
    const wouldAdd = selectableIds.has(l.id) ? (added.get(l.id) ?? []) : [];
    return {
      lensId: l.id,
      makes: (selectableIds.has(l.id) ? alone.get(l.id) : othersAlone.get(l.id)) ?? [],
      reason: reasonOut(l, fitting.has(l.id), wouldAdd, { solver, field, choice, timeLimitS }),
      wouldAdd,
    };
  });
}

/** The field of lenses that the limits leave out, as if they did not. */
function othersField(question: LineupQuestion, lenses: readonly Lens[], pace: Pace): Field {
  const { shelf, limits } = question;
  const bodies = eligibleBodies(shelf, limits);
  const asIfNot: LineupQuestion = {
    ...question,
    shelf: { ...shelf, bodies, lenses: [...lenses], converters: [], tubes: [] },
    limits: {
      ...limits,
      sources: [...SOURCES],
      lockedIn: [],
      lockedOut: [],
      spares: [],
      countBodies: false,
      maxCarriedWeightG: null,
      formats: null,
      bodyMounts: null,
      lensKinds: 'any',
      maxLineupWeightG: null,
      maxSpend: null,
      order: [],
    },
  };
  return fieldOf(asIfNot, undefined, pace);
}

/** The frames that each lens makes with nothing behind it, hands and bodies not counted. */
function madeAlone(field: Field): Map<LensId, FrameId[]> {
  const bare = field.makers.map((maker) => maker.bare);
  return framesByLens(field.targets, (occasion) =>
    lensesFor(occasion, field.makers, bare, [occasion.axis]),
  );
}

/**
 * The lost frames that each lens, with what could come with it, would add to what is taken; hands and
 * bodies not counted.
 */
function addedBy(
  field: Field,
  lost: readonly FrameId[],
  taken: ReadonlySet<string>,
): Map<LensId, FrameId[]> {
  const { makers } = field;
  const withOne = makers.map(() => true);
  const atHand = makers.map(({ kit }) => isAtHand(kit, taken));
  const wanted = new Set(lost);
  const targets = field.targets.filter((t) => wanted.has(t.frame.id));
  return framesByLens(targets, (occasion) => {
    const { axis, places } = occasion;
    const missing = missingOf(axis, placesOf(places, atHand));
    // What is at hand and still not made is kept by hands and bodies: a lens that makes it all may help.
    return lensesFor(occasion, makers, withOne, missing.length === 0 ? [axis] : missing);
  });
}

/** The frames of some targets by the lenses that get one of their occasions. */
function framesByLens(
  targets: readonly Target[],
  lensesOn: (occasion: OccasionPlaces) => readonly LensId[],
): Map<LensId, FrameId[]> {
  const frames = new Map<LensId, FrameId[]>();
  for (const target of targets) {
    if (target.layer !== 'base') continue;
    const able = new Set(target.occasions.flatMap(lensesOn));
    for (const id of able) frames.set(id, [...(frames.get(id) ?? []), target.frame.id]);
  }
  return frames;
}

/** The lenses of which the makers that count make some places of an occasion together. */
function lensesFor(
  { places }: OccasionPlaces,
  makers: readonly Maker[],
  counts: readonly boolean[],
  missing: readonly Interval[],
): LensId[] {
  const own = new Map<LensId, IntervalSet[]>();
  for (const [i, set] of places) {
    if (!counts[i]) continue;
    const { lensId } = makers[i]!.kit;
    const sets = own.get(lensId);
    if (sets) sets.push(set);
    else own.set(lensId, [set]);
  }
  return [...own].flatMap(([id, sets]) =>
    missing.every((range) => missingOf(range, sets).length === 0) ? [id] : [],
  );
}

/** What one lens lacks for each frame that it does not make alone, by its best setup. */
export function lensLacks(
  { shelf, frames, limits }: { frames: readonly Frame[]; shelf: Shelf; limits: Limits },
  id: LensId,
): LensLack[] {
  const setups = mountableSetups({
    ...shelf,
    bodies: eligibleBodies(shelf, limits),
    lenses: shelf.lenses.filter((l) => l.id === id),
    converters: [],
    tubes: [],
  });
  return frames.flatMap((frame) => {
    const best = setups.map((s) => verdictOn(s, frame, limits)).sort(byVerdict)[0];
    const shortfall = best ? shortfallOf(best) : null;
    return best && shortfall ? [{ frameId: frame.id, bodyId: best.bodyId, shortfall }] : [];
  });
}

/** What a choice was made in, to find out what keeps a lens out of it. */
interface Made {
  readonly solver: MipSolver;
  readonly field: Field;
  readonly choice: Choice;
  readonly timeLimitS: number;
}

/**
 * Why a lens stays out. A must that it would add is never left for what the lens earns: a limit keeps
 * it out. A wanted picture may be, unless a limit stands in the way as well.
 */
function reasonOut(
  lens: Lens,
  fitsABody: boolean,
  wouldAdd: readonly FrameId[],
  made: Made,
): LensOut['reason'] {
  const { limits, choice, frames } = made.field;
  if (limits.lockedOut.includes(lens.id)) return 'locked-out';
  if (choice.weightUnknown.includes(lens.id)) return 'weight-unknown';
  if (choice.priceUnknown.includes(lens.id)) return 'price-unknown';
  if (!choice.pieces.some((p) => p.id === lens.id))
    return new Set<Ownership>(limits.sources).has(lens.ownership) ? 'kind' : 'source';
  if (!fitsABody) return 'no-body';
  if (wouldAdd.length === 0) return 'adds-nothing';
  const added = frames.filter((f) => wouldAdd.includes(f.id));
  if (added.some((f) => f.want === 'must') || isLimited(lens, wouldAdd, made)) return 'limit';
  return added.some((f) => f.want === 'want') ? 'earns-too-little' : 'bonus-only';
}

/** Whether the limits leave no way to get any of some frames with a lens and all that goes behind it. */
function isLimited(
  lens: Lens,
  wouldAdd: readonly FrameId[],
  { solver, field, choice, timeLimitS }: Made,
): boolean {
  const { limits, choice: all, hands } = field;
  const isFree =
    limits.maxLenses === null &&
    limits.maxLineupWeightG === null &&
    limits.maxCarriedWeightG === null &&
    limits.maxSpend === null &&
    hands.every(isLoose);
  if (isFree) return false;
  const behind = all.pieces.filter((p) => p.kind !== 'lens').map((p) => p.id);
  const among = new Set<string>([...choice.taken, ...behind, lens.id]);
  const got = framesGotWith(solver, field, among, timeLimitS);
  return !wouldAdd.some((id) => got.has(id));
}
