import { createStore } from 'zustand/vanilla';
import type { Host } from '@/document/live';

/** A folder of the person's choosing in which a backup is kept up to date. */
export interface FolderState {
  /** Whether the browser can do it at all. */
  readonly possible: boolean;
  readonly name: string | null;
  /** asks: the browser wants to be asked again before it writes there. */
  readonly state: 'none' | 'kept' | 'asks' | 'failed';
  /** ms since 1970. */
  readonly writtenAt: number | null;
}

/** What the File System Access API gives of a folder; not all of it is in the DOM library. */
interface Folder {
  readonly name: string;
  getFileHandle(
    name: string,
    options: { create: boolean },
  ): Promise<{
    createWritable(): Promise<{ write(data: Blob): Promise<void>; close(): Promise<void> }>;
  }>;
  queryPermission?(options: { mode: 'readwrite' }): Promise<PermissionState>;
  requestPermission?(options: { mode: 'readwrite' }): Promise<PermissionState>;
}
type Picker = (options: { mode: 'readwrite'; id: string }) => Promise<Folder>;

const KEY = 'backup-folder';
const BACKUP_FILE = 'arm-reach-backup.zip';
/** After the last edit a backup is written within this time, ms. */
const EVERY_MS = 30_000;

/** Keeps a backup in a folder, where the browser has the File System Access API. */
export function createFolderBackup(pack: () => Promise<Uint8Array>, host: Host) {
  const picker = () => (window as unknown as { showDirectoryPicker?: Picker }).showDirectoryPicker;
  const state = createStore<FolderState>(() => ({
    possible: typeof window !== 'undefined' && picker() !== undefined,
    name: null,
    state: 'none',
    writtenAt: null,
  }));
  let folder: Folder | null = null;
  let timer: ReturnType<typeof setTimeout> | null = null;

  const allowed = async (of: Folder, ask: boolean) => {
    const mode = { mode: 'readwrite' } as const;
    const now = (await of.queryPermission?.(mode)) ?? 'granted';
    if (now === 'granted' || !ask) return now === 'granted';
    return (await of.requestPermission?.(mode)) === 'granted';
  };
  const write = async () => {
    if (folder === null || state.getState().state === 'asks') return;
    try {
      const file = await folder.getFileHandle(BACKUP_FILE, { create: true });
      const writing = await file.createWritable();
      await writing.write(new Blob([(await pack()) as BlobPart], { type: 'application/zip' }));
      await writing.close();
      state.setState({ state: 'kept', writtenAt: host.now() });
    } catch {
      state.setState({ state: 'failed' });
    }
  };
  const takeUp = async (next: Folder, ask: boolean) => {
    folder = next;
    const isAllowed = await allowed(next, ask);
    state.setState({ name: next.name, state: isAllowed ? 'kept' : 'asks' });
    if (isAllowed) await write();
  };
  return {
    state,
    /** Takes up the folder that was chosen on an earlier visit. */
    async resume() {
      const known = await host.stores.large.get<Folder>(KEY).catch(() => null);
      if (known) await takeUp(known, false).catch(() => state.setState({ state: 'failed' }));
    },
    /** Has the person choose a folder; nothing changes when they do not. */
    async choose() {
      const chosen = await picker()?.({ mode: 'readwrite', id: 'arm-reach' }).catch(() => null);
      if (!chosen) return;
      await host.stores.large.set(KEY, chosen);
      await takeUp(chosen, true);
    },
    /** Asks the browser again for the folder that was chosen. */
    async allow() {
      if (folder) await takeUp(folder, true);
    },
    async forget() {
      folder = null;
      await host.stores.large.remove(KEY);
      state.setState({ name: null, state: 'none', writtenAt: null });
    },
    /** Something was saved: a backup follows before long. */
    saved() {
      if (folder === null) return;
      timer ??= setTimeout(() => {
        timer = null;
        void write();
      }, EVERY_MS);
    },
    stop() {
      if (timer !== null) clearTimeout(timer);
    },
  };
}
export type FolderBackup = ReturnType<typeof createFolderBackup>;
