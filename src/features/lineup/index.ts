/** Lineup: the choice, its proof, and why the others stay out. */
export { LineupPlace } from './LineupPlace';
