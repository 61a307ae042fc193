import type { Frame, Limits } from '@/core/brief';
import type { Shelf } from '@/core/gear';

/** What a lineup is chosen for, from what, within what. */
export interface LineupQuestion {
  readonly frames: readonly Frame[];
  readonly shelf: Shelf;
  readonly limits: Limits;
}
