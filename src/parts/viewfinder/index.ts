/** The simulated viewfinder: a frame's subject at true scale, and what a setup takes in of it. */
export { Viewfinder, type ViewfinderSetup } from './Viewfinder';
