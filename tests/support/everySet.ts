import { numbers } from './numbers';
import {
  aBody,
  aConverter,
  aLens,
  anAdapter,
  aQuestion,
  aShelf,
  focalFrame,
  someLimits,
} from './gear';
import { DEFAULT_PACKING } from '@/core/brief';
import type { NextQuestion } from '@/core/next';

/**
 * Small made-up shelves with outings, and the slow, obvious way to answer what to buy: every set of
 * things, each outing looked at by every lineup from it. What covers a picture is told here from the
 * figures that were drawn, on a grid of focal lengths that no tolerance decides; nothing of the
 * product is asked.
 */

const GRID = [14, 20, 28, 40, 56, 80, 112, 160, 224, 320] as const;

interface Drawn {
  readonly id: string;
  readonly kind: 'lens' | 'converter' | 'adapter' | 'body';
  readonly wished: boolean;
  /** New; null when not known, and then the used price is paid. */
  readonly price: number | null;
  readonly used: number | null;
  /** What buying it costs, and what selling it brings in, by the terms of the drawing; null when not known. */
  readonly paid: number | null;
  readonly bringsIn: number | null;
  /** Owned, but lent out: it can be sold, and comes nowhere. */
  readonly lent: boolean;
  /** Owned, and never sold. */
  readonly kept: boolean;
  readonly weightG: number;
  /** Of a lens, and of a body. */
  readonly mount: 'M' | 'N';
  readonly from: number;
  readonly to: number;
}

interface DrawnFrame {
  readonly id: string;
  readonly want: 'must' | 'want';
  readonly share: number;
  readonly from: number;
  readonly to: number;
  readonly footing: 'held' | 'free' | 'flowing';
}

interface DrawnOuting {
  readonly times: number;
  readonly rate: number;
  readonly maxLenses: number | null;
  /** An owned lens that comes whatever it is good for, and counts against no picture. */
  readonly locked: string | null;
  /** An owned body that makes no picture here. */
  readonly spare: string | null;
  readonly frames: readonly DrawnFrame[];
}

export interface Drawing {
  readonly things: readonly Drawn[];
  readonly outings: readonly DrawnOuting[];
  readonly terms: NextQuestion['terms'];
}

/** A shelf of up to 8 wished and 3 owned things besides a camera, over up to 4 outings. */
export function draw(seed: number): Drawing {
  const next = numbers(seed * 7919 + 3);
  // The first numbers of near seeds are near.
  for (let i = 0; i < 8; i += 1) next();
  const upTo = (n: number) => Math.floor(next() * n);
  const pick = <T>(from: readonly T[]) => from[upTo(from.length)]!;
  const span = (steps = [0, 0, 1, 2, 3]) => {
    const from = upTo(GRID.length);
    return { from, to: Math.min(GRID.length - 1, from + pick(steps)) };
  };
  const terms = { buy: pick(['new', 'used'] as const), resalePercent: pick([100, 80, 50]) };
  const money = () => {
    const price = next() < 0.1 ? null : 100 * (1 + upTo(12));
    const used = next() < 0.15 ? null : 50 * upTo(12);
    return {
      price,
      used,
      paid: terms.buy === 'new' ? (price ?? used) : (used ?? price),
      bringsIn: used === null ? null : (used * terms.resalePercent) / 100,
    };
  };
  const thing = (id: string, kind: Drawn['kind'], wished: boolean): Drawn => ({
    id,
    kind,
    wished,
    ...money(),
    lent: !wished && kind === 'lens' && next() < 0.15,
    kept: !wished && next() < 0.15,
    weightG: 100 * (1 + upTo(20)),
    mount: kind === 'body' ? 'N' : next() < 0.7 ? 'M' : 'N',
    // Some wishes reach what two lenses do.
    ...span(wished ? [0, 1, 3, 6, 9] : [0, 1, 2, 3]),
  });
  const things: Drawn[] = [
    { ...thing('body-m', 'body', false), mount: 'M' },
    ...Array.from({ length: 1 + upTo(3) }, (_, i) => thing(`own-${i}`, 'lens', false)),
    ...Array.from({ length: 1 + upTo(5) }, (_, i) => thing(`wish-${i}`, 'lens', true)),
    ...(next() < 0.5 ? [thing('body-n', 'body', next() < 0.6)] : []),
    ...(next() < 0.5 ? [thing('converter', 'converter', next() < 0.7)] : []),
    ...(next() < 0.5 ? [thing('adapter', 'adapter', next() < 0.7)] : []),
  ];
  const lockable = things.filter((t) => t.kind === 'lens' && !t.wished && !t.lent);
  const isSecond = things.some(({ id, wished }) => id === 'body-n' && !wished);
  const outings = Array.from({ length: 1 + upTo(4) }, () => ({
    times: 1 + upTo(6),
    rate: pick([0, 5, 30]),
    maxLenses: pick([null, null, 1, 2]),
    locked: lockable.length > 0 && next() < 0.15 ? pick(lockable).id : null,
    spare: isSecond && next() < 0.3 ? 'body-n' : null,
    frames: Array.from({ length: 1 + upTo(4) }, (_, i) => ({
      id: `frame-${i}`,
      want: pick(['must', 'want', 'want'] as const),
      share: pick([2, 5, 10, 20]),
      ...span(),
      footing: pick(['held', 'free', 'flowing'] as const),
    })),
  }));
  return { things, outings, terms };
}

