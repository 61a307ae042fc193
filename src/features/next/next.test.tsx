import '@testing-library/jest-dom';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { aStretch, assignmentsOf } from '../../../tests/support/gear';
import { demoFile, held } from '../../../tests/support/render';
import { frameId, type Stretch } from '@/core/brief';
import { bodyId, lensId } from '@/core/gear';
import { DEFAULT_NEXT, type NextSettings } from '@/document';
import type { NextThing, OneStep, Selling, Worth } from '@/core/next';
import type { Buying } from '@/workers/backgroundClient';
import { BuyView } from './BuyView';
import { CamerasNamed } from './CamerasNamed';
import { SellView } from './SellView';
import { Staircase, type StairPoint } from './Staircase';
import { StepView } from './StepView';
import type { NextWork } from './useNextWork';

const mockFound: { answer: unknown } = { answer: null };
jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
  useBackground: () => ({
    state: { kind: 'found', found: mockFound.answer },
    start: () => undefined,
    stop: () => undefined,
  }),
  usePhotographKeeper: () => null,
}));

const NONE: Worth = {
  once: 0,
  musts: 0,
  sharePercent: 0,
  lossPercent: 0,
  againstPercent: 0,
  items: 0,
  weightG: 0,
};
const YEAR = { outings: [], year: NONE, proven: true };

function workWith(change: (change: Partial<NextSettings>) => void = () => undefined): NextWork {
  const file = demoFile();
  held.file = file;
  return {
    settings: DEFAULT_NEXT,
    change,
    choices: [],
    choose: () => undefined,
    question: {
      outings: [{ id: 'one', timesAYear: 4, question: file }],
      shelf: file.shelf,
      neverSold: [],
      terms: { buy: 'new', resalePercent: 100 },
      after: 'money',
    },
    names: ['The outing'],
    days: [2],
    year: { all: 4, wanting: 4 },
    currency: 'EUR',
    shelf: file.shelf,
    found: new WeakMap(),
  };
}

const point = (spent: number, musts: number, wants: number, label = ''): StairPoint => ({
  spent,
  musts,
  wants,
  label,
});

test('the staircase rises where the money is spent, and only what rises is drawn', () => {
  render(
    <Staircase
      now={point(0, 4, 50)}
      steps={[point(500, 4, 75, 'One'), point(1000, 4, 100, 'Two')]}
      once={point(800, 4, 100, 'Once')}
      mustsOf={4}
      currency="EUR"
    />,
  );
  const [drawn, ...others] = screen.getAllByTestId('stair-path');
  expect(others).toHaveLength(0);
  // Over 0 to 1,000 across 56 to 600: across to half, up, across to the end, up.
  const numbers = drawn!
    .getAttribute('d')!
    .match(/[\d.]+/g)!
    .map(Number);
  const [startX, startY, x1, y1, x2, y2] = numbers as [
    number,
    number,
    number,
    number,
    number,
    number,
  ];
  expect([startX, x1, x2]).toEqual([56, 328, 600]);
  // The second rise is as high as the first: 25 points of 100.
  expect(startY - y1).toBeCloseTo(y1 - y2);
  const once = screen.getByTestId('stair-once').querySelector('path')!.getAttribute('d')!;
  // A little beside the stair: up where 800 are spent.
  expect(Number(/H([\d.]+)V/.exec(once)![1])).toBeCloseTo(56 + 0.8 * 544 + 6);
  expect(screen.getByText('Two')).toBeInTheDocument();
});

const thing = (id: string, change: Partial<NextThing>): NextThing => ({
  id,
  kind: 'lenses',
  price: 100,
  resale: 50,
  priceNew: 100,
  priceUsed: null,
  adds: NONE,
  deciding: [],
  gains: true,
  byOuting: [NONE],
  changesSaved: null,
  unneeded: { ids: [], resale: { known: 0, unknown: [] }, open: null },
  netCost: 100,
  proven: true,
  ...change,
});

