import fc from 'fast-check';
import { AIM_TOLERANCE, type MipModel, type MipRow } from '@/core/lineup';
import { loadHighsSolver } from './highsSolver';

/** Small whole models, and costs to go through one after another. */
interface Task {
  readonly model: MipModel;
  readonly aims: readonly (readonly number[])[];
}

const anyRow = (n: number): fc.Arbitrary<MipRow> =>
  fc
    .record({
      columns: fc.uniqueArray(fc.integer({ min: 0, max: n - 1 }), { minLength: 1, maxLength: n }),
      kind: fc.constantFrom('cover', 'cover', 'cover', 'pack', 'weight'),
      weights: fc.array(fc.integer({ min: 1, max: 9 }), { minLength: n, maxLength: n }),
    })
    .map(({ columns, kind, weights }) => {
      const coefficients = columns.map((c) => (kind === 'weight' ? weights[c]! : 1));
      const sum = coefficients.reduce((a, b) => a + b, 0);
      return kind === 'cover'
        ? { lower: 1, upper: Infinity, columns, coefficients }
        : { lower: -Infinity, upper: Math.ceil(sum * 0.6), columns, coefficients };
    });

const anyTask: fc.Arbitrary<Task> = fc.integer({ min: 2, max: 9 }).chain((n) =>
  fc.record({
    model: fc.array(anyRow(n), { minLength: 1, maxLength: 8 }).map((rows) => ({
      columnCount: n,
      lower: new Array<number>(n).fill(0),
      upper: new Array<number>(n).fill(1),
      integer: new Array<boolean>(n).fill(true),
      rows,
    })),
    aims: fc.array(
      fc.array(fc.constantFrom(0, 0, 0.5, 1, 1, 2, 7, 13.25, -1), { minLength: n, maxLength: n }),
      { minLength: 1, maxLength: 4 },
    ),
  }),
);

const dot = (costs: readonly number[], x: readonly number[]) =>
  costs.reduce((sum, c, i) => sum + c * (x[i] ?? 0), 0);

/** The values of the aims in their order, by going through every solution; null for none. */
function enumerated({ model, aims }: Task): number[] | null {
  let best: number[] | null = null;
  for (let mask = 0; mask < 1 << model.columnCount; mask += 1) {
    const x = model.lower.map((_, i) => (mask >> i) & 1);
    const isMet = model.rows.every((row) => {
      const value = row.columns.reduce((sum, c, k) => sum + x[c]! * row.coefficients[k]!, 0);
      return value >= row.lower && value <= row.upper;
    });
    if (!isMet) continue;
    const values = aims.map((costs) => dot(costs, x));
    const first = best === null ? 0 : values.findIndex((v, i) => Math.abs(v - best![i]!) > 1e-9);
    if (best === null || (first >= 0 && values[first]! < best[first]!)) best = values;
  }
  return best;
}

