import { type Shelf, weighingOf } from '@/core/gear';
import type { Step } from './step';
import { listOf } from '../../lists';

/** Something that counts towards a sum; null where its value is not known. */
export interface Summand {
  readonly name: string;
  readonly value: number | null;
}

/** A sum with every part named; what is not known is named and left out. */
export function sumStep(
  name: string,
  parts: readonly Summand[],
  format: (value: number) => string,
  source: string,
): Step {
  const known = parts.flatMap((p) => (p.value === null ? [] : [{ ...p, value: p.value }]));
  const unknown = parts.filter((p) => p.value === null).map((p) => p.name);
  const sum = known.reduce((total, p) => total + p.value, 0);
  return {
    name,
    result: `${format(sum)}${unknown.length > 0 ? `, not counting ${listOf(unknown)}: unknown` : ''}`,
    formula: known.map((p) => `${p.name}: ${format(p.value)}`).join(' + ') || 'nothing to add',
    source,
  };
}

/** What a thing weighs, as a part of a sum; said where it is estimated. */
export function weightPart(shelf: Shelf) {
  const gear = weighingOf(shelf);
  return ({ id, name }: { readonly id: string; readonly name: string }) => ({
    id,
    name: gear.isEstimated(id) ? `${name}, estimated` : name,
    value: gear.of(id),
  });
}
