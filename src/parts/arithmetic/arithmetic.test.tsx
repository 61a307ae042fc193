import '@testing-library/jest-dom';
import { render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { pictureOf } from '@/core/coverage';
import { setupOfStack } from '@/core/gear';
import { type LineupResult, solveLineup } from '@/core/lineup';
import {
  advantageSteps,
  buySteps,
  exact,
  formatMoney,
  gapSteps,
  idsIn,
  marginSteps,
  pictureSteps,
  priceSteps,
  sumStep,
  wantsSteps,
  weightSteps,
} from '@/text';
import { loadHighsSolver } from '@/solver';
import { demoFile } from '../../../tests/support/render';
import { Figure } from './index';

const demo = demoFile();
const solved = async (limits: Partial<typeof demo.limits> = {}) => {
  const file = { ...demo, limits: { ...demo.limits, ...limits } };
  const options = { timeLimitS: 30, now: () => 0 };
  return { file, result: solveLineup(await loadHighsSolver(), file, options) };
};

describe('a figure', () => {
  it('opens its arithmetic when it is asked, and closes again', async () => {
    const user = userEvent.setup();
    const step = { name: 'Sum', formula: '1 g + 2 g', result: '3 g', source: 'a scale' };
    render(
      <Figure label="Weight" steps={() => [step]}>
        3 g
      </Figure>,
    );
    expect(screen.queryByText('1 g + 2 g')).toBeNull();
    await user.click(screen.getByRole('button', { name: 'Weight' }));
    const shown = await screen.findByRole('dialog');
    expect(shown).toHaveTextContent('Sum: 3 g');
    expect(shown).toHaveTextContent('1 g + 2 g');
    expect(shown).toHaveTextContent('a scale');
    await user.keyboard('{Escape}');
    expect(screen.queryByRole('dialog')).toBeNull();
  });
});

describe('the steps behind a sum', () => {
  it('add up what is known and name what is not', () => {
    const parts = [
      { name: 'a', value: 2 },
      { name: 'b', value: null },
      { name: 'c', value: 0.5 },
    ];
    expect(sumStep('Weight', parts, (v) => `${v} g`, 'shelf')).toEqual({
      name: 'Weight',
      result: '2.5 g, not counting b: unknown',
      formula: 'a: 2 g + c: 0.5 g',
      source: 'shelf',
    });
    expect(sumStep('Weight', [], String, '').formula).toBe('nothing to add');
  });
});

describe('the steps behind a lineup', () => {
  const expectTotals = (file: typeof demo, result: LineupResult) => {
    const { totals } = result;
    const money = (amount: number) => formatMoney(amount, file.outing.currency);
    const ids = idsIn(result);
    expect(weightSteps(file, ids, result.bodies)[0]?.result).toBe(`${exact(totals.weightG)} g`);
    expect(priceSteps(file, ids)[0]?.result).toBe(money(totals.price));
    expect(buySteps(file, ids)[0]?.result).toBe(money(totals.toBuy));
    expect(wantsSteps(file, result)[0]?.result).toBe(`${exact(totals.wants.sharePercent)} %`);
  };

  it('come to the totals that are shown', async () => {
    const { file, result } = await solved();
    expectTotals(file, result);
    expect(result.totals.weightG).toBeGreaterThan(0);
  });

  it('come to them with bodies counted, with a used price, and with something to buy', async () => {
    const { file, result } = await solved({
      countBodies: true,
      priceBasis: 'used',
      sources: ['owned', 'borrowed', 'wished'],
      lockedIn: demo.shelf.lenses.filter((l) => l.ownership === 'wished').map((l) => l.id),
    });
    expectTotals(file, result);
    expect(result.totals.toBuy).toBeGreaterThan(0);
    const [body] = demo.shelf.bodies.filter((b) => result.bodies.includes(b.id));
    expect(weightSteps(file, idsIn(result), result.bodies)[0]?.formula).toContain(body!.name);
  });

  it('divide the ends of a gap, and its pixels by the crop squared', async () => {
    const { result } = await solved({ maxLenses: 2 });
    const gap = result.gaps.find((g) => g.megapixelsLeft !== null)!;
    const [crop, left] = gapSteps(gap);
    expect(crop?.result).toBe(`${exact(gap.range.to / gap.range.from)}×`);
    expect(left?.result).toBe(`${exact(gap.megapixelsLeft!)} MP`);
    expect(gapSteps({ ...gap, megapixelsLeft: null })).toHaveLength(1);
  });
});

describe('the steps behind what one lens has over another', () => {
  const range = { from: 32, to: 50 };
  it.each([
    [
      'faster',
      2,
      { own: 1.4, other: 2.8 },
      '2 stops',
      /2·log2\(N other \/ N own\) = 2·log2\(2.8 \/ 1.4\)/,
    ],
    ['lighter', 600, { own: 200, other: 800 }, '600 g', /^800 g − 200 g$/],
    ['closer', 0.3, { own: 0.5, other: 0.2 }, '0.3× more', /^0.5× − 0.2×$/],
    ['stabilised', 1.5, { own: 4.5, other: 3 }, '1.5 stops', /^4.5 − 3 stops/],
  ] as const)('come to how much it is %s', (reason, by, figures, result, formula) => {
    const [step] = advantageSteps({ lensId: 'a' as never, reason, by, figures }, range);
    expect(step?.result).toBe(result);
    expect(step?.formula).toMatch(formula);
  });

  it('are taken at the middle of the shared range by ratio, and sealing has none', () => {
    const figures = { own: 4, other: 8 };
    const faster = { lensId: 'a' as never, reason: 'faster', by: 2, figures } as const;
    expect(advantageSteps(faster, range)[0]?.name).toBe('Faster at 40 mm on 36×24');
    const sealed = { lensId: 'a' as never, reason: 'sealed', by: null, figures: null } as const;
    expect(advantageSteps(sealed, range)).toEqual([]);
  });
});

describe('the steps behind a picture', () => {
  it('say for each frame got what it rests on', async () => {
    const { file, result } = await solved();
    for (const standing of result.frames.filter((f) => f.state !== 'lost')) {
      const cover = standing.covers[0]!;
      const frame = file.frames.find((f) => f.id === standing.frameId)!;
      const names = marginSteps(cover.margins, standing.unit).map((s) => s.name);
      expect(names[0]).toMatch(/^Focal length needed/);
      expect(names).toContain('Crop');
      expect(names.includes('Light')).toBe(cover.margins.light !== null);
      const setup = setupOfStack(file.shelf, cover)!;
      const at = standing.unit === 'm' ? cover.margins.at : null;
      const picture = pictureOf(setup, frame, 'landscape', setup.focal.longMm, at);
      const [takes] = pictureSteps(setup, picture, at);
      const expected = at === null ? 'Angle of view' : 'What the picture takes in';
      expect(takes?.name).toBe(expected);
      if (at !== null)
        expect(takes?.result).toBe(
          `${exact(picture.sides.width)} × ${exact(picture.sides.height)} m`,
        );
    }
  });
});
