/** Open formats in and out: calendar, CSV and Markdown, lists of gear and pictures, the open lens database. */
export { calendarOf } from './calendar';
export {
  type CsvIssue,
  type CsvProblem,
  LENS_COLUMNS,
  LENS_CSV_TEMPLATE,
  type LensTable,
  readLensCsv,
  writeLensCsv,
} from './lensCsv';
export {
  type DatabaseCamera,
  type DatabaseLens,
  type DatabaseRefusal,
  type LensDatabase,
  mergeDatabases,
  readLensfun,
  type SkipReason,
} from './lensfun';
export { gearFromDatabase } from './lensfunGear';
export { groundGeoJson } from './groundGeoJson';
export { type PackedLine, packingCsv, packingMarkdown } from './packing';
