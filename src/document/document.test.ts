import { readFileSync } from 'node:fs';
import Ajv2020 from 'ajv/dist/2020';
import { deskOf } from '../../tests/support/desk';
import { focalFrame } from '../../tests/support/gear';
import {
  decode,
  encode,
  freshId,
  moveFrame,
  type OutingFile,
  outingJsonSchema,
  putFrame,
  removeItems,
  setLimits,
  setLock,
  withoutDangling,
} from './index';
import { createDocumentStore } from './live/documentStore';
import { fieldProblemText } from '@/text';
import { VERSIONS } from './migrations';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
const demo = (): OutingFile => {
  const read = decode(DEMO);
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
};
/** The demo with one change made deep inside, as text. */
const broken = (change: (file: ReturnType<typeof JSON.parse>) => void) => {
  const file = JSON.parse(DEMO);
  change(file);
  return decode(JSON.stringify(file));
};
const issuesOf = (result: ReturnType<typeof decode>) =>
  result.ok
    ? []
    : result.error.issues.map(({ path, problem }) => `${path}: ${fieldProblemText(problem)}`);

describe('the outing file', () => {
  it('comes back as it went out', () => {
    expect(decode(encode(demo()))).toEqual({ ok: true, value: demo() });
  });

  it('is refused with the path of every bad field', () => {
    const result = broken((f) => {
      f.frames[2].need.fromM = -3;
      f.shelf.lenses[4].focal.longMm = 10;
      delete f.outing.name;
      f.limits.lockedIn = ['ghost'];
      f.extra = 1;
    });
    expect(issuesOf(result)).toEqual(
      expect.arrayContaining([
        'frames[2].need.fromM: must be at least 0.01, got -3',
        'shelf.lenses[4].focal.longMm: the long end must not be shorter than the wide end',
        'outing.name: is missing: give a text',
        ': has unknown fields: extra',
      ]),
    );
  });

  it.each([
    [
      'a lock on nothing',
      (f: OutingFile) => void (f.limits.lockedIn = ['ghost']),
      'limits.lockedIn[0]: there’s no item ghost on the shelf',
    ],
    [
      'an id used twice',
      (f: OutingFile) => void (f.frames[1]!.id = f.frames[0]!.id),
      'frames[1].id: the id f01 is used twice',
    ],
    [
      'a converter for no lens',
      (f: OutingFile) => void (f.shelf.converters[0]!.lensIds = ['x' as never]),
      'shelf.converters[0].lensIds[0]: there’s no lens x on the shelf',
    ],
    [
      'f-numbers that fall',
      (f: OutingFile) => void (f.shelf.lenses[4]!.apertures[1]!.fNumber = 2),
      'shelf.lenses[4].apertures[1].fNumber: must not fall towards the long end',
    ],
    [
      'a subject without size',
      (f: OutingFile) => void Object.assign(f.frames[0]!.need, { widthM: null, heightM: null }),
      'frames[0].need.heightM: give a width or a height',
    ],
  ])('is refused for %s', (_, change, issue) => {
    expect(issuesOf(broken(change))).toContain(issue);
  });

  it('is refused when it is no JSON, no outing, or of a newer version', () => {
    expect(decode('{')).toMatchObject({ ok: false, error: { code: 'not-json' } });
    expect(decode('[]')).toMatchObject({ ok: false, error: { code: 'not-armreach' } });
    expect(broken((f) => void (f.version = 99))).toMatchObject({
      ok: false,
      error: { code: 'newer-version', version: 99, newest: VERSIONS.outing },
    });
  });

  it('is described by a JSON Schema that takes the demo and refuses a bad field', () => {
    const validate = new Ajv2020({ strict: false, validateFormats: false }).compile(
      outingJsonSchema('outing'),
    );
    expect(validate(JSON.parse(DEMO))).toBe(true);
    expect(validate({ ...JSON.parse(DEMO), frames: [{ id: 'x' }] })).toBe(false);
  });
});

describe('edits', () => {
  it('remove an item from the shelf and from everything that names it', () => {
    const locked = setLock('k-400', 'in')(demo());
    const shelf = removeItems(new Set(['k-400']))(locked.shelf);
    const after = withoutDangling({ ...locked, shelf }, shelf);
    expect(after.shelf.lenses.some((l) => l.id === 'k-400')).toBe(false);
    expect(after.shelf.converters.some((c) => c.lensIds.some((id) => id === 'k-400'))).toBe(false);
    expect(after.limits.lockedIn).toEqual([]);
    expect(decode(encode(after)).ok).toBe(true);
  });

  it('put frames in their place, and move them no further than the ends', () => {
    const file = putFrame(focalFrame('new', 50, 50, 'free'), 'f01' as never)(demo());
    expect(file.frames.map((f) => f.id).slice(0, 3)).toEqual(['f01', 'new', 'f02']);
    expect(moveFrame('new' as never, -1)(file).frames[0]?.id).toBe('new');
    expect(moveFrame('f01' as never, -1)(file)).toBe(file);
  });

  it('hold a lock in one list only, and find ids that are free', () => {
    const out = setLock('k-50', 'out')(setLock('k-50', 'in')(demo()));
    expect([out.limits.lockedIn, out.limits.lockedOut]).toEqual([[], ['k-50']]);
    expect(freshId('Crème 24–70', new Set(['creme-24-70', 'creme-24-70-2']))).toBe('creme-24-70-3');
    expect(freshId('写真', new Set())).toBe('item');
  });
});

describe('the open document', () => {
  function opened() {
    let time = 0;
    const document = createDocumentStore(() => time);
    document.open(deskOf(demo()));
    const name = () => document.store.getState().file?.limits.maxLenses;
    return { document, name, wait: (ms: number) => (time += ms) };
  }

  it('undoes quick edits of one field together, and others one by one', () => {
    const { document, name, wait } = opened();
    document.edit(setLimits({ maxLenses: 1 }), 'max');
    document.edit(setLimits({ maxLenses: 12 }), 'max');
    wait(2000);
    document.edit(setLimits({ maxLenses: 3 }), 'max');
    document.undo();
    expect(name()).toBe(12);
    document.undo();
    expect(name()).toBeNull();
    document.redo();
    expect(name()).toBe(12);
  });

  it('undoes what was dragged in one step, however long it rested on its way', () => {
    const { document, name, wait } = opened();
    for (const maxLenses of [1, 2, 3]) {
      document.edit(setLimits({ maxLenses }), 'drag', Infinity);
      wait(5000);
    }
    document.edit(setLimits({ maxLenses: 4 }), 'another drag', Infinity);
    document.undo();
    expect(name()).toBe(3);
    document.undo();
    expect(name()).toBeNull();
  });

  it('never undoes two fields together, however quick', () => {
    const { document, name } = opened();
    document.edit(setLimits({ maxLenses: 1 }), 'max');
    document.edit(setLimits({ maxCrop: 2 }), 'crop');
    document.edit(setLimits({ maxSpend: 100 }));
    document.edit(setLimits({ maxSpend: 200 }));
    const limits = () => document.store.getState().file!.limits;
    document.undo();
    expect(limits().maxSpend).toBe(100);
    document.undo();
    document.undo();
    expect([limits().maxCrop, name()]).toEqual([demo().limits.maxCrop, 1]);
  });
});
