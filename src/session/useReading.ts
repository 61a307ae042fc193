'use client';

import { useEffect, useState } from 'react';
import { type Read, type ReaderKind, type Readers, readInWorker } from '@/document/reader';
import { notReadText } from '@/text';

/** What was last read of something that changes, and whether a newer one is being read. */
export interface Reading<T> {
  readonly value: T | null;
  readonly isReading: boolean;
  readonly problem: string | null;
}

/** Reads what is typed or pasted in a worker; what is no longer asked for is dropped. */
export function useReading<K extends ReaderKind>(
  kind: K,
  text: string,
  beside: unknown = undefined,
): Reading<Read<K>> {
  const [latest, setLatest] = useState<{
    readonly of: string;
    readonly value: Read<K> | null;
    readonly problem: string | null;
  }>({ of: '', value: null, problem: null });
  useEffect(() => {
    let wanted = true;
    const input = (beside === undefined ? [text] : [text, beside]) as unknown as Parameters<
      Readers[K]
    >;
    void readInWorker(kind, input).then((read) => {
      if (!wanted) return;
      setLatest(
        read.ok
          ? { of: text, value: read.value, problem: null }
          : { of: text, value: null, problem: notReadText(read.error) },
      );
    });
    return () => {
      wanted = false;
    };
  }, [kind, text, beside]);
  return { value: latest.value, isReading: latest.of !== text, problem: latest.problem };
}
