import '@testing-library/jest-dom';
import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { PROFILES } from '@/core/brief';
import { alternativesOf, type Alternatives, solveLineup } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import type { BackgroundReport, ProfileAnswer } from '@/workers/backgroundClient';
import { demoFile, held } from '../../../tests/support/render';
import { LimitsPanel } from './LimitsPanel';
import { Breaks, OtherLineups, useAlternatives } from './OtherLineups';
import { Profiles } from './Profiles';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));

/** The work beside the lineup, in the test's hands. */
const beside: {
  alternatives: BackgroundReport<Alternatives | null> | null;
  profiles: BackgroundReport<readonly ProfileAnswer[]> | null;
  keys: readonly string[];
  ended: number;
} = { alternatives: null, profiles: null, keys: [], ended: 0 };
jest.mock('@/workers/backgroundClient', () => ({
  findAlternatives: (_: unknown, report: BackgroundReport<Alternatives | null>) => {
    beside.alternatives = report;
    return () => (beside.ended += 1);
  },
  compareProfiles: (
    _: unknown,
    keys: readonly string[],
    report: BackgroundReport<readonly ProfileAnswer[]>,
  ) => {
    Object.assign(beside, { profiles: report, keys });
    return () => (beside.ended += 1);
  },
}));

const demo = demoFile();
const plain = (element: HTMLElement) => (element.textContent ?? '').replaceAll('\u202F', ' ');
let alternatives: Alternatives;
let result: ReturnType<typeof solveLineup>;
beforeAll(async () => {
  const solver = await loadHighsSolver();
  const most = { mostTies: 5, mostNext: 3, mostPoints: 20, mostOut: 8 };
  result = solveLineup(solver, demo, { timeLimitS: 30, now: () => 0 });
  alternatives = alternativesOf(solver, demo, { timeLimitS: 30, ...most })!;
});
beforeEach(() => {
  Object.assign(held, { file: demo, result: null, edits: [] });
  Object.assign(beside, { alternatives: null, profiles: null, keys: [], ended: 0 });
});

/** Both views that tell of them, as the page holds them. */
function Alternatives() {
  const search = useAlternatives(demo);
  return (
    <>
      <OtherLineups search={search} result={result} />
      <Breaks search={search} />
    </>
  );
}

describe('other lineups', () => {
  const look = async (found: Alternatives | null = alternatives) => {
    const user = userEvent.setup();
    render(<Alternatives />);
    act(() => beside.alternatives?.progress(0.4));
    expect(screen.getAllByRole('progressbar')).toHaveLength(2);
    act(() => beside.alternatives?.done(found));
    return user;
  };

  it('stand in their kinds, each with what it costs or saves', async () => {
    await look();
    const shown = plain(screen.getByTestId('rivals'));
    for (const title of ['Next best of another kind', 'What it would take for others'])
      expect(shown).toContain(title);
    expect(plain(screen.getByTestId('breaks'))).toMatch(/^\d of \d lenses can’t be fully replaced/);
    expect(plain(screen.getByTestId('breaks'))).toContain('nothing on your shelf can replace it');
    expect(shown).toMatch(/dearer|cheaper|heavier|lighter|more|fewer|less/);
    expect(shown).toMatch(/would (be as good|come in|save|take)/);
    const curve = screen.getByRole('region', { name: 'Trade-off' });
    expect(within(curve).getAllByRole('row')).toHaveLength(alternatives.tradeOff.points.length + 1);
  });

  it('open their arithmetic, and are taken as they are', async () => {
    const user = await look();
    const [worse] = screen.getAllByRole('button', {
      name: /: .* (dearer|cheaper|heavier|lighter|more|fewer|less)/,
    });
    await user.click(worse!);
    expect(plain(await screen.findByRole('dialog'))).toMatch(/(Worse|Better) by: .*best lineup/);
    await user.keyboard('{Escape}');
    const [wants] = screen.getAllByRole('button', { name: /^Wants covered by / });
    await user.click(wants!);
    const { wantsPercent } = alternatives.tradeOff.points[0]!;
    expect(plain(await screen.findByRole('dialog'))).toContain(
      `Share of the wanted pictures: ${Number(wantsPercent.toPrecision(5))} %`,
    );
    await user.keyboard('{Escape}');
    const [take] = screen.getAllByRole('button', { name: /^Use / });
    await user.click(take!);
    expect(held.edits).toHaveLength(1);
    expect(held.file.limits.lockedIn.length).toBeGreaterThan(0);
  });

  it('are said to be cut short, or not to be had, and are stopped', async () => {
    const user = userEvent.setup();
    const { unmount } = render(<Alternatives />);
    const [stop] = screen.getAllByRole('button', { name: 'Stop' });
    await user.click(stop!);
    expect(beside.ended).toBeGreaterThan(0);
    expect(screen.getAllByRole('button', { name: 'Compare alternatives' })).toHaveLength(2);
    unmount();
    await look({ ...alternatives, complete: false });
    expect(screen.getAllByText(/Time ran out/)[0]).toBeVisible();
    act(() => beside.alternatives?.failed('out of memory'));
    expect(screen.getAllByText(/out of memory/)[0]).toBeVisible();
  });
});

