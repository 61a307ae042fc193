/** Lenses side by side, without any picture wanted: gaps, overlaps, figures. */
export {
  type Band,
  BEHIND,
  type Beside,
  besideKey,
  type Column,
  MOST_BESIDE,
  type SideBySide,
  sideBySide,
} from './sideBySide';
