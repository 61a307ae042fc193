/** Photographs' own data to usage: what was used, against the plan, in hindsight, and what it teaches. */
export {
  type AgainstPlan,
  againstPlan,
  type ChangeMade,
  type FrameHad,
  learntShares,
} from './against';
export { type Assigned, assignPhotos, type Wanted } from './assign';
export { type ClockSuggestion, suggestClocks } from './clock';
export { type Cluster, clustersOf } from './clusters';
export { type CameraSeen, gearSeen, type GearSeen, type NewLens } from './gearSeen';
export {
  fewestFor,
  groupsOf,
  hindsight,
  type Hindsight,
  type HindsightPoint,
  type HindsightQuestion,
} from './hindsight';
export { endsOf, type Learnt, type Lesson, lessonsOf } from './lessons';
export {
  columnsOf,
  EMPTY_LOG,
  identityAt,
  joinedColumns,
  type Log,
  logBuilder,
  type LogColumns,
  type LogLists,
  logOf,
  nameAt,
  LIST_COLUMNS,
  type ListColumn,
  NUMBER_COLUMNS,
  type NumberColumn,
  numberAt,
  photoAt,
  photosOf,
} from './log';
export { joinedMarks, logMarks, type LogMarks, MOST_CLOCK_S, NO_MARKS } from './marks';
export {
  couldHaveMade,
  type Nameless,
  namelessIn,
  NO_NAME,
  saidLenses,
  toldApart,
} from './nameless';
export {
  outingBeginMs,
  outingSpan,
  stretchAt,
  stretchTimes,
  type StretchTime,
  takenWithin,
} from './outingTimes';
export {
  type Device,
  deviceKey,
  isPortrait,
  lensKey,
  type LensSeen,
  type LensSpecification,
  type Photo,
  type Place,
  UNKNOWN_DEVICE,
  UNKNOWN_LENS,
} from './photo';
export { recognised, type Recognised } from './recognise';
export { evAt, type Seen, seenOf, select, sensorAt } from './seen';
export {
  type Distribution,
  KEPT_FROM,
  lensGroups,
  type LensUsed,
  type Tally,
  type Usage,
  usageOf,
} from './usage';
export { type HindsightRules, type Kind, wouldMake } from './wouldMake';
