import type { Frame, FrameId, Limits, Outing, Stretch } from '@/core/brief';
import type { Shelf } from '@/core/gear';

/** What is packed once some picture asks for it: a support, a flash. Giving them all up gives it up. */
export interface Load {
  readonly weightG: number;
  readonly frameIds: readonly FrameId[];
}

/** What a lineup is chosen for, from what, within what. */
export interface LineupQuestion {
  /** In what money prices are, where prices may be estimated. */
  readonly outing: Pick<Outing, 'shooters'> & Partial<Pick<Outing, 'currency'>>;
  readonly stretches: readonly Stretch[];
  readonly frames: readonly Frame[];
  readonly shelf: Shelf;
  readonly limits: Limits;
  /** What is packed besides items and bodies, g; counts where all that is carried is limited. */
  readonly packedG?: number;
  /** What is packed because of pictures; counts where all that is carried is limited. */
  readonly loads?: readonly Load[];
}
