/** What the machine that serves the application has to give. */
export {
  createLensLookup,
  FOLDER_VARIABLE,
  type DatabaseMatches,
  lensLookup,
  USUAL_FOLDER,
} from './lensDatabase';
export { outingPost } from './outingPost';
export { season } from './season';
