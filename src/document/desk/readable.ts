import type * as z from 'zod';
import { err, ok, type Result } from '@/core/result';
import { outingFile, type OutingFile } from '../outingFile';
import { type FieldIssue, issuesOf, TELLING } from '../problems';
import { remembering } from '../remembering';
import { shared } from './join';
import { personalShelf, settings } from './personal';
import { plan } from './plan';
import type { Desk } from './view';

/** Why an edit is not made: what it would leave could not be read again. */
export interface Unreadable {
  readonly code: 'unreadable';
  readonly issues: readonly FieldIssue[];
}

const PARTS = {
  plan: remembering(plan),
  shelf: remembering(personalShelf),
  settings: remembering(settings),
} as const;
const FILE = remembering(outingFile);

/** The parts of a desk after an edit, as the schemas read them that read what is stored. */
export function readableDesk(before: Desk, after: Desk): Result<Desk, Unreadable> {
  const issues: FieldIssue[] = [];
  const read = <T>(schema: z.ZodType<T>, was: T, is: T): T => {
    const part = is === was ? ok(was) : readPart(schema, is);
    if (!part.ok) issues.push(...part.error.issues);
    return part.ok ? part.value : is;
  };
  const desk: Desk = {
    plan: read(PARTS.plan, before.plan, after.plan),
    shelf: read(PARTS.shelf, before.shelf, after.shelf),
    settings: read(PARTS.settings, before.settings, after.settings),
  };
  return issues.length === 0 ? ok(desk) : err({ code: 'unreadable', issues });
}

/** The whole file after an edit, as the schema reads it that reads what is exported. */
export function readableFile(
  before: OutingFile,
  after: OutingFile,
): Result<OutingFile, Unreadable> {
  if (after === before) return ok(after);
  const read = readPart(FILE, after);
  // Another tab can bring together what neither has refused: then an edit is not the one to blame.
  return read.ok || FILE.safeParse(before).success ? read : ok(after);
}

function readPart<T>(schema: z.ZodType<T>, is: T): Result<T, Unreadable> {
  const parsed = schema.safeParse(is, TELLING);
  return parsed.success
    ? ok(shared(is as never, parsed.data))
    : err({ code: 'unreadable', issues: issuesOf(parsed.error) });
}
