import type { LineupQuestion } from '@/core/lineup';
import { demoFile } from '../../tests/support/render';
import { loadHighsSolver } from '@/solver';
import { type Answer, createLineupClient } from './lineupClient';

const asked: {
  question: LineupQuestion;
  settle: (result: unknown) => void;
  fail: (error: Error) => void;
}[] = [];
jest.mock('comlink', () => ({
  wrap: () => ({
    answer: (question: LineupQuestion) =>
      new Promise((settle, fail) => asked.push({ question, settle, fail })),
  }),
}));

describe('the solver behind its port', () => {
  const model = {
    columnCount: 2,
    lower: [0, 0],
    upper: [5, 5],
    integer: [true, true],
    rows: [{ lower: 2.5, upper: Infinity, columns: [0, 1], coefficients: [1, 1] }],
  };

  it('solves one objective after another, rows added meanwhile', async () => {
    const session = (await loadHighsSolver()).open(model);
    expect(session.minimise([1, 2], 10)).toMatchObject({
      kind: 'optimal',
      objective: 3,
      values: [3, 0],
    });
    session.addRow({ lower: -Infinity, upper: 1, columns: [0], coefficients: [1] });
    expect(session.minimise([1, 2], 10)).toMatchObject({
      kind: 'optimal',
      objective: 5,
      values: [1, 2],
    });
    expect(session.minimise([0, 0], 10).kind).toBe('optimal');
    session.addRow({ lower: -Infinity, upper: 1, columns: [1], coefficients: [1] });
    expect(session.minimise([1, 1], 10)).toEqual({ kind: 'infeasible' });
    session.close();
  });

  it('answers for a model without columns', async () => {
    const session = (await loadHighsSolver()).open({
      columnCount: 0,
      lower: [],
      upper: [],
      integer: [],
      rows: [],
    });
    expect(session.minimise([], 1)).toEqual({ kind: 'optimal', values: [], objective: 0 });
    session.close();
  });

  it('says when time runs out, with the bound', async () => {
    const n = 60;
    const columns = Array.from({ length: n }, (_, i) => i);
    const weight = (i: number, r: number) => ((i * 7919 + r * 104729) % 997) + 500;
    const hard = {
      columnCount: n,
      lower: columns.map(() => 0),
      upper: columns.map(() => 1),
      integer: columns.map(() => true),
      rows: [0, 1, 2, 3, 4].map((r) => ({
        lower: columns.reduce((sum, i) => sum + weight(i, r), 0) / 2.1,
        upper: Infinity,
        columns,
        coefficients: columns.map((i) => weight(i, r)),
      })),
    };
    const session = (await loadHighsSolver()).open(hard);
    const outcome = session.minimise(
      columns.map((i) => weight(i, 9)),
      0.02,
    );
    expect(outcome.kind).toBe('time-limit');
    if (outcome.kind === 'time-limit' && outcome.values)
      expect(outcome.bound).toBeLessThanOrEqual(outcome.objective + 1e-6);
    session.close();
  });

  it('is loaded once', async () => {
    expect(await loadHighsSolver()).toBe(await loadHighsSolver());
  });
});

describe('the answer kept up to date', () => {
  const question = (maxLenses: number): LineupQuestion => ({
    ...demoFile(),
    limits: { ...demoFile().limits, maxLenses },
  });
  const terminate = jest.fn();
  const later = () => new Promise((resolve) => setTimeout(resolve, 0));
  let answers: Answer[];
  const client = () => {
    answers = [];
    return createLineupClient((a) => answers.push(a));
  };

  beforeEach(() => {
    asked.length = 0;
    Object.assign(globalThis, {
      Worker: class {
        terminate = terminate;
      },
    });
  });

  it('works on one question at a time and keeps only the newest of those that wait', async () => {
    const c = client();
    [1, 2, 3].forEach((n) => c.ask(question(n)));
    expect(asked.map((a) => a.question.limits.maxLenses)).toEqual([1]);
    asked[0]!.settle({ of: 1 });
    await later();
    expect(asked.map((a) => a.question.limits.maxLenses)).toEqual([1, 3]);
    expect(answers.at(-1)).toMatchObject({ thinking: true, result: null });
    asked[1]!.settle({ of: 3 });
    await later();
    expect(answers.at(-1)).toMatchObject({
      thinking: false,
      result: { of: 3 },
      question: { limits: { maxLenses: 3 } },
      error: null,
    });
  });

  it('keeps the last answer while it thinks, and says what failed', async () => {
    const c = client();
    c.ask(question(1));
    asked[0]!.settle({ of: 1 });
    await later();
    c.ask(question(2));
    expect(answers.at(-1)).toMatchObject({ thinking: true, result: { of: 1 } });
    asked[1]!.fail(new Error('out of memory'));
    await later();
    expect(answers.at(-1)).toMatchObject({
      thinking: false,
      result: { of: 1 },
      error: { code: 'failed', message: 'out of memory' },
    });
    c.ask(question(4));
    asked[2]!.settle({ of: 4 });
    await later();
    expect(answers.at(-1)).toMatchObject({ error: null, result: { of: 4 } });
  });

  it('ends what takes long for a question that nobody asks any more', async () => {
    jest.useFakeTimers();
    const c = client();
    const turn = () => jest.advanceTimersByTimeAsync(0);
    terminate.mockClear();
    c.ask(question(1));
    await jest.advanceTimersByTimeAsync(60_000);
    expect(terminate).not.toHaveBeenCalled();
    c.ask(question(2));
    await jest.advanceTimersByTimeAsync(2000);
    c.ask(question(3));
    expect(terminate).not.toHaveBeenCalled();
    await jest.advanceTimersByTimeAsync(1000);
    expect(terminate).toHaveBeenCalledTimes(1);
    expect(asked.map((a) => a.question.limits.maxLenses)).toEqual([1, 3]);
    asked[0]!.settle({ of: 1 });
    await turn();
    expect(answers.at(-1)).toMatchObject({ thinking: true, result: null });
    asked[1]!.settle({ of: 3 });
    await turn();
    expect(answers.at(-1)).toMatchObject({ thinking: false, result: { of: 3 } });
    await jest.advanceTimersByTimeAsync(60_000);
    expect(terminate).toHaveBeenCalledTimes(1);
    jest.useRealTimers();
  });

  it('ends its worker when closed', async () => {
    const c = client();
    c.ask(question(1));
    c.close();
    expect(terminate).toHaveBeenCalled();
  });
});
