import { joinedMarks } from '@/core/log';
import {
  type Backup,
  copyOf,
  type Desk,
  type Plan,
  planOnShelf,
  planCodec,
  same,
  takenOntoShelf,
  type Taking,
} from '@/document';
import { readInWorker } from '@/document/reader';
import {
  allOutings,
  allVersions,
  asides,
  changePhotographs,
  type DocumentStore,
  type Host,
  joinedLogs,
  type Keeper,
  openPhotographs,
  openPlanOrNewer,
  type OutingKey,
  recordAt,
  type RecordKey,
  replaceRecord,
  restoreVersions,
  versionsKept,
} from '@/document/live';
import { sessionText } from '@/text';

const t = sessionText.backups;

/** What is done with an outing of a backup that is here too, and is not the same. */
export type Restoring = 'take' | 'both' | 'skip';

/** An outing of a backup beside what is here. */
export interface RestoredOuting {
  readonly id: string;
  readonly name: string;
  readonly savedAt: number;
  readonly state: 'new' | 'same' | 'differs';
  /** When the one here was saved. */
  readonly hereSavedAt: number | null;
}

export interface RestoreChoices {
  readonly outings: ReadonlyMap<string, Restoring>;
  readonly gear: ReadonlyMap<string, Taking>;
  readonly settings: boolean;
  /** Whether its photographs are added to those here. */
  readonly photographs: boolean;
}

/** How many of the chosen outings were restored, and how that ended. */
export interface Restored {
  readonly restored: number;
  readonly of: number;
  readonly ended: 'whole' | 'cancelled' | 'failed';
}

/** Follows a restoring, outing by outing, and ends it between two of them. */
export interface RestoreWatch {
  readonly signal?: AbortSignal;
  readonly tell?: (restored: number, of: number) => void;
}

/**
 * Backups of all that this browser keeps.
 *
 * @param reloadPhotographs shows the photographs anew where they are shown
 */
