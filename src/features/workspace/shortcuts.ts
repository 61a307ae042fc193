import { plainList, workspaceText } from '@/text';

const t = workspaceText.shortcuts;
/** Every key that does something anywhere, as listed on `?`. */
export const PAGES = [
  ['/brief', t.brief],
  ['/shelf', t.shelf],
  ['/reach', t.reach],
  ['/lineup', t.lineup],
  ['/carry', t.carry],
  ['/log', t.log],
] as const;

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
