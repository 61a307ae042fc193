import fc from 'fast-check';
import {
  alternativesOf,
  type ExploreOptions,
  type LineupQuestion,
  type Alternatives,
  type MipSolver,
  solveChoice,
  wantSharesPercent,
} from '..';
import { loadHighsSolver } from '@/solver';
import { anyOuting, anyQuestion } from '../../../../tests/support/arbitraries';
import {
  aimValues,
  aimValuesByBodies,
  bestByEnumeration,
  compareAims,
} from '../../../../tests/support/enumerate';
import { itemsLeft } from '../../../../tests/support/plainAims';
import { aLens, aQuestion, aShelf, focalFrame, someLimits } from '../../../../tests/support/gear';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const explore = (question: LineupQuestion, change: Partial<ExploreOptions> = {}): Alternatives =>
  alternativesOf(solver, question, {
    timeLimitS: 30,
    mostTies: 60,
    mostNext: 3,
    mostPoints: 200,
    mostOut: 20,
    ...change,
  })!;

const subsets = (question: LineupQuestion) => {
  const items = itemsLeft(question.shelf, question.limits);
  return Array.from({ length: 2 ** items.length }, (_, mask) =>
    items.filter((_p, i) => mask & (1 << i)),
  ).filter((chosen) => items.every((p) => !p.lockedIn || chosen.includes(p)));
};

describe('against plain enumeration', () => {
  it('lists all that is equally good', () => {
    fc.assert(
      fc.property(anyQuestion(4), (asked) => {
        const question = plainWeights(asked);
        const best = bestByEnumeration(question, 1e-6);
        fc.pre(best !== null);
        const good = subsets(question)
          .map((chosen) => chosen.map((p) => p.id))
          .filter((ids) => {
            const values = aimValues(question, new Set(ids));
            return values !== null && compareAims(values, best!, 1e-6) === 0;
          });
        const lean = good.filter(
          (ids) => !good.some((o) => o !== ids && o.every((id) => ids.includes(id))),
        );
        const { ties, tiesComplete } = explore(question, NOTHING_ELSE);
        const found = [takenBy(question), ...ties.map((t) => t.pieceIds)];
        expect(tiesComplete).toBe(true);
        expect(found.map((ids) => ids.join()).sort()).toEqual(lean.map((ids) => ids.join()).sort());
      }),
      { seed: 31, numRuns: 80 },
    );
  });

  it.each([
    ['one person', anyQuestion(4)],
    ['stretches and two shooters', anyOuting],
  ])('draws the whole trade-off, each point unbeaten: %s', (_, outings) => {
    fc.assert(
      fc.property(outings, (asked) => {
        const question = { ...asked, limits: { ...asked.limits, wantRatePercent: 0, order: [] } };
        const wants = wantSharesPercent(question.frames).size > 0;
        const { countBodies } = question.limits;
        const all = subsets(question).flatMap((chosen) => {
          const sum = (of: (p: (typeof chosen)[number]) => number) =>
            chosen.reduce((s, p) => s + of(p), 0);
          const ids = new Set(chosen.map((p) => p.id));
          return aimValuesByBodies(question, ids).map(({ along, values }) => ({
            musts: 100 * values[0]! + values[1]!,
            at: [
              sum((p) => p.counts),
              sum((p) => p.weightG ?? 0) +
                (countBodies ? along.reduce((g, b) => g + (b.weightG ?? 0), 0) : 0),
              sum((p) => p.spend ?? 0),
              wants ? values[2]! : 0,
            ],
          }));
        });
        const fewest = Math.min(...all.map((a) => a.musts));
        const possible = all.filter((a) => a.musts === fewest).map((a) => a.at);
        fc.pre(possible.length > 0);
        const { tradeOff } = explore(question, { ...NOTHING_ELSE, mostTies: 0, mostPoints: 200 });
        expect(tradeOff.complete).toBe(true);
        const got = tradeOff.points.map((p) => [
          p.items,
          p.weightG,
          p.spend,
          wants ? 100 - p.wantsPercent : 0,
        ]);
        for (const point of got) {
          expect(possible.some((q) => q.every((v, i) => Math.abs(v - point[i]!) < 1e-3))).toBe(
            true,
          );
          expect(possible.some((q) => isBetter(q, point))).toBe(false);
        }
        for (const q of possible)
          expect(got.some((p) => p.every((v, i) => q[i]! > v - STEPS[i]! - 1e-3))).toBe(true);
      }),
      { seed: 33, numRuns: 60 },
    );
  });

  it('tells what is lost when a lens breaks, and never mends it worse than leaving it', () => {
    fc.assert(
      fc.property(anyQuestion(4), (question) => {
        const choice = solveChoice(solver, question, OPTIONS).choice;
        fc.pre(choice !== null);
        for (const { lensId, lost, repair, lostAfterRepair } of explore(question, {
          ...NOTHING_ELSE,
          mostTies: 0,
        }).ifBreaks) {
          const rest = new Set(choice!.taken.filter((id) => id !== lensId));
          const plain = {
            ...question,
            limits: { ...question.limits, wantRatePercent: 0, order: [] },
          };
          const counting = question.frames.filter(
            (f) => f.want === 'must' && lost.includes(f.id),
          ).length;
          const mustsLost = (ids: ReadonlySet<string>) => aimValues(plain, ids)![0]!;
          expect(mustsLost(rest) - mustsLost(new Set(choice!.taken))).toBe(counting);
          expect(repair).not.toContain(lensId);
          const mustsAfter = question.frames.filter(
            (f) => f.want === 'must' && lostAfterRepair.includes(f.id),
          ).length;
          expect(mustsAfter).toBeLessThanOrEqual(counting);
        }
      }),
      { seed: 35, numRuns: 60 },
    );
  });
});

