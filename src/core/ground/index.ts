/** A plan to scale: distances, lines of sight, and where one may stand. */
export { type BandQuestion, flatRange, isInBand } from './bands';
export {
  type ClosedGround,
  EMPTY_GROUND,
  ground,
  type Ground,
  type GroundSubject,
  isRound,
  type Obstacle,
  type Point,
  type Station,
  type Underlay,
  WIDEST_SHEET_M,
} from './ground';
export { type Place, placeOn, pointOn } from './local';
export { edgesOf, measure, type Measured } from './measure';
export { between, edgesAlong, flatM, isInside } from './plane';
export {
  type Eye,
  heightNeededM,
  outlineOf,
  type Screen,
  screensOf,
  sees,
  shadowOf,
} from './sight';
export { measuredFrames, seenPercent } from './standpoints';
export {
  directionOf,
  type LightFrom,
  type LightSince,
  lightThrough,
  sunOver,
  type SunOverPlan,
  sunShadowOf,
  sunsOver,
} from './sun';
export { isInWedge, wedgeOf } from './wedge';
