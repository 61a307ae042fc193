import fc from 'fast-check';
import {
  DEFAULT_PACKING,
  type Frame,
  shooterId,
  type Standpoint,
  stationId,
  stretchId,
} from '@/core/brief';
import { preferredPlan } from './plan';
import { AIM_TOLERANCE, type LineupQuestion, type MipSolver } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { aimValues, bestByEnumeration, compareAims } from '../../../tests/support/enumerate';
import { runsOf } from '../../../tests/support/runs';
import { solveWith, takenOf } from '../../../tests/support/solve';
import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aShooter,
  aStretch,
  assignmentsOf,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const NAMES = ['aisle', 'corner', 'gallery'] as const;
/** From so far, on 36×24 mm, each of the lenses below makes a standing person and no other does. */
const ALONE_M = { short: 4, mid: 10, long: 35 } as const;

const standpoint = (name: string, fromM: number, change: Partial<Standpoint> = {}): Standpoint => ({
  stationId: stationId.parse(name),
  shooterIds: [],
  stretchIds: [],
  fromM,
  toM: fromM,
  seenPercent: 100,
  ...change,
});
const measured = (id: string, standpoints: readonly Standpoint[], change = {}): Frame =>
  personFrame(id, 1, 100, 'free', { standpoints, ...change });
const SHELF = aShelf(
  [aLens('short', 35, 35, 2), aLens('mid', 85, 85, 2), aLens('long', 300, 300, 2)],
  [],
  [aBody({ id: 'b1' }), aBody({ id: 'b2' })],
);
const MUSTS = { want: 'must' };
const hands = (...ids: string[]) => ids.map((id) => assignmentsOf(id));
const asked = (frames: readonly Frame[], stretch: object, people = ['one']): LineupQuestion => ({
  ...aQuestion({ shelf: SHELF, frames, limits: someLimits() }),
  outing: { shooters: people.map((id) => aShooter(id)) },
  stretches: [aStretch('s0', { hands: hands(...people), ...stretch })],
});
const lensesFor = (question: LineupQuestion) => solveWith(solver, question).lineup.lensIds;
const gotBy = (question: LineupQuestion) =>
  solveWith(solver, question).frames.filter((f) => f.state !== 'lost').length;

test('each of the lenses makes a person from its own distance alone', () => {
  for (const [lens, atM] of Object.entries(ALONE_M))
    expect(lensesFor(asked([measured('f', [standpoint('aisle', atM)], MUSTS)], {}))).toEqual([
      lens,
    ]);
});

describe('two pictures that one lens makes from two stations', () => {
  const frames = [
    measured('near', [standpoint('aisle', ALONE_M.mid), standpoint('corner', ALONE_M.long)], MUSTS),
    measured('far', [standpoint('aisle', ALONE_M.short), standpoint('corner', ALONE_M.mid)], MUSTS),
  ];

  it('take one lens where one may walk, and say from where', () => {
    const result = solveWith(solver, asked(frames, {}));
    expect(result.lineup.lensIds).toEqual(['mid']);
    expect(result.frames.map((f) => f.covers.map((c) => c.stationId))).toEqual([
      ['aisle'],
      ['corner'],
    ]);
  });

  it('take two from one of them where nobody moves, and the plan of carrying stands there', () => {
    const question = asked(frames, { stays: true });
    const result = solveWith(solver, question);
    expect(result.lineup.lensIds).toHaveLength(2);
    const [hand] = result.hands;
    const plan = preferredPlan(
      {
        ...question,
        outing: { ...question.outing, currency: 'EUR' },
        packing: DEFAULT_PACKING,
      },
      result,
    );
    expect(plan.unplanned).toEqual([]);
    expect(plan.stretches[0]?.hands[0]?.stationId).toBe(hand?.stationId);
    expect(result.frames.flatMap((f) => f.covers.map((c) => c.stationId))).toEqual([
      hand?.stationId,
      hand?.stationId,
    ]);
  });

  it('take one lens of two people who don’t move: each at a station of her own', () => {
    const result = solveWith(solver, asked(frames, { stays: true }, ['one', 'two']));
    // One lens is in one pair of hands: the other picture needs another.
    expect(result.lineup.lensIds).toHaveLength(2);
  });
});

test('nobody is at two stations at once: what one person covers from both is covered once', () => {
  const twice = measured(
    'rite',
    [standpoint('aisle', ALONE_M.short), standpoint('corner', ALONE_M.mid)],
    { ...MUSTS, twice: { by: 'bodies' } },
  );
  expect(solveWith(solver, asked([twice], {})).frames[0]?.state).toBe('once');
  expect(solveWith(solver, asked([twice], {}, ['one', 'two'])).frames[0]?.state).toBe('clear');
  const people = { ...twice, twice: { by: 'people' as const, shooterIds: [] } };
  expect(solveWith(solver, asked([people], {})).frames[0]?.state).toBe('once');
  expect(solveWith(solver, asked([people], {}, ['one', 'two'])).frames[0]?.state).toBe('clear');
});

