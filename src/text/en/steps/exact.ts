import { inOwnUnits } from '../../units';

/** A value to five figures. */
export const exact = (value: number) => Number(value.toPrecision(5)).toString();

/** An exact value of metres or grams in the person's units. */
export function exactIn(value: number, unit: 'm' | 'g'): string {
  const local = inOwnUnits(unit);
  return `${exact(value * (local?.factor ?? 1))} ${local?.unit ?? unit}`;
}
