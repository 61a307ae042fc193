import fc from 'fast-check';
import { footingOf, type Frame, type FrameId, needAxis } from '@/core/brief';
import { ablePlaces } from '@/core/coverage';
import { kitKey, kitPieces, type Lens } from '@/core/gear';
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
import { BitSet } from './bitSet';
import { type Cell, cellsOf, essentialCells } from './segments';
import { baseTargets, type Field, fieldOf } from '../problem/problem';
import { lensesOf } from '../problem/candidates';
import { missingOf } from '../problem/positions';
import { reduce } from './presolve';

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

const everyMaker = (field: Field) => field.makers.map(() => true);

/** The frames of which every cell has a maker among some pieces, hands and bodies not counted. */
function framesWithin(field: Field, among: ReadonlySet<string>): Set<FrameId> {
  const usable = new Set<number>();
  field.makers.forEach((m, i) => {
    if (kitPieces(m.kit).every((id) => among.has(id))) usable.add(i);
  });
  return new Set(
    field.targets
      .filter(
        (t) =>
          t.layer === 'base' &&
          t.occasions.some((o) =>
            cellsOf(o, everyMaker(field)).cells.every((cell) =>
              cell.makers.some((i) => usable.has(i)),
            ),
          ),
      )
      .map((t) => t.frame.id),
  );
}

describe('cells', () => {
  const lenses = [aLens('a', 24, 50, 4), aLens('b', 40, 85, 4), aLens('c', 85, 200, 4)];
  const shown = (frame: Frame, from = lenses) => {
    const field = fieldOf(aQuestion({ shelf: aShelf(from), frames: [frame] }));
    const [target] = field.targets;
    return cellsOf(target!.occasions[0]!, everyMaker(field)).cells.map((cell) => [
      cell.range.from,
      cell.range.to,
      [...lensesOf(cell.makers, field.makers)].sort().join('+'),
    ]);
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
    const field = fieldOf(aQuestion({ shelf: aShelf(lenses), frames: [frame] }));
    const { axis, places } = field.targets[0]!.occasions[0]!;
    expect(missingOf(axis, places.values())).toEqual([
      { from: 16, to: 24 },
      { from: 200, to: 300 },
    ]);
    expect(shown(frame).some(([, , makers]) => makers === '')).toBe(true);
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
          const field = fieldOf(question);
          const ids = field.choice.pieces.map((p) => p.id);
          const taken = new Set<string>(ids.filter((_, i) => mask & (1 << i)));
          const atHand = field.choice.setups.filter((s) =>
            kitPieces(s).every((id) => taken.has(id)),
          );
          const got = framesWithin(field, taken);
          for (const frame of question.frames) {
            if (footingOf(frame.need) !== 'held' || !got.has(frame.id)) continue;
            const { from, to } = needAxis(frame.need).range;
            const places = union(atHand.flatMap((s) => [...ablePlaces(s, frame, question.limits)]));
            expect(containsPoint(places, from * (to / from) ** share)).toBe(true);
          }
        },
      ),
      { seed: 21, numRuns: 200 },
    );
  });

  it('imply others when they have fewer makers', () => {
    const cell = (from: number, makers: number[]): Cell => ({
      frameId: 'f' as never,
      range: { from, to: from + 1 },
      makers,
    });
    const cells = [
      cell(1, [1, 2, 3]),
      cell(2, [1, 2]),
      cell(3, [4]),
      cell(4, [1, 2]),
      cell(5, [4, 5]),
    ];
    const essential = essentialCells(cells, 6);
    expect(essential.map((c) => [c.range.from, [...c.makers]])).toEqual([
      [2, [1, 2]],
      [3, [4]],
    ]);
  });
});

describe('reduction', () => {
  const reducedLenses = (
    lenses: Lens[],
    frames: Frame[],
    converters: ReturnType<typeof aConverter>[] = [],
    limits = LIMITS,
  ) => {
    const field = fieldOf(aQuestion({ shelf: aShelf(lenses, converters), frames, limits }));
    return reduce(field)
      .pieces.filter((p) => p.kind === 'lens')
      .map((p) => p.id);
  };
  const frames = [focalFrame('f', 30, 60, 'held'), focalFrame('g', 90, 90, 'free')];

  it('leaves out a lens that another beats everywhere', () => {
    const good = aLens('good', 24, 105, 4, { weightG: 400 });
    expect(reducedLenses([good, aLens('short', 24, 70, 4, { weightG: 500 })], frames)).toEqual([
      'good',
    ]);
    expect(reducedLenses([good, aLens('same', 24, 105, 4, { weightG: 401 })], frames)).toEqual([
      'good',
    ]);
  });

  it('keeps a lens that is lighter, or makes something that the other does not', () => {
    const zoom = aLens('zoom', 24, 105, 4, { weightG: 700 });
    expect(reducedLenses([zoom, aLens('light', 24, 70, 4, { weightG: 300 })], frames)).toEqual([
      'light',
      'zoom',
    ]);
    expect(
      reducedLenses(
        [aLens('mid', 24, 70, 4), aLens('tele', 85, 200, 4, { weightG: 2000 })],
        frames,
      ),
    ).toEqual(['mid', 'tele']);
  });

  it('prefers a known weight to an unknown one, and keeps what is locked in', () => {
    const known = aLens('z-known', 24, 105, 4, { weightG: 3000 });
    const unknown = aLens('a-unknown', 24, 105, 4, { weightG: null });
    expect(reducedLenses([known, unknown], frames)).toEqual(['z-known']);
    expect(
      reducedLenses([known, unknown], frames, [], someLimits({ lockedIn: ['a-unknown'] })),
    ).toEqual(['a-unknown', 'z-known']);
  });

  it('lets a lens that reaches bare stand in for one that needs a converter, not the other way', () => {
    const far = [focalFrame('f', 180, 180, 'free')];
    const bare = aLens('bare', 180, 180, 4, { weightG: 400 });
    const converted = aLens('converted', 90, 90, 2, { weightG: 500 });
    const doubler = aConverter('x2', 2, ['converted']);
    expect(reducedLenses([bare, converted], far, [doubler])).toEqual(['bare']);
    expect(reducedLenses([{ ...bare, weightG: 900 }, converted], far, [doubler])).toEqual([
      'bare',
      'converted',
    ]);
  });

  it('drops frames that nothing makes wholly', () => {
    const shelf = aShelf([aLens('a', 24, 70, 4)]);
    const field = fieldOf(
      aQuestion({ shelf, frames: [personFrame('p', 1, 80, 'held'), frames[0]!] }),
    );
    expect(reduce(field).targets.map((t) => t.key)).toEqual(['f']);
  });

  it('keeps as many alike as can be of use at once', () => {
    const alike = ['a', 'b', 'c', 'd'].map((id) => aLens(id, 24, 105, 4));
    const left = (change: Partial<Parameters<typeof aQuestion>[0]>) =>
      reduce(fieldOf(aQuestion({ shelf: aShelf(alike, [], BODIES), frames, ...change }))).pieces
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
          fieldOf(q).makers.map((m) => `${m.hand?.index} ${m.bodyId} ${kitKey(m.kit)}`);
        expect(keys(turned)).toEqual(keys(asked));
        expect([...baseTargets(fieldOf(turned)).keys()]).toEqual([
          ...baseTargets(fieldOf(asked)).keys(),
        ]);
      }),
      { seed: 2, numRuns: 40 },
    );
  });
});
