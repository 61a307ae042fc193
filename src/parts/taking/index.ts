/** What a file brings, beside what is on the shelf. */
export { type Choices, TakingList } from './TakingList';
