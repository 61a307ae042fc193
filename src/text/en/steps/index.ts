/** The arithmetic behind figures, step by step, in words. */
export {
  anyOrderSteps,
  CAPS_MM,
  changeSteps,
  carriedWeightSteps,
  orderSteps,
  roomSteps,
  tooBigSteps,
} from './carrySteps';
export {
  advantageSteps,
  buySteps,
  exactWeight,
  gapSteps,
  idsIn,
  priceSteps,
  wantsGotSteps,
  wantsSteps,
  weightSteps,
} from './lineupSteps';
export { exact, exactIn } from './exact';
export { distanceSteps } from './groundSteps';
export { marginSteps } from './marginSteps';
export { pictureSteps } from './pictureSteps';
export type { Step } from './step';
export { sumStep, type Summand } from './sumSteps';
