import { type Frame, type Limits, type Packing, type Shooter, type Stretch } from '@/core/brief';
import { type Ground, measuredFrames } from '@/core/ground';
import { isAway, itemsOf, type Shelf } from '@/core/gear';

type OnGround = Pick<Referring, 'outing' | 'stretches' | 'frames' | 'ground'>;

interface Referring {
  readonly outing: { readonly shooters: readonly Shooter[] };
  readonly stretches: Stretch[];
  readonly frames: Frame[];
  readonly limits: Limits;
  readonly packing: Packing;
  readonly ground: Ground;
}

/** The same list when all of it is kept. */
function kept<T>(list: T[], keep: (item: T) => boolean): T[] {
  return list.every(keep) ? list : list.filter(keep);
}

/** The same list when nothing in it changes. */
function mapped<T>(list: T[], change: (item: T) => T): T[] {
  const next = list.map(change);
  return next.every((item, i) => item === list[i]) ? list : next;
}

/** The same object when no field of it changes. */
function withChanges<T extends object>(of: T, change: Partial<T>): T {
  const keys = Object.keys(change) as (keyof T)[];
  return keys.every((key) => change[key] === of[key]) ? of : { ...of, ...change };
}

/**
 * An outing without what names things that are not there: gear that left the shelf, shooters and
 * stretches that were deleted, also in another tab meanwhile. What names only things that are there
 * comes back as the same object. Distances that are measured follow the plan of the ground.
 */
export function withoutDangling<T extends Referring>(of: T, shelf: Shelf): T {
  const items = itemsOf(shelf);
  const things = new Set<string>(items.map((i) => i.id));
  const away = new Set<string>(items.flatMap((i) => (isAway(i.ownership) ? [i.id] : [])));
  const bodies = new Set<string>(shelf.bodies.map((b) => b.id));
  const shooters = new Set<string>(of.outing.shooters.map((s) => s.id));
  const stretches = new Set<string>(of.stretches.map((s) => s.id));
  const { limits, packing } = of;
  const lockedIn = kept(limits.lockedIn, (id) => things.has(id) && !away.has(id));
  return followingGround(
    withChanges(of, {
      stretches: mapped(of.stretches, (s) =>
        withChanges(s, {
          hands: mapped(
            kept(s.hands, (h) => shooters.has(h.shooterId)),
            (h) => withChanges(h, { bodyIds: kept(h.bodyIds, (id) => bodies.has(id)) }),
          ),
        }),
      ),
      frames: mapped(of.frames, (f) =>
        withChanges(f, {
          stretchIds: kept(f.stretchIds, (id) => stretches.has(id)),
          shooterIds: kept(f.shooterIds, (id) => shooters.has(id)),
          views: kept(f.views, (v) => shooters.has(v.shooterId)),
          twice:
            f.twice?.by === 'people' && !f.twice.shooterIds.every((id) => shooters.has(id))
              ? { by: 'people', shooterIds: [] }
              : f.twice,
        }),
      ),
      limits: withChanges(limits, {
        lockedIn,
        lockedOut: kept(limits.lockedOut, (id) => things.has(id) && !lockedIn.includes(id)),
        spares: kept(limits.spares, (s) => bodies.has(s.bodyId)),
      }),
      packing: withChanges(packing, {
        anyOrder: kept(packing.anyOrder, (id) => stretches.has(id)),
      }),
    } as Partial<T>),
  );
}

/**
 * An outing whose plan of the ground names only what is there, and whose measured distances follow it; the
 * same object where nothing changes.
 */
export function followingGround<T extends OnGround>(of: T): T {
  const ground = groundLeft(of);
  const frames = measuredFrames(of.frames, ground);
  return withChanges(of, { ground, frames } as Partial<T>);
}

/** The plan of the ground for the shooters, stretches and pictures that are there. */
function groundLeft({ outing, stretches, frames, ground }: OnGround): Ground {
  const shooters = new Set<string>(outing.shooters.map((s) => s.id));
  const during = new Set<string>(stretches.map((s) => s.id));
  const pictures = new Set<string>(frames.map((f) => f.id));
  return withChanges(ground, {
    stations: mapped(ground.stations, (s) =>
      withChanges(s, {
        shooterIds: kept(s.shooterIds, (id) => shooters.has(id)),
        stretchIds: kept(s.stretchIds, (id) => during.has(id)),
      }),
    ),
    subjects: mapped(ground.subjects, (s) =>
      withChanges(s, { frameIds: kept(s.frameIds, (id) => pictures.has(id)) }),
    ),
  });
}

/** Gear in which converters name no lens that is not there. */
export function withoutDanglingLenses(shelf: Shelf): Shelf {
  const lenses = new Set<string>(shelf.lenses.map((l) => l.id));
  return withChanges(shelf, {
    converters: mapped(shelf.converters, (c) =>
      withChanges(c, { lensIds: kept(c.lensIds, (id) => lenses.has(id)) }),
    ),
  });
}
