import fc from 'fast-check';
import { anyOuting } from '../../../tests/support/arbitraries';
import { DEFAULT_PACKING, type Stretch } from '@/core/brief';
import { carryAnswer, type CarryPlan } from '@/core/carry';
import { type MipSolver, solveLineup } from '@/core/lineup';
import { decode } from '@/document';
import { loadHighsSolver } from '@/solver';
import { readFileSync } from 'node:fs';
import { lanesOf } from './lanes';

const OPTIONS = { timeLimitS: 30, now: () => 0 };
let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

/** The lanes draw the plan: bars follow each other, changes are as many, weights and bags the same. */
function agrees(plan: CarryPlan, stretches: readonly Stretch[]): void {
  const day = lanesOf(plan, stretches);
  expect(day.stretches.map((s) => s.stretchId)).toEqual(plan.stretches.map((s) => s.stretchId));
  expect(day.stretches[0]?.from).toBe(0);
  expect(day.stretches.at(-1)!.to).toBeCloseTo(100);
  for (const { bars } of day.lanes)
    for (const [i, bar] of bars.slice(1).entries())
      expect(bar.from).toBeGreaterThanOrEqual(bars[i]!.to - 1e-9);
  const counted = (of: (bodyId: string) => number) =>
    day.lanes.reduce((sum, lane) => sum + of(lane.bodyId), 0);
  const drawn = counted(
    (id) => day.lanes.find((l) => l.bodyId === id)!.bars.filter((b) => b.isChange).length,
  );
  expect(drawn).toBe(plan.changes);
  for (const { shooterId, steps } of day.loads)
    for (const step of steps) {
      const hand = plan.stretches
        .find((s) => s.stretchId === step.stretchId)!
        .hands.find((h) => h.shooterId === shooterId && !h.placed)!;
      expect([step.weightG, step.bag]).toEqual([hand.weights.allG, hand.bag]);
    }
  // Every setup that a picture is taken with is on a lane of that body in that stretch.
  for (const { stretchId, hands } of plan.stretches)
    for (const { doings } of hands)
      for (const doing of doings)
        if (doing.kind === 'frame')
          for (const { bodyId, pieceIds } of doing.with)
            expect(
              day.lanes
                .find((l) => l.bodyId === bodyId)
                ?.bars.some(
                  (b) => b.stretchId === stretchId && b.pieceIds.join() === pieceIds.join(),
                ),
            ).toBe(true);
}

test('the demo’s day is drawn as it is planned, as wide as it is long', () => {
  const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  const file = read.value;
  const { plan } = carryAnswer(file, solveLineup(solver, file, OPTIONS));
  agrees(plan, file.stretches);
  const day = lanesOf(plan, file.stretches);
  expect(day.timed).toBe(true);
  const [heats, , launch] = day.stretches;
  expect(heats!.to - heats!.from).toBeGreaterThan(launch!.to - launch!.from);
  expect(launch!.mayChange).toBe(false);
});

test('random days are drawn as they are planned', () => {
  fc.assert(
    fc.property(anyOuting, (outing) => {
      const question = {
        ...outing,
        outing: { ...outing.outing, currency: 'EUR' },
        packing: DEFAULT_PACKING,
      };
      const { plan } = carryAnswer(question, solveLineup(solver, outing, OPTIONS));
      agrees(plan, outing.stretches);
    }),
    { seed: 62, numRuns: 50 },
  );
});
