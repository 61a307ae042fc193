import { footingOf, type Frame, framings, type Limits, needAxis } from '@/core/brief';
import type { Interval } from '@/core/intervals';
import { slowestFNumber } from '@/core/optics';
import { type Demanded, demandOf } from './demand';
import { longestTime, magnificationOf } from './exposure';

/** The side of a setup that a need is looked at through when no lens is chosen yet. */
export type Format = Demanded;

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
export function frameSpan(frame: Frame, format: Format, limits: Limits): FrameSpan {
  const axis = needAxis(frame.need).range;
  const ways = framings(frame.need, format.sensor, frame.special.magnification);
  const free = footingOf(frame.need) === 'free';
  const nearest = Math.max(...ways.map((w) => w.slopeMax * axis.from));
  const farthest = Math.min(...ways.map((w) => w.slopeMin(1) * axis.to));
  const ends = free
    ? [
        Math.min(...ways.map((w) => w.slopeMin(1) * axis.from)),
        Math.max(...ways.map((w) => w.slopeMax * axis.to)),
      ]
    : [Math.min(nearest, farthest), Math.max(nearest, farthest)];
  const [wideMm = 0, longMm = 0] = ends;
  const { light } = demandOf(format, frame, limits);
  const distance = frame.need.kind === 'subject';
  const slowest = (focalLengthMm: number, x: number) => {
    if (light === null) return Infinity;
    const m = magnificationOf(focalLengthMm, distance ? x : null);
    return slowestFNumber(light.ev100, longestTime(light, focalLengthMm, m).timeS, light.iso);
  };
  return {
    range: { from: wideMm * format.cropFactor, to: longMm * format.cropFactor },
    mode: !free && nearest < farthest ? 'all' : 'any',
    slowest:
      light === null ? null : { wide: slowest(wideMm, axis.from), long: slowest(longMm, axis.to) },
  };
}
