import { readdirSync, readFileSync } from 'node:fs';
import { type Frame, NO_RESERVE } from '@/core/brief';
import { EMPTY_GROUND } from '@/core/ground';
import { FIGURES, ITEM_KINDS, itemsOf } from '@/core/gear';
import { decode, decodeValue, planCodec, settingsCodec, shelfCodec } from '@/document';
import { migrate, VERSIONS } from './migrations';

/** A file of version 9 as one of version 11: with a blank plan of the ground, and nothing said of what was carried. */
const withGround = (old: { stretches: object[]; frames: object[]; packing: object }) => ({
  ...old,
  packing: { ...old.packing, carried: null },
  ground: EMPTY_GROUND,
  stretches: old.stretches.map((s) => ({ ...s, stays: false })),
  frames: old.frames.map((f) => ({ ...f, standpoints: [] })),
});

const VERSION_1 = readFileSync('tests/fixtures/released/outing-1.json', 'utf8');

describe('an outing of version 1', () => {
  const old = JSON.parse(VERSION_1);
  const read = decode(VERSION_1);
  const file = read.ok ? read.value : null;

  it('is read, with nothing that it asked for changed', () => {
    expect(file).not.toBeNull();
    expect(file?.frames).toMatchObject(
      old.frames.map(({ id, need, output, want }: Frame) => ({ id, need, output, want })),
    );
    expect(file?.frames.map((f) => f.light.source)).toEqual(
      old.frames.map((f: { light: { ev100: number } }) => ({ kind: 'ev', ev100: f.light.ev100 })),
    );
    const { sources, ...limits } = old.limits;
    expect(file?.limits).toMatchObject(limits);
    expect(file?.limits.sources).toEqual([...sources, 'rented']);
    expect(file?.shelf.lenses.map((l) => l.id)).toEqual(
      old.shelf.lenses.map((l: { id: string }) => l.id),
    );
  });

  it('asks for nothing new: no stretches, no wishes, figures not known', () => {
    expect(file).toMatchObject({ version: 11, stretches: [], outing: { shooters: [] } });
    expect(file?.frames.every((f) => !f.twice && f.depth.sharp === null)).toBe(true);
    expect(file?.shelf.lenses.every((l) => l.shift === null && l.builtInConverter === null)).toBe(
      true,
    );
    expect(file?.shelf.lenses.find((l) => l.id === 'k-15f')?.projection).toBe('equisolid');
    expect(file?.limits.order).toEqual(['weight', 'price']);
  });

  it('keeps light that sets no demand', () => {
    const [frame] = old.frames;
    const dark = { ...old, frames: [{ ...frame, light: { ...frame.light, ev100: null } }] };
    const migrated = decodeValue(dark);
    expect(migrated.ok && migrated.value.frames[0]?.light.source).toEqual({ kind: 'none' });
  });

  it('is refused by the path of a bad field, not by what the migration adds', () => {
    const [frame] = old.frames;
    const bad = { ...old, frames: [{ ...frame, light: { ...frame.light, support: 'tripod' } }] };
    const refused = decodeValue(bad);
    expect(refused.ok ? [] : refused.error.issues.map((i) => i.path)).toEqual([
      'frames[0].light.support',
    ]);
  });

  it('is left as it is when it is no document at all, or new already', () => {
    expect(migrate('outing', 'text', 1)).toBe('text');
    expect(migrate('outing', { version: 11, frames: 7 }, 11)).toEqual({ version: 11, frames: 7 });
  });
});

describe('an outing of version 2', () => {
  const read = decode(VERSION_1);
  const old = JSON.parse(JSON.stringify({ ...(read.ok ? read.value : {}), version: 2 }));
  delete old.packing;
  for (const lens of old.shelf.lenses) for (const k of ['lengthMm', 'diameterMm']) delete lens[k];
  for (const body of old.shelf.bodies)
    for (const k of ['sizeMm', 'picturesPerCharge', 'cardSlots', 'fileMb']) delete body[k];

  it('is read as it was, with sizes, charges and packing not known', () => {
    const migrated = decodeValue(old);
    expect(migrated).toEqual({ ok: true, value: read.ok && read.value });
    expect(migrated.ok && migrated.value.packing.prefer).toBe('changes');
    expect(migrated.ok && migrated.value.shelf.lenses.every((l) => l.lengthMm === null)).toBe(true);
  });

  it('keeps what it knew already', () => {
    const sized = { ...old.shelf.lenses[0], lengthMm: 80 };
    const shelf = { ...old.shelf, lenses: [sized, ...old.shelf.lenses.slice(1)] };
    const migrated = decodeValue({ ...old, shelf });
    expect(migrated.ok && migrated.value.shelf.lenses[0]).toMatchObject({
      lengthMm: 80,
      diameterMm: null,
    });
  });
});

