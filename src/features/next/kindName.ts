import { apertureEnds, type Lens } from '@/core/gear';
import { formatFNumbers, formatFocalRange, nextText } from '@/text';

/** What a kind of lens is called: by its range and its f-numbers. */
export function kindName({ focal, apertures, name }: Lens): string {
  return nextText.missing.kind(
    formatFocalRange(focal.wideMm, focal.longMm),
    formatFNumbers(...apertureEnds(apertures)),
    name.endsWith('macro'),
  );
}
