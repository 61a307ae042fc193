/** Numbers in, numbers out: the optics that everything else rests on. Knows nothing of gear. */
export { angleOfLengthDeg, angleOfViewDeg, lengthPerDistance } from './angleOfView';
export {
  focusDistanceMm,
  LIFE_SIZE_SLOPE,
  magnificationAt,
  objectDistanceMm,
  slopeOfMagnification,
} from './conjugates';
export { tubeMagnification } from './closeUp';
export {
  blurDiscMm,
  circleOfConfusionMm,
  fNumberForBlur,
  fNumberForDepth,
  focusForDepthMm,
  hyperfocalMm,
} from './depthOfField';
export { diffractionFNumber, pixelPitchUm } from './diffraction';
export {
  effectiveFNumber,
  ev100FromLux,
  ev100Of,
  requiredIso,
  requiredTimeS,
  slowestFNumber,
} from './exposure';
export { fullStops, markedFNumber, stopsBetween } from './fNumber';
export {
  FISHEYE_PROJECTIONS,
  fisheyeFocalMm,
  fisheyeImageCircleMm,
  type FisheyeProjection,
} from './fisheye';
export { flashFNumber } from './flash';
export { type SubjectSize, tightness, turned } from './framing';
export { ruleOf500S, timeForMotionBlurS, timeForStarTrailS } from './motion';
export {
  cropToBridge,
  fractionLeft,
  linearCropAllowed,
  type PixelSize,
  printPixels,
} from './pixels';
export {
  cropFactor,
  equivalentFocalLengthMm,
  FULL_FRAME,
  inscribedAspect,
  type SensorSide,
  type SensorSize,
  sideMm,
} from './sensor';
export { combinedStabiliserStops, handheldTimeS } from './shutter';
export {
  type DayPhase,
  dayPhase,
  type Moon,
  moonIlluminanceLux,
  type Sky,
  skyIlluminanceLux,
  SKY_DIVISORS,
} from './sky';
