/** Brief: what the outing is, and the pictures wanted. */
export { BriefPage } from './BriefPage';
