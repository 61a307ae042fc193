import { readNumber, twoReadings } from '@/core/number';
import { partsText } from './en/parts';

/** Whether a comma is where decimals begin in the browser's own language. */
function hasDecimalComma(): boolean {
  const language = typeof navigator === 'undefined' ? 'en-GB' : navigator.language;
  return new Intl.NumberFormat(language)
    .formatToParts(1.5)
    .some((part) => part.type === 'decimal' && part.value === ',');
}

/**
 * Reads a typed number by the browser's own language.
 *
 * @returns null for nothing, undefined for what is no number or may be one of two
 */
export function readTyped(text: string): number | null | undefined {
  return readNumber(text, hasDecimalComma());
}

/** What to say of what is typed and may be two numbers; null for anything else. */
export function doubtOf(text: string): string | null {
  const two = readTyped(text) === undefined ? twoReadings(text) : null;
  return two && partsText.fields.whichOfTwo(text.trim(), ...two);
}
