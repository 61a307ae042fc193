/** The outing as stored, edited and exchanged: its file, the edits, the formats in and out. */
export { decode, decodeValue, encode, outingJsonSchema } from './codec';
export {
  addFrames,
  addGear,
  addShooter,
  type BodyRole,
  bodyRoleOf,
  type Edit,
  freeFrame,
  type GearEdit,
  type ItemOf,
  type Kind,
  type Lock,
  lockOf,
  moveFrame,
  placeFrame,
  putFrame,
  putStretch,
  putItem,
  removeFrame,
  removeFrames,
  removeItems,
  removeShooter,
  removeStretch,
  setLimits,
  setBodyRole,
  setLock,
  setOuting,
  setShares,
  setPacking,
  shelfIds,
  takeLineup,
} from './edits';
export {
  GROUND_KINDS,
  type GroundKind,
  type OnGround,
  putOnGround,
  removeFromGround,
  setGround,
  tieFrame,
} from './groundEdits';
export { groundOfPlaces, type PlaceNames } from './groundOfPlaces';
export {
  GROUND_TEMPLATES,
  groundFrom,
  type GroundTemplate,
  newClosed,
  newObstacle,
  newStation,
  newSubject,
  USUAL_CAMERA_M,
} from './groundTemplates';
export type { Refusal } from './reading';
export { type FieldIssue, type FieldProblem, issuesOf, problemOf, TELLING } from './problems';
export type { AsideReason } from './live/aside';
export { EMPTY_OUTING } from './emptyOuting';
export { everydayFrame } from './everyday';
export { freshId } from './freshId';
export {
  type Backup,
  type BackupIssue,
  type NoBackup,
  packBackup,
  planOnShelf,
  readBackup,
} from './backup';
export { FILE_FORMAT, type OutingFile, outingFile } from './outingFile';
export * from './desk';
export { framesOfClusters, gearOfSeen, type SeenNames } from './fromPhotographs';
export { readShotList, type ShotLine } from './formats/shotList';
export { copyItem, newItem, type NewNames } from './newGear';
export { copyOfFrame, framesOfLines, newFrame, STARTING_NEEDS, STARTING_OUTPUTS } from './newFrame';
export {
  countOf,
  type Fitting,
  fittingFrames,
  fittingGear,
  type LeftOut,
  type LeftOutProblem,
} from './fitting';
export {
  behindLenses,
  type GearLine,
  gearOfLines,
  readGearLines,
  type Understood,
} from './formats/gearLines';
export { VERSIONS } from './migrations';
export {
  allGear,
  asksTheSame,
  chosenOutings,
  type ForOuting,
  nextQuestionOf,
  whatIsAsked,
  withTimesAYear,
} from './nextQuestion';
