export type SelectableKind = 'lens' | 'converter' | 'tube' | 'adapter';

/** An item that the choice may take, with what it counts. */
export interface SelectableItem {
  readonly id: string;
  readonly kind: SelectableKind;
  readonly itemCost: number;
  /** As usual for its kind where nobody knows it. */
  readonly weightG: number;
  readonly price: number | null;
  /** Money it takes to have it; 0 for what is owned or borrowed, null when not known. */
  readonly spend: number | null;
  readonly owned: boolean;
  readonly lockedIn: boolean;
}
