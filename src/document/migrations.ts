import { FILE_VERSION } from './outingFile';

/** Turns a document of one version into the next; pure, and never touched once released. */
type Migration = (file: Json) => Json;
type Json = Readonly<Record<string, unknown>>;

/** Entry i leads from version i + 1 to version i + 2. */
const MIGRATIONS: readonly Migration[] = [stretchesAndWishes, sizesAndPacking, permissions];

/** Brings a document of an older version to the newest, step by step. */
export function migrate(file: unknown, version: number): unknown {
  if (!isJson(file)) return file;
  return MIGRATIONS.slice(version - 1, FILE_VERSION - 1).reduce((value, step) => step(value), file);
}

/**
 * 1 to 2: stretches and shooters; light by its source, movement, stars and flash; depth and special
 * wishes; tubes and adapters; the kind of a fisheye; limits on money, formats and schools. Nothing
 * that a version 1 file asked for changes its meaning. A fisheye becomes an equisolid one, the most
 * common kind.
 */
function stretchesAndWishes(file: Json): Json {
  return {
    ...file,
    version: 2,
    outing: added(file.outing, { shooters: [] }),
    stretches: [],
    frames: each(file.frames, (frame) => ({
      ...frame,
      light: lightOf(frame.light),
      ...missing(frame, {
        stretchIds: [],
        shooterIds: [],
        views: [],
        twice: false,
        depth: { sharp: null, blur: null },
        special: {
          magnification: null,
          perspectiveControl: false,
          frontFilter: false,
          autofocus: false,
          sealed: false,
        },
      }),
    })),
    shelf: isJson(file.shelf)
      ? {
          ...file.shelf,
          bodies: each(file.shelf.bodies, (body) => ({
            ...body,
            ...missing(body, { sealed: null }),
          })),
          lenses: each(file.shelf.lenses, (lens) => ({
            ...lens,
            ...(lens.projection === 'fisheye' ? { projection: 'equisolid' } : {}),
            ...missing(lens, {
              smallestFNumber: null,
              builtInConverter: null,
              frontThread: null,
              shift: null,
            }),
          })),
          ...missing(file.shelf, { tubes: [], adapters: [] }),
        }
      : file.shelf,
    limits: added(file.limits, {
      countBodies: false,
      maxSpend: null,
      priceBasis: 'new',
      formats: null,
      bodyMounts: null,
      lensKinds: 'any',
      converters: true,
      neverChange: false,
      circleOfConfusion: { kind: 'diagonal', divisor: 1500 },
      tubePieces: 0.5,
      adapterPieces: 0.5,
      order: ['weight', 'price'],
    }),
  };
}

/**
 * 2 to 3: sizes of lenses and bodies, what a body takes in charge and cards, and what is packed.
 * None of it was known before, and nothing chosen depends on it.
 */
function sizesAndPacking(file: Json): Json {
  const unknownBody = { sizeMm: null, picturesPerCharge: null, cardSlots: null, fileMb: null };
  const packing = {
    pictures: null,
    coldPercent: 0,
    base: 'the car',
    bagWeightG: null,
    maxWeightG: null,
    compartments: [],
    anyOrder: [],
    prefer: 'changes',
    things: [],
    ticked: [],
  };
  return {
    ...file,
    version: 3,
    shelf: isJson(file.shelf)
      ? {
          ...file.shelf,
          bodies: each(file.shelf.bodies, (body) => ({ ...body, ...missing(body, unknownBody) })),
          lenses: each(file.shelf.lenses, (lens) => ({
            ...lens,
            ...missing(lens, { lengthMm: null, diameterMm: null }),
          })),
        }
      : file.shelf,
    ...missing(file, { packing }),
  };
}

/** 3 to 4: what is allowed in a stretch. All of it was, so far. */
function permissions(file: Json): Json {
  const allowed = { flash: true, support: true, bags: true };
  return {
    ...file,
    version: 4,
    stretches: each(file.stretches, (stretch) => ({
      ...stretch,
      ...missing(stretch, { allowed }),
    })),
  };
}

function lightOf(light: unknown): unknown {
  if (!isJson(light)) return light;
  const { ev100, ...rest } = light;
  return {
    source: ev100 === null ? { kind: 'none' } : { kind: 'ev', ev100 },
    ...rest,
    ...missing(rest, { movement: null, stars: null, flash: null }),
  };
}

function isJson(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function each(list: unknown, change: (item: Json) => Json): unknown {
  return Array.isArray(list) ? list.map((item) => (isJson(item) ? change(item) : item)) : list;
}

function added(value: unknown, fields: Json): unknown {
  return isJson(value) ? { ...value, ...missing(value, fields) } : value;
}

/** The fields that a value does not have yet. */
function missing(value: Json, fields: Json): Json {
  return Object.fromEntries(Object.entries(fields).filter(([name]) => !(name in value)));
}
