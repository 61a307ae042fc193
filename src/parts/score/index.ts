/** The lineup as a score: a line a lens, a note a picture, along the axis of angle of view. */
export { MiniScore } from './MiniScore';
export {
  placeOf,
  type Score,
  type ScoreLine,
  type ScoreNote,
  lensesOnScore,
  scoreOf,
} from './score';
