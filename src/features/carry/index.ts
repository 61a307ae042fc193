/** The place Carry: the plan by stretch, the bag, the packing list, and what may go wrong. */
export { CarryPage } from './CarryPage';
