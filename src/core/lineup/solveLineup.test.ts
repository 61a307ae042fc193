import fc from 'fast-check';
import {
  footingOf,
  type Frame,
  needAxis,
  PLAIN_STRETCH,
  shooterId,
  type Stretch,
} from '@/core/brief';
import { coveredPositions } from '@/core/coverage';
import { itemsOf, mountableSetups, type Setup } from '@/core/gear';
import { containsPoint, covers } from '@/core/intervals';
import {
  AIM_TOLERANCE,
  type LineupQuestion,
  type LineupResult,
  type MipSolver,
  sessionWith,
  selectable,
  solveLineup,
} from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { anyLens, anyOuting, anyQuestion } from '../../../tests/support/arbitraries';
import { aimValues, bestByEnumeration, compareAims } from '../../../tests/support/enumerate';
import { runsOf } from '../../../tests/support/runs';
import { solveWith, takenOf } from '../../../tests/support/solve';
import {
  aBody,
  aConverter,
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  lightOf,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const solve = (question: LineupQuestion) => solveWith(solver, question);
const ask = (parts: Parameters<typeof aQuestion>[0]) => solve(aQuestion(parts));
/**
 * The aims of an answer with no other bodies than those that it brings along; the aim of few changes
 * counts all that may be in hand.
 */
const valuesOf = (question: LineupQuestion, r: LineupResult) => {
  if (question.limits.order.includes('changes')) return aimValues(question, takenOf(r))!;
  const along = new Set<string>(r.bodies);
  const bodies = question.shelf.bodies.filter((b) => along.has(b.id));
  return aimValues(question, takenOf(r), bodies)!;
};
/** What is locked in under a limit on weight that nobody can check is not proven. */
/** Not proven where weight is limited and what is taken, or would be were it lighter, was never weighed. */
const statusOf = ({ shelf, stretches, limits }: LineupQuestion, result: LineupResult) => {
  const inHand = stretches.some((s) => s.hands.some((h) => h.maxWeightG !== null));
  if (limits.maxLineupWeightG === null && !inHand) return 'proven';
  const counted: readonly string[] = [
    ...Object.values(result.lineup).flat(),
    ...(limits.countBodies || inHand ? result.bodies : []),
  ];
  const isUnweighed = itemsOf(shelf).some((i) => counted.includes(i.id) && i.weightG === null);
  const fewer: readonly string[] = ['musts', 'once', 'wants', 'pieces'];
  const decides = result.notes.some(
    (n) => n.code === 'unknown-decides' && n.figure === 'weight' && fewer.includes(n.aim),
  );
  return isUnweighed || decides ? 'unverified' : 'proven';
};

/** Small things close by, and lenses of which often nobody knows how near they focus. */
const closeBy = fc
  .record({
    lenses: fc.tuple(
      ...['a', 'b', 'c', 'd'].map((id) =>
        fc.record({ lens: anyLens(id), minFocusM: fc.constantFrom(null, null, 0.2, 0.6) }),
      ),
    ),
    frames: fc.array(
      fc.record({
        fromM: fc.double({ min: 0.15, max: 1, noNaN: true }),
        want: fc.constantFrom('must', 'want', 'want'),
        sharePercent: fc.constantFrom(0, 5, 5, 10),
      }),
      { minLength: 1, maxLength: 5 },
    ),
    maxLenses: fc.constantFrom(null, 1, 1),
  })
  .map(({ lenses, frames, maxLenses }) =>
    aQuestion({
      shelf: aShelf(
        lenses.map(({ lens, minFocusM }) => ({
          ...lens,
          ...{ minFocusM, maxMagnification: null, mount: 'M', ownership: 'owned' as const },
        })),
      ),
      frames: frames.map(({ fromM, ...asked }, i) => {
        const frame = personFrame(`f${i}`, fromM, 2 * fromM, 'free', asked);
        return { ...frame, need: { ...frame.need, heightM: 0.06 } as Frame['need'] };
      }),
      limits: someLimits({ maxLenses }),
    }),
  );

describe('against plain enumeration', () => {
  it('reaches the same aims on random outings of one person', () => {
    fc.assert(
      fc.property(anyQuestion(), (question) => {
        const result = solve(question);
        const best = bestByEnumeration(question, AIM_TOLERANCE);
        if (best === null) return expect(result.status).toBe('impossible');
        expect(result.status).toBe(statusOf(question, result));
        expect(compareAims(valuesOf(question, result), best, AIM_TOLERANCE)).toBe(0);
      }),
      { seed: 20261124, numRuns: runsOf(360) },
    );
  });

  it('reaches them on random outings with stretches, two shooters and fixed setups', () => {
    fc.assert(
      fc.property(anyOuting, (question) => {
        const result = solve(question);
        const best = bestByEnumeration(question, AIM_TOLERANCE);
        if (best === null) return expect(result.status).toBe('impossible');
        expect(result.status).toBe(statusOf(question, result));
        expect(compareAims(valuesOf(question, result), best, AIM_TOLERANCE)).toBe(0);
      }),
      { seed: 20261125, numRuns: runsOf(520) },
    );
  }, 400_000);

  it('reaches them close by, with lenses of which nobody knows how near they focus', () => {
    let doubtful = 0;
    fc.assert(
      fc.property(closeBy, (question) => {
        const best = bestByEnumeration(question, AIM_TOLERANCE);
        const result = solve(question);
        if (best === null) return expect(result.status).toBe('impossible');
        const [, , , , restsOnFocus = 0] = best;
        doubtful += Number(restsOnFocus > 0);
        expect(compareAims(valuesOf(question, result), best, AIM_TOLERANCE)).toBe(0);
      }),
      { seed: 20261130, numRuns: runsOf(400) },
    );
    expect(doubtful).toBeGreaterThan(5);
  }, 400_000);

  it('never gets worse by a lens added', () => {
    fc.assert(
      fc.property(anyQuestion(4), anyLens('extra'), (question, extra) => {
        const before = solve(question);
        const more = {
          ...question,
          shelf: { ...question.shelf, lenses: [...question.shelf.lenses, extra] },
        };
        const after = solve(more);
        if (before.status === 'impossible') return;
        expect(
          compareAims(valuesOf(more, after), valuesOf(question, before), AIM_TOLERANCE),
        ).toBeLessThanOrEqual(0);
      }),
      { seed: 7, numRuns: 100 },
    );
  });

  it('does not depend on the order of the shelf or of the frames', () => {
    fc.assert(
      fc.property(anyQuestion(), (question) => {
        const turned = {
          ...question,
          frames: [...question.frames].reverse(),
          shelf: { ...question.shelf, lenses: [...question.shelf.lenses].reverse() },
        };
        expect(solve(turned).lineup).toEqual(solve(question).lineup);
      }),
      { seed: 11, numRuns: 60 },
    );
  });
});

describe('the proof', () => {
  /**
   * Knows nothing of the solver, segments or candidates: every lens that makes a witness's place with any
   * setup, body and hand that there is must be named, and none may be named by two witnesses.
   */
  function checkWitnesses(question: LineupQuestion, result: LineupResult) {
    if (result.proof.kind === 'none') return;
    const { items, setups } = selectable(question.shelf, question.limits);
    const seen = new Set(items.filter((p) => p.lockedIn).map((p) => p.id));
    let bound = items.filter((p) => p.lockedIn && p.kind === 'lens').length;
    for (const witness of result.proof.witnesses) {
      const frame = question.frames.find((f) => f.id === witness.frameId)!;
      const covered = witness.places.flatMap(({ stretchId, range }) => {
        const stretch = question.stretches.find((s) => s.id === stretchId);
        const places = [...frame.views, ...frame.standpoints];
        const views = places.map(({ fromM, toM }) => ({ ...frame.need, fromM, toM }));
        const sealed = frame.special.sealed || stretch?.weather.includes('wet');
        const light = {
          ...frame.light,
          ...(stretch?.allowed.flash === false ? { flash: null } : {}),
          ...(stretch?.allowed.support === false ? { support: 'hand' } : {}),
        };
        return [frame.need, ...views].flatMap((need) => {
          const special = { ...frame.special, sealed };
          const there = { ...frame, need, light, special } as Frame;
          return setups.filter((s) => makes(s, there, (range.from + range.to) / 2, question));
        });
      });
      const lensIds = new Set<string>(covered.map((s) => s.lensId));
      for (const id of witness.lensIds) expect(seen.has(id)).toBe(false);
      if (question.stretches.length === 0)
        expect([...witness.lensIds].sort()).toEqual([...lensIds].sort());
      else for (const id of witness.lensIds) expect(lensIds.has(id)).toBe(true);
      witness.lensIds.forEach((id) => seen.add(id));
      bound += witness.lenses;
    }
    expect(result.proof.bound).toBe(bound);
    if (result.proof.kind === 'witnesses') expect(bound).toBe(result.totals.lenses);
  }

  function makes(setup: Setup, frame: Frame, middle: number, question: LineupQuestion): boolean {
    const positions = coveredPositions(setup, frame, question.limits);
    if (footingOf(frame.need) === 'held') return containsPoint(positions, middle);
    return footingOf(frame.need) === 'free'
      ? positions.length > 0
      : covers(positions, needAxis(frame.need).range);
  }

  it('holds for an independent checker on random outings with stretches', () => {
    fc.assert(
      fc.property(anyOuting, (question) => checkWitnesses(question, solve(question))),
      { seed: 17, numRuns: 150 },
    );
  });

  it('holds for an independent checker on random outings', () => {
    fc.assert(
      fc.property(anyQuestion(), (question) => checkWitnesses(question, solve(question))),
      { seed: 3, numRuns: 120 },
    );
  });

  it('finds witnesses where zooms must meet end to end', () => {
    const lenses = [
      aLens('wide', 16, 35, 2.8),
      aLens('mid', 24, 70, 2.8),
      aLens('tele', 70, 200, 2.8),
    ];
    const frames = [
      focalFrame('hall', 18, 18, 'free'),
      focalFrame('range', 24, 70, 'held'),
      focalFrame('stage', 150, 200, 'held'),
    ];
    const result = ask({ shelf: aShelf(lenses), frames, limits: someLimits() });
    expect(result.lineup.lensIds).toEqual(['mid', 'tele', 'wide']);
    expect(result.proof).toMatchObject({ kind: 'witnesses', bound: 3, lockedIn: 0 });
  });

  it('says exact search where each pair of pictures shares a lens but no lens makes three', () => {
    const lenses = [aLens('ab', 20, 50, 4), aLens('bc', 20, 40, 2), aLens('ca', 30, 50, 2)];
    const dark = lightOf(5, { longestTimeS: 1 / 500 });
    const frames = [
      focalFrame('a', 50, 50, 'free'),
      focalFrame('b', 20, 20, 'free'),
      focalFrame('c', 35, 35, 'free', { light: dark }),
    ];
    const result = ask({ shelf: aShelf(lenses), frames, limits: someLimits() });
    expect(result.totals.lenses).toBe(2);
    expect(result.proof).toMatchObject({ kind: 'search', bound: 1 });
    checkWitnesses(aQuestion({ shelf: aShelf(lenses), frames }), result);
  });
});

describe('the aims in their order', () => {
  const zoom = aLens('zoom', 24, 105, 4, { weightG: 700 });
  const light = aLens('light', 24, 105, 4, { weightG: 400 });
  const tele = aLens('tele', 300, 300, 4, { weightG: 1500 });

  it('takes the lighter of two that do the same, and the heavier before one of unknown weight', () => {
    const frames = [focalFrame('f', 24, 105, 'held')];
    const unknown = aLens('a-unknown', 24, 105, 4, { weightG: null });
    expect(
      ask({ shelf: aShelf([zoom, light, unknown]), frames, limits: someLimits() }).lineup.lensIds,
    ).toEqual(['light']);
    expect(
      ask({ shelf: aShelf([zoom, unknown]), frames, limits: someLimits() }).lineup.lensIds,
    ).toEqual(['zoom']);
  });

  it('lets a piece in for a want only when it earns its share', () => {
    const frames = [
      focalFrame('base', 50, 50, 'free', { want: 'want', sharePercent: 96 }),
      focalFrame('far', 300, 300, 'free', { want: 'want', sharePercent: 4 }),
    ];
    const at = (wantRatePercent: number) =>
      ask({ shelf: aShelf([zoom, tele]), frames, limits: someLimits({ wantRatePercent }) });
    expect(at(5).lineup.lensIds).toEqual(['zoom']);
    expect(at(5).lensesOut).toMatchObject([
      { lensId: 'tele', reason: 'earns-too-little', wouldAdd: ['far'] },
    ]);
    expect(at(3).lineup.lensIds).toEqual(['tele', 'zoom']);
    expect(at(0).lineup.lensIds).toEqual(['tele', 'zoom']);
  });

  it('never brings a lens in for a bonus, and always for a must', () => {
    const far = (want: string) => [
      focalFrame('base', 50, 50, 'free'),
      focalFrame('far', 300, 300, 'free', { want }),
    ];
    const bonus = ask({
      shelf: aShelf([zoom, tele]),
      frames: far('bonus'),
      limits: someLimits(),
    });
    expect(bonus.lineup.lensIds).toEqual(['zoom']);
    expect(bonus.lensesOut).toMatchObject([{ reason: 'bonus-only' }]);
    expect(
      ask({
        shelf: aShelf([zoom, tele]),
        frames: far('must'),
        limits: someLimits({ wantRatePercent: 100 }),
      }).totals.lenses,
    ).toBe(2);
  });

  it('counts a converter as the person says', () => {
    const short = aLens('short', 200, 200, 2.8, { weightG: 900 });
    const long = aLens('long', 400, 400, 5.6, { weightG: 900 });
    const doubler = aConverter('x2', 2, ['short']);
    const frames = [focalFrame('near', 200, 200, 'free'), focalFrame('far', 400, 400, 'free')];
    const at = (converterItems: number) =>
      ask({
        shelf: aShelf([short, long], [doubler]),
        frames,
        limits: someLimits({ converterPieces: converterItems }),
      });
    expect(at(0.5)).toMatchObject({
      lineup: { lensIds: ['short'], converterIds: ['x2'] },
      totals: { pieces: 1.5, lenses: 1 },
    });
    expect(at(2).lineup).toMatchObject({ lensIds: ['long', 'short'], converterIds: [] });
  });
});

describe('limits', () => {
  const lenses = [
    aLens('wide', 16, 35, 4, { weightG: 400 }),
    aLens('mid', 24, 70, 4, { weightG: 800 }),
    aLens('tele', 70, 300, 5.6, { weightG: 1500, ownership: 'wished' }),
  ];
  const frames = [
    focalFrame('a', 18, 18, 'free'),
    focalFrame('b', 50, 50, 'free'),
    focalFrame('c', 200, 200, 'free'),
  ];

  it('keeps to the number of lenses and names what is lost', () => {
    const result = ask({
      shelf: aShelf(lenses),
      frames,
      limits: someLimits({ maxLenses: 1, sources: ['owned', 'wished'] }),
    });
    expect(result.totals).toMatchObject({ lenses: 1, musts: { got: 1, of: 3 } });
    expect(result.lensesOut.find((l) => l.lensId === 'tele')?.reason).toBe('limit');
  });

  it('leaves wished gear out and says so', () => {
    const result = ask({ shelf: aShelf(lenses), frames, limits: someLimits() });
    expect(result.lineup.lensIds).toEqual(['mid', 'wide']);
    expect(result.lensesOut.find((l) => l.lensId === 'tele')?.reason).toBe('source');
    expect(result.frames.find((f) => f.frameId === 'c')).toMatchObject({
      state: 'lost',
      impossible: [{ from: 200, to: 200 }],
      nearest: { shortfall: { code: 'not-long-enough' } },
    });
  });

  it('weighs a lens of unknown weight as usual for its kind, and names it where weight is limited', () => {
    const odd = aLens('odd', 70, 300, 5.6, { weightG: null });
    const within = (maxLineupWeightG: number) =>
      ask({
        shelf: aShelf([...lenses, odd]),
        frames,
        limits: someLimits({ maxLineupWeightG, sources: ['owned'] }),
      });
    const light = within(400);
    expect(light.lineup.lensIds).not.toContain('odd');
    const heavy = within(5000);
    expect(heavy.lineup.lensIds).toContain('odd');
    expect(heavy).toMatchObject({ status: 'unverified', totals: { weightUnknown: ['odd'] } });
    expect(heavy.notes).toContainEqual({ code: 'weight-unknown', ids: ['odd'] });
  });

  it('names locks and limits that cannot be met together', () => {
    const result = ask({
      shelf: aShelf(lenses),
      frames,
      limits: someLimits({ maxLenses: 1, maxLineupWeightG: 1000, lockedIn: ['wide', 'mid'] }),
    });
    expect(result.status).toBe('impossible');
    expect(result.conflict?.members).toEqual([
      { kind: 'lockedIn', ids: ['mid', 'wide'] },
      { kind: 'maxLenses', allowed: 1, needed: 2 },
    ]);
  });
});

describe('what a place allows', () => {
  const lenses = [
    aLens('slow', 50, 50, 8, { weightG: 100 }),
    aLens('fast', 50, 50, 2, { weightG: 900 }),
  ];
  const dim = (change: object) =>
    focalFrame('f', 50, 50, 'free', {
      light: lightOf(5, { isoCeiling: 1600, longestTimeS: 1 / 30, ...change }),
    });
  const takenWith = (allowed: Partial<Stretch['allowed']>, light: object) => {
    const stretch = aStretch('s', { allowed: { ...PLAIN_STRETCH.allowed, ...allowed } });
    const result = ask({ shelf: aShelf(lenses), frames: [dim(light)], stretches: [stretch] });
    return result.lineup.lensIds;
  };

  it('lets a slow lens do by flash, or on support, only where they are allowed', () => {
    const flash = { flash: { guideNumberM: 100 }, longestTimeS: 1 / 60 };
    const person = personFrame('f', 5, 5, 'free', {
      light: lightOf(2, { ...flash, isoCeiling: 400 }),
    });
    const byFlash = (allowed: boolean) =>
      ask({
        shelf: aShelf(lenses),
        frames: [person],
        stretches: [aStretch('s', { allowed: { flash: allowed, support: true, bags: true } })],
      }).lineup.lensIds;
    expect(byFlash(true)).toEqual(['slow']);
    expect(byFlash(false)).toEqual([]);
    const still = { longestTimeS: 8, support: 'support' };
    expect(takenWith({}, still)).toEqual(['slow']);
    expect(takenWith({ support: false }, still)).toEqual(['fast']);
  });

  it('leaves one setup a body where no bag is let in', () => {
    const two = [focalFrame('a', 50, 50, 'free'), focalFrame('b', 85, 85, 'free')];
    const shelf = aShelf([aLens('x', 50, 50, 2), aLens('y', 85, 85, 2)]);
    const got = (bags: boolean) =>
      ask({
        shelf,
        frames: two,
        stretches: [aStretch('s', { allowed: { flash: true, support: true, bags } })],
      }).totals.musts.got;
    expect([got(true), got(false)]).toEqual([2, 1]);
  });
});

describe('awkward outings', () => {
  it('covers twice in one hand what another hand cannot hold', () => {
    const unknown = { weightG: null };
    const stretches = [
      aStretch('s', {
        changes: false,
        hands: [
          { shooterId: 'one', bodyIds: [], bodies: null, maxWeightG: 3000 },
          { shooterId: 'two', bodyIds: [], bodies: null, maxWeightG: null },
        ],
      }),
    ];
    const result = ask({
      outing: {
        shooters: ['one', 'two'].map((id) => ({
          id: shooterId.parse(id),
          name: id,
          placed: false,
        })),
      },
      stretches,
      shelf: aShelf(
        [aLens('a', 50, 50, 2, unknown), aLens('b', 50, 50, 2, unknown)],
        [],
        [aBody({ id: 'b1' }), aBody({ id: 'b2' })],
      ),
      frames: [focalFrame('f', 50, 50, 'free', { twice: { by: 'bodies' } })],
    });
    expect(result.lineup.lensIds).toEqual(['a', 'b']);
    expect(result.totals.musts).toEqual({ got: 1, once: 0, of: 1 });
  });

  it('answers without frames, without lenses, and without bodies', () => {
    const frames = [focalFrame('a', 50, 50, 'free')];
    expect(
      ask({ shelf: aShelf([aLens('l', 50, 50, 2)]), frames: [], limits: someLimits() }),
    ).toMatchObject({ status: 'proven', totals: { lenses: 0 }, notes: [{ code: 'no-frames' }] });
    expect(ask({ shelf: aShelf([]), frames, limits: someLimits() })).toMatchObject({
      status: 'proven',
      totals: { lenses: 0, musts: { got: 0, of: 1 } },
      notes: [{ code: 'no-lenses' }],
    });
    expect(
      ask({ shelf: aShelf([aLens('l', 50, 50, 2)], [], []), frames, limits: someLimits() }).notes,
    ).toEqual([{ code: 'no-bodies' }]);
  });

  it('does not mount a lens on a mount that it does not fit, unless the mount accepts it', () => {
    const other = aLens('other', 50, 50, 2, { mount: 'X' });
    const frames = [focalFrame('a', 50, 50, 'free')];
    expect(ask({ shelf: aShelf([other]), frames, limits: someLimits() }).lensesOut[0]?.reason).toBe(
      'no-body',
    );
    const accepting = { ...aShelf([other]), mounts: [{ name: 'M', accepts: ['X'] }] };
    expect(ask({ shelf: accepting, frames, limits: someLimits() }).totals.musts.got).toBe(1);
  });

  it('covers a held range by lenses that take turns, a flowing one only by one', () => {
    const two = [aLens('near', 35, 85, 2.8), aLens('far', 85, 200, 2.8)];
    const held = ask({
      shelf: aShelf(two),
      frames: [personFrame('p', 4, 20, 'held')],
      limits: someLimits(),
    });
    expect(held).toMatchObject({
      totals: { lenses: 2, musts: { got: 1 } },
      lineup: { lensIds: ['far', 'near'] },
    });
    const flowing = ask({
      shelf: aShelf(two),
      frames: [personFrame('p', 4, 20, 'flowing')],
      limits: someLimits(),
    });
    expect(flowing.totals.musts.got).toBe(0);
  });

  it('uses the part of the sensor that a small image circle fills', () => {
    const [setup] = mountableSetups(
      aShelf([aLens('small', 30, 30, 2, { imageCircleMm: 21.6333 })], [], [aBody()]),
    );
    expect(setup?.sensor.widthMm).toBeCloseTo(18, 3);
    expect(setup?.pixels?.longPx).toBeCloseTo(3000, 0);
  });
});

describe('when time runs out', () => {
  it('gives the best found with its bound, and does not call it proven', () => {
    const lenses = [aLens('a', 24, 70, 4), aLens('b', 70, 200, 4)];
    const frames = [focalFrame('f', 28, 180, 'held')];
    const question = aQuestion({ shelf: aShelf(lenses), frames });
    const slow: MipSolver = {
      name: 'never ready',
      open: (model) => ({
        ...stub,
        minimise: () => ({
          kind: 'time-limit',
          values: model.lower.map(() => 1),
          objective: -1,
          bound: -2,
        }),
      }),
    };
    const result = solveLineup(slow, question, { timeLimitS: 30, now: () => 0 });
    expect(result).toMatchObject({
      status: 'best-found',
      open: { aim: 'weight', value: 1000, bound: 999 },
      lineup: { lensIds: ['a', 'b'] },
    });
    expect(result.open!.value).toBeGreaterThan(result.open!.bound);
    const late = solveLineup(slow, question, { timeLimitS: 0, now: () => 0 });
    expect(late).toMatchObject({
      status: 'best-found',
      open: { aim: 'musts', value: 1, bound: 0 },
      lineup: { lensIds: [] },
    });
  });

  it('claims nothing that a cut search has not shown, wherever it is cut', async () => {
    const highs = await loadHighsSolver();
    const frames = [
      focalFrame('near', 28, 60, 'held'),
      focalFrame('far', 80, 180, 'held'),
      focalFrame('farther', 250, 400, 'held'),
    ];
    const lenses = [
      aLens('a', 24, 70, 4),
      aLens('b', 70, 200, 4),
      aLens('c', 200, 400, 5.6),
      aLens('d', 24, 200, 6.3),
    ];
    const question = aQuestion({
      shelf: aShelf(lenses),
      frames,
      limits: someLimits({ maxLenses: 1 }),
    });
    const whole = solveWith(highs, question);
    let searches = 0;
    const cutAfter = (most: number): MipSolver => ({
      ...highs,
      open: (model) => {
        const session = highs.open(model);
        const cut = { kind: 'time-limit', values: null, objective: Infinity, bound: -9e9 } as const;
        return sessionWith(session, {
          minimise: (costs, limit) =>
            (searches += 1) > most ? cut : session.minimise(costs, limit),
        });
      },
    });
    solveWith(cutAfter(Infinity), question);
    const all = searches;
    expect(all).toBeGreaterThan(10);
    for (let most = 0; most < all; most += 1) {
      searches = 0;
      const result = solveWith(cutAfter(most), question);
      if (result.open) expect(result.open.value).toBeGreaterThan(result.open.bound);
      else expect(result.lineup).toEqual(whole.lineup);
      if (result.status === 'proven') expect(result.totals).toEqual(whole.totals);
      for (const { lensId, onlyIt } of result.lensesIn)
        if (onlyIt !== null && result.open === null)
          expect(onlyIt).toEqual(whole.lensesIn.find((l) => l.lensId === lensId)?.onlyIt);
      if (result.conflict !== null) expect(result.conflict).toEqual(whole.conflict);
      const cut = result.notes.some((n) => n.code === 'reasons-cut');
      expect(cut || JSON.stringify(result.frames) === JSON.stringify(whole.frames)).toBe(true);
    }
  });
});

const stub = {
  hold: () => undefined,
  addRow: () => undefined,
  boundRow: () => undefined,
  conflictingRows: () => null,
  close: () => undefined,
};