test('a station is of use to whom, when and as far as it sees', () => {
  const from = (change: Partial<Standpoint>, need: 'free' | 'held' = 'free') =>
    gotBy(
      asked(
        [
          personFrame('f', 1, 100, need, {
            ...MUSTS,
            standpoints: [standpoint('aisle', ALONE_M.mid, change)],
          }),
        ],
        {},
      ),
    );
  expect(from({})).toBe(1);
  expect(from({ shooterIds: [shooterId.parse('one')], stretchIds: [stretchId.parse('s0')] })).toBe(
    1,
  );
  expect(from({ shooterIds: [shooterId.parse('two')] })).toBe(0);
  expect(from({ stretchIds: [stretchId.parse('later')] })).toBe(0);
  expect([from({ seenPercent: 40 }), from({ seenPercent: 0 })]).toEqual([1, 0]);
  expect([from({}, 'held'), from({ seenPercent: 99 }, 'held')]).toEqual([1, 0]);
});

const anyGround = fc
  .record({
    stays: fc.tuple(fc.constantFrom(true, true, false), fc.boolean()),
    people: fc.constantFrom(['one'], ['one', 'two']),
    stretches: fc.constantFrom(1, 2),
    bodies: fc.constantFrom(null, 1),
    lenses: fc.subarray(SHELF.lenses, { minLength: 2 }),
    frames: fc.array(
      fc.record({
        at: fc.tuple(...NAMES.map(() => fc.constantFrom(4, 10, 35, null))),
        seenPercent: fc.constantFrom(100, 100, 100, 0),
        when: fc.constantFrom([], [], ['s0']),
        want: fc.constantFrom('must', 'must', 'want'),
        footing: fc.constantFrom('free', 'held'),
        twice: fc.constantFrom(null, null, { by: 'bodies' }, { by: 'people', shooterIds: [] }),
      }),
      { minLength: 2, maxLength: 3 },
    ),
    onlyTwo: fc.boolean(),
  })
  .map(({ stays, people, stretches, bodies, lenses, frames, onlyTwo }): LineupQuestion => {
    const open = { shooterIds: onlyTwo && people.length > 1 ? [shooterId.parse('two')] : [] };
    return {
      ...aQuestion({
        shelf: { ...SHELF, lenses },
        limits: someLimits(),
        frames: frames.map(({ at, seenPercent, when, want, footing, twice }, i) =>
          personFrame(`f${i}`, 1, 100, footing, {
            want,
            twice,
            stretchIds: when.map((id) => stretchId.parse(id)),
            standpoints: NAMES.flatMap((name, n) =>
              at[n] === null
                ? []
                : [standpoint(name, at[n]!, n === 0 ? { seenPercent } : n === 1 ? open : {})],
            ),
          }),
        ),
      }),
      outing: { shooters: people.map((id) => aShooter(id)) },
      stretches: Array.from({ length: stretches }, (_, i) =>
        aStretch(`s${i}`, {
          stays: stays[i],
          hands: people.map((id) => assignmentsOf(id, { bodies })),
        }),
      ),
    };
  });

test('reaches the same aims as going through every set, sharing and way of standing', () => {
  let held = 0;
  fc.assert(
    fc.property(anyGround, (question) => {
      const result = solveWith(solver, question);
      const best = bestByEnumeration(question, AIM_TOLERANCE)!;
      expect(result.status).toBe('proven');
      const along = question.shelf.bodies.filter((b) => result.bodies.includes(b.id));
      const values = aimValues(question, takenOf(result), along)!;
      expect(compareAims(values, best, AIM_TOLERANCE)).toBe(0);
      const walking = {
        ...question,
        stretches: question.stretches.map((s) => ({ ...s, stays: false })),
      };
      held += Number(
        compareAims(bestByEnumeration(walking, AIM_TOLERANCE)!, best, AIM_TOLERANCE) < 0,
      );
    }),
    { seed: 20261130, numRuns: runsOf(200) },
  );
  // In so many it costs something that nobody moves.
  expect(held).toBeGreaterThan(8);
}, 400_000);

test('the proof names every lens that makes a picture from any of its stations', () => {
  // From 4 m the zoom alone makes it; from 35 m the heavy one does as well, though the zoom beats it.
  const shelf = aShelf(
    [aLens('zoom', 24, 400, 4, { weightG: 500 }), aLens('heavy', 280, 320, 4, { weightG: 2000 })],
    [],
    [aBody()],
  );
  const frame = measured('far', [
    standpoint('aisle', ALONE_M.short),
    standpoint('gallery', ALONE_M.long),
  ]);
  const question = {
    ...aQuestion({ shelf, frames: [{ ...frame, ...MUSTS } as Frame], limits: someLimits() }),
  };
  const { lineup, proof } = solveWith(solver, question);
  expect(lineup.lensIds).toEqual(['zoom']);
  expect(proof).toMatchObject({
    kind: 'witnesses',
    bound: 1,
    witnesses: [{ frameId: 'far', lensIds: ['heavy', 'zoom'] }],
  });
});
