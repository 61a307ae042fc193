import { useContext } from 'react';
import type { Frame } from '@/core/brief';
import { type Places, PlacesContext } from '../places';

/** Grounds by kind of place. */
export type Ground = 'shelter' | 'stage' | 'room' | 'shore' | 'street' | 'hill';

/** Words that tell of a ground, the narrower place first: an awning at a river is an awning. */
const GROUNDS: readonly (readonly [Ground, RegExp])[] = [
  ['shelter', /\b(awning|tent|marquee|shelter|canopy|hide|blind|porch|pavilion)\b/i],
  ['stage', /\b(stage|theatre|concert|recital|opera)\b/i],
  [
    'room',
    /\b(hall|barn|church|chapel|boathouse|indoors|inside|room|museum|kitchen|studio|granary)\b/i,
  ],
  [
    'shore',
    /\b(water|river|lake|sea|shore|beach|harbour|port|quay|towpath|bank|launch|slip|weir|pond|reeds|bay|canal|bridge)\b/i,
  ],
  ['street', /\b(street|road|square|market|city|town|alley|pavement)\b/i],
  ['hill', /\b(hill|mountain|ridge|peak|valley|moor|trail|cliff|slope)\b/i],
];

/** The ground of a picture by what is said of it: its own name, its first stretch, then the outing. */
export function groundIn(
  { name, stretchIds }: Pick<Frame, 'name' | 'stretchIds'>,
  { outing, stretches }: Places,
): Ground | null {
  const stretch = stretches.find(({ id }) => stretchIds.some((x) => x === id));
  for (const text of [name, stretch?.place ?? '', stretch?.name ?? '', outing])
    for (const [ground, told] of GROUNDS) if (told.test(text)) return ground;
  return null;
}

export const useGround = (frame: Frame): Ground | null =>
  groundIn(frame, useContext(PlacesContext));

/** A number that stays with a name, for what is drawn a little differently each time. */
export const seedOf = (name: string): number =>
  [...name].reduce((sum, letter) => (sum * 31 + letter.charCodeAt(0)) % 997, 7);
