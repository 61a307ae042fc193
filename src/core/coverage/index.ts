/** One setup on one frame: the places it makes, its verdict and margins. */
export {
  AS_ASKED,
  CoverageMemory,
  type Covering,
  coveredPositions,
  coveringSetups,
  type Harder,
  stillCovering,
} from './covering';
export { type Exclusion, exclusionOf, isOfGrade } from './exclusions';
export { type Conflict, conflictOf } from './conflict';
export { coversAlone, isEnough } from './coversAlone';
export { coveredDistances } from './coveredDistances';
export { type Demand, demandOf, LIGHT_TOLERANCE_STOPS } from './demand';
export type { TimeRule } from './exposure';
export { filterFNumber, filterStops } from './filter';
export type { BlurMargin, LightMargin, Margins, SharpMargin } from './margins';
export { marginsOf, type Picture, pictureOf, type PictureSides, subjectSides } from './picture';
export { type Shortfall, shortfallOf } from './shortfall';
export { type Shot, type ShotExposure, shotOf } from './shot';
export { lacksOf, shortage } from './shortages';
export {
  byVerdict,
  isMade,
  type Lack,
  type PartCode,
  type Verdict,
  type VerdictCode,
  verdictOn,
  type VerdictPart,
} from './verdict';
export { nearestAskedM } from './usualFocus';
export { type PictureFormat, type FrameSpan, frameSpan } from './span';
