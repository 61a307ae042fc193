import '@testing-library/jest-dom';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readFileSync } from 'node:fs';
import {
  type CarryAnswer,
  carryAnswer,
  cautionsFor,
  type packBag,
  packingList,
} from '@/core/carry';
import { solveLineup } from '@/core/lineup';
import { decode } from '@/document';
import { loadHighsSolver } from '@/solver';
import { held } from '../../../tests/support/render';
import { Bag } from './Bag';
import {
  anyOrderSteps,
  changeSteps,
  exactWeight,
  carriedWeightSteps,
  orderSteps,
  roomSteps,
  tooBigSteps,
} from '@/text';
import { Cautions, cautionsByStretch } from './Cautions';
import { calendarOf, packingCsv, packingMarkdown } from '@/document/formats';
import { packedLines, titleOf } from './exports';
import { PackingView } from './PackingView';
import { BagSettings, DaySettings, PackingSettings } from './PlanSettings';
import { StretchPlan } from './StretchPlan';
import { Summary } from './Summary';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
  download: () => undefined,
}));
/** The bag's search, at once and not in a worker. */
jest.mock('@/workers/backgroundClient', () => ({
  searchBag: (
    compartments: Parameters<typeof packBag>[0],
    items: Parameters<typeof packBag>[1],
    report: { done: (answer: unknown) => void },
  ) => {
    report.done(jest.requireActual('@/core/carry').packBag(compartments, items));
    return () => undefined;
  },
}));

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
const demo = read.ok ? read.value : (null as never);
let answer: ReturnType<typeof carryAnswer>;
beforeAll(async () => {
  const result = solveLineup(await loadHighsSolver(), demo, { timeLimitS: 30, now: () => 0 });
  answer = carryAnswer(demo, result);
});
beforeEach(() => Object.assign(held, { file: demo, edits: [] }));

const plain = (element: HTMLElement) => (element.textContent ?? '').replaceAll('\u202F', ' ');
const stretch = (id: string) => answer.plan.stretches.find((s) => s.stretchId === id)!;

test('the summary says the changes, that fewer cannot do, and the heaviest moment', () => {
  const { rerender } = render(<Summary answer={answer} thinking={false} />);
  expect(plain(screen.getByRole('status'))).toContain(
    `${answer.plan.changes} lens changes over the whole outing, the fewest possible; 4.29 kg at the heaviest moment, Lantern procession, First shooter.`,
  );
  held.file = { ...demo, packing: { ...demo.packing, maxWeightG: 4000 } };
  const saving = {
    ...answer,
    changesInOrder: answer.plan.changes + 2,
    plan: { ...answer.plan, proven: false },
  };
  rerender(<Summary answer={saving} thinking />);
  const text = plain(screen.getByRole('status'));
  expect(text).toContain('best found so far');
  expect(text).toContain('over your 4.00 kg');
  expect(text).toContain('saves 2 lens changes');
});

test('the arithmetic behind weights and changes comes to what is shown', () => {
  for (const { hands: assignments } of answer.plan.stretches)
    for (const assignment of assignments) {
      const { allG, inHandG, shoulderG, bagG } = assignment.weights;
      expect(carriedWeightSteps(demo, assignment).map((s) => s.result)).toEqual(
        [allG, inHandG, shoulderG, bagG].map(exactWeight),
      );
    }
  const [changes] = changeSteps(demo, answer.plan);
  expect(changes?.result).toBe(String(answer.plan.changes));
  expect(changes?.formula).toMatch(/Boathouse and crews: \d .*between stretches: \d/);
});

test('what a free order saves is the difference of the two plans', () => {
  const asked = { ...answer, changesInOrder: 7, changesAnyOrder: 1 };
  const [saved] = orderSteps(asked);
  const { changes } = answer.plan;
  expect(saved).toMatchObject({
    result: `${7 - changes}`,
    formula: expect.stringMatching(`= 7 − ${changes}$`),
  });
  const [freed] = anyOrderSteps(asked);
  expect(freed).toMatchObject({
    result: `${changes - 1}`,
    formula: expect.stringMatching(`= ${changes} − 1$`),
  });
});

test('a stretch says what hangs where, in whose hands, and what stays', () => {
  const { rerender } = render(
    <StretchPlan plan={stretch('finals')} cautions={[]} isNext isOpen onTurn={null} />,
  );
  const finals = screen.getByRole('region', { name: 'Finals, both banks' });
  expect(plain(finals)).toContain('next');
  expect(plain(finals)).toContain('Handed over: T20 to Second shooter');
  expect(within(finals).getAllByRole('list', { name: 'In this order' })).toHaveLength(2);
  rerender(
    <StretchPlan plan={stretch('boathouse')} cautions={[]} isNext={false} isOpen onTurn={null} />,
  );
  const boathouse = screen.getByRole('region', { name: 'Boathouse and crews' });
  expect(plain(boathouse)).toContain('Change: 70–300 mm f/4.5–5.6 + 25 mm tube on K1');
  expect(plain(boathouse)).toContain('Stays in the boathouse locker: 16–55 mm f/2.8, 23 mm f/1.4');
  rerender(
    <StretchPlan plan={stretch('launch')} cautions={[]} isNext={false} isOpen onTurn={null} />,
  );
  expect(plain(screen.getByRole('region', { name: 'In the launch' }))).toContain(
    'rain or spray, no lens changes',
  );
});

