import { BEHIND, type Beside, besideKey, MOST_BESIDE } from '@/core/compare';
import { besideAddress, besideKeys } from '@/parts';

/** The lenses that an address names; no more than stand side by side. */
export const besideOf = (address: string | null): readonly Beside[] =>
  besideKeys(address)
    .slice(0, MOST_BESIDE)
    .map((key) => {
      const [lensId = '', converterId = null] = key.split(BEHIND);
      return { lensId, converterId };
    });

/** How an address names them; null for none. */
export const addressOf = (beside: readonly Beside[]): string | null =>
  besideAddress(beside.map(besideKey));
