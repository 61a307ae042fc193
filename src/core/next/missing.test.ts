import { endlessRun } from '../../../tests/support/nextRun';
import { numbers } from '../../../tests/support/numbers';
import {
  aBody,
  aLens,
  aQuestion,
  aShelf,
  focalFrame,
  someLimits,
} from '../../../tests/support/gear';
import { DEFAULT_PACKING, type Frame } from '@/core/brief';
import { type Body, kindsMade, type Lens } from '@/core/gear';
import { missing, type NextQuestion } from '@/core/next';

function asked(
  frames: readonly Frame[],
  lenses: readonly Lens[],
  body: Partial<Body> = {},
): NextQuestion {
  const shelf = aShelf(lenses, [], [aBody(body)]);
  const question = {
    ...aQuestion({ shelf, frames, limits: someLimits({ maxCrop: 1, isoCeiling: 6400 }) }),
    outing: { shooters: [], currency: 'EUR' },
    packing: DEFAULT_PACKING,
  };
  return {
    outings: [{ id: 'day', timesAYear: 1, question }],
    shelf,
    neverSold: [],
    terms: { buy: 'new', resalePercent: 100 },
    after: 'money',
  };
}

/** EV 4 at 1/125 s and ISO 6400: N² = 125 · 2^(4 + 6), f/2.86 at the most. With one stop more f/4.05. */
const DIM = {
  source: { kind: 'ev', ev100: 4 },
  isoCeiling: null,
  longestTimeS: 1 / 125,
  shortestTimeS: null,
  support: 'support',
  movement: null,
  stars: null,
  flash: null,
};

describe('kinds that are missing', () => {
  const frames = [
    focalFrame('near', 35, 35, 'free'),
    focalFrame('far', 100, 100, 'free'),
    focalFrame('dance', 200, 200, 'free', { want: 'want', light: DIM }),
  ];
  const standard = aLens('standard', 24, 70, 4);

  it('are named by what they add, how loose they may be, and what a slower one lacks', async () => {
    const found = (await missing(asked(frames, [standard]), await endlessRun()))!;
    expect(found.open).toBeNull();
    expect(found.kinds.map(({ lens }) => [lens.focal, lens.apertures[0]!.fNumber])).toEqual([
      [{ wideMm: 70, longMm: 200 }, 2.8],
    ]);
    const [tele] = found.kinds;
    expect(tele!.pictures).toEqual([{ outing: 0, frameIds: ['far', 'dance'] }]);
    expect(tele!.adds).toMatchObject({ musts: 1, sharePercent: 100 });
    expect(tele!.loosest).toEqual({
      wideMm: 100,
      longMm: 200,
      fNumberWide: 2.8,
      fNumberLong: 2.8,
    });
    expect(tele!.slower!.lens.apertures[0]!.fNumber).toBe(4);
    expect(tele!.slower!.lacks).toEqual([{ outing: 0, frameIds: ['dance'] }]);
    expect(found.cameras).toEqual([]);
  });

  it('may be slower at one end, and lack least made a little slower', async () => {
    // EV 5 at 1/125 s and ISO 6400 asks for f/4.05; the superzoom is f/3.5 to 6.3.
    const dim = { ...DIM, source: { kind: 'ev', ev100: 5 } };
    const small = { widthMm: 23.6, heightMm: 15.7, pixelsWide: 6000, pixelsHigh: 4000 };
    const asked24 = asked(
      // On 36 × 24 mm: 20 and 300 mm there.
      [focalFrame('wide', 30.6, 30.6, 'free', { light: dim }), focalFrame('far', 457, 457, 'free')],
      [],
      { sensor: small },
    );
    const [zoom] = (await missing(asked24, await endlessRun()))!.kinds;
    expect(zoom!.lens.focal).toEqual({ wideMm: 18, longMm: 300 });
    const { wideMm, longMm, fNumberWide, fNumberLong } = zoom!.loosest;
    expect([wideMm, longMm]).toEqual([20, 300]);
    // No one f-number does that the lens itself doesn't have at both ends.
    expect(fNumberWide).toBeLessThan(4.05);
    expect(fNumberLong).toBeCloseTo(6.3, 6);
    // f/1.2 for one, f/1.4 for another, anything for the third: f/1.4 lacks less than f/1.8.
    const at = (ev100: number) => ({ light: { ...DIM, source: { kind: 'ev', ev100 } } });
    const by = (id: string, ev100: number) => focalFrame(id, 50, 50, 'free', at(ev100));
    const fast = asked([by('a', 1.6), by('b', 2), by('c', 12)], [], {});
    const [prime] = (await missing(fast, await endlessRun()))!.kinds;
    expect(prime!.lens.apertures[0]!.fNumber).toBe(1.2);
    expect(prime!.slower!.lens.apertures[0]!.fNumber).toBe(1.4);
    expect(prime!.slower!.lacks).toEqual([{ outing: 0, frameIds: ['a'] }]);
  });

  it('are none where nothing is lost, whatever is wished', async () => {
    const long = aLens('long', 70, 200, 2.8, { ownership: 'wished', priceNew: 1 });
    expect(
      (await missing(asked(frames.slice(0, 1), [standard, long]), await endlessRun()))!,
    ).toMatchObject({
      kinds: [],
      cameras: [],
      open: null,
    });
    // What is wished is not had.
    expect(
      (await missing(asked(frames, [standard, long]), await endlessRun()))!.kinds,
    ).toHaveLength(1);
  });

  it('are for the mounts of the cameras there, and reach their sensors', () => {
    const kinds = kindsMade([
      aBody({ id: 'full' }),
      aBody({
        id: 'small',
        sensor: { widthMm: 23.6, heightMm: 15.7, pixelsWide: 6000, pixelsHigh: 4000 },
      }),
      aBody({
        id: 'other',
        mount: 'N',
        sensor: { widthMm: 17.3, heightMm: 13, pixelsWide: 5184, pixelsHigh: 3888 },
      }),
    ]);
    const circles = new Map<string, Set<number>>();
    for (const { lens } of kinds)
      circles.set(
        lens.mount,
        (circles.get(lens.mount) ?? new Set()).add(Math.round(lens.imageCircleMm!)),
      );
    expect(circles).toEqual(
      new Map([
        ['M', new Set([43, 28])],
        ['N', new Set([22])],
      ]),
    );
    expect(new Set(kinds.map(({ lens }) => lens.id)).size).toBe(kinds.length);
  });

  it('a stop of ISO, a stabiliser or a second camera adds what it adds', async () => {
    const of = async (frame: Frame, lenses: readonly Lens[], body: Partial<Body> = {}) =>
      (await missing(asked([frame], lenses, body), await endlessRun()))!.cameras.map(
        (c) => c.change,
      );
    const tele = aLens('tele', 70, 200, 4);
    expect(await of(frames[2]!, [tele])).toEqual(['iso']);
    expect(await of(frames[2]!, [tele], { isoCeiling: 3200 })).toEqual([]);
    // By hand at 200 mm: 1/200 s. EV 3 and f/4 ask for 1/32 s at ISO 6400.
    const byHand = {
      ...DIM,
      source: { kind: 'ev', ev100: 3 },
      longestTimeS: null,
      support: 'hand',
    };
    const still = focalFrame('still', 200, 200, 'free', { light: byHand });
    expect(await of(still, [tele])).toEqual(['stabiliser']);
    expect(await of(still, [tele], { stabiliserStops: 1 })).toEqual([]);
    const twice = focalFrame('vow', 100, 100, 'free', { twice: { by: 'bodies' } });
    expect(await of(twice, [tele, aLens('more', 70, 200, 4)])).toEqual(['second']);
  });
});

