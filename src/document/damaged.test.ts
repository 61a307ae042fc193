import { readFileSync } from 'node:fs';
import { isDeepStrictEqual } from 'node:util';
import fc from 'fast-check';
import { gzipSync, strFromU8, strToU8, unzipSync, zipSync } from 'fflate';
import { deskOf } from '../../tests/support/desk';
import { aPhoto } from '../../tests/support/photos';
import { runsOf } from '../../tests/support/runs';
import { EMPTY_LOG, NO_MARKS } from '@/core/log';
import { packBackup, readBackup } from './backup';
import { decode } from './codec';
import { planCodec } from './desk';
import { PHOTO_COLUMNS, readPhotoTable } from './formats/photoTable';
import { isWhole } from './live/photographColumns';
import { withPhotos } from './live/photographs';

/** What comes in damaged, by accident or on purpose: refused or read, and nothing of it lost in silence. */

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
if (!read.ok) throw new Error('the demo cannot be read');
const { plan, shelf, settings } = deskOf(read.value);
const named = (name: string) => ({ ...plan, outing: { ...plan.outing, name } });
const photos = Array.from({ length: 40 }, (_, i) =>
  aPhoto(`${i}.jpg`, { focalMm: 20 + i, takenMs: i * 1000 }),
);
const WHOLE = {
  shelf,
  settings,
  outings: ['one', 'two', 'six', 'ten'].map((name, i) => ({
    ...{ id: `id-${name}`, name, savedAt: 1e12 + i, deletedAt: i === 3 ? 1e12 : null },
    plan: named(name),
  })),
  photographs: { log: withPhotos(EMPTY_LOG, photos).log, marks: NO_MARKS },
  versions: [1, 2].map((revision) => ({
    ...{ key: 'outing:id-one', revision, savedAt: 1e12 },
    packed: gzipSync(strToU8(planCodec.write(named('one')))),
  })),
  asides: [{ name: 'odd', text: 'set aside' }],
};
const packing = packBackup(WHOLE, 'what this is');

/** A copy with every text replaced by another of the same length: names of files, say. */
function replaced(zip: Uint8Array, from: string, to: string): Uint8Array {
  return Buffer.from(Buffer.from(zip).toString('latin1').replaceAll(from, to), 'latin1');
}

const share = fc.double({ min: 0, max: 1, maxExcluded: true, noNaN: true });
const NAMES = ['outings/one.json', 'outings/two.json', 'outings/six.json'];
const FILES = [
  ...NAMES,
  ...[
    'shelf.json',
    'photographs/takenMs.f64',
    'photographs/numbers.focalMm.f32',
    'versions/00001.json.gz',
  ],
];
const aDamage = fc.oneof(
  share.map((at) => (zip: Uint8Array) => zip.slice(0, Math.floor(zip.length * at))),
  fc
    .array(fc.tuple(share, fc.integer({ min: 1, max: 255 })), { minLength: 1, maxLength: 6 })
    .map((flips) => (zip: Uint8Array) => {
      const copy = zip.slice();
      for (const [at, by] of flips) copy[Math.floor(at * zip.length)]! ^= by;
      return copy;
    }),
  // Of each file alike, however small it is.
  fc
    .tuple(fc.constantFrom(...FILES), share, fc.integer({ min: 1, max: 255 }))
    .map(([name, at, by]) => (zip: Uint8Array) => {
      const copy = zip.slice();
      const entry = Buffer.from(zip).indexOf(name);
      const size = new DataView(copy.buffer).getUint32(entry - 12, true);
      copy[entry + name.length + Math.floor(at * size)]! ^= by;
      return copy;
    }),
  // The directory lies at the end: most that can be misled by is there.
  fc
    .array(fc.tuple(share, fc.integer({ min: 1, max: 255 })), { minLength: 1, maxLength: 4 })
    .map((flips) => (zip: Uint8Array) => {
      const copy = zip.slice();
      for (const [at, by] of flips) copy[zip.length - 1 - Math.floor(at * 1500)]! ^= by;
      return copy;
    }),
  fc
    .tuple(share, share, fc.integer({ min: 1, max: 500 }))
    .map(([from, to, length]) => (zip: Uint8Array) => {
      const copy = zip.slice();
      const at = Math.floor(from * zip.length);
      copy.set(
        zip.slice(at, at + Math.min(length, zip.length - Math.floor(to * zip.length))),
        Math.floor(to * zip.length),
      );
      return copy;
    }),
  fc.shuffledSubarray(NAMES, { minLength: 2, maxLength: 2 }).map(
    ([from, to]) =>
      (zip: Uint8Array) =>
        replaced(zip, from!, to!),
  ),
);

