import fc from 'fast-check';
import {
  DEFAULT_LIMITS,
  type Frame,
  type Limits,
  shooterId,
  type Standpoint,
  stationId,
  stretchId,
} from '@/core/brief';
import type { Lens, Shelf } from '@/core/gear';
import type { LineupQuestion } from '@/core/lineup';
import {
  aBody,
  aConverter,
  aLens,
  anAdapter,
  aQuestion,
  aShelf,
  aStretch,
  aTube,
  focalFrame,
  personFrame,
} from './gear';

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
      sealed: fc.constantFrom(true, true, false, null),
      autofocus: fc.constantFrom(true, true, false, null),
      grade: fc.constantFrom('first-class', 'good', 'fair', null),
      smallestFNumber: fc.option(fc.constantFrom(11, 22)),
      builtInConverter: fc.constantFrom(null, null, null, null, 1.25),
    })
    .map(({ a, b, prime, f, slower, ...rest }) => {
      const wide = Math.min(a, b);
      const long = prime ? wide : Math.max(a, b);
      return aLens(id, wide, long, [f, f * 2 ** (slower / 2)], rest);
    });

const light = fc.record({
  source: fc.oneof(
    fc.constant({ kind: 'none' }),
    fc.constantFrom(2, 5, 8, 12).map((ev100) => ({ kind: 'ev', ev100 })),
  ),
  isoCeiling: fc.constant(null),
  longestTimeS: fc.option(fc.constantFrom(1 / 60, 1 / 250, 1 / 1000)),
  shortestTimeS: fc.constant(null),
  support: fc.constantFrom('hand', 'support'),
  movement: fc.option(
    fc.record({
      speedMps: fc.constantFrom(0.5, 3),
      direction: fc.constantFrom('across', 'diagonal', 'toward'),
      blur: fc.constant({ kind: 'pixels', px: 4 }),
    }),
    { freq: 2 },
  ),
  stars: fc.constant(null),
  flash: fc.option(fc.constant({ guideNumberM: 30 }), { freq: 2 }),
});

const common = fc.record({
  want: fc.constantFrom('must', 'must', 'want', 'want', 'bonus'),
  sharePercent: fc.option(fc.constantFrom(2, 5, 10, 20)),
  light,
  twice: fc.constantFrom(null, null, null, { by: 'bodies' }),
  depth: fc.record({
    sharp: fc.constantFrom(null, null, null, { kind: 'zone', fromM: 2, toM: null }),
    blur: fc.constant(null),
  }),
  special: fc.record({
    magnification: fc.constant(null),
    perspectiveControl: fc.constant(false),
    frontFilter: fc.constant(false),
    autofocus: fc.constantFrom(false, false, true),
    sealed: fc.constantFrom(false, false, false, true),
    leastGrade: fc.constantFrom(null, null, null, 'good'),
  }),
  output: fc.constantFrom(
    { kind: 'uncropped' },
    { kind: 'pixels', longPx: 4000, shortPx: 2600, cut: false },
    { kind: 'pixels', longPx: 2400, shortPx: 2400, cut: true },
  ),
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
        rows: fc.constantFrom(null, null, null, { kind: 'rows', depthM: 0.8 }),
        blur: fc.constantFrom(
          null,
          null,
          null,
          { behindM: 4, percent: 1 },
          { behindM: null, percent: 3 },
        ),
      })
      .map((r) => {
        const depth = { sharp: r.rows ?? r.common.depth.sharp, blur: r.blur };
        const f = personFrame(id, r.from, r.from * r.times, r.footing, { ...r.common, depth });
        return { ...f, need: { ...f.need, orientation: r.orientation } as Frame['need'] };
      }),
    fc
      .record({ common, footing, a: focal, b: focal })
      .map((r) => focalFrame(id, Math.min(r.a, r.b), Math.max(r.a, r.b), r.footing, r.common)),
  );

