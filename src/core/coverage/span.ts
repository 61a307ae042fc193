import { distanceAt, footingOf, type Frame, framings, type Limits, needAxis } from '@/core/brief';
import type { Interval } from '@/core/intervals';
import { equivalentFocalLengthMm, slowestFNumber } from '@/core/optics';
import { type Demanded, demandOf, setsNoDemand } from './demand';
import { longestTime } from './exposure';
import { magnificationOf } from './spot';

/** The side of a setup that a need is looked at through when no lens is chosen yet. */
export type PictureFormat = Demanded;

/** What a frame asks for on one format, as focal lengths on the 36×24 mm frame by diagonal. */
export interface FrameSpan {
  readonly range: Interval;
  /** all: every focal length in it is needed; any: one of them is enough. */
  readonly mode: 'all' | 'any';
  /** Slowest f-number that still does at the two ends; null when light sets no demand. */
  readonly slowest: { readonly wide: number; readonly long: number } | null;
}

/**
 * The span of a frame without cropping. On held or flowing ground the longest framing allowed at
 * the nearest place and the widest at the farthest bound what must be there; where they cross, any
 * one focal length between them makes every place.
 */
export function frameSpan(frame: Frame, format: PictureFormat, limits: Limits): FrameSpan {
  const axis = needAxis(frame.need);
  const { from, to } = axis.range;
  const ways = framings(frame, format.sensor, limits);
  const free = footingOf(frame.need) === 'free';
  const nearest = Math.max(...ways.map((w) => (w.slopeMax / w.tolerance) * from));
  const farthest = Math.min(...ways.map((w) => w.slopeMin(1) * w.tolerance * to));
  const ends = free
    ? [
        Math.min(...ways.map((w) => w.slopeMin(1) * w.tolerance * from)),
        Math.max(...ways.map((w) => (w.slopeMax / w.tolerance) * to)),
      ]
    : [Math.min(nearest, farthest), Math.max(nearest, farthest)];
  const [wideMm = 0, longMm = 0] = ends;
  const { light } = demandOf(format, frame, limits);
  const slowest = (focalLengthMm: number, x: number) => {
    if (light === null) return Infinity;
    const magnification = magnificationOf(focalLengthMm, distanceAt(axis, x));
    const { timeS } = longestTime(light, { focalMm: focalLengthMm, magnification, crop: 1 });
    return slowestFNumber(light.ev100, timeS, light.iso);
  };
  return {
    range: {
      from: equivalentFocalLengthMm(wideMm, format.sensor),
      to: equivalentFocalLengthMm(longMm, format.sensor),
    },
    mode: !free && nearest < farthest ? 'all' : 'any',
    slowest: setsNoDemand(light)
      ? null
      : { wide: slowest(wideMm, from), long: slowest(longMm, to) },
  };
}
