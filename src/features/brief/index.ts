/** Brief: what the outing is, and the pictures wanted. */
export { BriefPlace } from './BriefPlace';
