import type { Frame, FrameId, Limits } from '@/core/brief';
import { itemsWithoutBodies, type Shelf } from '@/core/gear';
import {
  type Advantage,
  type Gap,
  type LineupResult,
  pricingOf,
  wantSharesPercent,
} from '@/core/lineup';
import { formatFocalRange, formatMoney } from '../../format';
import type { Interval } from '@/core/intervals';
import type { Step } from './step';
import { exact, exactIn } from './exact';
import { sumStep, weightPart } from './sumSteps';

interface PricedOuting {
  readonly shelf: Shelf;
  readonly frames: readonly Frame[];
  readonly limits: Limits;
  readonly outing: { readonly currency: string };
}

/** A weight in the person's units, unrounded. */
export const exactWeight = (g: number) => exactIn(g, 'g');

/** Ids of everything in a lineup. */
export const idsIn = ({ lineup }: LineupResult): string[] => [
  ...lineup.lensIds,
  ...lineup.converterIds,
  ...lineup.tubeIds,
  ...lineup.adapterIds,
];

function itemsOf({ shelf }: PricedOuting, ids: readonly string[]) {
  const taken = new Set(ids);
  return itemsWithoutBodies(shelf).filter((item) => taken.has(item.id));
}

/** The weight of some pieces, with the bodies along where the limits count them. */
export function weightSteps(
  file: PricedOuting,
  ids: readonly string[],
  bodyIds: readonly string[] = [],
): Step[] {
  const { limits, shelf } = file;
  const bodies = limits.countBodies ? shelf.bodies.filter((b) => bodyIds.includes(b.id)) : [];
  const parts = [...itemsOf(file, ids), ...bodies];
  return [
    sumStep(
      limits.countBodies ? 'Weight with cameras' : 'Weight without cameras',
      parts.map(weightPart(shelf)),
      exactWeight,
      'Weights from the shelf; an unknown one is estimated from range, f-number and sensor, and half of real lenses are within a sixth of that.',
    ),
  ];
}

/** What an item costs, or takes to have it, as a part of a sum; said where it is estimated. */
function pricePart({ shelf, limits, outing }: PricedOuting, of: 'of' | 'spend') {
  const pricing = pricingOf(shelf, limits, outing.currency);
  return ({ id, name }: { readonly id: string; readonly name: string }) => {
    const value = pricing[of](id);
    return { name: value && pricing.isEstimated(id) ? `${name}, estimated` : name, value };
  };
}

/** What some pieces cost by the price that counts. */
export function priceSteps(file: PricedOuting, ids: readonly string[]): Step[] {
  const { limits } = file;
  return [
    sumStep(
      `Price, ${limits.priceBasis}`,
      itemsOf(file, ids).map(pricePart(file, 'of')),
      (amount) => formatMoney(amount, file.outing.currency),
      `The ${limits.priceBasis} price on the shelf, or the other one where that is unknown. A lens without either is estimated from range, f-number and sensor, and half of real lenses are within a factor of 1.5 of that.`,
    ),
  ];
}

/** What has to be bought or rented for some items. */
export function buySteps(file: PricedOuting, ids: readonly string[]): Step[] {
  return [
    sumStep(
      'To buy or rent',
      itemsOf(file, ids)
        .filter((p) => p.ownership === 'wished' || p.ownership === 'rented')
        .map(pricePart(file, 'spend')),
      (amount) => formatMoney(amount, file.outing.currency),
      'Wished items at their price, rented ones by the day; owned and borrowed items cost nothing more.',
    ),
  ];
}

/** The share of the wanted pictures that a lineup gets. */
export function wantsSteps(file: PricedOuting, { frames }: LineupResult): Step[] {
  return wantsGotSteps(
    file,
    frames.flatMap((f) => (f.state === 'lost' ? [] : [f.frameId])),
  );
}

/** The share of the wanted pictures that some frames stand for. */
export function wantsGotSteps(file: PricedOuting, gotIds: readonly FrameId[]): Step[] {
  const shares = wantSharesPercent(file.frames);
  const parts = file.frames.flatMap((f) => {
    const share = shares.get(f.id);
    return share === undefined || !gotIds.includes(f.id) ? [] : [{ name: f.name, value: share }];
  });
  return [
    sumStep(
      'Share of the wanted pictures',
      parts,
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

const AS_ON_SHELF = 'Figures from the shelf; an unknown one counts for neither lens.';

/** What one lens has over another in a range that they share; none for sealing. */
export function advantageSteps({ reason, by, figures }: Advantage, range: Interval): Step[] {
  if (by === null || figures === null) return [];
  const [value, other] = [exact(figures.own), exact(figures.other)];
  if (reason === 'faster')
    return [
      {
        name: `Faster at ${exact(Math.sqrt(range.from * range.to))} mm on 36×24`,
        result: `${exact(by)} stops`,
        formula: `2·log2(N other / N own) = 2·log2(${other} / ${value}), in the middle of ${formatFocalRange(range.from, range.to)} by ratio`,
        source: 'Light goes with 1 / N². A third of a stop and more is called faster.',
      },
    ];
  if (reason === 'lighter')
    return [
      {
        name: 'Lighter',
        result: exactWeight(by),
        formula: `${other} g − ${value} g`,
        source: `${AS_ON_SHELF} 50 g and more are called lighter.`,
      },
    ];
  if (reason === 'closer')
    return [
      {
        name: 'Greater magnification',
        result: `${exact(by)}× more`,
        formula: `${value}× − ${other}×`,
        source: AS_ON_SHELF,
      },
    ];
  return [
    {
      name: 'Steadier',
      result: `${exact(by)} stops`,
      formula: `${value} − ${other} stops of the lens’s stabiliser`,
      source: AS_ON_SHELF,
    },
  ];
}
