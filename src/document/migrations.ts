import type { DocumentKind } from './reading';

/** Turns a document of one version into the next; pure, and never touched once released. */
type Migration = (file: Json) => Json;
type Json = Readonly<Record<string, unknown>>;

/**
 * Every change of what is stored, in order; for each kind of document what becomes of it, null where it
 * stays as it was. A kind that is forgotten does not compile. A gear figure that is new needs no
 * migration of its own, since what is not said of gear is unknown (`core/gear/figures.ts`); its step is
 * `unchanged` for outing, plan and shelf, so that an older program says that the document is newer.
 */
const STEPS: readonly Readonly<Record<DocumentKind, Migration | null>>[] = [
  { outing: stretchesAndWishes, plan: null, shelf: null, settings: null },
  { outing: sizesAndPacking, plan: null, shelf: null, settings: null },
  { outing: permissions, plan: null, shelf: null, settings: null },
  { outing: practice, plan: null, shelf: null, settings: null },
  { outing: oneShelf, plan: null, shelf: bagsAndThings, settings: null },
  { outing: lensDiameter, plan: lensDiameter, shelf: null, settings: null },
  { outing: genreAndLessons, plan: genreAndLessons, shelf: null, settings: null },
  { outing: null, plan: null, shelf: null, settings: buying },
  { outing: reserveAndDistances, plan: reserveAndDistances, shelf: null, settings: null },
  { outing: groundPlan, plan: groundPlan, shelf: null, settings: null },
  { outing: carriedPlan, plan: carriedPlan, shelf: null, settings: null },
];

/** What each kind was first released as; an outing's own part took the number of its file. */
const FIRST_VERSIONS: Readonly<Record<DocumentKind, number>> = {
  outing: 1,
  plan: 6,
  shelf: 1,
  settings: 1,
};

const stepsOf = (kind: DocumentKind): readonly Migration[] =>
  STEPS.flatMap((step) => step[kind] ?? []);

/** The newest version of each kind of document. */
export const VERSIONS: Readonly<Record<DocumentKind, number>> = {
  outing: FIRST_VERSIONS.outing + stepsOf('outing').length,
  plan: FIRST_VERSIONS.plan + stepsOf('plan').length,
  shelf: FIRST_VERSIONS.shelf + stepsOf('shelf').length,
  settings: FIRST_VERSIONS.settings + stepsOf('settings').length,
};

/** Brings a document of an older version to the newest, step by step. */
export function migrate(kind: DocumentKind, value: unknown, version: number): unknown {
  if (!isJson(value)) return value;
  return stepsOf(kind)
    .slice(version - FIRST_VERSIONS[kind])
    .reduce((json, step) => step(json), value);
}

/** The shelf, 1 to 2: the gear was all there was, under `shelf`; bags and usual things come beside it. */
function bagsAndThings({ shelf, ...rest }: Json): Json {
  return { ...rest, version: 2, gear: withLoans(shelf), bags: [], things: [] };
}

