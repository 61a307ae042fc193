import type { Picture } from '@/core/coverage';
import type { Setup } from '@/core/gear';
import { angleOfLengthDeg, magnificationAt } from '@/core/optics';
import type { Step } from './step';
import { inOwnUnits } from '../../units';
import { exact, exactIn } from './exact';
import { MM_PER_M } from '@/core/units';

/**
 * What a setup takes in at one focal length.
 *
 * @param distanceM from the sensor; null far away
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
          source: 'Pinhole geometry, focused far; a rectilinear lens.',
        }
      : {
          name: 'What the picture takes in',
          result: `${exact(sides.width * (inOwnUnits('m')?.factor ?? 1))} × ${exactIn(sides.height, 'm')}`,
          formula: `picture side / m with m = ${exact(m)} from D = f·(2 + m + 1/m), ${sensorText}, f = ${exact(focalMm)} mm, D = ${exactIn(distanceM, 'm')}`,
          source: 'Thin lens, distance from the sensor.',
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
