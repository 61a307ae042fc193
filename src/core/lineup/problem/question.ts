import type { Frame, Limits, Outing, Stretch } from '@/core/brief';
import type { Shelf } from '@/core/gear';

/** What a lineup is chosen for, from what, within what. */
export interface LineupQuestion {
  readonly outing: Pick<Outing, 'shooters'>;
  readonly stretches: readonly Stretch[];
  readonly frames: readonly Frame[];
  readonly shelf: Shelf;
  readonly limits: Limits;
  /** What is packed besides items and bodies, g; counts where all that is carried is limited. */
  readonly packedG?: number;
}
