import type { ReactNode } from 'react';

/** The first line of a view: what it answers. */
export function Answer({ children }: { readonly children: ReactNode }) {
  return <h2 className="mb-2 text-lg">{children}</h2>;
}
