/** The outing as stored and exchanged: its file, the formats in and out. */
export { decode, decodeValue, encode, type FieldIssue, issuesOf, outingJsonSchema, type Refusal } from './codec';
export { FILE_FORMAT, FILE_VERSION, MAX_FRAMES, type OutingFile, outingFile } from './outingFile';
