/** Figures that can be questioned: each opens the steps behind it. */
export { Figure } from './Figure';
