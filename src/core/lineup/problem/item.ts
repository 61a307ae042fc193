export type SelectableKind = 'lens' | 'converter' | 'tube' | 'adapter';

import type { Body } from '@/core/gear';

/** A body that may come along; it weighs as usual for its format where nobody knows it. */
export type WeighedBody = Body & { readonly weightG: number };

/** An item that the choice may take, with what it counts. */
export interface SelectableItem {
  readonly id: string;
  readonly kind: SelectableKind;
  readonly itemCost: number;
  /** As usual for its kind where nobody knows it. */
  readonly weightG: number;
  /** As usual for its kind where nobody knows it; null where that can't be said. */
  readonly price: number | null;
  /** Money it takes to have it; 0 for what is owned or borrowed, null like the price. */
  readonly spend: number | null;
  readonly owned: boolean;
  readonly lockedIn: boolean;
}
