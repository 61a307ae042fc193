/** Reach: range and light of all lenses and frames in one picture. */
export { ReachPlace } from './ReachPlace';
