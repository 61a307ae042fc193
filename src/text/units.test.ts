import { formatDistances, formatMetres, formatWeight } from './format';
import { exactIn } from '@/text';
import { applyUnits, inOwnUnits, unitsNow } from './units';

const plain = (text: string) => text.replaceAll('\u202F', ' ');
afterEach(() => applyUnits('metric'));

/** Conversions by hand from 0.3048 m and 28.3495 g. */
test.each([
  [0.1, '3.9 in'],
  [1, '3.3 ft'],
  [30, '98 ft'],
  [2000, '1.2 mi'],
])('%f m reads %s in feet', (metres, text) => {
  applyUnits('imperial');
  expect(plain(formatMetres(metres))).toBe(text);
});

test('ranges give their unit once where both ends share it', () => {
  expect(plain(formatDistances(4, 8))).toBe('4–8 m');
  expect(plain(formatDistances(0.5, 2))).toBe('50 cm–2 m');
  applyUnits('imperial');
  expect(plain(formatDistances(4, 8))).toBe('13–26 ft');
  expect(plain(formatDistances(0.2, 8))).toBe('7.9 in–26 ft');
});

test('weights read in ounces and pounds, and back again', () => {
  expect(plain(formatWeight(2200))).toBe('2.20 kg');
  applyUnits('imperial');
  expect(unitsNow()).toBe('imperial');
  expect([plain(formatWeight(300)), plain(formatWeight(2200))]).toEqual(['10.6 oz', '4.85 lb']);
  expect(inOwnUnits('m')?.unit).toBe('ft');
  expect(inOwnUnits('g')).toEqual({ factor: 1 / 28.349523125, unit: 'oz' });
  expect([plain(exactIn(1.2192, 'm')), plain(exactIn(850.48569375, 'g'))]).toEqual([
    '4 ft',
    '30 oz',
  ]);
  expect(inOwnUnits('mm')).toBeNull();
  applyUnits('metric');
  expect(inOwnUnits('m')).toBeNull();
});
