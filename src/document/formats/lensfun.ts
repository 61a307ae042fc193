import { XMLParser, XMLValidator } from 'fast-xml-parser';
import { type AperturePoint, type FocalRange, GEAR_RANGES, type Lens } from '@/core/gear';
import { err, ok, type Result } from '@/core/result';

/** What was read of one or more database files, before anything is chosen. */
export interface LensDatabase {
  readonly mounts: readonly { readonly name: string; readonly accepts: readonly string[] }[];
  readonly cameras: readonly DatabaseCamera[];
  readonly lenses: readonly DatabaseLens[];
  /** Entries that cannot be taken over, each with the reason. */
  readonly skipped: readonly { readonly name: string; readonly reason: SkipReason }[];
  /** Lenses built into a camera; they mount on nothing and are passed over. */
  readonly fixedLenses: number;
}

export interface DatabaseCamera {
  readonly maker: string;
  readonly model: string;
  readonly mount: string;
  readonly cropFactor: number;
}

export interface DatabaseLens {
  readonly maker: string;
  readonly model: string;
  readonly mounts: readonly string[];
  readonly focal: FocalRange;
  readonly measured: FocalRange | null;
  readonly apertures: readonly AperturePoint[];
  readonly projection: Lens['projection'];
}

export type SkipReason =
  'no-name' | 'no-mount' | 'no-focal-length' | 'no-f-number' | 'no-crop-factor';

export type DatabaseRefusal =
  | { readonly code: 'not-xml'; readonly why: string; readonly line: number }
  | { readonly code: 'forbidden-xml'; readonly why: string }
  | { readonly code: 'not-lensfun' }
  | { readonly code: 'unknown-version'; readonly version: string };

const KNOWN_VERSIONS = new Set(['1', '2']);

type Node = Record<string, unknown>;

const LISTS = new Set([
  'mount',
  'camera',
  'lens',
  'model',
  'maker',
  'compat',
  'name',
  'calibration',
  'distortion',
  'tca',
  'vignetting',
  'focal',
  'aperture',
]);

const parser = new XMLParser({
  ignoreAttributes: false,
  attributeNamePrefix: '@',
  parseTagValue: false,
  processEntities: true,
  isArray: (name) => LISTS.has(name),
});

/** Reads one file of the open Lensfun database (format versions 1 and 2). */
export function readLensfun(xml: string): Result<LensDatabase, DatabaseRefusal> {
  const valid = XMLValidator.validate(xml);
  if (valid !== true) {
    const { msg, line } = valid.err;
    return err({ code: 'not-xml', why: msg, line });
  }
  let document: Node;
  try {
    document = parser.parse(xml) as Node;
  } catch (error) {
    // Names that stand for something else in a program, entities from outside, nesting without end.
    const why = error instanceof Error ? error.message : String(error);
    return err({ code: 'forbidden-xml', why });
  }
  const root = document.lensdatabase;
  if (typeof root !== 'object' || root === null) {
    return err({ code: 'not-lensfun' });
  }
  const version = String((root as Node)['@version'] ?? '1');
  if (!KNOWN_VERSIONS.has(version)) {
    return err({ code: 'unknown-version', version });
  }
  return ok(databaseOf(root as Node));
}

/** Puts the contents of several files together; a mount told of twice keeps what both say. */
export function mergeDatabases(parts: readonly LensDatabase[]): LensDatabase {
  const mounts = new Map<string, Set<string>>();
  for (const { name, accepts } of parts.flatMap((p) => p.mounts)) {
    mounts.set(name, new Set([...(mounts.get(name) ?? []), ...accepts]));
  }
  return {
    mounts: [...mounts].map(([name, accepts]) => ({ name, accepts: [...accepts] })),
    cameras: parts.flatMap((p) => p.cameras),
    lenses: parts.flatMap((p) => p.lenses),
    skipped: parts.flatMap((p) => p.skipped),
    fixedLenses: parts.reduce((sum, p) => sum + p.fixedLenses, 0),
  };
}

