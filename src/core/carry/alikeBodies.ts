import type { BodyId } from '@/core/gear';
import type { Option, Shift } from './tasks';

/**
 * Bodies in groups in which each can stand for each: whoever may have one may have the other, they
 * weigh the same, and with the two exchanged every picture has the same ways of being made.
 *
 * @param weightOf what a body weighs, g; where weights are limited and none are told, none are alike
 */
export function alikeBodies(
  shifts: readonly Shift[],
  bodyIds: readonly BodyId[],
  weightOf: ((id: string) => number) | undefined,
): readonly (readonly BodyId[])[] {
  const isWeighed = shifts.some((s) => s.assignments.some((h) => h.assignment.maxWeightG !== null));
  const weigh = (id: BodyId) => weightOf?.(id) ?? NaN;
  const areAlike = (a: BodyId, b: BodyId) =>
    (!isWeighed || weigh(a) === weigh(b)) &&
    shifts.every(
      (shift) =>
        shift.assignments.every((h) => h.bodyIds.includes(a) === h.bodyIds.includes(b)) &&
        shift.tasks.every(({ options }) => isSameExchanged(options, a, b)),
    );
  const groups: BodyId[][] = [];
  for (const id of bodyIds) {
    const group = groups.find(([first]) => areAlike(first!, id));
    if (group) group.push(id);
    else groups.push([id]);
  }
  return groups;
}

function isSameExchanged(options: readonly Option[], a: BodyId, b: BodyId): boolean {
  const named = (exchange: (id: BodyId) => BodyId) =>
    new Set(
      options.map((option) =>
        option
          .map((m) => `${m.assignment} ${exchange(m.bodyId)} ${m.items.join('+')}`)
          .sort()
          .join('\n'),
      ),
    );
  const before = named((id) => id);
  const after = named((id) => (id === a ? b : id === b ? a : id));
  return before.size === after.size && [...after].every((name) => before.has(name));
}
