import fc from 'fast-check';
import { DEFAULT_PACKING, type Frame } from '@/core/brief';
import { carryAnswer, framesAsPlanned } from '@/core/carry';
import { verdictOn } from '@/core/coverage';
import { mountableSetups } from '@/core/gear';
import { subtract, union } from '@/core/intervals';
import type { LineupQuestion } from '@/core/lineup';
import { anyQuestion } from '../../../../tests/support/arbitraries';
import {
  aLens,
  aQuestion,
  aShelf,
  focalFrame,
  lightOf,
  personFrame,
  someLimits,
} from '../../../../tests/support/gear';
import { runsOf } from '../../../../tests/support/runs';
import { solveWith } from '../../../../tests/support/solve';
import { loadHighsSolver } from '@/solver';
import { howWrong, mostFragile } from './howWrong';
import { AS_DESCRIBED, type Change, changed, turnsOut, wouldGet } from './lineupAtHand';

/** A lineup of some lenses and all that goes behind them, everything at hand. */
const lineupOf = ({ shelf, frames }: LineupQuestion, lenses = shelf.lenses) => ({
  lineup: {
    lensIds: lenses.map((l) => l.id),
    converterIds: shelf.converters.map((c) => c.id),
    tubeIds: shelf.tubes.map((t) => t.id),
    adapterIds: shelf.adapters.map((a) => a.id),
  },
  bodies: shelf.bodies.map((b) => b.id),
  hands: [],
  frames: frames.map((f) => ({ frameId: f.id, state: 'clear' }) as never),
});

/** A frame as it would have been typed, had it been known how it turns out. */
const typed = (frame: Frame, { stopsLess, distance, speed }: Change): Frame => {
  const f = structuredClone(frame) as unknown as {
    need: { kind: string; fromM: number; toM: number };
    light: { source: { kind: string; ev100: number }; movement: { speedMps: number } | null };
    depth: { sharp: { kind: string; fromM: number; toM: number | null } | null };
  };
  const { need, light, depth } = f;
  for (const range of [need.kind === 'subject' ? need : null, depth.sharp])
    if (range && (range === need || depth.sharp?.kind === 'zone')) {
      range.fromM *= distance;
      if (range.toM !== null) range.toM *= distance;
    }
  if (light.source.kind === 'ev') light.source.ev100 -= stopsLess;
  if (light.movement) light.movement.speedMps *= speed;
  return f as unknown as Frame;
};

/** Whether the whole shelf gets a frame, by verdicts alone. */
const isGotBy = (question: LineupQuestion) => {
  const setups = mountableSetups(question.shelf);
  return (frame: Frame) => {
    const verdicts = setups.map((s) => verdictOn(s, frame, question.limits));
    if (verdicts.some((v) => v.got)) return true;
    const { need } = frame;
    if (!('footing' in need) || need.footing !== 'held') return false;
    const { range } = verdicts[0]!.axis;
    const left = subtract([range], union(verdicts.flatMap((v) => v.covered)));
    return range.to > range.from && left.length === 0;
  };
};

const OUTING = { shooters: [], currency: 'EUR' };
const BETWEEN = [0.05, 0.25, 0.5, 0.75, 0.9, 0.99, 0.999];
const FARTHEST = { darker: 15, nearer: 1 / 8, farther: 8, faster: 64 };

