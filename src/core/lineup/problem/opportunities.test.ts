import fc from 'fast-check';
import { type Frame, PLAIN_STRETCH, shooterId, type Stretch, stretchId } from '@/core/brief';
import { anyOuting } from '../../../../tests/support/arbitraries';
import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  lightOf,
  personFrame,
} from '../../../../tests/support/gear';
import { assignmentsOf } from './assignments';
import { framesThere, opportunitiesOf } from './opportunities';

const BODIES = [aBody({ id: 'b1' }), aBody({ id: 'b2' })];
const LIT = { flash: { guideNumberM: 40 }, support: 'support' };
const lit = personFrame('f', 3, 6, 'free', { light: lightOf(3, LIT) });
const SHOOTERS = ['one', 'two'].map((id) => ({ id: shooterId.parse(id), name: id, placed: false }));
const presenceOf = (id: string, change: object = {}) => ({
  shooterId: id,
  bodyIds: [],
  bodies: null,
  maxWeightG: null,
  ...change,
});

const question = (stretches: readonly Stretch[], frame: Frame = lit) =>
  aQuestion({
    outing: { shooters: SHOOTERS },
    stretches: [...stretches],
    frames: [frame],
    shelf: aShelf([aLens('l', 24, 70, 4)], [], BODIES),
  });
const opportunities = (stretches: readonly Stretch[], frame: Frame = lit) =>
  opportunitiesOf(frame, assignmentsOf(question(stretches, frame), BODIES));
const allowing = (change: Partial<Stretch['allowed']>) => ({
  allowed: { ...PLAIN_STRETCH.allowed, ...change },
});

describe('the occasions of a frame', () => {
  it('are one without stretches, and the frame itself', () => {
    const [only, ...others] = opportunities([]);
    expect(others).toEqual([]);
    expect(only).toMatchObject({ stretchId: null, frameId: 'f' });
    expect(only?.frame).toBe(lit);
  });

  it('are asked as the place has it: sealed in the wet, without flash or support', () => {
    const wet = opportunities([aStretch('s', { weather: ['wet'] })])[0]?.frame;
    expect(wet?.special.sealed).toBe(true);
    expect(wet?.light).toBe(lit.light);
    const dark = opportunities([aStretch('s', allowing({ flash: false }))])[0]?.frame;
    expect(dark?.light).toEqual({ ...lit.light, flash: null });
    const held = opportunities([aStretch('s', allowing({ support: false }))])[0]?.frame;
    expect(held?.light).toEqual({ ...lit.light, support: 'hand' });
    const bagless = opportunities([aStretch('s', allowing({ bags: false }))]);
    expect(bagless[0]?.frame).toBe(lit);
    expect(bagless[0]?.assignments[0]?.fixedSetups).toBe(true);
  });

  it('leave a frame as it is where nothing that it uses is barred', () => {
    const plain = focalFrame('f', 50, 50, 'free', { light: lightOf(10, { support: 'hand' }) });
    const [only] = opportunities(
      [aStretch('s', allowing({ flash: false, support: false }))],
      plain,
    );
    expect(only?.frame).toBe(plain);
  });

  it('let a stretch stand for those that offer no more, and not for one that offers more', () => {
    const names = (stretches: readonly Stretch[]) =>
      opportunities(stretches).map((o) => o.stretchId);
    expect(names([aStretch('a'), aStretch('b')])).toEqual(['a']);
    expect(names([aStretch('a'), aStretch('b', allowing({ flash: false }))])).toEqual(['a']);
    expect(names([aStretch('a', allowing({ flash: false })), aStretch('b')])).toEqual(['b']);
    const apart = [
      aStretch('a', allowing({ flash: false })),
      aStretch('b', allowing({ support: false })),
    ];
    expect(names(apart)).toEqual(['a', 'b']);
    const fewer = aStretch('b', { hands: [presenceOf('one', { bodies: 1 })] });
    expect(names([fewer, aStretch('c')])).toEqual(['c']);
  });

  it('are shared by shooters at the same distances, and not by those who stand elsewhere', () => {
    const both = aStretch('s', { hands: [presenceOf('one'), presenceOf('two')] });
    expect(opportunities([both]).map((o) => o.assignments.length)).toEqual([2]);
    const views = [{ shooterId: 'two', fromM: 20, toM: 30 }];
    const apart = opportunities([both], { ...lit, views } as Frame);
    expect(apart.map((o) => o.assignments.map((h) => h.shooterId))).toEqual([['one'], ['two']]);
    expect(apart[1]?.frame.need).toMatchObject({ fromM: 20, toM: 30 });
  });

  it('are only where and by whom the frame is asked', () => {
    const stretches = [aStretch('a', allowing({ flash: false })), aStretch('b')];
    const there = opportunities(stretches, { ...lit, stretchIds: [stretchId.parse('a')] });
    expect(there.map((o) => o.stretchId)).toEqual(['a']);
    expect(opportunities(stretches, { ...lit, shooterIds: [SHOOTERS[1]!.id] })).toEqual([]);
  });
});

describe('a frame as it is asked there', () => {
  it('comes first as it stands, where it is asked so at all', () => {
    const stretches = [
      aStretch('a', { ...allowing({ flash: false }), hands: [presenceOf('one')] }),
      aStretch('b', { hands: [presenceOf('one', { bodies: 1 })] }),
    ];
    const [first, ...others] = framesThere(lit, question(stretches), BODIES);
    expect(first).toBe(lit);
    expect(others.map((f) => f.light.flash)).toEqual([null]);
    const [excluded] = framesThere(lit, question(stretches.slice(0, 1)), BODIES);
    expect(excluded.light.flash).toBeNull();
    const nowhere = { ...lit, shooterIds: [SHOOTERS[1]!.id] };
    expect(framesThere(nowhere, question(stretches), BODIES)).toEqual([nowhere]);
  });

  it('never asks for less than the frame does', () => {
    fc.assert(
      fc.property(anyOuting, (outing) => {
        const placed = outing.outing.shooters.some((s) => s.placed);
        for (const frame of outing.frames)
          for (const there of framesThere(frame, outing, outing.shelf.bodies)) {
            expect(there.special.sealed || !frame.special.sealed).toBe(true);
            expect([null, frame.light.flash]).toContainEqual(there.light.flash);
            if (!placed) expect(['hand', frame.light.support]).toContain(there.light.support);
            expect(there.light.source).toEqual(frame.light.source);
          }
      }),
      { seed: 71, numRuns: 100 },
    );
  });
});
