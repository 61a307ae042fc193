import { ev100OfSource, type Frame } from '@/core/brief';
import { ev100Of } from '@/core/optics';

/** ISO and smallest aperture at which a long exposure is reckoned. Common practice, no source. */
const BASE_ISO = 100;
const SMALLEST_F_NUMBER = 16;

/**
 * Strength of the filter, stops, that a shortest time needs: the light that is too much for it at
 * ISO 100 and the lens's smallest aperture, f/16 at the most; 0 where none is needed or the light is
 * not known.
 */
export function filterStops(
  { light }: Pick<Frame, 'light'>,
  { smallestFNumber }: { readonly smallestFNumber: number | null },
): number {
  const ev100 = ev100OfSource(light.source);
  if (light.shortestTimeS === null || ev100 === null) return 0;
  const fNumber = filterFNumber(smallestFNumber);
  return Math.max(0, ev100 - ev100Of({ fNumber, timeS: light.shortestTimeS, iso: BASE_ISO }));
}

/** The f-number at which filterStops reckons. */
export function filterFNumber(smallestFNumber: number | null): number {
  return Math.min(smallestFNumber ?? SMALLEST_F_NUMBER, SMALLEST_F_NUMBER);
}
