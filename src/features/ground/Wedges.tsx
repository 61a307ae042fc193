'use client';

import { flatM, wedgeOf } from '@/core/ground';
import type { Setup } from '@/core/gear';
import { angleOfViewDeg } from '@/core/optics';
import type { Frame, Need, Orientation } from '@/core/brief';
import type { Margins } from '@/core/coverage';
import type { Point, Station } from '@/core/ground';
import type { PictureOnPlan } from './usePicture';
import { coversFrom, setupOfCover } from './usePicture';
import { pathOf } from './Bands';
import type { Scale } from './scale';

/** From such a crop on it is drawn. */
const CROPPED = 1.005;
/** A fisheye takes in all before it, as seen from above. */
const HALF_ROUND_DEG = 179;

/** What a setup takes in from side to side, at a focal length, degrees. */
function acrossDeg(setup: Setup, focalMm: number, orientation: Orientation): number {
  if (setup.projection !== 'rectilinear') return HALF_ROUND_DEG;
  return angleOfViewDeg(focalMm, setup.sensor, orientation === 'portrait' ? 'height' : 'width');
}

/** The narrowest picture that a setup makes of a frame: at its longest that still frames it, degrees. */
export function tightestDeg(setup: Setup, { need }: Frame, { focalNeeded }: Margins): number {
  const longMm = Math.min(setup.focal.longMm, focalNeeded.longMm);
  return acrossDeg(setup, Math.max(longMm, setup.focal.wideMm), orientationOf(need));
}

/** The point of a subject that pictures from a station are aimed at: its middle. */
export function aimOf({ points }: PictureOnPlan['subject']): Point {
  const [first] = points;
  const last = points.at(-1);
  if (!first || !last) return { xM: 0, yM: 0 };
  return { xM: (first.xM + last.xM) / 2, yM: (first.yM + last.yM) / 2 };
}

export const orientationOf = (need: Need): Orientation =>
  'orientation' in need ? need.orientation : 'either';

/** From each station that covers a picture, what its setup takes in at both ends of its range. */
export function Wedges({
  picture,
  stations,
  scale,
}: {
  readonly picture: PictureOnPlan;
  readonly stations: readonly Station[];
  readonly scale: Scale;
}) {
  const { frame, subject, standing, setups } = picture;
  const aim = aimOf(subject);
  return stations.map((station) => {
    const [cover] = coversFrom(standing, station.id);
    const setup = cover && setupOfCover(setups, cover);
    if (!setup) return null;
    const away = flatM(station.at, aim);
    const wedge = (focalMm: number, far: number) => {
      const angle = acrossDeg(setup, focalMm, orientationOf(frame.need));
      return `${pathOf(wedgeOf(station.at, aim, angle, far * away), scale)}Z`;
    };
    const cut = cover.margins.crop;
    return (
      <g key={station.id} fill="none" stroke="var(--ink)" strokeWidth={0.8}>
        {cut > CROPPED && (
          <path d={wedge(setup.focal.longMm * cut, 1.05)} strokeDasharray="1 2.5" />
        )}
        <path d={wedge(setup.focal.wideMm, 1.05)} strokeDasharray="3 3" opacity={0.7} />
        <path d={wedge(setup.focal.longMm, 1.05)} fill="var(--ink)" fillOpacity={0.1} />
      </g>
    );
  });
}

/** The subject at its true breadth, across the line of sight of a station. */
export function TrueSize({
  picture: { frame, subject },
  from,
  scale,
}: {
  readonly picture: PictureOnPlan;
  readonly from: Point;
  readonly scale: Scale;
}) {
  const { need } = frame;
  if (need.kind !== 'subject' || need.widthM === null) return null;
  const aim = aimOf(subject);
  const away = flatM(from, aim) || 1;
  const [ux, uy] = [(aim.yM - from.yM) / away, -(aim.xM - from.xM) / away];
  const end = (side: number): Point => ({
    xM: aim.xM + (side * ux * need.widthM!) / 2,
    yM: aim.yM + (side * uy * need.widthM!) / 2,
  });
  return <path d={pathOf([end(-1), end(1)], scale)} stroke="var(--ink)" strokeWidth={3} />;
}
