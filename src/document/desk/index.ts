/** What an open outing is made from (its plan, the person's shelf and settings), and the whole file of it. */
export {
  bag,
  type Bag,
  type ChosenOuting,
  DEFAULT_NEXT,
  DEFAULT_SETTINGS,
  EMPTY_SHELF,
  MOST_NEXT_OUTINGS,
  MOST_STEPS,
  type NextSettings,
  nextSettings,
  NO_GEAR,
  type PersonalShelf,
  type Settings,
  settings as settingsSchema,
  USUAL_LIMITS,
  type UsualKey,
  usualOf,
} from './personal';
export { type Arrangement, type Plan, MAX_FRAMES, type Ties, USUAL_TIES } from './plan';
export { comingGear, type Desk, fileOf, knownGear, planAfter } from './view';
export { join, type Joined, same, shared } from './join';
export { planCodec, settingsCodec, shelfCodec, type Codec } from './codecs';
export { followingGround, withoutDangling } from './references';
export {
  alreadyOn,
  type AnyItem,
  comparedGear,
  type Compared,
  doubled,
  planOfFile,
  takenIn,
  takenOntoShelf,
  typedOntoShelf,
  type Taking,
  usualTaking,
} from './takingIn';
export {
  arrangeAll,
  type DeskEdit,
  editGear,
  followUsual,
  keepOnShelf,
  setBags,
  setSettings,
  setStanding,
  setTies,
  setUsualThings,
} from './editing';
export { copyOf, newPlan, planAlone } from './newPlan';
export { type Change, type ChangedPart, planChanges, shelfChanges } from './changes';
