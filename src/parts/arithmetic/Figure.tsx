'use client';

import dynamic from 'next/dynamic';
import { type ReactNode, useState } from 'react';
import { FIGURE_LOOK } from './figureLook';
import type { Steps } from './steps';

interface FigureProps {
  /** What the figure is, spoken and shown over its steps. */
  readonly label: string;
  /** Asked when the figure is; what makes them may have to be loaded. */
  readonly steps: () => Steps;
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