/** The settings, 1 to 2: what is asked on buying comes beside them, as it stood in version 2. */
function buying(settings: Json): Json {
  const next = {
    outings: [],
    buy: 'new',
    resalePercent: 100,
    after: 'money',
    budget: 2000,
    stepBudget: 1000,
    steps: 3,
    saves: true,
    swapMoney: 0,
    years: 3,
    neverSold: [],
  };
  return { ...settings, version: 2, next };
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
    // eslint-disable-next-line no-restricted-syntax -- what version 3 wrote
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

/** Everyday subjects of version 4 by their sizes, m: [key, width, height]. */
const SUBJECTS_OF_4: readonly (readonly [string, number | null, number | null])[] = [
  ['headAndShoulders', 0.55, 0.6],
  ['standingPerson', null, 1.8],
  ['couple', 1.2, 1.8],
  ['groupOfTen', 3.6, 2],
  ['smallBird', 0.14, 0.12],
  ['largeBird', 0.9, 0.8],
  ['smallMammal', 0.35, 0.25],
  ['largeMammal', 2.2, 1.5],
  ['boat', 8, 3],
  ['vehicle', 4.5, 1.5],
  ['smallAircraft', 10, 3],
  ['largeAircraft', 60, 16],
  ['hall', 18, 7],
  ['buildingFront', 25, 15],
  ['hands', 0.3, 0.22],
  ['ring', 0.03, 0.02],
];

/** Nearer than this nothing can be to a sensor, m: mount and lens alone are longer. */
const INSIDE_THE_CAMERA_M = 0.1;
/** Room for a lens and the mount behind it, m, where distances were clearly not from the sensor. */
const LENS_AND_MOUNT_M = 0.1;

/**
 * 4 to 5: distances are measured from the sensor, as tapes and focusing scales have them. What was
 * typed stays, since it was measured so; only a subject nearer than the camera is deep was clearly
 * measured from the lens, and gets the length of the image side added at both ends. The untouched
 * circle of confusion becomes the new usual one. Everything else that is new asks for nothing.
 */
function practice(file: Json): Json {
  const cold = isJson(file.packing) && Number(file.packing.coldPercent) > 0;
  return {
    ...file,
    version: 5,
    outing: isJson(file.outing)
      ? {
          ...file.outing,
          shooters: each(file.outing.shooters, (s) => withFields(s, { placed: false })),
        }
      : file.outing,
    stretches: each(file.stretches, (stretch) => ({
      ...stretch,
      weather: weatherOf(stretch.weather, cold),
    })),
    frames: each(file.frames, (frame) => practiceOfFrame(frame, file.shelf)),
    shelf: isJson(file.shelf)
      ? {
          ...file.shelf,
          bodies: each(file.shelf.bodies, (b) => withFields(b, { cardType: null })),
          lenses: each(file.shelf.lenses, (l) => withFields(l, { grade: null })),
          adapters: each(file.shelf.adapters, (a) => withFields(a, { dropInFilter: null })),
        }
      : file.shelf,
    limits: isJson(file.limits)
      ? {
          ...withFields(file.limits, {
            needTolerancePercent: 2,
            maxCarriedWeightG: null,
            spares: [],
          }),
          ...(isUsualCircle(file.limits.circleOfConfusion)
            ? { circleOfConfusion: { kind: 'output' } }
            : {}),
        }
      : file.limits,
    packing: added(file.packing, {
      charging: { kind: 'nightly' },
      spareCards: 'shared',
      weights: {
        batteryG: 80,
        cardG: 5,
        tripodG: 1500,
        monopodG: 600,
        filterG: 40,
        flashG: 400,
        rainG: 150,
        headlampG: 90,
        powerBankG: 350,
      },
    }),
  };
}

/** Kinds of gear on a shelf of version 5. */
const KINDS_OF_5 = ['bodies', 'lenses', 'converters', 'tubes', 'adapters'] as const;

/**
 * 5 to 6: the shelf belongs to the person, and the file holds a copy. Days and prices of loans were
 * not known, and nothing tied the file to anyone's shelf. Who used what was borrowed may use what is
 * rented from now on; no file had any.
 */
function oneShelf(file: Json): Json {
  const { shelf, limits } = file;
  return {
    ...file,
    version: 6,
    ...(isJson(shelf) ? { shelf: withLoans(shelf) } : {}),
    ...(isJson(limits) ? { limits: { ...limits, sources: withRented(limits.sources) } } : {}),
    ...missing(file, { ties: null }),
  };
}

function withRented(sources: unknown): unknown {
  if (!Array.isArray(sources) || !sources.includes('borrowed') || sources.includes('rented'))
    return sources;
  return sources.flatMap((s: unknown) => (s === 'borrowed' ? [s, 'rented'] : [s]));
}

/** A shelf of file version 5 whose items say that nothing is known of a loan. */
function withLoans(shelf: unknown): unknown {
  if (!isJson(shelf)) return shelf;
  const kinds = KINDS_OF_5.map((kind) => [
    kind,
    each(shelf[kind], (item) => withFields(item, { loan: null })),
  ]);
  return { ...shelf, ...Object.fromEntries(kinds) };
}

function isUsualCircle(circle: unknown): boolean {
  return isJson(circle) && circle.kind === 'diagonal' && circle.divisor === 1500;
}

function weatherOf(weather: unknown, cold: boolean): unknown {
  if (typeof weather !== 'string') return weather;
  return [...(weather === 'dry' ? [] : [weather]), ...(cold ? ['cold'] : [])];
}

function practiceOfFrame(frame: Json, shelf: unknown): Json {
  const { need, output } = frame;
  const size = isJson(need) ? need : {};
  const subject =
    size.kind === 'subject'
      ? SUBJECTS_OF_4.find(([, w, h]) => size.widthM === w && size.heightM === h)?.[0]
      : undefined;
  return {
    ...frame,
    ...missing(frame, { subject: subject ?? null }),
    twice: frame.twice === true ? { by: 'bodies' } : frame.twice === false ? null : frame.twice,
    need: needFromSensor(need, shelf),
    light: added(frame.light, { shortestTimeS: null }),
    special: added(frame.special, { leastGrade: null }),
    output: isJson(output) && output.kind !== 'uncropped' ? added(output, { cut: false }) : output,
  };
}

function needFromSensor(need: unknown, shelf: unknown): unknown {
  if (!isJson(need)) return need;
  if (need.kind === 'focal' || need.kind === 'angle') return added(need, { atM: null });
  const { fromM, toM, fill } = need;
  const numbers = typeof fromM === 'number' && typeof toM === 'number';
  if (need.kind !== 'subject' || !numbers || toM >= INSIDE_THE_CAMERA_M) return need;
  const magnify = (share: unknown) => (Number(share) * sensorWidthM(shelf)) / subjectM(need);
  const [loose, full] = isJson(fill) ? [magnify(fill.min), magnify(fill.max)] : [0, 0];
  return {
    ...need,
    fromM: fromM * (1 + loose),
    toM: toM * (1 + full) + LENS_AND_MOUNT_M,
  };
}

const subjectM = ({ widthM, heightM }: Json) => Number(widthM ?? heightM) || 1;

function sensorWidthM(shelf: unknown): number {
  const bodies = isJson(shelf) && Array.isArray(shelf.bodies) ? shelf.bodies : [];
  const widths = bodies.map((b: unknown) =>
    isJson(b) && isJson(b.sensor) ? Number(b.sensor.widthMm) || 0 : 0,
  );
  return Math.max(0, ...widths) / 1000;
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

/** 6 to 7: a limit on the diameter of lenses. */
function lensDiameter(file: Json): Json {
  return { ...file, version: 7, limits: added(file.limits, { maxDiameterMm: null }) };
}

/** 7 to 8: an outing's kind, and what was learnt on it. */
function genreAndLessons(file: Json): Json {
  return { ...file, version: 8, outing: added(file.outing, { genre: null, lessons: '' }) };
}

/** 8 to 9: what is held in reserve, which nothing was, and whether distances are known, which all were. */
function reserveAndDistances(file: Json): Json {
  const none = { lightStops: 0, distancePercent: 0 };
  return {
    ...file,
    version: 9,
    frames: each(file.frames, (frame) => withFields(frame, { distanceKnown: true })),
    limits: added(file.limits, { reserve: none }),
  };
}

/** 9 to 10: a plan of the ground, blank, and who stays where in a stretch, which nobody did. */
function groundPlan(file: Json): Json {
  return {
    ...file,
    version: 10,
    stretches: each(file.stretches, (stretch) => withFields(stretch, { stays: false })),
    frames: each(file.frames, (frame) => withFields(frame, { standpoints: [] })),
    ...missing(file, {
      ground: {
        widthM: 60,
        heightM: 40,
        northDeg: 0,
        location: null,
        underlay: null,
        stations: [],
        subjects: [],
        obstacles: [],
        closed: [],
      },
    }),
  };
}

/** 10 to 11: what was carried; nothing was said of it yet. */
function carriedPlan(file: Json): Json {
  return { ...file, version: 11, packing: added(file.packing, { carried: null }) };
}

function isJson(value: unknown): value is Json {
  return typeof value === 'object' && value !== null && !Array.isArray(value);
}

function each(list: unknown, change: (item: Json) => Json): unknown {
  return Array.isArray(list) ? list.map((item) => (isJson(item) ? change(item) : item)) : list;
}

function added(value: unknown, fields: Json): unknown {
  return isJson(value) ? withFields(value, fields) : value;
}

/** A value with the fields that it does not have yet. */
function withFields(value: Json, fields: Json): Json {
  return { ...value, ...missing(value, fields) };
}

/** The fields that a value does not have yet. */
function missing(value: Json, fields: Json): Json {
  return Object.fromEntries(Object.entries(fields).filter(([name]) => !(name in value)));
}
