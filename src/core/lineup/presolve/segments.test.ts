import fc from 'fast-check';
import { footingOf, type Frame, type FrameId, needAxis } from '@/core/brief';
import { coveredPositions } from '@/core/coverage';
import { stackKey, stackItemIds, type Lens } from '@/core/gear';
import { containsPoint, union } from '@/core/intervals';
import { anyFrame, anyQuestion } from '../../../../tests/support/arbitraries';
import {
  aBody,
  aConverter,
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  personFrame,
  someLimits,
} from '../../../../tests/support/gear';
import { BitSet } from '@/core/bitSet';
import { type Segment, segmentsOf, essentialSegments } from './segments';
import { baseTargets, type Problem, problemOf } from '../problem/problem';
import { lensesOf } from '../problem/candidates';
import { missingOf } from '../problem/positions';
import { presolve } from './presolve';

const LIMITS = someLimits();
const BODIES = ['one', 'two', 'three'].map((id) => aBody({ id }));

describe('sets of numbers', () => {
  const sets = fc.uniqueArray(fc.integer({ min: 0, max: 99 }), { maxLength: 60 });
  const setOf = (members: number[]) => BitSet.of(100, members);
  const sorted = (members: number[]) => [...members].sort((a, b) => a - b);

  it('hold what a plain set holds', () => {
    fc.assert(
      fc.property(sets, sets, (a, b) => {
        const [x, y] = [setOf(a), setOf(b)];
        expect(x.members()).toEqual(sorted(a));
        expect(x.size).toBe(a.length);
        expect(x.isWithin(y)).toBe(a.every((m) => b.includes(m)));
        for (const m of b) x.delete(m);
        expect(x.members()).toEqual(sorted(a.filter((m) => !b.includes(m))));
      }),
      { seed: 1, numRuns: 200 },
    );
  });
});

const everyCandidate = (problem: Problem) => problem.candidates.map(() => true);

/** The frames of which every segment has a candidate among some items, assignments and bodies not counted. */
function framesWithin(problem: Problem, among: ReadonlySet<string>): Set<FrameId> {
  const usable = new Set<number>();
  problem.candidates.forEach((m, i) => {
    if (stackItemIds(m.stack).every((id) => among.has(id))) usable.add(i);
  });
  return new Set(
    problem.targets
      .filter(
        (t) =>
          t.layer === 'base' &&
          t.opportunities.some((o) =>
            segmentsOf(o, everyCandidate(problem)).segments.every((segment) =>
              segment.candidates.some((i) => usable.has(i)),
            ),
          ),
      )
      .map((t) => t.frame.id),
  );
}

describe('cells', () => {
  const lenses = [aLens('a', 24, 50, 4), aLens('b', 40, 85, 4), aLens('c', 85, 200, 4)];
  const shown = (frame: Frame, from = lenses) => {
    const problem = problemOf(aQuestion({ shelf: aShelf(from), frames: [frame] }));
    const [target] = problem.targets;
    return segmentsOf(target!.opportunities[0]!, everyCandidate(problem)).segments.map(
      (segment) => [
        segment.range.from,
        segment.range.to,
        [...lensesOf(segment.candidates, problem.candidates)].sort().join('+'),
      ],
    );
  };

  it('are the leanest runs of a held range, and only they', () => {
    expect(shown(focalFrame('f', 30, 150, 'held'))).toEqual([
      [30, 40, 'a'],
      [50, 85, 'b'],
      [85, 150, 'c'],
    ]);
  });

  it('leave the places that nothing makes to be named', () => {
    const frame = focalFrame('f', 16, 300, 'held');
    const problem = problemOf(aQuestion({ shelf: aShelf(lenses), frames: [frame] }));
    const { axis, positions } = problem.targets[0]!.opportunities[0]!;
    expect(missingOf(axis, positions.values())).toEqual([
      { from: 16, to: 24 },
      { from: 200, to: 300 },
    ]);
    expect(shown(frame).some(([, , candidates]) => candidates === '')).toBe(true);
  });

  it('are one for a free frame, a flowing frame, and a single place', () => {
    expect(shown(focalFrame('f', 30, 150, 'free'))).toEqual([[30, 150, 'a+b+c']]);
    expect(shown(focalFrame('f', 42, 80, 'flowing'))).toEqual([[42, 80, 'b']]);
    expect(shown(focalFrame('f', 45, 45, 'held'))).toEqual([[45, 45, 'a+b']]);
  });

  it('take ranges that meet in a point as meeting', () => {
    const meeting = [aLens('a', 24, 70, 4), aLens('b', 70, 200, 4)];
    expect(shown(focalFrame('f', 24, 200, 'held'), meeting)).toEqual([
      [24, 70, 'a'],
      [70, 200, 'b'],
    ]);
  });

  it('decide every place of the axis: what makes all cells makes all places', () => {
    fc.assert(
      fc.property(
        anyQuestion(5),
        fc.integer({ min: 0, max: 63 }),
        fc.double({ min: 0, max: 1, noNaN: true }),
        (asked, mask, share) => {
          const question = {
            ...asked,
            limits: { ...asked.limits, neverChange: false, order: [] },
            frames: asked.frames.map((f) => ({ ...f, twice: null })),
          };
          const problem = problemOf(question);
          const ids = problem.choice.items.map((p) => p.id);
          const taken = new Set<string>(ids.filter((_, i) => mask & (1 << i)));
          const available = problem.choice.setups.filter((s) =>
            stackItemIds(s).every((id) => taken.has(id)),
          );
          const got = framesWithin(problem, taken);
          for (const frame of question.frames) {
            if (footingOf(frame.need) !== 'held' || !got.has(frame.id)) continue;
            const { from, to } = needAxis(frame.need).range;
            const positions = union(
              available.flatMap((s) => [...coveredPositions(s, frame, question.limits)]),
            );
            expect(containsPoint(positions, from * (to / from) ** share)).toBe(true);
          }
        },
      ),
      { seed: 21, numRuns: 200 },
    );
  });

  it('imply others when they have fewer makers', () => {
    const segment = (from: number, candidates: number[]): Segment => ({
      frameId: 'f' as never,
      range: { from, to: from + 1 },
      candidates,
    });
    const segments = [
      segment(1, [1, 2, 3]),
      segment(2, [1, 2]),
      segment(3, [4]),
      segment(4, [1, 2]),
      segment(5, [4, 5]),
    ];
    const essential = essentialSegments(segments, 6);
    expect(essential.map((c) => [c.range.from, [...c.candidates]])).toEqual([
      [2, [1, 2]],
      [3, [4]],
    ]);
  });
});

