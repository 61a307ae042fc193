import { type Stretch, timeOf } from '@/core/brief';
import { shifted, timelineOf } from './timeline';

const stretch = (id: string, fromTime: string | null, toTime: string | null, day = '2027-06-12') =>
  ({ id, fromTime, toTime, day }) as unknown as Stretch;

test('stretches lie by day and hour, those that overlap in lanes of their own', () => {
  const [first, second, ...rest] = timelineOf([
    stretch('late', '21:15', '00:45'),
    stretch('a', '08:30', '12:30'),
    stretch('b', '12:00', '13:00'),
    stretch('none', null, null),
    stretch('next', '09:00', '10:00', '2027-06-13'),
  ]);
  expect(rest).toEqual([]);
  expect(first).toMatchObject({ day: '2027-06-12', from: 420, to: 1560, lanes: 2 });
  expect(first?.stretches.map((t) => [t.stretch.id, t.from, t.to, t.lane])).toEqual([
    ['late', 1275, 1485, 0],
    ['a', 510, 750, 0],
    ['b', 720, 780, 1],
  ]);
  expect(second?.stretches.map((t) => t.stretch.id)).toEqual(['next']);
});

test('a bar moves as a whole, or by its end alone, in quarters of an hour', () => {
  const [day] = timelineOf([stretch('a', '08:30', '12:30')]);
  const [timed] = day!.stretches;
  expect(shifted(timed!, 37, false)).toMatchObject({ fromTime: '09:00', toTime: '13:00' });
  expect(shifted(timed!, -15, true)).toMatchObject({ fromTime: '08:30', toTime: '12:15' });
  expect(shifted(timed!, -600, true)).toMatchObject({ toTime: '08:45' });
  const [late] = timelineOf([stretch('late', '21:15', '23:45')])[0]!.stretches;
  const onTheEve = { day: '2027-06-12', fromTime: '23:15', toTime: '01:45' };
  expect(shifted(late!, 120, false)).toMatchObject(onTheEve);
  const after = { day: '2027-06-13', fromTime: '00:15', toTime: '02:45' };
  expect(shifted(late!, 180, false)).toMatchObject(after);
  const before = { day: '2027-06-11', fromTime: '23:30', toTime: '03:30' };
  expect(shifted(timed!, -540, false)).toMatchObject(before);
  expect([timeOf(-15), timeOf(1500)]).toEqual(['23:45', '01:00']);
});
