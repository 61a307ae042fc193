import { type Body, formatKey, isAway, type Ownership, type Shelf } from '@/core/gear';
import type { Limits } from './limits';

/** What decides whether an item may be used at all. */
interface Ownable {
  readonly id: string;
  readonly ownership: Ownership;
}

/** Whether locks, sources and spares let items be used: the one rule of it. Locked in means allowed, but what is away stays away. */
export function allowedBy(limits: Pick<Limits, 'lockedIn' | 'lockedOut' | 'sources' | 'spares'>) {
  const lockedIn = new Set<string>(limits.lockedIn);
  const out = new Set<string>([...limits.lockedOut, ...limits.spares.map((s) => s.bodyId)]);
  const sources = new Set<string>(limits.sources);
  return ({ id, ownership }: Ownable): boolean =>
    !isAway(ownership) && !out.has(id) && (lockedIn.has(id) || sources.has(ownership));
}

/** The bodies that may be used: by locks and sources, format and mount. Which come along is chosen. */
export function eligibleBodies({ bodies }: Pick<Shelf, 'bodies'>, limits: Limits): Body[] {
  const allowed = allowedBy(limits);
  const { formats, bodyMounts } = limits;
  return bodies.filter(
    (b) =>
      allowed(b) &&
      (formats === null || formats.includes(formatKey(b.sensor))) &&
      (bodyMounts === null || bodyMounts.includes(b.mount)),
  );
}
