import { fisheyeImageCircleMm, type FisheyeProjection } from '@/core/optics';
import type { Tones } from './tones';

/** How far a fisheye sees from its axis in the drawing, degrees. */
const HALF_DEG = 90;
const STEPS = 24;

/**
 * What a fisheye makes of a square between tall houses: horizon, eaves and corners laid where its
 * projection puts them. A circular one lays the half sphere into the picture's height, a frame-filling one
 * its diagonal.
 */
export function Fisheye({
  projection,
  circular,
  area: { width, height },
  tones,
}: {
  projection: FisheyeProjection;
  circular: boolean;
  area: { readonly width: number; readonly height: number };
  tones: Tones;
}) {
  const edge = circular ? Math.min(width, height) / 2 : Math.hypot(width, height) / 2;
  const whole = fisheyeImageCircleMm(projection, 1, 2 * HALF_DEG);
  const at = (azimuthDeg: number, upDeg: number) => {
    const [a, u] = [(azimuthDeg * Math.PI) / 180, (upDeg * Math.PI) / 180];
    const [x, y, z] = [Math.sin(a) * Math.cos(u), -Math.sin(u), Math.cos(a) * Math.cos(u)];
    const off = Math.atan2(Math.hypot(x, y), z);
    const r = (edge * fisheyeImageCircleMm(projection, 1, (2 * off * 180) / Math.PI)) / whole;
    const way = Math.atan2(y, x);
    return `${r * Math.cos(way)} ${r * Math.sin(way)}`;
  };
  const line = (points: readonly string[]) => `M${points.join('L')}`;
  const across = (up: (azimuth: number) => number) =>
    line(
      Array.from({ length: STEPS + 1 }, (_, i) => {
        const azimuth = -HALF_DEG + (2 * HALF_DEG * i) / STEPS;
        return at(azimuth, up(azimuth));
      }),
    );
  // Eaves of a street that runs away from the camera: nearer houses stand higher.
  const eaves = (azimuth: number) => 8 + 0.5 * Math.abs(azimuth);
  const uprights = [-80, -60, -42, -26, 26, 42, 60, 80];
  const isCircle = circular ? edge : undefined;
  return (
    <g data-testid="fisheye">
      <rect
        x={-width / 2}
        y={-height / 2}
        width={width}
        height={height}
        fill={circular ? tones.figure : tones.sky}
      />
      {isCircle && <circle r={isCircle} fill={tones.sky} />}
      <path
        d={`${across(eaves)}L${at(HALF_DEG, 0)}${[...Array(STEPS + 1).keys()].map((i) => `L${at(HALF_DEG - (2 * HALF_DEG * i) / STEPS, 0)}`).join('')}Z`}
        fill={tones.mid}
      />
      <path
        d={`${across(() => -1)}L${at(89, -40)}L${at(45, -70)}L${at(0, -89)}L${at(-45, -70)}L${at(-89, -40)}Z`}
        fill={tones.ground}
      />
      <g fill="none" stroke={tones.figure} strokeWidth={edge / 120}>
        <path d={across(() => 0)} />
        <path d={across(eaves)} />
        {uprights.map((azimuth) => (
          <path
            key={azimuth}
            d={line([0, 0.25, 0.5, 0.75, 1].map((s) => at(azimuth, s * eaves(azimuth))))}
          />
        ))}
      </g>
      {isCircle && (
        <circle r={isCircle} fill="none" stroke={tones.figure} strokeWidth={edge / 60} />
      )}
    </g>
  );
}
