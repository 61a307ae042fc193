import type { Frame } from '@/core/brief';
import { LENS_FIGURES, type Setup } from '@/core/gear';
import { nearestAskedM } from '@/core/coverage';
import { focusDistanceMm } from '@/core/optics';
import { MM_PER_M } from '@/core/units';

/** Figures that are taken to do where nobody knows them. */
export type Assumption =
  | 'autofocus-unknown'
  | 'thread-unknown'
  | 'shift-unknown'
  | 'smallest-aperture-unknown'
  | 'sealing-unknown'
  /** Neither closest focus nor largest magnification is known, and the picture is near, but not too near as a rule. */
  | 'closest-focus-estimated'
  /** The same, and lenses of its kind usually don't focus so near. */
  | 'closest-focus-unknown';

export const ASSUMPTIONS: readonly Assumption[] = [
  'autofocus-unknown',
  'thread-unknown',
  'shift-unknown',
  'smallest-aperture-unknown',
  'sealing-unknown',
  'closest-focus-estimated',
  'closest-focus-unknown',
];

/** The least that the largest magnification of a lens may be, where nobody knows it. */
const [, LEAST_MAGNIFICATION] = LENS_FIGURES.maxMagnification.ends;

/** What the cover of a frame by a setup rests on that is not known. */
export function assumptionsOf(setup: Setup, frame: Frame): Assumption[] {
  const { special, depth } = frame;
  const focus = restsOnFocus(setup, frame);
  const isAssumed: Readonly<Record<Assumption, () => boolean>> = {
    'autofocus-unknown': () => special.autofocus && setup.autofocus === null,
    'thread-unknown': () => special.frontFilter && setup.takesFilter === null,
    'shift-unknown': () => special.perspectiveControl && setup.shift === null,
    'smallest-aperture-unknown': () => depth.sharp !== null && setup.smallestFNumber === null,
    'sealing-unknown': () => special.sealed && setup.sealed === null,
    'closest-focus-estimated': () => focus === 'usual',
    'closest-focus-unknown': () => focus === 'nearer',
  };
  return ASSUMPTIONS.filter((code) => isAssumed[code]());
}

/**
 * How a frame rests on a closest focus of which nothing is known: it is nearer than is usual, or so near
 * that some lens of this focal length would not focus there; null where it doesn't.
 */
function restsOnFocus({ usualMinFocusM, focal }: Setup, frame: Frame): 'usual' | 'nearer' | null {
  const nearestM = usualMinFocusM === null ? null : nearestAskedM(frame);
  if (nearestM === null) return null;
  if (nearestM < usualMinFocusM!) return 'nearer';
  const farthestM = focusDistanceMm(focal.longMm, LEAST_MAGNIFICATION) / MM_PER_M;
  return nearestM < farthestM ? 'usual' : null;
}
