'use client';

import { type ReactNode, useEffect, useRef, useState } from 'react';

/** How far outside the window something is made ready, px. */
const AHEAD = '400px';

/** Draws what is in sight or nearly so, once and for all: a long list costs what is seen of it. */
export function InView({ className, children }: { className: string; children: ReactNode }) {
  const box = useRef<HTMLSpanElement>(null);
  const [seen, setSeen] = useState(typeof IntersectionObserver === 'undefined');
  useEffect(() => {
    if (seen || box.current === null) return;
    const observer = new IntersectionObserver(
      (entries) => {
        if (entries.some((entry) => entry.isIntersecting)) setSeen(true);
      },
      { rootMargin: AHEAD },
    );
    observer.observe(box.current);
    return () => observer.disconnect();
  }, [seen]);
  return (
    <span ref={box} className={className}>
      {seen && children}
    </span>
  );
}
