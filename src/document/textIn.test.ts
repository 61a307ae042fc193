import { readFileSync } from 'node:fs';
import {
  addFrames,
  addShelf,
  decode,
  decodeShelf,
  duplicatesOn,
  encodeShelf,
  lensOfLine,
  type OutingFile,
  placeFrame,
  readShotList,
  takeLineup,
} from '@/document';

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
const demo = (read.ok ? read.value : null) as OutingFile;

test.each([
  ['1. Bride getting ready, 2-4 m, must', 'Bride getting ready', 'must', 2, 4],
  ['- Rings 0.3 m', 'Rings', 'want', 0.3, 0.3],
  ['* Procession 5–15 m (bonus)', 'Procession', 'bonus', 5, 15],
  ['must: vows at 6 to 3 metres', 'vows', 'must', 3, 6],
  ['[x] Family on the steps', 'Family on the steps', 'want', null, null],
  ['12) Room 101, whole', 'Room 101, whole', 'want', null, null],
  ['Speech, 4,5 m', 'Speech', 'want', 4.5, 4.5],
])('the line "%s" of a shot list', (line, name, want, fromM, toM) => {
  expect(readShotList(`\n${line}\r\n\n`)).toEqual([{ name, want, fromM, toM }]);
});

test('lines without a name fall away', () => {
  expect(readShotList('\n - \n must \n 3-5 m')).toEqual([]);
});

test.each([
  ['18–55 mm f/3.5–5.6', 18, 55, [3.5, 5.6]],
  ['50 f/1.8', 50, 50, [1.8]],
  ['70-200mm f2.8', 70, 200, [2.8, 2.8]],
  ['24-105 4', 24, 105, [4, 4]],
])('the lens "%s" is understood', (line, wideMm, longMm, fNumbers) => {
  const lens = lensOfLine(line, demo);
  expect(lens?.focal).toEqual({ wideMm, longMm });
  expect(lens?.apertures.map((p) => p.fNumber)).toEqual(fNumbers);
});

test.each(['a good one', '50', '', '200-70 f/4'])('"%s" is no lens', (line) => {
  expect(lensOfLine(line, demo)).toBeNull();
});

describe('a shelf by itself', () => {
  it('comes back as it went', () => {
    expect(decodeShelf(encodeShelf(demo.shelf))).toEqual({ ok: true, value: demo.shelf });
  });

  it('is refused with the field and the mend', () => {
    const refused = (text: string) => {
      const shelf = decodeShelf(text);
      return shelf.ok ? '' : shelf.error.message;
    };
    expect(refused('{')).toBe('it is not JSON');
    const bad = JSON.parse(encodeShelf(demo.shelf));
    bad.shelf.lenses[0].weightG = -4;
    expect(refused(JSON.stringify(bad))).toMatch(/^shelf\.lenses\.0\.weightG .*got -4/);
  });

  it('is added with what has the same id replaced', () => {
    const [first] = demo.shelf.lenses;
    const other = { ...demo.shelf, lenses: [{ ...first!, weightG: 1 }], bodies: [] };
    const { shelf } = addShelf(other)(demo);
    expect(shelf.lenses).toHaveLength(demo.shelf.lenses.length);
    expect(shelf.lenses.find((l) => l.id === first!.id)?.weightG).toBe(1);
  });

  it('knows a piece again by maker and name under another id', () => {
    const [a, b] = demo.shelf.lenses;
    const same = { id: 'x', name: a!.name.replace('–', '-'), maker: a!.maker.toUpperCase() };
    expect([...duplicatesOn(demo.shelf, [same, b!, { ...b!, id: 'y', name: 'other' }])]).toEqual([
      'x',
    ]);
  });
});

test('edits: a frame is lifted to another place, frames are added, a lineup is taken as it is', () => {
  const ids = (file: OutingFile) => file.frames.map((f) => f.id as string);
  const moved = placeFrame(demo.frames[4]!.id, demo.frames[1]!.id)(demo);
  expect(ids(moved).slice(0, 3)).toEqual(['f01', 'f05', 'f02']);
  expect(placeFrame(demo.frames[0]!.id, 'gone' as never)(demo)).toBe(demo);
  expect(addFrames([{ ...demo.frames[0]!, id: 'new' as never }])(demo).frames.at(-1)?.id).toBe(
    'new',
  );
  const { limits } = takeLineup(['k-50', 'k-c14'])(demo);
  expect([limits.lockedIn, limits.maxLenses]).toEqual([['k-50', 'k-c14'], 1]);
});
