/** Reach: range and light of all lenses and frames in one picture. */
export { ReachPage } from './ReachPage';