const BODIES = [
  aBody({ id: 'b1', autofocusLimitFNumber: 8, sealed: true }),
  aBody({
    id: 'b2',
    mount: 'N',
    sensor: { widthMm: 23.5, heightMm: 15.6, pixelsWide: 6000, pixelsHigh: 4000 },
    stabiliserStops: 4,
    sealed: true,
  }),
  aBody({ id: 'b3', weightG: 400, sealed: null }),
];

const anyShelf = (most: number, bodyCount: number): fc.Arbitrary<Shelf> =>
  fc.integer({ min: 1, max: most }).chain((n) => {
    const ids = Array.from({ length: n }, (_, i) => `lens${i}`);
    return fc
      .record({
        lenses: fc.tuple(...ids.map(anyLens)),
        behind: fc.constantFrom('converter', 'converter', 'tube', 'adapter', 'nothing'),
        factor: fc.constantFrom(1.4, 2),
        fits: fc.subarray(ids),
      })
      .map(({ lenses, behind, factor, fits }) =>
        aShelf(
          lenses,
          behind === 'converter' ? [aConverter('conv', factor, fits)] : [],
          BODIES.slice(0, bodyCount),
          {
            tubes: behind === 'tube' ? [aTube('tube', 20)] : [],
            adapters: behind === 'adapter' ? [anAdapter('adapter', { autofocus: false })] : [],
          },
        ),
      );
  });

const ORDERS: readonly Limits['order'][] = [
  ['weight', 'price'],
  ['price', 'weight'],
  ['speed', 'crop', 'weight'],
  ['changes', 'own', 'price'],
  ['grade', 'weight'],
];

const anyLimits = fc
  .record({
    maxLenses: fc.option(fc.integer({ min: 0, max: 4 }), { freq: 3 }),
    maxLineupWeightG: fc.option(fc.integer({ min: 300, max: 5000 }), { freq: 3 }),
    countBodies: fc.constantFrom(...Array.from({ length: 12 }, (_, i) => i === 0)),
    maxSpend: fc.option(fc.integer({ min: 0, max: 4000 }), { freq: 3 }),
    wantRatePercent: fc.constantFrom(0, 5, 30),
    converterPieces: fc.constantFrom(0, 0.5, 1),
    neverChange: fc.constantFrom(false, false, false, true),
    order: fc.constantFrom(...ORDERS),
    sources: fc.constantFrom(['owned', 'borrowed'], ['owned', 'borrowed', 'wished']),
    lock: fc.constantFrom('none', 'none', 'in', 'out'),
  })
  .map(({ lock, ...change }): Limits => ({
    ...DEFAULT_LIMITS,
    ...(change as unknown as Partial<Limits>),
    lockedIn: lock === 'in' ? ['lens0'] : [],
    lockedOut: lock === 'out' ? ['lens0'] : [],
  }));

const anyFrames = (most: number) =>
  fc
    .integer({ min: 1, max: most })
    .chain((n) => fc.tuple(...Array.from({ length: n }, (_, i) => anyFrame(`frame${i}`))));

/** One person, no stretches. */
export const anyQuestion = (mostLenses = 6): fc.Arbitrary<LineupQuestion> =>
  fc
    .record({ shelf: anyShelf(mostLenses, 2), frames: anyFrames(5), limits: anyLimits })
    .map((parts) => aQuestion(parts));

const SHOOTERS = [
  { id: shooterId.parse('one'), name: 'One', placed: false },
  { id: shooterId.parse('two'), name: 'Two', placed: false },
];

const anyAssignment = (id: string) =>
  fc.record({
    shooterId: fc.constant(id),
    bodyIds: fc.constantFrom([], [], ['b1'], ['b2', 'b3']),
    bodies: fc.constantFrom(null, null, 1, 2),
    maxWeightG: fc.constantFrom(null, null, null, 1500, 3000),
  });

