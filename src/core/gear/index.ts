/** The shelf: bodies, lenses, what stands between them, and the setups that can be mounted from them. */
export { adapter, type Adapter, adapterId, type AdapterId } from './adapter';
export { body, type Body, bodyId, type BodyId, pixelsOfSensor } from './body';
export {
  GEAR_RANGES,
  itemId,
  itemName,
  lineOfText,
  mountName,
  ABSENCES,
  type Absence,
  isAway,
  loan,
  type Loan,
  loanDays,
  ownership,
  type Source,
  sourceOf,
  SOURCES,
  type Ownership,
  within,
} from './common';
export {
  BODY_FIGURES,
  type BodyFigure,
  type GearFigure,
  type FigureKey,
  FIGURES,
  figuresOf,
  ITEM_FIGURES,
  LENS_FIGURES,
  type LensFigure,
  type Measure,
  unknownOf,
} from './figures';
export { converter, type Converter, converterId, type ConverterId } from './converter';
export {
  type AperturePoint,
  countingRange,
  type FocalRange,
  type Grade,
  GRADES,
  isPrime,
  lens,
  type Lens,
  lensId,
  type LensId,
  apertureEnds,
  widestFNumber,
} from './lens';
export {
  type MountedStack,
  isBare,
  type Stack,
  stackKey,
  stackItemIds,
  mountableStacks,
} from './stack';
export {
  USUAL_MEGAPIXELS,
  USUAL_PRICE_ERROR,
  USUAL_WEIGHT_ERROR,
  usualBehindSizeMm,
  usualBodySizeMm,
  usualFigure,
  type UsualFor,
  type Weighing,
  weighingOf,
} from './usual';
export { hasUsualPrices, USUAL_WITHIN } from './usualLens';
export { type KindOfLens, kindsMade, slowerThan } from './kindsMade';
export { formatKey, mountableSetups, type Setup, setupOf, setupOfStack } from './setup';
export {
  ITEM_KINDS,
  ITEM_SCHEMAS,
  itemsOf,
  lensesFirst,
  type ItemKind,
  type Mount,
  mount,
  mountFits,
  newMounts,
  itemsWithoutBodies,
  mapShelf,
  withItems,
  shelf,
  type Shelf,
  SHELF_LIMITS,
  shelfParts,
} from './shelf';
export { tube, type Tube, tubeId, type TubeId } from './tube';
