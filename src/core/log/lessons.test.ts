import { aLens, aShelf } from '../../../tests/support/gear';
import {
  type Hindsight,
  type Learnt,
  lessonsOf,
  logBuilder,
  NO_MARKS,
  seenOf,
  select,
  usageOf,
} from '@/core/log';
import { aPhoto } from '../../../tests/support/photos';
import { lessonText } from '@/text';

const shelf = aShelf([
  aLens('a', 24, 70, 2.8, { weightG: 800 }),
  aLens('b', 70, 200, 2.8, { weightG: 1400 }),
  aLens('c', 85, 85, 1.8, { weightG: 500 }),
]);

/** Photographs with lenses of the shelf, so many with each, or with one that is not on it. */
function usage(counts: Readonly<Record<string, number>>) {
  const builder = logBuilder();
  for (const [id, count] of Object.entries(counts))
    for (let i = 0; i < count; i += 1) {
      const lens = { make: 'Quillmar', model: id, serial: '', specification: null };
      builder.add(aPhoto(`${id}-${i}`, { takenMs: i, lens, focalMm: 85 }));
    }
  const log = builder.log();
  const seen = seenOf(log, shelf, NO_MARKS);
  const found = usageOf(seen, select(log));
  return {
    ...found,
    lenses: found.lenses.map((l) => ({
      ...l,
      lens: shelf.lenses.find(({ id }) => id === log.lenses[l.seen[0]!]!.model) ?? null,
    })),
  };
}

const hindsight = (itemIds: readonly string[], made: number, count: number): Hindsight =>
  ({ count, unknown: 0, points: [{ itemIds, made, proven: true }] }) as unknown as Hindsight;

const learnt = (change: Partial<Learnt>): Learnt => ({
  usage: usage({ a: 60, b: 40 }),
  shelf,
  carriedIds: ['a', 'b'],
  strangers: 0,
  hindsight: hindsight(['a'], 97, 100),
  against: null,
  plannedChanges: null,
  ends: new Map(),
  ...change,
});
const said = (change: Partial<Learnt>) =>
  lessonsOf(learnt(change)).map((lesson) => lessonText(lesson, (id) => id, '').replace(/\s/g, ' '));

test('what fewer would have made is held against what was used, and strangers count', () => {
  expect(said({})).toContain('a would have made 97 % of them; you used 2 lenses.');
  expect(said({ strangers: 2 })).toContain('a would have made 97 % of them; you used 4 lenses.');
  expect(said({ hindsight: hindsight(['a', 'b'], 97, 100) })).toEqual([
    'a made 60 % of the photographs.',
  ]);
});

test('it is not said again where each of the others was never used', () => {
  const change = { usage: usage({ a: 100 }), carriedIds: ['a', 'b', 'c'] };
  expect(said(change)).toEqual([
    'b never left the bag; it weighs 1.40 kg.',
    'c never left the bag; it weighs 500 g.',
    'a made 100 % of the photographs.',
  ]);
  expect(said({ ...change, usage: usage({ a: 199, b: 1 }) })[0]).toMatch(/^a would have made/);
  expect(said({ ...change, usage: usage({ a: 199, b: 1 }) })).toContain(
    'b made 1 of 200 photographs; it weighs 1.40 kg.',
  );
});
