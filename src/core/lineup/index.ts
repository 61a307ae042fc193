/** The choice: the fewest lenses that get the frames, proven, with its reasons. */
export { type AimValue, type Choice, costsOf, type Open } from './choose';
export type { ConflictMember, Kept, LimitConflict, WayOut } from './conflicts';
export {
  type Difference,
  exploreBeside,
  exploreLineup,
  type ExploreOptions,
  type IfBreaks,
  type LineupRivals,
  type OutReason,
  type TradeOff,
  type TradePoint,
  whyOut,
} from './explore';
export { type Deadline, deadlineIn, finishingBy } from './deadline';
export { type Field, fieldOf } from './field';
export { bestOfEachKit } from './frames';
export {
  type MipModel,
  type MipOutcome,
  type MipRow,
  type MipSession,
  type MipSolver,
  NOT_SEARCHED,
  type Reached,
} from './mipSolver';
export { modelOf } from './model';
export { type Aim, AIM_TOLERANCE, type AimName, aimsOf, wantSharesPercent } from './objective';
export type { Proof, Witness } from './proof';
export { reduce, type Reduced } from './reduce';
export {
  type Advantage,
  equivalentRange,
  type Gap,
  gapsOf,
  type Overlap,
  overlapsOf,
} from './ranges';
export {
  type Carried,
  type Cover,
  type FrameResult,
  type InHand,
  type LensIn,
  type LensOut,
  type LineupResult,
  type Note,
  type Reason,
  type Totals,
} from './result';
export { type Piece, priceOf, selectable, type Selectable, spendOf } from './selectable';
export { firstPerson, type Hand, handsOf } from './hands';
export { lensLacks } from './lenses';
export { framesThere, type Occasion, occasionsOf } from './occasions';
export type { LineupQuestion } from './question';
export { type Knowable, type UnknownFigure, type WorthKnowing, worthKnowing } from './worthKnowing';
export {
  draftOf,
  explain,
  solveChoice,
  type Solved,
  solveLineup,
  type SolveOptions,
} from './solveLineup';
