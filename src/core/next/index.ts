/** Buying over all outings: what adds most, what can go, what to exchange, and renting against buying. */
export { answersOf, hadNow, type NextRun, type YearWorth } from './answering';
export { fieldOf, type HeldWhy, type NextField } from './field';
export {
  type CameraChange,
  type Missing,
  missing,
  type MissingKind,
  type OfOuting,
} from './missing';
export type { Cost } from './money';
export { type BuyOnce, buyOnce } from './once';
export {
  type BuyingPath,
  buyingPath,
  type PathStep,
  type PathTerms,
  stepsToEqual,
} from './buyingPath';
export {
  NEXT_AFTER,
  type NextAfter,
  type NextOuting,
  type NextQuestion,
  type Tradable,
  type TradeTerms,
} from './question';
export { type RentOrBuy, rentOrBuy, type RentTerms } from './rent';
export { type Selling, selling, type Unneeded } from './sell';
export type { GoalName, NextOpen } from './solving';
export { type NextThing, type OneStep, oneStep, withChanges } from './step';
export { type Exchange, type Swapping, swapping, type System } from './swap';
export { difference, type OutingWorth, type Worth } from './worth';
