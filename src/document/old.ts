/** What is seldom needed when a page opens, and loaded then: what earlier pages and versions left. */
export { takeOverOldStorage } from './live/oldStorage';
export { takeLeftBehind } from './live/takeLeft';
