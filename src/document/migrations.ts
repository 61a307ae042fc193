import { FILE_VERSION } from './outingFile';

/** Turns a document of one version into the next; pure, and never touched once released. */
type Migration = (file: unknown) => unknown;

/** Entry i leads from version i + 1 to version i + 2. Empty while version 1 is the only one. */
const MIGRATIONS: readonly Migration[] = [];

/** Brings a document of an older version to the newest, step by step. */
export function migrate(file: unknown, version: number): unknown {
  return MIGRATIONS.slice(version - 1, FILE_VERSION - 1).reduce((value, step) => step(value), file);
}