describe('aims solved one after another, each held', () => {
  it('come to what enumeration comes to, whatever holds them', async () => {
    const solver = await loadHighsSolver();
    let [solved, none] = [0, 0];
    fc.assert(
      fc.property(anyTask, (task) => {
        const expected = enumerated(task);
        const session = solver.open(task.model);
        const reached: number[] = [];
        try {
          for (const costs of task.aims) {
            const outcome = session.minimise(costs, 10);
            if (outcome.kind !== 'optimal') {
              expect(outcome.kind).toBe('infeasible');
              break;
            }
            for (const value of outcome.values) expect(value).toBeCloseTo(Math.round(value), 5);
            expect(dot(costs, outcome.values)).toBeCloseTo(outcome.objective, 6);
            reached.push(outcome.objective);
            session.hold({ costs, value: outcome.objective });
          }
        } finally {
          session.close();
        }
        if (expected === null) {
          none += 1;
          expect(reached).toEqual([]);
          return;
        }
        solved += 1;
        expect(reached).toHaveLength(expected.length);
        reached.forEach((value, i) => expect(value).toBeCloseTo(expected[i]!, 4));
      }),
      { seed: 61, numRuns: 400 },
    );
    expect(solved).toBeGreaterThan(200);
    expect(none).toBeGreaterThan(5);
  });

  it('hold one whose whole optimum is worse than its relaxation', async () => {
    // Two of any three neighbours on a ring of five: the relaxation takes halves, 2.5 against 3.
    const ring = [0, 1, 2, 3, 4];
    const session = (await loadHighsSolver()).open({
      columnCount: 6,
      lower: [...ring.map(() => 0), 0],
      upper: [...ring.map(() => 1), 1],
      integer: [...ring.map(() => true), true],
      rows: ring.map((i) => ({
        lower: 1,
        upper: Infinity,
        columns: [i, (i + 1) % 5],
        coefficients: [1, 1],
      })),
    });
    const count = [1, 1, 1, 1, 1, 9];
    expect(session.minimise(count, 10)).toMatchObject({ kind: 'optimal', objective: 3 });
    session.hold({ costs: count, value: 3 });
    // What costs more than the gap stays out, and three of the ring are all that may be taken.
    expect(session.minimise([0, 0, 0, 0, 0, -1], 10)).toMatchObject({ objective: 0 });
    expect(session.minimise([-1, -1, -1, -1, -1, 0], 10)).toMatchObject({ objective: -3 });
    expect(session.minimise([3, 1, 1, 2, 5, 0], 10)).toMatchObject({ objective: 4 + 2 });
    session.close();
  });

  it('are looked for anew when a row forbids the last optimum', async () => {
    const session = (await loadHighsSolver()).open({
      columnCount: 2,
      lower: [0, 0],
      upper: [1, 1],
      integer: [true, true],
      rows: [{ lower: 1, upper: Infinity, columns: [0, 1], coefficients: [1, 1] }],
    });
    expect(session.minimise([1, 2], 10)).toMatchObject({ objective: 1 });
    session.addRow({ lower: -Infinity, upper: 0, columns: [0], coefficients: [1] });
    expect(session.minimise([1, 2], 10)).toMatchObject({ objective: 2 });
    session.close();
  });

  it('hold two of them at once', async () => {
    const session = (await loadHighsSolver()).open({
      columnCount: 3,
      lower: [0, 0, 0],
      upper: [1, 1, 1],
      integer: [true, true, true],
      rows: [{ lower: 2, upper: Infinity, columns: [0, 1, 2], coefficients: [1, 1, 1] }],
    });
    const [count, weight] = [
      [1, 1, 1],
      [5, 3, 4],
    ];
    const first = session.minimise(
      count!.map((c, i) => 100 * c + weight![i]!),
      10,
    );
    expect(first).toMatchObject({ kind: 'optimal', values: [0, 1, 1] });
    session.hold({ costs: count!, value: 2 }, { costs: weight!, value: 7 });
    const last = session.minimise([0, 1, 0], 10);
    expect(last).toMatchObject({ kind: 'optimal', objective: 1 });
    session.close();
  });
});

describe('rows that fight', () => {
  it('are a set that cannot be met, with no row that may be left out', async () => {
    const solver = await loadHighsSolver();
    let fights = 0;
    fc.assert(
      fc.property(anyTask, fc.array(fc.nat(8), { maxLength: 6 }), ({ model }, barred) => {
        const rows = [
          ...model.rows,
          ...barred.map((c) => ({
            lower: 0,
            upper: 0,
            columns: [c % model.columnCount],
            coefficients: [1],
          })),
        ];
        const costs = new Array<number>(model.columnCount).fill(0);
        const isPossible = (among: readonly MipRow[]) => {
          const session = solver.open({
            ...model,
            integer: model.integer.map(() => false),
            rows: among,
          });
          const { kind } = session.minimise(costs, 10);
          session.close();
          return kind === 'optimal';
        };
        const session = solver.open({ ...model, rows });
        const fighting = session.conflictingRows(10);
        session.close();
        if (fighting === null) return;
        fights += 1;
        const all = fighting.map((r) => rows[r]!);
        expect(isPossible(all)).toBe(false);
        for (const left of all.keys())
          expect(isPossible(all.filter((_, i) => i !== left))).toBe(true);
      }),
      { seed: 62, numRuns: 150 },
    );
    expect(fights).toBeGreaterThan(20);
  });
});

test('an aim is held more loosely than rounding and more tightly than a step', () => {
  expect(AIM_TOLERANCE).toBeGreaterThan(1e-9);
  expect(AIM_TOLERANCE).toBeLessThan(1e-3);
});
