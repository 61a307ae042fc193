'use client';

import { useEffect, useMemo, useRef, useState } from 'react';
import { followingGround, type OutingFile, putOnGround } from '@/document';
import { useEdit } from '@/session';
import type { Thing } from './things';

/** So long what is dragged has to rest before the outing follows it, ms. */
const REST_MS = 250;

interface Dragged {
  /** The outing with what is dragged where it is. */
  readonly file: OutingFile;
  readonly drag: (thing: Thing) => void;
  readonly drop: (thing: Thing) => void;
}

/**
 * What is dragged is ahead of the outing: the plan and all that is measured on it follow the pointer at
 * once, the outing and its lineup where the pointer rests or lets go.
 */
export function useDragged(open: OutingFile): Dragged {
  const edit = useEdit();
  const [dragged, setDragged] = useState<Thing | null>(null);
  const begunMs = useRef<number | null>(null);
  const rest = useRef<ReturnType<typeof setTimeout>>(undefined);
  useEffect(() => () => clearTimeout(rest.current), []);
  const file = useMemo(
    () => (dragged ? followingGround(putOnGround(dragged.kind, dragged.of)(open)) : open),
    [open, dragged],
  );
  /** However long it rests on its way, a thing that is dragged is put back by one step of undo. */
  const put = ({ kind, of }: Thing) =>
    edit(putOnGround(kind, of), `ground.drag.${begunMs.current}`, Infinity);
  return {
    file,
    drag(thing) {
      begunMs.current ??= performance.now();
      setDragged(thing);
      clearTimeout(rest.current);
      rest.current = setTimeout(() => put(thing), REST_MS);
    },
    drop(thing) {
      clearTimeout(rest.current);
      setDragged(null);
      put(thing);
      begunMs.current = null;
    },
  };
}
