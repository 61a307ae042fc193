import type * as z from 'zod';
import type { Rule } from '@/core/rule';
import {
  type AsideReason,
  type FieldIssue,
  type FieldProblem,
  type LeftOutProblem,
  problemOf,
  type Refusal,
} from '@/document';
import type { CsvProblem, DatabaseRefusal } from '@/document/formats';
import type { NotRead } from '@/document/reader';
import { plainList } from '../lists';
import { counted } from './counts';

/** Longest part of what was given that a message repeats. */
const LONGEST = 80;

const shortened = (text: string) => (text.length > LONGEST ? `${text.slice(0, LONGEST)}…` : text);

const gotText = (got: unknown) =>
  typeof got === 'number' || typeof got === 'string'
    ? `, got ${shortened(JSON.stringify(got))}`
    : '';

/** What a field must be, with its article. */
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
const kindText = (expected: string) => KINDS[expected] ?? expected;

const FORMATS: Readonly<Record<string, string>> = {
  date: 'a date such as 2027-06-12',
  time: 'a time such as 14:30',
};
const PATTERNS: Readonly<Record<string, string>> = {
  '/^data:image\\/(?:png|jpeg|webp);base64,[\\d+/A-Za-z]+={0,2}$/':
    'use a PNG, JPEG or WebP picture as a data address',
  '/^[\\w.:-]+$/': 'use letters, digits, and . : _ - only',
  '/^[A-Z]{3}$/': 'use a three-letter currency code such as EUR',
};

const RULES: Readonly<
  Record<Exclude<Rule['rule'], Extract<Rule, { id: string }>['rule']>, string>
> = {
  'most-below-least': 'the most must not be less than the least',
  'no-width-or-height': 'give a width or a height',
  'farthest-nearer': 'the farthest must not be nearer than the nearest',
  'long-end-shorter': 'the long end must not be shorter than the wide end',
  'wider-than-wide-end': 'must not be wider than the wide end',
  'needs-subject': 'needs a subject at a distance',
  'aim-twice': 'names an aim twice: name each once',
  'points-do-not-fit': 'one point for what stands in one place, at least two for a line',
  'weather-twice': 'names a weather twice: name each once',
  'ends-before-start': 'the last day must not come before the first',
  'focal-lengths-must-rise': 'must rise from point to point',
  'f-numbers-must-not-fall': 'must not fall towards the long end',
};
const RULES_OF: Readonly<Record<Extract<Rule, { id: string }>['rule'], (id: string) => string>> = {
  'duplicate-id': (id) => `the id ${id} is used twice`,
  'no-lens': (id) => `there’s no lens ${id} on the shelf`,
  'no-body': (id) => `there’s no body ${id}`,
  'no-shooter': (id) => `there’s no shooter ${id}`,
  'no-stretch': (id) => `there’s no stretch ${id}`,
  'no-frame': (id) => `there’s no picture ${id}`,
  'frame-twice': (id) => `picture ${id} is of two subjects: keep one`,
  'no-item': (id) => `there’s no item ${id} on the shelf`,
  'shooter-twice': (id) => `${id} is here twice`,
  'locked-in-and-out': (id) => `${id} is locked in and left out at once`,
  'away-locked-in': (id) => `${id} is in repair or lent out, so it can’t be locked in`,
};

/** What is wrong with a field and what to do, to follow its name. */
export function fieldProblemText(problem: FieldProblem): string {
  switch (problem.rule) {
    case 'empty':
      return 'must not be empty';
    case 'not-a-number':
      return 'is not a number';
    case 'too-long':
      return `must not be longer than ${problem.most} characters`;
    case 'too-many':
      return `can have at most ${problem.most}`;
    case 'too-few':
      return `needs at least ${problem.least}`;
    case 'too-small':
      return `must be ${problem.exclusive ? 'more than' : 'at least'} ${problem.least}${gotText(problem.got)}`;
    case 'too-large':
      return `must be at most ${problem.most}${gotText(problem.got)}`;
    case 'missing':
      return `is missing: give ${kindText(problem.expected)}`;
    case 'wrong-kind':
      return `must be ${kindText(problem.expected)}${problem.got === null ? ', got nothing' : gotText(problem.got)}`;
    case 'unknown-fields':
      return `has unknown fields: ${shortened(plainList(problem.keys))}`;
    case 'not-one-of':
      return `must be one of ${shortened(plainList(problem.values.map(String)))}${gotText(problem.got)}`;
    case 'wrong-format':
      return (
        PATTERNS[problem.format] ??
        `must be ${FORMATS[problem.format] ?? problem.format}${gotText(problem.got)}`
      );
    case 'other':
      return 'isn’t one of the choices';
    default:
      return 'id' in problem ? RULES_OF[problem.rule](problem.id) : RULES[problem.rule];
  }
}

