import fc from 'fast-check';
import { aBody, aConverter, aLens, aShelf } from '../../../tests/support/gear';
import { aPhoto } from '../../../tests/support/photos';
import { loadHighsSolver } from '@/solver';
import type { Lens, Shelf } from '@/core/gear';
import { hindsight, logBuilder, NO_MARKS, type Photo, seenOf, select } from '@/core/log';

const RULES = { maxCrop: 1.5, isoCeiling: 6400, tolerancePercent: 2 };
const PIECES = { converterPieces: 0.5, tubePieces: 0.5, adapterPieces: 0.5 };
const logOf = (photos: readonly Photo[]) => {
  const builder = logBuilder();
  photos.forEach((p) => builder.add(p));
  return builder.log();
};

/**
 * The slow, obvious way, written from the description alone: a photograph is made again by a lens on a
 * body when some focal length of it, in steps of a thousandth, shows the same angle or a wider one within the
 * crop, and its f-number there is as low, or lifts the ISO at the same time to no more than the ceiling.
 */
function made(photo: Photo, lens: Lens, factor: number, shelf: Shelf): boolean {
  return shelf.bodies.some((body) => {
    if (body.mount !== lens.mount) return false;
    const crop = Math.hypot(36, 24) / Math.hypot(body.sensor.widthMm, body.sensor.heightMm);
    const ceiling = Math.min(RULES.isoCeiling, body.isoCeiling ?? Infinity);
    if (lens.minFocusM !== null && photo.subjectM !== null && photo.subjectM < lens.minFocusM)
      return false;
    const { wideMm, longMm } = lens.focal;
    const steps = 1000;
    for (let k = 0; k <= steps; k += 1) {
      const focal = wideMm * (longMm / wideMm) ** (k / steps);
      const shown = focal * factor * crop;
      const cropNeeded = photo.equivalentMm! / shown;
      if (cropNeeded < 1 / 1.02 || cropNeeded > RULES.maxCrop * 1.02) continue;
      const [first, last = first] = lens.apertures.map((p) => p.fNumber) as [number, number?];
      // Even in stops over ratios of focal length.
      const fNumber = factor * first * (last! / first) ** (k / steps);
      if (photo.fNumber === null || fNumber <= photo.fNumber * 2 ** 0.05) return true;
      if (photo.iso !== null && photo.iso * (fNumber / photo.fNumber) ** 2 <= ceiling * 2 ** 0.1)
        return true;
    }
    return false;
  });
}

/** Every set of lenses and converters, by how many pieces it has and how many photographs it makes. */
function bestByPieces(photos: readonly Photo[], shelf: Shelf): Map<number, number> {
  const items = [...shelf.lenses, ...shelf.converters];
  const byWay = new Map<string, boolean[]>();
  for (const lens of shelf.lenses)
    for (const { id, factor } of [{ id: '', factor: 1 }, ...shelf.converters])
      byWay.set(
        `${lens.id} ${id}`,
        photos.map((p) => made(p, lens, factor, shelf)),
      );
  const best = new Map<number, number>();
  for (let set = 0; set < 2 ** items.length; set += 1) {
    const chosen = items.filter((_, i) => (set >> i) & 1);
    const has = (id: string) => chosen.some((item) => item.id === id);
    const pieces = chosen.reduce((sum, item) => sum + ('factor' in item ? 0.5 : 1), 0);
    const count = photos.filter((_, p) =>
      shelf.lenses.some(
        (lens) =>
          has(lens.id) &&
          (byWay.get(`${lens.id} `)![p] ||
            shelf.converters.some(
              (c) =>
                has(c.id) && c.lensIds.includes(lens.id) && byWay.get(`${lens.id} ${c.id}`)![p],
            )),
      ),
    ).length;
    for (let k = Math.max(0.5, pieces); k <= items.length; k += 0.5)
      best.set(k, Math.max(best.get(k) ?? 0, count));
  }
  return best;
}

/** Figures that no tolerance decides: steps of a grid that is wider than any of them. */
const focal = fc.constantFrom(14, 20, 28, 40, 56, 80, 112, 160, 224, 320);
const lensOf = fc
  .record({ wide: focal, long: focal, f: fc.constantFrom(1.4, 2.8, 5.6), slower: fc.boolean() })
  .map(({ wide, long, f, slower }) => ({
    wide: Math.min(wide, long),
    long: Math.max(wide, long),
    f: [f, slower && wide !== long ? f * 1.4 : f] as const,
  }));
const photoOf = fc.record({
  equivalentMm: fc.constantFrom(16, 23, 33, 47, 66, 93, 132, 187, 264, 373),
  fNumber: fc.option(fc.constantFrom(2, 4, 8)),
  iso: fc.option(fc.constantFrom(300, 1100, 4500, 9000)),
  subjectM: fc.option(fc.constantFrom(0.4, 1.5, 9)),
});

