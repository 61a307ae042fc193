/** Gear in and out in open formats: CSV tables, and the open Lensfun database. */
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
