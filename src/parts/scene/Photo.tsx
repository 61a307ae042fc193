'use client';

import { memo, useId } from 'react';
import { type Frame, type Limits, needAxis } from '@/core/brief';
import { type Shot, shotOf } from '@/core/coverage';
import type { Setup } from '@/core/gear';
import { Fisheye } from './Fisheye';
import { Scenery } from './Scenery';
import { moodOf, TONES } from './tones';

/** Where on a frame's axis it is taken from. */
export type From = 'near' | 'middle' | 'far';

/** A frame as a setup takes it; null for a fisheye's picture, which has no middle. */
export function shotAt(setup: Setup, frame: Frame, limits: Limits, from: From): Shot | null {
  if (frame.need.kind === 'fisheye') return null;
  const { range } = needAxis(frame.need);
  const at = { near: range.from, middle: Math.sqrt(range.from * range.to), far: range.to }[from];
  return shotOf(setup, frame, limits, at);
}

/** Width over height of the paper that a picture is laid on. */
const PAPER = 1.5;

export interface PhotoProps {
  readonly frame: Frame;
  readonly setup: Setup;
  readonly limits: Limits;
  readonly from?: From;
  /** Said to those who can't see it; without it the picture is left out for them. */
  readonly label?: string;
  readonly className?: string;
}

/** A frame's picture as one setup takes it, upright or across, on paper of one shape. */
export const Photo = memo(function Photo({
  frame,
  setup,
  limits,
  from = 'middle',
  label,
  className = '',
}: PhotoProps) {
  const clip = useId();
  const shot = shotAt(setup, frame, limits, from);
  const sides = shot?.picture.sides ?? { width: 3, height: 2 };
  const paper = Math.max(sides.height, sides.width / PAPER);
  const [width, height] = [paper * PAPER, paper];
  return (
    <svg
      viewBox={`${-width / 2} ${-height / 2} ${width} ${height}`}
      {...(label ? { role: 'img', 'aria-label': label } : { 'aria-hidden': true })}
      className={`block aspect-3/2 overflow-visible ${className}`}
      data-photo
    >
      <clipPath id={clip}>
        <rect
          x={-sides.width / 2}
          y={-sides.height / 2}
          width={sides.width}
          height={sides.height}
        />
      </clipPath>
      <g clipPath={`url(#${clip})`}>
        {shot ? (
          <Scenery frame={frame} shot={shot} area={sides} />
        ) : (
          frame.need.kind === 'fisheye' &&
          setup.projection !== 'rectilinear' && (
            <Fisheye
              projection={setup.projection}
              circular={frame.need.coverage === 'circular'}
              area={sides}
              tones={TONES[moodOf(frame)]}
            />
          )
        )}
      </g>
      <rect
        x={-sides.width / 2}
        y={-sides.height / 2}
        width={sides.width}
        height={sides.height}
        fill="none"
        stroke="var(--ink)"
        strokeWidth={1}
        vectorEffect="non-scaling-stroke"
      />
    </svg>
  );
});
