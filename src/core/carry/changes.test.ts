import fc from 'fast-check';
import {
  anyPlan,
  anyShared,
  fewestByEnumeration,
  fewestSharedByTrial,
} from '../../../tests/support/plans';
import { runsOf } from '../../../tests/support/runs';
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

  it('are those of a plain search for up to three people who hand things over, on 500 random plans', () => {
    let [handedOver, possible, impossible] = [0, 0, 0];
    fc.assert(
      fc.property(anyShared, (plan) => {
        const found = fewestChanges(plan.shifts, plan);
        const fewest = fewestSharedByTrial(plan);
        const all = new Set(plan.shifts.flatMap((s) => s.tasks.map((t) => t.frame.id)));
        expect(found.proven).toBe(true);
        expect(found.steps.length === all.size).toBe(fewest < Infinity);
        if (fewest === Infinity) impossible += 1;
        if (fewest === Infinity) return;
        possible += 1;
        expect(found.changes).toBe(fewest);
        handedOver += found.steps.flatMap((s) => s.put).filter((p) => p.isHandover).length;
      }),
      { seed: 42, numRuns: runsOf(500) },
    );
    expect([handedOver > 10, possible > 50, impossible > 5]).toEqual([true, true, true]);
  });

  it('are the same where what goes in the order of the brief is to be beaten, on 250 random plans', () => {
    let [kept, beaten] = [0, 0];
    for (const plan of fc.sample(anyPlan, { seed: 47, numRuns: 250 })) {
      const inOrder = fewestChanges(plan.shifts, { ...plan, anyOrder: new Set() });
      const found = fewestChanges(plan.shifts, { ...plan, known: inOrder });
      expect(found.proven).toBe(true);
      const without = fewestChanges(plan.shifts, plan);
      expect([found.changes, found.steps.length]).toEqual([without.changes, without.steps.length]);
      if (found.changes < inOrder.changes) beaten += 1;
      else kept += 1;
    }
    expect([kept > 100, beaten > 2]).toEqual([true, true]);
  });

  it('are bounded from below where the search is cut short', () => {
    const plans = fc.sample(anyShared, { seed: 5, numRuns: 80 });
    let unproven = 0;
    for (const plan of plans) {
      const cut = fewestChanges(plan.shifts, { ...plan, mostStates: 1 });
      const whole = fewestChanges(plan.shifts, plan);
      if (!cut.proven) unproven += 1;
      if (whole.steps.length > cut.steps.length) expect(cut.proven).toBe(false);
      else
        expect([cut.atLeast <= whole.changes, whole.changes <= cut.changes]).toEqual([true, true]);
    }
    expect(unproven).toBeGreaterThan(0);
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
