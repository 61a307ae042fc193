/** Exact by the SI. */
export const MM_PER_M = 1000;
export const UM_PER_MM = 1000;
export const MINUTE_MS = 60_000;
/** A day of 24 hours; one on which clocks change has more or fewer. */
export const DAY_MS = 1440 * MINUTE_MS;
export const DEGREES_PER_RADIAN = 180 / Math.PI;
export const RADIANS_PER_DEGREE = Math.PI / 180;
/** Exact by the international agreement of 1959 (from memory). */
export const M_PER_FOOT = 0.3048;
export const G_PER_POUND = 453.59237;
export const G_PER_OUNCE = G_PER_POUND / 16;
