'use client';

import { useEffect, useState } from 'react';
import { type Change, planCodec, shelfCodec } from '@/document';
import { type RecordKey, type Version, versionsOf, versionText } from '@/document/live';
import { useSession } from '@/session';

/** A state that can be looked at: its document, and what was changed to come to it. */
export interface VersionsState<T> {
  readonly version: Version;
  readonly value: T | null;
  /** From the state before; null where there is none or it cannot be read. */
  readonly changes: readonly Change[] | null;
}

/** The earlier states of an outing or the shelf, newest first, read one after another. */
export function useVersions<T extends object>(
  key: RecordKey,
  read: (text: string) => T | null,
  between: (before: T, after: T) => Change[],
): readonly VersionsState<T>[] | null {
  const { host, keeper } = useSession();
  const [states, setStates] = useState<readonly VersionsState<T>[] | null>(null);
  useEffect(() => {
    let stopped = false;
    const look = async () => {
      await keeper.save();
      const versions = await versionsOf(host.stores.versions, key);
      const values: (T | null)[] = [];
      for (const version of versions) {
        const text = await versionText(host.stores.versions, version);
        values.push(text === null ? null : read(text));
      }
      const found = versions.map((version, i): VersionsState<T> => {
        const [value, before] = [values[i] ?? null, values[i + 1] ?? null];
        return { version, value, changes: value && before && between(before, value) };
      });
      if (!stopped) setStates(found);
    };
    void look();
    return () => {
      stopped = true;
    };
  }, [host, keeper, key, read, between]);
  return states;
}

export const readPlan = (text: string) => {
  const read = planCodec.read(text);
  return read.ok ? read.value : null;
};
export const readShelf = (text: string) => {
  const read = shelfCodec.read(text);
  return read.ok ? read.value : null;
};
