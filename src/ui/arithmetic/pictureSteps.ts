import type { Picture } from '@/core/coverage';
import type { Setup } from '@/core/gear';
import { angleOfLengthDeg, magnificationAt } from '@/core/optics';
import type { Step } from './Figure';
import { exact } from './marginSteps';

const MM_PER_M = 1000;

/**
 * What a setup takes in at one focal length.
 *
 * @param distanceM from the lens; null in the far
 */
export function pictureSteps(setup: Setup, picture: Picture, distanceM: number | null): Step[] {
  const { sensor } = setup;
  const { focalMm, sides, fNumber, blurPercent, fill } = picture;
  const sensorText = `sensor ${exact(sensor.widthMm)} × ${exact(sensor.heightMm)} mm`;
  const m = distanceM === null ? 0 : magnificationAt(focalMm, distanceM * MM_PER_M);
  return [
    distanceM === null
      ? {
          name: 'Angle of view',
          result: `${exact(angleOfLengthDeg(sides.width, 1))}° × ${exact(angleOfLengthDeg(sides.height, 1))}°`,
          formula: `2·atan(side / 2f), ${sensorText}, f = ${exact(focalMm)} mm`,
          source: 'Pinhole geometry, focused far; a straight-line lens.',
        }
      : {
          name: 'What the picture takes in',
          result: `${exact(sides.width)} × ${exact(sides.height)} m`,
          formula: `sensor side / m with m = f / (s − f) = ${exact(m)}, ${sensorText}, f = ${exact(focalMm)} mm, s = ${exact(distanceM)} m`,
          source: 'Thin lens, distance from the lens.',
        },
    ...(fill === null
      ? []
      : [
          {
            name: 'Share of the tighter side filled',
            result: `${exact(100 * fill)} %`,
            formula: 'subject side / picture side, the larger of the two',
            source: 'Geometry.',
          },
        ]),
    ...(blurPercent === null || distanceM === null
      ? []
      : [
          {
            name: 'Blur behind',
            result: `${exact(blurPercent)} % of the diagonal at f/${exact(fNumber)}`,
            formula: 'disc = f²/N · behind / (point · (s − f))',
            source: 'Thin lens.',
          },
        ]),
  ];
}
