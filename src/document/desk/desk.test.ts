import { readFileSync } from 'node:fs';
import fc from 'fast-check';
import { DEFAULT_LIMITS } from '@/core/brief';
import { itemsOf, type Lens } from '@/core/gear';
import { deskOf } from '../../../tests/support/desk';
import {
  addGear,
  comparedGear,
  decode,
  DEFAULT_SETTINGS,
  type Desk,
  EMPTY_SHELF,
  encode,
  editGear,
  fileOf,
  followUsual,
  join,
  keepOnShelf,
  knownGear,
  NO_GEAR,
  newPlan,
  type OutingFile,
  planOfFile,
  planAfter,
  planCodec,
  putFrame,
  putItem,
  readGearLines,
  removeItems,
  same,
  setLimits,
  setLock,
  setPacking,
  setSettings,
  settingsCodec,
  setStanding,
  shared,
  takenIn,
  takenOntoShelf,
  typedOntoShelf,
} from '@/document';

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const demo = read.value;
/** A person who owns all that the demo has, whatever it says there. */
const all = { ...EMPTY_SHELF, gear: ownedAll(demo.shelf) };
function ownedAll(gear: OutingFile['shelf']): OutingFile['shelf'] {
  const owned = <T extends object>(list: readonly T[]) =>
    list.map((item) => ({ ...item, ownership: 'owned' as const }));
  return {
    ...gear,
    bodies: owned(gear.bodies),
    lenses: owned(gear.lenses),
    converters: owned(gear.converters),
    tubes: owned(gear.tubes),
    adapters: owned(gear.adapters),
  };
}
const sorted = (file: OutingFile) => ({
  ...file,
  ties: null,
  shelf: Object.fromEntries(
    Object.entries(file.shelf).map(([kind, list]) => [
      kind,
      [...list].sort((a, b) => (JSON.stringify(a) < JSON.stringify(b) ? -1 : 1)),
    ]),
  ),
});