function databaseOf(root: Node): LensDatabase {
  const cameras: DatabaseCamera[] = [];
  const lenses: DatabaseLens[] = [];
  const skipped: { name: string; reason: SkipReason }[] = [];
  let fixedLenses = 0;
  for (const node of nodes(root.camera)) {
    const camera = cameraOf(node);
    if (typeof camera === 'string') skipped.push({ name: nameOf(node), reason: camera });
    else if (!isFixed(camera.mount)) cameras.push(camera);
  }
  for (const node of nodes(root.lens)) {
    const mounts = texts(node.mount);
    if (mounts.length > 0 && mounts.every(isFixed)) {
      fixedLenses += 1;
      continue;
    }
    const lens = lensOf(
      node,
      mounts.filter((m) => !isFixed(m)),
    );
    if (typeof lens === 'string') skipped.push({ name: nameOf(node), reason: lens });
    else lenses.push(lens);
  }
  return {
    mounts: nodes(root.mount).flatMap((node) => {
      const name = localised(node.name);
      return name === '' || isFixed(name) ? [] : [{ name, accepts: texts(node.compat) }];
    }),
    cameras,
    lenses,
    skipped,
    fixedLenses,
  };
}

/** The database writes the mounts of cameras with a built-in lens with a small first letter. */
function isFixed(mount: string): boolean {
  return /^\p{Ll}/u.test(mount);
}

function cameraOf(node: Node): DatabaseCamera | SkipReason {
  const model = localised(node.model);
  const mount = texts(node.mount)[0];
  const cropFactor = Number(text(node.cropfactor));
  if (model === '') return 'no-name';
  if (mount === undefined) return 'no-mount';
  if (!(cropFactor > 0.1 && cropFactor < 20)) return 'no-crop-factor';
  return { maker: localised(node.maker), model, mount, cropFactor };
}

function lensOf(node: Node, mounts: readonly string[]): DatabaseLens | SkipReason {
  const model = localised(node.model);
  if (model === '') return 'no-name';
  if (mounts.length === 0) return 'no-mount';
  const focal = focalOf(node, model);
  if (focal === null) return 'no-focal-length';
  const apertures = aperturesOf(node, model, focal);
  if (apertures === null) return 'no-f-number';
  const type = text(node.type);
  return {
    maker: localised(node.maker),
    model,
    mounts,
    focal,
    measured: measuredOf(node, focal),
    apertures,
    projection: PROJECTIONS[type] ?? 'equidistant',
  };
}

/** The database's types of lens; what it calls fisheye without more is equidistant. */
const PROJECTIONS: Readonly<Record<string, Lens['projection']>> = {
  '': 'rectilinear',
  rectilinear: 'rectilinear',
  fisheye: 'equidistant',
  equisolid: 'equisolid',
  stereographic: 'stereographic',
  orthographic: 'orthographic',
  // Thoby's is an equisolid one that bends a little less.
  'fisheye-thoby': 'equisolid',
};

const RANGE_IN_NAME = /(?<!\d)(\d{1,5}(?:\.\d{1,4})?)(?: ?[-–] ?(\d{1,5}(?:\.\d{1,4})?))? ?mm/i;
const F_NUMBERS_IN_NAME =
  /(?:(?:\b|mm)f\/?|1:) ?(\d{1,3}(?:\.\d{1,3})?)(?: ?[-–] ?(?:f\/?)?(\d{1,3}(?:\.\d{1,3})?))?/gi;
/** The older way of naming: f-numbers over focal lengths, such as 2.8/35 or 2,8-3,5/25-45. */
const FRACTION_IN_NAME =
  /(?<![\d.])(\d{1,3}(?:[.,]\d{1,3})?)(?:-(\d{1,3}(?:[.,]\d{1,3})?))?\/(\d{1,4}(?:[.,]\d{1,3})?)(?:-(\d{1,4}(?:[.,]\d{1,3})?))?(?![\d.])/;

