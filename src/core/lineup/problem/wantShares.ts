import type { Frame, FrameId } from '@/core/brief';

/** Percent of the wanted pictures got; of one that is covered once instead of twice, half its share. */
export function shareGot(
  shares: ReadonlyMap<FrameId, number>,
  { got, once }: { readonly got: ReadonlySet<FrameId>; readonly once: ReadonlySet<FrameId> },
): number {
  return [...shares].reduce(
    (sum, [id, share]) => sum + (got.has(id) ? (once.has(id) ? share / 2 : share) : 0),
    0,
  );
}

/**
 * Share of the wanted pictures that each wanted frame stands for, percent, 100 in all. Frames
 * without a stated share get the mean of the stated ones; none stated, all weigh alike.
 */
export function wantSharesPercent(frames: readonly Frame[]): Map<FrameId, number> {
  const wants = frames.filter((f) => f.want === 'want');
  const stated = wants.flatMap((f) => (f.sharePercent === null ? [] : [f.sharePercent]));
  const mean = stated.length > 0 ? stated.reduce((a, b) => a + b, 0) / stated.length : 1;
  const share = (f: Frame) => f.sharePercent ?? mean;
  const total = wants.reduce((sum, f) => sum + share(f), 0);
  return new Map(
    wants.map((f) => [f.id, total > 0 ? (100 * share(f)) / total : 100 / wants.length]),
  );
}