describe('a file taken apart and put together', () => {
  it('is the same, whatever of its gear is on the shelf', () => {
    fc.assert(
      fc.property(fc.array(fc.boolean(), { minLength: 45, maxLength: 45 }), (on) => {
        const ids = new Set(itemsOf(demo.shelf).flatMap((i, n) => (on[n % 45] ? [i.id] : [])));
        const gear = removeItems(
          new Set([...itemsOf(demo.shelf)].map((i) => i.id).filter((id) => !ids.has(id))),
        )(demo.shelf);
        const whole = fileOf(deskOf(demo, { ...EMPTY_SHELF, gear }));
        expect(sorted(whole)).toEqual(sorted(demo));
      }),
      { seed: 110, numRuns: 40 },
    );
  });

  it('comes back from its own text, and so does its plan', () => {
    const desk = deskOf(demo, all);
    const file = fileOf(desk);
    expect(decode(encode(file))).toEqual({ ok: true, value: file });
    expect(planCodec.read(planCodec.write(desk.plan))).toEqual({ ok: true, value: desk.plan });
    expect(planOfFile(file, desk)).toEqual(desk.plan);
  });

  it('takes a lens bought later along, unless the outing names what may come', () => {
    const open = {
      ...deskOf(demo),
      shelf: all,
      plan: newPlan(demo, { plan: deskOf(demo).plan, shelf: all }),
    };
    const bought: Lens = {
      ...demo.shelf.lenses[0]!,
      id: 'bought' as never,
      name: 'Bought',
      ownership: 'owned',
    };
    const later = (desk: Desk): Desk => ({
      ...desk,
      shelf: { ...desk.shelf, gear: addGear({ lenses: [bought] })(desk.shelf.gear) },
    });
    const has = (desk: Desk) => fileOf(desk).shelf.lenses.some((l) => l.id === 'bought');
    expect(has(later(open))).toBe(true);
    expect(
      has(later({ ...open, plan: { ...open.plan, ties: { ...open.plan.ties, only: ['k-50'] } } })),
    ).toBe(false);
  });

  it('does not take along what is only wished for or borrowed, unless it is for this outing', () => {
    const wished = { ...EMPTY_SHELF, gear: { ...NO_GEAR, lenses: demo.shelf.lenses } };
    const desk: Desk = {
      plan: newPlan(demo, { plan: deskOf(demo).plan, shelf: wished }),
      shelf: wished,
      settings: DEFAULT_SETTINGS,
    };
    const [lens] = demo.shelf.lenses.filter((l) => l.ownership === 'wished');
    const standing = (of: Desk) =>
      fileOf(of).shelf.lenses.find((l) => l.id === lens!.id)?.ownership;
    expect(fileOf(desk).shelf.lenses.every((l) => l.ownership === 'owned')).toBe(true);
    expect(standing(setStanding(lens!.id, 'wished')(desk))).toBe('wished');
    const loan = { from: '2027-06-12', to: '2027-06-13', pricePerDay: 30 };
    expect(standing(setStanding(lens!.id, 'rented', loan)(desk))).toBe('rented');
    expect(
      standing(setStanding(lens!.id, null)(setStanding(lens!.id, 'rented')(desk))),
    ).toBeUndefined();
  });

  it('cannot lock in what is in repair: the lock goes, and the file is read again', () => {
    const desk = deskOf(demo, all);
    const locked = { ...desk, plan: { ...desk.plan, limits: setLock('k-50', 'in')(demo).limits } };
    expect(fileOf(locked).limits.lockedIn).toContain('k-50');
    const away = fileOf(setStanding('k-50', 'in-repair')(locked));
    expect(away.limits.lockedIn).not.toContain('k-50');
    expect(away.shelf.lenses.find((l) => l.id === 'k-50')?.ownership).toBe('in-repair');
    expect(decode(encode(away)).ok).toBe(true);
    const forced = decode(encode({ ...away, limits: { ...away.limits, lockedIn: ['k-50'] } }));
    expect(forced.ok ? null : forced.error.issues[0]?.problem).toEqual({
      rule: 'away-locked-in',
      id: 'k-50',
    });
  });
});

describe('settings', () => {
  it('of version 1 get what is asked on buying', () => {
    const { next, ...first } = DEFAULT_SETTINGS;
    const text = JSON.stringify({ format: 'armreach-settings', version: 1, ...first });
    expect(settingsCodec.read(text)).toEqual({
      ok: true,
      value: { ...first, next: { ...next, resalePercent: 100 } },
    });
  });

  const desk = deskOf(demo, all, {
    ...DEFAULT_SETTINGS,
    limits: { ...DEFAULT_SETTINGS.limits, maxCrop: 1.2 },
  });
  const fresh: Desk = { ...desk, plan: newPlan({ ...demo, limits: DEFAULT_LIMITS }, desk) };

  it('are the person’s until the outing has its own, and again when it takes them back', () => {
    const file = fileOf(fresh);
    expect(file.limits.maxCrop).toBe(1.2);
    const own = { ...fresh, plan: planAfter(fresh, file, setLimits({ maxCrop: 2 })(file)) };
    expect(fileOf(own).limits.maxCrop).toBe(2);
    const changed = setSettings({
      limits: { ...own.settings.limits, maxCrop: 3, isoCeiling: 800 },
    })(own);
    expect(fileOf(changed).limits).toMatchObject({ maxCrop: 2, isoCeiling: 800 });
    expect(fileOf(followUsual('maxCrop', true)(changed)).limits.maxCrop).toBe(3);
  });

  it('stay the person’s when a form gives back the same limits as new objects', () => {
    const file = fileOf(fresh);
    const limits = JSON.parse(JSON.stringify({ ...file.limits, maxLenses: 4 }));
    const plan = planAfter(fresh, file, { ...file, limits });
    expect(plan.ties.usual).toEqual(fresh.plan.ties.usual);
  });
});

