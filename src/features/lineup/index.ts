/** Lineup: the choice, its proof, and why the others stay out. */
export { LineupPage } from './LineupPage';
