'use client';

import { type RefObject, useEffect, useRef, useState } from 'react';

interface Size {
  readonly width: number;
  readonly height: number;
}

/** Before anything is measured: about what a laptop shows. */
const USUAL: Size = { width: 880, height: 460 };

/** The size of a part of the page, px, as it changes. */
export function useSize(): readonly [RefObject<HTMLDivElement | null>, Size] {
  const box = useRef<HTMLDivElement>(null);
  const [size, setSize] = useState(USUAL);
  useEffect(() => {
    const element = box.current;
    if (!element) return;
    const observer = new ResizeObserver(() =>
      setSize({ width: element.clientWidth, height: element.clientHeight }),
    );
    observer.observe(element);
    return () => observer.disconnect();
  }, []);
  return [box, size];
}
