import { stretchId } from '@/core/brief';
import {
  aBody,
  aLens,
  aShelf,
  aShooter,
  aStretch,
  assignmentsOf,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';
import { numbers } from '../../../tests/support/numbers';
import { aPhoto } from '../../../tests/support/photos';
import { lensId, type Shelf } from '@/core/gear';
import {
  assignPhotos,
  lensKey,
  logBuilder,
  type LogMarks,
  nameAt,
  NO_MARKS,
  type Photo,
  seenOf,
  select,
  UNKNOWN_LENS,
  type Wanted,
} from '.';

/** One photograph against two pictures that differ in one trait alone: that trait has to decide. */
const body = aBody({ id: 'b', maker: 'Quillmar', name: 'K1', mount: 'M' });
const lens = aLens('l', 100, 100, 2.8, { maxMagnification: 0.1 });
const shelf = aShelf([lens], [], [body, aBody({ id: 'c', maker: 'Quillmar', name: 'K2' })]);
const base: Partial<Photo> = {
  body: { make: 'Quillmar', model: 'K1', serial: '1' },
  equivalentMm: 100,
  focalMm: 100,
  widthPx: 6000,
  heightPx: 4000,
  orientation: 1,
  takenMs: Date.UTC(2027, 5, 12, 10),
};
const marks = { ...NO_MARKS, bodies: { 'Quillmar K1 1': body.id } };

function assigned(
  photo: Partial<Photo>,
  wanted: Omit<Wanted, 'limits'>,
  gear: { readonly shelf: Shelf; readonly marks: LogMarks } = { shelf, marks },
) {
  const builder = logBuilder();
  builder.add(aPhoto('a', { ...base, ...photo }));
  const seen = seenOf(builder.log(), gear.shelf, gear.marks);
  const limits = someLimits();
  return assignPhotos(seen, select(seen.log), { ...wanted, limits } as Wanted, gear.marks)[0]!
    .frameId;
}
const wantedOf = (frames: Wanted['frames'], more: Partial<Wanted> = {}) =>
  ({ frames, stretches: [], outing: { shooters: [] }, ...more }) as unknown as Wanted;
const way = (id: string, orientation: 'landscape' | 'portrait') => {
  const frame = personFrame(id, 5, 8, 'free');
  return { ...frame, need: { ...frame.need, orientation, fill: { min: 0.2, max: 0.9 } } } as never;
};

test('a photograph held upright is of the picture that is wanted so', () => {
  const wanted = wantedOf([way('across', 'landscape'), way('upright', 'portrait')]);
  expect(assigned({ orientation: 6 }, wanted)).toBe('upright');
  expect(assigned({ orientation: 1 }, wanted)).toBe('across');
});

test('who had the camera tells of whom the picture is asked', () => {
  const shooters = [aShooter('lead'), aShooter('second')];
  const hands = [
    assignmentsOf('lead', { bodyIds: ['c'] }),
    assignmentsOf('second', { bodyIds: ['b'] }),
  ];
  const times = { day: '2027-06-12', fromTime: '09:00', toTime: '11:00' };
  const stretches = [aStretch('s', { ...times, hands })];
  const asked = (id: string, who: string) =>
    personFrame(id, 5, 8, 'free', { shooterIds: [who], stretchIds: [stretchId.parse('s')] });
  const wanted = wantedOf([asked('a', 'lead'), asked('z', 'second')], {
    stretches,
    outing: { shooters },
  } as never);
  expect(assigned({}, wanted)).toBe('z');
});

test('a lens that comes no nearer than a tenth of life size is not behind a close-up', () => {
  // 100 mm shows half of either: 50 mm high at 0.6 m, about a quarter of life size, or 1.8 m at 20 m.
  const high = (id: string, heightM: number, atM: number) => {
    const frame = personFrame(id, atM, atM, 'free');
    return { ...frame, need: { ...frame.need, heightM, fill: { min: 0.5, max: 0.9 } } } as never;
  };
  const wanted = wantedOf([high('near', 0.05, 0.6), high('off', 1.8, 15)]);
  const lensSeen = { ...UNKNOWN_LENS, model: 'Halden 100' };
  const by = (maxMagnification: number) =>
    assigned({ lens: lensSeen }, wanted, {
      shelf: aShelf([aLens('l', 100, 100, 2.8, { maxMagnification })], [], [body]),
      marks: { ...marks, lenses: { [lensKey(lensSeen)]: lensId.parse('l') } },
    });
  expect([by(1), by(0.1)]).toEqual(['near', 'off']);
});

/** What a photographer does: how high the thing is, from where, how large, in what light; how often. */
interface Habit {
  readonly id: string;
  readonly heightM: number;
  readonly fromM: number;
  readonly toM: number;
  readonly fill: readonly [number, number];
  readonly ev: number;
  readonly upright: boolean;
  readonly stretch: 'day' | 'night';
  readonly bursts: number;
  /** What the plan counted on, percent. */
  readonly expected: number;
}

const WEDDING: readonly Habit[] = [
  {
    id: 'vows',
    heightM: 1.8,
    fromM: 8,
    toM: 12,
    fill: [0.5, 0.9],
    ev: 6,
    upright: true,
    stretch: 'day',
    bursts: 60,
    expected: 5,
  },
  {
    id: 'rings',
    heightM: 0.05,
    fromM: 0.5,
    toM: 0.6,
    fill: [0.3, 0.8],
    ev: 6,
    upright: false,
    stretch: 'day',
    bursts: 12,
    expected: 20,
  },
  {
    id: 'group',
    heightM: 2.6,
    fromM: 6,
    toM: 9,
    fill: [0.5, 0.8],
    ev: 12,
    upright: false,
    stretch: 'day',
    bursts: 25,
    expected: 30,
  },
  {
    id: 'hall',
    heightM: 9,
    fromM: 12,
    toM: 20,
    fill: [0.6, 0.95],
    ev: 6,
    upright: false,
    stretch: 'day',
    bursts: 15,
    expected: 30,
  },
  {
    id: 'dance',
    heightM: 1.8,
    fromM: 3,
    toM: 6,
    fill: [0.5, 0.9],
    ev: 3,
    upright: false,
    stretch: 'night',
    bursts: 80,
    expected: 10,
  },
  {
    id: 'cake',
    heightM: 0.5,
    fromM: 1,
    toM: 1.5,
    fill: [0.5, 0.9],
    ev: 3,
    upright: true,
    stretch: 'night',
    bursts: 10,
    expected: 5,
  },
];
const WILDLIFE: readonly Habit[] = [
  {
    id: 'deer',
    heightM: 1.4,
    fromM: 60,
    toM: 120,
    fill: [0.3, 0.6],
    ev: 8,
    upright: false,
    stretch: 'day',
    bursts: 70,
    expected: 10,
  },
  {
    id: 'bird',
    heightM: 0.3,
    fromM: 12,
    toM: 25,
    fill: [0.25, 0.6],
    ev: 13,
    upright: false,
    stretch: 'day',
    bursts: 40,
    expected: 40,
  },
  {
    id: 'wood',
    heightM: 20,
    fromM: 40,
    toM: 60,
    fill: [0.6, 0.95],
    ev: 13,
    upright: true,
    stretch: 'day',
    bursts: 9,
    expected: 20,
  },
  {
    id: 'moth',
    heightM: 0.04,
    fromM: 0.4,
    toM: 0.5,
    fill: [0.3, 0.7],
    ev: 4,
    upright: false,
    stretch: 'night',
    bursts: 20,
    expected: 20,
  },
  {
    id: 'camp',
    heightM: 2,
    fromM: 5,
    toM: 8,
    fill: [0.3, 0.5],
    ev: 4,
    upright: false,
    stretch: 'night',
    bursts: 12,
    expected: 10,
  },
];
const STARTS = { day: Date.UTC(2027, 5, 12, 10), night: Date.UTC(2027, 5, 12, 21) };
const HOUR_MS = 3_600_000;

/** Photographs of a day, by a thin lens, with the meter up to a stop off. */
function dayOf(habits: readonly Habit[], seed: number) {
  const next = numbers(seed);
  const between = (low: number, high: number) => low + (high - low) * next();
  return habits.flatMap((habit) =>
    Array.from({ length: habit.bursts }, (_, i) => {
      const side = habit.upright ? 36 : 24;
      const distance = between(habit.fromM, habit.toM);
      const m = (between(...habit.fill) * side) / (1000 * habit.heightM);
      const focalMm = (1000 * distance) / (2 + m + 1 / m);
      const ev = habit.ev + between(-0.5, 0.5) + between(-0.5, 0.5);
      const timeS = 1 / 200;
      const photo = aPhoto(`${habit.id}-${i}`, {
        ...base,
        equivalentMm: focalMm,
        focalMm,
        orientation: habit.upright ? 6 : 1,
        takenMs: STARTS[habit.stretch] + between(0, HOUR_MS),
        fNumber: 4,
        timeS,
        // EV at ISO 100 is log2(N² / t) less the stops of ISO.
        iso: 100 * 2 ** (Math.log2(16 / timeS) - ev),
      });
      return { photo, meant: habit.id };
    }),
  );
}

test.each([
  ['a wedding', WEDDING],
  ['two days of wildlife', WILDLIFE],
])(
  '%s: 97 in 100 are given to what was meant, though the plan expected other shares',
  (_, habits) => {
    const stretches = (['day', 'night'] as const).map((id) =>
      aStretch(id, {
        day: '2027-06-12',
        fromTime: id === 'day' ? '10:00' : '21:00',
        toTime: id === 'day' ? '11:00' : '22:00',
      }),
    );
    const frames = habits.map((h) => {
      const frame = personFrame(h.id, h.fromM, h.toM, 'free', {
        want: 'want',
        sharePercent: h.expected,
        stretchIds: [stretchId.parse(h.stretch)],
      });
      const orientation = h.upright ? 'portrait' : 'landscape';
      const fill = { min: h.fill[0], max: h.fill[1] };
      return {
        ...frame,
        need: { ...frame.need, heightM: h.heightM, fill, orientation },
        light: { ...frame.light, source: { kind: 'ev', ev100: h.ev } },
      };
    });
    let [right, count] = [0, 0];
    for (let seed = 1; seed <= 5; seed += 1) {
      const day = dayOf(habits, 1000 * seed);
      const builder = logBuilder();
      for (const { photo } of day) builder.add(photo);
      const seen = seenOf(builder.log(), shelf, marks);
      const meant = new Map(day.map(({ photo, meant: id }) => [photo.name, id]));
      const wanted = wantedOf(frames as never, { stretches, limits: someLimits() });
      for (const { photo, frameId } of assignPhotos(seen, select(seen.log), wanted, marks)) {
        count += 1;
        if (meant.get(nameAt(seen.log, photo)) === frameId) right += 1;
      }
    }
    expect(right / count).toBeGreaterThan(0.97);
  },
);
