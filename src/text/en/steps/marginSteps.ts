import type { PositionUnit } from '@/core/brief';
import type { Margins } from '@/core/coverage';
import { TIME_RULES } from '../codes';
import { exact, exactIn } from './exact';
import type { Step } from './step';

/** The steps behind a verdict at its deciding place, with exact numbers. */
export function marginSteps(m: Margins, unit: PositionUnit): Step[] {
  const place =
    unit === 'm'
      ? `at ${exactIn(m.at, 'm')}`
      : unit === 'far'
        ? 'far away'
        : `at ${exact(m.at)} mm on 36×24`;
  const framing: Step = {
    name: `Focal length needed ${place}, ${m.orientation}`,
    result: `${exact(m.focalNeeded.wideMm)} to ${exact(m.focalNeeded.longMm)} mm; the lens has ${exact(m.focalHave.wideMm)} to ${exact(m.focalHave.longMm)} mm`,
    formula:
      unit === 'm'
        ? 'm = fill / (subject side / picture side, the tighter one); f = D·m / (1 + m)²'
        : unit === 'far'
          ? 'f = fill · picture side / (2·tan(angle / 2)), the tighter side'
          : `f = f on 36×24 · sensor side / 36×24 side; within ${exact(100 * (m.tolerance - 1))} %, since marked focal lengths are rounded`,
    source:
      'Thin lens, D = f·(2 + m + 1/m) from the sensor; the sensor by its real width and height, cut to the shape of the output.',
  };
  const crop: Step = {
    name: 'Crop',
    result: `${exact(m.crop)}×, ${exact(m.cropAllowed)}× allowed${m.megapixelsLeft === null ? '' : `, ${exact(m.megapixelsLeft)} MP left`}`,
    formula: `needed at ${exact(m.focalUsedMm)} mm: fill wanted / fill had; pixels left = pixels / crop²`,
    source: 'Pixel counting.',
  };
  const light: Step[] =
    m.light === null
      ? []
      : [
          {
            name: 'Light',
            result: `${exact(m.light.stops)} stops ${m.light.stops < 0 ? 'short' : 'to spare'}: f/${exact(m.light.fNumber)}, f/${exact(m.light.slowestFNumber)} would be enough, or ISO ${exact(m.light.isoNeeded)}`,
            formula: `N = √(t · 2^EV · ISO / 100) with t = ${exact(m.light.timeS)} s (${TIME_RULES[m.light.timeRule]}${m.light.starsRuleS === null ? '' : `; the rule of 500 would say ${exact(m.light.starsRuleS)} s`}), EV ${exact(m.light.ev100)}, ISO ${exact(m.light.iso)}; at a magnification m the lens counts as N·(1 + m)`,
            source:
              'Exposure equation, ISO 2720; hand-held by 1 / (f × crop factor × crop), common practice. A tenth of a stop is tolerated.',
          },
        ];
  const focus: Step[] =
    m.focusSpareM === null
      ? []
      : [
          {
            name: 'Closest focus',
            result: `${exactIn(Math.abs(m.focusSpareM), 'm')} ${m.focusSpareM < 0 ? 'too close' : 'to spare'}`,
            formula: 'distance from the sensor − closest focus; magnification at most the lens’s',
            source:
              'As marked on the lens; its stated magnification counts at closest focus. Between, internal-focus lenses differ, so it is an estimate.',
          },
        ];
  return [framing, crop, ...light, ...depthSteps(m), ...focus];
}

/** Depth and blur, and what the f-number means for them on another format. */
function depthSteps({ sharp, blur, light, cropFactor }: Margins): Step[] {
  const thinLens =
    'Thin lens; circle of confusion as set in the limits, on the part of the sensor that is used.';
  const far = (m: number) => (m === Infinity ? 'the horizon' : exactIn(m, 'm'));
  const steps: Step[] = [];
  if (sharp !== null) {
    const diffraction =
      sharp.diffractionFNumber === null
        ? ''
        : `; from f/${exact(sharp.diffractionFNumber)} on diffraction takes more than two pixels`;
    steps.push({
      name: 'Sharp in depth',
      result: `f/${exact(sharp.fNumberNeeded)} from ${exactIn(sharp.nearM, 'm')} to ${far(sharp.farM)}, focused at ${exactIn(sharp.focusM, 'm')}${diffraction}`,
      formula: `N = f²·(far − near) / (c·(2·near·far − f·(near + far))) with c = ${exact(sharp.cocMm * 1000)} µm${sharp.hyperfocalM === null ? '' : `; hyperfocal distance there ${exactIn(sharp.hyperfocalM, 'm')}`}`,
      source: thinLens,
    });
  }
  if (blur !== null) {
    steps.push({
      name: 'Blur behind',
      result: `${exact(blur.havePercent)} % of the diagonal, ${exact(blur.wantedPercent)} % wanted, at f/${exact(blur.fNumber)} at the longest framing`,
      formula: 'disc = f²/N · behind / (point · (s − f))',
      source: thinLens,
    });
  }
  if (light !== null && Math.abs(cropFactor - 1) > 0.01) {
    steps.push({
      name: 'The f-number on 36×24',
      result: `for exposure f/${exact(light.fNumber)} as well; for depth of field and blur f/${exact(light.fNumber * cropFactor)}`,
      formula: `N · crop factor, ${exact(cropFactor)} by diagonal, at equal framing`,
      source: 'Equivalence of formats; it says nothing of exposure.',
    });
  }
  return steps;
}
