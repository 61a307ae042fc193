'use client';

import { useMemo, useState } from 'react';
import { minutesBetween, minutesOf, type Stretch } from '@/core/brief';
import { type Ground, type SunOverPlan, sunsOver } from '@/core/ground';

/** The sun through a stretch, minute by minute. */
export interface SunThrough {
  readonly suns: readonly SunOverPlan[];
  /** When the first of them is, minutes after midnight. */
  readonly fromMin: number;
  /** The minute that is looked at, after the first. */
  readonly after: number;
  readonly now: SunOverPlan;
  readonly look: (after: number) => void;
}

/** The sun of a stretch, looked at in its middle at first; null without a day, a time or a location. */
export function useSun({ location }: Ground, stretch: Stretch | null): SunThrough | null {
  const [looked, setLooked] = useState<{ readonly id: string; readonly after: number } | null>(
    null,
  );
  const { day = null, fromTime = null, toTime = null } = stretch ?? {};
  const through = useMemo(() => {
    if (!day || fromTime === null) return null;
    const fromMin = minutesOf(fromTime);
    const long = toTime === null ? 0 : minutesBetween(fromTime, toTime);
    const suns = sunsOver({ location }, day, fromMin, fromMin + long);
    return suns && { suns, fromMin };
  }, [location, day, fromTime, toTime]);
  if (!through || !stretch) return null;
  const last = through.suns.length - 1;
  const after = looked?.id === stretch.id ? Math.min(looked.after, last) : Math.floor(last / 2);
  return {
    ...through,
    after,
    now: through.suns[after]!,
    look: (to) => setLooked({ id: stretch.id, after: to }),
  };
}
