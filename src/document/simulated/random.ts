import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64';
import { uniformInt } from 'pure-rand/distribution/uniformInt';
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus';

/** Chances by a fixed seed: the same card every time. */
export function chances(seed: number) {
  const generator = xoroshiro128plus(seed);
  const share = () => uniformFloat64(generator);
  return {
    /** From 0 to below 1. */
    share,
    between: (from: number, to: number) => from + (to - from) * share(),
    /** Even over ratios. */
    ratioBetween: (from: number, to: number) => from * (to / from) ** share(),
    whole: (from: number, to: number) => uniformInt(generator, from, to),
    /** About a normal law: the sum of a few even ones, never far out. */
    around: (middle: number, spread: number) =>
      middle + spread * (share() + share() + share() + share() - 2) * Math.sqrt(3),
    /** One of some, by their weights. */
    oneOf: <T extends { readonly weight: number }>(options: readonly T[]): T => {
      let at = share() * options.reduce((sum, o) => sum + o.weight, 0);
      const found = options.find((o) => (at -= o.weight) < 0) ?? options.at(-1);
      if (found === undefined) throw new RangeError('nothing to choose from');
      return found;
    },
  };
}
export type Chances = ReturnType<typeof chances>;

/** Renard's series of ten, which times and sensitivities are marked by: a third of a stop apart. Source: ISO 3. */
const R10 = [1, 1.25, 1.6, 2, 2.5, 3.2, 4, 5, 6.4, 8];

/** The nearest marked time, or sensitivity: 1/640 s, ISO 1250. */
export function toThird(value: number): number {
  const tenths = Math.round(10 * Math.log10(value));
  const decade = Math.floor(tenths / 10);
  return (R10[tenths - 10 * decade] ?? 1) * 10 ** decade;
}