describe('reduction', () => {
  const presolvedLenses = (
    lenses: Lens[],
    frames: Frame[],
    converters: ReturnType<typeof aConverter>[] = [],
    limits = LIMITS,
  ) => {
    const problem = problemOf(aQuestion({ shelf: aShelf(lenses, converters), frames, limits }));
    return presolve(problem)
      .items.filter((p) => p.kind === 'lens')
      .map((p) => p.id);
  };
  const frames = [focalFrame('f', 30, 60, 'held'), focalFrame('g', 90, 90, 'free')];

  it('leaves out a lens that another beats everywhere', () => {
    const good = aLens('good', 24, 105, 4, { weightG: 400 });
    expect(presolvedLenses([good, aLens('short', 24, 70, 4, { weightG: 500 })], frames)).toEqual([
      'good',
    ]);
    expect(presolvedLenses([good, aLens('same', 24, 105, 4, { weightG: 401 })], frames)).toEqual([
      'good',
    ]);
  });

  it('keeps a lens that is lighter, or makes something that the other does not', () => {
    const zoom = aLens('zoom', 24, 105, 4, { weightG: 700 });
    expect(presolvedLenses([zoom, aLens('light', 24, 70, 4, { weightG: 300 })], frames)).toEqual([
      'light',
      'zoom',
    ]);
    expect(
      presolvedLenses(
        [aLens('mid', 24, 70, 4), aLens('tele', 85, 200, 4, { weightG: 2000 })],
        frames,
      ),
    ).toEqual(['mid', 'tele']);
  });

  it('weighs what nobody has weighed as usual for its kind, and keeps what is locked in', () => {
    const known = aLens('z-known', 24, 105, 4, { weightG: 3000 });
    const unknown = aLens('a-unknown', 24, 105, 4, { weightG: null });
    expect(presolvedLenses([known, unknown], frames)).toEqual(['a-unknown']);
    const lighter = { ...known, weightG: 300 };
    expect(presolvedLenses([lighter, unknown], frames)).toEqual(['z-known']);
    expect(
      presolvedLenses([lighter, unknown], frames, [], someLimits({ lockedIn: ['a-unknown'] })),
    ).toEqual(['a-unknown', 'z-known']);
  });

  it('lets a lens that reaches bare stand in for one that needs a converter, not the other way', () => {
    const far = [focalFrame('f', 180, 180, 'free')];
    const bare = aLens('bare', 180, 180, 4, { weightG: 400 });
    const converted = aLens('converted', 90, 90, 2, { weightG: 500 });
    const doubler = aConverter('x2', 2, ['converted']);
    expect(presolvedLenses([bare, converted], far, [doubler])).toEqual(['bare']);
    expect(presolvedLenses([{ ...bare, weightG: 900 }, converted], far, [doubler])).toEqual([
      'bare',
      'converted',
    ]);
  });

  it('drops frames that nothing makes wholly', () => {
    const shelf = aShelf([aLens('a', 24, 70, 4)]);
    const problem = problemOf(
      aQuestion({ shelf, frames: [personFrame('p', 1, 80, 'held'), frames[0]!] }),
    );
    expect(presolve(problem).targets.map((t) => t.key)).toEqual(['f']);
  });

  it('keeps as many alike as can be of use at once', () => {
    const alike = ['a', 'b', 'c', 'd'].map((id) => aLens(id, 24, 105, 4));
    const left = (change: Partial<Parameters<typeof aQuestion>[0]>) =>
      presolve(problemOf(aQuestion({ shelf: aShelf(alike, [], BODIES), frames, ...change }))).items
        .length;
    const fixed = aStretch('s', { changes: false });
    expect(left({})).toBe(1);
    expect(left({ frames: frames.map((f) => ({ ...f, twice: { by: 'bodies' } })) })).toBe(2);
    expect(left({ stretches: [fixed] })).toBe(3);
  });

  it('knows makers in the order of their keys, whatever the order of the shelf', () => {
    fc.assert(
      fc.property(anyQuestion(4), anyFrame('extra'), (question, extra) => {
        const asked = { ...question, frames: [...question.frames, extra] };
        const { lenses, ...shelf } = asked.shelf;
        const turned = { ...asked, shelf: { ...shelf, lenses: [...lenses].reverse() } };
        const keys = (q: typeof asked) =>
          problemOf(q).candidates.map(
            (m) => `${m.assignment?.index} ${m.bodyId} ${stackKey(m.stack)}`,
          );
        expect(keys(turned)).toEqual(keys(asked));
        expect([...baseTargets(problemOf(turned)).keys()]).toEqual([
          ...baseTargets(problemOf(asked)).keys(),
        ]);
      }),
      { seed: 2, numRuns: 40 },
    );
  });
});
