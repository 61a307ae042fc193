'use client';

import dynamic from 'next/dynamic';
import { type ReactNode, useState } from 'react';
import type { Step } from '@/text';

export const FIGURE_LOOK =
  'text-left decoration-dotted underline-offset-2 hover:underline focus-visible:underline';

interface FigureProps {
  /** What the figure is, spoken and shown over its steps. */
  readonly label: string;
  readonly steps: () => readonly Step[];
  readonly children: ReactNode;
}

// Loaded when the first figure is questioned.
const ArithmeticPopover = dynamic(
  () => import('./ArithmeticPopover').then((m) => m.ArithmeticPopover),
  { ssr: false },
);

/** A figure that can be questioned: it opens the arithmetic behind it. */
export function Figure(props: FigureProps) {
  const [asked, setAsked] = useState(false);
  if (asked) return <ArithmeticPopover {...props} />;
  return (
    <button
      type="button"
      className={FIGURE_LOOK}
      aria-label={props.label}
      aria-haspopup="dialog"
      onClick={() => setAsked(true)}
    >
      {props.children}
    </button>
  );
}
