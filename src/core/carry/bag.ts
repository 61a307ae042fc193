import type { Compartment } from '@/core/brief';

/** Sides of a block or of a compartment, mm. */
export interface BlockSides {
  readonly widthMm: number;
  readonly heightMm: number;
  readonly depthMm: number;
}

/** Something to go into a bag as a block that may be turned every way; a lens is the block around it. */
export interface BagItem extends BlockSides {
  readonly id: string;
}

/** A block in its place: its corner nearest to the compartment's, and its sides as turned. */
export interface Placed extends BagItem {
  readonly compartmentId: string;
  readonly xMm: number;
  readonly yMm: number;
  readonly zMm: number;
}

/** The answer; `shareFilled` is the blocks' share of the compartments' room. */
export type BagAnswer =
  | { readonly kind: 'fits'; readonly placed: readonly Placed[]; readonly shareFilled: number }
  /** No compartment takes this one, however it is turned. */
  | { readonly kind: 'too-big'; readonly item: BagItem }
  /** All compartments together have less room than the blocks. */
  | { readonly kind: 'too-much'; readonly shareFilled: number }
  /** No way was found; `placed` is the most that went in. */
  | {
      readonly kind: 'not-found';
      readonly placed: readonly Placed[];
      readonly outIds: readonly string[];
      readonly shareFilled: number;
    };

/** Places looked at before the search is given up. */
const MOST_TRIES = 200_000;

/**
 * Whether blocks go into compartments, by search: the largest first, each in every turned position
 * at every corner that the placed ones leave, depth first.
 *
 * What it finds is a packing that can be drawn and checked. That nothing goes in is certain only for
 * `too-big` and `too-much`; `not-found` says no more than that the search found none. Round lenses
 * count as the blocks around them, so a bag that is tight on paper may still take them.
 */
export function packBag(
  compartments: readonly Compartment[],
  items: readonly BagItem[],
): BagAnswer {
  const tooBig = items.find(
    (item) => !compartments.some((c) => turnsOf(item).some((t) => within(t, c))),
  );
  if (tooBig) return { kind: 'too-big', item: tooBig };
  const shareFilled = volumeMm3(items) / volumeMm3(compartments);
  if (shareFilled > 1) return { kind: 'too-much', shareFilled };
  return { ...new BagSearch(compartments, items).run(), shareFilled };
}

const volume = (s: BlockSides) => s.widthMm * s.heightMm * s.depthMm;

/** Room that blocks take or compartments have, mm³. */
export function volumeMm3(all: readonly BlockSides[]): number {
  return all.reduce((sum, each) => sum + volume(each), 0);
}

const within = (t: BlockSides, c: BlockSides) =>
  t.widthMm <= c.widthMm && t.heightMm <= c.heightMm && t.depthMm <= c.depthMm;

/** Every way of turning a block, each once. */
function turnsOf({ widthMm: a, heightMm: b, depthMm: c }: BlockSides): BlockSides[] {
  const all = [
    [a, b, c],
    [a, c, b],
    [b, a, c],
    [b, c, a],
    [c, a, b],
    [c, b, a],
  ] as const;
  const seen = new Set<string>();
  return all.flatMap(([widthMm, heightMm, depthMm]) => {
    const key = `${widthMm} ${heightMm} ${depthMm}`;
    if (seen.has(key)) return [];
    seen.add(key);
    return [{ widthMm, heightMm, depthMm }];
  });
}

class BagSearch {
  private readonly items: readonly BagItem[];
  private tries = 0;
  private best: readonly Placed[] = [];

  constructor(
    private readonly compartments: readonly Compartment[],
    items: readonly BagItem[],
  ) {
    this.items = [...items].sort((a, b) => volume(b) - volume(a) || (a.id < b.id ? -1 : 1));
  }

  run() {
    const placed = this.place(0, []);
    if (placed) return { kind: 'fits' as const, placed };
    const inside = new Set(this.best.map((p) => p.id));
    return {
      kind: 'not-found' as const,
      placed: this.best,
      outIds: this.items.map((i) => i.id).filter((id) => !inside.has(id)),
    };
  }

  private place(index: number, placed: readonly Placed[]): readonly Placed[] | null {
    if (placed.length > this.best.length) this.best = placed;
    const item = this.items[index];
    if (!item) return placed;
    for (const compartment of this.compartments) {
      const inCompartment = placed.filter((p) => p.compartmentId === compartment.id);
      for (const corner of cornersOf(inCompartment)) {
        for (const turn of turnsOf(item)) {
          this.tries += 1;
          if (this.tries > MOST_TRIES) return null;
          const next = { id: item.id, compartmentId: compartment.id, ...corner, ...turn };
          if (!isInside(next, compartment) || inCompartment.some((p) => overlaps(p, next)))
            continue;
          const found = this.place(index + 1, [...placed, next]);
          if (found) return found;
        }
      }
    }
    return null;
  }
}

/** The corner of the compartment, and beside, above and behind each block, low and near first. */
function cornersOf(placed: readonly Placed[]): Pick<Placed, 'xMm' | 'yMm' | 'zMm'>[] {
  const ends = (at: (p: Placed) => number) => [...new Set([0, ...placed.map(at)])];
  const xs = ends((p) => p.xMm + p.widthMm);
  const ys = ends((p) => p.yMm + p.heightMm);
  const zs = ends((p) => p.zMm + p.depthMm);
  return ys
    .flatMap((yMm) => zs.flatMap((zMm) => xs.map((xMm) => ({ xMm, yMm, zMm }))))
    .sort((a, b) => a.yMm - b.yMm || a.zMm - b.zMm || a.xMm - b.xMm);
}

function isInside(p: Placed, c: Compartment): boolean {
  return (
    p.xMm + p.widthMm <= c.widthMm &&
    p.yMm + p.heightMm <= c.heightMm &&
    p.zMm + p.depthMm <= c.depthMm
  );
}

function overlaps(a: Placed, b: Placed): boolean {
  return (
    a.xMm < b.xMm + b.widthMm &&
    b.xMm < a.xMm + a.widthMm &&
    a.yMm < b.yMm + b.heightMm &&
    b.yMm < a.yMm + a.heightMm &&
    a.zMm < b.zMm + b.depthMm &&
    b.zMm < a.zMm + a.depthMm
  );
}
