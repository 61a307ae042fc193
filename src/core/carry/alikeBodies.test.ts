import { bodyId } from '@/core/gear';
import { hardShifts } from '../../../bench/outings';
import { alikeBodies } from './alikeBodies';
import type { Shift } from './tasks';

const [b0, b1, b2, b3] = ['b0', 'b1', 'b2', 'b3'].map((id) => bodyId.parse(id));
const all = [b0!, b1!, b2!, b3!];

/** Shifts in which each picture goes by three lenses on any of four cameras, changed in the first. */
function shiftsWith(change: (first: Shift) => Shift): Shift[] {
  const [first, ...others] = hardShifts();
  return [change(first!), ...others];
}

describe('bodies of which one can stand for another', () => {
  it('are those on which every picture goes alike', () => {
    expect(alikeBodies(hardShifts(), all, undefined)).toEqual([all]);
  });

  it('are told apart by one way of one picture', () => {
    const shifts = shiftsWith((first) => ({
      ...first,
      tasks: first.tasks.map((task, i) =>
        i > 0 ? task : { ...task, options: task.options.filter(([m]) => m!.bodyId !== b2) },
      ),
    }));
    expect(alikeBodies(shifts, all, undefined)).toEqual([[b0, b1, b3], [b2]]);
  });

  it('are told apart by who may have them', () => {
    const shifts = shiftsWith((first) => ({
      ...first,
      assignments: first.assignments.map((h, i) => (i > 0 ? h : { ...h, bodyIds: [b0!, b1!] })),
    }));
    expect(alikeBodies(shifts, all, undefined)).toEqual([
      [b0, b1],
      [b2, b3],
    ]);
  });

  it('are told apart by weight where a weight is limited, and not where none is', () => {
    const weightOf = (id: string) => (id === 'b3' ? 900 : 500);
    const limited = shiftsWith((first) => ({
      ...first,
      assignments: first.assignments.map((h) => ({
        ...h,
        assignment: { ...h.assignment, maxWeightG: 3000 },
      })),
    }));
    expect(alikeBodies(limited, all, weightOf)).toEqual([[b0, b1, b2], [b3]]);
    expect(alikeBodies(hardShifts(), all, weightOf)).toEqual([all]);
  });
});
