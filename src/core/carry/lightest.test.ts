import fc from 'fast-check';
import { aBody, aLens, aShelf, focalFrame } from '../../../tests/support/gear';
import { lightestItems } from './lightest';
import type { Option, Shift } from './tasks';

/** Lenses of these weights on a body; what a stretch may use is told by their ids. */
const shelfOf = (weights: Record<string, number | null>) =>
  aShelf(Object.entries(weights).map(([id, weightG]) => aLens(id, 50, 50, 2, { weightG })));
const BODY = aBody().id;
const option = (...items: string[]): Option =>
  items.map((p) => ({ key: p, bodyId: BODY, items: [p], assignment: 0, setup: null as never }));
const shiftOf = (tasks: Record<string, readonly Option[]>): Shift => ({
  stretchId: null,
  changes: true,
  assignments: [],
  meetings: [],
  tasks: Object.entries(tasks).map(([id, options]) => ({
    frame: focalFrame(id, 50, 50, 'free'),
    options,
  })),
});
const used = (shifts: readonly Shift[]) =>
  shifts.map(({ tasks }) => [
    ...new Set(tasks.flatMap((t) => t.options.flatMap((o) => o.flatMap((m) => m.items)))),
  ]);

describe('the lightest pieces of a stretch', () => {
  it('are one heavy or two light ones, whichever weigh less together', () => {
    const tasks = { p: [option('both'), option('a')], q: [option('both'), option('b')] };
    const light = lightestItems([shiftOf(tasks)], {
      shelf: shelfOf({ both: 900, a: 300, b: 400 }),
    });
    expect(used(light)[0]!.sort()).toEqual(['a', 'b']);
    const heavy = lightestItems([shiftOf(tasks)], {
      shelf: shelfOf({ both: 600, a: 300, b: 400 }),
    });
    expect(used(heavy)[0]).toEqual(['both']);
  });

  it('make what several stretches can make where it adds least', () => {
    const p = [option('tele')];
    const shifts = [shiftOf({ p, q: [option('wide')] }), shiftOf({ p, r: [option('tele')] })];
    const light = lightestItems(shifts, { shelf: shelfOf({ wide: 300, tele: 1200 }) });
    expect(used(light)).toEqual([['wide'], ['tele']]);
  });

  it('weigh as usual for their kind where nobody knows their weight', () => {
    const tasks = { p: [option('unknown'), option('heavy')] };
    const light = lightestItems([shiftOf(tasks)], {
      shelf: shelfOf({ unknown: null, heavy: 3000 }),
    });
    expect(used(light)[0]).toEqual(['unknown']);
  });

  it('weigh as little as those of any way of making everything, on 300 random stretches', () => {
    const lenses = ['a', 'b', 'c', 'd', 'e'];
    const anyOption = fc.subarray(lenses, { minLength: 1, maxLength: 2 });
    const anyTasks = fc.array(fc.array(anyOption, { minLength: 1, maxLength: 3 }), {
      minLength: 1,
      maxLength: 4,
    });
    const anyWeights = fc.array(fc.integer({ min: 1, max: 9 }), { minLength: 5, maxLength: 5 });
    fc.assert(
      fc.property(anyTasks, anyWeights, (tasks, weights) => {
        const weightOf = Object.fromEntries(lenses.map((id, i) => [id, weights[i]! * 100]));
        const weigh = (ids: Iterable<string>) =>
          [...new Set(ids)].reduce((sum, id) => sum + weightOf[id]!, 0);
        const ways = tasks.reduce<string[][]>(
          (all, options) => all.flatMap((taken) => options.map((o) => [...taken, ...o])),
          [[]],
        );
        const named = tasks.map((options, i) => [`p${i}`, options.map((o) => option(...o))]);
        const shift = shiftOf(Object.fromEntries(named));
        const [found] = used(lightestItems([shift], { shelf: shelfOf(weightOf) }));
        const least = Math.min(...ways.map(weigh));
        expect(weigh(found!)).toBe(least);
      }),
      { seed: 17, numRuns: 300 },
    );
  });
});
