import * as z from 'zod';
import { itemId, itemName, lineOfText } from '@/core/gear';
import { shooter } from './stretch';

export const outingId = itemId.brand<'OutingId'>();
export type OutingId = z.infer<typeof outingId>;

/** One job or trip. */
export const outing = z.strictObject({
  id: outingId,
  name: itemName,
  place: lineOfText(200),
  /** First and last day, ISO 8601 dates. */
  firstDay: z.iso.date().nullable(),
  lastDay: z.iso.date().nullable(),
  /** ISO 4217 code of all prices on the shelf. */
  currency: z.string().regex(/^[A-Z]{3}$/),
  /** Everyone who photographs; empty for one person. */
  shooters: z.array(shooter).max(20),
  note: z.string().max(4000),
  /** Which kind of outing it is, by the starter brief of that kind; null where none was said. */
  genre: itemId.nullable(),
  /** What was learnt on it, in one's own words: shown when the next of its kind is begun. */
  lessons: z.string().max(4000),
});
export type Outing = z.infer<typeof outing>;
