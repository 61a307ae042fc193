import * as z from 'zod';
import type { Footing, Frame, SharpDepth } from './frame';
import type { Light } from './light';
import { ev100OfSource } from './lightLevel';

/** By how much what a picture is judged by may be wrong, with the picture still got. */
export const reserve = z.strictObject({
  /** Stops by which the light that is there may be less; a flash is as strong as it is. */
  lightStops: z.number().min(0).max(10),
  /** Percent by which either end of a distance may be nearer or farther. */
  distancePercent: z.number().min(0).max(90),
});
export type Reserve = z.infer<typeof reserve>;

export const NO_RESERVE: Reserve = { lightStops: 0, distancePercent: 0 };

/** Whether anything is held in reserve. */
export function hasReserve({ lightStops, distancePercent }: Reserve): boolean {
  return lightStops > 0 || distancePercent > 0;
}

/** What is known of a frame stays the same object: setups are judged on it again and again. */
const HARDENED = new WeakMap<Frame, { readonly reserve: Reserve; readonly frame: Frame }>();

/**
 * A frame as it must be got for the reserve to hold: whoever gets this gets the frame however wrong its
 * light and each end of its distances are, within the reserve. The same object where there is none.
 */
export function withReserve(frame: Frame, wanted: Reserve): Frame {
  const { lightStops, distancePercent } = wanted;
  if (!hasReserve(wanted)) return frame;
  const known = HARDENED.get(frame);
  if (known?.reserve.lightStops === lightStops && known.reserve.distancePercent === distancePercent)
    return known.frame;
  const hard = withDistances(darker(frame, lightStops), distancePercent / 100);
  HARDENED.set(frame, { reserve: wanted, frame: hard });
  return hard;
}

/** A frame in light that is so many stops less. */
export function darker(frame: Frame, stops: number): Frame {
  const ev100 = ev100OfSource(frame.light.source);
  if (ev100 === null || stops === 0) return frame;
  return { ...frame, light: { ...frame.light, source: { kind: 'ev', ev100: ev100 - stops } } };
}

/**
 * A frame whose ends of distance may each be off by a share. Where every distance counts, all that it
 * may be do. Where one is enough, it is the distances that are in range however wrong the ends are; and
 * where there is none such, since the range is narrow, all those that may be the only one.
 */
function withDistances(frame: Frame, share: number): Frame {
  if (share === 0) return frame;
  const { need, depth, light } = frame;
  const { sharp, blur } = depth;
  const hard = {
    ...frame,
    depth: {
      sharp: sharp?.kind === 'zone' ? zoneWithin(sharp, share) : sharp,
      blur: blur?.behindM ? { ...blur, behindM: blur.behindM * (1 - share) } : blur,
    },
  };
  if (need.kind === 'subject') {
    const range = rangeWithin(need, share);
    return {
      ...hard,
      need: { ...need, ...range },
      // What comes towards the camera grows fastest at the nearest place it may be.
      light: quicker(light, range.fromM / (need.fromM * (1 - share))),
    };
  }
  if (!('atM' in need) || need.atM === null) return hard;
  // Nearer is harder for focus and movement, farther for a flash: it gets the weaker of the two.
  const { flash } = light;
  return {
    ...hard,
    need: { ...need, atM: need.atM * (1 - share) },
    light: flash
      ? { ...light, flash: { guideNumberM: (flash.guideNumberM * (1 - share)) / (1 + share) } }
      : light,
  };
}

interface Distances {
  readonly fromM: number;
  readonly toM: number;
  readonly footing: Footing;
}

function rangeWithin({ fromM, toM, footing }: Distances, share: number): Distances {
  if (footing !== 'free') return { fromM: fromM * (1 - share), toM: toM * (1 + share), footing };
  const [from, to] = [fromM * (1 + share), toM * (1 - share)];
  return from <= to ? { fromM: from, toM: to, footing } : { fromM: to, toM: from, footing: 'held' };
}

function zoneWithin(zone: Extract<SharpDepth, { kind: 'zone' }>, share: number): SharpDepth {
  return {
    ...zone,
    fromM: zone.fromM * (1 - share),
    toM: zone.toM === null ? null : zone.toM * (1 + share),
  };
}

/** Light for a subject that comes towards the camera so many times faster; any other stays. */
function quicker(light: Light, times: number): Light {
  const { movement } = light;
  if (movement?.direction !== 'toward' || times === 1) return light;
  return { ...light, movement: { ...movement, speedMps: movement.speedMps * times } };
}
