/** Relative width at which a bracketed boundary counts as found: a few units of double precision. */
const BOUNDARY_RELATIVE_TOLERANCE = 1e-14;

/**
 * The place where a predicate that holds at `inside` stops holding on the way to `outside`.
 *
 * The returned point always satisfies the predicate, so an interval built from it never claims a
 * place that fails. The predicate must change only once between the two.
 *
 * @param inside where the predicate holds
 * @param outside where it does not; on either side of `inside`
 * @returns the last holding point, to BOUNDARY_RELATIVE_TOLERANCE
 */
export function boundary(inside: number, outside: number, holds: (x: number) => boolean): number {
  let yes = inside;
  let no = outside;
  while (Math.abs(no - yes) > BOUNDARY_RELATIVE_TOLERANCE * Math.max(Math.abs(yes), Math.abs(no))) {
    const middle = (yes + no) / 2;
    if (middle === yes || middle === no) break;
    if (holds(middle)) yes = middle;
    else no = middle;
  }
  return yes;
}
