import { type Lens, mountableSetups } from '@/core/gear';
import { gapsOf, overlapsOf } from '..';
import {
  aBody,
  aLens,
  aShelf,
  focalFrame,
  personFrame,
  someLimits,
} from '../../../../tests/support/gear';

const LENSES = [
  aLens('wide', 16, 35, 2.8),
  aLens('tele', 70, 200, 2.8),
  aLens('long', 400, 400, 2.8),
];
const setups = mountableSetups(aShelf(LENSES));
const LIMITS = someLimits();

describe('gaps', () => {
  it('are those left open by 16–35, 70–200 and 400, each a 2× crop that keeps a quarter', () => {
    const gaps = gapsOf(setups, [], new Map(), LIMITS);
    expect(gaps.map((g) => [g.range.from, g.range.to, g.crop])).toEqual([
      [35, 70, 2],
      [200, 400, 2],
    ]);
    expect(gaps[0]?.megapixelsLeft).toBeCloseTo(6, 9);
  });

  it('cost the frames that ask for something in them, and nothing where no frame does', () => {
    const frames = [focalFrame('fifty', 50, 50, 'free'), focalFrame('twenty', 20, 20, 'free')];
    const [first, second] = gapsOf(
      setups,
      frames,
      new Map([
        ['twenty', 'clear'],
        ['fifty', 'lost'],
      ]),
      LIMITS,
    );
    expect(first?.lostFrameIds).toEqual(['fifty']);
    expect(second).toMatchObject({ lostFrameIds: [], croppedFrameIds: [] });
  });

  it('name the frames that cropping carries over them', () => {
    const gaps = gapsOf(
      setups,
      [personFrame('walk', 4, 20, 'held')],
      new Map([['walk', 'crop']]),
      LIMITS,
    );
    expect(gaps[0]?.croppedFrameIds).toEqual(['walk']);
    expect(gaps[1]?.croppedFrameIds).toEqual([]);
  });

  it('are none where ranges meet end to end, also over formats', () => {
    const meeting = mountableSetups(aShelf([aLens('a', 24, 70, 2.8), aLens('b', 70, 200, 2.8)]));
    expect(gapsOf(meeting, [], new Map(), LIMITS)).toEqual([]);
    const half = aBody({
      id: 'h',
      mount: 'H',
      sensor: { widthMm: 18, heightMm: 12, pixelsWide: 4000, pixelsHigh: 2667 },
    });
    const formats = mountableSetups(
      aShelf(
        [aLens('a', 24, 70, 2.8), aLens('b', 35, 100, 2.8, { mount: 'H' })],
        [],
        [aBody(), half],
      ),
    );
    expect(gapsOf(formats, [], new Map(), LIMITS)).toEqual([]);
  });
});

describe('overlaps', () => {
  const overlapsFor = (...lenses: ReturnType<typeof aLens>[]) =>
    overlapsOf(mountableSetups(aShelf(lenses)), new Map(lenses.map((l) => [l.id, l])));

  it('say what speaks for each lens: stops, weight, close focus', () => {
    const [overlap] = overlapsFor(
      aLens('fast', 50, 50, 1.4, { weightG: 200 }),
      aLens('zoom', 24, 70, 2.8, { weightG: 800, maxMagnification: 0.3, stabiliserStops: 3 }),
    );
    expect(overlap?.range).toEqual({ from: 50, to: 50 });
    expect(overlap?.reasons).toEqual([
      { lensId: 'fast', reason: 'faster', by: 2, figures: { own: 1.4, other: 2.8 } },
      { lensId: 'fast', reason: 'lighter', by: 600, figures: { own: 200, other: 800 } },
    ]);
  });

  it('compare magnification, steadiness and sealing only where both are known', () => {
    const known = { maxMagnification: 0.2, stabiliserStops: 3, sealed: false };
    const better = { maxMagnification: 0.5, stabiliserStops: 4.5, sealed: true };
    const reasonsFor = (a: Partial<Lens>, b: Partial<Lens>) =>
      overlapsFor(aLens('a', 24, 70, 4, a), aLens('b', 24, 70, 4, b))[0]?.reasons;
    expect(reasonsFor(better, known)).toEqual([
      { lensId: 'a', reason: 'closer', by: 0.3, figures: { own: 0.5, other: 0.2 } },
      { lensId: 'a', reason: 'stabilised', by: 1.5, figures: { own: 4.5, other: 3 } },
      { lensId: 'a', reason: 'sealed', by: null, figures: null },
    ]);
    const unknown = { maxMagnification: null, stabiliserStops: null, sealed: null };
    expect(reasonsFor(better, unknown)).toEqual([]);
    expect(reasonsFor(unknown, better)).toEqual([]);
  });

  it('compare on the bodies at hand: a body steadier than either lens makes them alike', () => {
    const lenses = [
      aLens('a', 24, 70, 4, { stabiliserStops: 4.5 }),
      aLens('b', 24, 70, 4, { stabiliserStops: 0 }),
    ];
    const reasonsOn = (stabiliserStops: number | null) =>
      overlapsOf(
        mountableSetups(aShelf(lenses, [], [aBody({ stabiliserStops })])),
        new Map(lenses.map((l) => [l.id, l])),
      )[0]?.reasons.map(({ reason, by }) => [reason, by]);
    expect(reasonsOn(7)).toEqual([]);
    expect(reasonsOn(3)).toEqual([['stabilised', 1.5]]);
    expect(reasonsOn(null)).toEqual([['stabilised', 4.5]]);
  });

  it('name the grade, as one’s own judgement, where it differs', () => {
    const [overlap] = overlapsFor(
      aLens('a', 24, 70, 4, { grade: 'first-class' }),
      aLens('b', 24, 70, 4, { grade: 'fair' }),
    );
    expect(overlap?.reasons).toMatchObject([{ lensId: 'a', reason: 'better' }]);
  });

  it('call plain doubling what nothing speaks for', () => {
    expect(overlapsFor(aLens('a', 24, 70, 4), aLens('b', 35, 105, 4))).toMatchObject([
      { range: { from: 35, to: 70 }, reasons: [] },
    ]);
    expect(overlapsFor(aLens('a', 24, 35, 4), aLens('b', 50, 105, 4))).toEqual([]);
  });
});
