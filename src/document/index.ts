/** The outing as stored, edited and exchanged: its file, the edits, the formats in and out. */
export {
  decode,
  decodeValue,
  encode,
  type FieldIssue,
  issuesOf,
  outingJsonSchema,
  type Refusal,
} from './codec';
export {
  addFrames,
  addGear,
  type BodyRole,
  bodyRoleOf,
  addShelf,
  type Edit,
  freshId,
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
  removeItems,
  removeStretch,
  setLimits,
  setBodyRole,
  setLock,
  setOuting,
  setPacking,
  shelfIds,
  takeLineup,
} from './edits';
export { plainMessage } from './messages';
export { kitName, namesOf } from './names';
export { FILE_FORMAT, FILE_VERSION, MAX_FRAMES, type OutingFile, outingFile } from './outingFile';
export { readShotList, type ShotLine } from './shotList';
export { decodeShelf, duplicatesOn, encodeShelf } from './shelfFile';
export { copyItem, lensOfLine, newItem } from './newGear';
