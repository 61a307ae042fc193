import fc from 'fast-check';
import type { Frame } from '@/core/brief';
import {
  problemOf,
  type LimitConflict,
  type LineupQuestion,
  type LineupResult,
  type MipSolver,
  presolve,
  selectable,
} from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { anyOuting, anyOutingOf } from '../../../tests/support/arbitraries';
import { aimValues, compareAims } from '../../../tests/support/enumerate';
import { solveWith, takenOf } from '../../../tests/support/solve';
import { runsOf } from '../../../tests/support/runs';
import {
  aLens,
  aQuestion,
  aShelf,
  aStretch,
  focalFrame,
  someLimits,
} from '../../../tests/support/gear';

import { choose } from './solve/choose';

/** Changes to an outing of which the answer's change is known without knowing the answer. */

let solver: MipSolver;
beforeAll(async () => {
  solver = await loadHighsSolver();
});

const solve = (question: LineupQuestion) => solveWith(solver, question);

describe('the answer', () => {
  it('is as good by every aim as with no lens left out of the model beforehand', () => {
    let [left, all] = [0, 0];
    fc.assert(
      fc.property(anyOutingOf(12), (question) => {
        const problem = problemOf(question);
        const valuesOf = (keepAll: boolean) => {
          const presolved = presolve(problem, { keepAll });
          if (keepAll) all += presolved.items.length;
          else left += presolved.items.length;
          // The order of names goes by places among what is left.
          const values = choose(solver, problem, presolved, 30)?.values ?? [];
          return new Map(
            values.flatMap(({ aim, value }) => (aim === 'order' ? [] : [[aim, value]])),
          );
        };
        const whole = valuesOf(true);
        for (const [aim, value] of valuesOf(false))
          expect(value).toBeCloseTo(whole.get(aim) ?? 0, 3);
      }),
      { seed: 42, numRuns: runsOf(150) },
    );
    expect(left).toBeLessThan(all * 0.8);
  });

  it('does not depend on the order of shelf, frames, stretches within reason, or on names', () => {
    fc.assert(
      fc.property(anyOuting, (question) => {
        const { shelf } = question;
        const turned: LineupQuestion = {
          ...question,
          frames: [...question.frames].reverse().map((f) => ({ ...f, name: `another ${f.name}` })),
          shelf: {
            ...shelf,
            lenses: [...shelf.lenses].reverse().map((l) => ({ ...l, name: 'same name' })),
            bodies: [...shelf.bodies].reverse(),
          },
        };
        expect(solve(turned).lineup).toEqual(solve(question).lineup);
      }),
      { seed: 41, numRuns: runsOf(60) },
    );
  });

  it('stays the same when all sizes and distances grow alike, far from closest focus', () => {
    fc.assert(
      fc.property(anyOuting, fc.constantFrom(2, 10), (asked, times) => {
        const plain = {
          ...asked,
          frames: asked.frames.map((f) => farOff(f)),
          shelf: { ...asked.shelf, tubes: [], lenses: asked.shelf.lenses.map(freeFocus) },
        };
        const grown = { ...plain, frames: plain.frames.map((f) => grow(f, times)) };
        expect(solve(grown).lineup).toEqual(solve(plain).lineup);
      }),
      { seed: 43, numRuns: runsOf(60) },
    );
  });

  it('stays as good when a lens is added that another beats in everything', () => {
    fc.assert(
      fc.property(anyOuting, (question) => {
        const before = solve(question);
        fc.pre(before.status === 'proven');
        const [model] = question.shelf.lenses;
        const worse = {
          ...model!,
          id: 'worse' as never,
          ownership: 'owned' as const,
          weightG: (model!.weightG ?? 5000) + 1000,
          apertures: model!.apertures.map((p) => ({ ...p, fNumber: p.fNumber * 1.5 })),
        };
        const more = {
          ...question,
          shelf: { ...question.shelf, lenses: [...question.shelf.lenses, worse] },
        };
        const after = solve(more);
        const values = (r: LineupResult) => aimValues(more, takenOf(r))!;
        expect(compareAims(values(after), values(before), 1e-6)).toBeLessThanOrEqual(0);
      }),
      { seed: 45, numRuns: runsOf(60) },
    );
  });

  it('never gets worse when a limit is let go', () => {
    fc.assert(
      fc.property(anyOuting, (question) => {
        const before = solve(question);
        fc.pre(before.status === 'proven');
        const looser: LineupQuestion = {
          ...question,
          stretches: question.stretches.map((s) => ({
            ...s,
            changes: true,
            allowed: { flash: true, support: true, bags: true },
            hands: s.hands.map((h) => ({ ...h, maxWeightG: null, bodies: null })),
          })),
          limits: { ...question.limits, maxLenses: null, maxSpend: null, neverChange: false },
        };
        const after = solve(looser);
        const musts = (r: LineupResult) => r.totals.musts.got;
        expect(musts(after)).toBeGreaterThanOrEqual(musts(before));
      }),
      { seed: 47, numRuns: runsOf(80) },
    );
  });
});

