import * as z from 'zod';
import { err, ok, type Result } from '@/core/result';
import type { Refusal } from './reading';
import {
  type Codec,
  DEFAULT_SETTINGS,
  type Desk,
  EMPTY_SHELF,
  fileOf,
  type Plan,
  planCodec,
  same,
  settingsCodec,
  shelfCodec,
  takenIn,
} from './desk';
import {
  type BackedUpPhotographs,
  type BackedUpVersion,
  photographFiles,
  photographsOf,
  isVersion,
  time,
  versionFiles,
  versionsIn,
} from './backupParts';
import { type NotUnzipped, unzipped } from './backupZip';
import { freshId } from './freshId';

/** An outing in a backup. */
export interface BackedUpOuting {
  /** Its id in storage, without the prefix. */
  readonly id: string;
  readonly name: string;
  readonly savedAt: number;
  readonly deletedAt: number | null;
  readonly plan: Plan;
}

/** Everything that a browser keeps, in one zip. */
export interface Backup {
  readonly shelf: Desk['shelf'];
  readonly settings: Desk['settings'];
  readonly outings: readonly BackedUpOuting[];
  /** null where there are none. */
  readonly photographs: BackedUpPhotographs | null;
  readonly versions: readonly BackedUpVersion[];
  /** Texts that could not be read, as they are. */
  readonly asides: readonly { readonly name: string; readonly text: string }[];
}

/** What a zip holds that could not be read, file by file; the rest of it can be taken. */
export interface BackupIssue {
  readonly file: string;
  readonly refusal: Refusal | 'photographs' | 'damaged' | 'doubled';
}

export type NoBackup = NotUnzipped | { readonly code: 'not-backup' };

type Listed = Omit<BackedUpOuting, 'plan'> & { readonly file: string };

/** Packs everything into a zip of open formats. */
export async function packBackup(
  { shelf, settings, outings, photographs, versions, asides }: Backup,
  readme: string,
): Promise<Uint8Array> {
  const { strToU8, zipSync } = await import('fflate');
  const taken = new Set<string>();
  const place = (folder: string, name: string, ending: string) => {
    const base = freshId(name, taken);
    taken.add(base);
    return `${folder}/${base}${ending}`;
  };
  const listed: Listed[] = [];
  const files: Record<string, Uint8Array> = {};
  for (const { plan, ...about } of outings) {
    const file = place(about.deletedAt === null ? 'outings' : 'bin', about.name, '.json');
    files[file] = strToU8(planCodec.write(plan));
    listed.push({ file, ...about });
  }
  for (const { name, text } of asides) files[place('set-aside', name, '.txt')] = strToU8(text);
  const earlier = versionFiles(versions);
  const bytesOf = (parts: Readonly<Record<string, Uint8Array | string>>) =>
    Object.fromEntries(
      Object.entries(parts).map(([name, part]) => [
        name,
        typeof part === 'string' ? strToU8(part) : part,
      ]),
    );
  return zipSync(
    {
      'README.txt': strToU8(readme),
      'contents.json': strToU8(
        `${JSON.stringify(
          {
            format: 'armreach-backup',
            version: 3,
            outings: listed,
            versions: earlier.listed,
          },
          null,
          2,
        )}\n`,
      ),
      'shelf.json': strToU8(shelfCodec.write(shelf)),
      'settings.json': strToU8(settingsCodec.write(settings)),
      ...files,
      ...earlier.files,
      ...bytesOf(photographs === null ? {} : photographFiles(photographs)),
    },
    { level: 6 },
  );
}

