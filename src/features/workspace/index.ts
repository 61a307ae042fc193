/** The frame around all places: name, navigation, standing line, file and undo. */
export { Workspace } from './Workspace';
export { PageError } from './PageError';
