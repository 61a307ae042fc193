import type { Shelf } from '@/core/gear';
import {
  aBody,
  aConverter,
  aLens,
  aShelf,
  personFrame,
  someLimits,
} from '../../../tests/support/gear';
import { besideKey, sideBySide } from '.';

const LIMITS = someLimits();
const CROP_15 = { widthMm: 24, heightMm: 16, pixelsWide: 6000, pixelsHigh: 4000 };
const bare = (...ids: string[]) => ids.map((lensId) => ({ lensId, converterId: null }));
const ask = (shelf: Shelf, ...ids: string[]) => sideBySide(shelf, bare(...ids), [], LIMITS);

describe('lenses side by side, by hand', () => {
  it('16–35, 70–200 and 400 leave two holes, each twice as long and a quarter of the pixels', () => {
    const shelf = aShelf([
      aLens('w', 16, 35, 4),
      aLens('t', 70, 200, 2.8),
      aLens('l', 400, 400, 4),
    ]);
    const { gaps, overlaps } = ask(shelf, 'w', 't', 'l');
    expect(gaps.map(({ range, crop }) => [range.from, range.to, crop])).toEqual([
      [35, 70, 2],
      [200, 400, 2],
    ]);
    // 24 megapixels, a quarter of them left.
    expect(gaps.map((g) => g.megapixelsLeft)).toEqual([6, 6]);
    expect(overlaps).toEqual([]);
    // A 24–105 closes the first and doubles with both.
    const more = { ...shelf, lenses: [...shelf.lenses, aLens('n', 24, 105, 4)] };
    const closed = ask(more, 'w', 't', 'l', 'n');
    expect(closed.gaps.map(({ range }) => range)).toEqual([{ from: 200, to: 400 }]);
    expect(closed.overlaps.map(({ lensIds, range }) => [...lensIds, range.from, range.to])).toEqual(
      [
        ['n', 't', 70, 105],
        ['n', 'w', 24, 35],
      ],
    );
  });

  it('35 and 60 on crop 1.5 stand at 52.5 and 90, beside 50 and 90 on 36×24', () => {
    const shelf = aShelf(
      [
        aLens('a', 35, 35, 2, { mount: 'C', imageCircleMm: 29 }),
        aLens('b', 60, 60, 2, { mount: 'C', imageCircleMm: 29 }),
        aLens('c', 50, 50, 2),
        aLens('d', 90, 90, 2),
      ],
      [],
      [aBody(), aBody({ id: 'crop', mount: 'C', sensor: CROP_15 })],
    );
    const { columns, gaps, overlaps } = ask(shelf, 'a', 'b', 'c', 'd');
    expect(columns.map(({ bands }) => bands.map((b) => [b.cropFactor, b.range.from]))).toEqual([
      [[1.5, 52.5]],
      [[1.5, 90]],
      [[1, 50]],
      [[1, 90]],
    ]);
    expect(gaps.map(({ range }) => [range.from, range.to])).toEqual([
      [50, 52.5],
      [52.5, 90],
    ]);
    // At 90 both are f/2 and weigh the same: plain doubling.
    expect(overlaps).toMatchObject([{ lensIds: ['b', 'd'], reasons: [] }]);
  });

  it('a lens stands once for each format that a camera of it has', () => {
    const shelf = aShelf(
      [aLens('n', 24, 70, 2.8)],
      [],
      [aBody(), aBody({ id: 'crop', sensor: CROP_15 }), aBody({ id: 'second' })],
    );
    expect(ask(shelf, 'n').columns[0]!.bands).toMatchObject([
      { cropFactor: 1, bodyIds: ['body', 'second'], range: { from: 24, to: 70 } },
      { cropFactor: 1.5, bodyIds: ['crop'], range: { from: 36, to: 105 } },
    ]);
    const onCrop = sideBySide(shelf, bare('n'), [], LIMITS, '24x16').columns[0]!;
    expect(onCrop.bands.map((b) => b.cropFactor)).toEqual([1.5]);
    expect(sideBySide(shelf, bare('n'), [], LIMITS, '10x10').columns[0]!.bands).toEqual([]);
  });

  it('with a converter it is a lens of its own: longer, slower, heavier, closer', () => {
    const lens = aLens('t', 70, 200, 2.8, { weightG: 1480, maxMagnification: 0.21 });
    const shelf = aShelf([lens], [aConverter('x', 2, ['t'], { weightG: 250 })]);
    const both = [
      { lensId: 't', converterId: null },
      { lensId: 't', converterId: 'x' },
    ];
    const { columns, overlaps } = sideBySide(shelf, both, [], LIMITS);
    expect(columns.map((c) => [c.key, c.focal.longMm, c.fNumbers[1], c.weightG])).toEqual([
      ['t', 200, 2.8, 1480],
      ['t~x', 400, 5.6, 1730],
    ]);
    const [bareLens, longer] = columns;
    expect(longer!.maxMagnification).toBeCloseTo(0.42, 9);
    // From 140 to 200 both reach: two stops faster without, and lighter; closer with.
    expect(overlaps[0]!.range).toEqual({ from: 140, to: 200 });
    expect(overlaps[0]!.reasons.map((r) => [r.lensId, r.reason])).toEqual([
      [bareLens!.key, 'faster'],
      [bareLens!.key, 'lighter'],
      [longer!.key, 'closer'],
    ]);
    expect(overlaps[0]!.reasons[0]!.by).toBeCloseTo(2, 9);
  });

  it('tells which pictures only one of them covers, all, and none', () => {
    // A person 1.8 m high on 12 to 21.6 of 24 mm: from 6.67 to 12 mm for each metre.
    const shelf = aShelf([aLens('n', 24, 70, 2.8), aLens('t', 70, 200, 2.8)]);
    const frames = [
      personFrame('near', 2.5, 4, 'held'),
      personFrame('far', 14, 14, 'held'),
      personFrame('between', 7, 7, 'held'),
      personFrame('farther', 90, 90, 'held'),
    ];
    const { onlyBy, byAll, byNone } = sideBySide(shelf, bare('n', 't'), frames, LIMITS);
    expect([...onlyBy]).toEqual([
      ['n', ['near']],
      ['t', ['far']],
    ]);
    expect([byAll, byNone]).toEqual([['between'], ['farther']]);
  });

  it('what comes towards the camera is covered by one camera, not by parts on two', () => {
    // 14 m takes at least 93 mm on 36×24: 70 mm has it on crop 1.5 (105), where 20 mm is too long for 2 m.
    const cameras = [aBody(), aBody({ id: 'crop', sensor: CROP_15 })];
    const shelf = aShelf([aLens('n', 20, 70, 2.8)], [], cameras);
    const by = (footing: string) =>
      sideBySide(shelf, bare('n'), [personFrame('x', 2, 14, footing)], LIMITS).byAll;
    expect(by('held')).toEqual(['x']);
    expect(by('flowing')).toEqual([]);
    expect(
      sideBySide(shelf, bare('n'), [personFrame('x', 2, 10, 'flowing')], LIMITS).byAll,
    ).toEqual(['x']);
  });

  it('leaves out what is not there or doesn’t go together, and names each once', () => {
    const shelf = aShelf([aLens('n', 24, 70, 2.8)], [aConverter('x', 2, ['other'])]);
    const asked = [...bare('gone', 'n'), { lensId: 'n', converterId: 'x' }];
    expect(sideBySide(shelf, asked, [], LIMITS).columns.map((c) => c.key)).toEqual(['n']);
    expect(asked.map(besideKey)).toEqual(['gone', 'n', 'n~x']);
  });
});
