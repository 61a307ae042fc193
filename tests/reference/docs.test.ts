import { existsSync, readdirSync, readFileSync } from 'node:fs';
import { LENS_COLUMNS } from '@/document/formats/lensCsv';

/** Whether what the documents name is there, and what goes out is named in them. */

const FOLDERS = ['bench', 'demo', 'docs', 'e2e', 'public', 'scripts', 'src', 'tests'];
const here = [
  ...readdirSync('.'),
  ...FOLDERS.filter((folder) => existsSync(folder)).flatMap((folder) =>
    readdirSync(folder, { recursive: true, encoding: 'utf8' }).map((file) => `${folder}/${file}`),
  ),
];
const DOCS = here.filter((file) => /^(?:README|docs\/.*)\.md$/.test(file));
const ticked = (text: string) => [...text.matchAll(/`([^`\n]+)`/g)].map(([, inside]) => inside!);

/** Files of a backup and of what is carried beside an outing: not of this repository. */
const NOT_HERE = /^(?:contents|lists|marks|settings|shelf)\.json$/;

test.each(DOCS)('%s names no file that is not there', (doc) => {
  const named = ticked(readFileSync(doc, 'utf8')).filter((name) =>
    /^[\w./-]+\.(?:tsx?|mjs|json|css|md)$/.test(name),
  );
  const missing = named.filter(
    (name) =>
      !NOT_HERE.test(name) &&
      !name.startsWith('/') &&
      !here.some((file) => file === name || file.endsWith(`/${name}`)),
  );
  expect(missing).toEqual([]);
});

const format = new Set(ticked(readFileSync('docs/format.md', 'utf8')));

test('the format names every column of a lens table', () => {
  const missing = LENS_COLUMNS.filter((column) => !format.has(column));
  expect(missing).toEqual([]);
});

/** Where codes that go out with an answer are told from one another. */
const TOLD = [
  'core/coverage/shortfall.ts',
  'core/coverage/conflict.ts',
  'core/coverage/exclusions.ts',
  'core/lineup/problem/limitRules.ts',
  'core/lineup/explain/result.ts',
  'core/lineup/explain/assumptions.ts',
  'core/carry/packingList.ts',
];

test.each(TOLD)('the format names every code of %s', (file) => {
  const source = readFileSync(`src/${file}`, 'utf8');
  const said = [...source.matchAll(/readonly code:([^;}]+)[;}]|export type \w+ =([^;{]+);/g)];
  const codes = said.flatMap(([, ofField, ofType]) =>
    [...(ofField ?? ofType ?? '').matchAll(/'([a-z][a-z0-9-]+)'/g)].map(([, code]) => code!),
  );
  expect(codes.length).toBeGreaterThan(0);
  expect(codes.filter((code) => !format.has(code))).toEqual([]);
});
