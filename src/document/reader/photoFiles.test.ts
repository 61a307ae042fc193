import { readFileSync } from 'node:fs';
import { decode, type OutingFile } from '@/document';
import { simulatedCard } from '@/document/simulated';
import { xmpOf } from '../formats/xmp';
import { readPhotoFiles } from './photoFiles';
import { counted, sorted } from './readPhotos';

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
const card = simulatedCard((read.ok ? read.value : null) as OutingFile);
const blob = (text: string) => new Blob([text]);

test('an XMP file is of the photograph that it stands beside; hidden files are left out', () => {
  const found = [
    'd/A.JPG',
    'd/A.xmp',
    'd/B.NEF',
    'd/B.NEF.XMP',
    'e/A.JPG',
    'd/.C.JPG',
    '.trash/D.JPG',
  ];
  const files = sorted(found.map((path) => ({ path, file: blob(path) })));
  expect(files.map((f) => [f.folder, f.name, f.sidecar !== null])).toEqual([
    ['d', 'A.JPG', true],
    ['d', 'B.NEF', true],
    ['e', 'A.JPG', false],
  ]);
});

test('the ratings beside two files of the card are read, and count before those inside', async () => {
  const files = sorted(card.files.map(({ path, bytes }) => ({ path, file: new Blob([bytes]) })));
  const beside = files.filter((f) => f.sidecar !== null);
  expect(beside).toHaveLength(2);
  for (const came of await readPhotoFiles(beside, false))
    expect(came).toMatchObject({ kind: 'photo', photo: { rating: 5, label: 'Print' } });
});

test('a file that can’t be opened is damaged, and the next one is read', async () => {
  const gone = { size: 5, arrayBuffer: () => Promise.reject(new Error('gone')) } as unknown as Blob;
  const [good] = card.files;
  const at = { folder: '', sidecar: null };
  const came = await readPhotoFiles(
    [
      { ...at, name: 'gone.jpg', file: gone },
      { ...at, name: 'good.jpg', file: new Blob([good!.bytes]) },
    ],
    false,
  );
  expect(came.map((c) => c.kind)).toEqual(['damaged', 'photo']);
});

const XMP = (inside: string) =>
  `<x:xmpmeta xmlns:x="adobe:ns:meta/"><rdf:RDF>${inside}</rdf:RDF></x:xmpmeta>`;
test.each([
  ['attributes', XMP('<rdf:Description xmp:Rating="3" xmp:Label="Red"/>'), 3, 'Red'],
  ['elements', XMP('<rdf:Description><xmp:Rating>-1</xmp:Rating></rdf:Description>'), -1, ''],
  [
    'the second description',
    XMP('<rdf:Description a="1"/><rdf:Description xmp:Rating="2"/>'),
    2,
    '',
  ],
  ['no rating', XMP('<rdf:Description xmp:Rating=""/>'), null, ''],
  ['a rating that is none', XMP('<rdf:Description xmp:Rating="9"/>'), null, ''],
  ['something else', '<html></html>', null, ''],
  ['the prefix of earlier years', XMP('<rdf:Description xap:Rating="4"/>'), 4, ''],
  [
    'a prefix of its own',
    XMP(`<rdf:Description xmlns:a="http://ns.adobe.com/xap/1.0/" a:Rating="2" a:Label="Blue"/>`),
    2,
    'Blue',
  ],
  [
    'a rating that is another’s',
    XMP('<rdf:Description xmlns:b="http://other.example/" b:Rating="2"/>'),
    null,
    '',
  ],
  ['no frame about it', '<rdf:RDF><rdf:Description xmp:Rating="3"/></rdf:RDF>', 3, ''],
  [
    'signs that XML writes otherwise, once',
    XMP('<rdf:Description xmp:Label="R&amp;D &#252;b&#xe9;r &amp;lt; &nope;"/>'),
    null,
    'R&D übér &lt; &nope;',
  ],
])('XMP with %s', (_, xml, rating, label) => {
  expect(xmpOf(xml)).toEqual({ rating, label });
});

test.each([
  ['UTF-16, little end first', [0xff, 0xfe], (code: number) => [code & 255, code >> 8]],
  ['UTF-16, big end first', [0xfe, 0xff], (code: number) => [code >> 8, code & 255]],
  ['UTF-8 with its mark', [0xef, 0xbb, 0xbf], (code: number) => [code]],
])('an XMP file in %s is read', async (_, mark, bytesOf) => {
  const xml = XMP('<rdf:Description xmp:Rating="4"/>');
  const bytes = Uint8Array.from([...mark, ...[...xml].flatMap((c) => bytesOf(c.charCodeAt(0)))]);
  const [good] = card.files;
  const file = new Blob([good!.bytes]);
  const beside = { folder: '', name: 'good.jpg', file, sidecar: new Blob([bytes]) };
  expect(await readPhotoFiles([beside], false)).toMatchObject([{ photo: { rating: 4 } }]);
});

test.each(['', '<', '<x:xmpmeta><rdf:RDF>', '\0\0\0', '<!DOCTYPE x [<!ENTITY a "b">]><x>&a;</x>'])(
  'XMP that is none throws nothing: %j',
  (xml) => {
    expect(xmpOf(xml)?.rating ?? null).toBeNull();
  },
);

test('what can’t be read yet is counted by itself, by its ending; what is read of it counts', () => {
  const none = { files: 5, done: 0, read: 0, noData: 0, damaged: 0, notYet: [], notPhotos: 0 };
  const kinds = {
    'a.X3F': 'not-a-photo',
    'b.gpr': 'damaged',
    'c.txt': 'not-a-photo',
    'd.jpg': 'damaged',
    'e.x3f': 'photo',
  } as const;
  const files = Object.keys(kinds).map((name) => ({
    ...{ folder: '', name, sidecar: null, file: blob('') },
  }));
  const read = Object.values(kinds).map((kind) => ({ kind })) as never;
  expect(counted(none, files, read)).toEqual({
    ...{ files: 5, done: 5, read: 1, noData: 0, damaged: 1, notPhotos: 1 },
    notYet: ['.x3f', '.gpr'],
  });
});
