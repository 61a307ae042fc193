import { XMLParser } from 'fast-xml-parser';
import { MOST_TEXT, ratingOf } from './photoValues';

/** What an XMP text says of a picture's worth. */
export interface Worth {
  readonly rating: number | null;
  readonly label: string;
}

const XMP_START = '<x:xmpmeta';
const XMP_END = '</x:xmpmeta>';

/** The XMP packet inside a file's beginning; null where there is none, or it is cut. */
export function xmpIn(head: ArrayBuffer): Worth | null {
  const bytes = new Uint8Array(head);
  const from = find(bytes, XMP_START, 0);
  const to = from < 0 ? -1 : find(bytes, XMP_END, from);
  if (to < 0) return null;
  return xmpOf(new TextDecoder().decode(bytes.subarray(from, to + XMP_END.length)));
}

/** Where a text of one-byte letters stands among bytes; −1 where it doesn't. */
export function find(bytes: Uint8Array, text: string, from: number): number {
  const first = text.charCodeAt(0);
  for (let at = bytes.indexOf(first, from); at >= 0; at = bytes.indexOf(first, at + 1)) {
    let length = 1;
    while (length < text.length && bytes[at + length] === text.charCodeAt(length)) length += 1;
    if (length === text.length) return at;
  }
  return -1;
}

/**
 * The text of an XMP file: UTF-8, or UTF-16 by the mark that it begins with. Source: the XMP specification,
 * part 3, "Text encoding".
 */
export function xmpText(bytes: ArrayBuffer): string {
  const [first, second] = new Uint8Array(bytes, 0, Math.min(2, bytes.byteLength));
  const encoding =
    first === 0xff && second === 0xfe
      ? 'utf-16le'
      : first === 0xfe && second === 0xff
        ? 'utf-16be'
        : 'utf-8';
  return new TextDecoder(encoding).decode(bytes);
}

const XML = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '',
  processEntities: false,
  parseTagValue: false,
  parseAttributeValue: false,
});

/** The namespace that Rating and Label are of. Source: the XMP specification, part 1. */
const XMP_SPACE = 'http://ns.adobe.com/xap/1.0/';
/** What it is usually called, now and before, where a text doesn't say. */
const USUAL_PREFIXES = ['xmp', 'xap'];

/** Rating and label of an XMP text, as attribute or as element of its description. */
export function xmpOf(xml: string): Worth | null {
  let found: unknown;
  try {
    found = XML.parse(xml);
  } catch {
    return null;
  }
  // With or without the frame that most programs put about it.
  const nodes = [...within(found, 'xmpmeta'), found];
  const descriptions = nodes
    .flatMap((node) => within(node, 'RDF'))
    .flatMap((rdf) => within(rdf, 'Description').map((node) => ({ ...rdf, ...node })));
  const valueOf = (name: string) =>
    descriptions.flatMap((node) => {
      const prefixes = Object.keys(node).flatMap((key) =>
        node[key] === XMP_SPACE ? [key.replace(/^xmlns:/, '')] : [],
      );
      const value = [...prefixes, ...USUAL_PREFIXES]
        .map((prefix) => node[`${prefix}:${name}`])
        .find((v) => typeof v === 'string');
      return typeof value === 'string' ? [unescaped(value)] : [];
    })[0];
  const rating = valueOf('Rating');
  return {
    rating: rating === undefined || rating === '' ? null : ratingOf(Number(rating)),
    label: (valueOf('Label') ?? '').trim().slice(0, MOST_TEXT),
  };
}

type Node = Readonly<Record<string, unknown>>;

/** The elements of a name directly within another, whatever their prefix. */
function within(node: unknown, name: string): Node[] {
  if (typeof node !== 'object' || node === null) return [];
  return Object.entries(node)
    .filter(([key]) => key.slice(key.indexOf(':') + 1) === name)
    .flatMap(([, value]) => (Array.isArray(value) ? (value as unknown[]) : [value]))
    .filter((value): value is Node => typeof value === 'object' && value !== null);
}

const NAMED: Readonly<Record<string, string>> = {
  lt: '<',
  gt: '>',
  quot: '"',
  apos: "'",
  amp: '&',
};
/** The last code point that there is. */
const LAST_POINT = 0x10_ff_ff;

/** A text with what XML writes for its own signs put back, once; what a text declares itself stays. */
function unescaped(text: string): string {
  return text.replace(
    /&(?:(lt|gt|quot|apos|amp)|#(\d{1,7})|#x([\da-f]{1,6}));/gi,
    (whole, ...g) => {
      const [name, decimal, hex] = g as (string | undefined)[];
      if (name !== undefined) return NAMED[name.toLowerCase()] ?? whole;
      const point = decimal === undefined ? Number.parseInt(hex!, 16) : Number(decimal);
      return point > 0 && point <= LAST_POINT ? String.fromCodePoint(point) : whole;
    },
  );
}