test('one step: what it adds a year, what goes with it, and unknown prices as such', () => {
  const answer: OneStep = {
    before: YEAR,
    unneeded: { ids: ['k-50'], resale: { known: 150, unknown: [] }, open: null },
    things: [
      thing('k-135', {
        adds: { ...NONE, musts: 8, sharePercent: 40 },
        unneeded: { ids: ['k-85'], resale: { known: 0, unknown: ['k-85'] }, open: null },
        netCost: null,
      }),
      thing('k-600', { price: null, priceNew: null, netCost: null, proven: false }),
      thing('t-56', { netCost: -120 }),
    ],
    notAsked: [],
  };
  mockFound.answer = answer;
  const { rerender } = render(<StepView work={workWith()} />);
  const rows = within(screen.getByTestId('next-things')).getAllByRole('row');
  expect(rows[1]).toHaveTextContent('+8 musts a year, +10');
  expect(rows[1]).toHaveTextContent('price unknown');
  expect(rows[2]).toHaveTextContent('nothing by itself');
  expect(rows[2]).toHaveTextContent('Best found so far: time ran out.');
  expect(rows[3]).toHaveTextContent('you gain €120');
  expect(screen.getByRole('status')).toHaveTextContent(/adds most: \+8 musts a year/);
  expect(screen.getByText(/1 item can go for €150/)).toBeInTheDocument();
  // Nothing that has a net cost adds anything: there is no plot of nothing.
  expect(screen.queryByTestId('step-plot')).toBeNull();
  const [first, ...others] = answer.things;
  mockFound.answer = { ...answer, things: [{ ...first!, netCost: 900 }, ...others] };
  rerender(<StepView work={workWith()} />);
  const plot = screen.getByTestId('step-plot');
  expect(plot.querySelectorAll('circle')).toHaveLength(2);
  expect(plot).toHaveTextContent('135 mm f/1.8');
});

test('an item fewer is no advice where the money counts next', () => {
  const fewer = thing('k-135', { adds: { ...NONE, items: -4 }, gains: false });
  const answer: OneStep = {
    before: YEAR,
    unneeded: { ids: [], resale: { known: 0, unknown: [] }, open: null },
    things: [fewer],
    notAsked: [],
  };
  mockFound.answer = answer;
  render(<StepView work={workWith()} />);
  expect(screen.getByRole('status')).toHaveTextContent('None of it adds anything by itself.');
});

describe('buying', () => {
  const cost = { known: 900, unknown: [] };
  const rest = { cost, resale: cost, open: null, priceUnknown: [] };
  const unneeded = { ids: [], resale: { known: 0, unknown: [] }, open: null };
  const bought = { ...YEAR, year: { ...NONE, sharePercent: 200, items: 10 } };
  const step = (boughtId: string | null) => ({ boughtId, spent: 900, with: bought });
  const answer = (boughtIds: readonly string[], steps: Buying['path'], before = YEAR): Buying => ({
    once: { ...rest, boughtIds, before, with: bought, unneeded },
    path: steps && { ...steps, before },
  });
  const path = (ids: readonly (string | null)[]) => ({
    ...rest,
    before: YEAR,
    steps: ids.map(step),
  });

  it('ends the staircase where nothing more adds anything', () => {
    mockFound.answer = answer(['k-135'], path([null, 'k-135', null, null]));
    const work = workWith();
    render(<BuyView work={{ ...work, settings: { ...work.settings, after: 'items' } }} />);
    const rows = within(screen.getByTestId('buy-path')).getAllByRole('row').slice(1);
    expect(rows.map((row) => row.querySelectorAll('td')[0]!.textContent)).toEqual([
      'Nothing yet: the money is saved.',
      expect.stringContaining('135'),
    ]);
    expect(screen.getByText('After that, nothing within these steps adds more.')).toBeVisible();
    // What decides after the pictures stands beside them.
    expect(rows[1]).toHaveTextContent('50 % of the wanted pictures; 2.5 items to carry on average');
  });

  it('says what is covered once that is asked for twice', () => {
    const half = { ...YEAR, year: { ...NONE, musts: 8, once: 4, sharePercent: 200 } };
    mockFound.answer = answer(['k-135'], path(['k-135', null]), half);
    const { steps, ...rest } = (mockFound.answer as Buying).path!;
    const then = steps.map((s, i) => (i === 0 ? { ...s, with: half } : s));
    mockFound.answer = { ...(mockFound.answer as Buying), path: { ...rest, steps: then } };
    render(<BuyView work={workWith()} />);
    expect(screen.getByTestId('buy-path')).toHaveTextContent(
      /8 of \d+ musts a year, 4 of them once instead of twice/,
    );
  });

  it('says that there is nothing to buy where nothing is missing, and else that nothing adds', () => {
    const work = workWith();
    const frames = work.question!.outings[0]!.question.frames;
    const musts = 4 * frames.filter((f) => f.want === 'must').length;
    const whole = { ...YEAR, year: { ...NONE, musts, sharePercent: 400 } };
    mockFound.answer = answer([], path([null, null]), whole);
    const { unmount } = render(<BuyView work={work} />);
    expect(screen.getAllByText('Nothing to buy: your gear covers all of it.')).toHaveLength(2);
    unmount();
    mockFound.answer = answer([], path([null]), {
      ...whole,
      year: { ...whole.year, musts: musts - 1 },
    });
    render(<BuyView work={work} />);
    expect(screen.getByText('Buy nothing: no set within this budget adds anything.')).toBeVisible();
    expect(
      screen.getByText('Buy nothing: no item within these steps adds anything.'),
    ).toBeVisible();
  });
});

