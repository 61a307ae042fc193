/** Everything that is said, in English. */
export { behindText } from './behind';
export { changesText } from './changes';
export { aimText, amountText, bringInText, differenceSteps, worseText } from './differences';
export { fieldPathText } from './fieldPath';
export { missingText, understoodText } from './gearLine';
export { FIELD_NAMES, fieldText } from './itemFields';
export { USUAL_LIMIT_NAMES } from './limits';
export { isolated, kitName, type Nameable, namesOf } from './names';
export { FORGOTTEN, lineWords } from './packing';
export { proofWords } from './proof';
export * from './steps';
export { stretchText } from './stretch';
export * from './words';
