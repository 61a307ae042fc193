import { readFileSync } from 'node:fs';
import {
  addFrames,
  addGear,
  alreadyOn,
  decode,
  everydayFrame,
  framesOfLines,
  newFrame,
  outingFile,
  type OutingFile,
  placeFrame,
  putFrame,
  readGearLines,
  readShotList,
  shelfCodec,
  takeLineup,
  whatIsAsked,
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
  expect(readShotList(`\n${line}\r\n\n`)).toMatchObject([{ name, want, fromM, toM }]);
});

test.each([
  ['Dancers in dim light, 1/125, 5-9 m', 'Dancers in dim light', 'dimHall', null, 1 / 125],
  ['Walkers in the sun', 'Walkers in the sun', 'fullSun', null, null],
  ['The whole room, 6 m', 'The whole room', null, 'hall', null],
  ['Rings by candlelight at 0.3 m', 'Rings by candlelight', 'candlelight', 'ring', null],
  ['Heron at dusk 1/500 s 30 m', 'Heron at dusk', 'dusk', 'largeBird', 1 / 500],
  ['Dimple and sunder', 'Dimple and sunder', null, null, null],
])('the words of "%s" say light, thing and time', (line, name, scene, subject, longestTimeS) => {
  expect(readShotList(line)).toMatchObject([{ name, scene, subject, longestTimeS }]);
});

test('a picture of a room has the size of a room, in the light that was said', () => {
  const [room, person] = framesOfLines(readShotList('A room at night 4-6 m\nSomeone 3 m'), []);
  expect(room).toMatchObject({
    subject: 'hall',
    need: { widthM: 18, heightM: 7, fromM: 4, toM: 6 },
    light: { source: { kind: 'scene', scene: 'nightStreet' } },
  });
  expect(person).toMatchObject({ subject: 'standingPerson', need: { heightM: 1.8 } });
});

test('a line says its share and that blur is wanted, and its name is without the figures', () => {
  const [said, silent] = readShotList('Portraits, 20 %, bokeh, 2-3 m\n100% sure, 4 m');
  expect(said).toMatchObject({ name: 'Portraits, bokeh', sharePercent: 20, blur: true });
  expect(silent).toMatchObject({ name: 'sure', sharePercent: 100, blur: false });
  const [portrait] = framesOfLines([said!], []);
  expect(portrait).toMatchObject({ sharePercent: 20, depth: { blur: { behindM: 8, percent: 1 } } });
});

test('what has no distance is marked, and not asked for until it has one', () => {
  const frames = framesOfLines(readShotList('Vows\nRings 0.3 m'), []);
  expect(frames.map((f) => f.distanceKnown)).toEqual([false, true]);
  const asked = whatIsAsked({ ...demo, frames });
  expect(asked.frames.map((f) => f.name)).toEqual(['Rings']);
  const [vows] = frames;
  const typed = putFrame({ ...vows!, need: { ...vows!.need, fromM: 3 } as never })({
    ...demo,
    frames,
  });
  expect(typed.frames[0]?.distanceKnown).toBe(true);
  expect(
    putFrame({ ...vows!, name: 'Their vows' })({ ...demo, frames }).frames[0]?.distanceKnown,
  ).toBe(false);
});

test.each([
  ['6', 6, 6],
  ['8-4', 4, 8],
  ['4–8 m', 4, 8],
  ['2,5 to 3', 2.5, 3],
])('a picture of an everyday kind takes what and how far: %s', (typed, fromM, toM) => {
  const bird = everydayFrame(demo.frames, 'Bird', 'smallBird', typed);
  expect(bird).toMatchObject({
    subject: 'smallBird',
    need: { widthM: 0.14, heightM: 0.12, fromM, toM, footing: 'free' },
    light: { longestTimeS: 1 / 1000 },
    special: { autofocus: true },
  });
  expect(outingFile.safeParse({ ...demo, frames: [...demo.frames, bird] }).success).toBe(true);
});

test('a new picture has no longest time, and none is added without a distance', () => {
  expect(newFrame([], 'New').light.longestTimeS).toBeNull();
  expect(everydayFrame([], 'Bird', 'smallBird', 'near')).toBeNull();
});

test('lines without a name fall away', () => {
  expect(readShotList('\n - \n must \n 3-5 m')).toEqual([]);
});

/** What a line gives, as far as it says something. */
const lineOf = (line: string) => {
  const [read] = readGearLines(line, demo.shelf);
  return read?.kind === 'lenses' ? read.item : null;
};

