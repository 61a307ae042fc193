import {
  type Device,
  EMPTY_LOG,
  LIST_COLUMNS,
  type ListColumn,
  type Log,
  type LogMarks,
  logMarks,
  type LensSeen,
  NO_MARKS,
  NUMBER_COLUMNS,
  UNKNOWN_DEVICE,
  UNKNOWN_LENS,
} from '@/core/log';

/** Marks as they were stored, of whatever version; null where they are damaged. */
export const readMarks = (marks: unknown): LogMarks | null =>
  logMarks.safeParse(marks).data ?? null;

/** Whether a log and its marks are whole. */
export const isWhole = (log: unknown, marks: unknown): log is Log =>
  readMarks(marks) !== null && isLog(log);

/** Whether a log is whole: columns of one length, and numbers that point into their lists. */
export function isLog(found: unknown): found is Log {
  const log = fieldsOf(found) as Partial<Log>;
  if (!log.takenMs || !log.numbers || !log.lists || !log.nameEnds || !log.nameUnits) return false;
  const { count, numbers, lists, cameras, lenses, folders, labels } = log;
  const pointsInto = (column: Uint32Array | undefined, list: readonly unknown[] | undefined) =>
    column !== undefined &&
    list !== undefined &&
    column.length === count &&
    column.every((at) => at < list.length);
  return (
    log.takenMs.length === count &&
    log.nameEnds.length === count &&
    (log.nameEnds[log.nameEnds.length - 1] ?? 0) <= log.nameUnits.length &&
    NUMBER_COLUMNS.every((column) => numbers[column]?.length === count) &&
    pointsInto(lists.camera, cameras) &&
    pointsInto(lists.lens, lenses) &&
    pointsInto(lists.folder, folders) &&
    pointsInto(lists.label, labels)
  );
}

type Typed = Float64Array | Float32Array | Uint32Array | Uint16Array;

/**
 * A column as it is stored, or an empty one where something else stands there. Told by its name: what
 * storage gives back need not come from this page's own realm.
 */
function columnOf<C extends Typed>(type: new (length: number) => C, stored: unknown): C {
  const isOne = Object.prototype.toString.call(stored) === `[object ${type.name}]`;
  return isOne ? (stored as C) : new type(0);
}

/**
 * What can be read of a damaged log: as many photographs as have a moment or a name, figures that are gone
 * unknown, cameras and lenses that point nowhere unknown.
 */
export function salvagedLog(stored: unknown): Log {
  if (typeof stored !== 'object' || stored === null) return EMPTY_LOG;
  const log = stored as Partial<Record<keyof Log, unknown>>;
  const takenMs = columnOf(Float64Array, log.takenMs);
  const units = columnOf(Uint16Array, log.nameUnits);
  const ends = columnOf(Uint32Array, log.nameEnds);
  const count = Math.max(takenMs.length, ends.length);
  if (count === 0) return EMPTY_LOG;
  const filled = <C extends Typed>(column: C, otherwise: number): C => {
    const whole = new (column.constructor as new (length: number) => C)(count).fill(otherwise) as C;
    whole.set(column.subarray(0, count));
    return whole;
  };
  const numbers = fieldsOf(log.numbers);
  const lists = fieldsOf(log.lists);
  const listed = <T>(found: unknown, unknown: T, isOne: (entry: unknown) => boolean): T[] => [
    ...(Array.isArray(found) ? (found as T[]) : []).map((entry) =>
      isOne(entry) ? entry : unknown,
    ),
    unknown,
  ];
  const isFields = (entry: unknown) => typeof entry === 'object' && entry !== null;
  const isText = (entry: unknown) => typeof entry === 'string';
  const cameras = listed<Device>(log.cameras, UNKNOWN_DEVICE, isFields);
  const lenses = listed<LensSeen>(log.lenses, UNKNOWN_LENS, isFields);
  const folders = listed(log.folders, '', isText);
  const labels = listed(log.labels, '', isText);
  const size: Record<ListColumn, number> = {
    camera: cameras.length,
    lens: lenses.length,
    folder: folders.length,
    label: labels.length,
  };
  const pointers = (column: ListColumn) => {
    const last = size[column] - 1;
    const whole = filled(columnOf(Uint32Array, lists[column]), last);
    return whole.map((at) => Math.min(at, last));
  };
  let end = 0;
  return {
    count,
    takenMs: filled(takenMs, NaN),
    numbers: Object.fromEntries(
      NUMBER_COLUMNS.map((c) => [c, filled(columnOf(Float32Array, numbers[c]), NaN)]),
    ) as Log['numbers'],
    lists: Object.fromEntries(LIST_COLUMNS.map((c) => [c, pointers(c)])) as Log['lists'],
    ...{ cameras, lenses, folders, labels },
    nameUnits: units,
    // A name that is gone is empty: no end lies before the one before it or behind all names.
    nameEnds: filled(ends, 0).map((at) => (end = Math.min(units.length, Math.max(end, at)))),
  };
}

/** What can be read of damaged marks: each kind of them by itself. */
export function salvagedMarks(stored: unknown): LogMarks {
  const marks = fieldsOf(stored);
  const kept = { ...NO_MARKS };
  for (const key of Object.keys(NO_MARKS) as (keyof LogMarks)[]) {
    const read = logMarks.safeParse({ ...kept, [key]: marks[key] });
    if (read.success) Object.assign(kept, { [key]: read.data[key] });
  }
  return kept;
}

/** Anything that a browser stores, as JSON: columns as lists of numbers. */
export function asText(stored: unknown): string {
  return (
    JSON.stringify(stored, (_, value: unknown) =>
      ArrayBuffer.isView(value) ? [...(value as unknown as Iterable<number>)] : value,
    ) ?? String(stored)
  );
}

export function fieldsOf(value: unknown): Readonly<Record<string, unknown>> {
  return typeof value === 'object' && value !== null ? (value as Record<string, unknown>) : {};
}