describe('bags and usual things', () => {
  const thing = { id: 'cloth', name: 'Cloth', weightG: 20 };
  const bag = { id: 'day', name: 'Day bag', weightG: 900, compartments: [] };
  const shelf = { ...all, bags: [bag], things: [thing] };
  const desk: Desk = {
    ...deskOf(demo, all),
    shelf,
    plan: newPlan(demo, { plan: deskOf(demo).plan, shelf }),
  };

  it('are packed until they are left at home or changed', () => {
    const file = fileOf(desk);
    expect(file.packing.things).toContainEqual(thing);
    const without = setPacking({ things: file.packing.things.filter((t) => t.id !== 'cloth') })(
      file,
    );
    const plan = planAfter(desk, file, without);
    expect(plan.ties.thingsLeft).toEqual(['cloth']);
    expect(fileOf({ ...desk, plan }).packing.things).not.toContainEqual(thing);
  });

  it('give an outing the bag it names, which becomes its own when it is changed', () => {
    const named = { ...desk, plan: { ...desk.plan, ties: { ...desk.plan.ties, bagId: 'day' } } };
    const file = fileOf(named);
    expect(file.packing.bagWeightG).toBe(900);
    const plan = planAfter(named, file, setPacking({ bagWeightG: 700 })(file));
    expect(plan.ties.bagId).toBeNull();
    expect(fileOf({ ...named, plan }).packing.bagWeightG).toBe(700);
  });
});

test('bags and usual things of another shelf come along once, and those of one’s own stay', () => {
  const thing = (id: string) => ({ id, name: id, weightG: 20 });
  const bag = (id: string, weightG = 900) => ({ id, name: id, weightG, compartments: [] });
  const mine = { ...all, bags: [bag('day')], things: [thing('cloth')] };
  const theirs = {
    ...all,
    bags: [bag('day', 1), bag('big')],
    things: [thing('cloth'), thing('tape')],
  };
  const taken = takenOntoShelf(theirs, mine, new Map());
  expect(taken.bags).toEqual([bag('day'), bag('big')]);
  expect(taken.things.map((t) => t.id)).toEqual(['cloth', 'tape']);
  expect(takenOntoShelf(theirs, taken, new Map())).toEqual(taken);
});

