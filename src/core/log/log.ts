import { type Device, deviceKey, lensKey, type LensSeen, type Photo } from './photo';

/** Numbers of a photograph that are kept in a column each; NaN is "not known". */
export const NUMBER_COLUMNS = [
  'zoneMin',
  'focalMm',
  'equivalentMm',
  'fNumber',
  'timeS',
  'iso',
  'flash',
  'subjectM',
  'widthPx',
  'heightPx',
  'orientation',
  'digitalZoom',
  'sensorWidthMm',
  'sensorHeightMm',
  'rating',
  'latitudeDeg',
  'longitudeDeg',
] as const;
export type NumberColumn = (typeof NUMBER_COLUMNS)[number];

/** Numbers that point into a list of the log. */
export const LIST_COLUMNS = ['camera', 'lens', 'folder', 'label'] as const;
export type ListColumn = (typeof LIST_COLUMNS)[number];

/** Figures of photographs, a column for each. */
export interface LogColumns {
  readonly count: number;
  /** The camera's clock, ms; NaN where the file has no time. */
  readonly takenMs: Float64Array;
  readonly numbers: Readonly<Record<NumberColumn, Float32Array>>;
  readonly lists: Readonly<Record<ListColumn, Uint32Array>>;
  /** All file names after one another, as UTF-16, and where each ends. */
  readonly nameUnits: Uint16Array;
  readonly nameEnds: Uint32Array;
}

/** What is said again and again, once; columns point into it. */
export interface LogLists {
  readonly cameras: readonly Device[];
  readonly lenses: readonly LensSeen[];
  readonly folders: readonly string[];
  readonly labels: readonly string[];
}

/**
 * All photographs known, a column for each figure rather than an object for each photograph: 200,000
 * of them take about 20 MB.
 */
export type Log = LogColumns & LogLists;

const eachNumber = <T>(of: (column: NumberColumn) => T) =>
  Object.fromEntries(NUMBER_COLUMNS.map((c) => [c, of(c)])) as Record<NumberColumn, T>;
const eachList = <T>(of: (column: ListColumn) => T) =>
  Object.fromEntries(LIST_COLUMNS.map((c) => [c, of(c)])) as Record<ListColumn, T>;

export const EMPTY_LOG: Log = {
  count: 0,
  takenMs: new Float64Array(0),
  numbers: eachNumber(() => new Float32Array(0)),
  lists: eachList(() => new Uint32Array(0)),
  cameras: [],
  lenses: [],
  folders: [],
  labels: [],
  nameUnits: new Uint16Array(0),
  nameEnds: new Uint32Array(0),
};

/** Digits of a column's numbers that hold: more would show what the column rounds. */
const DIGITS = 7;

/** A number of a column as it was read; null where it is not known. */
export function numberAt(log: Log, column: NumberColumn, i: number): number | null {
  const value = log.numbers[column][i] ?? NaN;
  if (Number.isNaN(value)) return null;
  return Number.isFinite(value) ? Number(value.toPrecision(DIGITS)) : value;
}

function takenAt(log: Log, i: number): number | null {
  const ms = log.takenMs[i] ?? NaN;
  return Number.isNaN(ms) ? null : ms;
}

export function nameAt(log: Log, i: number): string {
  const from = i === 0 ? 0 : (log.nameEnds[i - 1] ?? 0);
  return String.fromCharCode(...log.nameUnits.subarray(from, log.nameEnds[i] ?? from));
}

const listed = <T>(list: readonly T[], at: number | undefined): T => {
  const found = list[at ?? -1];
  if (found === undefined) throw new RangeError(`no entry ${at} in a list of ${list.length}`);
  return found;
};

