/** The choice: the fewest lenses that get the frames, proven, with its reasons. */
export {
  type AimValue,
  type Choice,
  choose,
  costsOf,
  NOTHING_GOT,
  type Open,
} from './solve/choose';
export type { ConflictMember, LimitConflict } from './explain/conflicts';
export type { KeptOut, WayOut } from './explain/waysOut';
export {
  type Difference,
  exploreAlternatives,
  alternativesOf,
  type ExploreOptions,
  type IfBreaks,
  type Alternatives,
  type OutReason,
  type TradeOff,
  type TradePoint,
  whyOut,
} from './explore/alternatives';
export {
  type Deadline,
  deadlineIn,
  earlier,
  endingBy,
  finishingBy,
  unlessCut,
} from './solve/deadline';
export { type Problem, problemOf } from './problem/problem';
export type { Assumption } from './explain/assumptions';
export { bestOfEachStack, coverOf } from './explain/frames';
export {
  type MipModel,
  type MipOutcome,
  type MipRow,
  type MipSession,
  type MipSolver,
  NOT_SEARCHED,
  type Reached,
  rowOver,
  sessionWith,
} from './solve/mipSolver';
export { type CoveringModel, modelOf } from './solve/model';
export { type Aim, AIM_TOLERANCE, type AimName, aimsOf } from './problem/aims';
export { shareGot, wantSharesPercent } from './problem/wantShares';
export {
  LIMIT_KEYS,
  type LimitKey,
  type SumLimit,
  type BeyondLimit,
  type UnknownUnderLimit,
} from './problem/limitRules';
export type { Proof, Witness } from './prove/proof';
export { presolve, type Presolved } from './presolve/presolve';
export {
  type Advantage,
  equivalentRange,
  type Gap,
  gapsOf,
  type Overlap,
  overlapsOf,
} from './explain/ranges';
export {
  bestCover,
  type Carried,
  type Cover,
  type FrameResult,
  type AssignmentOutcome,
  type LensIn,
  type LensOut,
  type LineupResult,
  type OnceReason,
  type Note,
  type Reason,
  type Totals,
} from './explain/result';
export { priceOf, pricingOf } from './problem/pricing';
export { type EstimatedFigure, selectable, type Selectable } from './problem/selectable';
export type { SelectableItem } from './problem/item';
export { firstPerson, type Assignment, assignmentsOf } from './problem/assignments';
export { freed, type Freeing, freeingsOf } from './explain/freeing';
export { lensLacks } from './explain/lenses';
export type { Load } from './problem/question';
export { everyOpportunityOf, framesThere, type Opportunity } from './problem/opportunities';
export type { LineupQuestion } from './problem/question';
export { AS_DESCRIBED, type Change, type TurnsOut, turnsOut } from './explore/lineupAtHand';
export {
  type Fragile,
  type HowWrong,
  howWrong,
  type HowWrongAll,
  mostFragile,
  type Slack,
  type Way,
  WAYS,
} from './explore/howWrong';
export {
  type Knowable,
  type UnknownFigure,
  type WorthKnowing,
  worthKnowing,
} from './explore/worthKnowing';
export {
  draftOf,
  explain,
  solveChoice,
  type Solved,
  solveLineup,
  type SolveOptions,
} from './solveLineup';
