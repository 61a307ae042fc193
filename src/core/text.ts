/**
 * A text for one line: line breaks, tabs and other control characters, and marks that turn the
 * direction of what follows, become spaces.
 *
 * Source: Unicode general category Cc; Unicode Standard Annex #9, explicit directional formatting.
 */
export function oneLine(text: string): string {
  return text.replace(/[\p{Cc}\u2028\u2029\u202A-\u202E\u2066-\u2069]/gu, ' ');
}
