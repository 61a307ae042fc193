/** The choice: the fewest lenses that get the frames, proven, with its reasons. */
export { bestOfEachKit, byVerdict } from './frames';
export type { MipModel, MipOutcome, MipRow, MipSession, MipSolver } from './mipSolver';
export { type Aim, AIM_TOLERANCE, aimsOf, wantSharesPercent } from './objective';
export type { Proof, Witness } from './proof';
export {
  equivalentRange,
  type Gap,
  gapsOf,
  type Overlap,
  type OverlapReason,
  overlapsOf,
} from './ranges';
export {
  type Conflict,
  type Cover,
  type FrameResult,
  type LensIn,
  type LensOut,
  type LineupResult,
  type Note,
  type PlaceUnit,
  type Totals,
} from './result';
export { type Piece, selectable, type Selectable } from './selectable';
export { lensLacks } from './lenses';
export type { LineupQuestion } from './question';
export { solveLineup, type SolveOptions } from './solveLineup';
