import { weighingOf } from '@/core/gear';
import type { Frame, Limits } from '@/core/brief';
import type { Body, Shelf } from '@/core/gear';

/**
 * What may be taken, what it counts, and what a lineup is worth, written from docs/model.md for trials
 * by enumeration. Nothing here comes from the code that it judges.
 */

export interface PlainItem {
  readonly id: string;
  readonly isLens: boolean;
  readonly counts: number;
  readonly weightG: number;
  readonly price: number | null;
  /** What it costs to have it; null when not known. */
  readonly spend: number | null;
  readonly owned: boolean;
  readonly lockedIn: boolean;
}

type Gear = Shelf['lenses' | 'converters' | 'tubes' | 'adapters'][number];

/** The items that the limits leave, each by itself. Rented ones are not asked here. */
export function itemsLeft(shelf: Shelf, limits: Limits): PlainItem[] {
  const weighing = weighingOf(shelf);
  const plain = (gear: Gear, isLens: boolean, counts: number): PlainItem => {
    const price =
      limits.priceBasis === 'new'
        ? (gear.priceNew ?? gear.priceUsed)
        : (gear.priceUsed ?? gear.priceNew);
    return {
      id: gear.id,
      isLens,
      counts,
      weightG: weighing.of(gear.id),
      price,
      spend: gear.ownership === 'wished' ? price : 0,
      owned: gear.ownership === 'owned',
      lockedIn: limits.lockedIn.some((id) => id === gear.id),
    };
  };
  const all: readonly (readonly [Gear, PlainItem])[] = [
    ...shelf.lenses.map((l) => [l, plain(l, true, 1)] as const),
    ...shelf.converters.map((c) => [c, plain(c, false, limits.converterPieces)] as const),
    ...shelf.tubes.map((t) => [t, plain(t, false, limits.tubePieces)] as const),
    ...shelf.adapters.map((a) => [a, plain(a, false, limits.adapterPieces)] as const),
  ];
  return all.flatMap(([gear, item]) => {
    const away = gear.ownership === 'in-repair' || gear.ownership === 'lent-out';
    const unknown = limits.maxSpend !== null && item.spend === null;
    if (limits.lockedOut.some((id) => id === gear.id) || away) return [];
    if (item.lockedIn) return [item];
    return unknown || !limits.sources.some((s) => s === gear.ownership) ? [] : [item];
  });
}

/** The cameras that may come along. */
export function bodiesLeft(shelf: Shelf, limits: Limits): Body[] {
  const weighing = weighingOf(shelf);
  return shelf.bodies
    .filter(
      (b) =>
        limits.sources.some((s) => s === b.ownership) &&
        !limits.lockedOut.some((id) => id === b.id),
    )
    .map((b) => ({ ...b, weightG: weighing.of(b.id) }));
}

/** Whether some readings of a picture are got: as asked, at least once, with light in hand, and so on. */
export type GotReading = (frameId: string, reading: string) => boolean;

/** What a lineup comes to, smaller is better, the first figure before the second and so on. */
export function worthOf(
  frames: readonly Frame[],
  limits: Limits,
  {
    items,
    bodies,
    changes,
    got,
  }: {
    readonly items: readonly PlainItem[];
    /** Cameras along, where they are counted. */
    readonly bodies: readonly Body[];
    readonly changes: number;
    readonly got: GotReading;
  },
): number[] {
  const sum = (values: readonly number[]) => values.reduce((a, b) => a + b, 0);
  const doubled = (f: Frame) =>
    f.twice !== null && (f.twice.by === 'bodies' || f.twice.shooterIds.length !== 1);
  const lost = (f: Frame) => !got(f.id, doubled(f) ? 'single' : 'base');
  const single = (f: Frame) => doubled(f) && !got(f.id, 'base');
  /** How much of a picture is missing: half where it is covered once of twice. */
  const missing = (f: Frame) => (lost(f) ? 1 : single(f) ? 0.5 : 0);
  const musts = frames.filter((f) => f.want === 'must');
  const wants = frames.filter((f) => f.want === 'want');
  const stated = wants.flatMap((f) => (f.sharePercent === null ? [] : [f.sharePercent]));
  const usual = stated.length === 0 ? 1 : sum(stated) / stated.length;
  const all = sum(wants.map((f) => f.sharePercent ?? usual));
  const share = (f: Frame) =>
    all > 0 ? (100 * (f.sharePercent ?? usual)) / all : 100 / wants.length;
  const earned = sum(items.map((i) => (i.lockedIn ? 0 : i.counts)));
  const judged = frames.filter((f) => f.want !== 'bonus');
  const without = (...readings: readonly string[]) =>
    sum(judged.map((f) => readings.filter((r) => !got(f.id, r)).length));
  const weight = [sum([...items, ...bodies].map((i) => i.weightG ?? 0))];
  const price = [
    sum(items.map((i) => Number(i.price === null))),
    sum(items.map((i) => i.price ?? 0)),
  ];
  const of: Record<Limits['order'][number], () => number[]> = {
    weight: () => weight,
    price: () => price,
    speed: () => [without('stop1', 'stop2')],
    changes: () => [changes],
    crop: () => [without('whole')],
    own: () => [items.filter((i) => !i.owned).length],
    grade: () => [without('good', 'firstClass')],
  };
  const late = [...limits.order, ...(['weight', 'price'] as const)];
  return [
    musts.filter(lost).length,
    musts.filter((f) => !lost(f) && single(f)).length,
    sum(wants.map((f) => share(f) * missing(f))) +
      (wants.length > 0 ? limits.wantRatePercent * earned : 0),
    sum(items.map((i) => i.counts)),
    frames.filter(
      (f) =>
        (f.want === 'must' || (f.want === 'want' && share(f) > 0)) &&
        !lost(f) &&
        !got(f.id, 'usualFocus'),
    ).length,
    ...[...new Set(late)].flatMap((name) => of[name]()),
    sum(
      frames.map((f) =>
        f.want === 'bonus' || (f.want === 'want' && share(f) === 0) ? missing(f) : 0,
      ),
    ),
  ];
}