/** Focal lengths between those that lenses are marked with, so that no tolerance decides. */
const BETWEEN = [13, 17, 22, 26, 32, 43, 60, 95, 120, 160, 250, 350, 450, 550, 700];

describe.each(Array.from({ length: 40 }, (_, i) => i))('of all that are made (%i)', (seed) => {
  it('they are the fewest that get the most, and of those the least demanding', async () => {
    const next = numbers(seed * 613 + 5);
    for (let i = 0; i < 8; i += 1) next();
    const upTo = (n: number) => Math.floor(next() * n);
    const frames = Array.from({ length: 2 + upTo(4) }, (_, i) => {
      const from = upTo(BETWEEN.length);
      const to = Math.min(BETWEEN.length - 1, from + [0, 0, 1, 3][upTo(4)]!);
      return focalFrame(`f${i}`, BETWEEN[from]!, BETWEEN[to]!, 'flowing');
    });
    const owned = aLens('own', 24, 70, 4);
    const covers = ({ focal: { wideMm, longMm } }: Lens) =>
      frames.reduce((mask, { need }, i) => {
        if (need.kind !== 'focal') throw new Error();
        return need.fromMm >= wideMm && need.toMm <= longMm ? mask | (1 << i) : mask;
      }, 0);
    const had = covers(owned);
    // For each set of pictures the cheapest kind that gets them; then every set of those, fewest first.
    const cheapest = new Map<number, number>();
    for (const { lens, usualPrice } of kindsMade([aBody()])) {
      const mask = covers(lens) & ~had;
      if (mask) cheapest.set(mask, Math.min(cheapest.get(mask) ?? Infinity, usualPrice));
    }
    const all = [...cheapest.keys()].reduce((a, b) => a | b, had);
    let sets: (readonly [mask: number, price: number])[] = [[had, 0]];
    let count = 0;
    while (!sets.some(([mask]) => mask === all)) {
      sets = sets.flatMap(([mask, price]) =>
        [...cheapest].map(([more, p]) => [mask | more, price + p] as const),
      );
      count += 1;
    }
    const least = Math.min(...sets.flatMap(([mask, price]) => (mask === all ? [price] : [])));
    const found = (await missing(asked(frames, [owned]), await endlessRun()))!;
    expect(found.open).toBeNull();
    const got = found.kinds.reduce((mask, { lens }) => mask | covers(lens), had);
    expect([got, found.kinds.length]).toEqual([all, count]);
    const price = found.kinds.reduce((sum, { lens }) => sum + lens.priceNew!, 0);
    expect(price).toBe(least);
  });
});
