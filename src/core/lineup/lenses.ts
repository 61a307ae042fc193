import type { Frame, FrameId, Limits } from '@/core/brief';
import { shortfallOf, verdictOn } from '@/core/coverage';
import { type Lens, type LensId, mountableSetups, ownership, type Shelf } from '@/core/gear';
import type { Choice } from './choose';
import type { Interval, IntervalSet } from '@/core/intervals';
import { framesGotWith } from './evaluate';
import { type Field, fieldOf, type Target } from './field';
import { byVerdict } from './frames';
import { isAtHand, type Maker } from './makers';
import type { MipSolver } from './mipSolver';
import { missingOf, type OccasionPlaces, placesOf } from './places';
import type { LineupQuestion } from './question';
import type { LensIn, LensLack, LensOut } from './result';
import type { Selectable } from './selectable';

/** For each lens in the lineup, the frames that are lost when it stays at home. */
export function lensesIn(
  solver: MipSolver,
  field: Field,
  choice: Choice,
  lensIds: readonly LensId[],
  timeLimitS: number,
): LensIn[] {
  return lensIds.map((lensId) => {
    const rest = new Set(choice.taken.filter((id) => id !== lensId));
    const left = framesGotWith(solver, field, rest, timeLimitS);
    return { lensId, onlyIt: [...choice.got].filter((id) => !left.has(id)) };
  });
}

/** For each lens that stays out, what it makes alone, why it is out, and what it would add. */
export function lensesOut(question: LineupQuestion, field: Field, choice: Choice): LensOut[] {
  const { shelf, frames, limits } = question;
  const taken = new Set(choice.taken);
  const selectableIds = new Set(field.choice.pieces.map((p) => p.id));
  const out = shelf.lenses.filter((l) => !taken.has(l.id));
  const others = out.filter((l) => !selectableIds.has(l.id));
  const alone = madeAlone(field);
  const othersAlone = others.length > 0 ? madeAlone(othersField(question, others)) : new Map();
  const fitting = new Set<string>(
    mountableSetups({ ...shelf, lenses: out, converters: [], tubes: [] }).map((s) => s.lensId),
  );
  const lost = frames.filter((f) => !choice.got.has(f.id)).map((f) => f.id);
  const added = addedBy(field, lost, taken);
  return out.map((l) => {
    const wouldAdd = selectableIds.has(l.id) ? (added.get(l.id) ?? []) : [];
    return {
      lensId: l.id,
      makes: (selectableIds.has(l.id) ? alone.get(l.id) : othersAlone.get(l.id)) ?? [],
      reason: reasonOut(
        l,
        fitting.has(l.id),
        { limits, choice: field.choice, taken, frames },
        wouldAdd,
      ),
      wouldAdd,
    };
  });
}

/** The field of lenses that the limits leave out, as if they did not. */
function othersField(question: LineupQuestion, lenses: readonly Lens[]): Field {
  const { shelf, limits } = question;
  const bodies = shelf.bodies.filter(
    (b) => !limits.lockedOut.includes(b.id) && limits.sources.includes(b.ownership),
  );
  return fieldOf({
    ...question,
    shelf: { ...shelf, bodies, lenses: [...lenses], converters: [], tubes: [] },
    limits: {
      ...limits,
      sources: [...ownership.options],
      lockedIn: [],
      lockedOut: [],
      lensKinds: 'any',
      maxLineupWeightG: null,
      maxSpend: null,
      order: [],
    },
  });
}

/** The frames that each lens makes with nothing behind it, hands and bodies not counted. */
function madeAlone(field: Field): Map<LensId, FrameId[]> {
  const bare = field.makers.map((maker) => maker.bare);
  return framesByLens(field.targets, (occasion) =>
    lensesFor(occasion, field.makers, bare, [occasion.axis]),
  );
}

/** The lost frames that each lens would add to what is taken, hands and bodies not counted. */
function addedBy(
  field: Field,
  lost: readonly FrameId[],
  taken: ReadonlySet<string>,
): Map<LensId, FrameId[]> {
  const { makers } = field;
  const withOne = makers.map(({ kit }) => isAtHand(kit, new Set([...taken, kit.lensId])));
  const atHand = makers.map(({ kit }) => isAtHand(kit, taken));
  const wanted = new Set(lost);
  const targets = field.targets.filter((t) => wanted.has(t.frame.id));
  return framesByLens(targets, (occasion) => {
    const { axis, places } = occasion;
    const missing = missingOf(axis, placesOf(places, atHand));
    return missing.length === 0 ? [] : lensesFor(occasion, makers, withOne, missing);
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
    bodies: shelf.bodies.filter(
      (b) => !limits.lockedOut.includes(b.id) && limits.sources.includes(b.ownership),
    ),
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

function reasonOut(
  lens: Lens,
  fitsABody: boolean,
  question: {
    readonly limits: Limits;
    readonly choice: Selectable;
    readonly taken: ReadonlySet<string>;
    readonly frames: readonly Frame[];
  },
  wouldAdd: readonly FrameId[],
): LensOut['reason'] {
  const { limits, choice, taken, frames } = question;
  if (limits.lockedOut.includes(lens.id)) return 'locked-out';
  if (choice.weightUnknown.includes(lens.id)) return 'weight-unknown';
  if (choice.priceUnknown.includes(lens.id)) return 'price-unknown';
  if (!choice.pieces.some((p) => p.id === lens.id))
    return limits.sources.includes(lens.ownership) ? 'kind' : 'source';
  if (!fitsABody) return 'no-body';
  if (wouldAdd.length === 0) return 'adds-nothing';
  if (breaksLimit(lens, limits, choice, taken)) return 'limit';
  const counting = frames.some((f) => f.want !== 'bonus' && wouldAdd.includes(f.id));
  return counting ? 'earns-too-little' : 'bonus-only';
}

function breaksLimit(
  lens: Lens,
  limits: Limits,
  choice: Selectable,
  taken: ReadonlySet<string>,
): boolean {
  const along = choice.pieces.filter((p) => taken.has(p.id) || p.id === lens.id);
  const sum = (of: (p: (typeof along)[number]) => number) => along.reduce((s, p) => s + of(p), 0);
  const over = (most: number | null, value: number) => most !== null && value > most;
  return (
    over(
      limits.maxLenses,
      sum((p) => (p.kind === 'lens' ? 1 : 0)),
    ) ||
    over(limits.maxLineupWeightG, sum((p) => p.weightG ?? 0) + choice.bodyWeightG) ||
    over(
      limits.maxSpend,
      sum((p) => p.spend ?? 0),
    )
  );
}
