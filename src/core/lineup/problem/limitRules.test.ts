import fc from 'fast-check';
import type { Limits } from '@/core/brief';
import type { MipSolver } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { anyQuestion } from '../../../../tests/support/arbitraries';
import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  focalFrame,
  someLimits,
} from '../../../../tests/support/gear';
import { solveWith, takenOf } from '../../../../tests/support/solve';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const FRAME = focalFrame('frame', 50, 50, 'free');
const solve = (
  lenses: Parameters<typeof aShelf>[0],
  limits: Partial<Limits>,
  body: Record<string, unknown> = {},
) =>
  solveWith(
    solver,
    aQuestion({
      shelf: aShelf(lenses, [], [aBody(body)]),
      frames: [FRAME],
      limits: someLimits(limits),
    }),
  );

describe('a limit on the diameter of lenses', () => {
  const thick = aLens('thick', 50, 50, 2, { diameterMm: 90, weightG: 300 });
  const thin = aLens('thin', 50, 50, 2, { diameterMm: 62, weightG: 400 });
  const unknown = aLens('unknown', 50, 50, 2, { diameterMm: null, weightG: 100 });

  it('leaves thicker lenses out, with the reason, its own measure included', () => {
    const result = solve([thick, thin], { maxDiameterMm: 62 });
    expect([...takenOf(result)]).toEqual(['thin']);
    expect(result.lensesOut).toMatchObject([{ lensId: 'thick', reason: 'too-thick' }]);
    expect([...takenOf(solve([thick, thin], { maxDiameterMm: null }))]).toEqual(['thick']);
  });

  it('takes lenses of unknown diameter that usually keep to it, and says so', () => {
    // As usual: 25 · 25 ^ 0.31 = 68 mm.
    const result = solve([unknown, thin], { maxDiameterMm: 70 });
    expect([...takenOf(result)]).toEqual(['unknown']);
    expect(result.notes).toContainEqual({ code: 'diameter-estimated', ids: ['unknown'] });
    expect(result.status).toBe('unverified');
  });

  it('leaves lenses out that are usually thicker, names them, and what they would save', () => {
    const result = solve([unknown, thin], { maxDiameterMm: 66 });
    expect([...takenOf(result)]).toEqual(['thin']);
    expect(result.notes).toContainEqual({ code: 'diameter-unknown', ids: ['unknown'] });
    expect(result.notes).toContainEqual({
      code: 'unknown-decides',
      ...{ figure: 'diameter', aim: 'weight', ids: ['unknown'], instead: ['thin'], below: null },
    });
    expect(result.status).toBe('proven');
    expect(solve([unknown], { maxDiameterMm: 66 }).status).toBe('unverified');
    expect(result.lensesOut).toMatchObject([{ lensId: 'unknown', reason: 'diameter-unknown' }]);
  });

  it('does not hide that an estimated weight decides what is covered', () => {
    // As usual the 200 mm weighs 680 g, at best 425: with the 400 g of the thin one within 850 g.
    const tele = aLens('tele', 200, 200, 4, { diameterMm: 60, weightG: null });
    const lighter = { ...unknown, weightG: 390 };
    const result = solveWith(
      solver,
      aQuestion({
        shelf: aShelf([lighter, thin, tele]),
        frames: [FRAME, focalFrame('far', 200, 200, 'free', { want: 'want' })],
        limits: someLimits({ maxDiameterMm: 66, maxLineupWeightG: 850 }),
      }),
    );
    expect([...takenOf(result)]).toEqual(['thin']);
    expect(result.notes).toMatchObject([
      { code: 'diameter-unknown' },
      { code: 'unknown-decides', figure: 'weight', aim: 'wants', ids: ['tele'] },
    ]);
    expect(result.status).toBe('unverified');
  });

  it('does not hold for what is locked in, and says so', () => {
    const result = solve([thick, thin], { maxDiameterMm: 70, lockedIn: ['thick'] });
    expect([...takenOf(result)]).toEqual(['thick']);
    expect(result.notes).toEqual([{ code: 'too-thick', ids: ['thick'] }]);
  });

  it('chooses as from a shelf without what is too thick', () => {
    fc.assert(
      fc.property(
        anyQuestion(5),
        fc.array(fc.integer({ min: 40, max: 120 }), { minLength: 5, maxLength: 5 }),
        (question, widths) => {
          const lenses = question.shelf.lenses.map((l, i) => ({
            ...l,
            diameterMm: widths[i] ?? 60,
          }));
          const { limits, shelf } = question;
          const isIn = (l: (typeof lenses)[number]) =>
            l.diameterMm <= 80 || limits.lockedIn.includes(l.id);
          const limited = solveWith(solver, {
            ...question,
            shelf: { ...shelf, lenses },
            limits: { ...limits, maxDiameterMm: 80 },
          });
          const narrowed = solveWith(solver, {
            ...question,
            shelf: { ...shelf, lenses: lenses.filter(isIn) },
          });
          expect(limited.lineup).toEqual(narrowed.lineup);
          expect(limited.totals).toEqual(narrowed.totals);
        },
      ),
      { seed: 13, numRuns: 40 },
    );
  });
});

it('keeps the lighter of two lenses where all that is carried is limited, whatever is preferred', () => {
  const cheap = aLens('cheap', 50, 50, 2, { weightG: 900, priceNew: 100 });
  const light = aLens('light', 50, 50, 2, { weightG: 200, priceNew: 800 });
  const result = solve(
    [cheap, light],
    { maxCarriedWeightG: 1000, order: ['price'] },
    { weightG: 600 },
  );
  expect([...takenOf(result)]).toEqual(['light']);
  expect(result.frames[0]?.state).toBe('clear');
});

test('a budget is kept to by an estimated price only where money is known, and the answer says so', () => {
  // As usual: 1.57 · 25 ^ 1.69 = 360 new.
  const wished = aLens('wished', 50, 50, 2, {
    ...{ priceNew: null, priceUsed: null, ownership: 'wished' as const },
  });
  const within = (maxSpend: number, currency: string) =>
    solveWith(solver, {
      ...aQuestion({
        shelf: aShelf([wished]),
        frames: [FRAME],
        limits: someLimits({ maxSpend, sources: ['owned', 'wished'] }),
      }),
      outing: { shooters: [], currency },
    });
  const kept = within(400, 'EUR');
  expect([kept.status, kept.totals.price, kept.totals.toBuy]).toEqual(['unverified', 360, 360]);
  expect(kept.totals.priceError).toBe(180);
  expect(kept.notes).toEqual([{ code: 'price-estimated', ids: ['wished'] }]);
  const over = within(300, 'EUR');
  expect([over.totals.lenses, over.status]).toEqual([0, 'unverified']);
  expect(over.notes).toMatchObject([{ code: 'unknown-decides', figure: 'price', aim: 'musts' }]);
  expect(within(400, 'JPY').notes[0]).toEqual({ code: 'price-unknown', ids: ['wished'] });
});
