import type { StretchTime } from './outingTimes';
import type { Seen } from './seen';
import { MINUTE_MS } from '@/core/units';

/** By how much a camera's clock seems to be off. */
export interface ClockSuggestion {
  readonly camera: number;
  /** Seconds to be added to it: the roundest of all offsets that do as well. */
  readonly offsetS: number;
  readonly fromS: number;
  readonly toS: number;
  /** Photographs inside a stretch with it, as it is now, and in all. */
  readonly inside: number;
  readonly insideNow: number;
  readonly count: number;
}

/** Furthest that a clock is looked for: half a day covers every time zone but the odd one. */
const FURTHEST_MS = 13 * 60 * MINUTE_MS;
/** Fewer photographs brought into a stretch are chance. */
const LEAST_GAIN = { photos: 3, share: 0.005 } as const;

/**
 * For each camera, the offset that brings most of its photographs into the outing's stretches: found
 * exactly, by going through every offset at which one comes in or goes out. Where the clock is right
 * already, nothing is suggested.
 */
export function suggestClocks(
  { log, takenMs }: Seen,
  which: Uint32Array,
  times: readonly StretchTime[],
): ClockSuggestion[] {
  if (times.length === 0) return [];
  return log.cameras.flatMap((_, camera) => {
    const moments = [...which]
      .filter((i) => log.lists.camera[i] === camera)
      .map((i) => takenMs[i] ?? NaN)
      .filter((ms) => !Number.isNaN(ms));
    const insideNow = moments.filter((ms) => times.some((t) => ms >= t.fromMs && ms <= t.toMs));
    const best = bestOffset(moments, times);
    const gain = (best?.inside ?? 0) - insideNow.length;
    if (best === null || gain < Math.max(LEAST_GAIN.photos, LEAST_GAIN.share * moments.length))
      return [];
    return [{ camera, ...best, insideNow: insideNow.length, count: moments.length }];
  });
}

/** Sweeps over all offsets; among equally good ones the range nearest to none is taken. */
function bestOffset(moments: readonly number[], times: readonly StretchTime[]) {
  const events = moments.flatMap((ms) =>
    times.flatMap((t) => [
      { at: t.fromMs - ms, by: 1 },
      { at: t.toMs - ms, by: -1 },
    ]),
  );
  events.sort((a, b) => a.at - b.at || b.by - a.by);
  let inside = 0;
  let best: { inside: number; fromMs: number; toMs: number } | null = null;
  const away = (r: { fromMs: number; toMs: number }) => Math.max(0, r.fromMs, -r.toMs);
  events.forEach((event, k) => {
    inside += event.by;
    const next = events[k + 1]?.at ?? event.at;
    const range = { inside, fromMs: event.at, toMs: next };
    if (next <= event.at || away(range) > FURTHEST_MS) return;
    if (
      best === null ||
      inside > best.inside ||
      (inside === best.inside && away(range) < away(best))
    )
      best = range;
  });
  const found = best as { inside: number; fromMs: number; toMs: number } | null;
  if (found === null) return null;
  return {
    inside: found.inside,
    fromS: found.fromMs / 1000,
    toS: found.toMs / 1000,
    offsetS: roundest(found.fromMs / 1000, found.toMs / 1000),
  };
}

/** The whole hour in a range that is nearest to none, else the whole minute, else its middle. */
function roundest(fromS: number, toS: number): number {
  for (const step of [3600, 60]) {
    const nearest = fromS > 0 ? Math.ceil(fromS / step) : Math.min(0, Math.floor(toS / step));
    if (nearest * step >= fromS && nearest * step <= toS) return nearest * step;
  }
  return Math.round((fromS + toS) / 2);
}
