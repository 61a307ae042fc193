import type { Frame, FrameId, Limits } from '@/core/brief';
import type { Piece } from './selectable';

/** Two values of an aim nearer than this are equal; the smallest real step is far larger. */
export const AIM_TOLERANCE = 1e-6;

/** One aim of the choice, to be made as small as the aims before it allow. */
export interface Aim {
  readonly name:
    | 'musts'
    | 'wants'
    | 'pieces'
    | 'weightUnknown'
    | 'weight'
    | 'priceUnknown'
    | 'price'
    | 'bonus'
    | 'order';
  /** Cost of losing a frame. */
  readonly frameCost: (frameId: FrameId) => number;
  /** Cost of taking a piece; `order` is its place in the order of ids. */
  readonly pieceCost: (piece: Piece, order: number) => number;
}

const none = () => 0;

/**
 * Musts lost; percent of the wanted pictures lost, against pieces at the person's rate; pieces;
 * weight, fewest of unknown weight first; price likewise; bonus frames lost; the order of ids.
 */
export function aimsOf(frames: readonly Frame[], limits: Limits): Aim[] {
  const want = new Map(frames.map((f) => [f.id, f.want]));
  const shares = wantSharesPercent(frames);
  return [
    { name: 'musts', frameCost: (id) => (want.get(id) === 'must' ? 1 : 0), pieceCost: none },
    {
      name: 'wants',
      frameCost: (id) => shares.get(id) ?? 0,
      pieceCost: (p) => (shares.size > 0 && !p.lockedIn ? limits.wantRatePercent * p.pieces : 0),
    },
    { name: 'pieces', frameCost: none, pieceCost: (p) => p.pieces },
    { name: 'weightUnknown', frameCost: none, pieceCost: (p) => (p.weightG === null ? 1 : 0) },
    { name: 'weight', frameCost: none, pieceCost: (p) => p.weightG ?? 0 },
    { name: 'priceUnknown', frameCost: none, pieceCost: (p) => (p.price === null ? 1 : 0) },
    { name: 'price', frameCost: none, pieceCost: (p) => p.price ?? 0 },
    { name: 'bonus', frameCost: (id) => (want.get(id) === 'bonus' ? 1 : 0), pieceCost: none },
    { name: 'order', frameCost: none, pieceCost: (_, order) => order + 1 },
  ];
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
