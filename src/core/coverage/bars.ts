import type { Frame } from '@/core/brief';
import type { Setup } from '@/core/gear';
import { fisheyeImageCircleMm, sideMm } from '@/core/optics';

/** What keeps a setup from a frame wherever it stands. */
export type Bar =
  'wrong-projection' | 'no-perspective-control' | 'no-filter' | 'not-sealed' | 'no-autofocus';

/**
 * A frame-filling fisheye may leave this share of the diagonal short of 180°: nominal focal lengths
 * are rounded (a nominal 15 mm equisolid one gives 42.4 mm of 43.3). Common practice, no source.
 */
export const FULL_FRAME_MARGIN = 0.03;

/**
 * The first thing that bars a setup; null when nothing does. What is not known about autofocus,
 * filter thread or shift is taken to do, and named in the notes; sealing that is not known is not
 * relied on, since rain does harm.
 */
export function barOf(setup: Setup, frame: Frame): Bar | null {
  const { special, need } = frame;
  const fisheye = setup.projection !== 'rectilinear';
  if (fisheye !== (need.kind === 'fisheye')) return 'wrong-projection';
  if (need.kind === 'fisheye' && !givesCoverage(setup, need.coverage)) return 'wrong-projection';
  if (special.perspectiveControl && setup.shift === false) return 'no-perspective-control';
  if (special.frontFilter && setup.frontThread === false) return 'no-filter';
  if (special.sealed && setup.sealed !== true) return 'not-sealed';
  if (special.autofocus && setup.autofocus === false) return 'no-autofocus';
  return null;
}

/** Whether some focal length lays the image of 180° inside the frame, or out to its corners. */
function givesCoverage(setup: Setup, coverage: 'circular' | 'full-frame'): boolean {
  const { projection } = setup;
  if (projection === 'rectilinear') return false;
  const circle = (f: number) => fisheyeImageCircleMm(projection, f, 180);
  const { widthMm, heightMm } = setup.sensor;
  return coverage === 'circular'
    ? circle(setup.focal.wideMm) <= Math.min(widthMm, heightMm)
    : circle(setup.focal.longMm) >= sideMm(setup.sensor, 'diagonal') * (1 - FULL_FRAME_MARGIN);
}
