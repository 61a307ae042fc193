import { readdirSync, readFileSync } from 'node:fs';
import {
  type LensDatabase,
  gearFromDatabase,
  mergeDatabases,
  readLensfun,
} from '@/document/formats';
import { shelf } from '@/core/gear';
import { solveLineup } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { aQuestion, focalFrame, someLimits } from '../support/gear';

/** The open Lensfun database, read where Debian's package liblensfun-data-v1 puts it. */
const FOLDER = '/usr/share/lensfun/version_1';

let parts: LensDatabase[];
let whole: LensDatabase;
let texts: string[];
beforeAll(() => {
  texts = readdirSync(FOLDER)
    .filter((name) => name.endsWith('.xml'))
    .map((name) => readFileSync(`${FOLDER}/${name}`, 'utf8'));
  parts = texts.map((text) => {
    const read = readLensfun(text);
    if (!read.ok) throw new Error(read.error.code);
    return read.value;
  });
  whole = mergeDatabases(parts);
});

/** Counted plainly in the text, without the reader. */
const counted = (tag: string) =>
  texts.reduce(
    (sum, text) =>
      sum + (text.replace(/<!--[\s\S]*?-->/g, '').match(new RegExp(`<${tag}>`, 'g'))?.length ?? 0),
    0,
  );

const EVERYTHING = () => ({
  mounts: new Set([...whole.mounts.map((m) => m.name), ...whole.lenses.flatMap((l) => l.mounts)]),
  cameras: whole.cameras,
  lenses: whole.lenses,
  compatibility: true,
});

test('every lens is imported, built into a camera, or reported with the reason', () => {
  const skippedLenses = whole.skipped.filter((s) => s.reason !== 'no-crop-factor');
  expect(whole.lenses.length + whole.fixedLenses + skippedLenses.length).toBe(counted('lens'));
  expect(whole.lenses.length).toBeGreaterThan(900);
  expect(skippedLenses.length).toBeLessThan(10);
  expect(new Set(skippedLenses.map((s) => s.reason))).toEqual(new Set(['no-f-number']));
});

test('all that is taken over is a valid shelf, with what the database lacks left unknown', () => {
  const gear = gearFromDatabase(whole, EVERYTHING(), new Set());
  const parsed = shelf.safeParse({ ...gear, converters: [], tubes: [], adapters: [] });
  expect(parsed.error?.issues ?? []).toEqual([]);
  expect(gear.lenses.length).toBeGreaterThanOrEqual(whole.lenses.length);
  expect(
    gear.lenses.every((l) => l.weightG === null && l.priceNew === null && l.minFocusM === null),
  ).toBe(true);
  expect(gear.bodies.every((b) => b.sensor.pixelsWide === null)).toBe(true);
});

test('ranges and f-numbers agree with the names where the names give them', () => {
  const named = whole.lenses.flatMap((l) => {
    const m = /(?:^|\s)(\d+)-(\d+)mm f\/(\d+(?:\.\d+)?)-(\d+(?:\.\d+)?)/.exec(l.model);
    return m ? [{ l, numbers: m.slice(1).map(Number) }] : [];
  });
  expect(named.length).toBeGreaterThan(100);
  for (const { l, numbers } of named) {
    expect([
      l.focal.wideMm,
      l.focal.longMm,
      l.apertures[0]?.fNumber,
      l.apertures.at(-1)?.fNumber,
    ]).toEqual(numbers);
  }
});

test('an outing with all its lenses of one mount is solved and proven', async () => {
  const [mount] = [...whole.mounts].sort((a, b) => usesOf(b.name) - usesOf(a.name));
  const chosen = {
    mounts: new Set([mount!.name]),
    cameras: whole.cameras.filter((c) => c.mount === mount!.name).slice(0, 2),
    lenses: whole.lenses,
    compatibility: false,
  };
  const gear = gearFromDatabase(whole, chosen, new Set());
  expect(gear.lenses.length).toBeGreaterThan(100);
  const frames = [
    focalFrame('wide', 18, 18, 'free'),
    focalFrame('walk', 28, 70, 'held'),
    focalFrame('far', 300, 400, 'held'),
  ];
  const result = solveLineup(
    await loadHighsSolver(),
    aQuestion({
      frames,
      shelf: {
        mounts: [...gear.mounts],
        bodies: [...gear.bodies],
        lenses: [...gear.lenses],
        converters: [],
        tubes: [],
        adapters: [],
      },
      limits: someLimits(),
    }),
    { timeLimitS: 30, now: () => 0 },
  );
  expect(result.status).toBe('proven');
  expect(result.totals.musts).toEqual({ got: 3, once: 0, of: 3 });
  expect(result.totals.weightUnknown).toHaveLength(result.totals.lenses);
});

function usesOf(mount: string): number {
  return whole.lenses.filter((l) => l.mounts.includes(mount)).length;
}
