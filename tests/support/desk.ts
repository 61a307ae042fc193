import { DEFAULT_SETTINGS, type Desk, EMPTY_SHELF, type OutingFile, planOfFile } from '@/document';

/** A desk of an outing: with all its gear to itself, unless a shelf has it. */
export function deskOf(file: OutingFile, shelf = EMPTY_SHELF, settings = DEFAULT_SETTINGS): Desk {
  return { plan: planOfFile(file, { shelf, settings }), shelf, settings };
}
