import type { FrameId } from '@/core/brief';
import { type Shelf, weighingOf } from '@/core/gear';
import type { Option, Shift, Task } from './tasks';

/** Items that a stretch may use at the most; beyond it, sets are not enumerated. */
const MOST_ITEMS = 16;

/**
 * The same stretches with only the items that make their pictures at the least weight: for each
 * stretch every set of items is looked at. A picture that several stretches can make is made in the
 * one where it adds least, looked at in the order of the stretches. What weighs an unknown amount
 * counts as is usual for its kind.
 */
export function lightestItems(
  shifts: readonly Shift[],
  { shelf }: { readonly shelf: Shelf },
): Shift[] {
  const gear = weighingOf(shelf);
  const weigh = (ids: Iterable<string>) => [...ids].reduce((g, id) => g + gear.of(id), 0);
  const elsewhere = new Set<FrameId>();
  const counts = new Map<FrameId, number>();
  for (const { tasks } of shifts)
    for (const { frame } of tasks) counts.set(frame.id, (counts.get(frame.id) ?? 0) + 1);
  const fixed = shifts.map((shift) => shift.tasks.filter((t) => counts.get(t.frame.id) === 1));
  const chosen = fixed.map((tasks) => lightestFor(tasks, weigh));
  for (const [id, n] of counts) {
    if (n < 2) continue;
    let best: { at: number; items: ReadonlySet<string>; added: number } | null = null;
    shifts.forEach(({ tasks }, at) => {
      const task = tasks.find((t) => t.frame.id === id);
      if (!task) return;
      fixed[at] ??= [];
      const items = lightestFor([...fixed[at], task], weigh);
      const added = weigh(items) - weigh(chosen[at] ?? []);
      if (best === null || added < best.added) best = { at, items, added };
    });
    const found = best as { at: number; items: ReadonlySet<string>; added: number } | null;
    if (found === null) continue;
    const task = shifts[found.at]?.tasks.find((t) => t.frame.id === id);
    if (task) fixed[found.at]?.push(task);
    chosen[found.at] = found.items;
    elsewhere.add(id);
  }
  return shifts.map((shift, at) => {
    const allowed = chosen[at] ?? new Set<string>();
    const fixedIds = new Set(fixed[at]?.map((t) => t.frame.id));
    return {
      ...shift,
      tasks: shift.tasks
        .filter((t) => fixedIds.has(t.frame.id))
        .map((t) => ({ ...t, options: t.options.filter((o) => isWithin(o, allowed)) })),
    };
  });
}

const idsOf = (option: Option) => option.flatMap((m) => [m.bodyId as string, ...m.items]);
const isWithin = (option: Option, allowed: ReadonlySet<string>) =>
  idsOf(option).every((id) => allowed.has(id));

/** The lightest set of bodies and items that makes all tasks: branch and bound over their options. */
function lightestFor(
  tasks: readonly Task[],
  weigh: (ids: Iterable<string>) => number,
): ReadonlySet<string> {
  const ordered = [...tasks].sort((a, b) => a.options.length - b.options.length);
  const all = new Set(ordered.flatMap((t) => t.options.flatMap(idsOf)));
  let best: ReadonlySet<string> = all;
  let least = all.size > MOST_ITEMS ? Infinity : weigh(all);
  const visit = (i: number, taken: ReadonlySet<string>, weight: number): void => {
    if (weight >= least) return;
    const task = ordered[i];
    if (!task) {
      best = taken;
      least = weight;
      return;
    }
    if (task.options.some((o) => isWithin(o, taken))) return visit(i + 1, taken, weight);
    const seen = new Set<string>();
    for (const option of task.options) {
      const next = new Set([...taken, ...idsOf(option)]);
      const key = [...next].sort().join();
      if (seen.has(key)) continue;
      seen.add(key);
      visit(i + 1, next, weigh(next));
    }
  };
  if (least === Infinity) least = weigh(all) + 1;
  visit(0, new Set(), 0);
  return best;
}
