/** Lenses side by side, whether or not any picture is wanted. */
export { BesidePage } from './BesidePage';
