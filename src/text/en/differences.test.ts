import { alternativesOf, type Alternatives, priceOf, wantSharesPercent } from '@/core/lineup';
import { exact, formatMoney } from '@/text';
import { loadHighsSolver } from '@/solver';
import { demoFile } from '../../../tests/support/render';
import { bringInText, differenceSteps, worseText } from './differences';

const file = demoFile();
let alternatives: Alternatives;

beforeAll(async () => {
  const found = alternativesOf(await loadHighsSolver(), file, {
    timeLimitS: 30,
    mostTies: 5,
    mostNext: 5,
    mostPoints: 20,
    mostOut: 50,
  });
  if (!found) throw new Error('the demo outing has a lineup');
  alternatives = found;
});

const euros = (amount: number) => formatMoney(amount, file.outing.currency);
const sumOf = (ids: readonly string[], aim: 'weight' | 'price') =>
  file.shelf.lenses
    .filter((l) => ids.includes(l.id))
    .reduce((sum, l) => sum + ((aim === 'weight' ? l.weightG : priceOf(l, file.limits)) ?? 0), 0);

describe('the differences of the lineups beside the best one', () => {
  it('come to what is shown, whichever aim decides', () => {
    const all = [
      ...alternatives.next.map(({ worse, pieceIds: itemIds }) => ({
        difference: worse,
        ids: itemIds,
      })),
      ...alternatives.lensesOut.map(({ difference, withIt }) => ({ difference, ids: withIt })),
    ].flatMap(({ difference, ids }) => (difference ? [{ difference, ids }] : []));
    expect(all.length).toBeGreaterThan(5);
    for (const { difference, ids } of all) {
      const { aim, by, best, other } = difference;
      expect(by).toBe(other - best);
      const steps = differenceSteps(file, difference, alternatives.bestIds, ids);
      const last = steps.at(-1)!;
      expect(last.name).toBe(by > 0 ? 'Worse by' : 'Better by');
      if (aim === 'weight' || aim === 'price') {
        const [had, has] = [alternatives.bestIds, ids].map((of) => sumOf(of, aim));
        expect(has! - had!).toBeCloseTo(by, 6);
        const shown = aim === 'weight' ? (g: number) => `${exact(g)} g` : euros;
        expect(steps.map((s) => s.result)).toEqual([had!, has!, Math.abs(by)].map(shown));
      } else if (aim === 'wants') expect(last.result).toBe(`${exact(Math.abs(by))} %`);
      else expect(last.result).toMatch(new RegExp(`^${exact(Math.abs(by))} `));
    }
  });

  it('tell an extra lens by the rate that it has to earn', () => {
    const wants = alternatives.lensesOut.find((o) => o.difference?.aim === 'wants');
    expect(wants).toBeDefined();
    const { difference, withIt } = wants!;
    const lost = (ids: readonly string[], value: number) =>
      value - file.limits.wantRatePercent * ids.length;
    const shares = [...wantSharesPercent(file.frames).values()];
    expect(lost(withIt, difference!.other)).toBeGreaterThanOrEqual(-1e-6);
    expect(lost(withIt, difference!.other)).toBeLessThanOrEqual(
      shares.reduce((a, b) => a + b, 0) + 1e-6,
    );
    const [step] = differenceSteps(file, difference!, alternatives.bestIds, withIt);
    expect(step?.source).toContain(`${file.limits.wantRatePercent} % for each item`);
    expect(bringInText(difference!, 'EUR')).toMatch(/more of the wanted pictures$/);
  });

  it.each([
    [{ aim: 'pieces', by: 1, best: 3, other: 4 }, '1 item more', '4 items − 3 items'],
    [
      { aim: 'changes', by: -2, best: 5, other: 3 },
      '2 lens changes fewer',
      '5 lens changes − 3 lens changes',
    ],
    [{ aim: 'musts', by: 2, best: 0, other: 2 }, '2 musts lost', '2 musts lost − 0'],
  ] as const)('say %j in words and as a subtraction', (difference, words, formula) => {
    expect(worseText(difference, 'EUR')).toBe(words);
    expect(differenceSteps(file, difference, [], [])[0]?.formula).toContain(formula);
  });
});
