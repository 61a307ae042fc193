/** The open outing in the browser: its state with undo, and how it, the shelf and the settings are stored. */
export { type AsideEntry, asides, setAside } from './aside';
export { createDocumentStore, type DocumentState, type DocumentStore } from './documentStore';
export { type BrowserHost, createHost, lockHere, newId } from './host';
export type { KeeperNews, SeenParts } from './exchange';
export { createKeeper, type Keeper, type SaveState } from './keeper';
export { type KeyValue, openStores, problemOf, type StorageProblem, type Stores } from './keyValue';
export { hasLeftBehind } from './leftBehind';
export { hasOldStorage } from './oldPlaces';
export {
  deleteLeftSeason,
  goToSeason,
  leaveSeason,
  named,
  namedIn,
  type Place,
  placeOfTab,
} from './place';
export {
  allOutings,
  BIN_DAYS,
  openPersonal,
  openPlan,
  openPlanOrNewer,
  type OutingEntry,
  type Personal,
} from './opening';
export { ending, NoAnswerError } from './ending';
export { versionsKept } from './noteVersion';
export {
  changePhotographs,
  forgetRead,
  joinedLogs,
  keepRead,
  NO_PHOTOGRAPHS,
  openPhotographs,
  type Photographs,
  withPhotos,
} from './photographs';
export { type Host, type OutingKey, recordAt, type RecordKey, type StoredRecord } from './stored';
export {
  NewerVersionError,
  readRecord,
  removeDeleted,
  replaceRecord,
  type Seen,
  setDeleted,
} from './records';
export {
  allVersions,
  dropVersions,
  restoreVersions,
  type Version,
  versionsOf,
  versionText,
} from './versions';
