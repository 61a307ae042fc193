import fc from 'fast-check';
import { branch, type Relaxed, wholeStep } from './branch';

/**
 * A knapsack, whose relaxation is solved by hand: what weighs least for its worth goes in first,
 * and only the last thing that goes in is broken.
 */
interface Knapsack {
  readonly worth: readonly number[];
  readonly weight: readonly number[];
  readonly room: number;
}

const anyKnapsack: fc.Arbitrary<Knapsack> = fc
  .array(
    fc.record({ worth: fc.integer({ min: 1, max: 30 }), weight: fc.integer({ min: 1, max: 20 }) }),
    { minLength: 1, maxLength: 10 },
  )
  .chain((things) =>
    fc.integer({ min: 0, max: 60 }).map((room) => ({
      worth: things.map((t) => t.worth),
      weight: things.map((t) => t.weight),
      room,
    })),
  );

function relaxed({ worth, weight, room }: Knapsack) {
  const n = worth.length;
  const lower = new Float64Array(n);
  const upper = new Float64Array(n).fill(1);
  const bounds = { lower: Float64Array.from(lower), upper: Float64Array.from(upper) };
  let solves = 0;
  const task: Relaxed = {
    whole: Int32Array.from({ length: n }, (_, i) => i),
    lower,
    upper,
    bound: (column, from, to) => {
      bounds.lower[column] = from;
      bounds.upper[column] = to;
    },
    solve: () => {
      solves += 1;
      const values = Float64Array.from(bounds.lower);
      let left = room - values.reduce((sum, v, i) => sum + v * weight[i]!, 0);
      if (left < 0) return { kind: 'infeasible' };
      const order = [...worth.keys()].sort(
        (a, b) => worth[b]! / weight[b]! - worth[a]! / weight[a]!,
      );
      for (const i of order) {
        const more = Math.min(bounds.upper[i]! - values[i]!, left / weight[i]!);
        values[i] = values[i]! + more;
        left -= more * weight[i]!;
      }
      return {
        kind: 'optimal',
        values,
        objective: -values.reduce((sum, v, i) => sum + v * worth[i]!, 0),
      };
    },
  };
  return { task, bounds, solves: () => solves };
}

function best({ worth, weight, room }: Knapsack): number {
  let most = 0;
  for (let mask = 0; mask < 1 << worth.length; mask += 1) {
    const taken = worth.map((_, i) => (mask >> i) & 1);
    const sum = (of: readonly number[]) => of.reduce((total, x, i) => total + x * taken[i]!, 0);
    if (sum(weight) <= room) most = Math.max(most, sum(worth));
  }
  return most;
}

describe('branching', () => {
  it('finds the optimum that enumeration finds, with whole values', () => {
    let branched = 0;
    fc.assert(
      fc.property(anyKnapsack, fc.boolean(), (knapsack, knowsStep) => {
        const { task, solves } = relaxed(knapsack);
        const found = branch(task, knowsStep ? wholeStep(knapsack.worth) : null, () => true);
        if (found.kind !== 'optimal') throw new Error(found.kind);
        expect(-found.objective).toBeCloseTo(best(knapsack), 9);
        for (const value of found.values) expect(value).toBeCloseTo(Math.round(value), 6);
        const weight = found.values.reduce((sum, v, i) => sum + v * knapsack.weight[i]!, 0);
        expect(weight).toBeLessThanOrEqual(knapsack.room + 1e-6);
        branched += (solves() - 1) / 2;
      }),
      { seed: 51, numRuns: 400 },
    );
    expect(branched).toBeGreaterThan(400);
  });

  it('begins with what is known, and answers with it where nothing is better', () => {
    fc.assert(
      fc.property(anyKnapsack, (knapsack) => {
        const most = best(knapsack);
        const none = { values: knapsack.worth.map(() => 0), objective: 0 };
        const fromNothing = branch(relaxed(knapsack).task, null, () => true, none);
        expect(fromNothing).toMatchObject({ kind: 'optimal' });
        expect(fromNothing.kind === 'optimal' && -fromNothing.objective).toBeCloseTo(most, 9);
        const found = branch(relaxed(knapsack).task, null, () => true);
        if (found.kind !== 'optimal') throw new Error(found.kind);
        const [alone, again] = [relaxed(knapsack), relaxed(knapsack)];
        branch(alone.task, null, () => true);
        expect(branch(again.task, null, () => true, found)).toMatchObject({ values: found.values });
        expect(again.solves()).toBeLessThanOrEqual(alone.solves());
      }),
      { seed: 55, numRuns: 100 },
    );
  });

  it('leaves all bounds as they were', () => {
    fc.assert(
      fc.property(anyKnapsack, (knapsack) => {
        const { task, bounds } = relaxed(knapsack);
        branch(task, null, () => true);
        expect([...bounds.lower]).toEqual([...(task.lower as Float64Array)]);
        expect([...bounds.upper]).toEqual([...(task.upper as Float64Array)]);
      }),
      { seed: 52, numRuns: 100 },
    );
  });

  it('needs no more solves when it knows what the objective is a multiple of', () => {
    let [without, withStep] = [0, 0];
    fc.assert(
      fc.property(anyKnapsack, (knapsack) => {
        const one = relaxed(knapsack);
        branch(one.task, null, () => true);
        const other = relaxed(knapsack);
        branch(other.task, 1, () => true);
        expect(other.solves()).toBeLessThanOrEqual(one.solves());
        without += one.solves();
        withStep += other.solves();
      }),
      { seed: 53, numRuns: 100 },
    );
    expect(withStep).toBeLessThan(without);
  });

  it('gives up when it is told to, or when a relaxation fails, and says so', () => {
    const odd: Knapsack = { worth: [3, 3, 3], weight: [2, 2, 2], room: 3 };
    expect(branch(relaxed(odd).task, null, () => false)).toEqual({
      kind: 'given-up',
      best: null,
    });
    const asked: number[] = [];
    branch(relaxed(odd).task, null, (branches) => {
      asked.push(branches);
      return branches < 1;
    });
    expect(asked).toEqual([0, 1]);
    const failing: Relaxed = { ...relaxed(odd).task, solve: () => ({ kind: 'failed' }) };
    expect(branch(failing, null, () => true)).toMatchObject({ kind: 'given-up' });
  });

  it.each([1 + 1e-6, -1e-6])(
    'comes to an end where a value lies just outside its bounds (%d)',
    (value) => {
      const { task } = relaxed({ worth: [1], weight: [1], room: 1 });
      const off: Relaxed = {
        ...task,
        solve: () => ({ kind: 'optimal', values: [value], objective: 0 }),
      };
      expect(branch(off, null, (branches) => branches < 100)).toMatchObject({ kind: 'optimal' });
    },
  );

  it('says when there is no solution at all', () => {
    const full = relaxed({ worth: [1], weight: [5], room: 3 });
    const task: Relaxed = { ...full.task, lower: [1], upper: [1] };
    full.task.bound(0, 1, 1);
    expect(branch(task, null, () => true)).toEqual({ kind: 'infeasible' });
  });
});

describe('the step of an objective', () => {
  it('is 1, a half or a quarter where every cost is a multiple, else not known', () => {
    expect(wholeStep([1, 2, 0])).toBe(1);
    expect(wholeStep([1, 0.5])).toBe(0.5);
    expect(wholeStep([0.75, 2])).toBe(0.25);
    expect(wholeStep([0.1, 1])).toBeNull();
    expect(wholeStep([])).toBe(1);
  });
});
