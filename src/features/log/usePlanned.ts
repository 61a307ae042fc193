import { useCarryPlan, useFile } from '@/session';
import type { Carried } from '@/core/brief';
import type { CarryPlan } from '@/core/carry';

/** The plan that photographs are held against: what was carried, or the one in sight. */
export function usePlanned(): {
  readonly carried: Carried | null;
  /** The plan in sight; null before it is there, and where another was carried. */
  readonly plan: CarryPlan | null;
  /** Lens changes; null where they aren't known. */
  readonly changes: number | null;
} {
  const { carried } = useFile().packing;
  const inSight = useCarryPlan().answer?.plan ?? null;
  return carried
    ? { carried, plan: null, changes: carried.changes }
    : { carried, plan: inSight, changes: inSight?.changes ?? null };
}
