/** The page Ground: a plan to scale of where one may stand, and what is measured from it. */
export { GroundPage } from './GroundPage';
