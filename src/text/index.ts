/** All that is said: numbers with their units, and sentences. */
export * from './en';
export * from './format';
export { anyOf, listOf, plainList } from './lists';
export { applyUnits, inOwnUnits, type Units, UNITS_SCRIPT, unitsNow, watchUnits } from './units';
export { doubtOf, readTyped } from './typedNumber';
export { usualText } from './usualText';