test('the most that so many lenses would have made, against every set of them, on 200 random logs', async () => {
  const solver = await loadHighsSolver();
  let proper = 0;
  fc.assert(
    fc.property(
      fc.array(lensOf, { minLength: 1, maxLength: 6 }),
      fc.array(fc.constantFrom(...'012345'), { maxLength: 3 }),
      fc.array(photoOf, { minLength: 1, maxLength: 40 }),
      fc.constantFrom(null, 1600, 25_600),
      (lenses, convertible, given, isoCeiling) => {
        const fits = (id: string) => Number(id[1]) < lenses.length && Number(id[1]) % 3 !== 2;
        const shelf = aShelf(
          lenses.map(({ wide, long, f }, i) =>
            aLens(`l${i}`, wide, long, f, {
              mount: i % 3 === 2 ? 'N' : 'M',
              minFocusM: i % 2 ? 0.8 : null,
            }),
          ),
          [aConverter('c', 1.4, convertible.map((n) => `l${n}`).filter(fits))],
          [
            aBody({ id: 'big', isoCeiling }),
            aBody({
              id: 'small',
              mount: 'N',
              sensor: { widthMm: 18, heightMm: 12, pixelsWide: 5000, pixelsHigh: 3333 },
            }),
          ],
        );
        const photos = given.map((p, i) => aPhoto(`p${i}.jpg`, p));
        const seen = seenOf(logOf(photos), shelf, NO_MARKS);
        const found = hindsight(
          solver,
          seen,
          select(seen.log),
          { shelf, rules: RULES, ...PIECES },
          () => 60,
        );
        const best = bestByPieces(photos, shelf);
        let before = 0;
        const should = [...best]
          .sort(([a], [b]) => a - b)
          .flatMap(([, made]) => {
            if (made <= before) return [];
            before = made;
            return [made];
          });
        expect(found.points.map((p) => p.made)).toEqual(should);
        expect(found.unmade).toBe(photos.length - Math.max(0, ...best.values()));
        for (const p of found.points) {
          expect(p.proven).toBe(true);
          expect(best.get(p.pieces)).toBe(p.made);
        }
        if (found.points.length > 1) proper += 1;
      },
    ),
    { numRuns: 200, seed: 4 },
  );
  expect(proper).toBeGreaterThan(60);
}, 300_000);

test('without time, what is found is called so', async () => {
  const shelf = aShelf([aLens('l', 24, 70, 2.8)]);
  const seen = seenOf(logOf([aPhoto('a', { equivalentMm: 50 })]), shelf, NO_MARKS);
  const solver = await loadHighsSolver();
  const cut = {
    ...solver,
    open: (model: Parameters<typeof solver.open>[0]) => {
      const session = solver.open(model);
      return {
        ...session,
        hold: () => undefined,
        close: () => session.close(),
        minimise: () => ({
          kind: 'time-limit' as const,
          values: new Array<number>(model.columnCount).fill(1),
          objective: -1,
          bound: -1.5,
        }),
      };
    },
  };
  const found = hindsight(cut, seen, select(seen.log), { shelf, rules: RULES, ...PIECES }, () => 0);
  expect(found.points).toMatchObject([{ made: 1, proven: false, bound: 1 }]);
});

test('photographs of unknown angle are counted by themselves', async () => {
  const shelf = aShelf([aLens('l', 24, 70, 2.8)]);
  const seen = seenOf(logOf([aPhoto('a', { equivalentMm: 50 }), aPhoto('b')]), shelf, NO_MARKS);
  const found = hindsight(
    await loadHighsSolver(),
    seen,
    select(seen.log),
    { shelf, rules: RULES, ...PIECES },
    () => 9,
  );
  expect(found).toMatchObject({ count: 2, unknown: 1, unmade: 0, points: [{ made: 1 }] });
});

test('of two that would have made as much, at the same weight, the owned one is named', async () => {
  const solver = await loadHighsSolver();
  const seen = seenOf(logOf([aPhoto('a', { equivalentMm: 50 })]), aShelf([]), NO_MARKS);
  for (const owned of ['a', 'b']) {
    const lenses = ['a', 'b'].map((id) =>
      aLens(id, 24, 70, 2.8, { weightG: 500, ownership: id === owned ? 'owned' : 'wished' }),
    );
    const question = { shelf: aShelf(lenses), rules: RULES, ...PIECES };
    const { points } = hindsight(solver, seen, select(seen.log), question, () => 9);
    expect(points.map((p) => p.itemIds)).toEqual([[owned]]);
  }
});

test('a converter that counts half is asked about between one lens and two', async () => {
  const shelf = aShelf(
    [aLens('tele', 100, 100, 2.8), aLens('wide', 20, 20, 2.8)],
    [aConverter('c', 1.4, ['tele'])],
    [aBody()],
  );
  const some = (count: number, equivalentMm: number) =>
    Array.from({ length: count }, (_, i) => aPhoto(`${equivalentMm}-${i}`, { equivalentMm }));
  const seen = seenOf(logOf([...some(10, 100), ...some(3, 140), ...some(5, 20)]), shelf, NO_MARKS);
  const rules = { ...RULES, maxCrop: 1 };
  const found = hindsight(
    await loadHighsSolver(),
    seen,
    select(seen.log),
    { shelf, rules, ...PIECES },
    () => 60,
  );
  expect(found.points.map((p) => [p.pieces, p.made])).toEqual([
    [1, 10],
    [1.5, 13],
    [2, 15],
    [2.5, 18],
  ]);
});
