/** Limits that are usually the same on every outing, by the names that their fields have. */
export const USUAL_LIMIT_NAMES = {
  order: 'Order of preferences',
  lensKinds: 'Lenses',
  converters: 'Converters',
  wantRatePercent: 'Each item must add at least',
  converterPieces: 'A converter counts',
  tubePieces: 'A tube counts',
  adapterPieces: 'An adapter counts',
  circleOfConfusion: 'Circle of confusion',
  maxCrop: 'Crop at most',
  isoCeiling: 'ISO at most',
  needTolerancePercent: 'Focal length or angle, within',
  priceBasis: 'Prices',
} as const;
