import type { z } from 'zod';

type RawIssue = Parameters<z.core.$ZodErrorMap>[0];

/** Short messages that name the value and the mend, in place of the library's own. */
export function plainMessage(issue: RawIssue): string | undefined {
  const input = issue.input;
  const got =
    typeof input === 'number' || typeof input === 'string'
      ? `, got ${shortened(JSON.stringify(input))}`
      : '';
  switch (issue.code) {
    case 'too_small':
      if (issue.origin === 'string') return 'must not be empty';
      if (issue.origin === 'array') return `needs at least ${issue.minimum}`;
      return `must be ${issue.inclusive === false ? 'more than' : 'at least'} ${issue.minimum}${got}`;
    case 'too_big':
      if (issue.origin === 'string') return `must not be longer than ${issue.maximum} characters`;
      if (issue.origin === 'array') return `must not hold more than ${issue.maximum}`;
      return `must be at most ${issue.maximum}${got}`;
    case 'invalid_type':
      if (input === undefined) return `is missing; give ${kindText(issue.expected)}`;
      if (Number.isNaN(input)) return 'is not a number';
      return `must be ${kindText(issue.expected)}${input === null ? ', got nothing' : got}`;
    case 'unrecognized_keys':
      return `has unknown fields: ${shortened(issue.keys.join(', '))}`;
    default:
      return undefined;
  }
}

/** What a schema expects, with its article. */
const KINDS: Readonly<Record<string, string>> = {
  string: 'a text',
  number: 'a number',
  int: 'a whole number',
  boolean: 'true or false',
  array: 'a list',
  object: 'an object',
  record: 'an object',
  null: 'null',
};

function kindText(expected: string): string {
  return KINDS[expected] ?? `${/^[aeiou]/i.test(expected) ? 'an' : 'a'} ${expected}`;
}

/** Longest part of what was given that a message repeats. */
const LONGEST = 80;

function shortened(text: string): string {
  return text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text;
}
