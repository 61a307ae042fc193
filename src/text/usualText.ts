import { type FigureKey, ITEM_KINDS, usualFigure, type Shelf } from '@/core/gear';
import { about } from './format';

/** What a figure of an item on a shelf usually is for its kind, bare for a field; null where that can't be said. */
export function usualText(
  shelf: Shelf,
  currency: string,
  itemId: string,
  figure: FigureKey,
): string | null {
  for (const kind of ITEM_KINDS) {
    const item = shelf[kind].find((i) => i.id === itemId);
    const usual = item ? usualFigure(kind, item, figure, { shelf, currency }) : null;
    if (usual !== null) return about(String(usual), true);
  }
  return null;
}