const focal = (i: number) => GRID[Math.min(i, GRID.length - 1)]!;

/** The question that a drawing stands for. */
export function questionOf(
  { things, outings, terms }: Drawing,
  change: Partial<NextQuestion> = {},
): NextQuestion {
  const money = ({ price, used, weightG, wished, lent }: Drawn) => ({
    priceNew: price,
    priceUsed: used,
    weightG,
    ownership: wished ? 'wished' : lent ? 'lent-out' : 'owned',
  });
  const of = (kind: Drawn['kind']) => things.filter((t) => t.kind === kind);
  const lensesOnM = of('lens').flatMap((t) => (t.mount === 'M' ? [t.id] : []));
  const shelf = aShelf(
    of('lens').map((t) =>
      aLens(t.id, focal(t.from), focal(t.to), 4, { ...money(t), mount: t.mount }),
    ),
    of('converter').map((t) => aConverter(t.id, 2, lensesOnM, money(t))),
    of('body').map((t) => aBody({ id: t.id, mount: t.mount, ...money(t) })),
    { adapters: of('adapter').map((t) => anAdapter(t.id, money(t))) },
  );
  return {
    outings: outings.map(({ times, rate, maxLenses, locked, spare, frames }, i) => ({
      id: `outing-${i}`,
      timesAYear: times,
      question: {
        ...aQuestion({
          shelf,
          frames: frames.map((f) =>
            focalFrame(f.id, focal(f.from), focal(f.to), f.footing, {
              want: f.want,
              sharePercent: f.want === 'want' ? f.share : null,
            }),
          ),
          limits: someLimits({
            wantRatePercent: rate,
            maxLenses,
            maxCrop: 1,
            lockedIn: locked === null ? [] : [locked],
            spares: spare === null ? [] : [{ bodyId: spare, lies: 'bag' }],
          } as never),
        }),
        outing: { shooters: [], currency: 'EUR' },
        packing: DEFAULT_PACKING,
      },
    })),
    shelf,
    neverSold: things.flatMap(({ id, kept }) => (kept ? [id] : [])),
    terms,
    after: 'money',
    ...change,
  };
}

/** Musts lost, then percent lost with what is counted against items, then items, then grams. */
export type Score = readonly [musts: number, loss: number, items: number, grams: number];

export const isBetter = (a: readonly number[], b: readonly number[]): boolean => {
  for (const [i, value] of a.entries()) {
    if (Math.abs(value - b[i]!) > 1e-6) return value < b[i]!;
  }
  return false;
};
const COST = { lens: 1, converter: 0.5, adapter: 0.5, body: 0 } as const;

