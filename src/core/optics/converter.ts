/** Light lost to a converter of the given factor, stops: 2·log2(k). 1.4 costs 0.97, 2.0 costs 2. */
export function converterLossStops(factor: number): number {
  return 2 * Math.log2(factor);
}
