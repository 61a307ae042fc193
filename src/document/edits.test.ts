import fc from 'fast-check';
import { readFileSync } from 'node:fs';
import { type FrameId, shooterId, type StretchId } from '@/core/brief';
import { itemsWithoutBodies } from '@/core/gear';
import {
  addFrames,
  addGear,
  addShooter,
  decode,
  type Edit,
  encode,
  freshId,
  type GearEdit,
  issuesOf,
  lockOf,
  moveFrame,
  outingFile,
  type OutingFile,
  placeFrame,
  putFrame,
  putStretch,
  removeFrame,
  removeFrames,
  removeItems,
  removeShooter,
  removeStretch,
  bodyRoleOf,
  setBodyRole,
  setLock,
  shelfIds,
  takeLineup,
  withoutDangling,
} from '@/document';

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const demo = read.value;

/** An edit of gear, with what named gear that is gone cleared up. */
const onGear =
  (edit: GearEdit): Edit =>
  (file) => {
    const shelf = edit(file.shelf);
    return withoutDangling({ ...file, shelf }, shelf);
  };

const ROLES = ['free', 'in', 'out', 'spare-bag', 'spare-base'] as const;

/** One of the edits that people make, chosen by numbers among what the file holds at the time. */
const anyEdit = fc
  .record({ kind: fc.nat(11), one: fc.nat(), other: fc.nat(), up: fc.boolean() })
  .map(({ kind, one, other, up }) => (file: OutingFile): Edit => {
    const pick = <T>(items: readonly T[], n: number) => items[n % Math.max(1, items.length)];
    const frame = pick(file.frames, one);
    const stretch = pick(file.stretches, one);
    const pieces = itemsWithoutBodies(file.shelf);
    const piece = pick([...pieces, ...file.shelf.bodies], one);
    const at = pick(file.frames, other);
    const body = pick(file.shelf.bodies, one);
    const nothing: Edit = (same) => same;
    const edits: (Edit | null | undefined | false)[] = [
      frame && removeFrame(frame.id),
      frame && moveFrame(frame.id, up ? 1 : -1),
      frame && at && placeFrame(frame.id, at.id),
      stretch && removeStretch(stretch.id),
      piece && onGear(removeItems(new Set([piece.id]))),
      piece && setLock(piece.id, up ? 'in' : 'out'),
      piece && setLock(piece.id, 'free'),
      takeLineup(file.shelf.lenses.slice(0, 1 + (other % 4)).map((l) => l.id)),
      frame && putFrame({ ...frame, name: `${frame.name} ${other}`.slice(0, 100) }),
      frame &&
        addFrames([
          {
            ...frame,
            id: freshId(frame.id, new Set<string>(file.frames.map((f) => f.id))) as FrameId,
          },
        ]),
      stretch &&
        putStretch({
          ...stretch,
          id: (up ? stretch.id : freshId(stretch.id, idsOf(file.stretches))) as StretchId,
          changes: up,
        }),
      body && setBodyRole(body.id, ROLES[other % ROLES.length]!),
    ];
    return edits[kind] || nothing;
  });
const idsOf = (items: readonly { readonly id: string }[]) =>
  new Set<string>(items.map((i) => i.id));

