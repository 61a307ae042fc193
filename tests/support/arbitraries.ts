import fc from 'fast-check';
import { DEFAULT_LIMITS, type Frame, type Limits } from '@/core/brief';
import type { Lens, Shelf } from '@/core/gear';
import type { LineupQuestion } from '@/core/lineup';
import { aBody, aConverter, aLens, aShelf, focalFrame, personFrame } from './gear';

/** Random small outings, with every feature on. Seeds are fixed where they are used. */

const focal = fc.constantFrom(12, 16, 24, 35, 50, 70, 85, 105, 135, 200, 300, 400);
const fNumber = fc.constantFrom(1.4, 1.8, 2.8, 4, 5.6, 6.3);

export const anyLens = (id: string): fc.Arbitrary<Lens> =>
  fc
    .record({
      a: focal,
      b: focal,
      prime: fc.boolean(),
      f: fNumber,
      slower: fc.constantFrom(0, 0, 1),
      weightG: fc.option(fc.integer({ min: 100, max: 3000 }), { freq: 6 }),
      priceNew: fc.option(fc.integer({ min: 100, max: 3000 }), { freq: 6 }),
      mount: fc.constantFrom('M', 'M', 'M', 'N'),
      ownership: fc.constantFrom('owned', 'owned', 'borrowed', 'wished'),
      minFocusM: fc.option(fc.constantFrom(0.3, 0.5, 1, 2)),
      maxMagnification: fc.option(fc.constantFrom(0.1, 0.25, 1)),
      stabiliserStops: fc.option(fc.constantFrom(0, 3)),
    })
    .map(({ a, b, prime, f, slower, ...rest }) => {
      const wide = Math.min(a, b);
      const long = prime ? wide : Math.max(a, b);
      return aLens(id, wide, long, [f, f * 2 ** (slower / 2)], rest);
    });

const light = fc.record({
  ev100: fc.option(fc.constantFrom(2, 5, 8, 12)),
  isoCeiling: fc.constant(null),
  longestTimeS: fc.option(fc.constantFrom(1 / 60, 1 / 250, 1 / 1000)),
  support: fc.constantFrom('hand', 'support'),
});

const common = fc.record({
  want: fc.constantFrom('must', 'must', 'want', 'want', 'bonus'),
  sharePercent: fc.option(fc.constantFrom(2, 5, 10, 20)),
  light,
  output: fc.constantFrom({ kind: 'uncropped' }, { kind: 'pixels', longPx: 4000, shortPx: 2600 }),
});

const footing = fc.constantFrom('held', 'free', 'flowing');

export const anyFrame = (id: string): fc.Arbitrary<Frame> =>
  fc.oneof(
    fc
      .record({
        common,
        footing,
        from: fc.double({ min: 0.4, max: 60, noNaN: true }),
        times: fc.double({ min: 1, max: 5, noNaN: true }),
        orientation: fc.constantFrom('landscape', 'portrait', 'either'),
      })
      .map((r) => {
        const f = personFrame(id, r.from, r.from * r.times, r.footing, r.common);
        return { ...f, need: { ...f.need, orientation: r.orientation } as Frame['need'] };
      }),
    fc
      .record({ common, footing, a: focal, b: focal })
      .map((r) => focalFrame(id, Math.min(r.a, r.b), Math.max(r.a, r.b), r.footing, r.common)),
  );

const BODIES = [
  aBody({ id: 'b1' }),
  aBody({
    id: 'b2',
    mount: 'N',
    sensor: { widthMm: 23.5, heightMm: 15.6, pixelsWide: 6000, pixelsHigh: 4000 },
    stabiliserStops: 4,
  }),
];

const anyShelf = (most: number): fc.Arbitrary<Shelf> =>
  fc.integer({ min: 1, max: most }).chain((n) => {
    const ids = Array.from({ length: n }, (_, i) => `lens${i}`);
    return fc
      .record({
        lenses: fc.tuple(...ids.map(anyLens)),
        factor: fc.constantFrom(1.4, 2),
        fits: fc.subarray(ids),
      })
      .map(({ lenses, factor, fits }) =>
        aShelf(lenses, [aConverter('conv', factor, fits)], BODIES),
      );
  });

export const anyQuestion = (mostLenses = 6): fc.Arbitrary<LineupQuestion> =>
  fc
    .record({
      shelf: anyShelf(mostLenses),
      frames: fc
        .integer({ min: 1, max: 5 })
        .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => anyFrame(`frame${i}`)))),
      maxLenses: fc.option(fc.integer({ min: 0, max: 4 }), { freq: 3 }),
      maxLineupWeightG: fc.option(fc.integer({ min: 300, max: 5000 }), { freq: 3 }),
      wantRatePercent: fc.constantFrom(0, 5, 30),
      converterPieces: fc.constantFrom(0, 0.5, 1),
      lock: fc.constantFrom('none', 'none', 'in', 'out'),
    })
    .map(({ shelf, frames, lock, ...change }) => {
      const limits: Limits = {
        ...DEFAULT_LIMITS,
        ...change,
        lockedIn: lock === 'in' ? ['lens0'] : [],
        lockedOut: lock === 'out' ? ['lens0'] : [],
      };
      return { shelf, frames, limits };
    });