describe('ways of choosing', () => {
  it('lie side by side, each with its lineup, and one is chosen from there', async () => {
    const user = userEvent.setup();
    render(<Profiles question={demo} />);
    await user.click(screen.getByRole('checkbox', { name: 'start with little' }));
    expect(beside.keys).toHaveLength(6);
    const solver = await loadHighsSolver();
    const answers = PROFILES.slice(0, 2).map(({ key, limits }) => ({
      key,
      result: solveLineup(
        solver,
        { ...demo, limits: { ...demo.limits, ...limits } },
        { timeLimitS: 30, now: () => 0 },
      ),
    }));
    act(() => beside.profiles?.done(answers));
    const table = screen.getByTestId('profiles');
    expect(within(table).getAllByRole('columnheader')).toHaveLength(3);
    expect(within(table).getByRole('rowheader', { name: 'Start line, all lanes' })).toBeVisible();
    expect(plain(screen.getByRole('heading'))).toBe(
      '1 of 2 styles covers every must, with 5 lenses',
    );
    const [own, one] = answers.map(({ result }) => result.totals.lenses);
    expect(one).toBeLessThan(own!);
    await user.click(
      within(table).getByRole('button', { name: 'Use the style one zoom, never change' }),
    );
    expect(held.file.limits).toMatchObject({ maxLenses: 1, neverChange: true });
  });

  it('say what went wrong', () => {
    render(<Profiles question={demo} />);
    act(() => beside.profiles?.failed('no solver'));
    expect(screen.getByText('Couldn’t work them out: no solver')).toBeVisible();
  });
});

describe('the limits', () => {
  const show = () => {
    const shown = render(<LimitsPanel />);
    return { user: userEvent.setup(), again: () => shown.rerender(<LimitsPanel />) };
  };

  it('are taken over field by field, empty for none', async () => {
    const { user, again } = show();
    await user.type(screen.getByLabelText('Lenses at most'), '3');
    await user.type(screen.getByLabelText('Weight at most'), '2500');
    expect(held.file.limits).toMatchObject({ maxLenses: 3, maxLineupWeightG: 2500 });
    again();
    await user.clear(screen.getByLabelText('Lenses at most'));
    expect(held.file.limits.maxLenses).toBeNull();
    await user.click(screen.getByLabelText('Never change a lens'));
    expect(held.file.limits.neverChange).toBe(true);
    expect(held.edits).toContain('limits.maxLenses');
  });

  it('keep what cannot be out, and say why', async () => {
    const { user } = show();
    const crop = screen.getByLabelText('Crop at most');
    await user.clear(crop);
    await user.type(crop, '-2');
    expect(crop).toHaveAttribute('aria-invalid', 'true');
    expect(crop).toHaveAccessibleDescription(/\d/);
    expect(held.file.limits.maxCrop).toBeGreaterThan(0);
  });

  it('follow a way of choosing, whose gear it is, and formats', async () => {
    const { user, again } = show();
    await user.selectOptions(screen.getByLabelText('Selection style'), 'small fast primes');
    expect(held.file.limits.lensKinds).toBe('primes');
    again();
    await user.click(screen.getByLabelText('wished for'));
    expect(held.file.limits.sources).toContain('wished');
    const [format] = screen.getAllByLabelText(/×/);
    await user.click(format!);
    expect(held.file.limits.formats).not.toBeNull();
  });
});
