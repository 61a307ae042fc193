/** Figures that can be questioned, and the steps behind them. */
export { Figure, type Step } from './Figure';
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
export { exact, exactIn, marginSteps } from './marginSteps';
export { pictureSteps } from './pictureSteps';
export { sumStep, type Summand } from './sumSteps';
