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

/** A dragged place on the nearest other point, else on whole steps of the ruler. */
export function snapped(place: Point, others: readonly Point[], scale: Scale): Point {
  const near = others.find((o) => flatM(o, place) * scale.perM < CATCH_PX);
  if (near) return near;
  const step = stepM(scale, FINEST_PX);
  const round = (m: number) => Number((Math.round(m / step) * step).toFixed(2));
  return { xM: round(place.xM), yM: round(place.yM) };
}
