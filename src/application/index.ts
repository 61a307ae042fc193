/** What answers a question, for page, command line and route alike. */
export {
  answerInFull,
  answerLineup,
  answerRivals,
  answerScenario,
  answerSchools,
  answerWorthKnowing,
  type Asked,
  LONGEST_TIME_S,
  type ScenarioAnswer,
  type SchoolAnswer,
  USUAL_TIME_S,
} from './answer';
