'use client';

import type { ReactNode } from 'react';
import { useFormContext } from 'react-hook-form';

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

/** Sets a field of the open form and has it looked at. */
export function useSet() {
  const { setValue } = useFormContext();
  return (name: string, value: unknown) =>
    setValue(name, value, { shouldValidate: true, shouldDirty: true });
}
