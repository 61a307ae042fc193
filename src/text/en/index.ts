/** Everything that is said, in English. */
export { itemsText } from './behind';
export { counted, type Noun } from './counts';
export { besideText } from './beside';
export { changesText } from './changes';
export { aimText, amountText, bringInText, differenceSteps, worseText } from './differences';
export { fieldPathText } from './fieldPath';
export { missingText, understoodText } from './gearLine';
export { ABSENT, FIGURE_NAMES, figureLabel, figureText, measureUnit } from './figures';
export { copyName, GEAR_KINDS, NEW_MOUNT } from './gearKinds';
export { FIELD_NAMES, fieldText } from './itemFields';
export { LIMIT_REASONS, LIMIT_TEXTS, UNKNOWN_NOTES, USUAL_LIMIT_NAMES } from './limits';
export { lightText } from './light';
export {
  behindText,
  isolated,
  itemNameOf,
  stackName,
  type Nameable,
  namesOf,
  stationName,
} from './names';
export { FORGOTTEN, lineWords } from './packing';
export {
  asideText,
  csvProblemText,
  databaseRefusalText,
  fieldProblemText,
  firstProblemText,
  issueText,
  leftOutText,
  notReadText,
  plainMessage,
  refusalText,
} from './problems';
export { proofText } from './proof';
export * from './steps';
export { STARTER_TEXTS } from './starters';
export { stretchText, timesText } from './stretch';
export * from './codes';
export * from './words';
export { appText } from './app';
export { briefText } from './brief';
export { briefFormText } from './briefForms';
export { carryText } from './carry';
export { dialogText } from './dialogs';
export { groundText } from './ground';
export { helpText } from './help';
export { HELP_TITLES, HELP_TOPICS, helpTitleText, type HelpTopic } from './helpTopics';
export { hostText } from './host';
export { keepingText } from './keeping';
export { lineupText } from './lineup';
export { lessonText, logText } from './log';
export { costText, nextText, worthText, type YearOutings } from './next';
export { pageErrorText } from './pageError';
export { panelText } from './panels';
export { partsText } from './parts';
export { reachText } from './reach';
export { seasonText } from './season';
export { sessionText } from './session';
export { shelfText } from './shelf';
export { threeWaysText } from './threeWays';
export { workspaceText } from './workspace';
