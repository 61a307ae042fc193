import type { FrameId } from '@/core/brief';
import type { Lens, Shelf } from '@/core/gear';
import type { AgainstPlan } from './against';
import { fewestFor, type Hindsight } from './hindsight';
import type { Seen } from './seen';
import type { Usage } from './usage';

/** Something that photographs teach, with the figures that it rests on. */
export type Lesson =
  | { readonly code: 'never-used'; readonly lensId: string; readonly weightG: number | null }
  | {
      readonly code: 'hardly-used';
      readonly lensId: string;
      readonly count: number;
      readonly of: number;
      readonly weightG: number | null;
    }
  | {
      readonly code: 'workhorse';
      readonly lensId: string | null;
      readonly seen: number;
      readonly percent: number;
    }
  | {
      readonly code: 'enough';
      readonly itemIds: readonly string[];
      readonly percent: number;
      /** Lenses that were along, those that aren't on the shelf included. */
      readonly carried: number;
      /** Whether it is known what was carried, and not only what was used. */
      readonly planned: boolean;
      readonly proven: boolean;
    }
  | {
      readonly code: 'one-end';
      readonly lensId: string;
      readonly end: 'wide' | 'long';
      readonly percent: number;
    }
  | { readonly code: 'missed'; readonly frameIds: readonly FrameId[] }
  | { readonly code: 'outside'; readonly count: number; readonly of: number }
  | { readonly code: 'more-changes'; readonly made: number; readonly planned: number }
  | {
      readonly code: 'kept-by';
      readonly lensId: string;
      readonly percent: number;
      readonly usedPercent: number;
    };

/** From where on something is worth a sentence. Our own choice. */
const WORTH = {
  /** A lens with less than this share of the photographs was hardly used, percent. */
  hardlyPercent: 2,
  /** A lens with more than this made the day, percent. */
  workhorsePercent: 50,
  /** A zoom that is at one end this often, percent. */
  endPercent: 60,
  /** What is asked of fewer lenses, percent. */
  enoughPercent: 95,
  /** Photographs outside the wanted ones, percent. */
  outsidePercent: 8,
  /** Its share of the kept ones beside its share of all. */
  keptRatio: 1.5,
} as const;
/** Photographs are at an end of a zoom within so much of it. */
const AT_END = 1.05;
/** Fewer photographs than this teach nothing. */
const LEAST_PHOTOS = 20;

export interface Learnt {
  readonly usage: Usage;
  readonly shelf: Shelf;
  /** Lenses that were carried: planned, or met in the photographs. */
  readonly carriedIds: readonly string[];
  /** Lenses that were used besides and aren't on the shelf. */
  readonly strangers: number;
  readonly hindsight: Hindsight | null;
  readonly against: AgainstPlan | null;
  readonly plannedChanges: number | null;
  /** For each lens used, how many photographs were at its ends. */
  readonly ends: ReadonlyMap<string, { readonly wide: number; readonly long: number }>;
}

/** What some photographs teach, the weightiest first. */
export function lessonsOf(learnt: Learnt): Lesson[] {
  if (learnt.usage.count < LEAST_PHOTOS) return [];
  return [
    ...enough(learnt),
    ...littleUsed(learnt),
    ...planned(learnt),
    ...workhorses(learnt),
    ...atOneEnd(learnt),
  ];
}

function enough({ hindsight, carriedIds, strangers, usage, against }: Learnt): Lesson[] {
  if (hindsight === null) return [];
  const point = fewestFor(hindsight, WORTH.enoughPercent);
  const carried = carriedIds.length + strangers;
  if (point === null || point.itemIds.length >= carried) return [];
  const percent = (100 * point.made) / Math.max(1, hindsight.count - hindsight.unknown);
  const { itemIds, proven } = point;
  const used = new Set(usage.lenses.map(({ lens }) => lens?.id as string | undefined));
  // That the others were never used is said of each of them.
  const isNew = strangers > 0 || carriedIds.some((id) => used.has(id) && !itemIds.includes(id));
  const planned = against !== null;
  return isNew ? [{ code: 'enough', itemIds, percent, carried, planned, proven }] : [];
}

