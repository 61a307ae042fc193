'use client';

import { between, flatM, type Station } from '@/core/ground';
import { formatDistances } from '@/text';
import { DrawnWords } from '@/ui';
import { pathOf } from './Bands';
import type { Scale } from './scale';
import type { PictureOnPlan } from './usePicture';
import { aimOf } from './Wedges';

/** Where along a line its figure stands. */
const FIGURE_AT = 0.45;
/** Shorter than this, a line has no room for its figure, px. */
const ROOM_PX = 60;

/** From each station to the subject: how far it is; dashed and marked where something is in the way. */
export function SightLines({
  picture: { standpoints, subject },
  stations,
  scale,
}: {
  readonly picture: PictureOnPlan;
  /** Those that may be stood at. */
  readonly stations: readonly Station[];
  readonly scale: Scale;
}) {
  const aim = aimOf(subject);
  return standpoints.map((s) => {
    const station = stations.find((x) => x.id === s.stationId);
    if (!station) return null;
    const isHidden = s.seenPercent === 0;
    const at = between(station.at, aim, FIGURE_AT);
    return (
      <g key={s.stationId} aria-hidden>
        <path
          d={pathOf([station.at, aim], scale)}
          stroke={isHidden ? 'var(--wrong)' : 'var(--edge)'}
          strokeWidth={1}
          strokeDasharray={s.seenPercent < 100 ? '2 4' : undefined}
        />
        {flatM(station.at, aim) * scale.perM > ROOM_PX && (
          <DrawnWords
            x={scale.x(at.xM)}
            y={scale.y(at.yM)}
            size={11}
            anchor="middle"
            colour={isHidden ? 'var(--wrong)' : 'var(--ink)'}
          >
            {formatDistances(s.fromM, s.toM)}
          </DrawnWords>
        )}
      </g>
    );
  });
}
