/** Numbers in, numbers out: the optics that everything else rests on. Knows nothing of gear. */
export {
  angleOfLengthDeg,
  angleOfViewDeg,
  focalLengthForAngleMm,
  lengthPerDistance,
} from './angleOfView';
export {
  focalLengthForMagnificationMm,
  focusDistanceMm,
  magnificationAt,
  magnificationAtFocusDistance,
  objectDistanceAtFocusDistanceMm,
} from './conjugates';
export {
  bellowsLossStops,
  closeUpLens,
  extensionForMagnificationMm,
  objectDistanceMm,
  tubeMagnification,
  workingDistanceMm,
} from './closeUp';
export { converterLossStops } from './converter';
export {
  blurDiscMm,
  circleOfConfusionMm,
  COC_DIAGONAL_DIVISOR,
  depthLimits,
  fNumberForBlur,
  fNumberForDepth,
  focusForDepthMm,
  hyperfocalMm,
} from './depthOfField';
export {
  airyDiscUm,
  cutoffPerMm,
  diffractionFNumber,
  nyquistPerMm,
  pixelPitchUm,
} from './diffraction';
export {
  effectiveFNumber,
  ev100FromLux,
  ev100Of,
  exposureValue,
  luminanceFromEv100,
  luxFromEv100,
  requiredIso,
  requiredTimeS,
  slowestFNumber,
} from './exposure';
export {
  exactFNumber,
  exactOfMarked,
  fullStops,
  markedFNumber,
  nominalStopsBetween,
  stopsBetween,
} from './fNumber';
export {
  FISHEYE_PROJECTIONS,
  type FisheyeCoverage,
  fisheyeCoverage,
  fisheyeHalfAngleDeg,
  fisheyeImageCircleMm,
  type FisheyeProjection,
} from './fisheye';
export { flashFNumber } from './flash';
export { type SubjectSize, tightness, turned } from './framing';
export {
  motionBlurMm,
  ruleOf500S,
  starTrailMm,
  timeForMotionBlurS,
  timeForStarTrailS,
} from './motion';
export {
  cropToBridge,
  fractionLeft,
  linearCropAllowed,
  type PixelSize,
  printPixels,
  printSizeMm,
} from './pixels';
export {
  cropFactor,
  equivalentDepthOfFieldFNumber,
  equivalentFocalLengthMm,
  FULL_FRAME,
  inscribedAspect,
  type SensorSide,
  type SensorSize,
  sideMm,
} from './sensor';
export { combinedStabiliserStops, exactTimeOfMarkedS, handHeldTimeS } from './shutter';
export { type DayPhase, dayPhase, type Sky, skyIlluminanceLux, SKY_DIVISORS } from './sky';
