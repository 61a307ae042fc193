/** Raw files as cameras lay them out, made of a TIFF or a JPEG that holds the data. */

/** Where the entries of a TIFF's first directory begin, and the number and value of each. */
function entriesOf(tiff: Buffer) {
  const isLittle = tiff.toString('latin1', 0, 2) === 'II';
  const short = (at: number) => (isLittle ? tiff.readUInt16LE(at) : tiff.readUInt16BE(at));
  const long = (at: number) => (isLittle ? tiff.readUInt32LE(at) : tiff.readUInt32BE(at));
  const from = long(4);
  return Array.from({ length: short(from) }, (_, i) => {
    const at = from + 2 + 12 * i;
    return { at, number: short(at), value: long(at + 8) };
  });
}

/** Number of the entry that points at a directory: Exif's, the place's. */
const POINTERS = { exif: 0x8769, place: 0x8825 };

/** A TIFF that begins with the directory that one of its entries points at; null where none does. */
function beganWith(tiff: Buffer, pointer: number): Buffer | null {
  const entry = entriesOf(tiff).find(({ number }) => number === pointer);
  if (!entry) return null;
  const begun = Buffer.from(tiff);
  if (tiff.toString('latin1', 0, 2) === 'II') begun.writeUInt32LE(entry.value, 4);
  else begun.writeUInt32BE(entry.value, 4);
  return begun;
}

function box(type: string, ...content: readonly Buffer[]): Buffer {
  const head = Buffer.alloc(8);
  const inside = Buffer.concat(content);
  head.writeUInt32BE(8 + inside.length);
  head.write(type, 4, 'latin1');
  return Buffer.concat([head, inside]);
}

/** Number of the box that holds the directories, as exiftool knows it. */
const OWN_BOX = Buffer.from('85c0b687820f11e08111f4ce462b6a48', 'hex');

/** Built on ISO media: three directories in boxes of their own, each a TIFF, before the picture. */
export function cr3Of(tiff: Buffer): Buffer {
  const exif = beganWith(tiff, POINTERS.exif);
  const place = beganWith(tiff, POINTERS.place);
  const block = (type: string, content: Buffer | null) => (content ? [box(type, content)] : []);
  const first = Buffer.from(tiff);
  // Each directory stands once: the first doesn't point at the others.
  for (const { at, number } of entriesOf(first))
    if (Object.values(POINTERS).includes(number)) first.fill(0, at, at + 2);
  const blocks = [...block('CMT1', first), ...block('CMT2', exif), ...block('CMT4', place)];
  return Buffer.concat([
    box('ftyp', Buffer.from('crx \0\0\0\x01crx isom', 'latin1')),
    box('moov', box('uuid', OWN_BOX, ...blocks)),
    box('mdat', Buffer.alloc(64)),
  ]);
}

/** With a JPEG before its own data, the offset and length of which stand at 84. */
export function rafOf(jpeg: Buffer): Buffer {
  const head = Buffer.alloc(160);
  // What files of this kind begin with.
  Buffer.from('46554a4946494c4d4343442d524157203032303146463131', 'hex').copy(head);
  head.write('0100', 0x3c, 'latin1');
  head.writeUInt32BE(head.length, 84);
  head.writeUInt32BE(jpeg.length, 88);
  return Buffer.concat([head, jpeg, Buffer.alloc(64)]);
}

/** The sensor's borders, and ISO, under numbers of its own in the first directory. */
export const RW2_OWN = { top: 12, left: 20, bottom: 3020, right: 4036, iso: 640 };

/** A little-endian TIFF under a mark of its own, its first directory rewritten. */
export function rw2Of(tiff: Buffer): Buffer {
  const kept = entriesOf(tiff).filter(
    ({ number }) => ![0x0100, 0x0101, 0x8827].includes(number) && number > 0xff,
  );
  const { top, left, bottom, right, iso } = RW2_OWN;
  const own = [
    [4, top],
    [5, left],
    [6, bottom],
    [7, right],
    [0x17, iso],
  ].map(([number, value]) => {
    const entry = Buffer.alloc(12);
    entry.writeUInt16LE(number!, 0);
    entry.writeUInt16LE(3, 2);
    entry.writeUInt32LE(1, 4);
    entry.writeUInt16LE(value!, 8);
    return entry;
  });
  const entries = [...own, ...kept.map(({ at }) => tiff.subarray(at, at + 12))];
  const count = Buffer.alloc(2);
  count.writeUInt16LE(entries.length);
  const rewritten = Buffer.concat([tiff, count, ...entries, Buffer.alloc(4)]);
  rewritten.writeUInt32LE(tiff.length, 4);
  rewritten.write('IIU\0', 0, 'latin1');
  return rewritten;
}
