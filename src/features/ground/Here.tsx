'use client';

import { footingOf } from '@/core/brief';
import {
  isInBand,
  isInside,
  measure,
  type Point,
  screensOf,
  seenPercent,
  type Station,
} from '@/core/ground';
import { USUAL_CAMERA_M } from '@/document';
import { useFile } from '@/session';
import { formatDistances, groundText, namesOf, plainList } from '@/text';
import { sightText } from './Measured';
import type { PictureOnPlan } from './usePicture';
import type { Scale } from './scale';

const t = groundText.here;

/** Someone at a place that was pressed on: as high as the first station. */
function standing(at: Point, stations: readonly Station[]): Station {
  const [first] = stations;
  return {
    ...(first ?? { shooterIds: [], stretchIds: [], cameraM: USUAL_CAMERA_M }),
    id: 'here' as Station['id'],
    name: '',
    at,
  };
}

/** What a place on the plan would do for the chosen picture. */
export function Here({ picture, at }: { readonly picture: PictureOnPlan; readonly at: Point }) {
  const file = useFile();
  const { ground } = file;
  const name = namesOf(file);
  const { subject, frame, byLens } = picture;
  const screens = screensOf(ground.obstacles);
  const station = standing(at, ground.stations);
  const { fromM, toM, seen } = measure(station, subject, screens);
  const lenses = byLens.filter(({ covered }) =>
    isInBand(at, {
      subject,
      footing: footingOf(frame.need),
      covered,
      cameraM: station.cameraM,
      screens,
      closed: [],
    }),
  );
  const isClosed = ground.closed.some((c) => isInside(c.points, at));
  return (
    <section aria-label={t.title} className="text-[13px]">
      <h2 className="text-base">{t.title}</h2>
      <p>
        {t.distance(
          formatDistances(fromM, toM),
          sightText(seenPercent(seen), station, picture, ground),
        )}
      </p>
      <p className={lenses.length > 0 ? 'text-got' : ''}>
        {lenses.length > 0 ? t.covers(plainList(lenses.map((l) => name(l.lensId)))) : t.none}
      </p>
      {isClosed && <p className="text-wrong">{t.closed}</p>}
    </section>
  );
}

/** The place that was pressed on. */
export function HereMark({ at, scale }: { readonly at: Point; readonly scale: Scale }) {
  const [x, y] = [scale.x(at.xM), scale.y(at.yM)];
  return (
    <g fill="none" stroke="var(--ink)" strokeWidth={1.6} aria-hidden data-testid="here">
      <circle cx={x} cy={y} r={6} />
      <path d={`M${x - 10} ${y}H${x + 10}M${x} ${y - 10}V${y + 10}`} strokeWidth={0.8} />
    </g>
  );
}
