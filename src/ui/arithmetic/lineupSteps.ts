import type { Frame, Limits } from '@/core/brief';
import { piecesOf, type Shelf } from '@/core/gear';
import {
  bodiesAlong,
  type Gap,
  type LineupResult,
  priceOf,
  wantSharesPercent,
} from '@/core/lineup';
import { formatFocalRange, formatMoney } from '../format';
import type { Step } from './Figure';
import { exact } from './marginSteps';
import { sumStep } from './sumSteps';

interface Outing {
  readonly shelf: Shelf;
  readonly frames: readonly Frame[];
  readonly limits: Limits;
  readonly outing: { readonly currency: string };
}

/** In grams, unrounded. */
export const exactWeight = (g: number) => `${exact(g)} g`;

/** Ids of everything in a lineup. */
export const idsIn = ({ lineup }: LineupResult): string[] => [
  ...lineup.lensIds,
  ...lineup.converterIds,
  ...lineup.tubeIds,
  ...lineup.adapterIds,
];

function itemsOf({ shelf }: Outing, ids: readonly string[]) {
  const taken = new Set(ids);
  return piecesOf(shelf).filter((piece) => taken.has(piece.id));
}

/** The weight of some pieces, with the bodies along where the limits count them. */
export function weightSteps(file: Outing, ids: readonly string[]): Step[] {
  const { limits, shelf } = file;
  const bodies = limits.countBodies ? bodiesAlong(shelf, limits) : [];
  const parts = [...itemsOf(file, ids), ...bodies];
  return [
    sumStep(
      limits.countBodies ? 'Weight, bodies counted' : 'Weight of what is taken, without bodies',
      parts.map((p) => ({ name: p.name, value: p.weightG })),
      exactWeight,
      'Weights as on the shelf; one that is not known is never taken as zero under a limit.',
    ),
  ];
}

/** What some pieces cost by the price that counts. */
export function priceSteps(file: Outing, ids: readonly string[]): Step[] {
  const { limits } = file;
  return [
    sumStep(
      `Price, ${limits.priceBasis}`,
      itemsOf(file, ids).map((p) => ({ name: p.name, value: priceOf(p, limits) })),
      (amount) => formatMoney(amount, file.outing.currency),
      `The ${limits.priceBasis} price on the shelf, the other one where that is not known.`,
    ),
  ];
}

/** What has to be bought for some pieces. */
export function buySteps(file: Outing, ids: readonly string[]): Step[] {
  const { limits } = file;
  return [
    sumStep(
      'To buy',
      itemsOf(file, ids)
        .filter((p) => p.ownership === 'wished')
        .map((p) => ({ name: p.name, value: priceOf(p, limits) })),
      (amount) => formatMoney(amount, file.outing.currency),
      'Only what is wished for; what is owned or borrowed costs nothing more.',
    ),
  ];
}

/** The share of the wanted pictures that is got. */
export function wantsSteps(file: Outing, result: LineupResult): Step[] {
  const shares = wantSharesPercent(file.frames);
  const lost = new Set<string>(
    result.frames.filter((f) => f.state === 'lost').map((f) => f.frameId),
  );
  const got = file.frames.flatMap((f) => {
    const share = shares.get(f.id);
    return share === undefined || lost.has(f.id) ? [] : [{ name: f.name, value: share }];
  });
  return [
    sumStep(
      'Share of the wanted pictures',
      got,
      (percent) => `${exact(percent)} %`,
      'Shares as given; wants without one share the rest evenly.',
    ),
  ];
}

/** The crop that bridges a gap, and the pixels that it leaves. */
export function gapSteps({ range, crop, megapixelsLeft }: Gap): Step[] {
  return [
    {
      name: 'Crop that bridges the gap',
      result: `${exact(crop)}×`,
      formula: `long end / wide end = ${exact(range.to)} mm / ${exact(range.from)} mm on 36×24, for ${formatFocalRange(range.from, range.to)}`,
      source: 'Similar triangles; focal lengths by the diagonal of the part of the sensor used.',
    },
    ...(megapixelsLeft === null
      ? []
      : [
          {
            name: 'Pixels left',
            result: `${exact(megapixelsLeft)} MP`,
            formula: `pixels / crop² = ${exact(megapixelsLeft * crop * crop)} MP / ${exact(crop * crop)}`,
            source: 'Pixel counting.',
          },
        ]),
  ];
}
