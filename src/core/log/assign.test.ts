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
import { aPhoto } from '../../../tests/support/photos';
import { lensId, type Shelf } from '@/core/gear';
import {
  assignPhotos,
  lensKey,
  logBuilder,
  type LogMarks,
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