describe('gear of a file beside the shelf', () => {
  const k50 = demo.shelf.lenses.find((l) => l.id === 'k-50')!;
  const shelf = {
    ...EMPTY_SHELF,
    gear: {
      ...NO_GEAR,
      lenses: [{ ...k50, id: 'mine' as never, ownership: 'owned' as const, weightG: 999 }],
    },
  };
  const person = { shelf, settings: DEFAULT_SETTINGS };
  const [compared] = comparedGear({ ...NO_GEAR, lenses: [k50] }, shelf.gear);

  it('is known by name, or by mount, range and f-number, whatever the ids', () => {
    expect(compared).toMatchObject({ mine: { id: 'mine' }, differing: ['weightG'] });
    const renamed = { ...k50, name: 'Old fifty', maker: '' };
    expect(comparedGear({ ...NO_GEAR, lenses: [renamed] }, shelf.gear)[0]?.mine?.id).toBe('mine');
    const other = { ...renamed, mount: 'Elsewhere' };
    expect(comparedGear({ ...NO_GEAR, lenses: [other] }, shelf.gear)[0]?.mine).toBeNull();
  });

  it.each([
    ['mine', 999, 999],
    ['theirs', k50.weightG, k50.weightG],
    ['both', 999, k50.weightG],
  ] as const)('"%s" decides what the shelf and the outing have', (taking, onShelf, inOuting) => {
    const locked = setLock(
      'k-50',
      'in',
    )({
      ...demo,
      shelf: { ...NO_GEAR, lenses: [k50] },
      packing: {
        ...demo.packing,
        carried: { day: '2027-06-12', itemIds: ['k-50'], changes: 3 },
      },
      limits: DEFAULT_LIMITS,
      stretches: [],
      frames: [],
    });
    const taken = takenIn(locked, person, () => taking);
    expect(taken.shelf.gear.lenses.map((l) => l.weightG)).toEqual([onShelf]);
    const file = fileOf({ ...taken, settings: DEFAULT_SETTINGS });
    expect(file.shelf.lenses).toMatchObject([{ id: 'mine', weightG: inOuting }]);
    expect(file.limits.lockedIn).toEqual(['mine']);
    expect(file.packing.carried).toEqual({ day: '2027-06-12', itemIds: ['mine'], changes: 3 });
  });

  it('takes the figures that were typed of what is known, and what is new as it is said to stand', () => {
    const typed = (line: string, shelf = NO_GEAR) =>
      readGearLines(line, shelf).flatMap((l) => (l.kind === 'lenses' ? [l.item] : []));
    const mine = { ...EMPTY_SHELF, gear: { ...NO_GEAR, lenses: typed('70-200 2.8') } };
    const more = typed('70-200 2.8 1.4kg\n300 2.8 2.9kg wished');
    const { lenses } = typedOntoShelf({ ...NO_GEAR, lenses: more }, mine).gear;
    expect(lenses.map((l) => [l.weightG, l.ownership])).toEqual([
      [1400, 'owned'],
      [2900, 'wished'],
    ]);
    const again = typedOntoShelf({ ...NO_GEAR, lenses: typed('70-200 2.8') }, mine);
    expect(again.gear).toEqual(mine.gear);
  });

  it('touches nothing unasked, and keeps what is new to the outing', () => {
    const taken = takenIn(demo, person);
    expect(taken.shelf).toBe(shelf);
    expect(taken.plan.alone.lenses).toHaveLength(demo.shelf.lenses.length);
  });

  it('finds a free id where the shelf has another thing under that of the file', () => {
    const other = {
      ...demo.shelf.lenses.find((l) => l.id === 'k-85')!,
      id: 'k-50' as never,
      ownership: 'owned' as const,
    };
    const busy = {
      shelf: { ...EMPTY_SHELF, gear: { ...NO_GEAR, lenses: [other] } },
      settings: DEFAULT_SETTINGS,
    };
    const file = fileOf({ ...takenIn(demo, busy), settings: DEFAULT_SETTINGS });
    expect(new Set(itemsOf(file.shelf).map((i) => i.id)).size).toBe(itemsOf(demo.shelf).length);
    const teleconverter = file.shelf.converters.find((c) => c.id === demo.shelf.converters[0]!.id)!;
    const names = (shelfOf: OutingFile['shelf'], ids: readonly string[]) =>
      shelfOf.lenses
        .filter((l) => ids.includes(l.id))
        .map((l) => l.name)
        .sort();
    expect(names(file.shelf, teleconverter.lensIds)).toEqual(
      names(demo.shelf, demo.shelf.converters[0]!.lensIds),
    );
  });
});

describe('edits of gear', () => {
  const k50 = demo.shelf.lenses.find((l) => l.id === 'k-50')!;

  it('change it where it is: on the shelf, or of this outing alone', () => {
    const onShelf = editGear(putItem('lenses', { ...k50, weightG: 1 }))(deskOf(demo, all));
    expect(onShelf.shelf.gear.lenses.find((l) => l.id === 'k-50')?.weightG).toBe(1);
    const alone = editGear(putItem('lenses', { ...k50, weightG: 1 }))(deskOf(demo));
    expect(alone.shelf).toEqual(EMPTY_SHELF);
    expect(alone.plan.alone.lenses.find((l) => l.id === 'k-50')?.weightG).toBe(1);
  });

  it('put what is new on the shelf, and take along what was entered as a wish', () => {
    const wish = { ...k50, id: 'wish' as never, mount: 'Other', ownership: 'wished' as const };
    const desk = editGear(putItem('lenses', wish))(deskOf(demo));
    expect(desk.shelf.gear.lenses.map((l) => l.id)).toEqual(['wish']);
    expect(fileOf(desk).shelf.lenses.find((l) => l.id === 'wish')?.ownership).toBe('wished');
    const gone = editGear(removeItems(new Set(['wish'])))(desk);
    expect([gone.shelf.gear.lenses, gone.plan.arranged]).toEqual([[], deskOf(demo).plan.arranged]);
  });

  it('move what is of this outing alone onto the shelf, once', () => {
    const ids = new Set(itemsOf(demo.shelf).map((i) => i.id));
    const desk = keepOnShelf(ids)(deskOf(demo));
    expect(sorted(fileOf(desk))).toEqual(sorted(fileOf(deskOf(demo))));
    expect(itemsOf(desk.plan.alone)).toEqual([]);
    expect(itemsOf(desk.shelf.gear)).toHaveLength(ids.size);
    expect(knownGear(desk).converters.map((c) => c.lensIds)).toEqual(
      demo.shelf.converters.map((c) => c.lensIds),
    );
  });
});

