/** What answers a question, for page, command line and route alike. */
export {
  answerDay,
  answerInFull,
  answerLineup,
  rememberingGear,
  answerAlternatives,
  answerScenario,
  answerProfiles,
  answerRoom,
  answerWorthKnowing,
  type AnyQuestion,
  LONGEST_TIME_S,
  type ScenarioAnswer,
  type ProfileAnswer,
  type RoomAnswer,
  USUAL_TIME_S,
} from './answer';
export {
  createLogAnswers,
  type HindsightAsked,
  type LogAnswers,
  type LogOuting,
  type LogScope,
  type LogView,
  type OutingAnswer,
  type UsedBesides,
} from './log';
export { answerNext, type Buying, type NextAnswer, type NextAsk } from './next';
