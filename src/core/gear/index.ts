/** The shelf: bodies, lenses, converters, and the setups that can be mounted from them. */
export { body, type Body, bodyId, type BodyId } from './body';
export { GEAR_RANGES, itemId, itemName, ownership, type Ownership } from './common';
export { converter, type Converter, converterId, type ConverterId } from './converter';
export {
  type AperturePoint,
  countingRange,
  type FocalRange,
  isPrime,
  lens,
  type Lens,
  lensId,
  type LensId,
  widestFNumber,
} from './lens';
export { type Kit, kitKey, mountableSetups, type Setup, setupOf } from './setup';
export { type Mount, mountFits, shelf, type Shelf, SHELF_LIMITS } from './shelf';
