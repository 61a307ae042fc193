import type { Frame } from '@/core/brief';
import { LENS_FIGURES, type Setup } from '@/core/gear';
import { focusDistanceMm } from '@/core/optics';

/** Figures that are taken to do where nobody knows them. */
export type Assumption =
  | 'autofocus-unknown'
  | 'thread-unknown'
  | 'shift-unknown'
  | 'smallest-aperture-unknown'
  | 'sealing-unknown'
  /** Neither closest focus nor largest magnification is known, and the picture is near. */
  | 'closest-focus-unknown';

export const ASSUMPTIONS: readonly Assumption[] = [
  'autofocus-unknown',
  'thread-unknown',
  'shift-unknown',
  'smallest-aperture-unknown',
  'sealing-unknown',
  'closest-focus-unknown',
];

const MM_PER_M = 1000;
/** The least that the largest magnification of a lens may be, where nobody knows it. */
const [, LEAST_MAGNIFICATION] = LENS_FIGURES.maxMagnification.ends;

/** What the cover of a frame by a setup rests on that is not known. */
export function assumptionsOf(setup: Setup, frame: Frame): Assumption[] {
  const { special, depth } = frame;
  const isAssumed: Readonly<Record<Assumption, () => boolean>> = {
    'autofocus-unknown': () => special.autofocus && setup.autofocus === null,
    'thread-unknown': () => special.frontFilter && setup.takesFilter === null,
    'shift-unknown': () => special.perspectiveControl && setup.shift === null,
    'smallest-aperture-unknown': () => depth.sharp !== null && setup.smallestFNumber === null,
    'sealing-unknown': () => special.sealed && setup.sealed === null,
    'closest-focus-unknown': () => restsOnCloseFocus(setup, frame),
  };
  return ASSUMPTIONS.filter((code) => isAssumed[code]());
}

/**
 * Whether a frame is so near that a lens of this focal length may not focus there, and neither its
 * closest focus nor its largest magnification is known.
 */
function restsOnCloseFocus(setup: Setup, { need, views }: Frame): boolean {
  if (need.kind !== 'subject' || setup.minFocusM !== null || setup.maxMagnification !== null)
    return false;
  const nearestM = Math.min(need.fromM, ...views.map((v) => v.fromM));
  return nearestM < focusDistanceMm(setup.focal.longMm, LEAST_MAGNIFICATION) / MM_PER_M;
}
