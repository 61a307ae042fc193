import type {
  Frame,
  FrameId,
  Limits,
  Outing,
  Packing,
  Presence,
  Shooter,
  ShooterId,
  Stretch,
  StretchId,
} from '@/core/brief';
import {
  type Adapter,
  type Body,
  type BodyId,
  type Converter,
  type ItemKind,
  itemsOf,
  type Lens,
  type Shelf,
  type Tube,
  withItems,
} from '@/core/gear';
import { freed, type Freeing } from '@/core/lineup';
import { followingGround, withoutDangling, withoutDanglingLenses } from './desk/references';
import type { OutingFile } from './outingFile';

/** Changes to an outing as pure functions: the old file in, the new one out; the gear stays as it is. */
export type Edit = (file: OutingFile) => OutingFile;

/** Changes to gear: of the person's shelf, or of what is of one outing alone. */
export type GearEdit = (shelf: Shelf) => Shelf;

export type Kind = ItemKind;
export interface ItemOf {
  bodies: Body;
  lenses: Lens;
  converters: Converter;
  tubes: Tube;
  adapters: Adapter;
}

export const setOuting =
  (outing: Outing): Edit =>
  (file) => ({ ...file, outing });

export const setLimits =
  (change: Partial<Limits>): Edit =>
  (file) => ({
    ...file,
    limits: { ...file.limits, ...change },
  });

export const setPacking =
  (change: Partial<Packing>): Edit =>
  (file) => ({ ...file, packing: { ...file.packing, ...change } });

/**
 * Puts a frame in its place, or at the end (or behind another) when it is new. Whoever changes its
 * distances knows them.
 */
export const putFrame =
  (frame: Frame, behind?: FrameId): Edit =>
  (file) => {
    const before = file.frames.find((f) => f.id === frame.id);
    const isTyped = before !== undefined && distancesOf(before) !== distancesOf(frame);
    const known = isTyped && !frame.distanceKnown ? { ...frame, distanceKnown: true } : frame;
    return { ...file, frames: put(file.frames, known, behind) };
  };

const distancesOf = ({ need }: Frame): string =>
  need.kind === 'subject' ? `${need.fromM} ${need.toM}` : need.kind;

export const removeFrame = (id: FrameId): Edit => removeFrames(new Set([id]));

/** Takes frames out, of what the plan of the ground ties to its subjects too. */
export const removeFrames =
  (ids: ReadonlySet<FrameId>): Edit =>
  (file) =>
    followingGround({ ...file, frames: file.frames.filter((f) => !ids.has(f.id)) });

/** Adds someone who photographs, in every stretch until taken out; a placed camera goes where it is put. */
export const addShooter =
  (added: Shooter): Edit =>
  (file) => {
    const { outing, stretches } = file;
    const shooters = [...outing.shooters, added];
    const first = outing.shooters.find((s) => !s.placed);
    const presence = (shooterId: ShooterId): Presence => ({
      shooterId,
      bodyIds: [],
      bodies: null,
      maxWeightG: null,
    });
    return {
      ...file,
      outing: { ...outing, shooters },
      stretches:
        added.placed || !first
          ? stretches
          : stretches.map((s) => ({
              ...s,
              hands: [...(s.hands.length > 0 ? s.hands : [presence(first.id)]), presence(added.id)],
            })),
    };
  };

/** Takes a shooter out, of every stretch too. */
export const removeShooter =
  (id: ShooterId): Edit =>
  (file) =>
    withoutDangling(
      {
        ...file,
        outing: { ...file.outing, shooters: file.outing.shooters.filter((s) => s.id !== id) },
      },
      file.shelf,
    );

export const moveFrame =
  (id: FrameId, by: -1 | 1): Edit =>
  (file) => {
    const from = file.frames.findIndex((f) => f.id === id);
    const to = from + by;
    const moved = file.frames[from];
    if (!moved || to < 0 || to >= file.frames.length) return file;
    const frames = file.frames.filter((f) => f.id !== id);
    frames.splice(to, 0, moved);
    return { ...file, frames };
  };

/** Puts a frame where another one is; those between move up. */
export const placeFrame =
  (id: FrameId, at: FrameId): Edit =>
  (file) => {
    const from = file.frames.findIndex((f) => f.id === id);
    const to = file.frames.findIndex((f) => f.id === at);
    const moved = file.frames[from];
    if (!moved || to < 0) return file;
    const frames = file.frames.filter((f) => f.id !== id);
    frames.splice(to, 0, moved);
    return { ...file, frames };
  };

/** Puts a stretch in its place, or at the end when it is new. */
export const putStretch =
  (stretch: Stretch): Edit =>
  (file) => ({ ...file, stretches: put(file.stretches, stretch) });

/** Makes the change by which a lost picture can be got. */
export const freeFrame =
  (way: Freeing, id: FrameId): Edit =>
  (file) => {
    const { limits, stretches, frames } = freed(file, way, id);
    return { ...file, limits, stretches: [...stretches], frames: [...frames] };
  };

