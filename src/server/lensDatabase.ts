import { readdir, readFile } from 'node:fs/promises';
import path from 'node:path';
import { setImmediate } from 'node:timers/promises';
import { widestFNumber } from '@/core/gear';
import {
  type DatabaseCamera,
  type DatabaseLens,
  type LensDatabase,
  mergeDatabases,
  readLensfun,
} from '@/document/formats';

/** Where Debian's package liblensfun-data-v1 puts the open lens database. */
export const USUAL_FOLDER = '/usr/share/lensfun/version_1';
/** The environment variable that names another folder. */
export const FOLDER_VARIABLE = 'LENS_DATABASE';
/** Most entries of each kind in one answer. */
const MOST = 40;
/** Longest text that is searched for. */
const LONGEST = 100;

/** What a search finds; `null` where the database is not on this machine. */
export interface DatabaseMatches {
  /** Entries in all, whatever was searched for. */
  readonly count: number;
  readonly lenses: readonly DatabaseLens[];
  readonly cameras: readonly DatabaseCamera[];
  /** How many more there are than are given. */
  readonly more: number;
}

/** What a lens has to have. */
export interface LensAsked {
  readonly mount: string;
  readonly wideMm: number;
  readonly longMm: number;
  /** Widest f-numbers at the two ends of that range, at the most. */
  readonly fNumberWide: number;
  readonly fNumberLong: number;
}

interface Index {
  readonly database: LensDatabase;
  readonly lenses: readonly (readonly [string, DatabaseLens])[];
  readonly cameras: readonly (readonly [string, DatabaseCamera])[];
}

/** The open lens database where it lies on this machine, read once and when it is first asked for. */
export function createLensLookup(folder: string) {
  let index: Promise<Index | null> | null = null;
  const read = () => (index ??= indexOf(folder));
  return {
    /** Reads the database, so that the first search need not wait for it. */
    ready: async () => (await read()) !== null,
    /** Lenses for a mount that reach so far and are as fast there, the shortest ranges first. */
    satisfying: async (asked: LensAsked): Promise<DatabaseMatches | null> => {
      const ready = await read();
      return ready && satisfyingIn(ready, asked);
    },
    search: async (text: string): Promise<DatabaseMatches | null> => {
      const ready = await read();
      return ready && searchIn(ready, text);
    },
  };
}

let shared: ReturnType<typeof createLensLookup> | null = null;

/** The one of this process. */
export function lensLookup() {
  return (shared ??= createLensLookup(process.env[FOLDER_VARIABLE] || USUAL_FOLDER));
}

async function indexOf(folder: string): Promise<Index | null> {
  const names = await readdir(folder).catch(() => []);
  const parts: LensDatabase[] = [];
  for (const name of names.filter((n) => n.endsWith('.xml')).sort()) {
    const part = readLensfun(await readFile(path.join(folder, name), 'utf8'));
    if (part.ok) parts.push(part.value);
    // Other requests come in between: one file takes some 20 ms, all of them a second.
    await setImmediate();
  }
  if (parts.length === 0) return null;
  const database = mergeDatabases(parts);
  return {
    database,
    lenses: database.lenses.map((l) => [plain(`${l.maker} ${l.model} ${l.mounts.join(' ')}`), l]),
    cameras: database.cameras.map((c) => [plain(`${c.maker} ${c.model} ${c.mount}`), c]),
  };
}

function searchIn({ lenses, cameras }: Index, text: string): DatabaseMatches {
  const words = plain(text.slice(0, LONGEST)).split(' ').filter(Boolean);
  const matching = <T>(entries: readonly (readonly [string, T])[]) =>
    words.length === 0
      ? []
      : entries.filter(([key]) => words.every((w) => has(key, w))).map(([, entry]) => entry);
  const [foundLenses, foundCameras] = [matching(lenses), matching(cameras)];
  const given = (list: readonly unknown[]) => Math.min(list.length, MOST);
  return {
    count: lenses.length + cameras.length,
    lenses: foundLenses.slice(0, MOST),
    cameras: foundCameras.slice(0, MOST),
    more: foundLenses.length + foundCameras.length - given(foundLenses) - given(foundCameras),
  };
}

/** Between two marks an f-number is an estimate: a tenth of a stop is the same. */
const SAME_FAST = 2 ** 0.05;

function satisfyingIn({ lenses, cameras }: Index, asked: LensAsked): DatabaseMatches {
  const { mount, wideMm, longMm, fNumberWide, fNumberLong } = asked;
  const found = lenses
    .map(([, lens]) => lens)
    .filter(
      ({ mounts, focal, apertures, projection }) =>
        projection === 'rectilinear' &&
        mounts.some((m) => plain(m) === plain(mount)) &&
        focal.wideMm <= wideMm &&
        focal.longMm >= longMm &&
        widestFNumber(apertures, wideMm) <= fNumberWide * SAME_FAST &&
        widestFNumber(apertures, longMm) <= fNumberLong * SAME_FAST,
    )
    .sort((a, b) => a.focal.longMm / a.focal.wideMm - b.focal.longMm / b.focal.wideMm);
  return {
    count: lenses.length + cameras.length,
    lenses: found.slice(0, MOST),
    cameras: [],
    more: Math.max(0, found.length - MOST),
  };
}

/** Whether a text has a word in it; a number never within a longer one, so that 85 is not in 185. */
function has(text: string, word: string): boolean {
  const isNumber = /^\d/.test(word);
  for (let at = text.indexOf(word); at >= 0; at = text.indexOf(word, at + 1))
    if (!isNumber || !/[\d.]/.test(text[at - 1] ?? '')) return true;
  return false;
}

/** Small letters, and f/2.8, f2.8 and F/2.8 as one. */
function plain(text: string): string {
  return text
    .toLowerCase()
    .replace(/f\/(?=\d)/g, 'f')
    .replace(/[\s,;]+/g, ' ')
    .trim();
}
