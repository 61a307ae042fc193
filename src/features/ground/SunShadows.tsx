'use client';

import { directionOf, type Ground, screensOf, type SunOverPlan, sunShadowOf } from '@/core/ground';
import { groundText } from '@/text';
import { pathOf } from './Bands';
import type { Scale } from './scale';

/** Shadows of what stands on the ground. */
export function SunShadows({
  ground,
  sun,
  scale,
}: {
  readonly ground: Ground;
  readonly sun: SunOverPlan;
  readonly scale: Scale;
}) {
  const quads = screensOf(ground.obstacles).flatMap((screen) => {
    const shadow = sunShadowOf(screen, sun, ground.northDeg);
    return shadow ? [shadow] : [];
  });
  return (
    <path
      d={quads.map((quad) => `${pathOf(quad, scale)}Z`).join('')}
      fill="var(--tone-3)"
      opacity={0.35}
      aria-hidden
    />
  );
}

/** Room to the edge of the drawing, and the length of the arrow, px. */
const EDGE_PX = 34;
const ARROW_PX = 46;

/** At the edge of the plan from which the sun shines: its disc, and an arrow the way its light goes. */
export function SunArrow({
  sun: { altitudeDeg, azimuthDeg },
  northDeg,
  size,
}: {
  readonly sun: SunOverPlan;
  readonly northDeg: number;
  readonly size: { readonly width: number; readonly height: number };
}) {
  if (altitudeDeg < 0) return null;
  const { xM: right, yM: up } = directionOf(azimuthDeg, northDeg);
  const [halfX, halfY] = [size.width / 2 - EDGE_PX, size.height / 2 - EDGE_PX];
  const reach = Math.min(halfX / Math.abs(right), halfY / Math.abs(up));
  const [x, y] = [size.width / 2 + reach * right, size.height / 2 - reach * up];
  const at = (along: number, aside = 0) =>
    `${(x - along * right - aside * up).toFixed(1)} ${(y + along * up - aside * right).toFixed(1)}`;
  return (
    <g aria-label={groundText.sheet.sunFrom} role="img" fill="none" stroke="var(--ink)">
      <circle cx={x} cy={y} r={7} fill="var(--sheet)" strokeWidth={1.6} />
      <path
        d={`M${at(10)}L${at(ARROW_PX)}M${at(ARROW_PX - 8, 5)}L${at(ARROW_PX)}L${at(ARROW_PX - 8, -5)}`}
        strokeWidth={1.4}
      />
    </g>
  );
}
