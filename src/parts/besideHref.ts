const BETWEEN = ',';

/** The keys of lenses side by side as an address has them, each once; null for none. */
export const besideAddress = (keys: readonly string[]): string | null =>
  keys.length === 0 ? null : [...new Set(keys)].join(BETWEEN);

/** The keys that an address has. */
export const besideKeys = (address: string | null): readonly string[] => [
  ...new Set((address ?? '').split(BETWEEN).filter((key) => key !== '')),
];

/** Where lenses stand side by side. */
export const besideHref = (keys: readonly string[]): string =>
  `/beside?lenses=${besideAddress(keys) ?? ''}`;