export function createBackups(
  document: DocumentStore,
  keeper: Keeper,
  host: Host,
  reloadPhotographs: () => Promise<void> = async () => undefined,
) {
  const collected = async (signal?: AbortSignal): Promise<Backup> => {
    await keeper.save();
    const { desk } = document.store.getState();
    if (desk === null) throw new Error(t.nothingIsOpenYet);
    const outings = [];
    /** What only a newer Arm Reach can read goes along as it is. */
    const newer: { name: string; text: string }[] = [];
    for (const { key, name, savedAt, deletedAt } of await allOutings(host)) {
      signal?.throwIfAborted();
      const stored =
        key === keeper.outing() ? { value: desk.plan } : await openPlanOrNewer(host, key);
      if (stored === 'newer') {
        const record = await recordAt(host.stores, key);
        if (record) newer.push({ name, text: record.text });
      } else if (stored)
        outings.push({
          id: key.slice('outing:'.length),
          name,
          savedAt,
          deletedAt,
          plan: stored.value,
        });
    }
    const { log, marks } = await openPhotographs(host);
    await versionsKept(host.stores);
    return {
      shelf: desk.shelf,
      settings: desk.settings,
      outings,
      photographs: { log, marks },
      versions: await allVersions(host.stores.versions),
      asides: [...(await asides(host)), ...newer],
    };
  };
  const compared = async ({ outings }: Backup): Promise<RestoredOuting[]> => {
    const entries = new Map((await allOutings(host)).map((e) => [e.key, e]));
    const found: RestoredOuting[] = [];
    for (const { id, name, savedAt, plan } of outings) {
      const key: OutingKey = `outing:${id}`;
      const entry = entries.get(key);
      const stored = entry && (await openPlanOrNewer(host, key));
      const isSame = stored && stored !== 'newer' && same(stored.value, plan);
      const state = !stored ? 'new' : isSame ? 'same' : 'differs';
      found.push({ id, name, savedAt, state, hereSavedAt: entry?.savedAt ?? null });
    }
    return found;
  };
  const restore = async (
    backup: Backup,
    choices: RestoreChoices,
    watch: RestoreWatch = {},
  ): Promise<Restored> => {
    const wayOf = (id: string) => choices.outings.get(id) ?? 'skip';
    const before = document.store.getState().desk;
    if (before === null || !(await keeper.save())) throw new Error(t.notSaved);
    const settings = choices.settings ? backup.settings : before.settings;
    const shelf = shelfAfter(backup.shelf, before.shelf, choices.gear);
    const desk: Desk = { ...before, shelf, settings };
    if (!document.editDesk((now) => ({ ...now, shelf, settings }), '', false))
      throw new Error(t.theShelfOfTheBackup);
    if (!(await keeper.save())) throw new Error(t.notSaved);
    const done = await putOutings(backup, wayOf, desk, watch);
    if (done.ended === 'whole') {
      await putVersions(backup, 'shelf');
      if (choices.photographs && backup.photographs) await putPhotographs(backup.photographs);
    }
    await keeper.takeInAll();
    return done;
  };
  const putOutings = async (
    backup: Backup,
    wayOf: (id: string) => Restoring,
    desk: Desk,
    { signal, tell }: RestoreWatch,
  ): Promise<Restored> => {
    const chosen = backup.outings.filter(({ id }) => wayOf(id) !== 'skip');
    const of = chosen.length;
    for (const [restored, outing] of chosen.entries()) {
      if (signal?.aborted) return { restored, of, ended: 'cancelled' };
      const restoring = wayOf(outing.id);
      try {
        const plan = planOnShelf(outing.plan, backup, desk);
        await put(outing, plan, restoring === 'both');
        if (restoring === 'take') await putVersions(backup, `outing:${outing.id}`);
      } catch (error) {
        if (restored === 0) throw error;
        return { restored, of, ended: 'failed' };
      }
      tell?.(restored + 1, of);
    }
    return { restored: of, of, ended: 'whole' };
  };
  const put = async (
    { id, name, ...about }: Backup['outings'][number],
    plan: Plan,
    asCopy: boolean,
  ) => {
    const key: OutingKey = asCopy ? `outing:${host.newId()}` : `outing:${id}`;
    const restored = asCopy ? copyOf(plan, t.fromTheBackup) : plan;
    const called = asCopy ? restored.outing.name : name;
    const { savedAt, deletedAt } = about;
    await replaceRecord(host, key, {
      name: called,
      text: planCodec.write(restored),
      savedAt,
      deletedAt,
    });
  };
  const putVersions = async ({ versions }: Backup, key: RecordKey) => {
    const own = versions.filter((v) => v.key === key);
    if (own.length === 0) return;
    await restoreVersions(host.stores.versions, key, own, host.now());
  };
  /** Adds photographs to those here; what is said of them here stays. */
  const putPhotographs = async ({ log, marks }: NonNullable<Backup['photographs']>) => {
    const known = await openPhotographs(host);
    await changePhotographs(host, known, (now) => ({
      log: now.log.count === 0 ? log : joinedLogs(now.log, log),
      marks: joinedMarks(marks, now.marks),
    }));
    await reloadPhotographs();
  };
  return {
    /** Everything as one zip; `signal` gives it up, which throws. */
    pack: async (signal?: AbortSignal): Promise<Uint8Array> => {
      const backup = await collected(signal);
      const packed = await readInWorker('packing', [backup, t.thisIsABackupOf], signal);
      if (!packed.ok) throw new Error(packed.error.code);
      return packed.value;
    },
    /** What of a backup is here already, and how it differs. */
    compare: compared,
    /** Takes in what was chosen of a backup; what was restored before it was ended stays. */
    restore,
  };
}
export type Backups = ReturnType<typeof createBackups>;

/** A shelf that is still empty becomes the backup's as it is. */
function shelfAfter(theirs: Desk['shelf'], mine: Desk['shelf'], choices: RestoreChoices['gear']) {
  const empty = Object.values(mine.gear).every((list) => list.length === 0);
  if (empty && mine.bags.length === 0 && mine.things.length === 0) return theirs;
  return takenOntoShelf(theirs, mine, choices);
}
