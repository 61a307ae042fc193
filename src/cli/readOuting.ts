import { readFile } from 'node:fs/promises';
import { decode, type OutingFile } from '@/document';
import { fieldProblemText, hostText, refusalText } from '@/text';

/** What the person has to change, as it is printed. */
export class Refused extends Error {}

/**
 * The outing of a file.
 *
 * @throws {Refused} when it can't be read, naming the fields
 */
export async function readOuting(path: string): Promise<OutingFile> {
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    const why = error instanceof Error ? error.message : String(error);
    throw new Refused(hostText.lineup.cannotRead(path, why));
  }
  const file = decode(text);
  if (file.ok) return file.value;
  const fields = file.error.issues
    .filter((i) => i.path !== '')
    .map((i) => `  ${i.path}: ${fieldProblemText(i.problem)}\n`);
  throw new Refused(`${path}: ${refusalText(file.error)}\n${fields.join('')}`);
}
