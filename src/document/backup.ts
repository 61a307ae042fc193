import { err, ok, type Result } from '@/core/result';
import type { Refusal } from './reading';
import {
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
  versionFiles,
  versionsIn,
} from './backupParts';
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
  readonly refusal: Refusal | 'photographs';
}

export type NoBackup =
  | { readonly code: 'not-zip' }
  | { readonly code: 'not-backup' }
  | { readonly code: 'too-large'; readonly bytes: number };

/** Largest size of all files in a backup together, bytes. */
export const MAX_BACKUP_BYTES = 400_000_000;

/** Index of the outings' files: what a file name cannot hold. */
interface Listed {
  readonly file: string;
  readonly id: string;
  readonly name: string;
  readonly savedAt: number;
  readonly deletedAt: number | null;
}

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
            version: 2,
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
  const { strFromU8, unzipSync } = await import('fflate');
  let size = 0;
  let files: Record<string, Uint8Array>;
  try {
    files = unzipSync(bytes, {
      filter: ({ originalSize }) => {
        size += originalSize;
        return size <= MAX_BACKUP_BYTES;
      },
    });
  } catch {
    return err({ code: 'not-zip' });
  }
  if (size > MAX_BACKUP_BYTES) return err({ code: 'too-large', bytes: size });
  const textOf = (name: string) => (files[name] ? strFromU8(files[name]) : null);
  const listed = contents(textOf('contents.json'));
  const shelfFile = textOf('shelf.json');
  if (listed === null || shelfFile === null) return err({ code: 'not-backup' });
  const issues: BackupIssue[] = [];
  const read = <T>(file: string, result: Result<T, Refusal>, otherwise: T) => {
    if (result.ok) return result.value;
    issues.push({ file, refusal: result.error });
    return otherwise;
  };
  const photographs = photographsOf(files, textOf);
  if (photographs === 'damaged') issues.push({ file: 'photographs/', refusal: 'photographs' });
  const outings = listed.outings.flatMap(({ file, ...about }): BackedUpOuting[] => {
    const plan = read<Plan | null>(file, planCodec.read(textOf(file) ?? ''), null);
    return plan === null ? [] : [{ ...about, plan }];
  });
  return ok({
    backup: {
      shelf: read('shelf.json', shelfCodec.read(shelfFile), EMPTY_SHELF),
      settings: read(
        'settings.json',
        settingsCodec.read(textOf('settings.json') ?? ''),
        DEFAULT_SETTINGS,
      ),
      outings,
      photographs: photographs === 'damaged' ? null : photographs,
      versions: versionsIn(files, listed.versions),
      asides: Object.keys(files)
        .filter((name) => name.startsWith('set-aside/'))
        .map((name) => ({ name, text: textOf(name) ?? '' })),
    },
    issues,
  });
}

function contents(text: string | null): { outings: Listed[]; versions: unknown } | null {
  try {
    const value = JSON.parse(text ?? '') as {
      format?: unknown;
      outings?: unknown;
      versions?: unknown;
    };
    if (value.format !== 'armreach-backup' || !Array.isArray(value.outings)) return null;
    return { outings: value.outings.filter(isListed), versions: value.versions };
  } catch {
    return null;
  }
}

function isListed(entry: unknown): entry is Listed {
  if (typeof entry !== 'object' || entry === null) return false;
  const { file, id, name, savedAt, deletedAt } = entry as Record<keyof Listed, unknown>;
  return (
    typeof file === 'string' &&
    typeof id === 'string' &&
    /^[\w-]{1,80}$/.test(id) &&
    typeof name === 'string' &&
    typeof savedAt === 'number' &&
    (deletedAt === null || typeof deletedAt === 'number')
  );
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
