import { execFileSync, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { gzipSync } from 'node:zlib';
import { ok } from '@/core/result';
import { outingPost } from '@/server';
import { replyTo } from '@/server/lineupReply';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
/** The door without its threads, which are tried with the built server. */
const post = (
  body: BodyInit,
  headers: Record<string, string> = {},
  query = '',
  ask: 'lineup' | 'carry' = 'lineup',
) =>
  outingPost(
    new Request(`http://localhost/api/lineup${query}`, {
      method: 'POST',
      body,
      headers: { 'content-type': 'application/json', ...headers },
    }),
    ask,
    async (task) => ok(await replyTo(task)),
  );
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

test('the route and the command line give the same plan of carrying for the demo', async () => {
  const response = await post(DEMO, {}, '', 'carry');
  expect(response.status).toBe(200);
  const answer = (await response.json()) as Record<string, unknown>;
  expect(answer).toMatchObject({ format: 'armreach-carry', proven: true, unplanned: [] });
  expect(answer.atLeast).toBe(answer.changes);
  expect(answer.packing).toContainEqual(expect.objectContaining({ code: 'batteries' }));
  const carry = ['node_modules/tsx/dist/cli.mjs', 'src/cli/carry.ts', 'demo/regatta.armreach.json'];
  expect(JSON.parse(execFileSync(process.execPath, carry, { encoding: 'utf8' }))).toEqual(answer);
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

test('only JSON comes in, as it is or as gzip, and from no foreign page', async () => {
  expect((await post(DEMO, { 'content-type': 'text/plain' })).status).toBe(415);
  expect((await post(DEMO, { 'content-type': 'application/json; charset=utf-8' })).status).toBe(
    200,
  );
  expect((await post(DEMO, { 'content-encoding': 'br' })).status).toBe(415);
  expect((await post(gzipSync(DEMO), { 'content-encoding': 'gzip' })).status).toBe(200);
  expect((await post('no gzip', { 'content-encoding': 'gzip' })).status).toBe(400);
  const bomb = gzipSync(Buffer.alloc(40_000_000, ' '));
  expect((await post(bomb, { 'content-encoding': 'gzip' })).status).toBe(413);
  expect((await post(DEMO, { origin: 'http://elsewhere.example', host: 'localhost' })).status).toBe(
    403,
  );
  expect((await post(DEMO, { origin: 'http://localhost', host: 'localhost' })).status).toBe(200);
});

test('a time is told in seconds, and refused where it is none', async () => {
  for (const query of ['?seconds=', '?seconds=0', '?seconds=x', '?seconds=301'])
    expect((await post(DEMO, {}, query)).status).toBe(400);
  expect((await post(DEMO, {}, '?seconds=60')).status).toBe(200);
});

test('a refusal stays small, and tells how many fields are bad in all', async () => {
  const file = JSON.parse(DEMO);
  const bad = { ['x'.repeat(5000)]: 1, name: 'y'.repeat(9000) };
  file.frames = Array.from({ length: 400 }, () => bad);
  const text = await (await post(JSON.stringify(file))).text();
  expect(text.length).toBeLessThan(64_000);
  const { error } = JSON.parse(text) as { error: { issues: unknown[]; count: number } };
  expect(error.issues).toHaveLength(100);
  expect(error.count).toBeGreaterThan(400);
});

test('the command line exits with 1 and a message on bad input', () => {
  const folder = mkdtempSync(join(tmpdir(), 'armreach-'));
  const bad = join(folder, 'bad.json');
  writeFileSync(bad, JSON.stringify({ ...JSON.parse(DEMO), version: 99 }));
  const run = (...args: string[]) =>
    spawnSync(process.execPath, cli(...args), { encoding: 'utf8' });
  expect(run(bad)).toMatchObject({
    status: 1,
    stdout: '',
    stderr: expect.stringContaining('version 99'),
  });
  expect(run(join(folder, 'none.json'))).toMatchObject({
    status: 1,
    stderr: expect.stringContaining('Cannot read'),
  });
  expect(run()).toMatchObject({ status: 1, stderr: expect.stringContaining('Usage') });
});