test('ticks of the packing list are kept with the outing, and taken back', async () => {
  const user = userEvent.setup();
  const lines = packingList(demo, answer.plan);
  const { rerender } = render(<PackingView lines={lines} />);
  expect(screen.getByRole('heading', { name: /Packing list/ })).toHaveTextContent(
    /^Packing list 0 of/,
  );
  await user.click(screen.getByLabelText(/Rain covers and a towel/));
  expect(held.file.packing.ticked).toEqual(['rain']);
  rerender(<PackingView lines={[...lines]} />);
  await user.click(screen.getByLabelText(/Rain covers and a towel/));
  expect(held.file.packing.ticked).toEqual([]);
  expect(screen.getAllByRole('checkbox').at(lines.length)).toBe(
    screen.getByLabelText('spare batteries, charged'),
  );
  const titles = screen.getAllByRole('heading', { level: 3 }).map((h) => h.textContent);
  expect(titles.slice(0, 3)).toEqual([
    'Cameras',
    'Lenses and what goes with them',
    'Power and cards',
  ]);
});

test('every line says why with its arithmetic', () => {
  render(<PackingView lines={packingList(demo, answer.plan)} />);
  const batteries = screen.getByText(/Batteries for T20/).parentElement!;
  expect(plain(batteries)).toMatch(
    /pictures on the busiest day, charged every night, ÷ 340 per charge, rounded up, and one spare/,
  );
  expect(plain(screen.getByText(/^Tripod rated for/))).toContain(
    'the heaviest setup weighs 1.44 kg',
  );
});

test('the bag says whether all goes in, and what has no size', () => {
  const lines = packingList(demo, answer.plan);
  const { rerender } = render(<Bag plan={answer.plan} lines={lines} />);
  expect(screen.getByRole('status')).toHaveTextContent('Everything with a known size fits');
  expect(screen.getByText(/Size estimated/)).toHaveTextContent('25 mm tube');
  expect(screen.getByRole('img', { name: /25 mm tube/ })).toBeVisible();
  const pocket = screen.getByRole('img', { name: /^Top pocket/ });
  expect(plain(pocket)).toContain('× Batteries for T20');
  expect(plain(pocket)).not.toContain('Tripod');
  const [main] = demo.packing.compartments;
  const small = { ...main!, widthMm: 60, heightMm: 60, depthMm: 60 };
  held.file = { ...demo, packing: { ...demo.packing, compartments: [small] } };
  rerender(<Bag plan={{ ...answer.plan }} lines={[]} />);
  expect(screen.getByRole('status')).toHaveTextContent(/doesn’t fit any compartment/);
  const flat = { ...main!, widthMm: 250, heightMm: 130, depthMm: 140 };
  held.file = { ...demo, packing: { ...demo.packing, compartments: [flat] } };
  rerender(<Bag plan={{ ...answer.plan }} lines={[]} />);
  expect(screen.getByRole('status')).toHaveTextContent(/more than the bag holds: \d+/);
  held.file = { ...demo, packing: { ...demo.packing, compartments: [] } };
  rerender(<Bag plan={{ ...answer.plan }} lines={[]} />);
  expect(screen.getByText(/Give the inner sizes of your bag/)).toBeVisible();
});

test('the room that the bag’s blocks take is summed side by side, and a block too long is measured', async () => {
  const user = userEvent.setup();
  const box = { id: 'box', name: 'Box', widthMm: 200, heightMm: 100, depthMm: 100 };
  const file = { ...demo, packing: { ...demo.packing, compartments: [box, box] } };
  const cube = { id: 'k-50', widthMm: 50, heightMm: 100, depthMm: 100 };
  const [taken, room, share] = roomSteps(file, [cube, cube]);
  expect(taken?.result).toBe('1 l');
  expect(taken?.formula).toContain('50 mm f/1.8, 100 × 100 × 50 mm: 0.5 l');
  expect(room?.result).toBe('4 l');
  expect(share).toMatchObject({ result: '25 %', formula: 'blocks / room = 1 l / 4 l' });
  expect(tooBigSteps(file, { ...cube, widthMm: 250 }).map((s) => s.result)).toEqual([
    '200 × 100 × 100 mm inside',
    '200 × 100 × 100 mm inside',
  ]);
  held.file = demo;
  render(<Bag plan={answer.plan} lines={[]} />);
  const shown = screen.getByRole('button', { name: 'How full the bag is' });
  const percent = Number(plain(shown).replace(' %', ''));
  await user.click(shown);
  const steps = plain(await screen.findByRole('dialog'));
  const exactShare = Number(/Share of the room: ([\d.]+) %/.exec(steps)?.[1]);
  expect(Math.round(exactShare)).toBe(percent);
});

