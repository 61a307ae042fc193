import type { BeyondLimit, LimitKey, UnknownUnderLimit } from '@/core/lineup';
import { formatMm, formatMoney, formatWeight } from '../format';
import { counted } from './counts';

/** Limits that are usually the same on every outing, by the names that their fields have. */
export const USUAL_LIMIT_NAMES = {
  order: 'Order of preferences',
  lensKinds: 'Lenses',
  converters: 'Converters',
  wantRatePercent: 'Each item must add at least',
  converterPieces: 'A converter counts',
  tubePieces: 'A tube counts',
  adapterPieces: 'An adapter counts',
  circleOfConfusion: 'Circle of confusion',
  maxCrop: 'Crop at most',
  isoCeiling: 'ISO at most',
  needTolerancePercent: 'Focal length or angle, within',
  priceBasis: 'Prices',
} as const;

interface LimitText {
  /** Of its field. */
  readonly label: string;
  readonly hint?: string;
  readonly measure?: 'g' | 'mm' | 'money';
  /** One of its values, with its unit. */
  readonly figure: (value: number, currency: string) => string;
  /** The limit, where it is one of those that can't all be met. */
  readonly atMost: (figure: string) => string;
}

/** What is said of each limit. */
export const LIMIT_TEXTS: Readonly<Record<LimitKey, LimitText>> = {
  maxLenses: {
    label: 'Lenses at most',
    figure: (count) => counted(count, 'lens'),
    atMost: (figure) => `at most ${figure}`,
  },
  maxLineupWeightG: {
    label: 'Weight at most',
    measure: 'g',
    figure: formatWeight,
    atMost: (figure) => `at most ${figure}`,
  },
  maxCarriedWeightG: {
    label: 'Everything carried',
    hint: 'cameras, lenses, support, batteries, cards, own things, bag',
    measure: 'g',
    figure: formatWeight,
    atMost: (figure) => `at most ${figure} carried in all`,
  },
  maxSpend: {
    label: 'Spend at most',
    measure: 'money',
    figure: formatMoney,
    atMost: (figure) => `at most ${figure} to spend`,
  },
  maxDiameterMm: {
    label: 'Lens diameter at most',
    hint: 'hood reversed',
    measure: 'mm',
    figure: (mm) => formatMm(mm),
    atMost: (figure) => `lenses at most ${figure} thick`,
  },
};

/** What is said of gear that is left out because nobody knows whether it keeps to a limit. */
export const UNKNOWN_NOTES: Readonly<Record<UnknownUnderLimit, (names: string) => string>> = {
  'price-unknown': (names) =>
    `A budget is set, but the price of ${names} is unknown, so they’re left out. Add the prices on the shelf, or remove the limit.`,
  'diameter-unknown': (names) =>
    `Left out as thicker than your limit, by estimated diameters: ${names}. Enter them here to be sure.`,
};

/** Why a limit leaves a lens out by itself. */
export const LIMIT_REASONS: Readonly<Record<UnknownUnderLimit | BeyondLimit, string>> = {
  'price-unknown': 'price unknown, and a budget is set',
  'diameter-unknown': 'thicker than your limit, by its estimated diameter',
  'too-thick': 'thicker than your limit',
};
