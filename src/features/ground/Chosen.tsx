'use client';

import { type Stretch, timeOf } from '@/core/brief';
import type { Point } from '@/core/ground';
import { useFile } from '@/session';
import { formatAngle, groundText } from '@/text';
import { EvenSlider } from '@/ui';
import { Here } from './Here';
import { Measured, TieIt } from './Measured';
import { StretchNotes } from './StretchStand';
import type { PictureOnPlan } from './usePicture';
import type { SunThrough } from './useSun';

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
  readonly sun: SunThrough | null;
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
      {sun && <SunLine sun={sun} />}
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

/** Where the sun stands, and the minute of the stretch at which that is asked. */
function SunLine({ sun: { suns, fromMin, after, now, look } }: { readonly sun: SunThrough }) {
  const timeAt = (minute: number) => timeOf(fromMin + minute);
  return (
    <div className="text-[13px]">
      <p>
        {now.altitudeDeg < 0
          ? groundText.sheet.sunDown(timeAt(after))
          : groundText.sheet.sun(
              formatAngle(now.altitudeDeg),
              formatAngle(now.azimuthDeg),
              timeAt(after),
            )}
      </p>
      {suns.length > 1 && (
        <EvenSlider
          label={groundText.sheet.time}
          from={0}
          to={suns.length - 1}
          value={after}
          show={timeAt}
          onChange={look}
        />
      )}
    </div>
  );
}
