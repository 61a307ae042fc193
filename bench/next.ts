import { frameId } from '@/core/brief';
import { lensId } from '@/core/gear';
import { deadlineIn, type MipSolver } from '@/core/lineup';
import {
  buyingPath,
  buyOnce,
  fieldOf,
  missing,
  type NextOpen,
  type NextQuestion,
  type NextRun,
} from '@/core/next';
import { numbers } from '../tests/support/numbers';
import { plainOuting } from './outings';

/** A year of made-up outings from the demo's pictures, with a dozen lenses owned and many wished. */
export function yearOf(wishes: number, outings: number, frames: number, seed = 11): NextQuestion {
  const demo = plainOuting();
  const next = numbers(seed);
  const between = (low: number, high: number) => low + (high - low) * next();
  const pick = <T>(from: readonly T[]) => from[Math.floor(next() * from.length)] as T;
  const own = demo.shelf.lenses.filter((l) => l.ownership === 'owned').slice(0, 12);
  const wished = Array.from({ length: wishes }, (_, i) => {
    const model = pick(demo.shelf.lenses);
    const scale = between(0.7, 1.6);
    return {
      ...model,
      id: lensId.parse(`wish-${i}`),
      ownership: 'wished' as const,
      weightG: Math.round(between(150, 3000)),
      priceNew: Math.round(between(100, 4000)),
      priceUsed: Math.round(between(80, 2500)),
      measured: null,
      focal: { wideMm: model.focal.wideMm * scale, longMm: model.focal.longMm * scale },
      apertures: model.apertures.map((p) => ({ ...p, focalMm: p.focalMm * scale })),
    };
  });
  const shelf = { ...demo.shelf, lenses: [...own, ...wished] };
  return {
    outings: Array.from({ length: outings }, (_, o) => ({
      id: `outing-${o}`,
      timesAYear: 1 + Math.floor(next() * 6),
      question: {
        ...demo,
        limits: { ...demo.limits, lockedIn: [], lockedOut: [] },
        stretches: demo.stretches.slice(0, 2 + (o % 3)),
        shelf: { ...shelf, lenses: own },
        frames: Array.from({ length: frames }, (_, i) => {
          const model = pick(demo.frames);
          const scale = between(0.4, 3);
          const need =
            model.need.kind === 'subject'
              ? { ...model.need, fromM: model.need.fromM * scale, toM: model.need.toM * scale }
              : model.need;
          return { ...model, need, stretchIds: [], id: frameId.parse(`frame-${i}`) };
        }),
      },
    })),
    shelf,
    neverSold: [],
    terms: { buy: 'used', resalePercent: 80 },
    after: 'money',
  };
}

type Report = (name: string, value: number, unit: string, runs: number, note: string) => void;
const RUNS = 3;

/** After one run that doesn't count. */
export function benchNext(
  solver: MipSolver,
  report: Report,
  median: (values: readonly number[]) => number,
): void {
  const field = fieldOf(yearOf(40, 10, 20));
  const now = () => performance.now();
  const run = (): NextRun => ({
    solver,
    now,
    deadline: deadlineIn(60, now),
    progress: () => undefined,
  });
  const measure = (
    name: string,
    what: string,
    work: () => { open: NextOpen | null } | null,
    over = '40 wished lenses, 10 outings of 20 pictures',
  ) => {
    const times: number[] = [];
    let found = work();
    for (let i = 0; i < RUNS; i += 1) {
      const started = now();
      found = work();
      times.push(now() - started);
    }
    const note = `${over}, ${what}; ${proof(found?.open)}`;
    report(name, median(times), 'ms', RUNS, note);
  };
  measure('next.once', '3,000 to spend', () => buyOnce(field, 3000, run()));
  const terms = { stepBudget: 1000, steps: 4, saves: true };
  measure('next.path', '4 steps of 1,000', () => buyingPath(field, terms, run()));
  measure(
    'next.kinds',
    'every kind that is made',
    () => missing(yearOf(0, 1, 20), run()),
    '1 outing of 20 pictures',
  );
}

function proof(open: NextOpen | null | undefined): string {
  if (open === undefined) return 'nothing found in 60 s';
  return open === null ? 'proven' : `${open.goal}: ${open.value}, bound ${open.bound}`;
}