export interface Judge {
  /** Everything, by its bit. */
  readonly things: readonly Drawn[];
  /** The best that an outing comes to with a set of things. */
  readonly best: (outing: number, set: number) => Score;
  readonly year: (set: number) => Score;
  /**
   * Musts lost and percent lost over the year where fewer items than with the first set are no gain: of the
   * lineups from a set, the best so judged.
   */
  readonly gained: (from: number) => (set: number) => readonly number[];
  /** Musts lost and percent of the wanted pictures lost over the year, by each outing's own rules. */
  readonly shown: (set: number) => readonly number[];
  /** Whether a set keeps an outing as good as a score, with some pictures got. */
  readonly keeps: (outing: number, set: number, than: Score, got: ReadonlySet<string>) => boolean;
  readonly price: (set: number) => number | null;
  /** What of the owned things isn't for sale: kept, locked in or a spare somewhere. */
  readonly held: number;
}

export function judgeOf({ things, outings }: Drawing): Judge {
  const count = 2 ** things.length;
  const has = (set: number, i: number) => ((set >> i) & 1) === 1;
  const anyOf = (set: number, kind: Drawn['kind'], mount?: string) =>
    things.some((t, i) => has(set, i) && t.kind === kind && (!mount || t.mount === mount));
  /** Focal lengths as steps of the grid that a set covers, a run for each lens, bare or with the converter. */
  const runs = (whole: number, spare: string | null) => {
    const set = whole & ~bitsOf(things, ({ id, lent }) => lent || id === spare);
    return things.flatMap((t, i) => {
      if (!has(set, i) || t.kind !== 'lens') return [];
      const mountable =
        anyOf(set, 'body', t.mount) ||
        (t.mount === 'M' && anyOf(set, 'body', 'N') && anyOf(set, 'adapter'));
      // A converter of mount M fits M lenses, on a body of M or behind the adapter on one of N.
      const doubled = t.mount === 'M' && anyOf(set, 'converter');
      return mountable
        ? [{ from: t.from, to: t.to }, ...(doubled ? [{ from: t.from + 2, to: t.to + 2 }] : [])]
        : [];
    });
  };
  const covered = (f: DrawnFrame, of: ReturnType<typeof runs>) => {
    const all = (steps: readonly number[], by: typeof of) =>
      steps.every((s) => by.some((r) => r.from <= s && s <= r.to));
    // Halves of steps, so that two lenses that only meet at a step count, and a hole between doesn't.
    const steps = Array.from({ length: 2 * (f.to - f.from) + 1 }, (_, i) => f.from + i / 2);
    if (f.footing === 'free') return of.some((r) => r.from <= f.to && f.from <= r.to);
    return f.footing === 'held' ? all(steps, of) : of.some((r) => all(steps, [r]));
  };
  const looked = outings.map((o) => {
    const total = o.frames.reduce((s, f) => s + (f.want === 'want' ? f.share : 0), 0);
    const lockedItems = o.locked === null ? 0 : COST.lens;
    const of = (set: number) => {
      const taken = things.filter((_, i) => has(set, i));
      const lenses = taken.filter((t) => t.kind === 'lens').length;
      if (o.locked !== null && !taken.some(({ id }) => id === o.locked)) return null;
      if (o.maxLenses !== null && lenses > o.maxLenses) return null;
      const by = runs(set, o.spare);
      const got = new Set(o.frames.filter((f) => covered(f, by)).map((f) => f.id));
      const lost = o.frames.filter((f) => !got.has(f.id));
      const items = taken.reduce((s, t) => s + COST[t.kind], 0);
      const counted = items - lockedItems;
      const share = lost.reduce((s, f) => s + (f.want === 'want' ? (100 * f.share) / total : 0), 0);
      const score: Score = [
        lost.filter((f) => f.want === 'must').length,
        share + (total > 0 ? o.rate * counted : 0),
        items,
        taken.reduce((s, t) => s + (t.kind === 'body' ? 0 : t.weightG), 0),
      ];
      return { got, score, share };
    };
    const single = Array.from({ length: count }, (_, set) => of(set));
    const best: Score[] = [];
    for (let set = 0; set < count; set += 1) {
      let score: Score = single[set]?.score ?? [Infinity, Infinity, Infinity, Infinity];
      for (let i = 0; i < things.length; i += 1) {
        const less = has(set, i) ? best[set ^ (1 << i)]! : null;
        if (less && isBetter(less, score)) score = less;
      }
      best.push(score);
    }
    return { single, best, lockedItems, rate: total > 0 ? o.rate : 0 };
  });
  return {
    things,
    best: (outing, set) => looked[outing]!.best[set]!,
    year: (set) =>
      looked.reduce<Score>(
        (sum, { best }, o) =>
          sum.map((v, i) => v + outings[o]!.times * best[set]![i]!) as unknown as Score,
        [0, 0, 0, 0],
      ),
    gained: (from) => (set) =>
      looked.reduce<readonly number[]>(
        (sum, { single, best, rate, lockedItems }, o) => {
          const now = best[from]![2] - lockedItems;
          let most: readonly number[] = [Infinity, Infinity];
          for (const of of partsOf(set)) {
            const found = single[of];
            if (!found) continue;
            const counted = found.score[2] - lockedItems;
            const value = [found.score[0], found.share + rate * Math.max(now, counted)];
            if (isBetter(value, most)) most = value;
          }
          return sum.map((v, i) => v + outings[o]!.times * most[i]!);
        },
        [0, 0],
      ),
    shown: (set) =>
      looked.reduce<readonly number[]>(
        (sum, { best, rate, lockedItems }, o) => {
          const [musts, loss, items] = best[set]!;
          const lost = loss - rate * (items - lockedItems);
          return sum.map((v, i) => v + outings[o]!.times * [musts, lost][i]!);
        },
        [0, 0],
      ),
    keeps: (outing, set, than, got) => {
      // Every lineup from the set.
      for (let of = set; ; of = (of - 1) & set) {
        const found = looked[outing]!.single[of];
        if (
          found &&
          [...got].every((id) => found.got.has(id)) &&
          !isBetter(than.slice(0, 2), found.score.slice(0, 2))
        )
          return true;
        if (of === 0) return false;
      }
    },
    price: (set) =>
      things.reduce<number | null>(
        (sum, t, i) =>
          !has(set, i) || !t.wished ? sum : sum === null || t.paid === null ? null : sum + t.paid,
        0,
      ),
    held: bitsOf(things, ({ id, kept }) => {
      const isNeeded = outings.some(({ locked, spare }) => id === locked || id === spare);
      return kept || isNeeded;
    }),
  };
}

