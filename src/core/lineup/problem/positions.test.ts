import fc from 'fast-check';
import { footingOf } from '@/core/brief';
import { ablePlaces } from '@/core/coverage';
import { kitPieces } from '@/core/gear';
import { containsPoint, covers, type Interval, subtract, union } from '@/core/intervals';
import { anyOuting, anyOutingOf, anyQuestion } from '../../../../tests/support/arbitraries';
import { aLens, aQuestion, aShelf, focalFrame } from '../../../../tests/support/gear';
import { cellsOf, cut } from '../presolve/segments';
import { abilitiesByCells, abilitiesByPlaces } from '../presolve/dominance';
import { type Field, fieldOf } from './problem';
import { isOfOnePiece, missingOf, type OccasionPlaces, placesOf } from './positions';

const every = (field: Field) => field.makers.map(() => true);
const occasionsOf = (field: Field): OccasionPlaces[] => field.targets.flatMap((t) => t.occasions);
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
        const field = fieldOf(question);
        for (const { occasion, axis, places } of occasionsOf(field)) {
          const { frame } = occasion;
          const x = axis.from * (axis.to / axis.from) ** at;
          field.makers.forEach((maker, i) => {
            const ids = kitPieces(maker.kit).join();
            const own = field.choice.setups
              .filter((s) => kitPieces(s).join() === ids)
              .map((s) => ablePlaces(s, frame, question.limits));
            const expected =
              footingOf(frame.need) === 'free'
                ? own.some((set) => set.length > 0)
                : isOfOnePiece(frame)
                  ? own.some((set) => covers(set, axis))
                  : containsPoint(union(own.flat()), x);
            expect(containsPoint(places.get(i) ?? [], x)).toBe(expected);
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
    const field = fieldOf(aQuestion({ shelf, frames: [focalFrame('f', 30, 80, 'held')] }));
    const [{ axis, places }] = occasionsOf(field) as [OccasionPlaces];
    const only = (id: string) => field.makers.map((m) => m.kit.lensId === id);
    expect(missingOf(axis, placesOf(places, only('a')))).toEqual([{ from: 50, to: 80 }]);
    expect(missingOf(axis, placesOf(places, only('b')))).toEqual([{ from: 30, to: 40 }]);
    expect(missingOf(axis, placesOf(places, every(field)))).toEqual([]);
  });
});

describe('a part of an axis, cut by itself', () => {
  it('has cells whose makers are those of its every place', () => {
    let cells = 0;
    fc.assert(
      fc.property(anyOuting, share, share, share, (question, a, b, at) => {
        const field = fieldOf(question);
        for (const { occasion, axis, places } of occasionsOf(field)) {
          if (isOfOnePiece(occasion.frame)) continue;
          const [from, to] = [a, b].sort((x, y) => x - y).map((s) => inside(axis, s));
          const part = { from: from!, to: to! };
          for (const { range, makers } of cut(occasion.frame, part, places, every(field))) {
            cells += 1;
            expect(range.from).toBeGreaterThanOrEqual(part.from);
            expect(range.to).toBeLessThanOrEqual(part.to);
            const x = inside(range, at);
            const able = [...places].filter(([, set]) => containsPoint(set, x)).map(([i]) => i);
            // At the very end of a range its neighbours' makers are able as well.
            expect(able).toEqual(expect.arrayContaining([...makers]));
            const well = [...places].filter(([, set]) => covers(set, range)).map(([i]) => i);
            expect([...makers].sort()).toEqual(well.sort());
          }
        }
      }),
      { seed: 83, numRuns: 150 },
    );
    expect(cells).toBeGreaterThan(100);
  });
});

describe('what lenses can do', () => {
  it('within another by their places, they are within it by any cells', () => {
    let within = 0;
    fc.assert(
      fc.property(anyOutingOf(10), (question) => {
        const field = fieldOf(question);
        const byPlaces = abilitiesByPlaces(field, field.targets, every(field));
        const cells = field.targets.map((t) => ({
          ...t,
          occasions: t.occasions.map((o) => cellsOf(o, every(field))),
        }));
        const byCells = abilitiesByCells(field, cells);
        for (const [id, one] of byPlaces)
          for (const [other, another] of byPlaces) {
            if (id === other || !one.isWithin(another)) continue;
            within += 1;
            expect(one.size).toBeLessThanOrEqual(another.size * (1 + 1e-9));
            const [a, b] = [byCells.get(id), byCells.get(other)];
            expect(a === undefined || (b !== undefined && a.isWithin(b))).toBe(true);
          }
      }),
      { seed: 84, numRuns: 200 },
    );
    expect(within).toBeGreaterThan(50);
  });
});
