import { z } from 'zod';
import { err, ok, type Result } from '@/core/result';
import { plainMessage } from './messages';
import { migrate } from './migrations';
import { FILE_FORMAT, FILE_VERSION, type OutingFile, outingFile } from './outingFile';

export interface FieldIssue {
  /** Where in the document, such as frames[2].need.fromM. */
  readonly path: string;
  readonly message: string;
}

/** Why a document is refused; every code says what to mend. */
export type Refusal =
  | { readonly code: 'not-json'; readonly message: string; readonly issues: readonly FieldIssue[] }
  | {
      readonly code: 'not-armreach';
      readonly message: string;
      readonly issues: readonly FieldIssue[];
    }
  | {
      readonly code: 'newer-version';
      readonly message: string;
      readonly issues: readonly FieldIssue[];
    }
  | { readonly code: 'invalid'; readonly message: string; readonly issues: readonly FieldIssue[] };

const MAX_ISSUES = 50;

/** Reads an outing file from its text. */
export function decode(text: string): Result<OutingFile, Refusal> {
  let value: unknown;
  try {
    value = JSON.parse(text.replace(/^\uFEFF/, ''));
  } catch (error) {
    const message = `The file is not JSON: ${error instanceof Error ? error.message : 'unreadable'}.`;
    return err({ code: 'not-json', message, issues: [{ path: '', message }] });
  }
  return decodeValue(value);
}

/** Reads an outing file from parsed JSON: checks the format, migrates older versions, validates. */
export function decodeValue(value: unknown): Result<OutingFile, Refusal> {
  const head = z
    .object({ format: z.literal(FILE_FORMAT), version: z.number().int().min(1) })
    .safeParse(value, { error: plainMessage });
  if (!head.success) {
    return err({
      code: 'not-armreach',
      message: `This is not an Arm Reach outing: it needs "format": "${FILE_FORMAT}" and a whole-numbered "version".`,
      issues: issuesOf(head.error),
    });
  }
  if (head.data.version > FILE_VERSION) {
    const message = `The file is of version ${head.data.version}; this Arm Reach reads up to version ${FILE_VERSION}. Open it with a newer Arm Reach.`;
    return err({ code: 'newer-version', message, issues: [{ path: 'version', message }] });
  }
  const parsed = outingFile.safeParse(migrate(value, head.data.version), { error: plainMessage });
  if (parsed.success) return ok(parsed.data);
  const issues = issuesOf(parsed.error);
  const more = parsed.error.issues.length - issues.length;
  return err({
    code: 'invalid',
    message: `${parsed.error.issues.length} ${parsed.error.issues.length === 1 ? 'field needs' : 'fields need'} mending${more > 0 ? `; the first ${issues.length} are listed` : ''}.`,
    issues,
  });
}

/** Writes an outing file as text: stable, indented, with a newline at the end. */
export function encode(file: OutingFile): string {
  return `${JSON.stringify(file, null, 2)}\n`;
}

/** The JSON Schema of an outing file, made from the Zod schema. */
export function outingJsonSchema(): Record<string, unknown> {
  return { title: 'Arm Reach outing', ...z.toJSONSchema(outingFile, { io: 'input' }) };
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