/** Everything tied to real sizes taken off: what is left depends on angles alone. */
function farOff(frame: Frame): Frame {
  return {
    ...frame,
    light: { ...frame.light, movement: null, flash: null },
    depth: { sharp: null, blur: null },
    need: frame.need.kind === 'subject' ? { ...frame.need } : frame.need,
  };
}

const freeFocus = <T extends object>(lens: T): T => ({
  ...lens,
  minFocusM: null,
  maxMagnification: null,
});

function grow(frame: Frame, times: number): Frame {
  const { need } = frame;
  if (need.kind !== 'subject') return frame;
  const grown = (m: number | null) => (m === null ? null : m * times);
  return {
    ...frame,
    need: {
      ...need,
      widthM: grown(need.widthM),
      heightM: grown(need.heightM),
      fromM: need.fromM * times,
      toM: need.toM * times,
    },
    views: frame.views.map((v) => ({ ...v, fromM: v.fromM * times, toM: v.toM * times })),
  };
}

/** The limits without those that a conflict does not name: it stands without them. */
function onlyNamed(
  { limits }: LineupQuestion,
  { members }: LimitConflict,
): LineupQuestion['limits'] {
  const named = new Set<string>(members.map((m) => m.kind));
  const left = <K extends keyof LineupQuestion['limits']>(key: K) =>
    named.has(key) ? limits[key] : null;
  return {
    ...limits,
    maxLenses: left('maxLenses'),
    maxLineupWeightG: left('maxLineupWeightG'),
    maxCarriedWeightG: left('maxCarriedWeightG'),
    maxSpend: left('maxSpend'),
    lockedIn: named.has('lockedIn') ? limits.lockedIn : [],
  };
}

describe('limits that fight', () => {
  it('are named by a set of which any one given up frees the rest', () => {
    fc.assert(
      fc.property(anyOuting, (question) => {
        const { conflict } = solve(question);
        fc.pre(conflict !== null);
        for (const member of conflict!.members) {
          const frames =
            member.kind === 'frame' ? question.frames.filter((f) => f.id !== member.frameId) : null;
          if (frames === null) continue;
          const named = conflict!.members.flatMap((m) => (m.kind === 'frame' ? [m.frameId] : []));
          const kept = frames.filter((f) => named.includes(f.id));
          const rest = solve({ ...question, frames: kept, limits: onlyNamed(question, conflict!) });
          expect(rest.totals.musts.got).toBe(kept.length);
        }
      }),
      { seed: 49, numRuns: runsOf(120) },
    );
  });

  it('name a stretch without change, and what one more body would do', () => {
    const frames = [focalFrame('near', 24, 24, 'free'), focalFrame('far', 200, 200, 'free')];
    const shelf = aShelf([aLens('wide', 24, 24, 4), aLens('tele', 200, 200, 4)]);
    const stretches = [aStretch('boat', { changes: false })];
    expect(solve(aQuestion({ shelf, frames, stretches })).conflict?.members).toEqual([
      { kind: 'noChange', stretchId: 'boat', shooterId: null, allowed: 0, needed: null },
      { kind: 'frame', frameId: 'far' },
      { kind: 'frame', frameId: 'near' },
    ]);
  });

  it('say how far money would have to go', () => {
    const wished = aLens('wished', 200, 200, 4, { ownership: 'wished', priceNew: 900 });
    const limits = someLimits({ sources: ['owned', 'wished'], maxSpend: 500 });
    const result = solve(
      aQuestion({ shelf: aShelf([wished]), frames: [focalFrame('f', 200, 200, 'free')], limits }),
    );
    expect(result.conflict?.members).toEqual([
      { kind: 'maxSpend', allowed: 500, needed: 900 },
      { kind: 'frame', frameId: 'f' },
    ]);
    expect(selectable(aShelf([wished]), limits).items).toHaveLength(1);
  });
});
