import { EMPTY_LOG, type Log, logMarks, type LogMarks, NO_MARKS, NUMBER_COLUMNS } from '@/core/log';
import type { Host } from './stored';

/** All photographs and what the person says of them, with the number of its state. */
export interface Photographs {
  readonly revision: number;
  readonly log: Log;
  readonly marks: LogMarks;
}

export const NO_PHOTOGRAPHS: Photographs = { revision: 0, log: EMPTY_LOG, marks: NO_MARKS };

/** The record as it is stored: columns as they are, in one write. */
interface StoredPhotographs extends Photographs {
  readonly version: typeof VERSION;
}
const VERSION = 1;
const KEY = 'photographs';
const ASIDE = 'photographs-set-aside';

type PhotographHost = Pick<Host, 'stores' | 'lock' | 'announce'>;

/** What is stored; what can't be read is set aside under another key, never lost. */
export async function openPhotographs({ stores }: Pick<Host, 'stores'>): Promise<Photographs> {
  const stored = await stores.large.get<unknown>(KEY);
  if (stored === null) return NO_PHOTOGRAPHS;
  if (isReadable(stored))
    return { revision: stored.revision, log: stored.log, marks: stored.marks };
  await stores.large.set(ASIDE, stored);
  return NO_PHOTOGRAPHS;
}

/**
 * Changes what is stored, on the state that is stored now: what another tab did meanwhile is kept.
 *
 * @throws what the storage throws when it has no room or refuses
 */
export function changePhotographs(
  host: PhotographHost,
  known: Photographs,
  change: (now: Pick<Photographs, 'log' | 'marks'>) => Pick<Photographs, 'log' | 'marks'>,
): Promise<Photographs> {
  return host.lock(KEY, async () => {
    const revision = await host.stores.large.get<number>(`${KEY}-revision`);
    const now = revision === known.revision ? known : await openPhotographs(host);
    const { log, marks } = change(now);
    const next: StoredPhotographs = { version: VERSION, revision: now.revision + 1, log, marks };
    // First, so that a tab that is ended between the two never makes another trust what it knows.
    await host.stores.large.set(`${KEY}-revision`, next.revision);
    await host.stores.large.set(KEY, next);
    host.announce('photographs');
    return { revision: next.revision, log, marks };
  });
}

function isReadable(stored: unknown): stored is StoredPhotographs {
  if (typeof stored !== 'object' || stored === null) return false;
  const { version, revision, log, marks } = stored as Partial<StoredPhotographs>;
  return (
    version === VERSION &&
    typeof revision === 'number' &&
    logMarks.safeParse(marks).success &&
    isLog(log)
  );
}

/** Columns of one length, and numbers that point into their lists. */
function isLog(log: Partial<Log> | undefined): log is Log {
  if (!log?.takenMs || !log.numbers || !log.lists || !log.nameEnds || !log.nameUnits) return false;
  const { count, numbers, lists, cameras, lenses, folders, labels } = log;
  const pointsInto = (column: Uint32Array | undefined, list: readonly unknown[] | undefined) =>
    column !== undefined &&
    list !== undefined &&
    column.length === count &&
    column.every((at) => at < list.length);
  return (
    log.takenMs.length === count &&
    log.nameEnds.length === count &&
    NUMBER_COLUMNS.every((column) => numbers[column]?.length === count) &&
    pointsInto(lists.camera, cameras) &&
    pointsInto(lists.lens, lenses) &&
    pointsInto(lists.folder, folders) &&
    pointsInto(lists.label, labels)
  );
}