/** One photograph, put together from the columns. */
export function photoAt(log: Log, i: number): Photo {
  const number = (column: NumberColumn) => numberAt(log, column, i);
  const [widthMm, heightMm] = [number('sensorWidthMm'), number('sensorHeightMm')];
  const [latitudeDeg, longitudeDeg] = [number('latitudeDeg'), number('longitudeDeg')];
  const flash = number('flash');
  return {
    folder: listed(log.folders, log.lists.folder[i]),
    name: nameAt(log, i),
    takenMs: takenAt(log, i),
    zoneMin: number('zoneMin'),
    body: listed(log.cameras, log.lists.camera[i]),
    lens: listed(log.lenses, log.lists.lens[i]),
    focalMm: number('focalMm'),
    equivalentMm: number('equivalentMm'),
    fNumber: number('fNumber'),
    timeS: number('timeS'),
    iso: number('iso'),
    flash: flash === null ? null : flash === 1,
    subjectM: number('subjectM'),
    widthPx: number('widthPx'),
    heightPx: number('heightPx'),
    orientation: number('orientation'),
    digitalZoom: number('digitalZoom'),
    sensor: widthMm === null || heightMm === null ? null : { widthMm, heightMm },
    rating: number('rating'),
    label: listed(log.labels, log.lists.label[i]),
    place: latitudeDeg === null || longitudeDeg === null ? null : { latitudeDeg, longitudeDeg },
  };
}

/** All photographs, put together from the columns. */
export function photosOf(log: Log): Photo[] {
  return Array.from({ length: log.count }, (_, i) => photoAt(log, i));
}

/** The numbers of a photograph by their columns. */
function numbersOf(p: Photo): Record<NumberColumn, number | null> {
  return {
    zoneMin: p.zoneMin,
    focalMm: p.focalMm,
    equivalentMm: p.equivalentMm,
    fNumber: p.fNumber,
    timeS: p.timeS,
    iso: p.iso,
    flash: p.flash === null ? null : Number(p.flash),
    subjectM: p.subjectM,
    widthPx: p.widthPx,
    heightPx: p.heightPx,
    orientation: p.orientation,
    digitalZoom: p.digitalZoom,
    sensorWidthMm: p.sensor?.widthMm ?? null,
    sensorHeightMm: p.sensor?.heightMm ?? null,
    rating: p.rating,
    latitudeDeg: p.place?.latitudeDeg ?? null,
    longitudeDeg: p.place?.longitudeDeg ?? null,
  };
}

/** What tells one photograph from another. */
type Told = Pick<Photo, 'body' | 'takenMs' | 'name' | 'folder'>;

/** A file's name without its ending: that of a raw file and of the JPEG beside it. */
const stemOf = (name: string) => name.replace(/\.[^.]*$/, '').toLowerCase();

/**
 * Which photograph it is, as what is said of it is kept under: camera, moment and the file's name without
 * its ending. Without a moment the folder tells it as well: cameras begin their names anew.
 */
function identityOf({ body, takenMs, name, folder }: Told): string {
  const stem = stemOf(name);
  return `${deviceKey(body)} ${takenMs} ${takenMs === null ? `${folder}/${stem}` : stem}`;
}

/** The identity of a photograph of the log. */
export function identityAt(log: Log, i: number): string {
  return identityOf(toldAt(log, i));
}

function toldAt(log: Log, i: number): Told {
  return {
    body: listed(log.cameras, log.lists.camera[i]),
    takenMs: takenAt(log, i),
    name: nameAt(log, i),
    folder: listed(log.folders, log.lists.folder[i]),
  };
}

/**
 * What two files of one photograph share, wherever they were read from: the model of the camera, the
 * second, and the name without its ending. A raw file may tell fractions of the second, the camera's
 * number, or another maker's name than the JPEG beside it.
 */
function sharedBy({ body, takenMs, name, folder }: Told): string {
  const model = body.model.toLowerCase();
  const second = takenMs === null ? folder : Math.floor(takenMs / SECOND_MS);
  return `${model} ${second} ${stemOf(name)}`;
}
const SECOND_MS = 1000;

/** Two cameras of a model may make pictures of one name in one second: their numbers tell them apart. */
const canBeOne = (a: Device, b: Device) =>
  a.serial === '' || b.serial === '' || a.serial === b.serial;