/** The message of an issue, for forms: they show what the schema library says. */
export function plainMessage(issue: Parameters<z.core.$ZodErrorMap>[0]): string {
  return fieldProblemText(problemOf(issue));
}

/** What is wrong with the first field of a value that was read with its problems told. */
export function firstProblemText(error: z.ZodError): string | null {
  const [issue] = error.issues;
  return issue ? fieldProblemText(problemOf(issue)) : null;
}

/** A field with what is wrong with it. */
export function issueText({ path, problem }: FieldIssue): string {
  return path === '' ? fieldProblemText(problem) : `${path} ${fieldProblemText(problem)}`;
}

const DOCUMENTS: Readonly<Record<Refusal['document'], string>> = {
  outing: 'an Arm Reach outing',
  plan: 'an Arm Reach plan',
  shelf: 'an Arm Reach shelf',
  settings: 'Arm Reach settings',
};

/** Why a document is refused. */
export function refusalText(refusal: Refusal): string {
  const document = DOCUMENTS[refusal.document];
  switch (refusal.code) {
    case 'not-json':
      return `The file is not JSON: ${refusal.why}.`;
    case 'not-armreach':
      return `This is not ${document}: it needs "format": "${refusal.format}" and a whole-numbered "version".`;
    case 'newer-version':
      return `The file is of version ${refusal.version}; this Arm Reach reads up to version ${refusal.newest}. Open it with a newer Arm Reach.`;
    case 'invalid': {
      if (refusal.why !== null)
        return `The file is not built as ${document} of version ${refusal.version}: ${refusal.why}.`;
      const { count, issues } = refusal;
      const listed = count > issues.length ? `; the first ${issues.length} are listed` : '';
      return `${counted(count, 'fieldNeeds')} fixing${listed}.`;
    }
  }
}

/** Why something was not read to its end. */
export function notReadText(why: NotRead): string {
  switch (why.code) {
    case 'too-large':
      return `It’s ${why.mb.toFixed(1)} MB; the limit is ${why.mostMb} MB. Split it.`;
    case 'too-slow':
      return `Reading took over ${why.seconds} s and was stopped. Split it.`;
    case 'cancelled':
      return 'Reading was cancelled.';
    case 'no-worker':
      return 'It could not be read: the page could not start its reader.';
    case 'no-memory':
      return 'It could not be read: it needs more memory than there is.';
    case 'failed':
      return `It could not be read: ${why.why}.`;
  }
}

/** Why something of a paste or an import is left out. */
export function leftOutText(problem: LeftOutProblem): string {
  switch (problem.code) {
    case 'too-many-pictures':
      return `an outing holds at most ${problem.most} pictures`;
    case 'too-many-items':
      return `a shelf holds at most ${problem.most} of its kind`;
    case 'too-many-mounts':
      return `a shelf holds at most ${problem.most} mounts`;
    case 'id-taken':
      return `another item already has the id ${problem.id}: choose a new one`;
    case 'field':
      return issueText(problem.issue);
  }
}

/** Why a stored text was set aside; older versions stored the sentence itself. */
export function asideText(reason: AsideReason | string): string {
  if (typeof reason === 'string') return reason;
  switch (reason.code) {
    case 'damaged':
      return 'It is damaged.';
    case 'unsaved':
      return 'It was not saved before another page changed the same thing.';
    case 'overtaken':
      return 'Another tab changed the same thing.';
    case 'refused':
      return refusalText(reason.refusal);
  }
}

/** Why a lens database is not read. */
export function databaseRefusalText(refusal: DatabaseRefusal): string {
  switch (refusal.code) {
    case 'not-xml':
      return `The file is not well-formed XML: ${refusal.why} (line ${refusal.line}).`;
    case 'forbidden-xml':
      return `The file holds XML that is not read: ${refusal.why}.`;
    case 'not-lensfun':
      return 'The file has no <lensdatabase>; choose files of the Lensfun database.';
    case 'unknown-version':
      return `The database is of version ${refusal.version}; versions 1 and 2 can be read.`;
  }
}

/** What is wrong with a cell of a lens table. */
export function csvProblemText(problem: CsvProblem): string {
  switch (problem.code) {
    case 'no-header':
      return 'this isn’t a header row: start from the template';
    case 'missing-column':
      return 'this column is missing: start from the template';
    case 'not-a-number':
      return `must be a number, got "${shortened(problem.got)}"`;
    case 'not-yes-or-no':
      return `must be yes, no or empty, got "${shortened(problem.got)}"`;
    case 'not-f-numbers':
      return `must be like 2.8, 4-6.3 or 24:4 50:4.5 240:6.3, got "${shortened(problem.got)}"`;
    case 'field':
      return fieldProblemText(problem.problem);
  }
}
