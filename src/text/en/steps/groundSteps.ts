import type { Standpoint } from '@/core/brief';
import type { GroundSubject, Station } from '@/core/ground';
import { groundText } from '../ground';
import { exactIn } from './exact';
import type { Step } from './step';
import { formatMetres } from '../../format';

const t = groundText.steps;

/** How a distance comes from the plan. */
export function distanceSteps(
  { name, at, cameraM }: Station,
  subject: Pick<GroundSubject, 'name' | 'middleM'>,
  { fromM, toM }: Standpoint,
): readonly Step[] {
  const riseM = subject.middleM - cameraM;
  const step = (title: string, distanceM: number): Step => {
    const flatM = Math.sqrt(Math.max(0, distanceM * distanceM - riseM * riseM));
    return {
      name: title,
      formula: t.formula(exactIn(flatM, 'm'), exactIn(riseM, 'm')),
      result: formatMetres(distanceM, 2),
      source: t.source,
    };
  };
  const from: Step = {
    name: t.camera,
    formula: t.station(name, formatMetres(at.xM, 1), formatMetres(at.yM, 1)),
    result: t.heights(formatMetres(cameraM, 1), formatMetres(subject.middleM, 1)),
    source: t.fromPlan,
  };
  return fromM === toM
    ? [from, step(t.distance, fromM)]
    : [from, step(t.nearest, fromM), step(t.farthest, toM)];
}
