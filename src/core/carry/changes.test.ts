import fc from 'fast-check';
import { anyPlan, fewestByEnumeration } from '../../../tests/support/plans';
import { fewestChanges } from './changes';

describe('the fewest changes', () => {
  it('are those of looking at everything that can be done, on 300 random plans', () => {
    let compared = 0;
    fc.assert(
      fc.property(anyPlan, (plan) => {
        const found = fewestChanges(plan.shifts, plan);
        const fewest = fewestByEnumeration(plan);
        const all = new Set(plan.shifts.flatMap((s) => s.tasks.map((t) => t.frame.id)));
        const made = new Set(found.steps.map((s) => s.frameId));
        expect(found.proven).toBe(true);
        expect(made.size === all.size).toBe(fewest < Infinity);
        if (fewest === Infinity) return;
        compared += 1;
        expect(found.changes).toBe(fewest);
        expect(found.steps.flatMap((s) => s.put).filter((p) => p.isChange)).toHaveLength(fewest);
      }),
      { seed: 41, numRuns: 300 },
    );
    expect(compared).toBeGreaterThanOrEqual(200);
  });

  it('are given as the best found where the search is cut short', () => {
    const plans = fc.sample(anyPlan, { seed: 5, numRuns: 60 });
    const cut = plans.map((plan) => fewestChanges(plan.shifts, { ...plan, mostStates: 1 }));
    const whole = plans.map((plan) => fewestChanges(plan.shifts, plan));
    expect(cut.some((c) => !c.proven)).toBe(true);
    cut.forEach((c, i) => {
      if (c.proven) expect(c.changes).toBe(whole[i]?.changes);
    });
  });
});
