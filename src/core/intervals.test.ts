import { boundary } from './bisect';
import { containsPoint, covers, intersect, subtract, union } from './intervals';

const i = (from: number, to: number) => ({ from, to });

test('union joins what touches and keeps what does not', () => {
  expect(union([i(5, 6), i(1, 2), i(2, 3)])).toEqual([i(1, 3), i(5, 6)]);
  expect(union([i(1, 2), i(2 + 1e-12, 3)])).toEqual([i(1, 3)]);
});

test('subtract cuts out and leaves no slivers', () => {
  expect(subtract([i(0, 10)], [i(2, 3), i(8, 12)])).toEqual([i(0, 2), i(3, 8)]);
  expect(subtract([i(1, 2)], [i(1 + 1e-12, 2)])).toEqual([]);
});

test('intersect, covers and containsPoint take ends as inside', () => {
  expect(intersect([i(0, 5)], [i(5, 9)])).toEqual([i(5, 5)]);
  expect(covers([i(0, 5)], i(0, 5))).toBe(true);
  expect(covers([i(0, 2), i(3, 5)], i(1, 4))).toBe(false);
  expect(containsPoint([i(0, 5)], 5)).toBe(true);
});

test('boundary finds the last place that holds, from either side', () => {
  expect(boundary(0, 10, (x) => x * x <= 2)).toBeCloseTo(Math.SQRT2, 12);
  expect(boundary(10, 0, (x) => x >= 3)).toBeCloseTo(3, 12);
});