const OPTIONS = { timeLimitS: 30, now: () => 0 };
const NOTHING_ELSE = { mostNext: 0, mostPoints: 1, mostOut: 0 };
/** Steps by which a point of the trade-off must be better: items, g, money, percent. */
const STEPS = [0.5, 50, 25, 1];

function isBetter(q: readonly number[], point: readonly number[]): boolean {
  return (
    q.every((v, i) => v <= point[i]! + 1e-3) && q.some((v, i) => v <= point[i]! - STEPS[i]! - 1e-3)
  );
}

const takenBy = (question: LineupQuestion) => solveChoice(solver, question, OPTIONS).choice!.taken;

/** Weights and prices of which many are alike, so that there are ties. */
function plainWeights(question: LineupQuestion): LineupQuestion {
  const { shelf } = question;
  const lenses = shelf.lenses.map((l, i) => ({
    ...l,
    weightG: i % 2 === 0 ? 500 : null,
    priceNew: 400,
  }));
  return { ...question, shelf: { ...shelf, lenses } };
}

describe('rivals', () => {
  const zoom = aLens('zoom', 24, 105, 4, { weightG: 700 });
  const wide = aLens('wide', 24, 50, 4, { weightG: 400 });
  const long = aLens('long', 70, 105, 4, { weightG: 500 });
  const frames = [focalFrame('a', 28, 28, 'free'), focalFrame('b', 100, 100, 'free')];
  const question = aQuestion({ shelf: aShelf([zoom, wide, long]), frames });

  it('differ in kind, and say by what they are worse', () => {
    const { next } = explore(question);
    expect(next[0]).toMatchObject({
      pieceIds: ['long', 'wide'],
      worse: { aim: 'pieces', by: 1 },
    });
  });

  it('mend a broken lens from the rest of the shelf', () => {
    expect(explore(question).ifBreaks).toEqual([
      { lensId: 'zoom', lost: ['a', 'b'], repair: ['long', 'wide'], lostAfterRepair: [] },
    ]);
  });

  it('say what would bring a lens in', () => {
    const heavy = aLens('heavy', 24, 105, 4, { weightG: 830 });
    const reasons = explore(aQuestion({ shelf: aShelf([zoom, heavy]), frames })).lensesOut;
    expect(reasons).toEqual([
      {
        lensId: 'heavy',
        difference: { aim: 'weight', by: 130, best: 700, other: 830 },
        withIt: ['heavy'],
      },
    ]);
  });

  it('say what wished gear would save, as if it were at hand', () => {
    const wished = { ...zoom, ownership: 'wished' as const };
    const reasons = explore(
      aQuestion({ shelf: aShelf([wished, wide, long]), frames, limits: someLimits() }),
    ).lensesOut;
    expect(reasons).toEqual([
      {
        lensId: 'zoom',
        difference: { aim: 'pieces', by: -1, best: 2, other: 1 },
        withIt: ['zoom'],
      },
    ]);
  });

  it('stop where they are told to, and say so', () => {
    const cut = explore(question, { goOn: () => false });
    expect(cut).toMatchObject({ complete: false, next: [], ifBreaks: [], lensesOut: [] });
  });
});