test.each([
  ['18–55 mm f/3.5–5.6', 18, 55, [3.5, 5.6], {}],
  ['50 f/1.8', 50, 50, [1.8], {}],
  ['70-200mm f2.8', 70, 200, [2.8, 2.8], {}],
  ['24-105 4', 24, 105, [4, 4], {}],
  ['24-70 2.8', 24, 70, [2.8, 2.8], { weightG: null, ownership: 'owned', autofocus: null }],
  ['100-400 4.5-6.3 1.4kg 95mm', 100, 400, [4.5, 6.3], { weightG: 1400, filterMm: 95 }],
  ['50/1.4 owned 450', 50, 50, [1.4], { ownership: 'owned', priceNew: 450, priceUsed: null }],
  ['85 1:1.8 wished used 300 €', 85, 85, [1.8], { ownership: 'wished', priceUsed: 300 }],
  [
    'Alder Long 300mm f/2,8 2.35 kg 2m sealed mf',
    300,
    300,
    [2.8],
    { weightG: 2350, minFocusM: 2, sealed: true, autofocus: false },
  ],
  ['8mm f/3.5 fisheye 30 cm', 8, 8, [3.5], { projection: 'equisolid', minFocusM: 0.3 }],
])(
  'the lens "%s" is understood, and nothing else is made up',
  (line, wideMm, longMm, fNumbers, more) => {
    const lens = lineOf(line);
    expect(lens?.focal).toEqual({ wideMm, longMm });
    expect(lens?.apertures.map((p) => p.fNumber)).toEqual(fNumbers);
    expect(lens).toMatchObject({ imageCircleMm: null, maxMagnification: null, ...more });
  },
);

test.each([
  ['50 1.8 305g owned', '50 mm f/1.8'],
  ['300 2.8 2.9kg wished', '300 mm f/2.8'],
  ['Halden Z 24-70 2.8 macro 800g', 'Halden Z 24-70 2.8 macro'],
])('"%s" is called %s', (line, name) => {
  expect(lineOf(line)?.name).toBe(name);
});

test.each([
  ['a good one', 'range'],
  ['50', 'f-number'],
  ['200-70 f/4', 'sense'],
])('"%s" is no lens: its %s is missing', (line, missing) => {
  expect(readGearLines(line, demo.shelf)).toMatchObject([{ kind: null, missing }]);
});

test('a pasted list gives one item a line, each with an id of its own', () => {
  const read = readGearLines(
    '50 1.8\n\n50 1.8\r\n1.4x converter 180g\ntube 16mm\nnothing',
    demo.shelf,
  );
  expect(read.map((l) => l.kind)).toEqual(['lenses', 'lenses', 'converters', 'tubes', null]);
  const ids = read.flatMap((l) => (l.kind === null ? [] : [l.item.id as string]));
  expect(new Set(ids).size).toBe(4);
  expect(read[2]).toMatchObject({ item: { factor: 1.4, weightG: 180 } });
  expect(read[3]).toMatchObject({ item: { lengthMm: 16 } });
});

test('a long line of digits and spaces is read in no time', () => {
  for (const text of ['9'.repeat(8000), ' '.repeat(8000), '1-'.repeat(4000), ',1'.repeat(4000)])
    expect(readGearLines(`${text}x`, demo.shelf)).toHaveLength(1);
});

describe('a shelf by itself', () => {
  const whole = { gear: demo.shelf, bags: [], things: [] };

  it('comes back as it went', () => {
    expect(shelfCodec.read(shelfCodec.write(whole))).toEqual({ ok: true, value: whole });
  });

  it('is read as version 1 was written: gear alone, without loans', () => {
    const items = (list: readonly object[]) =>
      list.map((item) => Object.fromEntries(Object.entries(item).filter(([k]) => k !== 'loan')));
    const { mounts, ...kinds } = demo.shelf;
    const old = Object.fromEntries(Object.entries(kinds).map(([k, list]) => [k, items(list)]));
    const text = JSON.stringify({
      format: 'armreach-shelf',
      version: 1,
      shelf: { mounts, ...old },
    });
    expect(shelfCodec.read(text)).toEqual({ ok: true, value: whole });
  });

  it('is refused with the field and what to do', () => {
    const refused = (text: string) => {
      const shelf = shelfCodec.read(text);
      return shelf.ok ? [] : [shelf.error.code, shelf.error.issues[0]];
    };
    expect(refused('{')[0]).toBe('not-json');
    const bad = JSON.parse(shelfCodec.write(whole));
    bad.gear.lenses[0].weightG = -4;
    expect(refused(JSON.stringify(bad))).toEqual([
      'invalid',
      {
        path: 'gear.lenses[0].weightG',
        problem: { rule: 'too-small', least: 1, exclusive: false, got: -4 },
      },
    ]);
  });

  it('is added with what has the same id replaced', () => {
    const [first] = demo.shelf.lenses;
    const lenses = addGear({ lenses: [{ ...first!, weightG: 1 }] })(demo.shelf).lenses;
    expect(lenses).toHaveLength(demo.shelf.lenses.length);
    expect(lenses.find((l) => l.id === first!.id)?.weightG).toBe(1);
  });

  it('knows an item again under another id, by its name or by what it is', () => {
    const [a, b, c] = demo.shelf.lenses;
    const same = {
      ...a!,
      id: 'x' as never,
      name: a!.name.replace('–', '-'),
      maker: a!.maker.toUpperCase(),
    };
    const unnamed = { ...c!, id: 'z' as never, name: 'My old one', maker: '' };
    const other = { ...b!, id: 'y' as never, name: 'other', mount: 'Nowhere' };
    expect([...alreadyOn(demo.shelf, { lenses: [same, b!, other, unnamed] })]).toEqual(['x', 'z']);
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