const anyStretch = (id: string) =>
  fc
    .record({
      changes: fc.boolean(),
      stays: fc.boolean(),
      weather: fc.constantFrom([], [], ['wet']),
      allowed: fc.record({
        flash: fc.constantFrom(true, true, false),
        support: fc.constantFrom(true, true, false),
        bags: fc.constantFrom(true, true, true, false),
      }),
      hands: fc.oneof(
        fc.constant([]),
        fc.tuple(anyAssignment('one')),
        fc.tuple(anyAssignment('one'), anyAssignment('two')),
      ),
    })
    .map((change) => aStretch(id, change));

/** The stations of these outings: who may stand where and when is the same for all pictures. */
const STATIONS: readonly Pick<Standpoint, 'stationId' | 'shooterIds' | 'stretchIds'>[] = [
  { stationId: stationId.parse('aisle'), shooterIds: [], stretchIds: [] },
  { stationId: stationId.parse('corner'), shooterIds: [shooterId.parse('two')], stretchIds: [] },
  {
    stationId: stationId.parse('gallery'),
    shooterIds: [shooterId.parse('one'), shooterId.parse('two')],
    stretchIds: [stretchId.parse('s0')],
  },
];

const anyStandpoint = fc
  .record({
    from: fc.constantFrom(2, 5, 10),
    depth: fc.constantFrom(0, 2, 20),
    seenPercent: fc.constantFrom(100, 100, 100, 40, 0),
  })
  .map(({ from, depth, seenPercent }) => ({ fromM: from, toM: from + depth, seenPercent }));

/** Two shooters and stretches with everything: fixed setups, bodies in hand, weights, rain. */
export const anyOutingOf = (mostLenses: number): fc.Arbitrary<LineupQuestion> =>
  fc
    .record({
      shelf: anyShelf(mostLenses, 3),
      frames: anyFrames(4),
      limits: anyLimits,
      stretches: fc.oneof(fc.tuple(anyStretch('s0')), fc.tuple(anyStretch('s0'), anyStretch('s1'))),
      secondIsPlaced: fc.constantFrom(false, false, false, true),
      places: fc.array(
        fc.record({
          stretch: fc.constantFrom('', '', 's0', 's1'),
          shooter: fc.constantFrom('', '', 'one', 'two'),
          view: fc.option(fc.tuple(fc.constantFrom(2, 10), fc.constantFrom(12, 40)), { freq: 3 }),
          people: fc.constantFrom(null, null, null, null, [], ['one', 'two']),
          standpoints: fc.oneof(
            fc.array(anyStandpoint, { maxLength: 0 }),
            fc.array(anyStandpoint, { maxLength: 3 }),
          ),
        }),
        { minLength: 4, maxLength: 4 },
      ),
    })
    .map(({ stretches, places, frames, secondIsPlaced, ...parts }) => ({
      outing: { shooters: SHOOTERS.map((s, i) => ({ ...s, placed: i === 1 && secondIsPlaced })) },
      stretches,
      ...parts,
      frames: frames.map((f, i) => {
        const place = places[i]!;
        const known = stretches.some((s) => s.id === place.stretch);
        return {
          ...f,
          stretchIds: known ? [stretchId.parse(place.stretch)] : [],
          shooterIds:
            place.shooter === '' || place.people !== null ? [] : [shooterId.parse(place.shooter)],
          twice:
            place.people === null
              ? f.twice
              : {
                  by: 'people' as const,
                  shooterIds: place.people.map((id) => shooterId.parse(id)),
                },
          views:
            place.view && f.need.kind === 'subject'
              ? [{ shooterId: shooterId.parse('two'), fromM: place.view[0], toM: place.view[1] }]
              : [],
          standpoints:
            f.need.kind === 'subject'
              ? place.standpoints.map((standpoint, at) => ({ ...STATIONS[at]!, ...standpoint }))
              : [],
        };
      }),
    }));

export const anyOuting = anyOutingOf(4);
