import { type Host, type KeyValue, lockHere, type Stores } from '@/document/live';

/** A store in memory whose values are copied as a browser copies them; writes fail, or never end, while told to. */
export function memoryStore() {
  const values = new Map<string, string | Uint8Array>();
  const fault: { fails: Error | null; hangs: boolean; writes: number } = {
    fails: null,
    hangs: false,
    writes: 0,
  };
  const pack = (value: unknown) => JSON.stringify(value, packBytes);
  const store: KeyValue = {
    get: async <T>(key: string) => {
      await Promise.resolve();
      const value = values.get(key);
      return value === undefined ? null : (JSON.parse(value as string, unpackBytes) as T);
    },
    set: async (key, value) => {
      const packed = pack(value);
      await Promise.resolve();
      if (fault.hangs) await new Promise(() => undefined);
      if (fault.fails) throw fault.fails;
      fault.writes += 1;
      values.set(key, packed);
    },
    remove: async (key) => void values.delete(key),
    keys: async () => [...values.keys()],
    entries: async <T>() =>
      [...values].map(
        ([key, value]) => [key, JSON.parse(value as string, unpackBytes) as T] as const,
      ),
  };
  return { store, fault, values };
}

const COLUMNS = { Uint8Array, Uint16Array, Uint32Array, Float32Array, Float64Array };
function packBytes(_: string, value: unknown) {
  if (!ArrayBuffer.isView(value)) return value;
  const numbers = [...(value as Float64Array)].map((n) => (Number.isNaN(n) ? 'NaN' : n));
  return { column: Object.prototype.toString.call(value).slice(8, -1), numbers };
}
function unpackBytes(_: string, value: unknown) {
  const { column, numbers } = (value ?? {}) as { column?: string; numbers?: unknown[] };
  const type = COLUMNS[column as keyof typeof COLUMNS] as typeof Float64Array | undefined;
  return type && numbers ? new type(numbers.map(Number)) : value;
}

/** A browser's storage in memory, and tabs that share it and hear of each other. */
export function memoryBrowser() {
  const parts = {
    records: memoryStore(),
    versions: memoryStore(),
    aside: memoryStore(),
    large: memoryStore(),
  };
  const stores = Object.fromEntries(
    Object.entries(parts).map(([name, part]) => [name, part.store]),
  ) as unknown as Stores;
  const lock = lockHere();
  const heard: { tab: number; hear: (key: never) => void }[] = [];
  const clock = { now: Date.UTC(2027, 5, 12) };
  let id = 0;
  const tab = (n: number): Host & { listen: (hear: (key: never) => void) => void } => ({
    stores,
    lock,
    announce: (key) => {
      for (const other of heard)
        if (other.tab !== n) queueMicrotask(() => other.hear(key as never));
    },
    listen: (hear) => void heard.push({ tab: n, hear }),
    now: () => clock.now,
    newId: () => `id${(id += 1)}`,
  });
  return { parts, stores, tab, clock };
}

export function quotaError(): Error {
  return Object.assign(new Error('no room'), { name: 'QuotaExceededError' });
}
