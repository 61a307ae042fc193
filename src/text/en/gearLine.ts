import type { GearLine, Understood } from '@/document';
import {
  formatFNumbers,
  formatFocalRange,
  formatMetres,
  formatMm,
  formatMoney,
  formatWeight,
} from '../format';
import { OWNERSHIPS } from './codes';
import { plainList } from '../lists';

/** What was understood of a line of gear, in words. */
export function understoodText(u: Understood, currency: string): string {
  const parts: (string | false | undefined)[] = [
    u.wideMm !== undefined && formatFocalRange(u.wideMm, u.longMm ?? u.wideMm),
    u.wideFNumber !== undefined && formatFNumbers(u.wideFNumber, u.longFNumber ?? u.wideFNumber),
    u.factor !== undefined && `converter ${u.factor}×`,
    u.tubeMm !== undefined && `tube ${formatMm(u.tubeMm)}`,
    u.mount !== undefined && `mount ${u.mount}`,
    u.weightG !== undefined && formatWeight(u.weightG),
    u.filterMm !== undefined && `filter thread ${formatMm(u.filterMm)}`,
    u.minFocusM !== undefined && `closest focus ${formatMetres(u.minFocusM)}`,
    u.autofocus !== undefined && (u.autofocus ? 'autofocus' : 'manual focus'),
    u.sealed && 'weather sealed',
    u.fisheye && 'fisheye',
    u.ownership !== undefined && OWNERSHIPS[u.ownership],
    u.priceNew !== undefined && `${formatMoney(u.priceNew, currency)} new`,
    u.priceUsed !== undefined && `${formatMoney(u.priceUsed, currency)} used`,
  ];
  return plainList(parts.filter((part) => typeof part === 'string'));
}

/** What is missing for a line to be an item. */
export function missingText(line: GearLine): string {
  if (line.kind !== null) return '';
  if (line.missing === 'f-number') return 'needs an f-number, such as 2.8 or f/4-5.6';
  if (line.missing === 'range') return 'needs a focal length, such as 24-70 or 50';
  return 'has figures that no lens has';
}
