'use client';

import { useDeferredValue, useMemo } from 'react';
import type { FrameId } from '@/core/brief';
import { type Setup, setupOfStack } from '@/core/gear';
import { bestCover, type Cover, type FrameResult } from '@/core/lineup';
import { useFilePart, useFrameResults } from '@/session';

/** What a picture is taken with: the first setup of the lineup that makes all of it, else a part of it. */
export interface Taken {
  readonly result: FrameResult;
  /** null where nothing of the lineup makes any of it. */
  readonly cover: Cover | null;
  readonly setup: Setup | null;
}

/** By frame, what each picture is taken with in the lineup in sight. */
export function useTaken(): ReadonlyMap<FrameId, Taken> {
  const shelf = useFilePart((file) => file.shelf);
  const results = useDeferredValue(useFrameResults());
  return useMemo(
    () =>
      new Map(
        (results ?? []).map((result) => {
          const cover = bestCover(result.covers);
          const setup = cover && (setupOfStack(shelf, cover) ?? null);
          return [result.frameId, { result, cover, setup }] as const;
        }),
      ),
    [results, shelf],
  );
}