test('a backup damaged anywhere is refused, or says of each part that it is not as it was', async () => {
  const zip = await packing;
  const kept = { ...WHOLE, asides: [{ name: 'set-aside/odd.txt', text: 'set aside' }] };
  expect(await readBackup(zip)).toEqual({ ok: true, value: { backup: kept, issues: [] } });
  let refused = 0;
  let told = 0;
  await fc.assert(
    fc.asyncProperty(aDamage, async (damage) => {
      const result = await readBackup(damage(zip));
      if (!result.ok) {
        refused += 1;
        return;
      }
      const { backup, issues } = result.value;
      const isTold = (part: RegExp) => issues.some(({ file }) => part.test(file));
      told += Number(issues.length > 0);
      const texts = backup.outings.map((o) => planCodec.write(o.plan));
      for (const { plan: before } of WHOLE.outings)
        if (!texts.includes(planCodec.write(before))) expect(isTold(/outings|bin/)).toBe(true);
      for (const text of texts)
        expect(WHOLE.outings.some((o) => planCodec.write(o.plan) === text)).toBe(true);
      expect(isDeepStrictEqual(backup.shelf, shelf) || isTold(/shelf/)).toBe(true);
      expect(isDeepStrictEqual(backup.settings, settings) || isTold(/settings/)).toBe(true);
      expect(
        isDeepStrictEqual(backup.photographs, WHOLE.photographs) || isTold(/photographs/),
      ).toBe(true);
      expect(
        isDeepStrictEqual(backup.versions, WHOLE.versions) || isTold(/versions|contents/),
      ).toBe(true);
    }),
    { seed: 61, numRuns: runsOf(6000, 80) },
  );
  expect([refused > 10, told > 10]).toEqual([true, true]);
});

const ABSURD = [
  null,
  -1,
  0.5,
  1e300,
  '',
  'id-one',
  'constructor',
  '__proto__',
  'shelf.json',
  [],
  {},
];

test('an index that says what cannot be loses no outing, and gives no two of them one id', async () => {
  const files = unzipSync(await packing);
  const index = JSON.parse(strFromU8(files['contents.json']!));
  const entry = { list: fc.constantFrom('outings', 'versions'), at: fc.nat(3) };
  const keys = fc.constantFrom(
    'file',
    'id',
    'name',
    'savedAt',
    'deletedAt',
    'key',
    'revision',
    null,
  );
  const anEntry = fc.oneof(
    fc.record({ ...entry, value: fc.constantFrom(...ABSURD), key: keys }),
    fc.record({ ...entry, value: fc.constant('id-one'), key: fc.constant('id') }),
  );
  await fc.assert(
    fc.asyncProperty(fc.array(anEntry, { minLength: 1, maxLength: 4 }), async (changes) => {
      const changed = structuredClone(index);
      for (const { list, at, key, value } of changes) {
        if (key === null) changed[list][at] = value;
        else if (typeof changed[list][at] === 'object' && changed[list][at])
          changed[list][at][key] = value;
      }
      const zip = zipSync({ ...files, 'contents.json': strToU8(JSON.stringify(changed)) });
      const result = await readBackup(zip);
      if (!result.ok) throw new Error(result.error.code);
      const { outings, versions } = result.value.backup;
      const names = outings.map((o) => o.plan.outing.name);
      expect(names).toEqual(expect.arrayContaining(['one', 'two', 'six', 'ten']));
      expect(new Set(outings.map((o) => o.id)).size).toBe(outings.length);
      for (const { savedAt, deletedAt } of outings)
        expect(
          [new Date(savedAt), new Date(deletedAt ?? 0)].map((d) => d.toISOString()),
        ).toHaveLength(2);
      for (const { packed } of versions) expect(packed).toBeInstanceOf(Uint8Array);
    }),
    { seed: 62, numRuns: runsOf(2000, 40) },
  );
});

