'use client';

import type { Stretch } from '@/core/brief';
import type { Point, SunOverPlan } from '@/core/ground';
import { useFile } from '@/session';
import { formatAngle, groundText } from '@/text';
import { Here } from './Here';
import { Measured, TieIt } from './Measured';
import { StretchNotes } from './StretchStand';
import type { PictureOnPlan } from './usePicture';

const t = groundText.page;

/** What is said beside the plan of the chosen picture and stretch. */
export function Chosen({
  picture,
  frameId,
  sun,
  stretch,
  here,
}: {
  readonly picture: PictureOnPlan | null;
  readonly frameId: string | null;
  readonly sun: SunOverPlan | null;
  readonly stretch: Stretch | null;
  readonly here: Point | null;
}) {
  const { frames, ground } = useFile();
  const frame = frames.find((f) => f.id === frameId);
  const measured = frames.filter((f) => f.standpoints.length > 0).length;
  return (
    <>
      <p className="text-soft">{t.measured(measured, frames.length)}</p>
      {stretch && <StretchNotes stretch={stretch} picture={picture} />}
      {sun && (
        <p className="text-[13px]">
          {groundText.sheet.sun(formatAngle(sun.altitudeDeg), formatAngle(sun.azimuthDeg))}
        </p>
      )}
      {picture && here && <Here picture={picture} at={here} />}
      {picture ? (
        <Measured picture={picture} sun={sun} />
      ) : frame ? (
        <TieIt frame={frame} />
      ) : (
        <p className="text-soft">{groundText.selected.nothing}</p>
      )}
      {picture && ground.stations.length === 0 && (
        <p className="text-soft">{groundText.selected.nothing}</p>
      )}
    </>
  );
}
