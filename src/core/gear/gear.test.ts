import { countingRange, mountableStacks, mountableSetups, widestFNumber } from '@/core/gear';
import { aBody, aConverter, aLens, anAdapter, aShelf, aTube } from '../../../tests/support/gear';

const N_BODY = aBody({ id: 'n', mount: 'N', autofocusLimitFNumber: 8 });
const stacks = (...shelf: Parameters<typeof aShelf>) =>
  mountableStacks(aShelf(...shelf)).map((c) =>
    [c.body, c.adapter, c.converter, c.tube, c.lens].map((part) => part?.id ?? '-').join(' '),
  );

describe('what can be mounted', () => {
  it('stacks body, adapter, then converter or tube, then lens, and never two of a kind', () => {
    const lens = aLens('l', 100, 100, 2);
    expect(
      stacks([lens], [aConverter('c', 1.4, ['l'])], [aBody({ id: 'm' }), N_BODY], {
        tubes: [aTube('t', 12)],
        adapters: [anAdapter('a')],
      }),
    ).toEqual(['m - - - l', 'm - c - l', 'm - - t l', 'n a - - l', 'n a c - l', 'n a - t l']);
  });

  it('takes an adapter in its direction only, and no adapter where the lens fits by itself', () => {
    const other = aLens('o', 50, 50, 2, { mount: 'N' });
    expect(
      stacks([other], [], [aBody({ id: 'm' }), N_BODY], { adapters: [anAdapter('a')] }),
    ).toEqual(['n - - - o']);
    const accepting = { adapters: [anAdapter('a')], mounts: [{ name: 'N', accepts: ['M'] }] };
    expect(stacks([aLens('l', 50, 50, 2)], [], [N_BODY], accepting)).toEqual(['n - - - l']);
  });

  it('works out what a lens magnifies on a tube from its closest focus, as far as a thin lens has one', () => {
    const magnified = (minFocusM: number | null) =>
      mountableSetups(
        aShelf([aLens('l', 50, 50, 2, { minFocusM })], [], undefined, { tubes: [aTube('t', 12)] }),
      ).find((s) => s.tubeId !== null)?.maxMagnification;
    // By hand: D = f·(2 + m + 1/m), m + 1/m = 450/50 − 2 = 7, m = (7 − √45) / 2.
    expect(magnified(0.45)).toBeCloseTo(0.1459, 4);
    // At 4f it is life size; nearer than that no thin lens focuses, and nothing is known.
    expect(magnified(0.2)).toBeCloseTo(1, 6);
    expect([magnified(0.199), magnified(null)]).toEqual([null, null]);
  });

  it('loses autofocus with an adapter that does not pass it on', () => {
    const setup = (autofocus: boolean | null, own: boolean | null) =>
      mountableSetups(
        aShelf([aLens('l', 50, 50, 2, { autofocus: own })], [], [N_BODY], {
          adapters: [anAdapter('a', { autofocus })],
        }),
      )[0]?.autofocus;
    expect([setup(true, true), setup(false, true), setup(null, true), setup(null, false)]).toEqual([
      true,
      false,
      null,
      false,
    ]);
  });

  it('gives a lens with a built-in converter both its ranges', () => {
    const setups = mountableSetups(
      aShelf([aLens('l', 150, 400, 4.5, { builtInConverter: 1.25, maxMagnification: 0.2 })]),
    );
    expect(setups.map((s) => [s.builtIn, s.focal, s.maxMagnification])).toEqual([
      [false, { wideMm: 150, longMm: 400 }, 0.2],
      [true, { wideMm: 187.5, longMm: 500 }, 0.25],
    ]);
    expect(setups[1]?.fNumberAt(500)).toBeCloseTo(5.625, 12);
  });

  it('widens by a focal reducer: focal length, f-number and image circle shrink with it', () => {
    const [setup] = mountableSetups(
      aShelf([aLens('l', 50, 50, 1.8, { imageCircleMm: 43.3 })], [], [N_BODY], {
        adapters: [anAdapter('a', { factor: 0.71 })],
      }),
    );
    expect(setup?.focal.wideMm).toBeCloseTo(35.5, 12);
    expect(setup?.fNumberAt(35.5)).toBeCloseTo(1.278, 12);
    expect(setup?.sensor.widthMm).toBeCloseTo((36 * 43.3 * 0.71) / Math.hypot(36, 24), 9);
  });

  it('reads sealed as yes only when body and lens both are', () => {
    const sealed = (lens: boolean | null, body: boolean | null) =>
      mountableSetups(
        aShelf([aLens('l', 50, 50, 2, { sealed: lens })], [], [aBody({ sealed: body })]),
      )[0]?.sealed;
    expect([sealed(true, true), sealed(true, null), sealed(false, null)]).toEqual([
      true,
      null,
      false,
    ]);
  });
});

test('the f-number runs evenly in stops over log focal length between two ends', () => {
  const ends = [
    { focalMm: 50, fNumber: 2 },
    { focalMm: 200, fNumber: 4 },
  ];
  expect(widestFNumber(ends, 100)).toBeCloseTo(2 * Math.SQRT2, 12);
  expect([widestFNumber(ends, 40), widestFNumber(ends, 300)]).toEqual([2, 4]);
  expect(countingRange(aLens('l', 50, 50, 2, { measured: { wideMm: 51, longMm: 51 } }))).toEqual({
    wideMm: 51,
    longMm: 51,
  });
});
