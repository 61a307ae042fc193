/** The lineup as a score: a line a lens, a note a picture, along the axis of angle of view. */
export { MiniScore } from './MiniScore';
export {
  placeOf,
  type Score,
  type ScoreLine,
  type ScoreNote,
  type ScoreRange,
  lensesOnScore,
  scoreOf,
  SMALL_PX,
  USUAL_PX,
} from './score';
