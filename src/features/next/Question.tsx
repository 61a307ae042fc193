import type { ReactNode } from 'react';

/** A question of Next under its title. */
export function Question({
  id,
  title,
  children,
}: {
  readonly id: string;
  readonly title: string;
  readonly children: ReactNode;
}) {
  return (
    <section aria-labelledby={id} className="space-y-4">
      <h2 id={id} className="text-lg">
        {title}
      </h2>
      {children}
    </section>
  );
}
