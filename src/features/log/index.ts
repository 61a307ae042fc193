/** What was really used, read from photographs, and what it teaches. */
export { LogPage } from './LogPage';