/** A list that gives everything added to it one number. */
function numbering<T>(start: readonly T[], keyOf: (entry: T) => string) {
  const list = [...start];
  const numbers = new Map(list.map((entry, i) => [keyOf(entry), i]));
  return {
    list,
    numberOf: (entry: T): number => {
      const key = keyOf(entry);
      const known = numbers.get(key);
      if (known !== undefined) return known;
      numbers.set(key, list.length);
      return list.push(entry) - 1;
    },
  };
}

type Column = Float64Array | Float32Array | Uint32Array | Uint16Array;

/** A column with room for so many, or at once for as many as are expected; what is in it stays. */
function roomy<C extends Column>(column: C, room: number, expected: number): C {
  if (column.length >= room) return column;
  const size = room <= expected ? expected : Math.max(room, 2 * column.length);
  const larger = new (column.constructor as new (length: number) => C)(size);
  larger.set(column);
  return larger;
}

/** A column that may be written to: the one of the log that was begun with stays as it is. */
function ownColumn<C extends Column>(column: C, started: Column): C {
  return column === started ? (column.slice() as C) : column;
}

/** Some of the columns' photographs, from one up to another. */
export function columnsOf(log: LogColumns, from: number, to: number): LogColumns {
  const firstUnit = from === 0 ? 0 : (log.nameEnds[from - 1] ?? 0);
  const nameEnds = log.nameEnds.slice(from, to).map((end) => end - firstUnit);
  return {
    count: nameEnds.length,
    takenMs: log.takenMs.slice(from, to),
    numbers: eachNumber((c) => log.numbers[c].slice(from, to)),
    lists: eachList((c) => log.lists[c].slice(from, to)),
    nameUnits: log.nameUnits.slice(firstUnit, firstUnit + (nameEnds.at(-1) ?? 0)),
    nameEnds,
  };
}

/** Columns after one another; the lists that they point into are the same. */
export function joinedColumns(parts: readonly LogColumns[]): LogColumns {
  let unitsBefore = 0;
  const ends = parts.map(({ nameEnds, nameUnits }) => {
    const moved = nameEnds.map((end) => end + unitsBefore);
    unitsBefore += nameUnits.length;
    return moved;
  });
  return {
    count: parts.reduce((sum, { count }) => sum + count, 0),
    takenMs: joined(
      Float64Array,
      parts.map(({ takenMs }) => takenMs),
    ),
    numbers: eachNumber((c) =>
      joined(
        Float32Array,
        parts.map(({ numbers }) => numbers[c]),
      ),
    ),
    lists: eachList((c) =>
      joined(
        Uint32Array,
        parts.map(({ lists }) => lists[c]),
      ),
    ),
    nameUnits: joined(
      Uint16Array,
      parts.map(({ nameUnits }) => nameUnits),
    ),
    nameEnds: joined(Uint32Array, ends),
  };
}

function joined<C extends Column>(type: new (length: number) => C, columns: readonly C[]): C {
  const all = new type(columns.reduce((sum, { length }) => sum + length, 0));
  let at = 0;
  for (const column of columns) {
    all.set(column, at);
    at += column.length;
  }
  return all;
}

/** Photographs of a log by what files of one share. */
type Known = Map<string, { readonly at: number; readonly body: Device }[]>;

function know(known: Known, told: Told, at: number): void {
  const key = sharedBy(told);
  const alike = known.get(key);
  if (alike) alike.push({ at, body: told.body });
  else known.set(key, [{ at, body: told.body }]);
}

/** Those of some photographs that a log has, told by their seconds first; all that it has for null. */
function knownAmong(log: Log, photos: readonly Photo[] | null): Known {
  const secondOf = (ms: number) => Math.floor(ms / SECOND_MS);
  const seconds = photos && new Set(photos.map(({ takenMs }) => secondOf(takenMs ?? NaN)));
  const known: Known = new Map();
  for (let i = 0; i < log.count; i += 1)
    if (seconds?.has(secondOf(log.takenMs[i]!)) ?? true) know(known, toldAt(log, i), i);
  return known;
}

