/** Controls without domain, and the theme. */
export { Button, IconButton } from './Button';
export { CellNumber, CellSelect, CellText } from './cells';
export { Dialog } from './Dialog';
export { FileInput } from './FileInput';
export { Choice, KnownField, NumberField, SelectField, TextArea, TextField, Tick } from './fields';
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
export { useFocusBefore, useInertBehind } from './focusBefore';
export { InView } from './InView';
export { Looking } from './Looking';
export { Menu, type MenuItem } from './Menu';
export { type Notice, notices, notify } from './notify';
export { AcrossMarks, AxisWords, marksOf, UpMarks } from './plotAxes';
export { type NameAsked, NAME_LINE_PX, placedNames } from './placedNames';
export { pngOfSvg } from './pngOfSvg';
export { Sentence } from './Sentence';
export { setSingleKeys, singleKeysOn } from './singleKeys';
export { EvenSlider, LogSlider } from './Slider';
export {
  applyTheme,
  colourNow,
  isNight,
  type Theme,
  THEME_SCRIPT,
  themeChosen,
  watchTheme,
} from './theme';
export { DrawnWords, Hatch } from './drawn';
export { standalonePng, standaloneSvg } from './standaloneSvg';
export { useNarrow, usePrinting } from './useMedia';
export { TAB_LOOK } from './tabLook';
export { TableHead } from './TableHead';
export { useSize } from './useSize';