describe('how wrong a picture may be', () => {
  it('is what stepping through it finds, on random pictures', () => {
    fc.assert(
      fc.property(anyQuestion(4), (question) => {
        const isGot = isGotBy(question);
        const told = howWrong(question, lineupOf(question)).frames;
        const got = question.frames.filter((f) => isGot(f));
        expect(told.map((h) => h.frameId)).toEqual(got.map((f) => f.id));
        got.forEach((frame, i) => {
          for (const way of ['darker', 'nearer', 'farther', 'faster'] as const) {
            const slack = told[i]!.slacks.find((s) => s.way === way);
            const at = (share: number): Change => {
              if (way === 'darker') {
                const most = slack?.holds.stopsLess ?? FARTHEST.darker;
                return { ...AS_DESCRIBED, stopsLess: most * share };
              }
              const key = way === 'faster' ? 'speed' : 'distance';
              const most = slack?.holds[key] ?? FARTHEST[way];
              return { ...AS_DESCRIBED, [key]: most ** share };
            };
            for (const share of BETWEEN) expect(isGot(typed(frame, at(share)))).toBe(true);
            if (!slack) continue;
            const beyond = { darker: 1e-6, nearer: -1e-6, farther: 1e-6, faster: 1e-6 }[way];
            const { stopsLess, distance, speed } = slack.holds;
            const isDistance = way === 'nearer' || way === 'farther';
            const lost = {
              stopsLess: stopsLess + (way === 'darker' ? beyond : 0),
              distance: distance * (isDistance ? 1 + beyond : 1),
              speed: speed * (way === 'faster' ? 1 + beyond : 1),
            };
            expect(isGot(typed(frame, lost))).toBe(false);
          }
        });
      }),
      { numRuns: runsOf(4000, 40), seed: 20261130 },
    );
  });

  // By hand: f/4 and 1/250 s at ISO 6400 take log2(16 · 250) - 6 = 5.97 EV, a tenth of a stop tolerated.
  const limits = someLimits({ isoCeiling: 6400, maxCrop: 1 });
  const dance = focalFrame('dance', 50, 100, 'held', {
    light: lightOf(6, { longestTimeS: 1 / 250, support: 'support' }),
  });
  const lenses = [
    aLens('slow', 24, 400, 4, { weightG: 500 }),
    aLens('fast', 85, 85, 1.4),
    aLens('zoom', 24, 200, 2, { weightG: 900 }),
  ];
  const question = aQuestion({ shelf: aShelf(lenses), frames: [dance], limits });
  const lineup = lineupOf(question, lenses.slice(0, 1));

  it('is told in stops of light', () => {
    const [slack] = howWrong(question, lineup).frames[0]!.slacks;
    expect(slack?.way).toBe('darker');
    expect(slack?.holds.stopsLess).toBeCloseTo(6 - Math.log2(16 * 250) + 6 + 0.1, 6);
  });

  it('names the lenses that would get it then', () => {
    const dark = changed(dance, { ...AS_DESCRIBED, stopsLess: 1 });
    expect(wouldGet(question, lineup, dark)).toEqual(['zoom']);
    expect(wouldGet(question, lineup, dance)).toEqual([]);
  });

  it('puts first what is lost first, and leaves out what never is', () => {
    const easy = personFrame('easy', 4, 8, 'held', { light: lightOf(14, { support: 'support' }) });
    const two = aQuestion({ shelf: aShelf(lenses), frames: [easy, dance], limits });
    const lineup = lineupOf(two, lenses.slice(0, 1));
    const all = howWrong(two, lineup);
    const [first] = mostFragile(two, lineup, all, 3);
    expect(first).toMatchObject({ frameId: 'dance', slack: { way: 'darker' }, instead: ['zoom'] });
    expect(all.frames[0]!.slacks.map((s) => s.way).toSorted()).toEqual(['farther', 'nearer']);
    expect(howWrong(two, lineup, () => false)).toEqual({ frames: [], complete: false });
  });

  it('names what would get it also where it is held with nothing to spare', () => {
    // In focus from 1 m on and wanted from 1 m on: lost as soon as it is nearer.
    const near = personFrame('near', 1, 2, 'held');
    const at1m = aLens('at1m', 8, 100, 4, { minFocusM: 1 });
    const shelf = aShelf([at1m, aLens('closer', 6, 100, 4, { minFocusM: 0.3 })]);
    const two = aQuestion({ shelf, frames: [near], limits });
    const alone = lineupOf(two, [at1m]);
    const [first] = mostFragile(two, alone, howWrong(two, alone), 1);
    expect(first).toMatchObject({
      slack: { way: 'nearer', holds: { distance: 1 }, usualErrors: 0 },
      instead: ['closer'],
    });
  });

  it('is asked of one change at a time: what is lacking, and what would get it', () => {
    const dark = { ...AS_DESCRIBED, stopsLess: 1 };
    expect(turnsOut(question, lineup, dance, AS_DESCRIBED).got).toBe(true);
    expect(turnsOut(question, lineup, dance, dark)).toMatchObject({
      got: false,
      shortfall: { code: 'too-slow' },
      instead: ['zoom'],
    });
  });

  it('is held in reserve by a lineup that is chosen so, proven', async () => {
    const reserve = { lightStops: 1, distancePercent: 0 };
    const careful = { ...question, limits: { ...limits, reserve } };
    const solver = await loadHighsSolver();
    expect(solveWith(solver, question).lineup.lensIds).toEqual(['slow']);
    const held = solveWith(solver, careful);
    expect(held).toMatchObject({ status: 'proven', lineup: { lensIds: ['zoom'] } });
    const [slack] = howWrong(careful, held).frames[0]!.slacks;
    expect(slack!.holds.stopsLess).toBeGreaterThan(1);
  });

  it('is not held where nothing could: such a picture is asked for as it is described', async () => {
    const night = focalFrame('night', 50, 50, 'held', {
      light: lightOf(3.5, { longestTimeS: 1 / 250, support: 'support' }),
    });
    // By hand: f/1.4 and 1/250 s at ISO 6400 take log2(1.96 · 250) - 6 = 2.94 EV, a tenth of a stop tolerated.
    const two = aQuestion({
      shelf: aShelf([...lenses, aLens('night', 50, 50, 1.4)]),
      frames: [dance, night],
      limits: { ...limits, reserve: { lightStops: 1, distancePercent: 0 } },
    });
    const solver = await loadHighsSolver();
    const result = solveWith(solver, two);
    expect(result.totals.musts).toMatchObject({ got: 2, of: 2 });
    expect(result.notes).toContainEqual({ code: 'reserve-impossible', ids: ['night'] });
    const { plan } = carryAnswer({ ...two, outing: OUTING, packing: DEFAULT_PACKING }, result);
    expect(plan.unplanned).toEqual([]);
    const covers = framesAsPlanned(two, result.frames, plan).map((f) => f.covers[0]?.lensId);
    expect(covers).toEqual(['zoom', 'night']);
  });
});
