import * as z from 'zod';
import { err, ok, type Result } from '@/core/result';
import { type FieldIssue, issuesOf, TELLING } from './problems';

/** The kinds of documents that are read. */
export type DocumentKind = 'outing' | 'plan' | 'shelf' | 'settings';

/** Why a document is refused, in codes and numbers. */
export type Refusal = {
  readonly document: DocumentKind;
  /** The first fields that are not as they must be. */
  readonly issues: readonly FieldIssue[];
  /** How many there are in all. */
  readonly count: number;
} & (
  | { readonly code: 'not-json'; readonly why: string }
  | { readonly code: 'not-armreach'; readonly format: string }
  | { readonly code: 'newer-version'; readonly version: number; readonly newest: number }
  /** `why`: it is built so otherwise that it cannot even be looked at. */
  | { readonly code: 'invalid'; readonly version: number; readonly why: string | null }
);

/** A kind of JSON document: what its head says, how older ones are brought up, what must hold. */
export interface DocumentFormat<T> {
  readonly document: DocumentKind;
  readonly format: string;
  readonly version: number;
  /** Brings a parsed document of an older version to the newest. */
  readonly migrate: (value: unknown, version: number) => unknown;
  readonly schema: z.ZodType<T>;
}

/** Reads a document from its text: checks its head, migrates older versions, validates. */
export function readText<T>(text: string, format: DocumentFormat<T>): Result<T, Refusal> {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    return err({ code: 'not-json', why, document: format.document, issues: [], count: 0 });
  }
  return readValue(value, format);
}

/** Reads a document from parsed JSON. */
export function readValue<T>(value: unknown, of: DocumentFormat<T>): Result<T, Refusal> {
  const { document, format } = of;
  const head = z
    .object({ format: z.literal(format), version: z.number().int().min(1) })
    .safeParse(value, TELLING);
  if (!head.success) {
    const issues = issuesOf(head.error);
    return err({ code: 'not-armreach', document, format, issues, count: issues.length });
  }
  const { version } = head.data;
  if (version > of.version)
    return err({
      code: 'newer-version',
      document,
      version,
      newest: of.version,
      issues: [],
      count: 0,
    });
  let parsed: z.ZodSafeParseResult<T>;
  try {
    parsed = of.schema.safeParse(of.migrate(value, version), TELLING);
  } catch (error) {
    // An older document may be built otherwise than its migration can expect, or too deep to walk.
    const why = error instanceof Error ? error.message : String(error);
    return err({ code: 'invalid', document, version, why, issues: [], count: 0 });
  }
  if (parsed.success) return ok(parsed.data);
  const issues = issuesOf(parsed.error);
  const { length: count } = parsed.error.issues;
  return err({ code: 'invalid', document, version, why: null, issues, count });
}

/** Writes a document as text: stable, indented, with a newline at the end. */
export function writeText(value: unknown): string {
  return `${JSON.stringify(value, null, 2)}\n`;
}
