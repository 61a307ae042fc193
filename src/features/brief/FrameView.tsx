'use client';

import { useDeferredValue, useMemo } from 'react';
import type { Frame } from '@/core/brief';
import { stackKey, setupOfStack } from '@/core/gear';
import { briefFormText, stackName, namesOf } from '@/text';
import { useFile, useFrameResults } from '@/session';
import { Viewfinder } from '@/parts/viewfinder';

const t = briefFormText.frameView;

/** The picture as the lineup would take it, or as the nearest miss would; it follows the editing. */
export function FrameView({ frame: edited }: { frame: Frame }) {
  const frame = useDeferredValue(edited);
  const file = useDeferredValue(useFile());
  const standing = useFrameResults()?.find((f) => f.frameId === frame.id);
  const setups = useMemo(() => {
    const name = namesOf(file);
    const nearest = standing?.nearest ? [standing.nearest] : [];
    const all = [...(standing?.covers ?? []), ...nearest].flatMap((c) => {
      const setup = setupOfStack(file.shelf, c);
      const label = t.on(stackName(c, name), name(c.bodyId));
      return setup ? [{ key: `${c.bodyId} ${stackKey(c)}`, label, setup }] : [];
    });
    return [...new Map(all.map((s) => [s.key, s])).values()];
  }, [file, standing]);
  return <Viewfinder frame={frame} limits={file.limits} setups={setups} />;
}
