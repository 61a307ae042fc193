/** Largest and smallest third-stop index of the marked series: f/0.5 to f/128. */
const FIRST_THIRD = -6;
const LAST_THIRD = 42;

/**
 * The marked f-numbers from f/1 to f/64 in thirds of a stop.
 *
 * Source: the marked series as engraved on lenses (ISO 517, from memory).
 */
const MARKED_FROM_F1 = [
  1, 1.1, 1.2, 1.4, 1.6, 1.8, 2, 2.2, 2.5, 2.8, 3.2, 3.5, 4, 4.5, 5, 5.6, 6.3, 7.1, 8, 9, 10, 11,
  13, 14, 16, 18, 20, 22, 25, 29, 32, 36, 40, 45, 51, 57, 64,
] as const;

/** Index in thirds of a stop from f/1 of the exact f-number nearest in log2 space. */
function nearestThird(fNumber: number): number {
  return Math.round(6 * Math.log2(fNumber));
}

/** Exact f-number of a third-stop index: 2^(i/6). */
function exactFNumber(third: number): number {
  return 2 ** (third / 6);
}

/** The marked f-number nearest to a value, as a photographer reads it (5.66 is f/5.6). */
export function markedFNumber(fNumber: number): number {
  const third = Math.min(LAST_THIRD, Math.max(FIRST_THIRD, nearestThird(fNumber)));
  const marked = MARKED_FROM_F1[third];
  return marked ?? Number(exactFNumber(third).toPrecision(2));
}

/** Stops of light lost from one f-number to another by their own values, 2·log2(b / a). */
export function stopsBetween(fromFNumber: number, toFNumber: number): number {
  return 2 * Math.log2(toFNumber / fromFNumber);
}

/** Marked full stops from `from` to `to`, both included. */
export function fullStops(from: number, to: number): number[] {
  const first = Math.ceil(nearestThird(from) / 3);
  const last = Math.floor(nearestThird(to) / 3);
  return Array.from({ length: last - first + 1 }, (_, i) =>
    markedFNumber(exactFNumber((first + i) * 3)),
  );
}
