import { dayAfter, minutesBetween, minutesOf, timeOf } from './wallClock';

test('times are by the clock on the wall', () => {
  expect([minutesOf('00:00'), minutesOf('13:45')]).toEqual([0, 825]);
  expect([timeOf(825), timeOf(1440 + 30), timeOf(-30)]).toEqual(['13:45', '00:30', '23:30']);
  expect([minutesBetween('22:30', '01:15'), minutesBetween('09:00', '10:30')]).toEqual([165, 90]);
});

test('a day after another is so wherever the clocks change', () => {
  expect(
    ['2027-03-28', '2027-10-31', '2028-02-28', '2027-12-31'].map((d) => dayAfter(d, 1)),
  ).toEqual(['2027-03-29', '2027-11-01', '2028-02-29', '2028-01-01']);
  expect(dayAfter('2027-06-13', -1)).toBe('2027-06-12');
});