describe('an outing of version 3', () => {
  const four = JSON.parse(readFileSync('tests/fixtures/released/outing-4.json', 'utf8'));
  const old = JSON.parse(JSON.stringify({ ...four, version: 3 }));
  for (const stretch of old.stretches) delete stretch.allowed;

  it('is read as it was, with everything allowed in its stretches', () => {
    const allowed = { flash: true, support: true, bags: true };
    const stretches = four.stretches.map((s: object) => ({ ...s, allowed }));
    expect(decodeValue(old)).toEqual(decodeValue({ ...four, stretches }));
  });
});

describe('an outing of version 4', () => {
  const read = decode(readFileSync('tests/fixtures/released/outing-4.json', 'utf8'));
  const file = read.ok ? read.value : null;
  const frame = (id: string) => file?.frames.find((f) => f.id === id);

  it('keeps distances as they were typed, and names subjects by their sizes', () => {
    expect(frame('f07')).toMatchObject({ subject: 'hands', need: { fromM: 0.5, toM: 1.2 } });
    expect(frame('f10')).toMatchObject({ subject: 'couple', need: { fromM: 6, toM: 12 } });
    expect(frame('f12')?.subject).toBeNull();
  });

  it('measures from the sensor what lay inside the camera: image side and mount come on top', () => {
    const { need } = frame('inside')!;
    // By hand: 36 mm of sensor over 12 mm, filled by half and in full, is 1.5 and 3 times as large.
    expect(need).toMatchObject({ fromM: 0.05 * 2.5 });
    expect(need.kind === 'subject' && need.toM).toBeCloseTo(0.06 * 4 + 0.1, 12);
  });

  it('says in new words what it said before', () => {
    expect(frame('f05')?.twice).toEqual({ by: 'bodies' });
    expect(frame('f07')?.twice).toBeNull();
    expect(frame('f16')?.need).toMatchObject({ kind: 'angle', atM: null });
    expect(frame('f18')?.output).toMatchObject({ kind: 'pixels', cut: false });
    expect(file?.stretches.map((s) => [s.id, s.weather])).toContainEqual([
      'launch',
      ['wet', 'cold'],
    ]);
    expect(file?.limits).toMatchObject({
      circleOfConfusion: { kind: 'output' },
      needTolerancePercent: 2,
      maxCarriedWeightG: null,
    });
  });

  it('keeps a circle of confusion of one’s own', () => {
    const own = { ...JSON.parse(JSON.stringify(file)), version: 4 };
    own.limits.circleOfConfusion = { kind: 'diagonal', divisor: 1730 };
    for (const stretch of own.stretches) stretch.weather = 'dry';
    const again = decodeValue(own);
    expect(again.ok && again.value.limits.circleOfConfusion).toEqual({
      kind: 'diagonal',
      divisor: 1730,
    });
  });
});

