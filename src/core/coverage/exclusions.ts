import { type Frame, needAxis, pictureSensor } from '@/core/brief';
import { GRADES, type Setup } from '@/core/gear';
import { fisheyeFocalMm, fisheyeImageCircleMm, sideMm } from '@/core/optics';
import { filterStops } from './filter';

/** What keeps a setup from a frame wherever it stands. */
export type Exclusion =
  | 'wrong-projection'
  | 'no-perspective-control'
  | 'no-filter'
  | 'not-sealed'
  | 'no-autofocus'
  | 'no-infinity'
  | 'below-grade';

/**
 * A frame-filling fisheye may leave this share of the diagonal short of 180°: nominal focal lengths
 * are rounded (a nominal 15 mm equisolid one gives 42.4 mm of 43.3). Common practice, no source.
 */
const FULL_FRAME_MARGIN = 0.03;
/**
 * Least angle from corner to corner of a frame-filling fisheye picture, degrees: below it a smaller
 * sensor has cut the bend away. Common practice, no source.
 */
const LEAST_CORNER_ANGLE_DEG = 160;

/** All that bars a setup from a frame, gravest first. */
export function exclusionsOf(setup: Setup, frame: Frame): Exclusion[] {
  const { special, need } = frame;
  const exclusions: Exclusion[] = [];
  const fisheye = setup.projection !== 'rectilinear';
  if (fisheye !== (need.kind === 'fisheye')) exclusions.push('wrong-projection');
  else if (need.kind === 'fisheye' && !givesCoverage(setup, frame, need.coverage))
    exclusions.push('wrong-projection');
  if (setup.extensionMm > 0 && isFarAway(frame)) exclusions.push('no-infinity');
  if (special.perspectiveControl && setup.shift === false)
    exclusions.push('no-perspective-control');
  const needsFilter = special.frontFilter || filterStops(frame, setup) > 0;
  if (needsFilter && setup.takesFilter === false) exclusions.push('no-filter');
  if (special.sealed && setup.sealed === false) exclusions.push('not-sealed');
  if (special.autofocus && setup.autofocus === false) exclusions.push('no-autofocus');
  if (!isOfGrade(setup, special.leastGrade)) exclusions.push('below-grade');
  return exclusions;
}

/**
 * The first thing that bars a setup; null when nothing does. What is not known about autofocus,
 * filter thread, shift or sealing is taken to do, and named in the notes (in the wet a rain cover is
 * packed); a grade that nobody gave is not relied on.
 */
export function exclusionOf(setup: Setup, frame: Frame): Exclusion | null {
  return exclusionsOf(setup, frame)[0] ?? null;
}

/** A lens on a tube does not focus far away; needs given as a range are far unless they say otherwise. */
function isFarAway({ need }: Frame): boolean {
  const axis = needAxis(need);
  return axis.kind !== 'distance' && axis.atM === null;
}

/** Whether a setup is of a grade or better. */
export function isOfGrade(
  { gradeRank }: Pick<Setup, 'gradeRank'>,
  least: Frame['special']['leastGrade'],
): boolean {
  return least === null || (gradeRank !== null && gradeRank <= GRADES.indexOf(least));
}

/**
 * Whether some focal length lays the image of 180° inside the picture, of the output's shape; or out to its corners, and no
 * more: where corners stay far below 180° the frame shows the middle of a fisheye's picture only.
 */
function givesCoverage(
  setup: Setup,
  { output }: Frame,
  coverage: 'circular' | 'full-frame',
): boolean {
  const { projection } = setup;
  if (projection === 'rectilinear') return false;
  const shape = pictureSensor(setup.sensor, output);
  const { wideMm, longMm } = setup.focal;
  const circle = (f: number) => fisheyeImageCircleMm(projection, f, 180);
  if (coverage === 'circular') return circle(wideMm) <= Math.min(shape.widthMm, shape.heightMm);
  const diagonal = sideMm(shape, 'diagonal');
  const shortest = fisheyeFocalMm(projection, 180, diagonal * (1 - FULL_FRAME_MARGIN));
  const longest = fisheyeFocalMm(projection, LEAST_CORNER_ANGLE_DEG, diagonal);
  return Math.max(wideMm, shortest) <= Math.min(longMm, longest);
}
