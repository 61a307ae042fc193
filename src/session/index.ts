/** One tab's work as hooks: the open outing, its answer, its history, what is selected. */
export { download } from './download';
export { startEarly } from './earlySession';
export {
  SessionProvider,
  useAnswer,
  useEdit,
  useFile,
  useFileNow,
  useFilePart,
  useHistory,
  useSession,
  useSessionState,
} from './hooks';
export { fetchDemo, type SessionState } from './session';
export { useSelection } from './useSelection';
