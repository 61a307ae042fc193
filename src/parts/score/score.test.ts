import fc from 'fast-check';
import { anyOuting, anyQuestion } from '../../../tests/support/arbitraries';
import { demoFile } from '../../../tests/support/render';
import { type LineupResult, type MipSolver, solveLineup } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { placeOf, scoreOf } from './score';

const OPTIONS = { timeLimitS: 30, now: () => 0 };
let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

type Asked = Parameters<typeof scoreOf>[1];

/** The score says what the result says: each cover a note, on its line, within the axis. */
function agrees(result: LineupResult, file: Asked): void {
  const score = scoreOf(result, file);
  const noted = score.lines.flatMap((l) => l.notes.map((n) => `${l.lensId} ${n.frameId}`)).sort();
  const covered = new Set(
    result.frames.flatMap((f) => f.covers.map((c) => `${c.lensId} ${f.frameId}`)),
  );
  expect(noted).toEqual([...covered].sort());
  for (const line of score.lines) {
    const only = result.lensesIn.find((l) => l.lensId === line.lensId)?.onlyIt ?? [];
    for (const note of line.notes) {
      expect(note.isOnly).toBe(only.includes(note.frameId));
      expect(placeOf(score, note.equivalentMm)).toBeGreaterThan(0);
      expect(placeOf(score, note.equivalentMm)).toBeLessThan(100);
    }
    // No two notes of a line lie on each other.
    for (const [i, { shownAt, level }] of line.notes.entries())
      for (const other of line.notes.slice(i + 1))
        expect(Math.abs(shownAt - other.shownAt) > 4 || level !== other.level).toBe(true);
    // None is far from its place, and none leaves the axis.
    for (const { shownAt, equivalentMm } of line.notes) {
      expect(Math.abs(shownAt - placeOf(score, equivalentMm))).toBeLessThan(11);
      expect(Math.abs(shownAt - 50)).toBeLessThanOrEqual(50);
    }
    // A note with no neighbour stands at its place.
    const [first] = line.notes;
    if (line.notes.length === 1)
      expect(first!.shownAt).toBeCloseTo(placeOf(score, first!.equivalentMm), 6);
  }
}

test('the demo’s score holds its lineup, with the proof’s pictures', () => {
  const file = demoFile();
  const result = solveLineup(solver, file, OPTIONS);
  agrees(result, file);
  const { lines } = scoreOf(result, file);
  expect(lines.map((l) => l.lensId).sort()).toEqual([...result.lineup.lensIds].sort());
  const ringed = new Set(
    lines.flatMap((l) => l.notes.filter((n) => n.isProof).map((n) => n.frameId)),
  );
  const witnesses =
    result.proof.kind === 'none' ? [] : result.proof.witnesses.map((w) => w.frameId);
  expect([...ringed].sort()).toEqual([...new Set(witnesses)].sort());
  // Wide to long, by the reach of each lens on its camera.
  const wide = lines.map((l) => l.bare.fromMm);
  expect(wide).toEqual([...wide].sort((a, b) => a - b));
});

test.each([
  ['one person', anyQuestion(4)],
  ['stretches and two shooters', anyOuting],
])('the score says what the result says on random outings: %s', (_, outings) => {
  fc.assert(
    fc.property(outings, (question) => agrees(solveLineup(solver, question, OPTIONS), question)),
    { seed: 61, numRuns: 25 },
  );
});

test('an octave is as wide anywhere on the axis', () => {
  const axis = { fromMm: 10, toMm: 640 };
  expect(placeOf(axis, 10)).toBe(0);
  expect(placeOf(axis, 640)).toBeCloseTo(100);
  expect(placeOf(axis, 80) - placeOf(axis, 40)).toBeCloseTo(
    placeOf(axis, 320) - placeOf(axis, 160),
  );
});
