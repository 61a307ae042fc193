/** The plan by stretch: what hangs on which body, what is changed when, what is carried and packed. */
export {
  fewestChanges,
  type Put,
  type Schedule,
  type ScheduleOptions,
  type PlanStep,
} from './changes';
export {
  type CarryAnswer,
  carryAnswer,
  type CarryAssignment,
  type CarryPlan,
  type CarryQuestion,
  type CarryStretch,
  type Doing,
  preferredPlan,
  type OnBody,
  type Weights,
} from './plan';
export { framesAsPlanned } from './asPlanned';
export { type AssignedSetup, type Option, type Shift, shiftsOf, type Task } from './tasks';
export {
  type BagAnswer,
  type BagItem,
  packBag,
  type Placed,
  type BlockSides,
  volumeMm3,
} from './bag';
export { type Caution, cautionsFor } from './cautions';
export {
  FORGOTTEN_OFTEN,
  type ForgottenOften,
  packingList,
  type PackingLine,
  USUAL_PICTURES_A_FRAME,
} from './packingList';
export { type CarriedWeight, carriedWeight, packedAnyhowG } from './packedWeight';
export { solveCarried, solveWithinWeight } from './withinWeight';
export { afterScenario, lostTo, type Scenario } from './scenario';
export { takenItems } from './tasks';
