import {
  type Body,
  countingRange,
  formatKey,
  isAway,
  isPrime,
  type ItemKind,
  ITEM_KINDS,
  type Lens,
  type Ownership,
  type Shelf,
} from '@/core/gear';
import type { Limits } from './limits';

/** What decides whether an item may be used at all. */
interface Ownable {
  readonly id: string;
  readonly ownership: Ownership;
}

/** Whether locks, sources and spares let items be used. Locked in means allowed, but what is away stays away. */
export function allowedBy(limits: Pick<Limits, 'lockedIn' | 'lockedOut' | 'sources' | 'spares'>) {
  const lockedIn = new Set<string>(limits.lockedIn);
  const out = new Set<string>([...limits.lockedOut, ...limits.spares.map((s) => s.bodyId)]);
  const sources = new Set<string>(limits.sources);
  return ({ id, ownership }: Ownable): boolean =>
    !isAway(ownership) && !out.has(id) && (lockedIn.has(id) || sources.has(ownership));
}

/**
 * Whether an item of the shelf may be used on the outing: the one rule of it. By locks, sources and
 * spares; a body by its format and mount besides; a lens by its kind and a converter by whether any
 * may be used, unless it is locked in.
 */
export function eligibleBy(limits: Limits) {
  const allowed = allowedBy(limits);
  const lockedIn = new Set<string>(limits.lockedIn);
  const { formats, bodyMounts, lensKinds, converters } = limits;
  return <K extends ItemKind>(kind: K, item: Shelf[K][number]): boolean => {
    if (!allowed(item)) return false;
    if (kind === 'bodies') {
      const { sensor, mount } = item as Body;
      return (
        (formats === null || formats.includes(formatKey(sensor))) &&
        (bodyMounts === null || bodyMounts.includes(mount))
      );
    }
    if (lockedIn.has(item.id)) return true;
    if (kind === 'lenses') return isOfKind(item as Lens, lensKinds);
    return kind !== 'converters' || converters;
  };
}

/** The bodies that may be used. Which of them come along is chosen. */
export function eligibleBodies({ bodies }: Pick<Shelf, 'bodies'>, limits: Limits): Body[] {
  const eligible = eligibleBy(limits);
  return bodies.filter((body) => eligible('bodies', body));
}

/** All that may be used of a shelf. */
export function eligibleGear(shelf: Shelf, limits: Limits): Pick<Shelf, ItemKind> {
  const eligible = eligibleBy(limits);
  return Object.fromEntries(
    ITEM_KINDS.map((kind) => [
      kind,
      (shelf[kind] as readonly Shelf[ItemKind][number][]).filter((item) => eligible(kind, item)),
    ]),
  ) as Pick<Shelf, ItemKind>;
}

function isOfKind(lens: Lens, kinds: Limits['lensKinds']): boolean {
  const isFixed = isPrime(countingRange(lens));
  const [first] = lens.apertures;
  const isConstant = lens.apertures.every((p) => p.fNumber === first?.fNumber);
  return {
    any: true,
    primes: isFixed,
    zooms: !isFixed,
    'constant-zooms': !isFixed && isConstant,
  }[kinds];
}
