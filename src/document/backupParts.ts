import * as z from 'zod';
import {
  EMPTY_LOG,
  LIST_COLUMNS,
  type Log,
  type LogMarks,
  logMarks,
  NO_MARKS,
  NUMBER_COLUMNS,
} from '@/core/log';
import { isWhole } from './live/photographColumns';

/** The photographs of a backup, and what the person says of them. */
export interface BackedUpPhotographs {
  readonly log: Log;
  readonly marks: LogMarks;
}

/** An earlier version of a record in a backup: its text, gzip. */
export interface BackedUpVersion {
  /** shelf, settings, or outing: and its id. */
  readonly key: string;
  readonly revision: number;
  readonly savedAt: number;
  readonly packed: Uint8Array;
}

/** Files by their names. */
type Files = Readonly<Record<string, Uint8Array>>;

const FOLDER = 'photographs/';
const text = (value: unknown) => `${JSON.stringify(value, null, 2)}\n`;

/** The columns that lie in files of their own: name and bytes of one number, by their path in a log. */
const COLUMNS = [
  ['takenMs', Float64Array],
  ['nameUnits', Uint16Array],
  ['nameEnds', Uint32Array],
  ...NUMBER_COLUMNS.map((column) => [`numbers.${column}`, Float32Array] as const),
  ...LIST_COLUMNS.map((column) => [`lists.${column}`, Uint32Array] as const),
] as const;

/** The photographs as files: one of raw numbers, little-endian, for each column, lists and marks as JSON. */
export function photographFiles({
  log,
  marks,
}: BackedUpPhotographs): Readonly<Record<string, Uint8Array | string>> {
  if (log.count === 0 && marks === NO_MARKS) return {};
  const { count, cameras, lenses, folders, labels } = log;
  const columns = COLUMNS.map(([name, type]) => {
    const column = at(log, name);
    return [`${FOLDER}${name}.${SUFFIX[type.name]}`, bytesOf(column)] as const;
  });
  return {
    [`${FOLDER}lists.json`]: text({ count, cameras, lenses, folders, labels }),
    [`${FOLDER}marks.json`]: text(marks),
    ...Object.fromEntries(columns),
  };
}

const SUFFIX: Readonly<Record<string, string>> = {
  Float64Array: 'f64',
  Float32Array: 'f32',
  Uint32Array: 'u32',
  Uint16Array: 'u16',
};

function at(log: Log, name: string): ArrayBufferView {
  const [part, column] = name.split('.') as [keyof Log, string | undefined];
  const found = log[part] as unknown as Record<string, ArrayBufferView> & ArrayBufferView;
  return column === undefined ? found : found[column]!;
}

const bytesOf = ({ buffer, byteOffset, byteLength }: ArrayBufferView) =>
  new Uint8Array(buffer, byteOffset, byteLength).slice();

/**
 * The photographs of a backup's files.
 *
 * @param textOf the text of a file
 * @returns null where there are none; 'damaged' where what is there is not whole
 */
export function photographsOf(
  files: Files,
  textOf: (name: string) => string | null,
): BackedUpPhotographs | 'damaged' | null {
  if (!Object.keys(files).some((name) => name.startsWith(FOLDER))) return null;
  try {
    const json = (name: string) => JSON.parse(textOf(`${FOLDER}${name}.json`) ?? '') as never;
    const lists = json('lists') as Pick<Log, 'count' | 'cameras' | 'lenses' | 'folders' | 'labels'>;
    const log = { ...EMPTY_LOG, ...lists, numbers: {}, lists: {} };
    for (const [name, type] of COLUMNS) {
      const bytes = files[`${FOLDER}${name}.${SUFFIX[type.name]}`];
      if (!bytes) return 'damaged';
      const column = new type(bytes.slice().buffer);
      const [part, of] = name.split('.') as [string, string | undefined];
      if (of === undefined) Object.assign(log, { [part]: column });
      else Object.assign((log as unknown as Record<string, object>)[part]!, { [of]: column });
    }
    const marks: unknown = json('marks');
    const whole = log as unknown as Log;
    if (!isWhole(whole, marks)) return 'damaged';
    return { log: whole, marks: logMarks.parse(marks) };
  } catch {
    return 'damaged';
  }
}

const VERSIONS_FOLDER = 'versions/';

/** Whether a file of a backup is an earlier version. */
export const isVersion = (file: string) => file.startsWith(VERSIONS_FOLDER);

/** Earlier versions as files, one a version, and what they are. */
export function versionFiles(versions: readonly BackedUpVersion[]) {
  const files: Record<string, Uint8Array> = {};
  const listed = versions.map(({ packed, ...about }, i) => {
    const file = `${VERSIONS_FOLDER}${String(i + 1).padStart(5, '0')}.json.gz`;
    files[file] = packed;
    return { file, ...about };
  });
  return { files, listed };
}

/** A time as a date can be, ms since 1970. */
export const time = z.int().min(0).max(8.64e15);
const listedVersion = z.object({
  file: z.string(),
  key: z.string().regex(/^(shelf|settings|outing:[\w-]{1,80})$/),
  revision: z.int().min(0),
  savedAt: time,
});

/** The earlier versions of a backup's files, as its contents list them. */
export function versionsIn(files: Files, listed: readonly unknown[]): BackedUpVersion[] {
  return listed.flatMap((entry) => {
    const { data } = listedVersion.safeParse(entry);
    if (data === undefined) return [];
    const { file, ...about } = data;
    const packed = files[file];
    return packed === undefined ? [] : [{ ...about, packed }];
  });
}
