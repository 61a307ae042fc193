import { DEFAULT_LIMITS } from './limits';
import { profileOf, PROFILES, withProfile } from './profiles';

const plain = DEFAULT_LIMITS;

test('every profile is known again by the limits that it sets', () => {
  for (const { key } of PROFILES) expect(profileOf(withProfile(plain, key))).toBe(key);
  expect(profileOf({ ...plain, order: ['own', 'crop'] })).toBeNull();
});

test('another profile puts back what the one before set, and nothing else', () => {
  const mine = { ...plain, isoCeiling: 3200, lockedOut: ['x'] };
  for (const before of PROFILES) {
    for (const after of PROFILES) {
      const direct = withProfile(mine, after.key);
      expect(withProfile(withProfile(mine, before.key), after.key)).toEqual(direct);
      expect([direct.isoCeiling, direct.lockedOut]).toEqual([3200, ['x']]);
    }
  }
});
