import fc from 'fast-check';
import { loadHighsSolver } from '@/solver';
import type { MipSolver } from '../solve/mipSolver';
import { solveChoice } from '../solveLineup';
import { worthKnowing } from './worthKnowing';
import { aLens, aQuestion, aShelf, focalFrame, someLimits } from '../../../../tests/support/gear';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});
const options = { timeLimitS: 5, now: () => 0, most: 1000 };

/** Everything known but weight and price. */
const WHOLE = {
  minFocusM: 0.3,
  maxMagnification: 0.2,
  imageCircleMm: 44,
  smallestFNumber: 22,
  sealed: true,
  autofocus: true,
  frontThread: true,
} as const;

test('a weight that decides between two lenses is worth knowing, one that cannot is not', () => {
  const question = aQuestion({
    frames: [focalFrame('wide', 24, 24, 'free')],
    shelf: aShelf([
      aLens('known', 24, 70, 2.8, { ...WHOLE, weightG: 800 }),
      aLens('light', 24, 50, 2.8, { ...WHOLE, weightG: null }),
      aLens('beside', 100, 200, 2.8, { weightG: null }),
    ]),
    limits: someLimits({ order: ['weight'] }),
  });
  expect(worthKnowing(solver, question, options)).toMatchObject({
    figures: [{ kind: 'lenses', itemId: 'light', field: 'weightG' }],
    together: [],
    complete: true,
  });
});

test('nothing is asked for when all that counts is known', () => {
  const lens = aLens('a', 24, 70, 2.8, { ...WHOLE, weightG: 800, priceNew: 9 });
  const question = aQuestion({ frames: [focalFrame('f', 24, 24, 'free')], shelf: aShelf([lens]) });
  expect(worthKnowing(solver, question, options).figures).toEqual([]);
});

/** The plain way: each unknown weight and price at each end by itself, whatever the others are. */
test('finds the same single weights as trying each by itself', () => {
  const lens = (id: string) =>
    fc
      .record({
        wide: fc.constantFrom(16, 24, 35, 50),
        factor: fc.constantFrom(1, 2, 3),
        weightG: fc.constantFrom(null, null, 300, 900),
      })
      .map(({ wide, factor, weightG }) => aLens(id, wide, wide * factor, 2.8, { weightG }));
  const frames = [16, 35, 70].map((mm) => focalFrame(`f${mm}`, mm, mm, 'free'));
  fc.assert(
    fc.property(fc.tuple(lens('a'), lens('b'), lens('c'), lens('d'), lens('e')), (lenses) => {
      const limits = someLimits({ order: ['weight'] });
      const question = aQuestion({ frames, shelf: aShelf(lenses), limits });
      const lineup = (list: typeof lenses) =>
        solveChoice(
          solver,
          { ...question, shelf: { ...question.shelf, lenses: list } },
          options,
        ).choice?.taken.join(' ');
      const now = lineup(lenses);
      const expected = lenses.filter(
        (l) =>
          l.weightG === null &&
          [60, 6500].some(
            (weightG) =>
              lineup(lenses.map((x) => (x === l ? { ...x, weightG } : x)) as typeof lenses) !== now,
          ),
      );
      const found = worthKnowing(solver, question, options).figures.filter(
        (f) => f.field === 'weightG',
      );
      expect(found.map((f) => f.itemId)).toEqual(expected.map((l) => l.id));
    }),
    { seed: 113, numRuns: 30 },
  );
});
