import { FULL_FRAME, sideMm } from '@/core/optics';
import { formatAngle } from '@/text';

const FOCAL_TICKS = [8, 10, 14, 18, 24, 35, 50, 70, 100, 135, 200, 300, 400, 600, 800, 1200, 2000];
const ANGLE_TICKS = [120, 100, 84, 63, 47, 34, 24, 18, 12, 8, 6, 4, 3, 2];
const log2 = Math.log2;

/** Colours of an axis, from the theme. */
export interface AxisColours {
  readonly ink: string;
  readonly soft: string;
}

/** How the labels of a chart are written. */
export const axisLabel = ({ soft }: AxisColours) => ({
  color: soft,
  fontFamily: 'Commissioner Variable',
  fontSize: 11,
});

/**
 * The axis that all pages share: angle of view, wide to long, as the logarithm of the focal length on
 * the 36×24 mm frame. Focal lengths below, as they are on the sensor of a crop factor; diagonal angles above.
 */
export function angleAxes(
  labelCrop: number,
  x: { readonly min: number; readonly max: number },
  colours: AxisColours,
) {
  const within = ([, at]: readonly [number, number]) => at >= x.min && at <= x.max;
  const focals = FOCAL_TICKS.map((mm) => [mm, log2(mm * labelCrop)] as const).filter(within);
  const angles = ANGLE_TICKS.map((deg) => [deg, log2(focalForDiagonal(deg))] as const).filter(
    within,
  );
  const text = axisLabel(colours);
  const axis = (
    ticks: readonly (readonly [number, number])[],
    format: (value: number) => string,
  ) => ({
    type: 'value' as const,
    min: x.min,
    max: x.max,
    axisLine: { show: true, onZero: false, lineStyle: { color: colours.ink } },
    nameTextStyle: text,
    nameLocation: 'end' as const,
    splitLine: { show: false },
    axisTick: { customValues: ticks.map(([, at]) => at), lineStyle: { color: colours.ink } },
    axisLabel: {
      ...text,
      customValues: ticks.map(([, at]) => at),
      formatter: (value: number) => {
        const found = ticks.find(([, at]) => Math.abs(at - value) < 1e-6);
        return found ? format(found[0]) : '';
      },
      hideOverlap: true,
    },
  });
  return [
    { ...axis(focals, (mm) => `${mm}`), name: '' },
    { ...axis(angles, formatAngle), position: 'top' as const },
  ];
}

/** How far apart marks stand at least, px, so that their words don't touch. */
const MARKS_PX = 32;

/**
 * The marks of the axis between two focal lengths on the 36×24 mm frame, wide to long.
 * @param widthPx how wide the axis is drawn, px: marks that would touch the one before are left out
 */
export function angleTicks(fromMm: number, toMm: number, widthPx: number) {
  const apart = (log2(toMm / fromMm) * MARKS_PX) / widthPx;
  return {
    focals: thinned(FOCAL_TICKS, (mm) => mm),
    angles: thinned(
      ANGLE_TICKS.map((deg) => ({ deg, mm: focalForDiagonal(deg) })),
      ({ mm }) => mm,
    ),
  };

  function thinned<T>(ticks: readonly T[], mmOf: (tick: T) => number): T[] {
    let last = -Infinity;
    return ticks.filter((tick) => {
      const mm = mmOf(tick);
      if (mm < fromMm || mm > toMm || log2(mm) - last < apart) return false;
      last = log2(mm);
      return true;
    });
  }
}

function focalForDiagonal(deg: number): number {
  return sideMm(FULL_FRAME, 'diagonal') / 2 / Math.tan((deg * Math.PI) / 360);
}
