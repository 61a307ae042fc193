import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { POST } from './route';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
const post = (body: string, headers: Record<string, string> = {}) =>
  POST(new Request('http://localhost/api/lineup', { method: 'POST', body, headers }));
const withoutTiming = (answer: Record<string, unknown>) => ({ ...answer, timing: null });
const cli = (...args: string[]) => ['node_modules/tsx/dist/cli.mjs', 'src/cli/lineup.ts', ...args];

test('the route and the command line give the same proven answer for the demo', async () => {
  const response = await post(DEMO);
  expect(response.status).toBe(200);
  const answer = (await response.json()) as Record<string, unknown>;
  expect(answer).toMatchObject({
    format: 'armreach-lineup',
    status: 'proven',
    proof: { kind: 'witnesses', bound: 4 },
    totals: { lenses: 4, musts: { got: 7, of: 7 } },
  });
  const printed = JSON.parse(
    execFileSync(process.execPath, cli('demo/regatta.armreach.json'), { encoding: 'utf8' }),
  );
  expect(withoutTiming(printed)).toEqual(withoutTiming(answer));
});

test('a bad outing is refused with 422 and the paths of its fields', async () => {
  const file = JSON.parse(DEMO);
  file.frames[0].need.toM = 'far';
  const response = await post(JSON.stringify(file));
  expect(response.status).toBe(422);
  expect(await response.json()).toMatchObject({
    error: {
      code: 'invalid',
      issues: [{ path: 'frames[0].need.toM', message: 'must be a number, got "far"' }],
    },
  });
  expect((await post('not json')).status).toBe(422);
});

test('a body over the limit is refused with 413, whatever length it claims', async () => {
  const huge = ' '.repeat(8_000_001);
  expect((await post(huge)).status).toBe(413);
  expect((await post('{}', { 'content-length': '9000000' })).status).toBe(413);
});

test('the command line exits with 1 and a message on bad input', () => {
  const folder = mkdtempSync(join(tmpdir(), 'armreach-'));
  const bad = join(folder, 'bad.json');
  writeFileSync(bad, JSON.stringify({ ...JSON.parse(DEMO), version: 7 }));
  const run = (...args: string[]) =>
    spawnSync(process.execPath, cli(...args), { encoding: 'utf8' });
  expect(run(bad)).toMatchObject({
    status: 1,
    stdout: '',
    stderr: expect.stringContaining('version 7'),
  });
  expect(run(join(folder, 'none.json'))).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('Cannot read'),
  });
  expect(run()).toMatchObject({ status: 1, stderr: expect.stringContaining('Usage') });
});
