import { aBody, aLens, aShelf } from '../../../tests/support/gear';
import { formatsOn, narrowsBody, narrowsLens, NO_NARROWING } from './narrowing';

const half = aBody({
  id: 'half',
  mount: 'H',
  sensor: { widthMm: 23.5, heightMm: 15.6, pixelsWide: 6000, pixelsHigh: 4000 },
});
const shelf = aShelf(
  [
    aLens('standard', 24, 70, 2.8, { weightG: 800 }),
    aLens('small-circle', 16, 55, [2.8, 4], { weightG: 400, imageCircleMm: 28.3 }),
    aLens('other-mount', 10, 24, 4, { mount: 'H', weightG: null, imageCircleMm: 28.3 }),
  ],
  [],
  [aBody(), half],
);
const left = (change: Partial<typeof NO_NARROWING>) =>
  shelf.lenses.filter(narrowsLens(shelf, { ...NO_NARROWING, ...change })).map((l) => l.id);

describe('the lenses on the shelf', () => {
  it.each([
    ['nothing', {}, ['standard', 'small-circle', 'other-mount']],
    ['a focal length within their range', { reachesMm: '60' }, ['standard']],
    ['a speed that they have at the long end', { fNumber: '2.8' }, ['standard']],
    ['a weight; unknown is not light', { weight: '500' }, ['small-circle']],
    ['a format that they fill on a body that they fit', { format: '36x24' }, ['standard']],
    ['a smaller format', { format: '23.5x15.6' }, ['other-mount']],
    ['what is no number, which narrows nothing', { reachesMm: 'wide' }, 3],
  ])('are narrowed by %s', (_, change, expected) => {
    if (typeof expected === 'number') expect(left(change)).toHaveLength(expected);
    else expect(left(change)).toEqual(expected);
  });

  it('offer the formats of the bodies that there are, and bodies are narrowed by them', () => {
    expect(formatsOn(shelf)).toEqual([
      ['23.5x15.6', '23.5×15.6'],
      ['36x24', '36×24'],
    ]);
    const small = narrowsBody({ ...NO_NARROWING, format: '23.5x15.6' });
    expect(shelf.bodies.filter(small).map((b) => b.id)).toEqual(['half']);
  });
});
