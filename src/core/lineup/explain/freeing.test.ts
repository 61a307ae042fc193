import fc from 'fast-check';
import { verdictOn } from '@/core/coverage';
import { mountableSetups } from '@/core/gear';
import { loadHighsSolver } from '@/solver';
import type { LineupQuestion, LineupResult, MipSolver } from '..';
import { anyOuting, anyQuestion } from '../../../../tests/support/arbitraries';
import {
  aLens,
  aQuestion,
  aShelf,
  focalFrame,
  lightOf,
  personFrame,
  someLimits,
} from '../../../../tests/support/gear';
import { runsOf } from '../../../../tests/support/runs';
import { solveWith } from '../../../../tests/support/solve';
import { freed, type Freeing, freeingsOf } from './freeing';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const mustsGot = ({ totals }: LineupResult) => totals.musts.got + totals.musts.once / 2;
const waysFor = (question: LineupQuestion, id: string) => {
  const result = solveWith(solver, question);
  const frame = result.frames.find((f) => f.frameId === id)!;
  return { result, frame, ways: freeingsOf(question, result, frame) };
};

describe('the ways out of a lost must', () => {
  it('free it when they are tried, on random outings', () => {
    let tried = 0;
    const property = fc.property(fc.oneof(anyQuestion(4), anyOuting), (question) => {
      const result = solveWith(solver, question);
      for (const frame of result.frames) {
        if (frame.want !== 'must' || frame.state !== 'lost') continue;
        for (const way of freeingsOf(question, result, frame)) {
          tried += 1;
          const after = solveWith(solver, freed(question, way, frame.frameId));

          if (frame.kept !== null) expect(mustsGot(after)).toBeGreaterThan(mustsGot(result));
          // What nothing could cover can be covered then; what it takes may still be limited.
          const now = after.frames.find((f) => f.frameId === frame.frameId)!;
          if (frame.kept === null && now.state === 'lost') {
            expect(now.impossible).toEqual([]);
            expect(isLimited(question)).toBe(true);
          }
        }
      }
    });
    fc.assert(property, { numRuns: runsOf(400, 150), seed: 2611 });
    expect(tried).toBeGreaterThan(20);
  });

  const isLimited = ({ limits, stretches }: LineupQuestion) =>
    limits.maxLenses !== null ||
    limits.maxLineupWeightG !== null ||
    limits.maxSpend !== null ||
    limits.neverChange ||
    stretches.length > 0;

  const far = focalFrame('far', 400, 400, 'held');
  const limits = someLimits({ sources: ['owned'], maxCrop: 1 });
  const ask = (lenses: LineupQuestion['shelf']['lenses'], change = {}, frames = [far]) =>
    waysFor(
      aQuestion({ shelf: aShelf([...lenses]), frames, limits: { ...limits, ...change } }),
      frames[0]!.id,
    );

  it.each<[string, () => Freeing[], Freeing]>([
    [
      'gear that may not be used',
      () => ask([aLens('wished', 400, 400, 5.6, { ownership: 'wished' })]).ways,
      { kind: 'source', source: 'wished' },
    ],
    [
      'a lens that was left out',
      () => ask([aLens('out', 400, 400, 5.6)], { lockedOut: ['out'] }).ways,
      { kind: 'unlock', lensId: 'out' as never },
    ],
    [
      // By hand: f/4 at 1/250 s in EV 5 takes 100 · 16 · 250 / 2^5 = ISO 12,500, less a tenth of a stop.
      'a higher ISO',
      () =>
        ask([aLens('slow', 50, 50, 4)], { isoCeiling: 3200 }, [
          focalFrame('far', 50, 50, 'held', {
            light: lightOf(5, { longestTimeS: 1 / 250, support: 'support' }),
          }),
        ]).ways,
      { kind: 'iso', to: 12_500 },
    ],
    [
      'more lenses',
      () =>
        ask([aLens('a', 24, 24, 2.8), aLens('b', 400, 400, 5.6)], { maxLenses: 1 }, [
          far,
          focalFrame('wide', 24, 24, 'held'),
        ]).ways,
      { kind: 'limit', key: 'maxLenses', to: 2 },
    ],
  ])('is %s', (_, ways, expected) => expect(ways()).toContainEqual(expected));

  it('is the nearest other distance at which something covers it', () => {
    // A person of 1.8 m that fills half of 24 mm at 20 m needs 133 mm; with 100 mm up to 15 m will do.
    const person = personFrame('person', 20, 20, 'held');
    const { ways } = ask([aLens('short', 100, 100, 2.8)], {}, [person]);
    const [way] = ways.filter((w) => w.kind === 'distance');
    expect(way?.times).toBeCloseTo(1.1 ** -3, 9);
    const question = freed(aQuestion({ frames: [person], shelf: aShelf([]) }), way!, person.id);
    const [setup] = mountableSetups(aShelf([aLens('short', 100, 100, 2.8)]));
    expect(verdictOn(setup!, question.frames[0]!, limits).got).toBe(true);
  });
});
