import {
  type Body,
  type BodyId,
  type Lens,
  type LensId,
  mountFits,
  type Shelf,
  widestFNumber,
} from '@/core/gear';
import { type Log } from './log';
import type { LogMarks } from './marks';
import { NO_NAME } from './nameless';
import { type Device, deviceKey, lensKey, type LensSeen } from './photo';

/** What is on the shelf of the cameras and lenses of a log, in their order; null for nothing. */
export interface Recognised {
  readonly bodyIds: readonly (BodyId | null)[];
  readonly lensIds: readonly (LensId | null)[];
}

/** Ends of a range and f-numbers that are marked alike differ by no more than this. */
const ALIKE = 0.02;

/**
 * What stands on the shelf under the names that files use: as the person said, else by name, unless the
 * makers differ; else, for a lens, by its range and f-numbers where a camera that it was used on is on the
 * shelf and bears it. What could be two things is none: another's lens of the same figures is new.
 */
export function recognised(log: Log, shelf: Shelf, marks: LogMarks): Recognised {
  const bodyIds = log.cameras.map((camera) => {
    const said = marks.bodies[deviceKey(camera)];
    return said === undefined
      ? (bodyNamed(camera, shelf)?.id ?? null)
      : onShelf(shelf.bodies, said);
  });
  const users = camerasOfLenses(log);
  const lensIds = log.lenses.map((lens, i) => {
    const key = lensKey(lens);
    // Which lens a photograph is of that names none is told by camera, not for all of them together.
    if (key === NO_NAME) return null;
    const said = marks.lenses[key];
    if (said !== undefined) return onShelf(shelf.lenses, said);
    const bodies = shelf.bodies.filter((b) =>
      [...(users[i] ?? [])].some((camera) => bodyIds[camera] === b.id),
    );
    return lensNamed(lens, bodies, shelf)?.id ?? null;
  });
  return { bodyIds, lensIds };
}

function onShelf<T extends string>(items: readonly { readonly id: T }[], id: T | null): T | null {
  return items.some((item) => item.id === id) ? id : null;
}

/** The cameras that each lens was used on. */
function camerasOfLenses(log: Log): Set<number>[] {
  const users = log.lenses.map(() => new Set<number>());
  for (let i = 0; i < log.count; i += 1)
    users[log.lists.lens[i] ?? -1]?.add(log.lists.camera[i] ?? -1);
  return users;
}

function bodyNamed(device: Device, { bodies }: Shelf): Body | null {
  const { make, model } = device;
  if (plain(model) === '') return null;
  return only(
    bodies.filter((b) => isNamed(b, device)),
    bodies.filter((b) => plain(b.maker + b.name) === plain(make + model)),
  );
}

function lensNamed(lens: LensSeen, bodies: readonly Body[], shelf: Shelf): Lens | null {
  const fits = (l: Lens) => bodies.some((b) => mountFits(shelf.mounts, b.mount, l.mount));
  const named = shelf.lenses.filter((l) => isNamed(l, lens));
  const alike = shelf.lenses.filter((l) => isAlike(lens, l) && !areOfTwo(l.maker, lens.make));
  return only(named, named.filter(fits), alike.filter(fits));
}

/** Whether a file names an item as the shelf does, with its maker or without. */
function isNamed(
  item: { readonly maker: string; readonly name: string },
  { make, model }: Pick<Device, 'make' | 'model'>,
): boolean {
  const name = plain(model);
  if (name === '') return false;
  if (name === plain(item.maker + item.name)) return true;
  return name === plain(item.name) && !areOfTwo(item.maker, make);
}

/** Whether two makers are known and not the same: files may write more of the firm's name than a shelf. */
function areOfTwo(one: string, other: string): boolean {
  const [a, b] = [plain(one), plain(other)];
  return a !== '' && b !== '' && !a.startsWith(b) && !b.startsWith(a);
}

/** Whether a lens has the range and the f-numbers that a file states. */
function isAlike({ specification: s }: LensSeen, lens: Lens): boolean {
  if (s === null) return false;
  const { wideMm, longMm } = lens.focal;
  const near = (a: number, b: number) => Math.abs(a - b) <= ALIKE * b;
  const asFast = (stated: number | null, atMm: number) =>
    stated === null || near(stated, widestFNumber(lens.apertures, atMm));
  return (
    near(s.wideMm, wideMm) &&
    near(s.longMm, longMm) &&
    asFast(s.fNumberWide, wideMm) &&
    asFast(s.fNumberLong, longMm)
  );
}

/** The one item of the first of some lists that has exactly one. */
function only<T>(...lists: readonly (readonly T[])[]): T | null {
  return lists.find((list) => list.length === 1)?.[0] ?? null;
}

/** A name without spaces, signs and the forms of letters: 70–300 mm f/4 is 70-300MM F4. */
function plain(name: string): string {
  return name
    .normalize('NFKC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]/gu, '');
}