test('a thing that is kept is never sold; a cut search says what may still be in it', async () => {
  const answer: Selling = {
    before: YEAR,
    unneeded: {
      ids: ['k-24-70'],
      resale: { known: 1490, unknown: [] },
      open: { goal: 'money', value: 500, bound: 200 },
    },
    kept: [
      { id: 'k-85', resale: null, lost: NONE, spareable: true, proven: true },
      {
        id: 'k-50',
        resale: 150,
        lost: { ...NONE, musts: -4, sharePercent: -20 },
        spareable: false,
        proven: true,
      },
    ],
    held: [{ id: 'k1', why: 'named' }],
    alone: {
      lenses: [
        { lensId: lensId.parse('k-85'), musts: [{ outing: 0, frameId: frameId.parse('f05') }] },
      ],
      bodyId: bodyId.parse('k1'),
    },
  };
  mockFound.answer = answer;
  const changed: Partial<NextSettings>[] = [];
  render(<SellView work={workWith((change) => changed.push(change))} />);
  expect(screen.getByText('Best found so far: it may come out up to €300 better.')).toBeVisible();
  const alone = screen.getByTestId('left-alone');
  expect(alone).toHaveTextContent(
    'Then only 85 mm f/1.8 covers Crew portrait on the slip: nothing of yours stands in if it breaks.',
  );
  expect(alone).toHaveTextContent('K1 is then your only camera.');
  const rows = within(screen.getByTestId('next-sell-things')).getAllByRole('row');
  expect(rows[2]).toHaveTextContent('nothing lost: another item does the same');
  expect(rows[3]).toHaveTextContent('−4 musts a year, −5');
  expect(rows[4]).toHaveTextContent('named in a stretch');
  await userEvent.click(within(rows[1]!).getByRole('checkbox'));
  expect(changed).toEqual([{ neverSold: ['k-24-70'] }]);
});

test('a wished camera is said to be of no use where every stretch names its cameras', () => {
  const work = workWith();
  const [outing] = work.question!.outings;
  const { shelf } = outing!.question;
  const [camera] = shelf.bodies;
  const free = aStretch('free');
  const named = [aStretch('named', { hands: [assignmentsOf('me', { bodyIds: [camera!.id] })] })];
  const asked = (all: readonly Stretch[], wished: boolean): NextWork => ({
    ...work,
    shelf: {
      ...shelf,
      bodies: [camera!, { ...camera!, ownership: wished ? 'wished' : 'owned' }],
    },
    question: {
      ...work.question!,
      outings: [{ ...outing!, question: { ...outing!.question, stretches: all } }],
    },
  });
  const { container, rerender } = render(<CamerasNamed work={asked(named, true)} />);
  expect(container).toHaveTextContent('A new camera isn’t used on The outing');
  for (const other of [asked(named, false), asked([], true), asked([...named, free], true)]) {
    rerender(<CamerasNamed work={other} />);
    expect(container).toBeEmptyDOMElement();
  }
});
