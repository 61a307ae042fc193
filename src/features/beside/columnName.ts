import type { Column } from '@/core/compare';
import { besideText } from '@/text';

/** A lens with what is behind it, by name. */
export const columnName = ({ lens, converter }: Column): string =>
  converter === null ? lens.name : besideText.withBehind(lens.name, converter.name);
