/** One setup on one frame: the places it makes, its verdict and margins. */
export { exposureAsked, shortestWorkingMm } from './ableRange';
export { type Demand, demandOf, LIGHT_TOLERANCE_STOPS, outputPixels } from './demand';
export type { LightMargin, Margins } from './margins';
export { type Shortfall, shortfallOf } from './shortfall';
export {
  ableFinder,
  ablePlaces,
  isMade,
  type Lack,
  type PartCode,
  shortage,
  type Verdict,
  type VerdictCode,
  verdictOn,
  type VerdictPart,
} from './verdict';
export { type Format, type FrameSpan, frameSpan } from './span';
