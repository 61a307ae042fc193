import { numbers } from '../../../tests/support/numbers';
import { Keepers } from './keepers';

/** Changes for pictures in order, by going through everything that can be put on and taken off. */
function plainly(wanted: readonly number[][], on: readonly number[], cameras: number): number {
  const [stacks, ...after] = wanted;
  if (!stacks) return 0;
  if (stacks.some((stack) => on.includes(stack))) return plainly(after, on, cameras);
  const rooms = on.length < cameras ? [on] : on.map((off) => on.filter((other) => other !== off));
  return Math.min(
    ...stacks.flatMap((stack) =>
      rooms.map((room) => 1 + plainly(after, [...room, stack], cameras)),
    ),
  );
}

/** Changes where what was put on first is taken off first: some schedule, seldom the best. */
function somehow(wanted: readonly number[][], cameras: number): number {
  let [on, changes]: [number[], number] = [[], 0];
  for (const stacks of wanted) {
    if (stacks.some((stack) => on.includes(stack))) continue;
    on = [stacks[0]!, ...on].slice(0, cameras);
    changes += 1;
  }
  return changes;
}

describe('changes still to come, by what pays to be on', () => {
  const next = numbers(12);
  const upTo = (n: number) => Math.floor(next() * n);
  const some = (count: number, of: number) => [
    ...new Set(Array.from({ length: count }, () => upTo(of))),
  ];

  it('are those of going through everything, for 400 rows of pictures and up to three cameras', () => {
    for (let i = 0; i < 400; i += 1) {
      const [cameras, stackCount] = [1 + upTo(3), 3 + upTo(38)];
      const among = Math.min(stackCount, 2 + upTo(6));
      const wanted = Array.from({ length: 1 + upTo(5) }, () => some(1 + upTo(3), among));
      const spread = (stack: number) => Math.floor((stack * (stackCount - 1)) / (among - 1));
      const on = some(upTo(cameras + 1), among);
      const keepers = new Keepers(
        wanted.map((stacks) => stacks.map(spread)),
        cameras,
        stackCount,
      );
      for (let left = 0; left <= wanted.length; left += 1)
        expect(keepers.least(left, on.map(spread))).toBe(
          plainly(wanted.slice(wanted.length - left), on, cameras),
        );
    }
  });

  it('are never more than a schedule has where too many sets would pay', () => {
    for (let i = 0; i < 5; i += 1) {
      const wanted = Array.from({ length: 12 }, () => some(6, 90));
      const least = new Keepers(wanted, 6, 90).least(12, []);
      expect(least).toBeGreaterThan(0);
      expect(least).toBeLessThanOrEqual(somehow(wanted, 6));
    }
  });
});
