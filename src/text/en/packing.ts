import type { Charging } from '@/core/brief';
import type { ForgottenOften, PackingLine } from '@/core/carry';
import {
  formatFNumber,
  formatMm,
  formatPercent,
  formatShutter,
  formatStops,
  formatWeight,
} from '../format';
import { counted } from './counts';
import { plainList } from '../lists';

/** A line in words: what, and why with its arithmetic. */
export function lineWords(
  line: PackingLine,
  name: (id: string) => string,
): { readonly what: string; readonly why: string } {
  const names = (ids: readonly string[]) => plainList(ids.map(name));
  switch (line.code) {
    case 'body':
    case 'piece':
      return { what: name(line.id), why: 'in the plan' };
    case 'batteries':
      return { what: `Batteries for ${name(line.bodyId)}`, why: batteryWords(line) };
    case 'power-bank':
      return {
        what: `Power bank for ${counted(line.charges, 'charge')}`,
        why: 'charges on the way, so you need fewer batteries',
      };
    case 'cards':
      return {
        what: `Cards of ${line.cardGb} GB for ${name(line.bodyId)}`,
        why: `${line.pictures} pictures × ${line.fileMb} MB = ${line.neededGb.toFixed(0)} GB; ${line.aSlot === 1 ? 'one' : line.aSlot} for each slot (${line.slots})`,
      };
    case 'spare-card':
      return {
        what: line.cardType === null ? 'Spare card' : `Spare card, ${line.cardType}`,
        why: `for ${names(line.bodyIds)}`,
      };
    case 'spare-body':
      return {
        what: `${name(line.bodyId)}, spare`,
        why: line.lies === 'bag' ? 'not in use; in the bag' : 'not in use; left with the rest',
      };
    case 'unknown-charge':
      return {
        what: `Batteries for ${name(line.bodyId)}`,
        why: 'pictures per charge are unknown: one, and one spare',
      };
    case 'unknown-file':
      return {
        what: `Cards for ${name(line.bodyId)}`,
        why: 'the size of a picture’s file is unknown: one for each slot',
      };
    case 'tripod':
      return {
        what: `Tripod rated for ${formatWeight(line.loadG)}`,
        why: `for ${names(line.frameIds)}; the heaviest setup weighs ${formatWeight(line.loadG)}`,
      };
    case 'monopod':
      return {
        what: 'Monopod or gimbal head',
        why: `the heaviest setup weighs ${formatWeight(line.loadG)}: too heavy to hand-hold for long`,
      };
    case 'headlamp':
      return {
        what: 'Headlamp, red light',
        why: `working on a support in the dark: ${names(line.frameIds)}`,
      };
    case 'rain':
      return { what: 'Rain covers and a towel', why: `wet: ${names(line.stretchIds)}` };
    case 'dust':
      return { what: 'Blower and dust covers', why: `dust or sand: ${names(line.stretchIds)}` };
    case 'cold':
      return {
        what: 'Gloves, and a warm pocket for the batteries',
        why: `cold: ${names(line.stretchIds)}`,
      };
    case 'drop-in-filter':
      return {
        what: `Drop-in filter for ${name(line.adapterId)}`,
        why: `for ${names(line.frameIds)}`,
      };
    case 'grey-filter':
      return {
        what: `Grey filter of ${formatStops(line.stops)}${line.threadMm === null ? ', drop-in' : `, ${formatMm(line.threadMm)}`}`,
        why: `${formatShutter(line.timeS)} for ${names(line.frameIds)}, at ${formatFNumber(line.fNumber)} and ISO 100, rounded up`,
      };
    case 'filters':
      return {
        what: `Filters of ${formatMm(line.threadMm)}`,
        why: `the largest thread for ${names(line.frameIds)}; rings fit the smaller ones`,
      };
    case 'step-up-ring':
      return {
        what: `Step-up ring ${formatMm(line.fromMm)} to ${formatMm(line.toMm)}`,
        why: 'so one set of filters fits all',
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

const FILLINGS: Readonly<Record<Charging['kind'], string>> = {
  nightly: 'on the busiest day, charged every night',
  none: 'over the whole outing, never charged',
  powerBank: 'over the whole outing',
};

function batteryWords(line: Extract<PackingLine, { code: 'batteries' }>): string {
  const cold =
    line.cold > 0 && line.coldPercent > 0
      ? `, ${line.cold} of them in the cold, which costs ${formatPercent(line.coldPercent)} of a charge`
      : '';
  const bank =
    line.fromBank > 0 ? `, less ${counted(line.fromBank, 'charge')} from the power bank` : '';
  return `${line.pictures} pictures ${FILLINGS[line.charging]}, ÷ ${line.picturesPerCharge} a charge${cold}${bank}, rounded up, and one spare`;
}

export const FORGOTTEN: Readonly<Record<ForgottenOften, string>> = {
  spareBatteries: 'spare batteries, charged',
  chargers: 'chargers and cables',
  spareCard: 'a spare card, empty',
  tripodPlate: 'the tripod plate',
  cloth: 'a cloth for the front lens',
  permits: 'permits, passes, the address',
  waterAndFood: 'water and food',
};
