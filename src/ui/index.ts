/** Parts that every place shares: controls, units and words, theme. */
export {
  buySteps,
  exact,
  exactWeight,
  Figure,
  gapSteps,
  idsIn,
  marginSteps,
  priceSteps,
  type Step,
  sumStep,
  type Summand,
  wantsGotSteps,
  wantsSteps,
  weightSteps,
} from './arithmetic';
export { behindText } from './behind';
export { Button, IconButton } from './Button';
export { CellNumber, CellSelect, CellText } from './cells';
export { Dialog } from './Dialog';
export { FileInput } from './FileInput';
export {
  Choice,
  KnownField,
  NumberField,
  readNumber,
  SelectField,
  TextArea,
  TextField,
  Tick,
} from './fields';
export {
  EntityForm,
  FormChoice,
  FormKnown,
  FormNumber,
  FormSelect,
  FormText,
  FormTextArea,
  useFormSet,
} from './form';
export * from './format';
export { useFocusBefore, useInertBehind } from './focusBefore';
export { readFile } from './readFile';
export { LeftOutList } from './LeftOutList';
export { Menu, type MenuItem } from './Menu';
export { type Notice, notices, notify } from './notify';
export { proofWords } from './proofWords';
export { Ranges } from './Ranges';
export { type FrameState, StateMark } from './StateMark';
export { applyTheme, isNight, type Theme, THEME_SCRIPT, themeChosen, watchTheme } from './theme';
export { applyUnits, inOwnUnits, type Units, UNITS_SCRIPT, unitsNow, watchUnits } from './units';
export { type Choices, FIELD_NAMES, fieldText, TakingList } from './taking';
export { USUAL_LIMIT_NAMES, UsualLimitFields } from './UsualLimitFields';
export { LogSlider } from './Slider';
export {
  advantageText,
  barredTexts,
  conflictText,
  FOOTING_HINTS,
  FOOTINGS,
  lightText,
  needText,
  OWNERSHIPS,
  placeText,
  PROFILE_NAMES,
  SCENE_NAMES,
  shortfallText,
  shortfallWord,
  SUBJECT_NAMES,
  TIME_RULES,
  WANTS,
  GRADE_NAMES,
  WEATHERS,
} from './words';
export { setSingleKeys, singleKeysOn } from './singleKeys';
