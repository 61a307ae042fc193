import { stackItemIds } from '@/core/gear';
import type { LineupQuestion, MipSolver } from '..';
import { loadHighsSolver } from '@/solver';
import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  someLimits,
} from '../../../../tests/support/gear';
import { solveWith } from '../../../../tests/support/solve';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const SHORT = aLens('short', 18, 55, 2.8);
const LONG = aLens('long', 50, 140, 2.8);

/** A must that needs both lenses at once, in a stretch on the one body there is. */
const keptOf = (parts: Partial<LineupQuestion>, id = 'both') => {
  const result = solveWith(
    solver,
    aQuestion({
      frames: [focalFrame('both', 24, 100, 'held')],
      shelf: aShelf([SHORT, LONG], [], [aBody()]),
      stretches: [aStretch('ceremony', { changes: false })],
      ...parts,
    }),
  );
  const kept = result.frames.find((f) => f.frameId === id)!.kept;
  const ways = kept?.waysOut.map((w) =>
    w.kind === 'body' ? [w.kind, ...w.stacks.map((s) => stackItemIds(s).join(' '))] : [w.kind],
  );
  return { result, members: kept?.members.map((m) => m.kind), ways };
};

describe('a must that is lost although it could be made', () => {
  it('says what keeps it so, and what one body more would bear', () => {
    const { members, ways } = keptOf({
      frames: [focalFrame('both', 24, 100, 'held'), focalFrame('wide', 20, 24, 'held')],
    });
    expect(members).toEqual(['noChange', 'frame']);
    expect(ways).toEqual([['changes'], ['body', 'long']]);
  });

  it('is not freed by a body where no lens on it reaches', () => {
    expect(keptOf({ frames: [focalFrame('both', 24, 200, 'held')] }).members).toBeUndefined();
  });

  it('is kept by another must that a lens stays on for', () => {
    const frames = [focalFrame('wide', 20, 24, 'held'), focalFrame('far', 120, 130, 'held')];
    const { members, ways } = keptOf({ frames }, 'far');
    const other = keptOf({ frames }, 'wide');
    // One of the two is lost: which one is the order's doing.
    const lost = members ? { members, ways, needs: 'long' } : { ...other, needs: 'short' };
    expect(lost.members).toEqual(['noChange', 'frame', 'frame']);
    expect(lost.ways).toEqual([['changes'], ['body', lost.needs], ['without']]);
  });

  it('says how far a limit would have to rise', () => {
    const { result, members, ways } = keptOf({
      stretches: [aStretch('ceremony')],
      limits: someLimits({ maxLenses: 1 }),
    });
    expect(members).toEqual(['maxLenses', 'frame']);
    expect(ways).toEqual([['raise']]);
    const raised = result.frames[0]!.kept!.members[0];
    expect(raised).toMatchObject({ allowed: 1, needed: 2 });
  });
});