/** Adds frames at the end. */
export const addFrames =
  (frames: readonly Frame[]): Edit =>
  (file) => ({ ...file, frames: [...file.frames, ...frames] });

/** Takes a stretch out; frames that could only be made in it can then be made in any. */
export const removeStretch =
  (id: StretchId): Edit =>
  (file) =>
    withoutDangling({ ...file, stretches: file.stretches.filter((s) => s.id !== id) }, file.shelf);

/** Expected shares for some pictures; the others keep theirs. */
export const setShares =
  (shares: ReadonlyMap<string, number>): Edit =>
  (file) => ({
    ...file,
    frames: file.frames.map((f) => ({ ...f, sharePercent: shares.get(f.id) ?? f.sharePercent })),
  });

export function putItem<K extends Kind>(kind: K, item: ItemOf[K]): GearEdit {
  return (shelf) => ({ ...shelf, [kind]: put<ItemOf[Kind]>(shelf[kind], item) });
}

/** Adds gear from elsewhere; what has the id of an item there takes its place. */
export const addGear =
  (gear: Partial<Shelf>): GearEdit =>
  (shelf) => ({
    mounts: (gear.mounts ?? []).reduce(
      (all, m) => [...all.filter((x) => x.name !== m.name), m],
      shelf.mounts,
    ),
    bodies: putAll(shelf.bodies, gear.bodies ?? []),
    lenses: putAll(shelf.lenses, gear.lenses ?? []),
    converters: putAll(shelf.converters, gear.converters ?? []),
    tubes: putAll(shelf.tubes, gear.tubes ?? []),
    adapters: putAll(shelf.adapters, gear.adapters ?? []),
  });

/** Removes items, also from the converters that name them. */
export const removeItems =
  (ids: ReadonlySet<string>): GearEdit =>
  (shelf) => {
    const keep = (item: { id: string }) => !ids.has(item.id);
    return withoutDanglingLenses({
      ...withItems(shelf, keep),
      bodies: shelf.bodies.filter(keep),
    });
  };

export type Lock = 'in' | 'out' | 'free';

export function lockOf(limits: Limits, id: string): Lock {
  if (limits.lockedIn.includes(id)) return 'in';
  return limits.lockedOut.includes(id) ? 'out' : 'free';
}

export const setLock =
  (id: string, lock: Lock): Edit =>
  (file) => {
    const without = (ids: readonly string[]) => ids.filter((other) => other !== id);
    const { lockedIn, lockedOut } = file.limits;
    return setLimits({
      lockedIn: lock === 'in' ? [...without(lockedIn), id] : without(lockedIn),
      lockedOut: lock === 'out' ? [...without(lockedOut), id] : without(lockedOut),
    })(file);
  };

/** What a body is told to do: come when it helps, always, or not, or lie somewhere as a spare. */
export type BodyRole = Lock | 'spare-bag' | 'spare-base';

export function bodyRoleOf(limits: Limits, id: BodyId): BodyRole {
  const spare = limits.spares.find((s) => s.bodyId === id);
  return spare ? `spare-${spare.lies}` : lockOf(limits, id);
}

export const setBodyRole =
  (id: BodyId, role: BodyRole): Edit =>
  (file) => {
    const others = file.limits.spares.filter((s) => s.bodyId !== id);
    const lies = role === 'spare-bag' ? 'bag' : role === 'spare-base' ? 'base' : null;
    const locked = setLock(id, lies === null ? (role as Lock) : 'free')(file);
    return setLimits({ spares: lies === null ? others : [...others, { bodyId: id, lies }] })(
      locked,
    );
  };

/** Takes one lineup as it is: its pieces locked in, and no lens besides. */
export const takeLineup =
  (pieceIds: readonly string[]): Edit =>
  (file) => {
    const taken = new Set(pieceIds);
    const lenses = file.shelf.lenses.filter((l) => taken.has(l.id)).length;
    const bodies = new Set<string>(file.shelf.bodies.map((b) => b.id));
    return setLimits({
      lockedIn: [...file.limits.lockedIn.filter((id) => bodies.has(id)), ...pieceIds],
      lockedOut: file.limits.lockedOut.filter((id) => !taken.has(id)),
      maxLenses: Math.max(1, lenses),
    })(file);
  };

function put<T extends { id: string }>(items: readonly T[], item: T, behind?: string): T[] {
  if (items.some((i) => i.id === item.id)) return items.map((i) => (i.id === item.id ? item : i));
  const place = behind === undefined ? -1 : items.findIndex((i) => i.id === behind);
  return place < 0
    ? [...items, item]
    : [...items.slice(0, place + 1), item, ...items.slice(place + 1)];
}

function putAll<T extends { id: string }>(items: readonly T[], added: readonly T[]): T[] {
  const byId = new Map(items.map((i) => [i.id, i]));
  for (const item of added) byId.set(item.id, item);
  return [...byId.values()];
}

/** Every id on the shelf. */
export function shelfIds(shelf: Shelf): Set<string> {
  return new Set(itemsOf(shelf).map((item) => item.id));
}
