import type { FrameId, StretchId } from '@/core/brief';
import { type Assigned, type Wanted } from './assign';
import { KEPT_FROM, lensGroups } from './usage';
import type { Seen } from './seen';

/** One wanted picture, as it was expected and as it was had. */
export interface FrameHad {
  readonly frameId: FrameId;
  readonly count: number;
  readonly kept: number;
  /** Share of all photographs that are wanted pictures, percent. */
  readonly hadPercent: number;
  readonly expectedPercent: number | null;
  readonly cropped: number;
  /** With which lenses, as groups of the log's, most first. */
  readonly lenses: readonly { readonly group: number; readonly count: number }[];
}

/** A lens changed on a body between one photograph and the next. */
export interface ChangeMade {
  readonly camera: number;
  /** The first photograph after it, and when that was. */
  readonly photo: number;
  readonly takenMs: number;
  readonly stretchId: StretchId | null;
  readonly fromGroup: number;
  readonly toGroup: number;
}

/** What was had, against what was planned. */
export interface AgainstPlan {
  readonly count: number;
  /** Lenses by their group: the one on the shelf, and its number in the log. */
  readonly lenses: readonly { readonly lensId: string | null; readonly seen: number }[];
  readonly frames: readonly FrameHad[];
  /** Wanted pictures, bonus pictures left out, of which there is no photograph. */
  readonly missed: readonly FrameId[];
  /** Photographs that are none of the wanted pictures. */
  readonly outside: readonly number[];
  /** Planned lenses of which there is no photograph. */
  readonly unused: readonly string[];
  /** Lenses that were used and not planned, by their group. */
  readonly unplanned: readonly { readonly group: number; readonly count: number }[];
  readonly changes: readonly ChangeMade[];
  readonly cropped: number;
  readonly assigned: readonly Assigned[];
}

export function againstPlan(
  seen: Seen,
  assigned: readonly Assigned[],
  { frames }: Wanted,
  plannedLensIds: readonly string[],
): AgainstPlan {
  const { log, lenses } = seen;
  const groups = lensGroups(lenses);
  const groupOf = (i: number) => groups.of[log.lists.lens[i] ?? 0] ?? 0;
  const within = assigned.filter((a) => a.frameId !== null);
  const rows = frames.map((frame): FrameHad => {
    const had = within.filter((a) => a.frameId === frame.id);
    return {
      frameId: frame.id,
      count: had.length,
      kept: had.filter((a) => (log.numbers.rating[a.photo] ?? NaN) >= KEPT_FROM).length,
      hadPercent: within.length === 0 ? 0 : (100 * had.length) / within.length,
      expectedPercent: frame.sharePercent,
      cropped: had.filter((a) => a.cropped).length,
      lenses: countsOf(had.map((a) => groupOf(a.photo))).map(([group, count]) => ({
        group,
        count,
      })),
    };
  });
  const used = new Map(countsOf(assigned.map((a) => groupOf(a.photo))));
  const usedIds = new Set([...used.keys()].map((g) => groups.lens[g]?.id ?? null));
  return {
    count: assigned.length,
    lenses: groups.seen.map((seenAs, g) => ({
      lensId: groups.lens[g]?.id ?? null,
      seen: seenAs[0] ?? 0,
    })),
    frames: rows,
    missed: rows
      .filter((r) => r.count === 0 && frames.find((f) => f.id === r.frameId)?.want !== 'bonus')
      .map((r) => r.frameId),
    outside: assigned.filter((a) => a.frameId === null).map((a) => a.photo),
    unused: plannedLensIds.filter((id) => !([...usedIds] as (string | null)[]).includes(id)),
    unplanned: [...used].flatMap(([g, count]) => {
      const lensId = groups.lens[g]?.id ?? null;
      return lensId !== null && plannedLensIds.includes(lensId) ? [] : [{ group: g, count }];
    }),
    changes: changesMade(seen, assigned, groupOf),
    cropped: within.filter((a) => a.cropped).length,
    assigned,
  };
}

/** Values with how often they occur, most first. */
function countsOf(values: readonly number[]): [number, number][] {
  const counts = new Map<number, number>();
  for (const value of values) counts.set(value, (counts.get(value) ?? 0) + 1);
  return [...counts].sort((a, b) => b[1] - a[1] || a[0] - b[0]);
}

/** Where the lens on a camera is another than in the photograph before it. */
function changesMade(
  { log, takenMs }: Seen,
  assigned: readonly Assigned[],
  groupOf: (photo: number) => number,
): ChangeMade[] {
  const timed = assigned
    .filter(({ photo }) => !Number.isNaN(takenMs[photo] ?? NaN))
    .sort((a, b) => (takenMs[a.photo] ?? 0) - (takenMs[b.photo] ?? 0) || a.photo - b.photo);
  const onCamera = new Map<number, number>();
  return timed.flatMap(({ photo, stretch }) => {
    const camera = log.lists.camera[photo] ?? 0;
    const group = groupOf(photo);
    const before = onCamera.get(camera);
    onCamera.set(camera, group);
    if (before === undefined || before === group) return [];
    return [
      {
        camera,
        photo,
        takenMs: takenMs[photo] ?? 0,
        stretchId: stretch?.id ?? null,
        fromGroup: before,
        toGroup: group,
      },
    ];
  });
}

/** Shares for the next outing of the kind: what each picture had, whole percents. */
export function learntShares({
  frames,
}: Pick<AgainstPlan, 'frames'>): ReadonlyMap<FrameId, number> {
  return new Map(
    frames
      .filter((f) => f.count > 0)
      .map((f) => [f.frameId, Math.max(1, Math.round(f.hadPercent))]),
  );
}
