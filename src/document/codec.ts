import * as z from 'zod';
import { ok, type Result } from '@/core/result';
import { followingGround } from './desk/references';
import { migrate, VERSIONS } from './migrations';
import { FILE_FORMAT, type OutingFile, outingFile } from './outingFile';
import { type DocumentFormat, readText, readValue, type Refusal, writeText } from './reading';

const OUTING: DocumentFormat<OutingFile> = {
  document: 'outing',
  format: FILE_FORMAT,
  version: VERSIONS.outing,
  migrate: (value, version) => migrate('outing', value, version),
  schema: outingFile,
};

/** Reads an outing file from its text. */
export function decode(text: string): Result<OutingFile, Refusal> {
  return following(readText(text, OUTING));
}

/** Reads an outing file from parsed JSON: checks the format, migrates older versions, validates. */
export function decodeValue(value: unknown): Result<OutingFile, Refusal> {
  return following(readValue(value, OUTING));
}

/** Measured distances follow the plan of the ground, whatever was written beside it. */
function following(read: Result<OutingFile, Refusal>): Result<OutingFile, Refusal> {
  return read.ok ? ok(followingGround(read.value)) : read;
}

/** Writes an outing file as text: stable, indented, with a newline at the end. */
export function encode(file: OutingFile): string {
  return writeText(file);
}

/** The JSON Schema of an outing file, made from the Zod schema. */
export function outingJsonSchema(title: string): Record<string, unknown> {
  return { title, ...z.toJSONSchema(outingFile, { io: 'input' }) };
}
