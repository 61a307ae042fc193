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
export { converterLossStops } from './converter';
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
export { type SubjectSize, tightness, turned } from './framing';
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
