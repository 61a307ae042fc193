import type { Frame, FrameId, Limits, Outing, Packing, Stretch, StretchId } from '@/core/brief';
import {
  type Adapter,
  type Body,
  type BodyId,
  type Converter,
  type ItemKind,
  type Lens,
  type LensId,
  type Mount,
  piecesOf,
  type Tube,
  withPieces,
} from '@/core/gear';
import type { OutingFile } from './outingFile';

/** Changes to an outing as pure functions: the old file in, the new one out. */
export type Edit = (file: OutingFile) => OutingFile;

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

/** Puts a frame in its place, or at the end (or behind another) when it is new. */
export const putFrame =
  (frame: Frame, behind?: FrameId): Edit =>
  (file) => ({
    ...file,
    frames: put(file.frames, frame, behind),
  });

export const removeFrame =
  (id: FrameId): Edit =>
  (file) => ({
    ...file,
    frames: file.frames.filter((f) => f.id !== id),
  });

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

/** Adds frames at the end. */
export const addFrames =
  (frames: readonly Frame[]): Edit =>
  (file) => ({ ...file, frames: [...file.frames, ...frames] });

/** Takes a stretch out; frames that could only be made in it can then be made in any. */
export const removeStretch =
  (id: StretchId): Edit =>
  (file) => ({
    ...file,
    stretches: file.stretches.filter((s) => s.id !== id),
    packing: {
      ...file.packing,
      anyOrder: file.packing.anyOrder.filter((other) => other !== id),
    },
    frames: file.frames.map((f) => ({
      ...f,
      stretchIds: f.stretchIds.filter((other) => other !== id),
    })),
  });

export function putItem<K extends Kind>(kind: K, item: ItemOf[K]): Edit {
  return (file) => ({
    ...file,
    shelf: { ...file.shelf, [kind]: put<ItemOf[Kind]>(file.shelf[kind], item) },
  });
}

/** Adds gear from elsewhere; what has the id of a piece on the shelf takes its place. */
export const addGear =
  (gear: { mounts?: readonly Mount[]; bodies?: readonly Body[]; lenses?: readonly Lens[] }): Edit =>
  (file) => ({
    ...file,
    shelf: {
      ...file.shelf,
      mounts: (gear.mounts ?? []).reduce(
        (all, m) => [...all.filter((x) => x.name !== m.name), m],
        file.shelf.mounts,
      ),
      bodies: putAll(file.shelf.bodies, gear.bodies ?? []),
      lenses: putAll(file.shelf.lenses, gear.lenses ?? []),
    },
  });

/** Adds a whole shelf to this one; what has the same id takes its place. */
export const addShelf =
  (other: OutingFile['shelf']): Edit =>
  (file) => {
    const added = addGear({ mounts: other.mounts, bodies: other.bodies, lenses: other.lenses })(
      file,
    );
    return {
      ...added,
      shelf: {
        ...added.shelf,
        converters: putAll(added.shelf.converters, other.converters),
        tubes: putAll(added.shelf.tubes, other.tubes),
        adapters: putAll(added.shelf.adapters, other.adapters),
      },
    };
  };

/** Takes pieces off the shelf, and out of the limits and converters that name them. */
export const removeItems =
  (ids: ReadonlySet<string>): Edit =>
  (file) => {
    const keep = (item: { id: string }) => !ids.has(item.id);
    const { shelf, limits } = file;
    const left = withPieces(shelf, keep);
    return {
      ...file,
      stretches: file.stretches.map((s) => ({
        ...s,
        hands: s.hands.map((h) => ({ ...h, bodyIds: h.bodyIds.filter((id) => !ids.has(id)) })),
      })),
      shelf: {
        ...left,
        bodies: shelf.bodies.filter(keep),
        converters: left.converters.map((c) => ({
          ...c,
          lensIds: c.lensIds.filter((id: LensId) => !ids.has(id)),
        })),
      },
      limits: {
        ...limits,
        lockedIn: limits.lockedIn.filter((id) => !ids.has(id)),
        lockedOut: limits.lockedOut.filter((id) => !ids.has(id)),
        spares: limits.spares.filter((s) => !ids.has(s.bodyId)),
      },
    };
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

/** An id that nothing in the list has yet, made from a name: letters, digits and dashes. */
export function freshId(name: string, taken: ReadonlySet<string>): string {
  const base =
    name
      .normalize('NFKD')
      .replace(/\p{M}/gu, '')
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'item';
  if (!taken.has(base)) return base;
  let n = 2;
  while (taken.has(`${base}-${n}`)) n += 1;
  return `${base}-${n}`;
}

/** Every id on the shelf. */
export function shelfIds(file: OutingFile): Set<string> {
  return new Set([...file.shelf.bodies, ...piecesOf(file.shelf)].map((item) => item.id));
}
