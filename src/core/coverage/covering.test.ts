import fc from 'fast-check';
import { footingOf, needAxis } from '@/core/brief';
import {
  CoverageMemory,
  coveredPositions,
  coveringSetups,
  type Harder,
  stillCovering,
} from './index';
import { AT_EASE } from '@/core/pace';
import { mountableSetups } from '@/core/gear';
import { covers, type IntervalSet, subtract } from '@/core/intervals';
import { anyOuting, anyQuestion } from '../../../tests/support/arbitraries';
import { aLens, personFrame, setupOf, someLimits } from '../../../tests/support/gear';

const HARDER: readonly Harder[] = [
  { stops: 1, uncropped: false, leastGrade: null, usualFocus: false },
  { stops: 2, uncropped: false, leastGrade: null, usualFocus: false },
  { stops: 0, uncropped: true, leastGrade: null, usualFocus: false },
  { stops: 1, uncropped: true, leastGrade: null, usualFocus: false },
  { stops: 0, uncropped: false, leastGrade: 'good', usualFocus: false },
];

const isEmpty = (positions: IntervalSet) => positions.length === 0;

describe('looking many setups up at once', () => {
  it('finds the setups, and the places, that looking each up by itself finds', () => {
    let found = 0;
    fc.assert(
      fc.property(fc.oneof(anyQuestion(6), anyOuting), ({ shelf, frames, limits }) => {
        const setups = mountableSetups(shelf);
        const covered = coveringSetups(setups, frames, limits);
        for (const frame of frames) {
          const axis = needAxis(frame.need).range;
          const byIndex = new Map(covered.get(frame)?.map((a) => [a.index, a.positions]));
          setups.forEach((setup, index) => {
            const alone = coveredPositions(setup, frame, limits);
            const together = byIndex.get(index) ?? [];
            expect(isEmpty(together)).toBe(isEmpty(alone));
            if (isEmpty(alone)) return;
            found += 1;
            // On free ground one place is enough, and the whole axis stands for it.
            expect(together).toEqual(footingOf(frame.need) === 'free' ? [axis] : alone);
          });
        }
      }),
      { seed: 41, numRuns: 300 },
    );
    expect(found).toBeGreaterThan(1000);
  });

  it('finds the same with what is known of other parts of the shelf and other frames', () => {
    let found = 0;
    fc.assert(
      fc.property(anyQuestion(6), fc.nat(), ({ shelf, frames, limits }, bits) => {
        const isIn = <T>(list: readonly T[], from: number) =>
          list.filter((_, i) => (bits >> (from + i)) & 1);
        const memory = new CoverageMemory();
        const some = { ...shelf, lenses: isIn(shelf.lenses, 0), bodies: isIn(shelf.bodies, 8) };
        coveringSetups(mountableSetups(some), isIn(frames, 12), limits, AT_EASE, memory);
        const setups = mountableSetups(shelf);
        const alone = coveringSetups(setups, frames, limits);
        for (const asked of [frames, structuredClone(frames)]) {
          const known = coveringSetups(setups, asked, limits, AT_EASE, memory);
          expect([...known.values()]).toEqual([...alone.values()]);
          found += [...known.values()].flat().length;
        }
      }),
      { seed: 43, numRuns: 300 },
    );
    expect(found).toBeGreaterThan(1000);
  });

  it('finds what still does when it is asked harder, and nothing that did not before', () => {
    let lost = 0;
    fc.assert(
      fc.property(
        anyQuestion(6),
        fc.constantFrom(...HARDER),
        ({ shelf, frames, limits }, harder) => {
          const setups = mountableSetups(shelf);
          const covered = coveringSetups(setups, frames, limits);
          for (const frame of frames) {
            const before = covered.get(frame) ?? [];
            const after = stillCovering(setups, before, frame, limits, harder);
            const alone = setups.flatMap((setup, index) =>
              isEmpty(coveredPositions(setup, frame, limits, harder)) ? [] : [index],
            );
            expect(after.map((a) => a.index)).toEqual(alone);
            lost += before.length - after.length;
          }
        },
      ),
      { seed: 42, numRuns: 400 },
    );
    expect(lost).toBeGreaterThan(100);
  });

  it('never makes a place harder asked that it does not make as asked', () => {
    fc.assert(
      fc.property(
        anyQuestion(4),
        fc.constantFrom(...HARDER),
        ({ shelf, frames, limits }, harder) => {
          for (const setup of mountableSetups(shelf))
            for (const frame of frames) {
              const asked = coveredPositions(setup, frame, limits);
              for (const position of coveredPositions(setup, frame, limits, harder))
                expect(covers(asked, position) || isEmpty(subtract([position], asked))).toBe(true);
            }
        },
      ),
      { seed: 43, numRuns: 300 },
    );
  });

  it('makes with a crop allowed what it makes without one, where depth and blur all but exclude each other', () => {
    const zoom = setupOf([aLens('zoom', 12, 300, [1.4, 1.4 * Math.SQRT2])]);
    const { need } = personFrame('upright', 27, 50, 'free');
    const rows = personFrame('rows', 27, 50, 'free', {
      need: { ...need, orientation: 'portrait' },
      depth: { sharp: { kind: 'rows', depthM: 0.8 }, blur: { behindM: null, percent: 3 } },
      output: { kind: 'pixels', longPx: 4000, shortPx: 2600, cut: false },
    });
    const circleOfConfusion = { kind: 'output' } as const;
    const made = (maxCrop: number) =>
      coveredPositions(zoom, rows, someLimits({ maxCrop, circleOfConfusion }))[0];
    expect(made(1)?.from).toBeCloseTo(27.3284, 4);
    expect(made(1.5)?.from).toBeCloseTo(27.3284, 4);
  });

  it('answers for no setups and for no frames', () => {
    fc.assert(
      fc.property(anyQuestion(2), ({ shelf, frames, limits }) => {
        expect(coveringSetups(mountableSetups(shelf), [], limits).size).toBe(0);
        for (const found of coveringSetups([], frames, limits).values()) expect(found).toEqual([]);
      }),
      { seed: 44, numRuns: 5 },
    );
  });
});
