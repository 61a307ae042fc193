import { plainList, workspaceText } from '@/text';

const t = workspaceText.shortcuts;
/** The pages of the outing that is open, in the order of the work, then those over all outings. */
export const PAGES = [
  ['/brief', t.brief, 'outing'],
  ['/ground', t.ground, 'outing'],
  ['/reach', t.reach, 'outing'],
  ['/lineup', t.lineup, 'outing'],
  ['/carry', t.carry, 'outing'],
  ['/shelf', t.shelf, 'all'],
  ['/log', t.log, 'all'],
  ['/next', t.next, 'all'],
] as const;

/** Every key that does something anywhere, as listed on `?`. */
export const SHORTCUTS: readonly (readonly [string, string])[] = [
  [t.ctrlK, t.findAnythingAPageA],
  [t.n1To(PAGES.length), t.goTo(plainList(PAGES.map(([, name]) => name)))],
  [t.ctrlZ, t.undo],
  [t.ctrlShiftZ, t.redo],
  ['?', t.thisList],
  ['← →', t.inTheViewfinderPreviousAnd],
  [t.tabEnter, t.onTheTablesOfReach],
  [t.spaceArrows, t.onAPicturesHandleIn],
];
