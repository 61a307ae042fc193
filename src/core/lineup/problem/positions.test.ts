import fc from 'fast-check';
import { footingOf } from '@/core/brief';
import { coveredPositions } from '@/core/coverage';
import { stackItemIds } from '@/core/gear';
import { containsPoint, covers, type Interval, subtract, union } from '@/core/intervals';
import { anyOuting, anyOutingOf, anyQuestion } from '../../../../tests/support/arbitraries';
import { aLens, aQuestion, aShelf, focalFrame } from '../../../../tests/support/gear';
import { segmentsOf, cut } from '../presolve/segments';
import { abilitiesBySegments, abilitiesByPositions } from '../presolve/dominance';
import { type Problem, problemOf } from './problem';
import { isOfOneItem, missingOf, type OpportunityPositions, positionsOf } from './positions';

const every = (problem: Problem) => problem.candidates.map(() => true);
const opportunitiesOf = (problem: Problem): OpportunityPositions[] =>
  problem.targets.flatMap((t) => t.opportunities);
const inside = ({ from, to }: Interval, share: number) => from + (to - from) * share;
const share = fc.double({ min: 0.001, max: 0.999, noNaN: true });

describe('the places that makers make', () => {
  it('are what their setups make, each by itself, or the whole axis where one has to do', () => {
    fc.assert(
      fc.property(anyQuestion(5), share, (asked, at) => {
        const question = {
          ...asked,
          limits: { ...asked.limits, order: [], neverChange: false },
          frames: asked.frames.map((f) => ({ ...f, twice: null })),
        };
        const problem = problemOf(question);
        for (const { opportunity, axis, positions } of opportunitiesOf(problem)) {
          const { frame } = opportunity;
          const x = axis.from * (axis.to / axis.from) ** at;
          problem.candidates.forEach((candidate, i) => {
            const ids = stackItemIds(candidate.stack).join();
            const own = problem.choice.setups
              .filter((s) => stackItemIds(s).join() === ids)
              .map((s) => coveredPositions(s, frame, question.limits));
            const expected =
              footingOf(frame.need) === 'free'
                ? own.some((set) => set.length > 0)
                : isOfOneItem(frame)
                  ? own.some((set) => covers(set, axis))
                  : containsPoint(union(own.flat()), x);
            expect(containsPoint(positions.get(i) ?? [], x)).toBe(expected);
          });
        }
      }),
      { seed: 81, numRuns: 120 },
    );
  });

  it('leave missing what is in none of them, and nothing else', () => {
    const sets = fc.array(
      fc.tuple(fc.integer({ min: 1, max: 50 }), fc.integer({ min: 0, max: 20 })),
      { maxLength: 6 },
    );
    fc.assert(
      fc.property(sets, share, (pairs, at) => {
        const axis = { from: 10, to: 40 };
        const made = pairs.map(([from, length]) => [{ from, to: from + length }]);
        const missing = missingOf(axis, made);
        const x = inside(axis, at);
        const within = made.some((set) => containsPoint(set, x));
        const nearEnd = made
          .flat()
          .some((r) => Math.min(Math.abs(r.from - x), Math.abs(r.to - x)) < 1e-6);
        if (!nearEnd) expect(containsPoint(missing, x)).toBe(!within);
        expect(subtract(missing, union(made.flat()))).toEqual(missing);
      }),
      { seed: 82, numRuns: 300 },
    );
    expect(missingOf({ from: 5, to: 5 }, [[{ from: 5, to: 9 }]])).toEqual([]);
    expect(missingOf({ from: 5, to: 5 }, [])).toEqual([{ from: 5, to: 5 }]);
  });

  it('are narrowed to the makers that count', () => {
    const shelf = aShelf([aLens('a', 24, 50, 4), aLens('b', 40, 85, 4)]);
    const problem = problemOf(aQuestion({ shelf, frames: [focalFrame('f', 30, 80, 'held')] }));
    const [{ axis, positions }] = opportunitiesOf(problem) as [OpportunityPositions];
    const only = (id: string) => problem.candidates.map((m) => m.stack.lensId === id);
    expect(missingOf(axis, positionsOf(positions, only('a')))).toEqual([{ from: 50, to: 80 }]);
    expect(missingOf(axis, positionsOf(positions, only('b')))).toEqual([{ from: 30, to: 40 }]);
    expect(missingOf(axis, positionsOf(positions, every(problem)))).toEqual([]);
  });
});

describe('a part of an axis, cut by itself', () => {
  it('has cells whose makers are those of its every place', () => {
    let segments = 0;
    fc.assert(
      fc.property(anyOuting, share, share, share, (question, a, b, at) => {
        const problem = problemOf(question);
        for (const { opportunity, axis, positions } of opportunitiesOf(problem)) {
          if (isOfOneItem(opportunity.frame)) continue;
          const [from, to] = [a, b].sort((x, y) => x - y).map((s) => inside(axis, s));
          const part = { from: from!, to: to! };
          for (const { range, candidates } of cut(
            opportunity.frame,
            part,
            positions,
            every(problem),
          )) {
            segments += 1;
            expect(range.from).toBeGreaterThanOrEqual(part.from);
            expect(range.to).toBeLessThanOrEqual(part.to);
            const x = inside(range, at);
            const covered = [...positions]
              .filter(([, set]) => containsPoint(set, x))
              .map(([i]) => i);
            // At the very end of a range its neighbours' candidates are able as well.
            expect(covered).toEqual(expect.arrayContaining([...candidates]));
            const well = [...positions].filter(([, set]) => covers(set, range)).map(([i]) => i);
            expect([...candidates].sort()).toEqual(well.sort());
          }
        }
      }),
      { seed: 83, numRuns: 150 },
    );
    expect(segments).toBeGreaterThan(100);
  });
});

describe('what lenses can do', () => {
  it('within another by their places, they are within it by any cells', () => {
    let within = 0;
    fc.assert(
      fc.property(anyOutingOf(10), (question) => {
        const problem = problemOf(question);
        const byPositions = abilitiesByPositions(problem, problem.targets, every(problem));
        const segments = problem.targets.map((t) => ({
          ...t,
          opportunities: t.opportunities.map((o) => segmentsOf(o, every(problem))),
        }));
        const bySegments = abilitiesBySegments(problem, segments);
        for (const [id, one] of byPositions)
          for (const [other, another] of byPositions) {
            if (id === other || !one.isWithin(another)) continue;
            within += 1;
            expect(one.size).toBeLessThanOrEqual(another.size * (1 + 1e-9));
            const [a, b] = [bySegments.get(id), bySegments.get(other)];
            expect(a === undefined || (b !== undefined && a.isWithin(b))).toBe(true);
          }
      }),
      { seed: 84, numRuns: 200 },
    );
    expect(within).toBeGreaterThan(50);
  });
});
