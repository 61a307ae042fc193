/** Five short illustrated pages. */
export { HelpPage } from './HelpPage';
