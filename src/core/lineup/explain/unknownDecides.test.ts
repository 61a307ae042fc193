import { loadHighsSolver } from '@/solver';
import type { LineupResult } from '@/core/lineup';
import { aLens, aQuestion, aShelf, focalFrame, someLimits } from '../../../../tests/support/gear';
import { solveWith } from '../../../../tests/support/solve';

const solving = loadHighsSolver();
const noteOf = ({ notes }: LineupResult) => notes.find((n) => n.code === 'unknown-decides') ?? null;

describe('a figure that nobody knows', () => {
  const frames = [focalFrame('wide', 35, 35, 'free'), focalFrame('long', 180, 180, 'free')];
  const known = [
    aLens('35', 35, 35, 1.8, { weightG: 305 }),
    aLens('180', 180, 180, 2.8, { weightG: 1000 }),
  ];
  const unknown = [
    aLens('24-70', 24, 70, 2.8, { weightG: null }),
    aLens('70-200', 70, 200, 2.8, { weightG: null }),
  ];
  // Usual weights by the fit: 24–70 about 850 g, 70–200 about 1.25 kg, which may be as little as 780 g.
  const ask = async (lenses = [...known, ...unknown], limits = someLimits()) =>
    solveWith(await solving, aQuestion({ shelf: aShelf(lenses), frames, limits }));

  it('is named where it decides, with what it would take', async () => {
    const result = await ask();
    expect(result.lineup.lensIds).toEqual(['180', '35']);
    expect(noteOf(result)).toEqual({
      code: 'unknown-decides',
      figure: 'weight',
      aim: 'weight',
      ids: ['70-200'],
      instead: ['180'],
      below: 1000,
    });
    expect(result.lensesOut.map((l) => [l.lensId, l.reason])).toEqual([
      ['24-70', 'adds-nothing'],
      ['70-200', 'unknown-decides'],
    ]);
  });

  it('is not named where nothing hangs on it', async () => {
    expect(noteOf(await ask(known))).toBeNull();
    const useless = aLens('8', 8, 8, 2.8, { weightG: null });
    expect(noteOf(await ask([...known, useless]))).toBeNull();
    const light = known.map((l) => ({ ...l, weightG: 300 }));
    expect(noteOf(await ask([...light, ...unknown]))).toBeNull();
  });

  it('leaves a lineup the fewest, proven, where a lighter one would have as many lenses', async () => {
    const within = (maxLineupWeightG: number) => ask(undefined, someLimits({ maxLineupWeightG }));
    expect((await within(2000)).status).toBe('proven');
    // Within 1.2 kg by estimates there is no lineup that makes both; at its best, the 70–200 would.
    const tight = await within(1200);
    expect(tight.status).toBe('unverified');
    expect(noteOf(tight)).toMatchObject({ aim: 'musts', ids: ['70-200'] });
  });

  it('is the price where the person counts that first', async () => {
    const priced = known.map((l) => ({ ...l, priceNew: 400 }));
    const unpriced = unknown.map((l) => ({ ...l, weightG: 100, priceNew: null }));
    const note = noteOf(await ask([...priced, ...unpriced], someLimits({ order: ['price'] })));
    expect(note).toMatchObject({ figure: 'price', ids: ['24-70', '70-200'], below: 800 });
  });
});
