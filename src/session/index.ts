/** One tab's work as hooks: the open outing, its answer, its history, what is selected. */
export type { Restored, RestoredOuting, Restoring } from './backups';
export type { Library, NotOpened } from './library';
export { download, downloadOuting } from './download';
export type { PhotographKeeper, PhotographsState, ReadingDone, TableProblem } from './photographs';
export { usePhotographKeeper, usePhotographs } from './usePhotographs';
export { rescueOuting } from './rescue';
export { enterSeason, isSeason, leaveSeason } from './season';
export { startEarly } from './earlySession';
export {
  SessionProvider,
  ShownFile,
  useAnswer,
  useDesk,
  useDeskNow,
  useEdit,
  useEditDesk,
  useEditGear,
  useFile,
  useFileNow,
  useFilePart,
  useHistory,
  useKnownGear,
  useSession,
  useSessionState,
} from './hooks';
export { fetchDemo } from './opening';
export type { SessionState } from './session';
export { type Reading, useReading } from './useReading';
export { type FormerLessons, useFormerLessons } from './useFormerLessons';
export { useOnceAnswered } from './useOnceAnswered';
export { useOtherOutings } from './useOtherOutings';
export { useAnswerTo } from './useAnswerTo';
export { type Background, useBackground, useBegun } from './useBackground';
export { useFrameResults } from './planned';
export { type CarryState, useCarryPlan } from './useCarryPlan';
export { type SavedOuting, useOutingKey, useSavedOutings } from './useSavedOutings';
export { useSelection } from './useSelection';
