import { plainNumber, readNumber, twoReadings } from './number';

test.each<[string, number | undefined, number | undefined]>([
  // typed, where decimals begin behind a point, where they begin behind a comma
  ['1250', 1250, 1250],
  ['2,8', 2.8, 2.8],
  ['2.8', 2.8, 2.8],
  ['1,250', 1250, undefined],
  ['1.250', 1.25, undefined],
  ['1.250,5', 1250.5, 1250.5],
  ['1,250.5', 1250.5, 1250.5],
  ['1,250,000', 1_250_000, 1_250_000],
  ['1.250.000', 1_250_000, 1_250_000],
  ['1 250', 1250, 1250],
  ['1\u202F250,5', 1250.5, 1250.5],
  ['12’500.5', 12_500.5, 12_500.5],
  ['0,125', 0.125, 0.125],
  ['1/250', 0.004, 0.004],
  ['2,5 / 5', 0.5, 0.5],
  ['١٢٥٠', 1250, 1250],
  ['١٬٢٥٠٫٥', 1250.5, 1250.5],
  ['۱۲', 12, 12],
  ['१२', 12, 12],
  ['−4', -4, -4],
  ['1e3', 1000, 1000],
  ['0x10', undefined, undefined],
  ['0b1', undefined, undefined],
  ['1 25', undefined, undefined],
  ['1,2,3', undefined, undefined],
  ['1/2/3', undefined, undefined],
  ['1/0', undefined, undefined],
  ['Infinity', undefined, undefined],
  ['f/8', undefined, undefined],
])('%s', (typed, byPoint, byComma) => {
  expect([readNumber(typed, false), readNumber(typed, true)]).toEqual([byPoint, byComma]);
});

test('what may be two numbers is told as both', () => {
  expect([twoReadings('1.250'), twoReadings('1,250')]).toEqual([
    [1.25, 1250],
    [1.25, 1250],
  ]);
  expect([twoReadings('1.25'), twoReadings('1,250,000'), twoReadings('x')]).toEqual([
    null,
    null,
    null,
  ]);
});

test('nothing is nothing', () => {
  expect([readNumber(' ', false), readNumber('', true)]).toEqual([null, null]);
});

test.each([
  ['5', 5],
  ['0.5', 0.5],
  ['0x10', NaN],
  ['1,5', NaN],
  ['', NaN],
  ['5s', NaN],
])('plainly written: %s', (text, value) => expect(plainNumber(text)).toBe(value));
