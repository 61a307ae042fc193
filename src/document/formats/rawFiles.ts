/**
 * Raw files that aren't TIFF or JPEG from their first byte, as what the parser knows.
 *
 * Sources: ISO/IEC 14496-12 for boxes; what lies in which box, under which number and at which offset:
 * public descriptions of these kinds, held against exiftool (`tests/reference/photographs.test.ts`).
 */

import { latin1At } from './bytes';

/** Endings of raw files that are read: one of which nothing can be made is damaged. */
export const RAW_READ = /\.(dng|nef|cr2|cr3|arw|orf|pef|raf|rw2|srw)$/i;

/** The parts of a file that tell how it was taken, each as a file that the parser knows. */
export function knownParts(head: ArrayBuffer, name: string): readonly ArrayBuffer[] {
  const mark = latin1At(head, 0, 4);
  if (mark in OWN_NUMBERS) return [asTiff(head, OWN_NUMBERS[mark]!)];
  if (latin1At(head, 4, 4) === 'ftyp') {
    const blocks = blocksIn(head);
    return blocks.length > 0 ? blocks : [head];
  }
  const jpeg = /\.raf$/i.test(name) ? jpegWithin(head) : null;
  return [jpeg ?? head];
}

const TIFF_MARK = 42;
/** Numbers of TIFF 6.0 and Exif 2.32. */
const [WIDTH, HEIGHT, ISO] = [0x0100, 0x0101, 0x8827];

/** What a kind says under numbers of its own in its first directory: sides of the picture, and ISO. */
interface OwnNumbers {
  readonly top: number;
  readonly left: number;
  readonly bottom: number;
  readonly right: number;
  readonly iso: number;
}

/** Raw files that are TIFF under a mark of their own in the place of its 42. */
const OWN_NUMBERS: Readonly<Record<string, OwnNumbers | null>> = {
  IIRO: null,
  IIRS: null,
  'IIU\0': { top: 4, left: 5, bottom: 6, right: 7, iso: 0x17 },
};

function asTiff(head: ArrayBuffer, own: OwnNumbers | null): ArrayBuffer {
  const known = head.slice(0);
  const view = new DataView(known);
  view.setUint16(2, TIFF_MARK, true);
  if (own === null) return known;
  const at = new Map(firstDirectory(view).map((entry) => [view.getUint16(entry, true), entry]));
  const value = (number: number) => view.getUint16((at.get(number) ?? NaN) + VALUE, true);
  const say = (number: number, as: number, figure: (said: number) => number) => {
    const entry = at.get(number);
    if (entry === undefined) return;
    view.setUint16(entry + VALUE, figure(value(number)), true);
    view.setUint16(entry, as, true);
  };
  if (at.has(own.left)) say(own.right, WIDTH, (right) => right - value(own.left));
  if (at.has(own.top)) say(own.bottom, HEIGHT, (bottom) => bottom - value(own.top));
  say(own.iso, ISO, (iso) => iso);
  return known;
}

/** Bytes of an entry of a directory, and from its beginning to its value. */
const ENTRY = 12;
const VALUE = 8;

/** Where the entries of a little-endian TIFF's first directory begin. */
function firstDirectory(view: DataView): number[] {
  if (view.byteLength < 8) return [];
  const from = view.getUint32(4, true);
  if (from + 2 > view.byteLength) return [];
  const fit = Math.floor((view.byteLength - from - 2) / ENTRY);
  const count = Math.min(view.getUint16(from, true), fit);
  return Array.from({ length: count }, (_, i) => from + 2 + ENTRY * i);
}

/** Where the offset of the JPEG stands in a raw file that has one before its own data, big end first. */
const JPEG_AT = 84;

function jpegWithin(head: ArrayBuffer): ArrayBuffer | null {
  if (head.byteLength < JPEG_AT + 4) return null;
  const at = new DataView(head).getUint32(JPEG_AT);
  return latin1At(head, at, 3) === '\xff\xd8\xff' ? head.slice(at) : null;
}

interface Box {
  readonly type: string;
  readonly from: number;
  readonly to: number;
}

/** Bytes of a box's size and type; of a size that takes more; of the number that a box of an own kind has. */
const [BOX_HEAD, LONG_SIZE, OWN_KIND] = [8, 8, 16];

/** The boxes of ISO media between two places; one that is cut off ends where the bytes do. */
function boxesIn(view: DataView, from: number, to: number): Box[] {
  const boxes: Box[] = [];
  let at = from;
  while (at + BOX_HEAD <= to) {
    const short = view.getUint32(at);
    const isLong = short === 1 && at + BOX_HEAD + LONG_SIZE <= to;
    const size = isLong ? Number(view.getBigUint64(at + BOX_HEAD)) : short || to - at;
    const begin = at + BOX_HEAD + (isLong ? LONG_SIZE : 0);
    if (at + size < begin) break;
    const type = latin1At(view.buffer as ArrayBuffer, at + 4, 4);
    boxes.push({ type, from: begin, to: Math.min(to, at + size) });
    at += size;
  }
  return boxes;
}

/** Of raw files built on ISO media: the directories of the picture, of Exif and of the place, a TIFF each. */
const BLOCKS = ['CMT1', 'CMT2', 'CMT4'];
const PLACE_BLOCK = 'CMT4';
const PLACE_POINTER = 0x8825;

function blocksIn(head: ArrayBuffer): ArrayBuffer[] {
  const view = new DataView(head);
  const film = boxesIn(view, 0, view.byteLength).filter(({ type }) => type === 'moov');
  const own = film
    .flatMap(({ from, to }) => boxesIn(view, from, to))
    .filter(({ type }) => type === 'uuid');
  return own
    .flatMap(({ from, to }) => boxesIn(view, from + OWN_KIND, to))
    .filter(({ type }) => BLOCKS.includes(type))
    .map(({ type, from, to }) => {
      const block = head.slice(from, to);
      return type === PLACE_BLOCK ? pointedAt(block, PLACE_POINTER) : block;
    });
}

/** A TIFF whose first directory only points at the one that was its first. */
function pointedAt(block: ArrayBuffer, pointer: number): ArrayBuffer {
  const isLittle = latin1At(block, 0, 2) === 'II';
  const pointing = new DataView(new ArrayBuffer(block.byteLength + 2 + ENTRY + 4));
  new Uint8Array(pointing.buffer).set(new Uint8Array(block));
  const at = block.byteLength;
  if (at < 8) return block;
  const LONG = 4;
  pointing.setUint16(at, 1, isLittle);
  pointing.setUint16(at + 2, pointer, isLittle);
  pointing.setUint16(at + 4, LONG, isLittle);
  pointing.setUint32(at + 6, 1, isLittle);
  pointing.setUint32(at + 2 + VALUE, pointing.getUint32(4, isLittle), isLittle);
  pointing.setUint32(4, at, isLittle);
  return pointing.buffer;
}
