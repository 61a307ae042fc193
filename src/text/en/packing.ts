import type { Charging } from '@/core/brief';
import type { ForgottenOften, PackingLine } from '@/core/carry';
import { formatFNumber, formatMm, formatPercent, formatShutter, formatWeight } from '../format';
import { counted } from './counts';
import { plainList } from '../lists';

interface LineWords {
  readonly what: string;
  /** With its arithmetic; empty for what the plan itself uses. */
  readonly why: string;
}
type Namer = (id: string) => string;

const namesIn = (name: Namer, ids: readonly string[]) => plainList(ids.map(name));

const LINES: {
  readonly [Code in PackingLine['code']]: (
    line: PackingLine & { readonly code: Code },
    name: Namer,
  ) => LineWords;
} = {
  body: (line, name) => ({ what: name(line.id), why: '' }),
  piece: (line, name) => ({ what: name(line.id), why: '' }),
  batteries: (line, name) => ({
    what: `Batteries for ${name(line.bodyId)}`,
    why: batteryWords(line),
  }),
  'power-bank': (line) => ({
    what: `Power bank for ${counted(line.charges, 'charge')}`,
    why: 'charges on the way, so you need fewer batteries',
  }),
  cards: (line, name) => ({
    what: `${line.cardGb} GB cards for ${name(line.bodyId)}`,
    why: `${line.pictures} pictures × ${estimatedText(line.fileMb, line)} MB = ${line.neededGb.toFixed(0)} GB; ${line.aSlot === 1 ? 'one' : line.aSlot} for each slot (${line.slots})`,
  }),
  'spare-card': (line, name) => ({
    what: line.cardType === null ? 'Spare card' : `Spare card, ${line.cardType}`,
    why: `for ${namesIn(name, line.bodyIds)}`,
  }),
  'spare-body': (line, name) => ({
    what: `${name(line.bodyId)}, spare`,
    why: line.lies === 'bag' ? 'not in use; in the bag' : 'not in use; left with the rest',
  }),
  tripod: (line, name) => ({
    what: `Tripod rated for ${formatWeight(line.loadG)}`,
    why: `for ${namesIn(name, line.frameIds)}; the heaviest setup weighs ${formatWeight(line.loadG)}`,
  }),
  monopod: (line) => ({
    what: 'Monopod or gimbal head',
    why: `the heaviest setup weighs ${formatWeight(line.loadG)}: too heavy to hand-hold for long`,
  }),
  headlamp: (line, name) => ({
    what: 'Headlamp, red light',
    why: `using a tripod in the dark: ${namesIn(name, line.frameIds)}`,
  }),
  rain: (line, name) => ({
    what: 'Rain covers and a towel',
    why: `wet: ${namesIn(name, line.stretchIds)}`,
  }),
  dust: (line, name) => ({
    what: 'Blower and dust covers',
    why: `dust or sand: ${namesIn(name, line.stretchIds)}`,
  }),
  cold: (line, name) => ({
    what: 'Gloves, and a warm pocket for the batteries',
    why: `cold: ${namesIn(name, line.stretchIds)}`,
  }),
  'drop-in-filter': (line, name) => ({
    what: `Drop-in filter for ${name(line.adapterId)}`,
    why: `for ${namesIn(name, line.frameIds)}`,
  }),
  'grey-filter': (line, name) => ({
    what: `${line.stops}-stop ND filter, ${filterFits(line.fits)}`,
    why: `${formatShutter(line.timeS)} for ${namesIn(name, line.frameIds)}, at ${formatFNumber(line.fNumber)} and ISO 100, rounded up`,
  }),
  filters: (line, name) => ({
    what: `${formatMm(line.threadMm)} filters`,
    why: `the largest thread for ${namesIn(name, line.frameIds)}; rings fit the smaller ones`,
  }),
  'step-up-ring': (line) => ({
    what: `Step-up ring ${formatMm(line.fromMm)} to ${formatMm(line.toMm)}`,
    why: 'so one set of filters fits all',
  }),
  flash: (line, name) => ({
    what: `Flash, guide number ${line.guideNumberM}`,
    why: `${namesIn(name, line.frameIds)}; guide number ÷ distance gives the f-number, ${formatFNumber(line.guideNumberM / 5)} at 5 m`,
  }),
  'flash-batteries': (line) => ({
    what: 'Sets of flash batteries',
    why: `${line.pictures} flashes, about 150 a set, and one spare`,
  }),
  thing: (line) => ({
    what: line.name,
    why: line.weightG === null ? 'your own' : `your own, ${formatWeight(line.weightG)}`,
  }),
};

/** A line in words: what, and why. */
export function lineWords(line: PackingLine, name: Namer): LineWords {
  return (LINES[line.code] as (line: PackingLine, name: Namer) => LineWords)(line, name);
}

const FILLINGS: Readonly<Record<Charging['kind'], string>> = {
  nightly: 'on the busiest day, charged every night',
  none: 'over the whole outing, never charged',
  powerBank: 'over the whole outing',
};

const estimatedText = (figure: number, { estimated }: { readonly estimated: boolean }) =>
  estimated ? `an estimated ${figure}` : String(figure);

function batteryWords(line: Extract<PackingLine, { code: 'batteries' }>): string {
  const cold =
    line.cold > 0 && line.coldPercent > 0
      ? `, ${line.cold} of them in the cold, which costs ${formatPercent(line.coldPercent)} of a charge`
      : '';
  const bank =
    line.fromBank > 0 ? `, less ${counted(line.fromBank, 'charge')} from the power bank` : '';
  return `${line.pictures} pictures ${FILLINGS[line.charging]}, ÷ ${estimatedText(line.picturesPerCharge, line)} per charge${cold}${bank}, rounded up, and one spare`;
}

/** Where an ND filter goes. */
function filterFits(fits: Extract<PackingLine, { code: 'grey-filter' }>['fits']): string {
  if (fits.kind === 'drop-in') return 'drop-in';
  return fits.threadMm === null ? 'for a thread you haven’t entered' : formatMm(fits.threadMm);
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