/** The range stated, else the one in the name, else that of the calibration entries. */
function focalOf(node: Node, model: string): FocalRange | null {
  const stated = nodes(node.focal)[0];
  if (stated) {
    const value = stated['@value'];
    const range = rangeOf(Number(stated['@min'] ?? value), Number(stated['@max'] ?? value));
    if (range) return range;
  }
  const named = RANGE_IN_NAME.exec(model);
  if (named) {
    const range = rangeOf(Number(named[1]), Number(named[2] ?? named[1]));
    if (range) return range;
  }
  const fraction = FRACTION_IN_NAME.exec(model);
  if (fraction) {
    const range = rangeOf(decimal(fraction[3]), decimal(fraction[4] ?? fraction[3]));
    if (range) return range;
  }
  const focals = calibrations(node).map((c) => Number(c['@focal']));
  return focals.length > 0 ? rangeOf(Math.min(...focals), Math.max(...focals)) : null;
}

function decimal(digits: string | undefined): number {
  return Number((digits ?? 'none').replace(',', '.'));
}

function rangeOf(wideMm: number, longMm: number): FocalRange | null {
  const { min, max } = GEAR_RANGES.focalLengthMm;
  return wideMm >= min && longMm <= max && wideMm <= longMm ? { wideMm, longMm } : null;
}

/** Version 2 gives real focal lengths beside the marked ones; both ends make a measured range. */
function measuredOf(node: Node, focal: FocalRange): FocalRange | null {
  const real = new Map(
    calibrations(node).flatMap((c) =>
      c['@real-focal'] === undefined
        ? []
        : [[Number(c['@focal']), Number(c['@real-focal'])] as const],
    ),
  );
  const wide = real.get(focal.wideMm);
  const long = real.get(focal.longMm);
  return wide !== undefined && long !== undefined ? rangeOf(wide, long) : null;
}

/** f-numbers in the name, else the widest of the vignetting entries, else the stated minimum. */
function aperturesOf(node: Node, model: string, focal: FocalRange): AperturePoint[] | null {
  const fraction = FRACTION_IN_NAME.exec(model);
  const named = [...model.matchAll(F_NUMBERS_IN_NAME), ...(fraction ? [fraction] : [])];
  for (const [, wide, long] of named) {
    const points = pointsOf(focal, decimal(wide), decimal(long ?? wide));
    if (points) return points;
  }
  const widestAt = (focalMm: number) =>
    Math.min(
      ...calibrations(node)
        .filter((c) => c['@aperture'] !== undefined && Number(c['@focal']) === focalMm)
        .map((c) => Number(c['@aperture'])),
    );
  const measured = pointsOf(focal, widestAt(focal.wideMm), widestAt(focal.longMm));
  if (measured) return measured;
  const stated = nodes(node.aperture)[0];
  const widest = Number(stated?.['@min'] ?? stated?.['@value'] ?? NaN);
  return focal.wideMm === focal.longMm ? pointsOf(focal, widest, widest) : null;
}

function pointsOf(focal: FocalRange, wide: number, long: number): AperturePoint[] | null {
  const { min, max } = GEAR_RANGES.fNumber;
  if (!(wide >= min && wide <= long && long <= max)) return null;
  return focal.wideMm === focal.longMm
    ? [{ focalMm: focal.wideMm, fNumber: wide }]
    : [
        { focalMm: focal.wideMm, fNumber: wide },
        { focalMm: focal.longMm, fNumber: long },
      ];
}

function calibrations(node: Node): Node[] {
  return nodes(node.calibration).flatMap((c) => [
    ...nodes(c.distortion),
    ...nodes(c.tca),
    ...nodes(c.vignetting),
  ]);
}

function nodes(value: unknown): Node[] {
  return Array.isArray(value)
    ? value.filter((v): v is Node => typeof v === 'object' && v !== null)
    : [];
}

function text(value: unknown): string {
  if (typeof value === 'string') return value.trim();
  if (typeof value === 'object' && value !== null && '#text' in value)
    return String(value['#text']).trim();
  return '';
}

function texts(value: unknown): string[] {
  return (Array.isArray(value) ? value : []).map(text).filter((t) => t !== '');
}

/** Of names in several languages the one without a language, else the English one, else the first. */
function localised(value: unknown): string {
  const all = Array.isArray(value) ? value : [];
  const plain = all.find((v) => typeof v === 'string');
  const english = nodes(all).find((v) => v['@lang'] === 'en');
  return text(plain ?? english ?? all[0]);
}

function nameOf(node: Node): string {
  return `${localised(node.maker)} ${localised(node.model)}`.trim() || '–';
}