/**
 * Adds photographs to a log, one after another; those that are known already are only counted.
 *
 * @param toAdd all that will be added, where that is known: then not all that the log has is looked up
 */
export function logBuilder(start: Log = EMPTY_LOG, toAdd: readonly Photo[] | null = null) {
  const cameras = numbering(start.cameras, deviceKey);
  const lenses = numbering(start.lenses, lensKey);
  const folders = numbering(start.folders, (folder) => folder);
  const labels = numbering(start.labels, (label) => label);
  const known = knownAmong(start, toAdd);
  const expected = start.count + (toAdd?.length ?? 0);
  let sameUpTo = start.count;
  let { count, takenMs, nameUnits, nameEnds } = start;
  const numbers = { ...start.numbers };
  const lists = { ...start.lists };

  const makeRoom = (units: number) => {
    takenMs = roomy(takenMs, count + 1, expected);
    nameEnds = roomy(nameEnds, count + 1, expected);
    nameUnits = roomy(nameUnits, units, 0);
    for (const c of NUMBER_COLUMNS) numbers[c] = roomy(numbers[c], count + 1, expected);
    for (const c of LIST_COLUMNS) lists[c] = roomy(lists[c], count + 1, expected);
  };
  /** Ratings are given after the first reading, so what is read again brings them. */
  const rate = (i: number, { rating, label }: Photo) => {
    const labelled = label === '' ? lists.label[i]! : labels.numberOf(label);
    if (labelled === lists.label[i] && (rating === null || rating === numbers.rating[i])) return;
    sameUpTo = Math.min(sameUpTo, i);
    lists.label = ownColumn(lists.label, start.lists.label);
    lists.label[i] = labelled;
    numbers.rating = ownColumn(numbers.rating, start.numbers.rating);
    if (rating !== null) numbers.rating[i] = rating;
  };
  return {
    /** Gives false for a photograph that is in the log; its rating and label are still taken over. */
    add(photo: Photo): boolean {
      const before = known.get(sharedBy(photo))?.find(({ body }) => canBeOne(body, photo.body));
      if (before !== undefined) {
        rate(before.at, photo);
        return false;
      }
      know(known, photo, count);
      const from = count === 0 ? 0 : (nameEnds[count - 1] ?? 0);
      const end = from + photo.name.length;
      makeRoom(end);
      for (let k = 0; k < photo.name.length; k += 1) nameUnits[from + k] = photo.name.charCodeAt(k);
      nameEnds[count] = end;
      takenMs[count] = photo.takenMs ?? NaN;
      for (const [c, value] of Object.entries(numbersOf(photo)) as [NumberColumn, number | null][])
        numbers[c][count] = value ?? NaN;
      lists.camera[count] = cameras.numberOf(photo.body);
      lists.lens[count] = lenses.numberOf(photo.lens);
      lists.folder[count] = folders.numberOf(photo.folder);
      lists.label[count] = labels.numberOf(photo.label);
      count += 1;
      return true;
    },
    /** Photographs before it are as they were in the log that was begun with. */
    sameUpTo: () => sameUpTo,
    /** All that is in it now; what is added later leaves this one as it is. */
    log(): Log {
      return {
        count,
        takenMs: takenMs.slice(0, count),
        numbers: eachNumber((c) => numbers[c].slice(0, count)),
        lists: eachList((c) => lists[c].slice(0, count)),
        cameras: [...cameras.list],
        lenses: [...lenses.list],
        folders: [...folders.list],
        labels: [...labels.list],
        nameUnits: nameUnits.slice(0, count === 0 ? 0 : nameEnds[count - 1]),
        nameEnds: nameEnds.slice(0, count),
      };
    },
  };
}

/** The photographs that are kept, without what only the others named. */
export function logOf(log: Log, keep: (i: number) => boolean): Log {
  const kept = logBuilder();
  for (let i = 0; i < log.count; i += 1) if (keep(i)) kept.add(photoAt(log, i));
  return kept.log();
}
