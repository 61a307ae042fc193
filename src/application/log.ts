import type { Frame, Limits, Outing, Stretch } from '@/core/brief';
import { type Shelf, withItems } from '@/core/gear';
import {
  type AgainstPlan,
  againstPlan,
  assignPhotos,
  type ClockSuggestion,
  type Cluster,
  clustersOf,
  EMPTY_LOG,
  endsOf,
  type GearSeen,
  gearSeen,
  groupsOf,
  type Hindsight,
  hindsight,
  type HindsightRules,
  KEPT_FROM,
  lensKey,
  type Lesson,
  lessonsOf,
  type Log,
  type LogMarks,
  NO_NAME,
  recognised,
  type Seen,
  seenOf,
  select,
  stretchTimes,
  suggestClocks,
  takenWithin,
  type Usage,
  usageOf,
} from '@/core/log';
import { loadHighsSolver } from '@/solver';

/** Which photographs are looked at. */
export interface LogScope {
  /** Spans of local time in which they were taken, ms; null for all, those without a time included. */
  readonly spans: readonly (readonly [number, number])[] | null;
  /** Only those rated with a star or more. */
  readonly keptOnly: boolean;
}

/** With what photographs are looked at: the gear that may be recognised, and what the person said. */
export interface LogView {
  readonly shelf: Shelf;
  readonly marks: LogMarks;
  readonly scope: LogScope;
}

/** The outing that photographs are held against. */
export interface LogOuting {
  readonly outing: Outing;
  readonly frames: readonly Frame[];
  readonly stretches: readonly Stretch[];
  readonly limits: Limits;
  /** The lineup that was planned, lenses only. */
  readonly plannedLensIds: readonly string[];
  readonly plannedChanges: number | null;
}

/** What takes longer to be known of what was used. */
export interface UsedBesides {
  /** Of each lens of the shelf that was used: photographs that none of the others used would have made. */
  readonly onlyBy: ReadonlyMap<string, number>;
  readonly gear: GearSeen;
}

export interface OutingAnswer {
  readonly against: AgainstPlan;
  readonly clocks: readonly ClockSuggestion[];
}

/** What may be chosen in hindsight. */
export interface HindsightAsked extends LogView {
  readonly limits: Pick<
    Limits,
    | 'maxCrop'
    | 'isoCeiling'
    | 'needTolerancePercent'
    | 'converterPieces'
    | 'tubePieces'
    | 'adapterPieces'
  >;
  /** Whether wished things may be chosen too. */
  readonly withWished: boolean;
}

/** Answers questions on one log that is given beforehand, so that it isn't sent along with each. */
export function createLogAnswers() {
  let log: Log = EMPTY_LOG;
  let latest: { readonly of: LogView; readonly seen: Seen } | null = null;

  const seen = (view: LogView): Seen => {
    if (latest !== null && sameGear(latest.of, view)) return latest.seen;
    latest = { of: view, seen: seenOf(log, view.shelf, view.marks) };
    return latest.seen;
  };
  const chosen = (view: LogView) => within(seen(view), view.scope);

  return {
    give(given: Log): void {
      log = given;
      latest = null;
    },
    used(view: LogView): Usage {
      return usageOf(seen(view), chosen(view));
    },
    usedBesides(view: LogView, limits: HindsightAsked['limits']): UsedBesides {
      const which = chosen(view);
      const usage = usageOf(seen(view), which);
      return {
        onlyBy: onlyByUsed(seen(view), which, usage, view.shelf, rulesOf(limits)),
        gear: gearSeen(log, recognised(log, view.shelf, view.marks)),
      };
    },
    outing(view: LogView, asked: LogOuting): OutingAnswer {
      const now = seen(view);
      const which = chosen(view);
      const assigned = assignPhotos(now, which, asked, view.marks);
      return {
        against: againstPlan(now, assigned, asked, asked.plannedLensIds),
        clocks: suggestClocks(now, which, stretchTimes(asked.stretches)),
      };
    },
    async hindsight(asked: HindsightAsked, timeLimitS: number): Promise<Hindsight> {
      return hindsightOf(asked, seen(asked), chosen(asked), timeLimitS);
    },
    clusters(view: LogView, stretches: readonly Stretch[]): Cluster[] {
      return clustersOf(seen(view), chosen(view), stretchTimes(stretches));
    },
    async lessons(
      asked: HindsightAsked,
      outing: LogOuting | null,
      timeLimitS: number,
    ): Promise<Lesson[]> {
      const [now, which] = [seen(asked), chosen(asked)];
      const usage = usageOf(now, which);
      const met = usage.lenses.flatMap((l) => l.lens?.id ?? []);
      const carriedIds = [...new Set([...(outing?.plannedLensIds ?? []), ...met])];
      return lessonsOf({
        usage,
        shelf: asked.shelf,
        carriedIds,
        strangers: usage.lenses.filter(
          ({ lens, seen: [first] }) =>
            lens === null && lensKey(now.log.lenses[first!]!) !== NO_NAME,
        ).length,
        hindsight: await hindsightOf(
          { ...asked, shelf: withItems(asked.shelf, isLensAmong(asked.shelf, carriedIds)) },
          now,
          which,
          timeLimitS,
        ),
        against:
          outing === null
            ? null
            : againstPlan(
                now,
                assignPhotos(now, which, outing, asked.marks),
                outing,
                outing.plannedLensIds,
              ),
        plannedChanges: outing?.plannedChanges ?? null,
        ends: endsOf(now, which),
      });
    },
  };
}
export type LogAnswers = ReturnType<typeof createLogAnswers>;

