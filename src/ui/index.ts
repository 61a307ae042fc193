/** Parts that every place shares: controls, units and words, theme. */
export { Arithmetic } from './Arithmetic';
export { behindText } from './behind';
export { Button, IconButton } from './Button';
export { Dialog } from './Dialog';
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
export { Menu, type MenuItem } from './Menu';
export { type FrameState, StateMark } from './StateMark';
export { applyTheme, isNight, THEME_SCRIPT, watchTheme } from './theme';
export {
  conflictText,
  FOOTING_HINTS,
  FOOTINGS,
  lightText,
  needText,
  overlapReasonText,
  OWNERSHIPS,
  placeText,
  SCENE_NAMES,
  shortfallText,
  shortfallWord,
  SUBJECT_NAMES,
  TIME_RULES,
  WANTS,
} from './words';
