'use client';

import type { ReactNode } from 'react';

/** The entries of a table of names, for a list of options. */
export const pairs = <K extends string>(names: Readonly<Record<K, string>>) =>
  Object.entries(names) as [K, string][];

export function Section({ title, children }: { title: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="space-y-2 border-t border-hair pt-2">
      <h3 className="text-base">{title}</h3>
      {children}
    </section>
  );
}
