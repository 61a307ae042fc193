import { BEHIND, type Beside, besideKey, MOST_BESIDE } from '@/core/compare';

const BETWEEN = ',';

/** The lenses that an address names; each once, and no more than stand side by side. */
export function besideOf(address: string | null): readonly Beside[] {
  const named = (address ?? '').split(BETWEEN).filter((part) => part !== '');
  return [...new Set(named)].slice(0, MOST_BESIDE).map((part) => {
    const [lensId = '', converterId = null] = part.split(BEHIND);
    return { lensId, converterId };
  });
}

/** How an address names them; null for none. */
export const addressOf = (beside: readonly Beside[]): string | null =>
  beside.length === 0 ? null : beside.map(besideKey).join(BETWEEN);
