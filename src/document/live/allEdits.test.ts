import { readFileSync } from 'node:fs';
import { isDeepStrictEqual } from 'node:util';
import {
  type Frame,
  type Limits,
  type Packing,
  shooterId,
  type Stretch,
  stretchId,
} from '@/core/brief';
import { ITEM_KINDS, type ItemKind, itemsOf, type Lens, type Ownership } from '@/core/gear';
import {
  addFrames,
  addGear,
  arrangeAll,
  comparedGear,
  copyItem,
  copyOfFrame,
  decode,
  DEFAULT_SETTINGS,
  type Desk,
  editGear,
  EMPTY_SHELF,
  encode,
  fittingFrames,
  fittingGear,
  followUsual,
  framesOfLines,
  keepOnShelf,
  knownGear,
  moveFrame,
  newFrame,
  newItem,
  type OutingFile,
  placeFrame,
  planCodec,
  putFrame,
  putItem,
  putStretch,
  readGearLines,
  readShotList,
  removeFrame,
  removeItems,
  removeStretch,
  setBags,
  setBodyRole,
  setLimits,
  setLock,
  setOuting,
  setPacking,
  setSettings,
  setStanding,
  settingsCodec,
  setTies,
  setUsualThings,
  shelfCodec,
  takeLineup,
  takenOntoShelf,
} from '@/document';
import { deskOf } from '../../../tests/support/desk';
import { numbers } from '../../../tests/support/numbers';
import { createDocumentStore } from './documentStore';

const NEW = { name: 'New', mount: 'M' };

/**
 * Whatever the interface's own edits are given, what is left can be read again. The texts are read by
 * the same schemas as the edits, but the edits are not asked: each state is written out and read anew.
 */

const demo = (): OutingFile => {
  const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
  if (!read.ok) throw new Error(read.error.code);
  const { frames, shelf, stretches, ...rest } = read.value;
  return {
    ...rest,
    stretches: stretches.slice(0, 2),
    frames: frames.slice(0, 3).map((f) => ({ ...f, stretchIds: [] })),
    shelf: { ...shelf, lenses: shelf.lenses.slice(0, 3), converters: [] },
    limits: { ...rest.limits, lockedIn: [], lockedOut: [], spares: [] },
    packing: { ...rest.packing, anyOrder: [] },
  };
};

const NASTY_NUMBERS = [0, -1, 1e-9, 0.05, 4, 35, 1e6, 1e308, Infinity, NaN, 2 ** 53];
const NASTY_TEXTS = [
  '',
  ' ',
  'A',
  'x'.repeat(61),
  'y'.repeat(121),
  'z'.repeat(5000),
  'two\nlines\u0000',
  '\u202Eturned',
  '__proto__',
  '9'.repeat(400),
];
const SHOTS = [
  'A at 0 m',
  `B ${'9'.repeat(400)} m`,
  'must: gull, 4–8 m',
  '\u0007bell 3 m',
  ...Array.from({ length: 6 }, (_, i) => `shot ${i} ${i} m`),
];
const GEAR = [
  '24-70 2.8',
  '100-400 4.5-6.3 1.4kg 95mm',
  '1.4x converter',
  'tube 16mm',
  '9999 0.1',
  `50 1.8 ${'m'.repeat(400)}`,
  '0-0 0',
];

type Step = (store: ReturnType<typeof createDocumentStore>, pick: Pick) => void;
/** Takes one of a list by the random numbers of the run. */
type Pick = <T>(of: readonly T[]) => T;

/** One field of something, as a slip of the hand may leave it. */
function spoilt<T extends object>(of: T, pick: Pick): T {
  const keys = Object.keys(of);
  if (keys.length === 0) return of;
  const key = pick(keys) as keyof T;
  const was: unknown = of[key];
  if (typeof was === 'object' && was !== null && pick([true, true, false]))
    return { ...of, [key]: Array.isArray(was) ? [...was, ...was] : spoilt(was, pick) };
  const values: readonly unknown[] = [...NASTY_NUMBERS, ...NASTY_TEXTS, null, true, undefined, was];
  return { ...of, [key]: pick(values) };
}

const fileOf = (store: ReturnType<typeof createDocumentStore>) => store.store.getState().file!;
const deskNow = (store: ReturnType<typeof createDocumentStore>): Desk =>
  store.store.getState().desk!;
const anItem = (store: ReturnType<typeof createDocumentStore>, pick: Pick) =>
  pick([...itemsOf(knownGear(deskNow(store))), { id: 'none' } as Lens]);
const aFrame = (store: ReturnType<typeof createDocumentStore>, pick: Pick) =>
  pick([...fileOf(store).frames, newFrame(fileOf(store).frames, 'New')]);
