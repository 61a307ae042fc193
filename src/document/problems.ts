import type * as z from 'zod';
import type { Rule } from '@/core/rule';

/** What is wrong with a field, in codes and numbers; sentences are made of it elsewhere. */
export type FieldProblem =
  | Rule
  | { readonly rule: 'empty' }
  | { readonly rule: 'not-a-number' }
  | { readonly rule: 'too-long' | 'too-many'; readonly most: number }
  | { readonly rule: 'too-few'; readonly least: number }
  | {
      readonly rule: 'too-small';
      readonly least: number;
      readonly exclusive: boolean;
      readonly got: unknown;
    }
  | { readonly rule: 'too-large'; readonly most: number; readonly got: unknown }
  | { readonly rule: 'missing'; readonly expected: string }
  | { readonly rule: 'wrong-kind'; readonly expected: string; readonly got: unknown }
  | { readonly rule: 'unknown-fields'; readonly keys: readonly string[] }
  | { readonly rule: 'not-one-of'; readonly values: readonly unknown[]; readonly got: unknown }
  | {
      readonly rule: 'wrong-format';
      /** The standard's or pattern's name: date, time, or the expression itself. */
      readonly format: string;
      readonly got: unknown;
    }
  | { readonly rule: 'other' };

/** A field that is not as it must be. */
export interface FieldIssue {
  /** Where in the document, such as frames[2].need.fromM. */
  readonly path: string;
  readonly problem: FieldProblem;
}

type RawIssue = Parameters<z.core.$ZodErrorMap>[0];

/** For every reading whose problems are told: they say what was given. */
export const TELLING = { reportInput: true } as const;

/** The problem of an issue of the schema library. */
export function problemOf(issue: RawIssue | z.core.$ZodIssue): FieldProblem {
  const got = issue.input;
  switch (issue.code) {
    case 'too_small':
      if (issue.origin === 'string') return { rule: 'empty' };
      if (issue.origin === 'array') return { rule: 'too-few', least: Number(issue.minimum) };
      return {
        rule: 'too-small',
        least: Number(issue.minimum),
        exclusive: issue.inclusive === false,
        got,
      };
    case 'too_big':
      if (issue.origin === 'string') return { rule: 'too-long', most: Number(issue.maximum) };
      if (issue.origin === 'array') return { rule: 'too-many', most: Number(issue.maximum) };
      return { rule: 'too-large', most: Number(issue.maximum), got };
    case 'invalid_type':
      if (got === undefined) return { rule: 'missing', expected: String(issue.expected) };
      if (Number.isNaN(got)) return { rule: 'not-a-number' };
      return { rule: 'wrong-kind', expected: String(issue.expected), got };
    case 'unrecognized_keys':
      return { rule: 'unknown-fields', keys: issue.keys };
    case 'invalid_value':
      return { rule: 'not-one-of', values: issue.values, got };
    case 'invalid_format':
      return {
        rule: 'wrong-format',
        format: issue.format === 'regex' ? String(issue.pattern) : String(issue.format),
        got,
      };
    case 'custom':
      return (issue.params as Rule | undefined) ?? { rule: 'other' };
    default:
      return { rule: 'other' };
  }
}

const MOST_ISSUES = 100;

/** The first fields that are not as they must be, with their places. */
export function issuesOf(error: z.ZodError): FieldIssue[] {
  return error.issues
    .slice(0, MOST_ISSUES)
    .map((issue) => ({ path: pathOf(issue.path), problem: problemOf(issue) }));
}

function pathOf(path: readonly PropertyKey[]): string {
  return path.reduce<string>((text, part) => {
    if (typeof part === 'number') return `${text}[${part}]`;
    return text === '' ? String(part) : `${text}.${String(part)}`;
  }, '');
}
