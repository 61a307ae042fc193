import { listOf } from '../lists';

/** So many ranges are named one by one. */
const MOST_NAMED = 3;

function rangesText(
  ranges: readonly string[],
  [none, one, more]: readonly [string, string, string],
): string {
  const [only] = ranges;
  if (only === undefined) return none;
  const named = [...new Set(ranges)];
  if (named.length > MOST_NAMED) return `${ranges.length} ${more}`;
  return named.length === 1 ? `${one} at ${only}` : `${more} at ${listOf(named)}`;
}

/** What is said of lenses side by side. */
export const besideText = {
  title: 'Lenses side by side',
  sideBySide: 'Side by side',
  besideIt: (lens: string) => `${lens}, side by side`,
  withLineup: 'Side by side with the lineup',
  tick: (lens: string) => `Side by side: ${lens}`,
  show: (count: string) => `Show ${count} side by side`,
  tickSome: 'Tick two to six lenses.',
  hint: 'Choose two to six lenses: their gaps and overlaps, their figures, and the pictures that only one of them covers.',
  theLineup: 'Those of the lineup',
  add: 'Add a lens',
  choose: 'choose one',
  withBehind: (lens: string, behind: string) => `${lens} + ${behind}`,
  remove: (lens: string) => `Remove ${lens}`,
  full: (most: number) => `${most} are shown: remove one to add another.`,
  save: 'Save',
  asSvg: 'Chart as SVG',
  asPng: 'Chart as PNG',
  print: 'Print',
  one: 'Add a second lens to compare it with.',
  answer: (gaps: readonly string[], overlaps: readonly string[]) =>
    `${rangesText(gaps, ['No gaps', 'A gap', 'Gaps'])}; ${rangesText(overlaps, ['no overlaps', 'an overlap', 'overlaps'])}.`,
  chart: 'What they reach',
  chartOf: (count: number) => `What ${count} lenses reach, by focal length on 36×24 mm`,
  on: (bodies: string, format: string) => `${bodies}, ${format}`,
  noCamera: 'No camera on the shelf takes it.',
  gapsTitle: 'Gaps',
  noGap: 'Their ranges meet.',
  overlapsTitle: 'Overlaps',
  noOverlap: 'No two of them share a range.',
  figures: 'Figures',
  figure: 'Figure',
  ofTheFirst: (difference: string) => `(${difference})`,
  rows: {
    focal: 'Focal lengths',
    equivalent: 'On 36×24 mm',
    angle: 'Angle of view',
    light: 'Widest aperture, for light',
    blur: 'For blur and depth, as on 36×24 mm',
    weight: 'Weight',
    focus: 'Closest focus',
    magnification: 'Largest magnification',
    stabiliser: 'Stabiliser',
    sealed: 'Weather sealed',
    grade: 'Grade',
    thread: 'Filter thread',
    priceNew: 'Price new',
    priceUsed: 'Price used',
    from: 'From',
  },
  format: (key: string) => `${key.replace('x', '×')} mm`,
  onCamera: 'On cameras of',
  everyFormat: 'every format',
  onFormat: (value: string, format: string) => `${value} on ${format}`,
  unknown: '–',
  yes: 'yes',
  no: 'no',
  none: 'none',
  pictures: 'Pictures',
  picturesOf: (outing: string) => `Of ${outing}, each with one lens alone:`,
  only: (lens: string) => `Only ${lens}`,
  all: 'All of them',
  nobody: 'None of them',
  nothing: 'no picture',
};
