/** The outing, its wanted pictures and limits, and the need that follows from a frame. */
export { allowedBy, eligibleBodies, eligibleBy, eligibleGear } from './eligibility';
export {
  completeFrames,
  concerns,
  askedDistances,
  type Depth,
  type Footing,
  footingOf,
  isAskedTwice,
  isInSight,
  frame,
  type Frame,
  frameId,
  type FrameId,
  type Need,
  NOTHING_SPECIAL,
  type Orientation,
  type Output,
  type SharpDepth,
  type Special,
  type Standpoint,
  type BackupRule,
  type View,
  type Want,
} from './frame';
export {
  distanceAt,
  type Framing,
  framings,
  needAxis,
  type NeedAxis,
  pictureSensor,
  positionUnit,
  type PositionUnit,
} from './framing';
export { ev100AsGiven } from './givenLight';
export { type Light, type LightSource, type Movement } from './light';
export { ev100OfSource, moonAt, skyLightLux, type SunPosition, sunPosition } from './lightLevel';
export {
  DEFAULT_LIMITS,
  LATE_AIMS,
  type LateAim,
  type LensKinds,
  limits,
  type Limits,
} from './limits';
export { outing, type Outing, outingId } from './outing';
export { type Profile, type ProfileKey, profileOf, PROFILES, withProfile } from './profiles';
export { darker, hasReserve, NO_RESERVE, type Reserve, withReserve } from './reserve';
export { type SceneKey, SCENES } from './scenes';
export {
  type Presence,
  PERMISSION_KEYS,
  type PermissionKey,
  PLAIN_STRETCH,
  setupsStay,
  type Shooter,
  shooterId,
  type ShooterId,
  stationId,
  type StationId,
  stretch,
  type Stretch,
  stretchId,
  type StretchId,
  type Weather,
  WEATHERS,
} from './stretch';
export { SUBJECT_KEYS, type SubjectKey, SUBJECTS } from './subjects';
export {
  type Charging,
  compartment,
  type Compartment,
  type Carried,
  DEFAULT_PACKING,
  packedThing,
  type PackedThing,
  type PackedWeights,
  packing,
  type Packing,
} from './packing';
export { dayAfter, minutesBetween, minutesOf, timeOf } from './wallClock';
