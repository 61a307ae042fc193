import { readFile } from 'node:fs/promises';
import { argv, stderr, stdout } from 'node:process';
import { answerInFull } from '@/workers/answerLineup';
import { decode } from '@/document';

/** `lineup FILE`: prints the best lineup of an outing file as JSON. Exit 1 on bad input. */
async function main(): Promise<number> {
  const path = argv[2];
  if (path === undefined || argv.length > 3) {
    stderr.write('Usage: npm run --silent lineup -- FILE.armreach.json\n');
    return 1;
  }
  let text: string;
  try {
    text = await readFile(path, 'utf8');
  } catch (error) {
    stderr.write(
      `Cannot read ${path}: ${error instanceof Error ? error.message : String(error)}\n`,
    );
    return 1;
  }
  const file = decode(text);
  if (!file.ok) {
    const fields = file.error.issues
      .filter((i) => i.path !== '')
      .map((i) => `  ${i.path}: ${i.message}\n`);
    stderr.write(`${path}: ${file.error.message}\n${fields.join('')}`);
    return 1;
  }
  stdout.write(`${JSON.stringify(await answerInFull(file.value), null, 2)}\n`);
  return 0;
}

process.exitCode = await main();