const sameGear = (a: LogView, b: LogView) =>
  JSON.stringify([a.shelf, a.marks]) === JSON.stringify([b.shelf, b.marks]);

function within(seen: Seen, { spans, keptOnly }: LogScope): Uint32Array {
  const each = spans?.map((span) => takenWithin(seen, span)) ?? [];
  const inSpan = (i: number) => spans === null || each.some((isIn) => isIn(i));
  return select(
    seen.log,
    (i) => inSpan(i) && (!keptOnly || (seen.log.numbers.rating[i] ?? NaN) >= KEPT_FROM),
  );
}

function rulesOf(limits: HindsightAsked['limits']): HindsightRules {
  const { maxCrop, isoCeiling, needTolerancePercent: tolerancePercent } = limits;
  return { maxCrop, isoCeiling, tolerancePercent };
}

function isLensAmong(shelf: Shelf, ids: readonly string[]) {
  const lenses = new Set<string>(shelf.lenses.map((l) => l.id));
  return ({ id }: { readonly id: string }) => !lenses.has(id) || ids.includes(id);
}

/** What only one of the lenses that were used would have made, each bare. */
function onlyByUsed(
  seen: Seen,
  which: Uint32Array,
  usage: Usage,
  shelf: Shelf,
  rules: HindsightRules,
): Map<string, number> {
  const used = usage.lenses.flatMap(({ lens }) => lens ?? []);
  const bare = { ...shelf, lenses: used, converters: [], tubes: [], adapters: [] };
  const { groups } = groupsOf(seen, which, bare, rules);
  const only = new Map(used.map((lens) => [lens.id as string, 0]));
  for (const { ways, count } of groups) {
    const [way] = ways;
    const id = ways.length === 1 ? way?.[0] : undefined;
    if (id !== undefined) only.set(id, (only.get(id) ?? 0) + count);
  }
  return only;
}

async function hindsightOf(
  { shelf, limits, withWished }: HindsightAsked,
  seen: Seen,
  which: Uint32Array,
  timeLimitS: number,
): Promise<Hindsight> {
  const solver = await loadHighsSolver();
  const until = performance.now() + 1000 * timeLimitS;
  const has = ({ ownership }: { readonly ownership: string }) =>
    withWished || ownership !== 'wished';
  const among: Shelf = {
    ...shelf,
    bodies: shelf.bodies.filter(has),
    lenses: shelf.lenses.filter(has),
    converters: shelf.converters.filter(has),
    tubes: shelf.tubes.filter(has),
    adapters: shelf.adapters.filter(has),
  };
  const { converterPieces, tubePieces, adapterPieces } = limits;
  return hindsight(
    solver,
    seen,
    which,
    { shelf: among, rules: rulesOf(limits), converterPieces, tubePieces, adapterPieces },
    () => Math.max(0, (until - performance.now()) / 1000),
  );
}
