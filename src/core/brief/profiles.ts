import type { Limits } from './limits';

/**
 * Schools of choosing: an order of preferences and, where the school means it, limits. A profile
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
    limits: { converterPieces: 0, order: ['price', 'weight', 'speed'] },
  },
  {
    key: 'startWithLittle',
    limits: { wantRatePercent: 15, order: ['own', 'price', 'weight'] },
  },
  {
    key: 'buyOnceKeepLong',
    limits: {
      sources: ['owned', 'borrowed', 'wished'],
      wantRatePercent: 0,
      order: ['speed', 'crop', 'changes', 'weight'],
    },
  },
] as const satisfies readonly Profile[];

export type ProfileKey = (typeof PROFILES)[number]['key'];

/** Limits as a profile would have them; everything that it does not speak of stays. */
export function withProfile(limits: Limits, key: ProfileKey): Limits {
  const profile: Profile | undefined = PROFILES.find((p) => p.key === key);
  return { ...limits, ...profile?.limits };
}
