import fc from 'fast-check';
import { personFrame } from '../../../../tests/support/gear';
import type { Target } from '../problem/problem';
import type { OpportunitySegments } from './segments';
import { narrowestWays } from './narrowestWays';

const CANDIDATES = 6;
const frame = personFrame('one', 3, 5, 'held');

/** A target by the candidates of each segment of each of its opportunities. */
function targetOf(
  asked: readonly (readonly (readonly number[])[])[],
  needsBackup = false,
): Target<OpportunitySegments> {
  const opportunities = asked.map((segments): OpportunitySegments => ({
    opportunity: { frameId: frame.id, stretchId: null, stationId: null, assignments: [], frame },
    needsBackup,
    segments: segments.map((candidates) => ({
      frameId: frame.id,
      range: { from: 3, to: 5 },
      candidates,
    })),
  }));
  return { key: 'one', frame, layer: 'base', opportunities };
}

/** Whether some candidates make one of the opportunities: each of its segments has one of them. */
const isMade = ({ opportunities }: Target<OpportunitySegments>, by: ReadonlySet<number>) =>
  opportunities.some((o) => o.segments.every((s) => s.candidates.some((c) => by.has(c))));

describe('opportunities that another beats, or that are one', () => {
  const segment = fc.uniqueArray(fc.integer({ min: 0, max: CANDIDATES - 1 }), { minLength: 1 });
  const opportunity = fc.array(segment, { minLength: 1, maxLength: 3 });

  it('are left out without a change to what any candidates make; nothing that is left beats another', () => {
    let left = 0;
    let all = 0;
    fc.assert(
      fc.property(fc.array(opportunity, { minLength: 1, maxLength: 6 }), (asked) => {
        const target = targetOf(asked);
        const kept = narrowestWays(target, CANDIDATES);
        all += target.opportunities.length;
        left += kept.opportunities.length;
        const made = kept.opportunities.map(() => new Set<number>());
        for (let mask = 0; mask < 2 ** CANDIDATES; mask += 1) {
          const by = new Set([...Array(CANDIDATES).keys()].filter((c) => (mask >> c) & 1));
          expect(isMade(kept, by)).toBe(isMade(target, by));
          kept.opportunities.forEach(
            (o, i) => isMade({ ...kept, opportunities: [o] }, by) && made[i]!.add(mask),
          );
        }
        for (const one of made)
          for (const other of made)
            expect(one !== other && [...other].every((mask) => one.has(mask))).toBe(false);
      }),
      { seed: 5, numRuns: 300 },
    );
    expect(left).toBeLessThan(0.8 * all);
  });

  it('are one where each is of one segment, and what makes that by itself counts in no other', () => {
    const { opportunities } = narrowestWays(
      targetOf([
        [[0]],
        [
          [1, 2],
          [0, 3],
          [4, 5],
        ],
        [[0, 2]],
        [[2], [3, 4]],
      ]),
      CANDIDATES,
    );
    expect(opportunities.map(({ segments }) => segments.map((s) => s.candidates))).toEqual([
      [[0, 2]],
      [[1], [3], [4, 5]],
    ]);
  });

  it('stay where a frame is to be covered twice', () => {
    const twice = targetOf([[[0, 1]], [[0]]], true);
    expect(narrowestWays(twice, CANDIDATES)).toBe(twice);
  });
});
