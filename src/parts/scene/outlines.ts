const RIDGE_AT = [0.35, 0.8, 0.5, 1, 0.62, 0.88, 0.3, 0.7, 0.42];

/** Hills from one edge of the picture to the other. */
export function ridgePath(width: number, foot: number, tall: number, seed: number): string {
  const steps = RIDGE_AT.length;
  const x = (i: number) => -width / 2 + (i * width) / (steps - 1);
  const top = (i: number) => foot - RIDGE_AT[(i + seed) % steps]! * tall;
  return `M${-width / 2} ${foot}${RIDGE_AT.map((_, i) => `L${x(i)} ${top(i)}`).join('')}L${width / 2} ${foot}Z`;
}

/** At most so many crowns: a wide view has many trees. */
export const MOST_CROWNS = 24;

/** Trees by their outline, from the left of their foot to the right, so broad and so high. */
const TREES_OF: readonly ((step: number, h: number) => string)[] = [
  (step, h) => `q${step * 0.1} ${-h} ${step / 2} ${-h}q${step * 0.4} 0 ${step / 2} ${h}`,
  // A fir.
  (step, h) =>
    `h${step * 0.12}l${step * 0.1} ${-h * 0.4}h${-step * 0.08}l${step * 0.36} ${-h * 0.6} ${step * 0.36} ${h * 0.6}h${-step * 0.08}l${step * 0.1} ${h * 0.4}h${step * 0.12}`,
  // A poplar, with room beside it.
  (step, h) =>
    `h${step * 0.3}q0 ${-h * 0.9} ${step * 0.2} ${-h * 1.15}q${step * 0.2} ${h * 0.25} ${step * 0.2} ${h * 1.15}h${step * 0.3}`,
  // A hedge.
  (step, h) => `v${-h * 0.42}q${step / 4} ${-h * 0.16} ${step / 2} 0t${step / 2} 0v${h * 0.42}`,
];

/** A row of trees, mostly of one kind. */
export function treePath(width: number, foot: number, tall: number, seed: number): string {
  const count = Math.max(3, Math.min(MOST_CROWNS, Math.round(width / (tall * 0.7 || width))));
  const step = width / count;
  const crowns = Array.from({ length: count }, (_, i) => {
    const h = tall * (0.62 + 0.38 * ((((i + seed) * 7) % 5) / 4));
    // Mostly of one kind, with others among them.
    const kind = (i * 5 + seed) % 7 === 0 ? seed + 1 : seed;
    return TREES_OF[kind % TREES_OF.length]!(step, h);
  });
  return `M${-width / 2} ${foot}${crowns.join('')}Z`;
}
