import type { Setup } from '@/core/gear';
import type { Seen } from './seen';

/** By what a setup is said to make a photograph that was made with another. */
export interface HindsightRules {
  /** Largest linear crop. */
  readonly maxCrop: number;
  /** Highest ISO, where the body has no lower ceiling. */
  readonly isoCeiling: number;
  /** How far a focal length may be missed, percent: files and lenses round it. */
  readonly tolerancePercent: number;
}

/** Light that is not told from another: a tenth of a stop, as an f-number. */
const LIGHT_TOLERANCE = 2 ** (0.1 / 2);

/** What decides whether a photograph could be made again; alike photographs are counted together. */
export interface Kind {
  /** Focal length on the 36×24 mm frame. */
  readonly equivalentMm: number;
  /** NaN where the file doesn't tell, and light then sets no demand. */
  readonly fNumber: number;
  readonly iso: number;
  /** NaN where not told; Infinity for far away. */
  readonly subjectM: number;
  readonly isFisheye: boolean;
}

/**
 * Whether a setup would have made a photograph: it frames the same angle, or a wider one within the
 * crop, comes as near, and is as fast, or so much slower that the ISO at the same exposure time stays
 * within the ceiling. A fisheye's picture is only made by a fisheye, and the other way round.
 */
export function wouldMake(setup: Setup, kind: Kind, rules: HindsightRules): boolean {
  if ((setup.projection !== 'rectilinear') !== kind.isFisheye) return false;
  if (setup.minFocusM !== null && kind.subjectM < setup.minFocusM) return false;
  const slack = 1 + rules.tolerancePercent / 100;
  const wanted = kind.equivalentMm / setup.cropFactor;
  // Of all focal lengths that will do, the shortest is the fastest: f-numbers don't fall on the way up.
  const focalMm = Math.max(setup.focal.wideMm, wanted / rules.maxCrop / slack);
  if (focalMm > wanted * slack || focalMm > setup.focal.longMm * (1 + 1e-9)) return false;
  if (Number.isNaN(kind.fNumber)) return true;
  const fNumber = setup.fNumberAt(Math.min(focalMm, setup.focal.longMm));
  if (fNumber <= kind.fNumber * LIGHT_TOLERANCE) return true;
  if (Number.isNaN(kind.iso)) return false;
  const ceiling = Math.min(rules.isoCeiling, setup.isoCeiling ?? Infinity);
  return kind.iso * (fNumber / kind.fNumber) ** 2 <= ceiling * LIGHT_TOLERANCE ** 2;
}

/** Photographs of one kind, with how many there are. */
export interface KindCount {
  readonly kind: Kind;
  readonly count: number;
}

/** Photographs by kind; those of unknown angle can't be judged and are only counted. */
export function kindsOf(
  seen: Seen,
  which: Uint32Array,
): { readonly kinds: readonly KindCount[]; readonly unknown: number } {
  const { numbers, lists } = seen.log;
  const fisheye = seen.lenses.map((lens) => lens !== null && lens.projection !== 'rectilinear');
  const counts = new Map<string, { kind: Kind; count: number }>();
  let unknown = 0;
  for (const i of which) {
    const equivalentMm = seen.equivalentMm[i] ?? NaN;
    if (!(equivalentMm > 0)) {
      unknown += 1;
      continue;
    }
    const isFisheye = fisheye[lists.lens[i] ?? 0] ?? false;
    const [fNumber, iso, subjectM] = [numbers.fNumber[i], numbers.iso[i], numbers.subjectM[i]];
    const key = `${equivalentMm} ${fNumber} ${iso} ${subjectM} ${isFisheye}`;
    const known = counts.get(key);
    if (known) known.count += 1;
    else
      counts.set(key, {
        kind: {
          equivalentMm,
          fNumber: fNumber ?? NaN,
          iso: iso ?? NaN,
          subjectM: subjectM ?? NaN,
          isFisheye,
        },
        count: 1,
      });
  }
  return { kinds: [...counts.values()], unknown };
}
