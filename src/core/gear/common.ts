import * as z from 'zod';
import { oneLine } from '@/core/text';
import { broken } from '@/core/rule';
import { DAY_MS } from '@/core/units';

/** Ranges that any sane piece of gear lies in; a figure outside is a slip of the pen. */
export const GEAR_RANGES = {
  focalLengthMm: { min: 1, max: 5000 },
  fNumber: { min: 0.5, max: 64 },
  weightG: { min: 1, max: 50_000 },
  price: { min: 0, max: 1_000_000 },
  focusM: { min: 0.001, max: 1000 },
  magnification: { min: 0.001, max: 20 },
  stabiliserStops: { min: 0, max: 10 },
  iso: { min: 50, max: 4_000_000 },
  sizeMm: { min: 1, max: 2000 },
} as const;

/** A number within one of the stated ranges, ends included. */
export function within(range: { readonly min: number; readonly max: number }) {
  return z.number().min(range.min).max(range.max);
}

/** Text of one line: control characters become spaces, and spaces at its ends go. */
export function lineOfText(most: number) {
  return z.string().overwrite(oneLine).trim().max(most);
}

/** What ids are made of. */
const ITEM_ID = /^[\w.:-]+$/;

export const itemId = z.string().min(1).max(80).regex(ITEM_ID);

export const itemName = lineOfText(120).min(1);
export const mountName = lineOfText(60).min(1);

/** How an item may be had: the sources that limits choose among. */
export const SOURCES = ['owned', 'borrowed', 'rented', 'wished'] as const;
export type Source = (typeof SOURCES)[number];

/** Where an owned item is that cannot come. */
export const ABSENCES = ['in-repair', 'lent-out'] as const;
export type Absence = (typeof ABSENCES)[number];

/** How an item stands for an outing: had from a source, or owned and away. */
export const ownership = z.enum([...SOURCES, ...ABSENCES]);
export type Ownership = z.infer<typeof ownership>;

export function isAway(standing: Ownership): standing is Absence {
  return (ABSENCES as readonly string[]).includes(standing);
}

/** How an item is had when nothing is said of an outing: what is away is owned. */
export function sourceOf(standing: Ownership): Source {
  return isAway(standing) ? 'owned' : standing;
}

/** When a borrowed or rented item is at hand, both days included, and what a day of it costs. */
export const loan = z
  .strictObject({
    from: z.iso.date().nullable(),
    to: z.iso.date().nullable(),
    pricePerDay: within(GEAR_RANGES.price).nullable(),
  })
  .refine(({ from, to }) => from === null || to === null || from <= to, {
    path: ['to'],
    ...broken({ rule: 'ends-before-start' }),
  });
export type Loan = z.infer<typeof loan>;

/** Days of a loan, first and last included; null when either is not known. */
export function loanDays({ from, to }: Pick<Loan, 'from' | 'to'>): number | null {
  return from === null || to === null ? null : (Date.parse(to) - Date.parse(from)) / DAY_MS + 1;
}
