import {
  encode,
  fileOf,
  type OutingFile,
  type Plan,
  planCodec,
  takenIn,
  type Taking,
  type Compared,
} from '@/document';
import {
  allOutings,
  BIN_DAYS,
  type DocumentStore,
  type Host,
  type Keeper,
  openPersonal,
  openPlan,
  openPlanOrNewer,
  type OutingEntry,
  type OutingKey,
  removeDeleted,
  type Seen,
  setDeleted,
} from '@/document/live';
import { rememberOpen } from './whichOuting';
import { DAY_MS } from '@/core/units';

/** Why an outing was not opened; what was open stays open. */
export type NotOpened = 'unsaved' | 'unreadable' | 'newer';

/** Outings of this browser: one is open in this tab; none is replaced without being saved. */
export interface Library {
  /** All outings that are not in the bin, the open one first. */
  list(): Promise<readonly OutingEntry[]>;
  /** Deleted outings, the last one first. */
  bin(): Promise<readonly OutingEntry[]>;
  /** Opens a new outing made of a file, whose gear goes where it is told; returns the way back. */
  open(
    file: OutingFile,
    takingOf?: (compared: Compared) => Taking,
  ): Promise<(() => Promise<void>) | NotOpened>;
  /** Opens a new outing as it is. */
  openPlan(plan: Plan): Promise<(() => Promise<void>) | NotOpened>;
  /** Opens another outing of this browser. */
  reopen(key: OutingKey): Promise<(() => Promise<void>) | NotOpened>;
  /** The whole file of an outing, as text; null when it cannot be read. */
  textOf(key: OutingKey): Promise<string | null>;
  discard(key: OutingKey): Promise<void>;
  restore(key: OutingKey): Promise<void>;
  /** Deletes an outing of the bin with all its versions; there is no way back. */
  destroy(key: OutingKey): Promise<void>;
  /** Deletes what lay in the bin for too long. */
  emptyBin(): Promise<void>;
}

export function createLibrary(document: DocumentStore, keeper: Keeper, host: Host): Library {
  const others = async () => {
    const open = keeper.outing();
    const all = await allOutings(host);
    return [...all.filter((e) => e.key === open), ...all.filter((e) => e.key !== open)];
  };
  const switchTo = async (key: OutingKey, plan: Plan, known: Seen<Plan>) => {
    const before = keeper.outing();
    const { shelf, settings, seen } = await openPersonal(host);
    keeper.open(key, { plan, shelf, settings }, new Map([...seen, [key, known]]));
    rememberOpen(key);
    // What is shown as open is stored before anything else is waited for.
    await keeper.save();
    await keeper.takeInAll();
    await keeper.save();
    return async () => void (await reopen(before));
  };
  const reopen = async (key: OutingKey) => {
    if (!(await keeper.save())) return 'unsaved';
    const stored = await openPlanOrNewer(host, key);
    if (stored === 'newer') return 'newer';
    return stored === null ? 'unreadable' : switchTo(key, stored.value, stored.seen);
  };
  const create = async (plan: Plan) => {
    if (!(await keeper.save())) return 'unsaved' as const;
    return switchTo(`outing:${host.newId()}`, plan, { revision: 0, value: { ...plan } });
  };
  return {
    list: async () => (await others()).filter((e) => e.deletedAt === null),
    bin: async () =>
      (await others())
        .filter((e) => e.deletedAt !== null)
        .sort((a, b) => (b.deletedAt ?? 0) - (a.deletedAt ?? 0)),
    async open(file, takingOf) {
      const { desk } = document.store.getState();
      if (desk === null) return 'unsaved';
      const { plan, shelf } = takenIn(file, desk, takingOf);
      if (!planCodec.read(planCodec.write(plan)).ok) return 'unreadable';
      if (shelf !== desk.shelf && !document.editDesk((now) => ({ ...now, shelf })))
        return 'unreadable';
      return create(plan);
    },
    openPlan: create,
    reopen,
    async textOf(key) {
      const { desk, file } = document.store.getState();
      if (key === keeper.outing()) return file && encode(file);
      const stored = await openPlan(host, key);
      return stored && desk && encode(fileOf({ ...desk, plan: stored.value }));
    },
    discard: (key) => setDeleted(host, key, true),
    restore: (key) => setDeleted(host, key, false),
    async destroy(key) {
      await removeDeleted(host, key);
      // There is room again for what could not be saved.
      await keeper.save();
    },
    async emptyBin() {
      const until = host.now() - BIN_DAYS * DAY_MS;
      for (const { key, deletedAt } of await allOutings(host))
        if (deletedAt !== null && deletedAt < until) await removeDeleted(host, key);
    },
  };
}
