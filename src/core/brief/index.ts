/** The outing, its wanted pictures and limits, and the need that follows from a frame. */
export {
  type Footing,
  footingOf,
  frame,
  type Frame,
  frameId,
  type FrameId,
  type Light,
  type Need,
  type Orientation,
  type Output,
  type Want,
} from './frame';
export { type Framing, framings, needAxis, type NeedAxis } from './framing';
export { DEFAULT_LIMITS, limits, type Limits } from './limits';
export { outing, type Outing, outingId } from './outing';
export { type SceneKey, SCENES } from './scenes';
export { type SubjectKey, SUBJECTS } from './subjects';