test('a file that unpacks to more than it says, or says too much, is not unpacked', async () => {
  const files = unzipSync(await packing);
  const zeros = zipSync({ ...files, 'zeros.bin': new Uint8Array(5_000_000) });
  /** What the directory says of the last file: its size unpacked stands 24 bytes into its entry. */
  const saying = (size: number) => {
    const zip = zeros.slice();
    const entry = Buffer.from(zip).lastIndexOf('zeros.bin') - 46;
    new DataView(zip.buffer).setUint32(entry + 24, size, true);
    return zip;
  };
  expect(await readBackup(saying(500_000_000))).toMatchObject({ error: { code: 'too-large' } });
  expect(await readBackup(saying(10))).toMatchObject({
    value: { issues: [{ file: 'zeros.bin', refusal: 'damaged' }] },
  });
});

const ODD = [
  '',
  '0',
  '-1',
  '1e-308',
  '1e308',
  '1e999',
  'NaN',
  'inf',
  '1/0',
  '0/0',
  'f/1e-308',
  '∞',
  '٣',
  '=1+1',
  'x'.repeat(10_000),
  '\u0000',
  '"',
  ',',
  '\n',
  '__proto__',
  '9999:99:99 99:99:99',
  '[]',
  '{}',
  'true',
];
const ROW: readonly string[] = [
  'a/b.jpg',
  '2027:06:12 09:31:02',
  '5',
  '+02:00',
  'M',
  'B',
  '1',
  'M',
  'L',
  '2',
  '24 70 2.8 2.8',
  '35',
  '35',
  '2.8',
  '0.004',
  '400',
  '0',
  '5',
  '6000',
  '4000',
  '1',
  '1',
  '36',
  '24',
  '3',
  'red',
  '1',
  '2',
];

test('a damaged table of photographs gives no figure that no photograph has, and throws nothing', () => {
  const aCell = fc.tuple(fc.nat(4), fc.nat(PHOTO_COLUMNS.length - 1), fc.constantFrom(...ODD));
  const aTable = fc.record({
    cells: fc.array(aCell, { maxLength: 12 }),
    cut: share,
    isJson: fc.boolean(),
    isCut: fc.boolean(),
    doubled: fc.nat(5),
  });
  let kept = 0;
  // The reader of CSV notes there that a column stands twice.
  const noted = jest.spyOn(console, 'warn').mockImplementation(() => undefined);
  fc.assert(
    fc.property(aTable, ({ cells, cut, isJson, isCut, doubled }) => {
      const rows = Array.from({ length: 5 }, (_, i) =>
        ROW.map((v, k) => (k === 0 ? `${i}.jpg` : v)),
      );
      for (const [row, column, odd] of cells) rows[row]![column] = odd;
      const columns = PHOTO_COLUMNS.map((name, i) => (i === doubled * 3 ? 'FNumber' : name));
      const objects = rows.map((row) => Object.fromEntries(row.map((v, i) => [columns[i], v])));
      const text = isJson
        ? JSON.stringify(objects)
        : [columns, ...rows].map((r) => r.join(',')).join('\n');
      const table = readPhotoTable(
        isCut ? text.slice(0, Math.floor(text.length * cut)) : text,
        true,
      );
      if (table.code !== 'read') return;
      kept += table.photos.length;
      for (const {
        focalMm,
        equivalentMm,
        fNumber,
        timeS,
        iso,
        widthPx,
        name,
        label,
        body,
      } of table.photos) {
        for (const figure of [focalMm, equivalentMm, fNumber, timeS, iso, widthPx])
          if (figure !== null)
            expect([figure > 0, Math.fround(figure) > 0, Math.fround(figure) < Infinity]).toEqual([
              true,
              true,
              true,
            ]);
        expect(Math.max(name.length, label.length, body.model.length)).toBeLessThan(1001);
      }
      expect(isWhole(withPhotos(EMPTY_LOG, table.photos).log, NO_MARKS)).toBe(true);
    }),
    { seed: 63, numRuns: runsOf(20_000, 300) },
  );
  noted.mockRestore();
  expect(kept).toBeGreaterThan(300);
});
