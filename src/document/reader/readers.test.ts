import { readFileSync } from 'node:fs';
import { NO_GEAR } from '../desk';
import { readInWorker } from './readInWorker';
import { LARGEST } from './largest';
import { type ReaderKind, READERS } from './readers';

/** What readers are given beside the text. */
const BESIDE: Partial<Record<ReaderKind, unknown>> = { lensCsv: new Set(), gearLines: NO_GEAR };
const read = (kind: ReaderKind, text: string) => readInWorker(kind, [text, BESIDE[kind]] as never);
const TEXTUAL = (Object.keys(READERS) as ReaderKind[]).filter(
  (kind) => kind !== 'backup' && kind !== 'packing',
);

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
const HEAD = 'id,name,mount,wide_mm,f_numbers';
const lens = (of: string) =>
  `<lens><maker>Alder</maker><model>Nova 50mm f/2</model><mount>A</mount>${of}</lens>`;
const database = (of: string) => `<lensdatabase version="1">${of}</lensdatabase>`;

/** Runs of each class of characters that a pattern may take, long enough for a square to never end. */
const RUNS = ['7', ' ', ',', '.', '-', '–', '\t', 'a', '(', '[', '"', "'", '/', ':', ';', '<', '&']
  .concat(['m', 'f', 'x', '\u00a0', '\u0300', '{"a":', '0 ', '7 m ', 'at ', '- ', '1.', 'must '])
  .map((run) => run.repeat(Math.floor(300_000 / run.length)));

test.each(TEXTUAL)('%s comes to an end over long runs of any one character', async (kind) => {
  for (const run of RUNS)
    for (const text of [run, `${run}!`, `shot ${run}\u2028`, `${HEAD}\n,${run},A,50,${run}`]) {
      const done = await read(kind, text);
      expect(done.ok || done.error.code).not.toBe('failed');
    }
});

const XML: Record<string, string> = {
  prototype: database('<__proto__><toString>1</toString></__proto__><constructor/>'),
  'within a lens': database(lens('<__proto__>1</__proto__><hasOwnProperty>2</hasOwnProperty>')),
  'external entity': `<!DOCTYPE x [<!ENTITY e SYSTEM "file:///etc/passwd">]>${database(lens('<note>&e;</note>'))}`,
  'entities in entities': `<!DOCTYPE x [<!ENTITY a "${'a'.repeat(1000)}">${'bcdefgh'
    .split('')
    .map((name, i) => `<!ENTITY ${name} "${`&${'abcdefg'[i]};`.repeat(10)}">`)
    .join('')}]>${database(lens('<note>&h;</note>'))}`,
  'broken DOCTYPE': `<!DOCTYPE x [<!ENTITY a "1"${database(lens(''))}`,
  'open DOCTYPE': '<!DOCTYPE x [',
  deep: database('<a>'.repeat(10_000) + '</a>'.repeat(10_000)),
  'deep and open': '<lensdatabase>'.repeat(10_000),
  'nothing at all': '',
  'not XML': '\u0000\uFFFF<>',
};

test.each(Object.keys(XML))('XML: %s', async (name) => {
  const done = await read('lensfun', XML[name]!);
  expect(done.ok).toBe(true);
  expect(JSON.stringify(done)).not.toContain('root:');
  expect(({} as { toString: unknown }).toString).toBe(Object.prototype.toString);
});

test('a database of 150,000 entries is read or refused, and no sooner', async () => {
  const many = database(lens('').repeat(60_000) + '<camera></camera>'.repeat(90_000));
  const done = await read('lensfun', many);
  if (!done.ok) expect(done.error.code).toBe('too-large');
  else expect(done.value).toMatchObject({ ok: true });
});

test('documents that are deep, long, or of something else, are refused as data', async () => {
  const file = JSON.parse(DEMO);
  const deep = `${'{"a":'.repeat(10_000)}1${'}'.repeat(10_000)}`;
  const long = { ...file.shelf.lenses[0] };
  const lenses = Array.from({ length: 20_000 }, (_, i) => ({ ...long, id: `l${i}` }));
  const texts = [
    deep,
    `[${deep}]`,
    '['.repeat(100_000),
    DEMO.replace('"frames"', `"deep": ${deep}, "frames"`),
    DEMO.replace('"outing"', '"__proto__": {"polluted": 1}, "outing"'),
    JSON.stringify({ ...file, shelf: { ...file.shelf, lenses } }),
    JSON.stringify({ ...file, version: 1, shelf: 5, frames: 'none' }),
    ...[1, 2, 3, 4, 5].map((version) => JSON.stringify({ format: 'armreach', version })),
    ...[1, 2, 3, 4, 5].map((version) => JSON.stringify({ ...file, version, limits: null })),
  ];
  for (const kind of ['outing', 'shelf'] as const)
    for (const text of texts) {
      const done = await read(kind, text);
      expect(done).toMatchObject({ ok: true, value: { ok: false } });
    }
  expect(({} as { polluted?: unknown }).polluted).toBeUndefined();
});

test('20,000 lenses of one name get 20,000 ids', async () => {
  const rows = Array.from({ length: 20_000 }, () => ',Nova 50,A,50,2').join('\n');
  const done = await read('lensCsv', `${HEAD}\n${rows}`);
  const { lenses } = (done.ok ? done.value : null) as unknown as { lenses: { id: string }[] };
  expect(new Set(lenses.map((l) => l.id)).size).toBe(20_000);
});

test('what is larger than anything valid is refused unread', async () => {
  const done = await read('shotList', 'x'.repeat(LARGEST.shotList + 1));
  expect(done).toMatchObject({ ok: false, error: { code: 'too-large' } });
});

/** A worker that is ready and then says nothing; it tells whether it was ended. */
class Deaf extends EventTarget {
  static ended = 0;
  constructor() {
    super();
    const ready = new MessageEvent('message', { data: { ready: true } });
    void Promise.resolve().then(() => this.dispatchEvent(ready));
  }
  postMessage() {}
  terminate() {
    Deaf.ended += 1;
  }
}

test('what is not read in time, or cancelled, ends its worker and is told of', async () => {
  jest.useFakeTimers();
  const had = Object.getOwnPropertyDescriptor(globalThis, 'Worker');
  Object.assign(globalThis, { Worker: Deaf });
  try {
    const slow = readInWorker('shotList', ['gull']);
    await jest.advanceTimersByTimeAsync(6900);
    expect(Deaf.ended).toBe(0);
    await jest.advanceTimersByTimeAsync(200);
    expect(await slow).toMatchObject({ ok: false, error: { code: 'too-slow' } });
    const control = new AbortController();
    const left = readInWorker('shotList', ['gull'], control.signal);
    await jest.advanceTimersByTimeAsync(10);
    control.abort();
    expect(await left).toMatchObject({ ok: false, error: { code: 'cancelled' } });
    expect(Deaf.ended).toBe(2);
  } finally {
    jest.useRealTimers();
    if (had) Object.defineProperty(globalThis, 'Worker', had);
    else Reflect.deleteProperty(globalThis, 'Worker');
  }
});
