/** What a file brings, beside what is on the shelf. */
export { FIELD_NAMES, fieldText } from './itemFields';
export { type Choices, TakingList } from './TakingList';