/** Reads a backup; a file in it that cannot be read is named, and the others are kept. */
export async function readBackup(
  bytes: Uint8Array,
): Promise<Result<{ readonly backup: Backup; readonly issues: readonly BackupIssue[] }, NoBackup>> {
  const { strFromU8 } = await import('fflate');
  const zip = await unzipped(bytes);
  if (!zip.ok) return zip;
  const { files, damaged, doubled } = zip.value;
  const textOf = (name: string) => (files[name] ? strFromU8(files[name]) : null);
  const index = damaged.includes('contents.json') ? NO_INDEX : indexOf(textOf('contents.json'));
  const isThere = (name: string) => name in files || damaged.includes(name);
  if (index === null || !isThere('shelf.json')) return err({ code: 'not-backup' });
  const issues: BackupIssue[] = [
    ...damaged.map((file) => ({ file, refusal: 'damaged' as const })),
    ...doubled.map((file) => ({ file, refusal: 'doubled' as const })),
  ];
  const read = <T, U>(file: string, codec: Pick<Codec<T>, 'read'>, otherwise: U) => {
    if (damaged.includes(file)) return otherwise;
    const result = codec.read(textOf(file) ?? '');
    if (result.ok) return result.value;
    issues.push({ file, refusal: result.error });
    return otherwise;
  };
  const photographs = photographsOf(files, textOf);
  if (photographs === 'damaged') issues.push({ file: 'photographs/', refusal: 'photographs' });
  const versions = versionsIn(files, index.versions);
  if (versions.length < index.versions.length && !damaged.some(isVersion))
    issues.push({ file: 'versions/', refusal: 'damaged' });
  const outings = outingsIn(index.outings, Object.keys(files)).flatMap(
    ({ file, name, ...about }): BackedUpOuting[] => {
      const plan = read(file, planCodec, null);
      return plan === null ? [] : [{ ...about, name: name ?? plan.outing.name, plan }];
    },
  );
  return ok({
    backup: {
      shelf: read('shelf.json', shelfCodec, EMPTY_SHELF),
      settings: read('settings.json', settingsCodec, DEFAULT_SETTINGS),
      outings,
      photographs: photographs === 'damaged' ? null : photographs,
      versions,
      asides: Object.keys(files)
        .filter((name) => name.startsWith('set-aside/'))
        .map((name) => ({ name, text: textOf(name) ?? '' })),
    },
    issues,
  });
}

/** What a backup says it holds, entry by entry. */
interface Index {
  readonly outings: readonly unknown[];
  readonly versions: readonly unknown[];
}
const NO_INDEX: Index = { outings: [], versions: [] };

/** null where it is not that of a backup. */
function indexOf(text: string | null): Index | null {
  try {
    const value = JSON.parse(text ?? '') as {
      format?: unknown;
      outings?: unknown;
      versions?: unknown;
    };
    if (value.format !== 'armreach-backup' || !Array.isArray(value.outings)) return null;
    return {
      outings: value.outings,
      versions: Array.isArray(value.versions) ? value.versions : [],
    };
  } catch {
    return null;
  }
}

/** Index of the outings' files: what a file name cannot hold. */
const listedOuting = z.object({
  file: z.string(),
  id: z.string().regex(/^[\w-]{1,80}$/),
  name: z.string(),
  savedAt: time,
  deletedAt: time.nullable(),
});

/** What is known of an outing's file; its own name counts where the index gives none. */
type IndexedOuting = Omit<Listed, 'name'> & { readonly name: string | null };

/**
 * The outings of a backup. What the index leaves out, or says what cannot be of, is an outing like
 * another, none of which is in the bin, where it might soon be deleted; no two have one id.
 */
function outingsIn(entries: readonly unknown[], names: readonly string[]): IndexedOuting[] {
  const taken = new Set<string>();
  const known = new Set<string>();
  const found: IndexedOuting[] = [];
  const add = (outing: IndexedOuting) => {
    const id = taken.has(outing.id) ? freshId(outing.id, taken) : outing.id;
    taken.add(id);
    known.add(outing.file);
    found.push({ ...outing, id });
  };
  for (const entry of entries) {
    const read = listedOuting.safeParse(entry);
    if (read.success && !known.has(read.data.file)) add(read.data);
  }
  for (const file of names) {
    const [, id] = /^(?:outings|bin)\/([\w-]{1,70})\.json$/.exec(file) ?? [];
    if (id !== undefined && !known.has(file))
      add({ file, id, name: null, savedAt: 0, deletedAt: null });
  }
  return found;
}

/** The plan of a backed-up outing on a shelf that is not quite the one it was made with. */
export function planOnShelf(
  plan: Plan,
  backup: Pick<Backup, 'shelf' | 'settings'>,
  desk: Desk,
): Plan {
  if (same(backup.shelf, desk.shelf) && same(backup.settings, desk.settings)) return plan;
  return takenIn(fileOf({ plan, ...backup }), desk).plan;
}
