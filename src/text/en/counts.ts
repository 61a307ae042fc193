import { digits } from '../format';

/** What is counted on screen, for one and for more. */
const NOUNS = {
  bag: { one: 'bag', other: 'bags' },
  body: { one: 'camera', other: 'cameras' },
  bonusLost: { one: 'bonus lost', other: 'bonuses lost' },
  camera: { one: 'camera', other: 'cameras' },
  cellNeeds: { one: 'cell needs', other: 'cells need' },
  change: { one: 'change', other: 'changes' },
  charge: { one: 'charge', other: 'charges' },
  day: { one: 'day', other: 'days' },
  entryIs: { one: 'entry is', other: 'entries are' },
  figureIs: { one: 'figure is', other: 'figures are' },
  gap: { one: 'gap', other: 'gaps' },
  file: { one: 'file', other: 'files' },
  item: { one: 'item', other: 'items' },
  itemIs: { one: 'item is', other: 'items are' },
  itemThatIs: { one: 'item that is', other: 'items that are' },
  lens: { one: 'lens', other: 'lenses' },
  lensChange: { one: 'lens change', other: 'lens changes' },
  lensIs: { one: 'lens is', other: 'lenses are' },
  lensThatIs: { one: 'lens that is', other: 'lenses that are' },
  missingKind: { one: 'missing kind', other: 'missing kinds' },
  moreMust: { one: 'more must', other: 'more musts' },
  mount: { one: 'mount', other: 'mounts' },
  mustCoveredOnce: {
    one: 'must covered once instead of twice',
    other: 'musts covered once instead of twice',
  },
  mustLost: { one: 'must lost', other: 'musts lost' },
  newItem: { one: 'new item', other: 'new items' },
  otherIs: { one: 'other is', other: 'others are' },
  overlap: { one: 'overlap', other: 'overlaps' },
  outing: { one: 'outing', other: 'outings' },
  station: { one: 'station', other: 'stations' },
  style: { one: 'style', other: 'styles' },
  subject: { one: 'subject', other: 'subjects' },
  step: { one: 'step', other: 'steps' },
  time: { one: 'time', other: 'times' },
  wishedItem: { one: 'wished item', other: 'wished items' },
  year: { one: 'year', other: 'years' },
  photograph: { one: 'photograph', other: 'photographs' },
  picture: { one: 'picture', other: 'pictures' },
  pictureNearerThanUsual: {
    one: 'picture nearer than lenses usually focus',
    other: 'pictures nearer than lenses usually focus',
  },
  pictureCropped: { one: 'picture cropped', other: 'pictures cropped' },
  pictureWithABetterLens: {
    one: 'picture with a better lens',
    other: 'pictures with a better lens',
  },
  pictureWithAStopLessToSpare: {
    one: 'picture with a stop less to spare',
    other: 'pictures with a stop less to spare',
  },
  itemNotOwned: { one: 'item not owned', other: 'items not owned' },
  share: { one: 'share', other: 'shares' },
  shooter: { one: 'shooter', other: 'shooters' },
  stretch: { one: 'stretch', other: 'stretches' },
  unknownPrice: { one: 'unknown price', other: 'unknown prices' },
  usualThing: { one: 'usual thing', other: 'usual things' },
  wish: { one: 'wish', other: 'wishes' },
  converter: { one: 'converter', other: 'converters' },
  tube: { one: 'tube', other: 'tubes' },
  adapter: { one: 'adapter', other: 'adapters' },
  musts: { one: 'must', other: 'musts' },
  bonus: { one: 'bonus', other: 'bonuses' },
  fieldNeeds: { one: 'field needs', other: 'fields need' },
} as const satisfies Readonly<Record<string, Readonly<Record<'one' | 'other', string>>>>;
export type Noun = keyof typeof NOUNS;

const RULES = new Intl.PluralRules('en-GB');

/** The noun for so many. */
function noun(n: number, of: Noun): string {
  return NOUNS[of][RULES.select(n) === 'one' ? 'one' : 'other'];
}

/** A count with its noun: 1 lens, 2 lenses. */
export function counted(n: number, of: Noun): string {
  return `${digits(n, 1)} ${noun(n, of)}`;
}
