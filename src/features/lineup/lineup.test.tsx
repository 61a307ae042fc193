import '@testing-library/jest-dom';
import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { type LineupResult, solveLineup } from '@/core/lineup';
import { namesOf, proofText } from '@/text';
import type { Limits } from '@/core/brief';
import { loadHighsSolver } from '@/solver';
import { demoFile, held } from '../../../tests/support/render';
import { Ranges } from '@/parts';
import { Headline, LineupTable } from './LineupTable';
import { Score } from './Score';
import { Matrix } from './Matrix';
import { NotGot } from './NotGot';
import { OutTable } from './OutTable';
import { ProofText } from './ProofText';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));

async function answer(
  change: Partial<Limits> = {},
  frames = demoFile().frames,
): Promise<LineupResult> {
  const file = demoFile();
  held.file = { ...file, frames, limits: { ...file.limits, ...change } };
  held.edits = [];
  const result = solveLineup(await loadHighsSolver(), held.file, { timeLimitS: 30, now: () => 0 });
  held.result = result;
  return result;
}

const plain = (element: HTMLElement) => (element.textContent ?? '').replaceAll('\u202F', ' ');

const Lineup = ({ result }: { result: LineupResult }) => (
  <>
    <Headline result={result} />
    {result.status !== 'impossible' && <Score result={result} />}
    <LineupTable result={result} />
  </>
);

test('the table says what is taken and what only each lens makes', async () => {
  const result = await answer();
  render(<Lineup result={result} />);
  expect(screen.getByRole('heading')).toHaveTextContent('5 lenses cover every must and want');
  const rows = screen.getAllByRole('row').slice(1);
  expect(rows.map((r) => within(r).getByRole('rowheader').firstChild?.textContent)).toEqual([
    '10–24 mm f/4',
    '23 mm f/1.4',
    '24–240 mm f/4–6.3',
    '50 mm f/1.8',
    '90 mm f/2.8 macro',
  ]);
  expect(plain(rows[1]!)).toContain('Dancers by lantern light');
  expect(plain(rows[2]!)).toContain('borrowed');
});

test('a lens is locked in, and left at home, from its row', async () => {
  const user = userEvent.setup();
  render(<Lineup result={await answer()} />);
  await user.click(screen.getByRole('button', { name: 'Lock in 50 mm f/1.8' }));
  expect(held.file.limits.lockedIn).toEqual(['k-50']);
  await user.click(screen.getByRole('button', { name: 'Leave out 50 mm f/1.8' }));
  expect([held.file.limits.lockedIn, held.file.limits.lockedOut]).toEqual([[], ['k-50']]);
});

test('where no lineup is possible, locks are undone in the table', async () => {
  const user = userEvent.setup();
  render(<Lineup result={await answer({ maxLineupWeightG: 500, lockedIn: ['k-50', 'k-90m'] })} />);
  await user.click(screen.getByRole('button', { name: 'Lock in 50 mm f/1.8' }));
  expect(held.file.limits.lockedIn).toEqual(['k-90m']);
});

test('notes say what is missing before anything can be chosen', async () => {
  const { rerender } = render(<Lineup result={await answer({}, [])} />);
  expect(screen.getByText(/No pictures yet/)).toBeVisible();
  expect(screen.getByRole('heading')).toHaveTextContent('No lens is needed yet');
  rerender(<Lineup result={await answer({ lockedOut: ['k1', 'k2r', 't20'] })} />);
  expect(screen.getByText(/No lens fits a camera you’re bringing/)).toBeVisible();
});

test('locks that break a limit are named, with the way out', async () => {
  render(<Lineup result={await answer({ maxLineupWeightG: 500, lockedIn: ['k-50', 'k-90m'] })} />);
  expect(screen.getByRole('heading')).toHaveTextContent('No lineup meets these limits');
  expect(plain(document.body)).toContain(
    'what you locked in: 50 mm f/1.8, 90 mm f/2.8 macroat most 500 g; 788 g would be enough',
  );
});

test('the proof is told by its witnesses', async () => {
  render(<ProofText result={await answer()} />);
  expect(
    screen.getByText(
      'No lens covers two of these 5 pictures, so fewer than 5 lenses can’t cover them.',
    ),
  ).toBeVisible();
  expect(screen.getAllByRole('rowheader').map((r) => r.textContent)).toContain('Oarlock, close up');
});

test('the proof counts lenses that are taken whatever happens', async () => {
  const result = await answer({ lockedIn: ['k-85'] });
  render(<ProofText result={result} />);
  expect(result.proof).toMatchObject({ kind: 'witnesses', bound: 6, lockedIn: 1 });
  expect(
    screen.getByText(
      /1 lens is locked in\. Of the pictures it doesn’t cover, no other lens covers two of these 5/,
    ),
  ).toBeVisible();
});

test.each([
  ['witnesses', 0, 1, 1, 'This picture needs a lens, and one is enough for everything covered.'],
  ['witnesses', 2, 0, 2, '2 lenses are locked in. Nothing else is needed.'],
  ['witnesses', 1, 1, 2, '1 lens is locked in. This picture needs one more lens.'],
  [
    'search',
    0,
    2,
    3,
    'No lens covers two of these 2 pictures: that alone needs 2 lenses. An exact search ruled out every lineup of fewer than 3 items that covers as much.',
  ],
  [
    'search',
    0,
    1,
    2,
    'An exact search ruled out every lineup of fewer than 2 items that covers as much.',
  ],
] as const)(
  'a proof by %s with %d locked in and %d witnesses for %d lenses',
  async (kind, lockedIn, count, lenses, words) => {
    const witnesses = Array.from({ length: count }, () => ({
      frameId: 'f' as never,
      places: [{ stretchId: null, range: { from: 1, to: 1 } }],
      lensIds: [],
      lenses: 1 as const,
    }));
    const totals = { ...(await answer()).totals, lenses, pieces: lenses };
    expect(proofText({ kind, bound: lockedIn + count, lockedIn, witnesses }, totals)).toBe(words);
  },
);

