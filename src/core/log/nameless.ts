import { type Lens, type LensId, type Shelf, widestFNumber } from '@/core/gear';
import { type Log, numberAt } from './log';
import type { LogMarks } from './marks';
import { deviceKey, lensKey, UNKNOWN_LENS } from './photo';

/** The photographs of one camera that name no lens: many a camera writes it into its maker's notes alone. */
export interface Nameless {
  /** Number of the camera in the log. */
  readonly camera: number;
  readonly photos: readonly number[];
}

/** Photographs that name no lens, by camera, most first. */
export function namelessIn(log: Log): Nameless[] {
  const unnamed = new Set(log.lenses.flatMap((lens, i) => (lensKey(lens) === NO_NAME ? [i] : [])));
  if (unnamed.size === 0) return [];
  const photos = log.cameras.map((): number[] => []);
  for (let i = 0; i < log.count; i += 1)
    if (unnamed.has(log.lists.lens[i]!)) photos[log.lists.camera[i]!]!.push(i);
  return photos
    .map((of, camera) => ({ camera, photos: of }))
    .filter((of) => of.photos.length > 0)
    .sort((a, b) => b.photos.length - a.photos.length);
}

export const NO_NAME = lensKey(UNKNOWN_LENS);

/**
 * The lenses of the shelf that a camera's photographs without a name were made with, as the person says;
 * in earlier versions one could be said, for all cameras together.
 */
export function saidLenses(log: Log, camera: number, marks: LogMarks, shelf: Shelf): Lens[] {
  const forAll = marks.lenses[NO_NAME] ?? null;
  const ids: readonly LensId[] =
    marks.nameless[deviceKey(log.cameras[camera]!)] ?? (forAll === null ? [] : [forAll]);
  return shelf.lenses.filter(({ id }) => ids.includes(id));
}

/** Files round focal lengths and f-numbers: by no more than this. */
const ROUNDED = 0.02;

/** Focal length, mm, and f-number that a photograph was made at; null where its file doesn't tell. */
interface MadeAt {
  readonly focalMm: number | null;
  readonly fNumber: number | null;
}

const madeAt = (log: Log, i: number): MadeAt => ({
  focalMm: numberAt(log, 'focalMm', i),
  fNumber: numberAt(log, 'fNumber', i),
});

/** Whether a lens has a focal length, as marked or measured, and the f-number there. */
function canBeAt({ focalMm, fNumber }: MadeAt, { focal, measured, apertures }: Lens): boolean {
  if (focalMm === null) return false;
  const isWithin = [focal, measured ?? focal].some(
    ({ wideMm, longMm }) => focalMm >= wideMm * (1 - ROUNDED) && focalMm <= longMm * (1 + ROUNDED),
  );
  return (
    isWithin && (fNumber === null || fNumber >= widestFNumber(apertures, focalMm) * (1 - ROUNDED))
  );
}

/** How many of the photographs each lens could have made; those that could have made none are left out. */
export function couldHaveMade(
  log: Log,
  { photos }: Nameless,
  lenses: readonly Lens[],
): { readonly lens: Lens; readonly count: number }[] {
  const sorts = new Map<string, { readonly at: MadeAt; count: number }>();
  for (const i of photos) {
    const at = madeAt(log, i);
    const key = `${at.focalMm} ${at.fNumber}`;
    const sort = sorts.get(key);
    if (sort) sort.count += 1;
    else sorts.set(key, { at, count: 1 });
  }
  return lenses
    .map((lens) => ({
      lens,
      count: [...sorts.values()].reduce(
        (sum, { at, count }) => sum + (canBeAt(at, lens) ? count : 0),
        0,
      ),
    }))
    .filter(({ count }) => count > 0);
}

/** For each photograph without a name, the one lens of those said that could have made it; null where none or several could. */
export function toldApart(
  log: Log,
  { photos }: Nameless,
  lenses: readonly Lens[],
): (Lens | null)[] {
  return photos.map((i) => {
    const at = madeAt(log, i);
    const could = lenses.filter((lens) => canBeAt(at, lens));
    return could.length === 1 ? could[0]! : null;
  });
}

/** A log whose photographs without a name are of the lenses that were said, and what those are on the shelf. */
export function withSaidLenses(
  log: Log,
  lensIds: readonly (LensId | null)[],
  shelf: Shelf,
  marks: LogMarks,
): { readonly log: Log; readonly lensIds: readonly (LensId | null)[] } {
  const said = namelessIn(log).map((of) => ({
    of,
    lenses: saidLenses(log, of.camera, marks, shelf),
  }));
  if (said.every(({ lenses }) => lenses.length === 0)) return { log, lensIds };
  const lenses = [...log.lenses];
  const ids = [...lensIds];
  const numbers = new Map<LensId, number>();
  const numberOf = (lens: Lens): number => {
    const known = numbers.get(lens.id);
    if (known !== undefined) return known;
    numbers.set(lens.id, lenses.length);
    ids.push(lens.id);
    return lenses.push({ ...UNKNOWN_LENS, make: lens.maker, model: lens.name }) - 1;
  };
  const column = log.lists.lens.slice();
  for (const { of, lenses: among } of said)
    toldApart(log, of, among).forEach((lens, k) => {
      if (lens !== null) column[of.photos[k]!] = numberOf(lens);
    });
  return { log: { ...log, lenses, lists: { ...log.lists, lens: column } }, lensIds: ids };
}