describe('edits, in any number and order', () => {
  it('leave an outing that can be stored and read again', () => {
    fc.assert(
      fc.property(fc.array(anyEdit, { maxLength: 25 }), (edits) => {
        const file = edits.reduce((now, edit) => edit(now)(now), demo);
        const parsed = outingFile.safeParse(file);
        expect(parsed.success ? [] : issuesOf(parsed.error)).toEqual([]);
        const back = decode(encode(file));
        expect(back.ok && back.value).toEqual(file);
      }),
      { seed: 81, numRuns: 150 },
    );
  });

  it('put a second shooter into every stretch, and take her out of all of them', () => {
    const alone = {
      ...demo,
      outing: { ...demo.outing, shooters: demo.outing.shooters.slice(0, 1) },
    };
    const [first] = alone.outing.shooters;
    const stretches = alone.stretches.map((s) => ({ ...s, hands: [] }));
    const before = withoutDangling({ ...alone, stretches }, alone.shelf);
    const second = { id: shooterId.parse('second'), name: 'Second', placed: false };
    const both = addShooter(second)(before);
    for (const { hands } of both.stretches)
      expect(hands.map((h) => h.shooterId)).toEqual([first!.id, 'second']);
    const placed = { ...second, id: shooterId.parse('placed'), placed: true };
    expect(addShooter(placed)(before).stretches).toEqual(before.stretches);
    const again = removeShooter(second.id)(both);
    for (const { hands } of again.stretches)
      expect(hands.map((h) => h.shooterId)).toEqual([first!.id]);
    expect(outingFile.safeParse(both).success && outingFile.safeParse(again).success).toBe(true);
  });

  it('delete several pictures at once', () => {
    const gone = new Set(demo.frames.slice(0, 3).map((f) => f.id));
    expect(removeFrames(gone)(demo).frames).toEqual(demo.frames.slice(3));
  });

  it('never change the file that they are given', () => {
    const before = encode(demo);
    fc.assert(
      fc.property(fc.array(anyEdit, { maxLength: 10 }), (edits) => {
        edits.reduce((now, edit) => edit(now)(now), demo);
        expect(encode(demo)).toBe(before);
      }),
      { seed: 82, numRuns: 50 },
    );
  });

  it('keep every frame when frames are only moved', () => {
    const [first] = demo.frames;
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(), fc.nat(), fc.boolean()), { maxLength: 20 }),
        (moves) => {
          const file = moves.reduce((now, [one, other, step]) => {
            const from = now.frames[one % now.frames.length]!;
            const to = now.frames[other % now.frames.length]!;
            const edit = step ? moveFrame(from.id, other % 2 ? 1 : -1) : placeFrame(from.id, to.id);
            const next = edit(now);
            if (!step) expect(next.frames.indexOf(from)).toBe(now.frames.indexOf(to));
            return next;
          }, demo);
          expect(new Set(file.frames)).toEqual(new Set(demo.frames));
        },
      ),
      { seed: 83, numRuns: 100 },
    );
    expect(placeFrame(first!.id, 'nowhere' as FrameId)(demo)).toBe(demo);
    expect(moveFrame(first!.id, -1)(demo)).toBe(demo);
  });

  it('hold a lock in one place, and let it go when the piece leaves the shelf', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(), fc.constantFrom('in', 'out', 'free')), { maxLength: 12 }),
        (locks) => {
          const pieces = itemsWithoutBodies(demo.shelf);
          const file = locks.reduce(
            (now, [n, lock]) => setLock(pieces[n % pieces.length]!.id, lock)(now),
            demo,
          );
          const last = new Map(locks.map(([n, lock]) => [pieces[n % pieces.length]!.id, lock]));
          for (const [id, lock] of last) expect(lockOf(file.limits, id)).toBe(lock);
          const gone = onGear(removeItems(new Set(last.keys())))(file);
          for (const id of last.keys()) expect(lockOf(gone.limits, id)).toBe('free');
        },
      ),
      { seed: 84, numRuns: 100 },
    );
  });

  it('give a body one role at a time', () => {
    const [body] = demo.shelf.bodies;
    let file = demo;
    for (const role of [...ROLES, ...[...ROLES].reverse()]) {
      file = setBodyRole(body!.id, role)(file);
      expect(bodyRoleOf(file.limits, body!.id)).toBe(role);
      expect(outingFile.safeParse(file).success).toBe(true);
      const { lockedIn, lockedOut, spares } = file.limits;
      const named = [...lockedIn, ...lockedOut, ...spares.map((s) => s.bodyId)];
      expect(named.filter((id) => id === body!.id)).toHaveLength(role === 'free' ? 0 : 1);
    }
  });

  it('add a shelf twice as they add it once', () => {
    const half = {
      ...demo.shelf,
      lenses: demo.shelf.lenses.slice(0, 5),
      converters: [],
      tubes: demo.shelf.tubes,
    };
    const once = addGear(half)({ ...demo.shelf, lenses: [], tubes: [] });
    expect(addGear(half)(once)).toEqual(once);
    expect(once.lenses).toEqual(half.lenses);
  });
});

describe('fresh ids', () => {
  it('are plain, never taken, and not too long', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', maxLength: 90 }), fc.nat(3), (name, times) => {
        const taken = new Set<string>();
        for (let i = 0; i <= times; i += 1) {
          const id = freshId(name, taken);
          expect(id).toMatch(/^[a-z0-9]+(-[a-z0-9]+)*$/);
          expect(id.length).toBeLessThanOrEqual(64);
          expect(taken.has(id)).toBe(false);
          taken.add(id);
        }
      }),
      { seed: 85, numRuns: 300 },
    );
    expect(freshId('Säule — drei', new Set())).toBe('saule-drei');
    expect(freshId('—', new Set(['item']))).toBe('item-2');
    expect(shelfIds(demo.shelf).size).toBe(
      itemsWithoutBodies(demo.shelf).length + demo.shelf.bodies.length,
    );
  });
});
