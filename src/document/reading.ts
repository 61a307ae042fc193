import { z } from 'zod';
import { err, ok, type Result } from '@/core/result';
import { plainMessage } from './messages';

export interface FieldIssue {
  /** Where in the document, such as frames[2].need.fromM. */
  readonly path: string;
  readonly message: string;
}

/** Why a document is refused; the message and the issues say what to fix. */
export interface Refusal {
  readonly code: 'not-json' | 'not-armreach' | 'newer-version' | 'invalid';
  readonly message: string;
  /** The first of them. */
  readonly issues: readonly FieldIssue[];
  /** How many there are in all. */
  readonly count: number;
}

/** A kind of JSON document: what its head says, how older ones are brought up, what must hold. */
export interface DocumentFormat<T> {
  /** What it is called in messages, with its article: "an Arm Reach outing". */
  readonly called: string;
  readonly format: string;
  readonly version: number;
  /** Brings a parsed document of an older version to the newest. */
  readonly migrate: (value: unknown, version: number) => unknown;
  readonly schema: z.ZodType<T>;
}

const MAX_ISSUES = 100;

function refusal(code: Refusal['code'], message: string, issues: readonly FieldIssue[]): Refusal {
  return { code, message, issues, count: issues.length };
}

/** Reads a document from its text: checks its head, migrates older versions, validates. */
export function readText<T>(text: string, format: DocumentFormat<T>): Result<T, Refusal> {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const message = `The file is not JSON: ${error instanceof Error ? error.message : 'unreadable'}.`;
    return err(refusal('not-json', message, [{ path: '', message }]));
  }
  return readValue(value, format);
}

/** Reads a document from parsed JSON. */
export function readValue<T>(value: unknown, format: DocumentFormat<T>): Result<T, Refusal> {
  const head = z
    .object({ format: z.literal(format.format), version: z.number().int().min(1) })
    .safeParse(value, { error: plainMessage });
  if (!head.success) {
    const message = `This is not ${format.called}: it needs "format": "${format.format}" and a whole-numbered "version".`;
    return err(refusal('not-armreach', message, issuesOf(head.error)));
  }
  const { version } = head.data;
  if (version > format.version) {
    const message = `The file is of version ${version}; this Arm Reach reads up to version ${format.version}. Open it with a newer Arm Reach.`;
    return err(refusal('newer-version', message, [{ path: 'version', message }]));
  }
  let parsed: z.ZodSafeParseResult<T>;
  try {
    parsed = format.schema.safeParse(format.migrate(value, version), { error: plainMessage });
  } catch (error) {
    // An older document may be built otherwise than its migration can expect, or too deep to walk.
    const why = error instanceof Error ? error.message : String(error);
    const message = `The file is not built as ${format.called} of version ${version}: ${why}.`;
    return err(refusal('invalid', message, [{ path: '', message }]));
  }
  if (parsed.success) return ok(parsed.data);
  const issues = issuesOf(parsed.error);
  const count = parsed.error.issues.length;
  return err({
    code: 'invalid',
    message: `${count} ${count === 1 ? 'field needs' : 'fields need'} fixing${count > issues.length ? `; the first ${issues.length} are listed` : ''}.`,
    issues,
    count,
  });
}

/** Writes a document as text: stable, indented, with a newline at the end. */
export function writeText(value: unknown): string {
  return `${JSON.stringify(value, null, 2)}\n`;
}

export function issuesOf(error: z.ZodError): FieldIssue[] {
  return error.issues
    .slice(0, MAX_ISSUES)
    .map((issue) => ({ path: pathText(issue.path), message: issue.message }));
}

function pathText(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, part) => {
    if (typeof part === 'number') return `${text}[${part}]`;
    return text === '' ? String(part) : `${text}.${String(part)}`;
  }, '');
}
