'use client';

import type { ReactNode } from 'react';
import { nextSettings } from '@/document';
import { EntityForm } from '@/ui';
import type { NextWork } from './useNextWork';

/** Some of the terms that the questions are asked with; what is valid counts at once. */
export function TermsForm({
  work: { settings, change },
  label,
  children,
}: {
  work: NextWork;
  label: string;
  children: ReactNode;
}) {
  return (
    <EntityForm
      label={label}
      schema={nextSettings}
      value={settings}
      onValid={(next, field) => change(next, `next ${field}`)}
    >
      {children}
    </EntityForm>
  );
}
