import type { Frame } from '@/core/brief';
import type { Lens } from '@/core/gear';
import type { LineupResult } from '@/core/lineup';
import { type Filters, shownBy } from './useFilters';

const lens = (id: string, mount: string, name = id) =>
  ({ id, mount, name, maker: 'Maker' }) as Lens;
const frame = (...stretchIds: string[]) => ({ stretchIds }) as unknown as Frame;
const result = {
  lineup: { lensIds: ['taken'] },
  lensesOut: [
    { lensId: 'able', makes: ['f'] },
    { lensId: 'idle', makes: [] },
  ],
} as unknown as LineupResult;
const filters = (change: Partial<Filters>): Filters => ({
  stretchId: null,
  mount: null,
  which: 'all',
  search: '',
  setStretch: () => undefined,
  setMount: () => undefined,
  setWhich: () => undefined,
  setSearch: () => undefined,
  ...change,
});
const lenses = [lens('taken', 'K'), lens('able', 'T', '24–70 mm'), lens('idle', 'K')];
const shown = (change: Partial<Filters>) =>
  lenses.filter(shownBy(filters(change), result).lens).map((l) => l.id as string);

test('lenses are narrowed to what makes something, or is taken, by mount and by name', () => {
  expect(shown({})).toEqual(['taken', 'able', 'idle']);
  expect(shown({ which: 'able' })).toEqual(['taken', 'able']);
  expect(shown({ which: 'taken' })).toEqual(['taken']);
  expect(shown({ mount: 'K' })).toEqual(['taken', 'idle']);
  expect(shown({ search: ' 24–70 ' })).toEqual(['able']);
  expect(lenses.filter(shownBy(filters({ which: 'able' }), null).lens)).toEqual([]);
});

test('pictures of a stretch are those that can be made in it', () => {
  const { frame: isShown } = shownBy(filters({ stretchId: 's' }), result);
  expect([isShown(frame('s', 't')), isShown(frame()), isShown(frame('t'))]).toEqual([
    true,
    true,
    false,
  ]);
});