test('an outing of version 5 is read as it was written, with no loan and tied to no shelf', () => {
  const old = JSON.parse(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
  const read = decode(JSON.stringify(old));
  if (!read.ok) throw new Error(read.error.code);
  const { shelf, ties, version, ...rest } = read.value;
  expect([version, ties]).toEqual([11, null]);
  expect(rest.limits.sources).toEqual(['owned', 'borrowed', 'rented']);
  old.limits.sources.push('rented');
  Object.assign(old.limits, { maxDiameterMm: null, reserve: NO_RESERVE });
  for (const frame of old.frames) frame.distanceKnown = true;
  Object.assign(old.outing, { genre: null, lessons: '' });
  const items = itemsOf(shelf);
  expect(items.every((i) => i.loan === null)).toBe(true);
  const without = (list: readonly object[]) =>
    list.map((item) => Object.fromEntries(Object.entries(item).filter(([key]) => key !== 'loan')));
  expect({
    ...rest,
    shelf: {
      ...Object.fromEntries(ITEM_KINDS.map((kind) => [kind, without(shelf[kind])])),
      mounts: shelf.mounts,
    },
  }).toEqual(
    Object.fromEntries(Object.entries(withGround(old)).filter(([key]) => key !== 'version')),
  );
});

test.each([
  ['a stretch named by a frame', { stretchIds: ['gone'] }, 'frames[0].stretchIds[0]'],
  ['a shooter named by a frame', { shooterIds: ['gone'] }, 'frames[0].shooterIds[0]'],
])('%s must be in the file', (_, change, path) => {
  const read = decode(VERSION_1);
  const file = read.ok ? read.value : null;
  const refused = decodeValue({ ...file, frames: [{ ...file?.frames[0], ...change }] });
  expect(refused.ok ? [] : refused.error.issues.map((i) => i.path)).toContain(path);
});

test('an outing of version 7 is of no kind yet, and nothing was learnt on it', () => {
  const old = JSON.parse(readFileSync('tests/fixtures/released/outing-7.json', 'utf8'));
  const read = decode(JSON.stringify(old));
  if (!read.ok) throw new Error(read.error.code);
  const { genre, lessons, ...outing } = read.value.outing;
  expect([genre, lessons]).toEqual([null, '']);
  const limits = { ...old.limits, reserve: NO_RESERVE };
  const frames = old.frames.map((f: Frame) => ({ ...f, distanceKnown: true }));
  expect({ ...read.value, outing }).toEqual({
    ...withGround({ ...old, frames }),
    limits,
    version: read.value.version,
  });
});

test('an outing of version 8 holds nothing in reserve, and its distances are known', () => {
  const old = JSON.parse(readFileSync('tests/fixtures/released/outing-8.json', 'utf8'));
  const read = decode(JSON.stringify(old));
  const limits = { ...old.limits, reserve: NO_RESERVE };
  const frames = old.frames.map((f: Frame) => ({ ...f, distanceKnown: true }));
  const value = { ...withGround({ ...old, frames }), limits, version: 11 };
  expect(read).toEqual({ ok: true, value });
});

describe('every version of every kind that was released', () => {
  const FOLDER = 'tests/fixtures/released';
  const CODECS = {
    outing: { read: decode },
    plan: planCodec,
    shelf: shelfCodec,
    settings: settingsCodec,
  };
  const text = (name: string) => readFileSync(`${FOLDER}/${name}`, 'utf8');
  const kindOf = (name: string) => name.split('-')[0] as keyof typeof CODECS;
  const names = readdirSync(FOLDER);

  test('has a fixture that stays as it is', () => {
    const first = { outing: 1, plan: 6, shelf: 1, settings: 1 };
    const all = Object.entries(VERSIONS).flatMap(([kind, newest]) =>
      Array.from({ length: newest + 1 - first[kind as keyof typeof first] }, (_, i) => {
        return `${kind}-${first[kind as keyof typeof first] + i}.json`;
      }),
    );
    expect(names.toSorted()).toEqual(all.toSorted());
  });

  test.each(names)('%s is read, with all its gear', (name) => {
    const read = CODECS[kindOf(name)].read(text(name));
    expect(read).toMatchObject({ ok: true });
    const lenses = (value: unknown) => JSON.stringify(value).match(/"apertures":/g)?.length ?? 0;
    expect(lenses(read.ok && read.value)).toBe(lenses(JSON.parse(text(name))));
  });

  test.each(Object.keys(FIGURES))(
    'says nothing of %s: it is unknown, and all gear is kept',
    (key) => {
      for (const name of ['outing-8.json', 'plan-8.json', 'shelf-2.json']) {
        const saying = (change: (item: Record<string, unknown>) => void) => {
          const document = JSON.parse(text(name));
          for (const item of itemsOf(document.shelf ?? document.alone ?? document.gear))
            // A tube's length is what it is, not a figure that may be unknown.
            if (key in item && !(key === 'lengthMm' && !('apertures' in item)))
              change(item as Record<string, unknown>);
          return CODECS[kindOf(name)].read(JSON.stringify(document));
        };
        const silent = saying((item) => delete item[key]);
        expect(silent.ok).toBe(true);
        expect(silent).toEqual(saying((item) => (item[key] = null)));
      }
    },
  );
});

test('what can be read of a damaged shelf is every item that stands by itself, its bad figures unknown', () => {
  const shelf = JSON.parse(readFileSync('tests/fixtures/released/shelf-2.json', 'utf8'));
  const { lenses } = shelf.gear;
  lenses[0].weightG = 'heavy';
  lenses[1].minFocusM = -3;
  lenses[2].apertures = [];
  lenses[3].madeIn = 'nowhere';
  const kept = shelfCodec.salvage(JSON.stringify(shelf))?.gear.lenses ?? [];
  const ids = (list: readonly { id: string }[]) => list.map((l) => l.id);
  expect(ids(kept)).toEqual(ids(lenses.toSpliced(2, 1)));
  expect(kept[0]?.weightG).toBeNull();
  expect(kept[1]).toMatchObject({ minFocusM: null, weightG: lenses[1].weightG });
});
