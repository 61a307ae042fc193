const LONGEST = 60;

/** A name in small letters, digits and dashes. */
function slugOf(name: string): string {
  return name
    .slice(0, 10 * LONGEST)
    .normalize('NFKD')
    .replace(/\p{M}/gu, '')
    .toLowerCase()
    .split(/[^a-z0-9]+/)
    .filter((word) => word !== '')
    .join('-')
    .slice(0, LONGEST);
}

/** An id that nothing in the list has yet, made from a name: letters, digits and dashes. */
export function freshId(name: string, taken: ReadonlySet<string>): string {
  const base = slugOf(name) || 'item';
  if (!taken.has(base)) return base;
  return `${base}-${freeNumber((n) => taken.has(`${base}-${n}`))}`;
}

/**
 * A number from 2 on that is free, found in as many steps as it has digits: the first one where the
 * taken ones follow each other, as they do unless some were deleted.
 */
function freeNumber(isTaken: (n: number) => boolean): number {
  let free = 2;
  let step = 1;
  while (isTaken(free)) {
    free += step;
    step *= 2;
  }
  let last = free - step / 2;
  if (step === 1) return free;
  while (free - last > 1) {
    const middle = Math.floor((free + last) / 2);
    if (isTaken(middle)) last = middle;
    else free = middle;
  }
  return free;
}
