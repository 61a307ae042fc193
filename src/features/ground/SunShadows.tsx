'use client';

import { minutesOf, type Stretch } from '@/core/brief';
import { type Ground, screensOf, sunOver, type SunOverPlan, sunShadowOf } from '@/core/ground';
import { pathOf } from './Bands';
import type { Scale } from './scale';

/** Where the sun stands in the middle of a stretch; null without a day, times or a location. */
export function sunIn(ground: Ground, stretch: Stretch | null): SunOverPlan | null {
  if (!stretch?.day || stretch.fromTime === null) return null;
  const from = minutesOf(stretch.fromTime);
  const to = stretch.toTime === null ? from : minutesOf(stretch.toTime);
  return sunOver(ground, stretch.day, (from + (to < from ? to + 24 * 60 : to)) / 2);
}

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
  const outlines = screensOf(ground.obstacles).flatMap(
    (screen) => sunShadowOf(screen, sun, ground.northDeg) ?? [],
  );
  const quads = Array.from({ length: outlines.length / 4 }, (_, i) =>
    outlines.slice(4 * i, 4 * i + 4),
  );
  return (
    <path
      d={quads.map((quad) => `${pathOf(quad, scale)}Z`).join('')}
      fill="var(--tone-3)"
      opacity={0.35}
      aria-hidden
    />
  );
}
