import { flatM, type Ground, type Point } from '@/core/ground';

/** How a plan lies on the screen. */
export interface Scale {
  /** Pixels a metre. */
  readonly perM: number;
  readonly x: (xM: number) => number;
  readonly y: (yM: number) => number;
  /** The place under a point of the screen. */
  readonly at: (x: number, y: number) => Point;
}

/** What of a plan is shown: so many times as large as the whole, about a middle. */
export interface Zoom {
  readonly times: number;
  readonly middle: Point;
}

/** Room around the sheet, px. */
const MARGIN_PX = 26;

export const wholeOf = ({ widthM, heightM }: Pick<Ground, 'widthM' | 'heightM'>): Zoom => ({
  times: 1,
  middle: { xM: widthM / 2, yM: heightM / 2 },
});

export function scaleOf(
  { widthM, heightM }: Pick<Ground, 'widthM' | 'heightM'>,
  size: { readonly width: number; readonly height: number },
  { times, middle }: Zoom,
  margin = MARGIN_PX,
): Scale {
  const fit = Math.min((size.width - 2 * margin) / widthM, (size.height - 2 * margin) / heightM);
  const perM = times * Math.max(fit, 1e-6);
  const left = size.width / 2 - middle.xM * perM;
  const bottom = size.height / 2 + middle.yM * perM;
  return {
    perM,
    x: (xM) => left + xM * perM,
    y: (yM) => bottom - yM * perM,
    at: (x, y) => ({ xM: (x - left) / perM, yM: (bottom - y) / perM }),
  };
}

/** What is shown, moved by so many metres. */
export function panned({ times, middle }: Zoom, xM: number, yM: number): Zoom {
  return { times, middle: { xM: middle.xM - xM, yM: middle.yM + yM } };
}

export const isOnSheet = (
  { widthM, heightM }: Pick<Ground, 'widthM' | 'heightM'>,
  { xM, yM }: Point,
): boolean => xM >= 0 && yM >= 0 && xM <= widthM && yM <= heightM;

/** Which way an arrow key moves on a plan: to the right, and up. */
export const WAYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};

/** Steps that a ruler has, m. */
const STEPS_M = [0.1, 0.5, 1, 5, 10, 50, 100, 500, 1000, 5000];

/** The finest step that is at least so many pixels long. */
export function stepM({ perM }: Pick<Scale, 'perM'>, leastPx: number): number {
  return STEPS_M.find((step) => step * perM >= leastPx) ?? STEPS_M.at(-1)!;
}

/** Within so many pixels a point is drawn to another. */
const CATCH_PX = 7;
/** What a drag moves by at the least, px. */
const FINEST_PX = 4;

/** Directions that a line is drawn to: every so many degrees. */
const CATCH_DEG = 15;

/**
 * A dragged place on the nearest other point; else at a usual angle from a point that a line joins it
 * with, a whole length away; else on whole steps of the ruler.
 *
 * @param joined the points that lines join it with
 */
export function snapped(
  place: Point,
  others: readonly Point[],
  scale: Scale,
  joined: readonly Point[] = [],
): Point {
  const near = others.find((o) => flatM(o, place) * scale.perM < CATCH_PX);
  if (near) return near;
  const step = stepM(scale, FINEST_PX);
  const whole = (m: number) => Math.round(m / step) * step;
  const caught = joined
    .map((from) => onUsualAngle(place, from, whole))
    .filter((to) => flatM(to, place) * scale.perM < CATCH_PX)
    .toSorted((a, b) => flatM(a, place) - flatM(b, place))[0];
  const { xM, yM } = caught ?? { xM: whole(place.xM), yM: whole(place.yM) };
  return { xM: Number(xM.toFixed(2)), yM: Number(yM.toFixed(2)) };
}

/** The place a whole length from another in the usual direction that is nearest. */
function onUsualAngle(place: Point, from: Point, whole: (m: number) => number): Point {
  const unit = (CATCH_DEG * Math.PI) / 180;
  const turn = unit * Math.round(Math.atan2(place.yM - from.yM, place.xM - from.xM) / unit);
  const [ux, uy] = [Math.cos(turn), Math.sin(turn)];
  const long = whole((place.xM - from.xM) * ux + (place.yM - from.yM) * uy);
  return { xM: from.xM + long * ux, yM: from.yM + long * uy };
}
