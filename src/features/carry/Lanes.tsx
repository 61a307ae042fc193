'use client';

import { useMemo } from 'react';
import type { CarryPlan } from '@/core/carry';
import { LanesView, lanesOf } from '@/parts/lanes';
import { useFile } from '@/session';
import { namesOf } from '@/text';

/** The plan of the day at a glance. */
export function Lanes({ plan }: { plan: CarryPlan }) {
  const file = useFile();
  const day = useMemo(() => lanesOf(plan, file.stretches), [plan, file.stretches]);
  return (
    <LanesView
      day={day}
      name={namesOf(file)}
      limit={file.packing.maxWeightG}
      hrefOf={(stretchId) =>
        stretchId === null ? '/carry#whole' : `/carry?stretch=${stretchId}#${stretchId}`
      }
    />
  );
}
