/** The day in lanes: what is on which camera when, what is in whose bag, and what it weighs. */
export { type Lanes, lanesOf } from './lanes';
export { LanesView } from './LanesView';