const maybe = <T extends object>(of: T, pick: Pick): T =>
  pick([true, false, false]) ? spoilt(of, pick) : of;

const STEPS: readonly Step[] = [
  (s, pick) => s.edit(setOuting(maybe(fileOf(s).outing, pick))),
  (s, pick) => s.edit(setOuting({ ...fileOf(s).outing, name: pick(NASTY_TEXTS) })),
  (s, pick) =>
    s.edit(
      setOuting({
        ...fileOf(s).outing,
        shooters: [
          { id: shooterId.parse(pick(['a', 'b'])), name: pick(NASTY_TEXTS), placed: false },
        ],
      }),
    ),
  (s, pick) => s.edit(setLimits(spoilt(fileOf(s).limits, pick) as Partial<Limits>)),
  (s, pick) => s.edit(setPacking(spoilt(fileOf(s).packing, pick) as Partial<Packing>)),
  (s, pick) => s.edit(putFrame(maybe(aFrame(s, pick), pick))),
  (s, pick) => s.edit(putFrame(copyOfFrame(aFrame(s, pick), fileOf(s).frames, 'Copy'))),
  (s, pick) => s.edit(removeFrame(aFrame(s, pick).id)),
  (s, pick) => s.edit(removeFrame(aFrame(s, pick).id)),
  (s, pick) => s.edit(moveFrame(aFrame(s, pick).id, pick([1, -1] as const))),
  (s, pick) => s.edit(placeFrame(aFrame(s, pick).id, aFrame(s, pick).id)),
  (s, pick) => s.edit(putStretch(maybe(pick(fileOf(s).stretches.concat(A_STRETCH)), pick))),
  (s, pick) => s.edit(removeStretch(pick(fileOf(s).stretches.concat(A_STRETCH)).id)),
  (s, pick) => s.edit(setLock(anItem(s, pick).id, pick(['in', 'out', 'free'] as const))),
  (s, pick) =>
    s.edit(setBodyRole(anItem(s, pick).id as never, pick(['in', 'spare-bag', 'spare-base']))),
  (s, pick) => s.edit(takeLineup([anItem(s, pick).id, anItem(s, pick).id])),
  (s, pick) => {
    const lines = readShotList([pick(SHOTS), pick(SHOTS)].join('\n'));
    const added = framesOfLines(lines, fileOf(s).frames);
    s.edit(addFrames(pick([true, false]) ? fittingFrames(fileOf(s).frames, added).taken : added));
  },
  (s, pick) => {
    const known = knownGear(deskNow(s));
    for (const line of readGearLines([pick(GEAR), pick(GEAR)].join('\n'), known))
      if (line.kind)
        s.editDesk(editGear(addGear(fittingGear(known, { [line.kind]: [line.item] }).taken)));
  },
  (s, pick) => {
    const kind = pick(ITEM_KINDS);
    s.editDesk(
      editGear(putItem(kind, maybe(newItem(kind, knownGear(deskNow(s)), NEW), pick) as never)),
    );
  },
  (s, pick) => {
    const kind = pick(ITEM_KINDS);
    const list = knownGear(deskNow(s))[kind] as readonly Lens[];
    if (list.length > 0) s.editDesk(editGear(putItem(kind, spoilt(pick(list), pick) as never)));
    if (list.length > 0)
      s.editDesk(
        editGear(putItem(kind, copyItem(pick(list) as never, knownGear(deskNow(s)), 'Copy'))),
      );
  },
  // An item of one kind with the id of another kind.
  (s, pick) => {
    const kind: ItemKind = pick(ITEM_KINDS);
    const item = { ...newItem(kind, knownGear(deskNow(s)), NEW), id: anItem(s, pick).id };
    s.editDesk(editGear(addGear({ [kind]: [item] })));
  },
  (s, pick) =>
    s.editDesk(editGear(addGear({ mounts: [{ name: pick(NASTY_TEXTS), accepts: [] }] }))),
  (s, pick) => s.editDesk(editGear(removeItems(new Set([anItem(s, pick).id, anItem(s, pick).id])))),
  (s, pick) => s.editDesk(editGear(removeItems(new Set([anItem(s, pick).id])))),
  (s, pick) =>
    s.editDesk(setStanding(anItem(s, pick).id, pick([...STANDINGS, null]), pick([null, A_LOAN]))),
  (s, pick) => s.editDesk(arrangeAll([anItem(s, pick).id], pick(['wished', 'rented'] as const))),
  (s, pick) => s.editDesk(keepOnShelf(new Set([anItem(s, pick).id]))),
  (s, pick) => s.editDesk(setSettings(spoilt(deskNow(s).settings, pick))),
  (s, pick) => s.editDesk(setTies(spoilt(deskNow(s).plan.ties, pick))),
  (s, pick) => s.editDesk(followUsual(pick(['order', 'currency'] as const), pick([true, false]))),
  (s, pick) => s.editDesk(setBags([{ ...A_BAG, name: pick(NASTY_TEXTS) }])),
  (s, pick) => s.editDesk(setUsualThings([{ ...A_THING, weightG: pick(NASTY_NUMBERS) }])),
  (s, pick) => {
    const mine = deskNow(s).shelf;
    const theirs = { ...EMPTY_SHELF, gear: knownGear(deskNow(s)) };
    const taking = pick(['theirs', 'both', 'owned', 'alone'] as const);
    const choices = new Map(comparedGear(theirs.gear, mine.gear).map((c) => [c.theirs.id, taking]));
    s.editDesk((d) => ({ ...d, shelf: takenOntoShelf(theirs, d.shelf, choices) }));
  },
  (s) => s.undo(),
  (s) => s.redo(),
];