test('a picture covered twice stands for two lenses in the proof', async () => {
  const witness = (lenses: 1 | 2) => ({
    frameId: 'f' as never,
    places: [{ stretchId: null, range: { from: 1, to: 1 } }],
    lensIds: [],
    lenses,
  });
  const totals = { ...(await answer()).totals, lenses: 3, pieces: 3 };
  const words = (...witnesses: (1 | 2)[]) =>
    proofText(
      { kind: 'witnesses', bound: 3, lockedIn: 0, witnesses: witnesses.map(witness) },
      totals,
    );
  expect(words(2)).toBe(
    'This picture needs two lenses at once, and they are enough for everything covered.',
  );
  expect(words(1, 2)).toBe(
    'No lens covers two of these 2 pictures, and 1 of them needs two at once, so fewer than 3 lenses can’t cover them.',
  );
});

test('a lineup that is only the best found says so with its bound', async () => {
  const result = {
    ...(await answer()),
    status: 'best-found' as const,
    proof: { kind: 'none' as const },
    open: { aim: 'pieces' as const, value: 5, bound: 4.2 },
  };
  render(<ProofText result={result} />);
  expect(
    screen.getByText(
      /Time ran out while improving the number of items.*5 items\. Nothing below 4\.2 items/,
    ),
  ).toBeVisible();
});

test('pictures that are lost are listed with the nearest miss, or with what could make them', async () => {
  const { rerender } = render(<NotGot result={await answer()} question={held.file} />);
  expect(plain(screen.getByRole('listitem'))).toMatch(
    /Moon over the bridge bonus.*could cover it, but a bonus never adds a lens/,
  );
  const borrowed = await answer({ sources: ['borrowed'] });
  rerender(<NotGot result={borrowed} question={held.file} />);
  const dancers = screen.getAllByRole('listitem').find((i) => i.textContent?.includes('Dancers'));
  expect(plain(dancers!)).toMatch(/Nearest: .* too slow by/);
});

test('a lost must is freed by a click, where one change does', async () => {
  const user = userEvent.setup();
  const result = await answer({ maxLenses: 1 });
  render(<NotGot result={result} question={held.file} />);
  const [raise] = screen.getAllByRole('button', { name: /^Lenses at most: / });
  await user.click(raise!);
  expect(held.file.limits.maxLenses).toBeGreaterThan(1);
});

test('every verdict opens its arithmetic', async () => {
  const user = userEvent.setup();
  const result = await answer();
  render(<Matrix result={result} question={held.file} />);
  const row = screen.getByRole('row', { name: /Prize-giving/ });
  expect(plain(row)).toContain('clear, 0.3 stops spare');
  expect(plain(row)).toContain('too slow');
  await user.click(within(row).getByRole('button', { name: /with 90 mm f\/2.8 macro/ }));
  const dialog = await screen.findByRole('dialog');
  expect(plain(dialog)).toContain('f = D·m / (1 + m)²');
  expect(plain(dialog)).toMatch(/Light: 0\.341 stops to spare: f\/2\.8/);
  expect(plain(dialog)).toContain('ISO 2720');
});

test('lenses left out give their reason at once and what they lack when asked', async () => {
  const user = userEvent.setup();
  const result = await answer();
  render(<OutTable result={result} />);
  expect(plain(screen.getByText('70–300 mm f/4–5.6').closest('summary')!)).toContain(
    'would add only Moon over the bridge; a bonus never adds a lens',
  );
  const wished = screen.getByText('600 mm f/4').closest('details')!;
  expect(plain(wished)).toContain('is wished for: excluded by your limits');
  expect(plain(wished)).not.toContain('Alone it makes');
  wished.open = true;
  act(() => void wished.dispatchEvent(new Event('toggle')));
  expect(
    await within(wished).findByText(/On its own it covers: .*Moon over the bridge/),
  ).toBeVisible();
  expect(plain(wished)).toContain('Boathouse, whole hall: not wide enough');
  await user.click(screen.getByRole('button', { name: 'Take 600 mm f/4' }));
  expect(held.file.limits.lockedIn).toEqual(['k-600']);
});

test('gaps say what they cost, overlaps what speaks for them', async () => {
  const { rerender } = render(<Ranges result={await answer()} name={namesOf(demoFile())} />);
  expect(screen.getByText('None: the ranges meet from the widest to the longest.')).toBeVisible();
  expect(plain(document.body)).toMatch(/90 mm f\/2\.8 macro is faster by .*stops/);
  rerender(
    <Ranges
      result={await answer({ lockedIn: ['t-10-24', 'k-400'], maxLenses: 2 })}
      name={namesOf(demoFile())}
    />,
  );
  expect(plain(document.body)).toMatch(
    /37–400 mm on 36×24, a crop of 10\.87× .*Costs .*Prize-giving/,
  );
});
