import { readFileSync } from 'node:fs';
import { deskOf } from '../../../tests/support/desk';
import {
  decode,
  type OutingFile,
  planChanges,
  putFrame,
  removeFrame,
  setLimits,
  shelfChanges,
  EMPTY_SHELF,
} from '@/document';
import { changesText } from '@/text';

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
const demo = (read.ok ? read.value : null) as OutingFile;
const told = (change: (file: OutingFile) => OutingFile) =>
  changesText(planChanges(deskOf(demo).plan, deskOf(change(demo)).plan), (id) => `“${id}”`);

test.each<[string, (file: OutingFile) => OutingFile, string]>([
  ['nothing', (file) => file, 'no difference'],
  ['a picture less', removeFrame(demo.frames[2]!.id), `deleted picture: ${demo.frames[2]!.name}`],
  ['a limit', setLimits({ maxLenses: 3 }), 'changed limit: Lenses at most'],
  [
    'a picture and a limit',
    (file) =>
      setLimits({ neverChange: true })(putFrame({ ...file.frames[0]!, name: 'New name' })(file)),
    'changed picture: New name; changed limit: Never change a lens',
  ],
  ['many pictures', (file) => ({ ...file, frames: file.frames.slice(5) }), 'deleted 5 pictures'],
  [
    'the order',
    (file) => ({ ...file, frames: [...file.frames].reverse() }),
    'changed order: pictures',
  ],
])('what was changed in words: %s', (_, change, text) => {
  expect(told(change)).toBe(text);
});

test('what was changed on a shelf in words', () => {
  const [a, b] = demo.shelf.lenses;
  const gear = (lenses: OutingFile['shelf']['lenses']) => ({
    ...EMPTY_SHELF,
    gear: { ...EMPTY_SHELF.gear, lenses },
  });
  const changes = shelfChanges(gear([a!]), gear([{ ...a!, weightG: 1 }, b!]));
  expect(changesText(changes, (id) => id)).toBe(`changed item: ${a!.name}; added item: ${b!.name}`);
});
