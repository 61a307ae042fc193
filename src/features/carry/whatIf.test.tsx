import '@testing-library/jest-dom';
import { act, render, screen } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readFileSync } from 'node:fs';
import { carryAnswer, type Scenario } from '@/core/carry';
import { type LineupResult, solveLineup } from '@/core/lineup';
import { decode } from '@/document';
import { namesOf } from '@/text';
import type { BackgroundReport, ScenarioAnswer } from '@/workers/backgroundClient';
import { loadHighsSolver } from '@/solver';
import { WhatIf } from './WhatIf';

const asked: { scenario: Scenario; report: BackgroundReport<ScenarioAnswer> }[] = [];
const ended = new Set<Scenario>();
jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));
jest.mock('@/workers/backgroundClient', () => ({
  playScenario: (
    _question: unknown,
    _result: unknown,
    scenario: Scenario,
    report: BackgroundReport<ScenarioAnswer>,
  ) => {
    asked.push({ scenario, report });
    return () => ended.add(scenario);
  },
}));

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
const demo = read.ok ? read.value : (null as never);
const name = namesOf(demo);
let result: LineupResult;
beforeAll(async () => {
  result = solveLineup(await loadHighsSolver(), demo, { timeLimitS: 30, now: () => 0 });
});
beforeEach(() => {
  asked.length = 0;
  ended.clear();
});

const show = (question = demo) => <WhatIf question={question} result={result} name={name} />;
const play = async (user: ReturnType<typeof userEvent.setup>, what: string) => {
  await user.selectOptions(screen.getByLabelText('What if'), what);
};

test('what may go wrong is an hour lost, the rain, and everything that comes along', async () => {
  const user = userEvent.setup();
  render(show());
  await play(user, 'it rains');
  await play(user, '23 mm f/1.4 breaks');
  await play(user, 'T20 breaks');
  expect(asked.map(({ scenario }) => scenario)).toEqual([
    { kind: 'late', hours: 1 },
    { kind: 'wet' },
    { kind: 'breaks', id: 't-23' },
    { kind: 'breaks', id: 't20' },
  ]);
  expect(ended.size).toBe(3);
  const offered = screen.getAllByRole('option').map((o) => o.textContent);
  expect(offered).toHaveLength(2 + result.lineup.lensIds.length + result.bodies.length);
});

test('what is left is told picture by picture, and what is lost in red', async () => {
  const user = userEvent.setup();
  render(show());
  await play(user, 'it rains');
  expect(screen.getByText('Planning with what is left…')).toBeVisible();
  const answer = carryAnswer(demo, result);
  act(() => asked[1]!.report.done({ lost: [], answer } as ScenarioAnswer));
  expect(screen.getByText(/It works/)).toBeVisible();
  expect(screen.getByTestId('whatif')).toHaveTextContent(`${answer.plan.changes} lens changes`);
  await play(user, '23 mm f/1.4 breaks');
  const lost = demo.frames.slice(14, 15).map((f) => f.id);
  act(() => asked[2]!.report.done({ lost, answer } as ScenarioAnswer));
  expect(screen.getByText(/^Lost: Dancers by lantern light \(1 picture\)/)).toHaveClass(
    'text-wrong',
  );
  expect(screen.getByTestId('whatif')).toHaveTextContent(
    /Boathouse, whole hall with 10–24 mm f\/4/,
  );
});

test('an answer to another question is not shown, and a failure is said', async () => {
  const user = userEvent.setup();
  const { rerender } = render(show());
  await play(user, 'it rains');
  rerender(show({ ...demo, frames: demo.frames.slice(1) }));
  act(() =>
    asked[1]!.report.done({ lost: [], answer: carryAnswer(demo, result) } as ScenarioAnswer),
  );
  expect(screen.queryByTestId('whatif')).toBeNull();
  act(() => asked[2]!.report.failed('no lineup is left'));
  expect(screen.getByText('no lineup is left')).toBeVisible();
});