function littleUsed({ usage, shelf, carriedIds }: Learnt): Lesson[] {
  const lenses = carriedIds.flatMap((id) => shelf.lenses.find((l) => l.id === id) ?? []);
  return lenses
    .map((lens) => ({
      lens,
      count: usage.lenses.find((used) => used.lens?.id === lens.id)?.count ?? 0,
    }))
    .filter(({ count }) => 100 * count < WORTH.hardlyPercent * usage.count)
    .sort((a, b) => (b.lens.weightG ?? 0) - (a.lens.weightG ?? 0))
    .map(({ lens: { id: lensId, weightG }, count }): Lesson =>
      count === 0
        ? { code: 'never-used', lensId, weightG }
        : { code: 'hardly-used', lensId, count, of: usage.count, weightG },
    );
}

function planned({ against, plannedChanges }: Learnt): Lesson[] {
  if (against === null) return [];
  const lessons: Lesson[] = [];
  if (against.missed.length > 0) lessons.push({ code: 'missed', frameIds: against.missed });
  const outside = against.outside.length;
  if (100 * outside > WORTH.outsidePercent * against.count)
    lessons.push({ code: 'outside', count: outside, of: against.count });
  if (plannedChanges !== null && against.changes.length > plannedChanges)
    lessons.push({ code: 'more-changes', made: against.changes.length, planned: plannedChanges });
  return lessons;
}

function workhorses({ usage }: Learnt): Lesson[] {
  const percent = (part: number, whole: number) => (100 * part) / Math.max(1, whole);
  const most = usage.lenses
    .filter((l) => percent(l.count, usage.count) > WORTH.workhorsePercent)
    .map((l): Lesson => ({
      code: 'workhorse',
      lensId: l.lens?.id ?? null,
      seen: l.seen[0] ?? 0,
      percent: percent(l.count, usage.count),
    }));
  const keepers = usage.lenses.flatMap((l): Lesson[] => {
    const [kept, used] = [percent(l.kept, usage.kept), percent(l.count, usage.count)];
    const isMore = usage.kept >= LEAST_PHOTOS && kept > WORTH.keptRatio * used && l.lens !== null;
    return isMore ? [{ code: 'kept-by', lensId: l.lens.id, percent: kept, usedPercent: used }] : [];
  });
  return [...most, ...keepers];
}

function atOneEnd({ usage, ends }: Learnt): Lesson[] {
  return usage.lenses.flatMap((used): Lesson[] => {
    const at = used.lens === null ? undefined : ends.get(used.lens.id);
    if (!at || !used.lens || used.count < LEAST_PHOTOS || isFixed(used.lens)) return [];
    return (['wide', 'long'] as const).flatMap((end): Lesson[] => {
      const percent = (100 * at[end]) / used.count;
      const lensId = used.lens?.id ?? '';
      return percent > WORTH.endPercent ? [{ code: 'one-end', lensId, end, percent }] : [];
    });
  });
}

const isFixed = ({ focal }: Lens) => focal.wideMm === focal.longMm;

/** For each lens of the shelf, how many photographs were at its wide and its long end. */
export function endsOf(
  seen: Pick<Seen, 'log' | 'lenses'>,
  which: Uint32Array,
): Map<string, { wide: number; long: number }> {
  const ends = new Map<string, { wide: number; long: number }>();
  for (const i of which) {
    const lens = seen.lenses[seen.log.lists.lens[i] ?? 0];
    const focal = seen.log.numbers.focalMm[i] ?? NaN;
    if (!lens || Number.isNaN(focal)) continue;
    const at = ends.get(lens.id) ?? { wide: 0, long: 0 };
    ends.set(lens.id, at);
    if (focal <= lens.focal.wideMm * AT_END) at.wide += 1;
    if (focal >= lens.focal.longMm / AT_END) at.long += 1;
  }
  return ends;
}