test('each caution stands where it first applies, and those of the way there with the packing list', () => {
  const cautions = cautionsFor(demo, answer.plan);
  const { at, elsewhere } = cautionsByStretch(cautions, answer.plan);
  const placed = answer.plan.stretches.map((s, i) => ({
    id: s.stretchId as string | null,
    codes: at(i).map((c) => c.code),
  }));
  expect(placed.find(({ id }) => id === 'heats')?.codes).toContain('sun-in-finder');
  expect(elsewhere.map((c) => c.code)).toEqual(['lithium']);
  expect(placed.flatMap(({ codes }) => codes)).toHaveLength(cautions.length - 1);
});

test('cautions defer to local rules, name where else they apply, and are silent where there are none', () => {
  const cautions = cautionsFor(demo, answer.plan);
  const { container, rerender } = render(<Cautions cautions={cautions} here="heats" />);
  const sun = screen.getByText(/^Never look at the sun/);
  expect(sun).toHaveTextContent(/also in .*Finals, both banks/);
  expect(sun).not.toHaveTextContent('Heats from the bridge');
  expect(screen.getByText(/come first\.$/)).toBeVisible();
  expect(container).toHaveTextContent('Don’t walk or run backwards');
  rerender(<Cautions cautions={[]} />);
  expect(container).toBeEmptyDOMElement();
});

test('order and preference are chosen, compartments and things added and taken away', async () => {
  const user = userEvent.setup();
  const all = (answer: CarryAnswer) => (
    <>
      <DaySettings answer={answer} />
      <BagSettings />
      <PackingSettings />
    </>
  );
  const shown = render(all(answer));
  const again = () => shown.rerender(all({ ...answer }));
  expect(screen.queryByLabelText('In the launch')).toBeNull();
  await user.click(screen.getByLabelText('Finals, both banks'));
  expect(held.file.packing.anyOrder).toEqual(['boathouse', 'finals']);
  again();
  await user.click(screen.getByLabelText('less weight'));
  expect(held.file.packing.prefer).toBe('weight');
  await user.click(screen.getByRole('button', { name: 'Add a compartment' }));
  expect(held.file.packing.compartments).toHaveLength(3);
  again();
  await user.click(screen.getByRole('button', { name: 'Delete Life jacket' }));
  expect(held.file.packing.things.map((t) => t.id)).toEqual(['towel']);
});

describe('what is taken along', () => {
  const lines = () => packingList(demo, answer.plan);

  it('is a calendar with every stretch at its local time', async () => {
    const { text, left } = await calendarOf(demo);
    expect(left).toEqual([]);
    expect(text.match(/BEGIN:VEVENT/g)).toHaveLength(demo.stretches.length);
    expect(text).toContain('DTSTART:20270612T083000');
    expect(text).toContain('DTEND:20270612T123000');
    const past = { ...demo.stretches[0]!, fromTime: '22:00', toTime: '01:00' };
    const undated = { ...demo.stretches[1]!, day: null };
    const night = await calendarOf({ ...demo, stretches: [past, undated] });
    expect(night.text).toContain('DTEND:20270613T010000');
    expect(night.left).toEqual(['Boathouse and crews']);
  });

  it('is a packing list as CSV and as Markdown, ticks and all', () => {
    const ticked = { ...demo, packing: { ...demo.packing, ticked: ['rain'] } };
    const csv = packingCsv(packedLines(ticked, lines())).split('\n');
    expect(csv[0]).toBe('count,what,why,packed');
    expect(csv).toHaveLength(lines().length + 1);
    expect(csv.find((row) => row.includes('Rain covers'))).toMatch(/,yes$/);
    const markdown = packingMarkdown(titleOf(ticked), packedLines(ticked, lines()));
    expect(markdown).toContain('# Lantern regatta, two days, 12 June 2027');
    expect(markdown).toContain('- [x] Rain covers and a towel (wet: In the launch)');
    expect(markdown).toContain('- [ ] 10–24 mm f/4\n');
    const odd = { ...ticked, outing: { ...ticked.outing, name: '*Two* [days](x) <b> #1' } };
    expect(packingMarkdown(titleOf(odd), [])).toContain('# \\*Two\\* \\[days\\](x) \\<b\\> \\#1');
  });
});
