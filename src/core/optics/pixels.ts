const MM_PER_INCH = 25.4;

export interface PixelSize {
  readonly longPx: number;
  readonly shortPx: number;
}

/** Pixels that a print needs at a resolution in dots per inch. */
export function printPixels(longMm: number, shortMm: number, dpi: number): PixelSize {
  return { longPx: (longMm / MM_PER_INCH) * dpi, shortPx: (shortMm / MM_PER_INCH) * dpi };
}

/**
 * Largest linear crop that leaves the wanted pixels on both sides; below 1 when even the whole
 * picture has too few.
 */
export function linearCropAllowed(have: PixelSize, wanted: PixelSize): number {
  return Math.min(have.longPx / wanted.longPx, have.shortPx / wanted.shortPx);
}

/** Share of the pixels that a linear crop leaves: 1 / crop². A 2× crop keeps a quarter. */
export function fractionLeft(linearCrop: number): number {
  return 1 / (linearCrop * linearCrop);
}

/** Linear crop by which one focal length stands in for a longer one. */
export function cropToBridge(focalHaveMm: number, focalWantedMm: number): number {
  return focalWantedMm / focalHaveMm;
}
