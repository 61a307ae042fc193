import type { ForgottenOften, PackingLine } from '@/core/carry';
import { formatFNumber, formatMm, formatPercent, formatWeight } from '@/ui';

/** A line in words: what, and why with its arithmetic. */
export function lineWords(
  line: PackingLine,
  name: (id: string) => string,
): { readonly what: string; readonly why: string } {
  const names = (ids: readonly string[]) => ids.map(name).join(', ');
  switch (line.code) {
    case 'body':
    case 'piece':
      return { what: name(line.id), why: 'in the plan' };
    case 'batteries':
      return {
        what: `Batteries for ${name(line.bodyId)}`,
        why: `${line.pictures} pictures${line.days > 1 ? ` over ${line.days} days, charged every night` : ''} ÷ ${line.picturesPerCharge} a charge${line.coldPercent > 0 ? ` less ${formatPercent(line.coldPercent)} for cold` : ''}, rounded up, and one spare`,
      };
    case 'cards':
      return {
        what: `Cards of ${line.cardGb} GB for ${name(line.bodyId)}`,
        why: `${line.pictures} pictures × ${line.fileMb} MB = ${line.neededGb.toFixed(0)} GB; ${line.aSlot === 1 ? 'one' : line.aSlot} a slot (${line.slots}) and one spare`,
      };
    case 'unknown-charge':
      return {
        what: `Batteries for ${name(line.bodyId)}`,
        why: 'pictures a charge are not known: one, and one spare',
      };
    case 'unknown-file':
      return {
        what: `Cards for ${name(line.bodyId)}`,
        why: 'the size of a picture’s file is not known: one a slot and one spare',
      };
    case 'tripod':
      return {
        what: `Tripod that bears ${formatWeight(line.loadG)}`,
        why: `on support: ${names(line.frameIds)}; the heaviest setup weighs ${formatWeight(line.loadG)}`,
      };
    case 'monopod':
      return {
        what: 'Monopod or gimbal head',
        why: `the heaviest setup weighs ${formatWeight(line.loadG)}: not held by hand for more than minutes`,
      };
    case 'headlamp':
      return { what: 'Headlamp, red light', why: `in the dark: ${names(line.frameIds)}` };
    case 'rain':
      return { what: 'Rain covers and a towel', why: `wet: ${names(line.stretchIds)}` };
    case 'dust':
      return { what: 'Blower and dust covers', why: `dust or sand: ${names(line.stretchIds)}` };
    case 'filters':
      return {
        what: `Filters of ${formatMm(line.threadMm)}`,
        why: `the largest thread for ${names(line.frameIds)}; rings fit the smaller ones`,
      };
    case 'step-up-ring':
      return {
        what: `Step-up ring ${formatMm(line.fromMm)} to ${formatMm(line.toMm)}`,
        why: 'so that one set of filters serves',
      };
    case 'flash':
      return {
        what: `Flash of guide number ${line.guideNumberM}`,
        why: `${names(line.frameIds)}; guide number ÷ distance gives the f-number, ${formatFNumber(line.guideNumberM / 5)} at 5 m`,
      };
    case 'flash-batteries':
      return {
        what: 'Sets of flash batteries',
        why: `${line.pictures} flashes, about 150 a set, and one spare`,
      };
    case 'thing':
      return {
        what: line.name,
        why: line.weightG === null ? 'your own' : `your own, ${formatWeight(line.weightG)}`,
      };
  }
}

export const FORGOTTEN: Readonly<Record<ForgottenOften, string>> = {
  spareBatteries: 'spare batteries, charged',
  chargers: 'chargers and cables',
  spareCard: 'a spare card, empty',
  tripodPlate: 'the plate of the tripod',
  cloth: 'a cloth for the front lens',
  permits: 'permits, passes, the address',
  waterAndFood: 'water and something to eat',
};