describe('two states joined', () => {
  const renamed = (file: OutingFile, i: number, name: string) =>
    putFrame({ ...file.frames[i]!, name })(file);

  it('have every change of both, and the objects of one where nothing differs', () => {
    const mine = renamed(demo, 0, 'mine');
    const theirs = JSON.parse(
      JSON.stringify(setLimits({ maxLenses: 2 })(renamed(demo, 1, 'theirs'))),
    ) as OutingFile;
    const { value, conflicts } = join(demo, mine, theirs);
    expect(conflicts).toEqual([]);
    expect(value.frames.slice(0, 2).map((f) => f.name)).toEqual(['mine', 'theirs']);
    expect(value.limits.maxLenses).toBe(2);
    expect(value.frames[2]).toBe(demo.frames[2]);
    expect(value.shelf).toBe(demo.shelf);
  });

  it('name where both changed the same thing, and keep theirs', () => {
    const { value, conflicts } = join(demo, renamed(demo, 0, 'mine'), renamed(demo, 0, 'theirs'));
    expect(conflicts).toEqual([`frames[${demo.frames[0]!.id}].name`]);
    expect(value.frames[0]?.name).toBe('theirs');
  });

  it('keep what one deleted and the other changed; delete what only one touched', () => {
    const without = { ...demo, frames: demo.frames.slice(2) };
    const { value } = join(demo, without, renamed(demo, 0, 'changed'));
    expect(value.frames[0]?.name).toBe('changed');
    expect(value.frames.some((f) => f.id === demo.frames[1]!.id)).toBe(false);
  });

  it('do not mix two kinds of a thing', () => {
    const base = { need: { kind: 'far', widthDeg: 10 } as object };
    const mine = { need: { kind: 'far', widthDeg: 20 } };
    const theirs = { need: { kind: 'focal', wideMm: 50 } };
    expect(join<object>(base, mine, theirs)).toEqual({ value: theirs, conflicts: ['need'] });
  });

  const list = fc.uniqueArray(fc.record({ id: fc.constantFrom(...'abcdefgh'), n: fc.nat(3) }), {
    selector: (x) => x.id,
    maxLength: 8,
  });
  it('of lists lose nothing that either added, and bring nothing back that both lack', () => {
    fc.assert(
      fc.property(list, list, list, (base, mine, theirs) => {
        const { value } = join(base, mine, theirs);
        const ids = (of: readonly { id: string }[]) => new Set(of.map((x) => x.id));
        const [b, m, t, v] = [base, mine, theirs, value].map(ids) as [
          Set<string>,
          Set<string>,
          Set<string>,
          Set<string>,
        ];
        for (const id of [...m, ...t]) if (!b.has(id)) expect(v.has(id)).toBe(true);
        for (const id of v) expect(m.has(id) || t.has(id)).toBe(true);
        expect(value).toHaveLength(v.size);
        expect(same(join(base, base, theirs).value, theirs)).toBe(true);
        expect(join(base, mine, base).value).toBe(mine);
        expect(same(shared(mine, theirs), theirs)).toBe(true);
      }),
      { seed: 111, numRuns: 300 },
    );
  });
});
