/** The outing, its wanted pictures and limits, and the need that follows from a frame. */
export {
  type Depth,
  type Footing,
  footingOf,
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
  type View,
  type Want,
} from './frame';
export {
  type Framing,
  framings,
  needAxis,
  type NeedAxis,
  placeUnit,
  type PlaceUnit,
} from './framing';
export { type Light, type LightSource, type Movement } from './light';
export { ev100OfSource, type SunPosition, sunPosition } from './lightLevel';
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
export { type SceneKey, SCENES } from './scenes';
export {
  type Hand,
  PLAIN_STRETCH,
  type Shooter,
  shooterId,
  type ShooterId,
  stretch,
  type Stretch,
  stretchId,
  type StretchId,
} from './stretch';
export { type SubjectKey, SUBJECTS } from './subjects';
export {
  type Compartment,
  DEFAULT_PACKING,
  type PackedThing,
  packing,
  type Packing,
} from './packing';
