import { completeFrames } from '@/core/brief';
import type { CarryQuestion } from '@/core/carry';
import type { LineupQuestion } from '@/core/lineup';

/** A question as it is posed: an outing's file, or a part of it. */
export type Posed = LineupQuestion & Partial<Pick<CarryQuestion, 'packing'>>;

/**
 * What of a file is asked about: without what the choice does not depend on, which is the packing
 * unless all that is carried is limited, and what is ticked off always.
 */
export function asked(posed: Posed): LineupQuestion | CarryQuestion {
  const { outing, stretches, frames, shelf, limits, packing } = posed;
  const question = { outing, stretches, frames: completeFrames(frames), shelf, limits };
  if (limits.maxCarriedWeightG === null || packing === undefined) return question;
  return {
    ...question,
    outing: { currency: 'EUR', ...outing },
    packing: { ...packing, ticked: [] },
  };
}