const plain = (value: unknown): unknown => JSON.parse(JSON.stringify(value));
const STANDINGS: readonly Ownership[] = ['owned', 'borrowed', 'rented', 'wished', 'in-repair'];
const A_LOAN = { from: '2026-05-02', to: '2026-05-01', pricePerDay: -1 };
const A_BAG = { id: 'bag', name: 'Bag', weightG: 900, compartments: [] };
const A_THING = { id: 'cloth', name: 'Cloth', weightG: 10 } as never as Packing['things'][number];
const A_STRETCH = {
  ...demo().stretches[0]!,
  id: stretchId.parse('fresh'),
} satisfies Stretch;

const RUNS = 10;
const EDITS = 500;

test(`after each of ${RUNS * EDITS} edits everything can be read again, as it was`, () => {
  let refused = 0;
  let made = 0;
  for (let run = 0; run < RUNS; run += 1) {
    const next = numbers(1201 + run);
    const store = createDocumentStore(
      () => 0,
      () => (refused += 1),
    );
    store.open(deskOf(demo()));
    const pick: Pick = (of) => of[Math.floor(next() * of.length)]!;
    for (let i = 0; i < EDITS; i += 1) {
      const before = store.store.getState();
      pick(STEPS)(store, pick);
      const { desk, file } = store.store.getState();
      if (desk === before.desk) continue;
      made += 1;
      for (const [text, value, was] of [
        [planCodec, desk!.plan, before.desk!.plan],
        [shelfCodec, desk!.shelf, before.desk!.shelf],
        [settingsCodec, desk!.settings, before.desk!.settings],
      ] as const) {
        if (value === was) continue;
        const written = text.write(value as never);
        const read = text.read(written);
        if (!read.ok) throw new Error(JSON.stringify(read.error.issues));
        expect(isDeepStrictEqual(read.value, plain(value))).toBe(true);
      }
      const read = decode(encode(file!));
      if (!read.ok) throw new Error(JSON.stringify(read.error.issues));
      expect(isDeepStrictEqual(read.value, plain(file))).toBe(true);
      // Otherwise the lists grow, and each reading with them.
      for (const { id } of (file!.frames as Frame[]).slice(8)) store.edit(removeFrame(id));
      const over = itemsOf(knownGear(desk!)).slice(8);
      if (over.length > 0) store.editDesk(editGear(removeItems(new Set(over.map((i) => i.id)))));
    }
  }
  // Both happen often, or the edits above are no test.
  expect(made).toBeGreaterThan((RUNS * EDITS) / 4);
  expect(refused).toBeGreaterThan((RUNS * EDITS) / 20);
});

test('a shelf of 5,000 lenses takes no more, and says which are left', () => {
  const store = createDocumentStore(() => 0);
  store.open({ ...deskOf(demo()), settings: DEFAULT_SETTINGS });
  const lens = newItem('lenses', knownGear(deskNow(store)), NEW);
  const many = (from: number) =>
    Array.from({ length: 3000 }, (_, i) => ({ ...lens, id: `many-${from + i}` as Lens['id'] }));
  for (const from of [0, 3000]) {
    const { taken, left } = fittingGear(knownGear(deskNow(store)), { lenses: many(from) });
    expect(store.editDesk(editGear(addGear(taken)))).toBe(true);
    expect(left).toHaveLength(from === 0 ? 0 : 1003);
  }
  expect(store.editDesk(editGear(addGear({ lenses: many(9000) })))).toBe(false);
  expect(shelfCodec.read(shelfCodec.write(deskNow(store).shelf)).ok).toBe(true);
});
