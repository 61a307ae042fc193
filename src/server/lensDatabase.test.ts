import { mkdtempSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import path from 'node:path';
import { createLensLookup } from './lensDatabase';

/** A made-up database of so many lenses. */
const database = (count: number) =>
  `<lensdatabase version="1"><mount><name>Alder A</name></mount>
  <camera><maker>Alder</maker><model>One</model><mount>Alder A</mount><cropfactor>1</cropfactor></camera>
  ${Array.from(
    { length: count },
    (_, i) =>
      `<lens><maker>Alder</maker><model>Nova ${20 + i}mm f/2.8</model><mount>Alder A</mount><cropfactor>1</cropfactor></lens>`,
  ).join('')}</lensdatabase>`;

let folder: string;
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'lenses-'));
  writeFileSync(path.join(folder, 'a.xml'), database(1000));
  writeFileSync(path.join(folder, 'broken.xml'), '<lensdatabase>');
  writeFileSync(path.join(folder, 'notes.txt'), 'not read');
});
afterAll(() => rmSync(folder, { recursive: true }));

test('finds by every word, in any order, with f-numbers written any way', async () => {
  const lookup = createLensLookup(folder);
  expect(await lookup.ready()).toBe(true);
  expect(await lookup.search('')).toEqual({ count: 1001, lenses: [], cameras: [], more: 0 });
  for (const text of ['nova 85mm', '85mm F2.8 alder', 'ALDER  85mm, f/2.8'])
    expect((await lookup.search(text))?.lenses.map((l) => l.model)).toEqual(['Nova 85mm f/2.8']);
  expect((await lookup.search('one'))?.cameras).toMatchObject([{ model: 'One' }]);
  expect(await lookup.search('no such thing')).toMatchObject({ lenses: [], cameras: [], more: 0 });
});

test('gives no more than one page, and says how many there are', async () => {
  const found = await createLensLookup(folder).search('nova');
  expect(found?.lenses).toHaveLength(40);
  expect(found?.more).toBe(960);
});

test('gives the lenses of a mount that reach so far and are as fast', async () => {
  const lookup = createLensLookup(folder);
  const asked = { mount: 'alder a', wideMm: 85, longMm: 85, fNumberWide: 2.8, fNumberLong: 2.8 };
  expect((await lookup.satisfying(asked))?.lenses.map((l) => l.model)).toEqual(['Nova 85mm f/2.8']);
  for (const change of [{ mount: 'Alder' }, { longMm: 90 }, { wideMm: 84 }, { fNumberLong: 2.5 }])
    expect((await lookup.satisfying({ ...asked, ...change }))?.lenses).toEqual([]);
});

test('says that there is none where the folder is not there', async () => {
  const lookup = createLensLookup(path.join(folder, 'nowhere'));
  expect([await lookup.ready(), await lookup.search('nova')]).toEqual([false, null]);
});
