import fc from 'fast-check';
import { type Frame, withReserve } from '@/core/brief';
import { type Setup, mountableSetups } from '@/core/gear';
import { subtract, union } from '@/core/intervals';
import { anyQuestion } from '../../../tests/support/arbitraries';
import { lightOf, personFrame, someLimits } from '../../../tests/support/gear';
import { runsOf } from '../../../tests/support/runs';
import { verdictOn } from './verdict';

type Subject = Extract<Frame['need'], { kind: 'subject' }>;
const needOf = (frame: Frame) => frame.need as Subject;

const isGot = (setups: readonly Setup[], frame: Frame, limits = someLimits()) => {
  const verdicts = setups.map((s) => verdictOn(s, frame, limits));
  if (verdicts.some((v) => v.got)) return true;
  const { range } = verdicts[0]!.axis;
  if (needOf(frame).footing !== 'held' || range.from === range.to) return false;
  return subtract([range], union(verdicts.flatMap((v) => v.covered))).length === 0;
};

/** A picture whose ends of distance are off by shares from -1 to 1 of the reserve, and darker by as much. */
const off = (frame: Frame, share: number, near: number, far: number, stops: number): Frame => {
  const need = needOf(frame);
  const [a, b] = [need.fromM * (1 + share * near), need.toM * (1 + share * far)];
  const source = frame.light.source;
  return {
    ...frame,
    need: { ...need, fromM: Math.min(a, b), toM: Math.max(a, b) },
    light: {
      ...frame.light,
      source: source.kind === 'ev' ? { kind: 'ev', ev100: source.ev100 - stops } : source,
    },
  };
};

const ERRORS = [-1, -0.7, -0.35, 0, 0.35, 0.7, 1];

describe('a picture with something in reserve', () => {
  it('is got exactly where the plain one is got however wrong it is within the reserve', () => {
    fc.assert(
      fc.property(
        anyQuestion(3),
        fc.constantFrom(0, 0.5, 1, 2),
        fc.constantFrom(0, 10, 25),
        ({ shelf, frames, limits }, lightStops, distancePercent) => {
          const setups = mountableSetups(shelf);
          const share = distancePercent / 100;
          const subjects = frames.filter((f) => f.need.kind === 'subject');
          // Zones at distances of their own and what comes towards the camera are judged harder than need be.
          const plain = subjects.filter(
            (f) => f.depth.sharp?.kind !== 'zone' && f.light.movement?.direction !== 'toward',
          );
          for (const frame of setups.length > 0 ? plain : []) {
            const held = isGot(setups, withReserve(frame, { lightStops, distancePercent }), limits);
            // Where ends cross, only what is as near as it is far can be meant.
            const errors = ERRORS.flatMap((near) => ERRORS.map((far) => [near, far] as const));
            const fine = Array.from({ length: 40 }, (_, i) => i / 20 - 1).map(
              (e) => [e, e] as const,
            );
            const outcomes = [...errors, ...fine].map(([near, far]) =>
              isGot(setups, off(frame, share, near, far, lightStops), limits),
            );
            if (held) expect(outcomes).not.toContain(false);
            else expect(outcomes).toContain(false);
          }
        },
      ),
      { numRuns: runsOf(300, 40), seed: 20261201 },
    );
  });

  const frame = personFrame('one', 4, 10, 'held', { light: lightOf(8) });
  const of = (change: Partial<Subject>, reserve: Parameters<typeof withReserve>[1]) =>
    withReserve({ ...frame, need: { ...needOf(frame), ...change } }, reserve);
  const tenth = { lightStops: 0, distancePercent: 10 };

  it('asks for every distance that may be, and where one is enough for those that surely are', () => {
    expect(of({}, tenth).need).toMatchObject({ fromM: 3.6, toM: 11, footing: 'held' });
    expect(of({ footing: 'free' }, tenth).need).toMatchObject({ fromM: 4.4, toM: 9 });
    expect(of({ footing: 'free', fromM: 5, toM: 5 }, tenth).need).toMatchObject({
      fromM: 4.5,
      toM: 5.5,
      footing: 'held',
    });
  });

  it('takes the light that is there for less, and a flash for what it is', () => {
    const flash = { ...frame, light: { ...frame.light, flash: { guideNumberM: 30 } } };
    const { light } = withReserve(flash, { lightStops: 1.5, distancePercent: 0 });
    expect(light).toMatchObject({
      source: { kind: 'ev', ev100: 6.5 },
      flash: { guideNumberM: 30 },
    });
  });

  it('is the same picture, as one object, where nothing is in reserve or the reserve is the same', () => {
    expect(withReserve(frame, { lightStops: 0, distancePercent: 0 })).toBe(frame);
    expect(withReserve(frame, tenth)).toBe(withReserve(frame, { ...tenth }));
  });
});
