import '@testing-library/jest-dom';
import { cleanup, render } from '@testing-library/react';
import fc from 'fast-check';
import { anyOuting } from '../../../tests/support/arbitraries';
import { demoFile, held } from '../../../tests/support/render';
import { type LineupQuestion, type MipSolver, solveLineup } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { loadHighsSolver } from '@/solver';
import { namesOf, stackName } from '@/text';
import { Sheet } from './Sheet';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
  download: () => undefined,
}));

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

/** The sheet says of every picture what the lineup makes of it, each once. */
function agrees(question: LineupQuestion): void {
  const result = solveLineup(solver, question, { timeLimitS: 30, now: () => 0 });
  const file = { ...demoFile(), ...question } as OutingFile;
  Object.assign(held, { file, result });
  const { container } = render(<Sheet onSelect={() => undefined} />);
  const cells = [...container.querySelectorAll<HTMLElement>('[data-cell]')];
  expect(cells.map((c) => c.dataset.cell).sort()).toEqual(question.frames.map((f) => f.id).sort());
  const name = namesOf(file);
  for (const frame of result.frames) {
    const cell = cells.find((c) => c.dataset.cell === frame.frameId)!;
    expect(cell.dataset.state).toBe(frame.state);
    const whole = frame.covers.find((c) => c.code !== 'part') ?? frame.covers[0];
    if (frame.state === 'lost') expect(cell.querySelector('[data-photo]')).toBeNull();
    else expect(cell).toHaveTextContent(stackName(whole!, name));
    // In the first stretch that it may be made in, of all the outing's.
    const of = file.frames.find((f) => f.id === frame.frameId)!;
    const stretch = file.stretches.find((s) => of.stretchIds.some((id) => id === s.id));
    if (stretch) expect(cell.closest('section')).toHaveAttribute('aria-label', stretch.name);
  }
  cleanup();
}

test('the demo’s sheet says what its lineup makes', () => agrees(demoFile()));

test('sheets of random outings say what their lineups make', () => {
  fc.assert(fc.property(anyOuting, agrees), { seed: 63, numRuns: 50 });
});
