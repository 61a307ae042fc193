const ALL = new Intl.ListFormat('en-GB', { type: 'conjunction' });
const ANY = new Intl.ListFormat('en-GB', { type: 'disjunction' });
const PLAIN = new Intl.ListFormat('en-GB', { type: 'unit', style: 'short' });

/** All of some things: A, B and C. */
export function listOf(items: readonly string[]): string {
  return ALL.format(items);
}

/** Any of some things: A, B or C. */
export function anyOf(items: readonly string[]): string {
  return ANY.format(items);
}

/** Things side by side: A, B, C. */
export function plainList(items: readonly string[]): string {
  return PLAIN.format(items);
}
