import { SOURCES } from '@/core/gear';
import { DEFAULT_LIMITS, type Limits } from './limits';

/**
 * Profiles of choosing: an order of preferences and, where it means it, limits. A profile
 * never changes what is physically covered, only what may be chosen and what is preferred.
 */
export interface Profile {
  readonly key: string;
  readonly limits: Partial<
    Pick<
      Limits,
      | 'order'
      | 'lensKinds'
      | 'converters'
      | 'neverChange'
      | 'maxLenses'
      | 'wantRatePercent'
      | 'converterPieces'
      | 'sources'
      | 'maxCrop'
    >
  >;
}

/** Common practice, no source: how working photographers disagree. */
export const PROFILES = [
  { key: 'fewestLightest', limits: { order: ['weight', 'price'] } },
  {
    key: 'oneZoomNeverChange',
    limits: { maxLenses: 1, neverChange: true, lensKinds: 'zooms', order: ['crop', 'weight'] },
  },
  {
    key: 'constantZooms',
    limits: { lensKinds: 'constant-zooms', order: ['speed', 'changes', 'weight', 'price'] },
  },
  {
    key: 'smallFastPrimes',
    limits: { lensKinds: 'primes', order: ['speed', 'weight', 'price'] },
  },
  {
    key: 'twoBodiesNeverChange',
    limits: { neverChange: true, order: ['changes', 'speed', 'weight'] },
  },
  {
    key: 'nativeLongLens',
    limits: { converters: false, order: ['speed', 'crop', 'weight', 'price'] },
  },
  {
    key: 'firstClassWithConverter',
    limits: { converterPieces: 0, order: ['grade', 'price', 'weight', 'speed'] },
  },
  {
    key: 'startWithLittle',
    limits: { wantRatePercent: 15, order: ['own', 'price', 'weight'] },
  },
  {
    key: 'buyOnceKeepLong',
    limits: {
      sources: [...SOURCES],
      wantRatePercent: 0,
      order: ['speed', 'crop', 'changes', 'weight'],
    },
  },
] as const satisfies readonly Profile[];

export type ProfileKey = (typeof PROFILES)[number]['key'];

/** The profile that limits are set by, all of what it speaks of; null when they are the person's own. */
export function profileOf(limits: Limits): ProfileKey | null {
  const isSo = ({ limits: profileLimits }: Profile) =>
    Object.entries(profileLimits).every(
      ([name, value]) => JSON.stringify(limits[name as keyof Limits]) === JSON.stringify(value),
    );
  return PROFILES.find(isSo)?.key ?? null;
}

/**
 * Limits as a profile would have them; everything that it does not speak of stays, but what an
 * earlier profile set goes back to what is usual.
 */
export function withProfile(limits: Limits, key: ProfileKey): Limits {
  const before = profileOf(limits);
  const names = Object.keys(profileBy(before)?.limits ?? {}) as (keyof Limits)[];
  const usual = Object.fromEntries(names.map((name) => [name, DEFAULT_LIMITS[name]]));
  return { ...limits, ...usual, ...profileBy(key)?.limits };
}

function profileBy(key: ProfileKey | null): Profile | undefined {
  return PROFILES.find((p) => p.key === key);
}
