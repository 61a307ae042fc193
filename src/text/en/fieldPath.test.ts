import { isolated } from '@/text';
import { fieldPathText } from './fieldPath';

test('a field is called by what it is of', () => {
  const whole = { frames: [{ name: 'Finish, tight', need: { toM: 0 } }], limits: { maxCrop: 9 } };
  expect(fieldPathText('frames[0].need.toM', whole)).toBe('“Finish, tight”, need.toM');
  expect(fieldPathText('frames[0].need.toM', { plan: whole })).toBe('“Finish, tight”, need.toM');
  expect(fieldPathText('limits.maxCrop', whole)).toBe('limits.maxCrop');
  expect(fieldPathText('', whole)).toBe('the outing');
});

test('a name that runs from right to left is isolated, and no other', () => {
  expect(isolated('Finish, tight')).toBe('Finish, tight');
  expect(isolated('שלום')).toBe('\u2068שלום\u2069');
});