/** What can be chosen, as it is judged: by its pictures, then by its price; and by what it then shows. */
interface Judged {
  readonly value: readonly number[];
  readonly shown: readonly number[];
}

/**
 * Of what can be chosen, what costs least of all that shows as much as the best does. Of several bests each
 * may be the one.
 *
 * @returns for each of them the least price, and what is shown at the least
 */
export function leastAsGood(all: readonly Judged[]): { price: number; shown: readonly number[] }[] {
  const best = all.reduce((a, b) => (isBetter(b.value, a.value) ? b : a));
  return all
    .filter(({ value }) => !isBetter(best.value, value))
    .map(({ shown }) => {
      const asGood = all.filter((each) => showsAsMuch(each.shown, shown));
      return { price: Math.min(...asGood.map(({ value }) => value.at(-1)!)), shown };
    });
}

export const showsAsMuch = (one: readonly number[], as: readonly number[]): boolean =>
  one.every((v, i) => v <= as[i]! + 1e-6);

/** Sets of things by their bits. */
export const bitsOf = (things: readonly Drawn[], among: (t: Drawn) => boolean): number =>
  things.reduce((set, t, i) => (among(t) ? set | (1 << i) : set), 0);

/** Every part of a set, itself and nothing included. */
export function* partsOf(set: number): Generator<number> {
  for (let part = set; ; part = (part - 1) & set) {
    yield part;
    if (part === 0) return;
  }
}
