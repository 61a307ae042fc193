import type { FrameId } from '@/core/brief';
import type { Problem } from '../problem/problem';
import { lensesOf } from '../problem/candidates';
import type { Presolved } from '../presolve/presolve';

/** Most lenses that are gathered: few enough for the choice among them to be quick. */
const MOST_LENSES = 12;

/**
 * Items among which a good lineup is found soon, where the whole choice takes too long: lens after
 * lens the one that makes most of what the ones before leave of the musts, then of the other frames,
 * with all that goes behind lenses. A heuristic: it promises nothing.
 */
export function fewGood(
  { choice, candidates, limits }: Problem,
  { targets, items }: Presolved,
): Set<string> {
  const most = Math.min(MOST_LENSES, limits.maxLenses ?? MOST_LENSES);
  const open = new Map<number, { readonly lenses: ReadonlySet<string>; readonly weight: number }>();
  for (const { layer, frame, opportunities } of targets) {
    const [first] = opportunities;
    if (layer !== 'base' || !first) continue;
    const weight = (frame.want === 'must' ? 1000 : 1) / first.segments.length;
    for (const segment of first.segments)
      open.set(open.size, { lenses: lensesOf(segment.candidates, candidates), weight });
  }
  const taken = new Set(choice.items.filter((p) => p.lockedIn).map((p) => p.id));
  for (let lenses = 0; lenses < most && open.size > 0; lenses += 1) {
    const gains = new Map<string, number>();
    for (const { lenses: covered, weight } of open.values())
      for (const id of covered) gains.set(id, (gains.get(id) ?? 0) + weight);
    const [best] = [...gains].sort(([a, x], [b, y]) => y - x || (a < b ? -1 : 1));
    if (!best) break;
    taken.add(best[0]);
    for (const [key, { lenses: covered }] of open) if (covered.has(best[0])) open.delete(key);
  }
  return new Set([...taken, ...items.filter((p) => p.kind !== 'lens').map((p) => p.id)]);
}

/** How much a set of frames is worth beside another: its musts first. */
export function worthOf(got: ReadonlySet<FrameId>, { frames }: Pick<Problem, 'frames'>): number {
  return frames.reduce(
    (sum, f) =>
      sum +
      (got.has(f.id) ? (f.want === 'must' ? frames.length + 1 : Number(f.want === 'want')) : 0),
    0,
  );
}
