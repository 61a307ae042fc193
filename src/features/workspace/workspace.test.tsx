import '@testing-library/jest-dom';
import { act, render, screen } from '@testing-library/react';
import { type LineupResult, solveLineup } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { demoFile, held } from '../../../tests/support/render';
import { StandingLine } from './StandingLine';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));

const plain = () => (document.body.textContent ?? '').replaceAll('\u202F', ' ');
const answer = async (change: object = {}): Promise<LineupResult> => {
  held.file = { ...demoFile(), limits: { ...demoFile().limits, ...change } };
  return solveLineup(await loadHighsSolver(), held.file, { timeLimitS: 30, now: () => 0 });
};
beforeEach(() =>
  Object.assign(held, { file: demoFile(), result: null, thinking: false, error: null }),
);

test('the line says how many, what is got, weight and price', async () => {
  held.result = await answer();
  render(<StandingLine />);
  expect(plain()).toMatch(
    /^5 lensesfewest possible \(proven\) 7 of 7 musts 9 of 9 wants, 100 % of those pictures2\.33 kg€4,180$/,
  );
});

test('it names the worst thing wrong, a must before a want', async () => {
  held.result = await answer({ sources: ['owned'], lockedOut: ['k-16-35', 't-10-24'] });
  render(<StandingLine />);
  expect(plain()).toContain(
    'River and roofs, sweeping: not wide enough: 20 mm (94°), 18 mm (99°) needed',
  );
});

test('it tells what must be bought, converters, and that a weight is estimated', async () => {
  held.result = await answer({ lockedIn: ['k-600', 'k-c14'] });
  const file = held.file;
  held.result = { ...held.result, totals: { ...held.result.totals, weightErrorG: 120 } };
  held.file = file;
  render(<StandingLine />);
  expect(plain()).toContain('and 1 converter');
  expect(plain()).toContain('€12,900 to spend');
  expect(plain()).toMatch(/≈ [0-9.]+ kg ± 120 g/);
});

test('it says when no lineup keeps to the limits, and when the solver failed', async () => {
  held.result = await answer({ maxLenses: 0, lockedIn: ['k-50'] });
  const { rerender } = render(<StandingLine />);
  expect(plain()).toContain('No lineup meets the limits');
  held.error = { code: 'failed', message: 'out of memory' };
  rerender(<StandingLine />);
  expect(plain()).toContain('Couldn’t work out the lineup: out of memory');
});

test('thinking shows only when it lasts', () => {
  jest.useFakeTimers();
  held.thinking = true;
  render(<StandingLine />);
  expect(screen.getByRole('status')).toHaveTextContent('');
  act(() => jest.advanceTimersByTime(100));
  expect(screen.getByRole('status')).toHaveTextContent('');
  act(() => jest.advanceTimersByTime(100));
  expect(screen.getByRole('status')).toHaveTextContent('Thinking…');
  jest.useRealTimers();
});
